import { leaksAway, oneShotSeconds } from '../detectors/outputStage/oneShot';
import { detectorDefinition } from '../detectors/registry';
import type { Thresholds } from '../detectors/thresholds';
import { loadDefinition } from '../loads/registry';
import { isRatedForSupply, shippedComparators } from '../parts/kinds/comparator';
import { CMOS_SUPPLY } from '../parts/kinds/gate';
import type { Part } from '../parts/part';
import type { Project } from '../project/project';
import type { Fix, Say, Found } from './advice';

/** What there is to say of a detector's output: of the ICs behind it, and of what a load does to it. */
export function sayBehindOutput(project: Project, design: Found, thresholds: Thresholds, say: Say) {
  sayPulse(project, say);
  sayStageSupply(project, design, say);
  sayPulledUp(project, thresholds, say);
  sayBelowGround(project, design, thresholds, say);
}

/** A pulse whose capacitor leaks away what should charge it. */
function sayPulse({ detector, outputStage }: Project, say: Say) {
  const definition = detectorDefinition(detector);
  const follows = definition.takesOutputStage && outputStage.kind === 'one-shot' ? outputStage : null;
  const pulse = follows ?? definition.pulse(detector);
  if (pulse && leaksAway(pulse.ohms, pulse.farads))
    say('look', { code: 'pulse-leaks', seconds: oneShotSeconds(pulse.ohms, pulse.farads) });
}

/** What an IC of a stage behind the detector works on; `null` for every other part. */
function stageSupply(
  part: Part,
): { readonly ic: 'timer' | 'logic'; readonly min: number; readonly max: number } | null {
  if (part.kind === 'timer' && part.role === 'one-shot')
    return { ic: 'timer', min: part.model.minSupplyVolts, max: part.model.maxSupplyVolts };
  const isLogic =
    part.kind === 'gate' || part.kind === 'nor' || part.kind === 'flip-flop' || part.kind === 'counter';
  return isLogic ? { ic: 'logic', ...CMOS_SUPPLY } : null;
}

/** ICs between the detector and what it drives, on the detector's supply. */
function sayStageSupply({ divider }: Project, { assembly }: Found, say: Say) {
  const volts = divider.supplyVolts;
  const wrong = assembly.parts
    .flatMap((part) => stageSupply(part) ?? [])
    .find(({ min, max }) => volts < min || volts > max);
  if (wrong)
    say('cannot', { code: 'stage-supply', ic: wrong.ic, volts, minVolts: wrong.min, maxVolts: wrong.max });
}

/** An open collector or drain bears what its part may be fed with, whatever it is fed with; a load's own supply may be more. */
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

/** So far below 0 V an input or a load on 0 V does not mind. */
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
  const isPin = assembly.loads.every(({ load }) => loadDefinition(load).levels(load, true)?.by === 'volts');
  if (!assembly.driver && assembly.isHighSide && volts < -BELOW_GROUND_VOLTS && !isPin)
    say('cannot', { code: 'load-reversed', volts }, fix);
}
