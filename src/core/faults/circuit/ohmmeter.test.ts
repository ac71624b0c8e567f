import { describe, expect, it } from 'vitest';
import { someProject } from '../../advise/testProjects';
import { analyse } from '../../design';
import { pinsOf } from '../../parts/registry';
import { runs } from '../../testRuns';
import { benchOf } from '../testBenches';
import { withFault } from './apply';
import { Ohmmeter } from './ohmmeter';

describe('an ohmmeter at a circuit without its supplies', () => {
  it('has each resistor in what it finds by its share: 1 % more of it is so many percent more', () => {
    let [near, count] = [0, 0];
    for (let seed = 1; count < runs(4000, 40); seed++) {
      const project = someProject(seed);
      if (!analyse(project).ok) continue;
      const { bench } = benchOf(project, 2);
      const { wiring, assembly } = bench;
      const resistors = assembly.parts.flatMap((part) => (part.kind === 'resistor' ? [part] : []));
      const pairs = resistors.flatMap((part) => {
        const [a, b] = pinsOf(part).map(({ net }) => net);
        return a && b ? [[a, b] as const] : [];
      });
      const names = resistors.map(({ designator }) => designator);
      const elements = names.map((name) =>
        (wiring.parts.find(({ part }) => part.designator === name)?.elements ?? []).map((one) => one.name),
      );
      const nets = pairs.flat();
      const meter = new Ohmmeter(wiring, nets);
      const [before, shares] = [meter.between(pairs, 5000), meter.shares(pairs, 5000, elements)];
      if (!before || !shares) continue;
      names.forEach((designator, at) => {
        const larger = withFault(wiring, { kind: 'value', designator, times: 1.001 });
        const after = new Ohmmeter(larger, nets).between(pairs, 5000);
        pairs.forEach((_, pair) => {
          const ratio = Math.log((after?.[pair] ?? NaN) / before[pair]!) / Math.log(1.001);
          count += 1;
          if (Math.abs(ratio - shares[pair]![at]!) < 2e-3) near += 1;
        });
      });
      // No more than all of it lies in them.
      for (const own of shares) expect(own.reduce((sum, each) => sum + each, 0)).toBeLessThan(1 + 1e-6);
    }
    expect(near).toBe(count);
    expect(count).toBeGreaterThan(50);
  });
});
