import { expect, it } from 'vitest';
import { analyse } from '../design';
import { transistorKinds } from '../drivers/kinds';
import { defaultTransistor } from '../drivers/registry';
import { defaultLoads } from '../loads/registry';
import { changeBaseResistor, takeLoad, takeTransistor, together } from '../project/edits';
import { sampleProjects } from '../project/samples';
import { nearestOhms, valuesIn } from '../series/stock';
import { chooseDetector } from '../size/chooseDetector';
import { runs } from '../testRuns';
import { changesBetween, costOf } from './changes';
import { baseFitted, finished } from './plans';
import { LOOK_COST, searchCures } from './remedies';
import { isWorse, total, tried } from './trials';

const CODE = 'little-drive-margin';
const every = (['comparator', 'window', 'ladder', 'timer', 'controller', 'change'] as const).flatMap((kind) =>
  transistorKinds.flatMap((transistor) =>
    Object.values(defaultLoads).flatMap((load) =>
      sampleProjects.map((base) =>
        together(chooseDetector(kind), takeTransistor(defaultTransistor(transistor)), takeLoad(load))(base),
      ),
    ),
  ),
);

it('with little in hand into a base what is offered is no dearer than the best resistor in stock by itself', () => {
  let asked = 0;
  for (let index = 0; index < runs(every.length, 90); index++) {
    const made = finished(baseFitted(every[(index * 397) % every.length] ?? sampleProjects[0]));
    const analysis = analyse(made);
    const { baseOhms } = made.driver;
    if (!analysis.ok || baseOhms === null || !analysis.design.thresholds) continue;
    // As it is, and with less and less into the base.
    const weak = [1, 1.5, 2.2, 3.3, 4.7]
      .map((times) => changeBaseResistor(nearestOhms(made.resistors, baseOhms * times))(made))
      .find((project) => tried(project)?.said.look.has(CODE));
    const before = weak && tried(weak)?.said;
    if (!before || before.cannot.size > 0) continue;
    const weights = valuesIn(weak.resistors).flatMap((ohms) => {
      if (ohms >= (weak.driver.baseOhms ?? 0)) return [];
      const other = changeBaseResistor(ohms)(weak);
      const said = tried(other)?.said;
      const cures = said && !said.look.has(CODE) && total(said.look) < total(before.look);
      return cures && !isWorse(before, said)
        ? [costOf(changesBetween(weak, other)) + LOOK_COST * total(said.look)]
        : [];
    });
    const { cures, failsAtEnds } = searchCures(weak);
    // Ends weigh in as well where it fails at one.
    if (weights.length === 0 || failsAtEnds) continue;
    asked++;
    const [first] = cures.find(({ code }) => code === CODE)?.remedies ?? [];
    const weight = first ? costOf(first.changes) + LOOK_COST * first.then.looks : Infinity;
    expect(weight, `${made.name} ${index}`).toBeLessThanOrEqual(Math.min(...weights));
  }
  expect(asked).toBeGreaterThan(0);
});
