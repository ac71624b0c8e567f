import type { Project } from '../project/project';
import { atOrAbove } from '../series/drawer';
import { ldrOhmsAt } from '../ldr/curve';
import { branchOhms } from '../stages/bareDivider';
import { isRatedForSupply, shippedComparators } from '../stages/comparators';
import { lowRailOf, type DetectorKind } from '../stages/decider';
import type { Say } from './adviseDrive';
import type { Fix } from './advice';
import type { Design } from './analysis';
import type { Thresholds } from './decision';
import { MAX_CONTROLLER_VOLTS } from '../stages/controller';
import { CHANGE_LIMITS } from '../stages/change';
import { leaksAway, oneShotSeconds } from '../stages/oneShot';
import { changeVerdict } from './changeDetector';
import { codesApart, controllerFacts, MAX_SOURCE_OHMS } from './codes';
import { DEFAULT_HYSTERESIS } from './hysteresis';
import { farApart } from './farApart';

type Found = Omit<Design, 'advice' | 'states'>;

/** More than this share of the full load current when off is a load that glows or hums. */
const RELEASED_SHARE = 0.02;
/** A base that is pulled further below its emitter than this breaks down, in V. */
const REVERSE_VOLTS = 5;

/** What stands in a decider's way: its inputs, its outputs, its band. */
export function sayDetector(project: Project, design: Found, thresholds: Thresholds, say: Say) {
  sayOutput(project, design, thresholds, say);
  sayInputs(project, thresholds, say);
  sayBias(project, design, say);
  sayCodes(project, say);
  sayChange(project, say);
  saySteps(project, thresholds, say);
  sayBand(project, thresholds, say);
}

function sayOutput(project: Project, { assembly, sweep }: Found, thresholds: Thresholds, say: Say) {
  const { offShare, offVolts, outputAmps, maxOutputAmps } = thresholds;
  if (offShare > RELEASED_SHARE) {
    say('cannot', { code: 'never-releases', offVolts, share: offShare }, release(project, thresholds));
  }
  if (outputAmps > maxOutputAmps) {
    say('cannot', { code: 'output-over-current', amps: outputAmps, maxAmps: maxOutputAmps });
  }
  const { transistor } = assembly;
  const isBipolar = transistor !== null && transistor.kind !== 'nmos';
  if (isBipolar && sweep.worst.controlVolts > REVERSE_VOLTS) {
    say('look', { code: 'base-reversed', volts: sweep.worst.controlVolts });
  }
}

/** Base voltage at which a transistor has let go, in V. */
const RELEASE_VOLTS = 0.35;
const DEFAULT_BASE_OHMS = 4700;

/**
 * The resistor from base to emitter that keeps the base under {@link RELEASE_VOLTS} while the output is off, with the base
 * resistor there is: `R = Rb·Vrelease/(Voff − Vrelease)`.
 */
function release(
  { detector, driver, divider, resistors }: Project,
  { offVolts, onVolts }: Thresholds,
): Fix | null {
  if (detector.kind === 'transistor' || detector.output.to === 'load' || driver.kind === 'nmos') return null;
  const supply = driver.kind === 'pnp' ? divider.supplyVolts : 0;
  const [off, on] = [Math.abs(supply - offVolts), Math.abs(supply - onVolts)];
  if (off < RELEASE_VOLTS) return null;
  const baseOhms = driver.baseOhms ?? DEFAULT_BASE_OHMS;
  const exact = (baseOhms * RELEASE_VOLTS) / (off - RELEASE_VOLTS);
  // The same divider must still turn it on.
  if ((on * exact) / (exact + baseOhms) < 0.75) return null;
  const above = atOrAbove(resistors, exact * 0.8)?.ohms ?? exact;
  return { kind: 'take-release', ohms: Number(Math.min(above, exact).toPrecision(2)), baseOhms };
}

function sayInputs({ detector, divider }: Project, thresholds: Thresholds, say: Say) {
  const worst = thresholds.inputs[0];
  if (detector.kind === 'transistor' || detector.kind === 'controller') return;
  const { part } = detector;
  const supplyVolts = divider.supplyVolts + (detector.kind === 'comparator' ? detector.negativeVolts : 0);
  const isOut = !isRatedForSupply(part, supplyVolts);
  const inputs = 'inputLowVolts' in part ? part : null;
  const fits =
    inputs &&
    shippedComparators.find(
      (other) =>
        supplyVolts >= other.minSupplyVolts &&
        supplyVolts <= other.maxSupplyVolts &&
        (detector.kind !== 'window' || other.kind === 'open-collector') &&
        thresholds.inputs.every(({ volts, limitVolts, end }) =>
          end === 'low'
            ? volts >= limitVolts - inputs.inputLowVolts + other.inputLowVolts
            : volts <= limitVolts + inputs.inputHighVolts - other.inputHighVolts,
        ),
    );
  const fix: Fix | null = fits && fits.id !== part.id ? { kind: 'take-comparator', id: fits.id } : null;
  if (isOut) {
    const { minSupplyVolts: minVolts, maxSupplyVolts: maxVolts } = part;
    say('cannot', { code: 'comparator-supply', volts: supplyVolts, minVolts, maxVolts }, fix);
  }
  if (worst) {
    const { input, end, volts, limitVolts } = worst;
    say('cannot', { code: 'input-out-of-range', input, end, volts, limitVolts }, fix);
  }
}

/** What carries a voltage to an input carries so many times what the input takes, or is shifted by it. */
const BIAS_TIMES = 20;

/** A reference or a divider too weak for the inputs' own current. */
function sayBias({ detector, divider, goal }: Project, { ldr }: Found, say: Say) {
  if (detector.kind !== 'comparator') return;
  const biasAmps = Math.abs(detector.part.biasAmps);
  const { topOhms, bottomOhms } = detector.reference;
  const reference = divider.supplyVolts / ((topOhms ?? 0) + bottomOhms);
  const branch = branchOhms(ldrOhmsAt(ldr.curve, goal.lux), divider);
  const midpoint = (divider.supplyVolts - lowRailOf(detector)) / (divider.fixedOhms + branch);
  const [at, amps] = reference < midpoint ? (['reference', reference] as const) : (['midpoint', midpoint] as const); // prettier-ignore
  if (amps < BIAS_TIMES * biasAmps) {
    const steadier = shippedComparators.find(
      (part) =>
        part.kind === detector.part.kind &&
        amps >= BIAS_TIMES * Math.abs(part.biasAmps) &&
        isRatedForSupply(part, divider.supplyVolts + detector.negativeVolts),
    );
    say('look', { code: 'bias-too-large', at, amps, biasAmps }, steadier ? { kind: 'take-comparator', id: steadier.id } : null); // prettier-ignore
  }
}

/** What a board with a microcontroller runs on. */
const BOARD_VOLTS = 5;

/** What a microcontroller cannot tell or not well. */
function sayCodes(project: Project, say: Say) {
  const { detector } = project;
  if (detector.kind !== 'controller') return;
  const { supplyVolts } = project.divider;
  if (supplyVolts > MAX_CONTROLLER_VOLTS) {
    const finding = {
      code: 'controller-supply',
      volts: supplyVolts,
      maxVolts: MAX_CONTROLLER_VOLTS,
    } as const;
    say('cannot', finding, { kind: 'lower-supply', volts: BOARD_VOLTS });
  }
  const { apart, wantedSamples, isWide } = codesApart(detector);
  if (!isWide) {
    const finding = { code: 'codes-close', apart, samples: detector.samples, wantedSamples } as const;
    say('look', finding, { kind: 'take-samples', samples: wantedSamples });
  }
  const facts = controllerFacts(project);
  const maxCode = 2 ** detector.bits - 1;
  const largest = Math.max(detector.onCode, detector.offCode);
  if (largest > maxCode)
    say('cannot', { code: 'code-out-of-range', largest, maxCode }, { kind: 'take-codes' });
  if (facts && facts.sourceOhms > MAX_SOURCE_OHMS)
    say('look', { code: 'source-resistance', ohms: facts.sourceOhms, maxOhms: MAX_SOURCE_OHMS });
}

/** A change that does not fire, or a lamp that fires it alone. */
function sayChange(project: Project, say: Say) {
  const { detector, outputStage } = project;
  const facts = changeVerdict(project);
  if (detector.kind === 'change' && facts) {
    const { peakVolts, neededGain, rippleVolts } = facts;
    const { triggerVolts } = detector;
    const gain = neededGain === null ? null : Number((neededGain * GAIN_IN_HAND).toPrecision(2));
    const fix: Fix | null = gain !== null && gain <= CHANGE_LIMITS.gain.max ? { kind: 'take-gain', gain: Math.max(1, gain) } : null; // prettier-ignore
    if (!facts.fires) say('cannot', { code: 'change-misses', peakVolts, triggerVolts, neededGain }, fix);
    if (facts.rippleFires) say('look', { code: 'ripple-fires', rippleVolts, triggerVolts });
  }
  const pulse =
    outputStage.kind === 'one-shot' ? outputStage : detector.kind === 'timer' ? detector.pulse : null;
  if (pulse && leaksAway(pulse.ohms, pulse.farads))
    say('look', { code: 'pulse-leaks', seconds: oneShotSeconds(pulse.ohms, pulse.farads) });
}

/** So much more gain than just reaches the trigger. */
const GAIN_IN_HAND = 1.5;

/** The step of a ladder that lies furthest from where it is wanted. */
function saySteps({ detector }: Project, { boundaries }: Thresholds, say: Say) {
  if (detector.kind !== 'ladder') return;
  const steps = detector.stepLux.map((wantedLux, index) => {
    const rising = boundaries[index]?.rising;
    const lux = rising?.ok ? rising.lux : null;
    return {
      rung: index + 1,
      wantedLux,
      lux,
      off: lux === null ? Infinity : Math.abs(Math.log(lux / wantedLux)),
    };
  });
  const worst = steps.reduce((max, each) => (each.off > max.off ? each : max));
  if (worst.lux === null || farApart(worst.lux, worst.wantedLux)) {
    const { rung, wantedLux, lux } = worst;
    say('look', { code: 'step-off', rung, wantedLux, lux }, { kind: 'solve-string' });
  }
}

function sayBand({ detector, goal }: Project, thresholds: Thresholds, say: Say) {
  const { turnOn, turnOff, isInverted, bandRatio } = thresholds;
  if (detector.kind === 'ladder' || detector.kind === 'change') return;
  if (isInverted) return say('cannot', { code: 'band-inverted' });
  if (!turnOn.ok || !turnOff.ok) {
    if (turnOn.ok) say('cannot', { code: 'latches', onLux: turnOn.lux });
    return;
  }
  if (goal.offLux !== null && farApart(turnOff.lux, goal.offLux)) {
    const fixes: Partial<Record<DetectorKind, Fix>> = { window: { kind: 'solve-string' }, controller: { kind: 'take-codes' } }; // prettier-ignore
    say(
      'look',
      { code: 'off-band', wantedLux: goal.offLux, offLux: turnOff.lux },
      fixes[detector.kind] ?? null,
    );
  } else if (bandRatio !== null && bandRatio < MIN_BAND_RATIO && detector.kind === 'comparator') {
    say('look', { code: 'no-hysteresis', ratio: bandRatio }, { kind: 'add-hysteresis', ratio: DEFAULT_HYSTERESIS }); // prettier-ignore
  }
}

/** A band narrower than a lamp's own ripple lets it chatter. */
const MIN_BAND_RATIO = 1.03;
