// @vitest-environment happy-dom
import { act, cleanup, render, screen } from '@testing-library/react';
import { afterEach, beforeAll, describe, expect, it, vi } from 'vitest';
import { OVER_OHMS, type Probe } from '@/core/faults/probe';
import { shippedMeters } from '@/core/meter/meter';
import type { MeterSource, SourceListener } from '@/devices/meterSource';
import { LiveContext } from '@/ui/live/context';
import { LiveSession } from '@/ui/live/liveSession';
import { press, stubBrowser } from '../testPanels';
import { AnswerField } from './AnswerField';

beforeAll(stubBrowser);
afterEach(cleanup);

const meter = shippedMeters[0];
const VOLTS: Probe = { kind: 'volts', net: 'mid', light: 0 };
const OHMS: Probe = { kind: 'ohms', designator: 'R1', light: 0 };

/** A field beside a meter that says what the test has it say. */
async function shown(probe: Probe, takesLive = true) {
  const session = new LiveSession();
  const told: SourceListener[] = [];
  const source: MeterSource = {
    kind: 'serial',
    open: async (listener) => void told.push(listener),
    close: async () => undefined,
  };
  await session.connect(source);
  const onAnswer = vi.fn();
  if (!meter) throw new Error('no meter');
  render(
    <LiveContext
      value={{ session, projectId: 'a', benchId: null, renewBench: () => undefined, recording: null }}
    >
      <AnswerField
        probe={probe}
        label="Voltage at A"
        meter={meter}
        value={null}
        loads={[{ designator: 'D1', isByDegrees: true, hasRows: false }]}
        takesLive={takesLive}
        onAnswer={onAnswer}
      />
    </LiveContext>,
  );
  const [listener] = told;
  if (!listener) throw new Error('nobody listens');
  return { session, onAnswer, listener };
}

const takes = () => screen.queryAllByRole('button', { name: /^Take the live figure/ });
const sample = { at: 2, ohms: 4700, above: false, rangeOhms: null, lux: null };

describe('the figure of a meter that talks', () => {
  it('is offered where it is of the right sort, and taken by one click', async () => {
    const { listener, onAnswer } = await shown(VOLTS);
    expect(takes()).toEqual([]);
    act(() => listener.onSample(sample));
    expect(takes()).toEqual([]);
    act(() => listener.onFigure?.({ at: 3, value: 0.698, unit: 'V' }));
    expect(takes()[0]?.textContent).toContain('0.698');
    press('Take the live figure: Voltage at A');
    expect(onAnswer).toHaveBeenCalledWith(0.698);
    act(() => listener.onFigure?.({ at: 4, value: 0.01, unit: 'A' }));
    expect(takes()).toEqual([]);
  });

  it('is a resistance as long as the meter tells one, and over its range where it is', async () => {
    const { listener, onAnswer, session } = await shown(OHMS);
    act(() => listener.onSample({ ...sample, above: true }));
    press('Take the live figure: Voltage at A');
    expect(onAnswer).toHaveBeenCalledWith(OVER_OHMS);
    act(() => listener.onFigure?.({ at: 3, value: 4.998, unit: 'V' }));
    expect(takes()).toEqual([]);
    act(() => listener.onSample(sample));
    expect(takes()).toHaveLength(1);
    await act(() => session.disconnect());
    expect(takes()).toEqual([]);
  });

  it('stands only beside the field that is looked at', async () => {
    const { listener } = await shown(OHMS, false);
    act(() => listener.onSample(sample));
    expect(takes()).toEqual([]);
  });
});
