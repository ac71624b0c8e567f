import { swapLdrSide, together, type Edit } from '../project/edits';
import type { Project } from '../project/project';
import { resized } from '../size/resize';
import { withAction } from '../size/withAction';
import { allAdvice } from './advise';
import { editFor } from './fixes';
import type { Found } from './found';
import {
  baseFitted,
  detectorPlans,
  dividerPlans,
  driverPlans,
  finished,
  seriesFitted,
  supplyPlans,
} from './plans';

/** Changes to try, the least first; each stage is only begun where those before it leave something that cannot work. */
export function* stages(project: Project, found: Found): Generator<() => Generator<Edit>> {
  const proposed = allAdvice(project, found).flatMap(({ fix }) => (fix ? [editFor(fix)] : []));
  yield function* () {
    yield* proposed;
    yield resized;
    yield seriesFitted;
    yield baseFitted;
    yield (p) => resized(withAction(p));
    yield (p) => resized(swapLdrSide(p));
    yield finished;
    yield (p) => finished(baseFitted(p));
  };
  const [supplies, drivers, detectors, dividers] = [
    supplyPlans(project),
    driverPlans(project),
    detectorPlans(project),
    dividerPlans(project),
  ];
  const ended =
    (...plans: Edit[]): Edit =>
    (p) =>
      finished(baseFitted(plans.reduce((design, plan) => plan(design), p)));
  yield function* () {
    for (const plan of [...dividers, ...drivers, ...detectors, ...supplies]) yield ended(plan);
    for (const fix of proposed) yield ended(fix);
  };
  const pairs = (ones: readonly Edit[], others: readonly Edit[]) =>
    ones.flatMap((one) => others.map((other) => ended(one, other)));
  yield function* () {
    yield* pairs(proposed, dividers);
    yield* pairs(detectors, drivers);
    yield* pairs(supplies, drivers);
    yield* pairs(supplies, detectors);
    yield* pairs(supplies, dividers);
    yield* pairs(detectors, dividers);
    // What is where it is wanted may leave it when it is put on its goal anew.
    for (const detector of detectors) for (const driver of drivers) yield together(detector, driver);
  };
  yield function* () {
    for (const last of [...drivers, ...dividers])
      for (const detector of detectors) for (const supply of supplies) yield ended(supply, detector, last);
  };
}
