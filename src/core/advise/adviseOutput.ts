import { leaksAway } from '../detectors/outputStage/oneShot';
import { stageOn } from '../detectors/outputStage/outputStage';
import { detectorDefinition } from '../detectors/registry';
import type { Thresholds } from '../detectors/thresholds';
import { driverDefinition } from '../drivers/registry';
import { loadDefinition } from '../loads/registry';
import { partIn } from '../parts/find';
import { isRatedForSupply, shippedComparators } from '../parts/kinds/comparator';
import { eachOhms } from '../parts/kinds/resistor';
import { pulseSeconds } from '../parts/kinds/timer';
import { ratingOf } from '../parts/registry';
import type { Role } from '../parts/roles';
import type { Project } from '../project/project';
import type { Fix, Say, Found } from './advice';

/** What there is to say of a detector's output: of the ICs behind it, and of what a load does to it. */
export function sayBehindOutput(project: Project, design: Found, thresholds: Thresholds, say: Say) {
  sayPulse(project, say);
  sayStageSupply(project, design, say);
  sayPulledUp(project, thresholds, say);
  sayBelowGround(project, design, thresholds, say);
}

/** What most of an output's current goes to. */
export function loadOfOutput(
  { detector, divider, driver, outputStage }: Project,
  { assembly }: Found,
  outputAmps: number,
) {
  const pullUp = partIn(assembly.parts, 'resistor', 'pull-up');
  const share = pullUp ? divider.supplyVolts / eachOhms(pullUp) / outputAmps : 0;
  // What follows an inverter or a stage hangs on an output of its own.
  if (share > (outputStage.kind === 'direct' ? 0.5 : 0.95)) return 'pull-up';
  const { output, withLoadsApart } = detectorDefinition(detector);
  // What shows a dot has its loads between its outputs: no transistor stands for those.
  if (output(detector)?.to === 'load') return withLoadsApart(detector) ? null : 'load';
  return driverDefinition(driver.kind).control === 'base' ? 'base' : null;
}

/** A pulse whose capacitor leaks away what should charge it. */
function sayPulse({ detector, outputStage }: Project, say: Say) {
  const definition = detectorDefinition(detector);
  const follows = definition.takesOutputStage && outputStage.kind === 'one-shot' ? outputStage : null;
  const own = definition.pulse(detector);
  const pulse = follows ?? own;
  if (pulse && leaksAway(pulse.ohms, pulse.farads))
    say('look', {
      code: 'pulse-leaks',
      seconds: pulseSeconds(pulse.ohms, pulse.farads, follows ? undefined : own?.share),
    });
}

/** The ICs between a detector and what it drives. */
const STAGE: readonly Role[] = ['one-shot', 'inverter', 'toggle', 'counted', 'counter'];

/** ICs between the detector and what it drives, on the detector's supply. */
function sayStageSupply({ divider, outputStage }: Project, { assembly }: Found, say: Say) {
  const volts = divider.supplyVolts;
  for (const part of assembly.parts) {
    const { minVolts, volts: maxVolts } = ratingOf(part);
    if (!STAGE.includes(part.role) || minVolts === undefined || maxVolts === null) continue;
    if (volts >= minVolts && volts <= maxVolts) continue;
    const stage = stageOn(outputStage, volts);
    say(
      'cannot',
      {
        ...{ code: 'stage-supply', ic: part.role === 'one-shot' ? 'timer' : 'logic' },
        ...{ volts, minVolts, maxVolts },
      },
      stage === outputStage ? null : { kind: 'set-output-stage', stage },
    );
    return;
  }
}

/** An open collector or drain is rated for its part's highest supply, whatever its supply is; a load's own may be more. */
function sayPulledUp(
  { detector, outputStage, divider }: Project,
  { onVolts, offVolts }: Thresholds,
  say: Say,
) {
  const definition = detectorDefinition(detector);
  const part =
    'part' in detector && 'kind' in detector.part && detector.part.kind === 'open-collector'
      ? detector.part
      : null;
  if (!part || definition.output(detector)?.to !== 'load' || outputStage.kind !== 'direct') return;
  const volts = Math.max(onVolts, offVolts) - definition.lowVolts(detector);
  if (volts <= part.maxSupplyVolts) return;
  const other = shippedComparators.find(
    (each) =>
      each.kind === part.kind && each.maxSupplyVolts >= volts && isRatedForSupply(each, divider.supplyVolts),
  );
  const settings = other ? definition.withComparator(detector, other) : null;
  say(
    'cannot',
    { code: 'output-over-volts', volts, maxVolts: part.maxSupplyVolts },
    settings && { kind: 'set-detector', settings, resizes: true },
  );
}

/** So far below 0 V an input on 0 V does not mind. */
const BELOW_GROUND_VOLTS = 0.3;

/** An output with a supply below 0 V: what stands behind it on 0 V gets that. */
function sayBelowGround(
  { detector, outputStage }: Project,
  { assembly }: Found,
  { onVolts, offVolts }: Thresholds,
  say: Say,
) {
  const definition = detectorDefinition(detector);
  const lowVolts = definition.lowVolts(detector);
  if (lowVolts >= -BELOW_GROUND_VOLTS) return;
  const fix: Fix | null =
    'negativeVolts' in detector
      ? { kind: 'set-detector', settings: { ...detector, negativeVolts: 0 }, resizes: true }
      : null;
  if (definition.takesOutputStage && outputStage.kind !== 'direct') {
    say('cannot', { code: 'stage-below-ground', volts: lowVolts }, fix);
    return;
  }
  const volts = Math.min(onVolts, offVolts);
  if (assembly.driver || !assembly.isHighSide) return;
  // A lamp or a coil is on with either sign, which its current tells; what passes one way only has to bear the other.
  for (const { load } of assembly.loads) {
    const maxVolts = loadDefinition(load).reverseVolts(load);
    if (maxVolts !== null && -volts > maxVolts)
      say('cannot', { code: 'load-reversed', load: load.kind, volts: -volts, maxVolts }, fix);
  }
}
