// @vitest-environment jsdom
import { cleanup, screen } from '@testing-library/react';
import { afterEach, beforeAll, describe, expect, it } from 'vitest';
import { shippedMeters } from '@/core/meter/meter';
import { noteAnswer } from '@/core/project/built/checkEdits';
import { adoptionsOf } from '@/core/points/adoptions';
import { adoptionText, measuredName } from '@/ui/words/check/adopting';
import { transistorName } from '@/ui/words/names';
import { changeLoad } from '@/core/project/edits';
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
    const { project } = await adopting(noteAnswer('ohms R2 0', (330 / strings) * 1.05)(built));
    screen.getByRole('button', { name: 'Take over' }).click();
    expect(project().loads[0]).toMatchObject({ strings });
    expect(Reflect.get(project().loads[0] ?? {}, 'seriesOhms')).toBeCloseTo(346.5, 0);
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
