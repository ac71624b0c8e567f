// @vitest-environment happy-dom
import { cleanup, screen } from '@testing-library/react';
import { afterEach, beforeAll, describe, expect, it } from 'vitest';
import { shippedMeters } from '@/core/meter/meter';
import { noteAnswer } from '@/core/project/built/checkEdits';
import { adoptionsOf } from '@/core/points/adoptions';
import { adoptionText, measuredName } from '@/ui/words/check/adopting';
import { transistorName } from '@/ui/words/names';
import { changeLoad, together } from '@/core/project/edits';
import type { Project } from '@/core/project/project';
import { sampleNamed } from '@/core/project/testSamples';
import { renderInWorkbench } from '@/ui/workbench/testWorkbench';
import { computePoints } from '@/workers/check/compute';
import { stubBrowser } from '../testPanels';
import { AdoptPanel } from './points/AdoptPanel';

beforeAll(stubBrowser);
afterEach(cleanup);

const meter = shippedMeters[0];
const platform = sampleNamed('Platform lamps');

/** The panel for a circuit at which something was measured. */
async function adopting(project: Project) {
  if (!meter) throw new Error('no meter');
  const points = await computePoints({ project, meter, trimVolts: {} }, () => undefined);
  if (!points) throw new Error('no points');
  return renderInWorkbench(project, (design) => <AdoptPanel points={points} design={design} meter={meter} />);
}

describe('what was measured, taken into the design', () => {
  it.each([1, 3])('is each string’s own resistor where %i hang side by side', async (strings) => {
    const built = changeLoad({ strings, seriesOhms: 330 })(platform);
    const { project } = await adopting(noteAnswer('ohms R2 0', 330 * 1.05)(built));
    screen.getByRole('button', { name: 'Take over' }).click();
    expect(project().loads[0]).toMatchObject({ strings });
    expect(Reflect.get(project().loads[0] ?? {}, 'seriesOhms')).toBeCloseTo(346.5, 0);
  });

  it('tells where this build turns on, narrower than its parts alone, and not before anything is measured', async () => {
    const { unmount } = await adopting(platform);
    expect(screen.queryByText(/By all of it together/)).toBeNull();
    unmount();
    const bare = { ...platform, readings: [] };
    if (!meter) throw new Error('no meter');
    const points = await computePoints({ project: bare, meter, trimVolts: {} }, () => undefined);
    const shown = (key: string) => points?.points.find((point) => point.key === key)?.expected ?? NaN;
    const measured = ['volts supply 0', 'volts mid 1'].map((key) => noteAnswer(key, 1.02 * shown(key)));
    const first = await adopting(together(...measured)(bare));
    const text = screen.getByText(/By all of it together/).textContent;
    const [lux, low, high, lowest, highest] = [...text.matchAll(/([\d.]+)\s(k?)lx/gu)].map(
      ([, figure, kilo]) => Number(figure) * (kilo === 'k' ? 1000 : 1),
    );
    expect([lowest, low, lux, high, highest].map(Number)).toEqual(
      [lowest, low, lux, high, highest].map(Number).sort((a, b) => a - b),
    );
    expect(text).not.toMatch(/NaN|undefined/);
    first.unmount();
    // Out of every band something is wrong with it, and its parts say nothing of it.
    await adopting(together(...measured, noteAnswer('volts mid 1', 5.9))(bare));
    expect(screen.queryByText(/By all of it together/)).toBeNull();
  });

  it('is a transistor that still says of which kind it is', () => {
    expect(measuredName('small-signal NPN')).toBe('small-signal NPN, measured');
    expect(measuredName(measuredName('small-signal NPN'))).toBe('small-signal NPN, measured');
    const before = platform.driver.part;
    const gain = { of: 'gain', designator: 'Q1', elements: ['Q1'], lnMiddle: 0, lnHalf: 0.7 } as const;
    const known = [{ factor: { ...gain, isNormal: false }, mean: -0.5, std: 0.05, priorStd: 0.577 }];
    const [offer] = adoptionsOf(platform, { parts: [] }, [], [], known, {
      measuredName: (part) => measuredName(transistorName(part)),
    });
    const { part } = offer?.edit(platform).driver ?? {};
    expect(part).toMatchObject({ kind: before.kind, name: 'small-signal NPN, measured' });
    expect(adoptionText(offer ?? fail(), null, null)).toMatch(/^Q1’s β is 141, where 200 is typical/);
  });
});

function fail(): never {
  throw new Error('nothing offered');
}
