// @vitest-environment happy-dom
import { cleanup, render, screen } from '@testing-library/react';
import { afterEach, beforeAll, describe, expect, it } from 'vitest';
import { sampleBench } from '@/core/faults/testBenches';
import { probesOf } from '@/core/faults/predict';
import { stubBrowser } from '../../testPanels';
import { ProbesPanel } from './ProbesPanel';

beforeAll(stubBrowser);
afterEach(cleanup);

describe('what can be probed in practice', () => {
  it('is told with its light by buttons, or in its name where only one light is meant', () => {
    const { bench } = sampleBench('Marble gate', 2);
    const probes = probesOf(bench, []);
    const { lights, meter } = bench;
    const practised = { lights, loads: 1, probes, answers: [], choices: [], solution: null };
    render(
      <ProbesPanel
        practised={practised}
        bench={{ ...bench, holesOf: () => [] }}
        meter={meter}
        onAsk={() => undefined}
        isOver={false}
      />,
    );
    const rows = screen.getAllByRole('row').map((row) => (row.textContent ?? '').replaceAll('\u00a0', ' '));
    // The LDR lies beside the reference, and not beside what feeds a transistor’s base.
    expect(rows.some((text) => /^Resistance across R21 \(56 kΩ\), in the dark/.test(text))).toBe(true);
    expect(rows.some((text) => /^Resistance across R3 \(4\.7 kΩ\)Probe/.test(text))).toBe(true);
    expect(rows.some((text) => /^Resistance across LDR1darklight/.test(text))).toBe(true);
  });
});
