import type { Project } from '../project/project';
import { atOrAbove } from '../series/drawer';
import { ldrOhmsAt } from '../ldr/curve';
import { branchOhms } from '../stages/bareDivider';
import { bearsSupply, shippedComparators } from '../stages/comparators';
import { lowRailOf, type DeciderKind } from '../stages/decider';
import type { Say } from './adviseDrive';
import type { Mend } from './advice';
import type { Design } from './analysis';
import type { Decision } from './decision';
import { MOST_CONTROLLER_VOLTS } from '../stages/controller';
import { CHANGE_LIMITS } from '../stages/change';
import { leaksAway, oneShotSeconds } from '../stages/oneShot';
import { changeVerdict } from './changeDetector';
import { codesApart, controllerFacts, MOST_SOURCE_OHMS } from './codes';
import { USUAL_HYSTERESIS } from './hysteresis';
import { farApart } from './farApart';

type Found = Omit<Design, 'advice' | 'states'>;

/** More than this share of the full load current when off is a load that glows or hums. */
const RELEASED_SHARE = 0.02;
/** A base that is pulled further below its emitter than this breaks down, in V. */
const REVERSE_VOLTS = 5;

/** What stands in a decider's way: its inputs, its outputs, its band. */
export function sayDecision(project: Project, design: Found, decision: Decision, say: Say) {
  sayOutput(project, design, decision, say);
  sayInputs(project, decision, say);
  sayBias(project, design, say);
  sayCodes(project, say);
  sayChange(project, say);
  saySteps(project, decision, say);
  sayBand(project, decision, say);
}

function sayOutput(project: Project, { description, sweep }: Found, decision: Decision, say: Say) {
  const { offShare, offVolts, outputAmps, mostOutputAmps } = decision;
  if (offShare > RELEASED_SHARE) {
    say('cannot', { code: 'never-releases', offVolts, share: offShare }, release(project, decision));
  }
  if (outputAmps > mostOutputAmps) {
    say('cannot', { code: 'output-over-current', amps: outputAmps, mostAmps: mostOutputAmps });
  }
  const { transistor } = description;
  const isBipolar = transistor !== null && transistor.kind !== 'nmos';
  if (isBipolar && sweep.worst.controlVolts > REVERSE_VOLTS) {
    say('look', { code: 'base-reversed', volts: sweep.worst.controlVolts });
  }
}

/** Base voltage at which a transistor has let go, in V. */
const RELEASE_VOLTS = 0.35;
const USUAL_BASE_OHMS = 4700;

/**
 * The resistor from base to emitter that keeps the base under {@link RELEASE_VOLTS} while the output is off, with the base
 * resistor there is: `R = Rb·Vrelease/(Voff − Vrelease)`.
 */
function release(
  { decider, stage, divider, resistors }: Project,
  { offVolts, onVolts }: Decision,
): Mend | null {
  if (decider.kind === 'transistor' || decider.output.to === 'load' || stage.kind === 'nmos') return null;
  const supply = stage.kind === 'pnp' ? divider.supplyVolts : 0;
  const [off, on] = [Math.abs(supply - offVolts), Math.abs(supply - onVolts)];
  if (off < RELEASE_VOLTS) return null;
  const baseOhms = stage.baseOhms ?? USUAL_BASE_OHMS;
  const exact = (baseOhms * RELEASE_VOLTS) / (off - RELEASE_VOLTS);
  // The same divider must still turn it on.
  if ((on * exact) / (exact + baseOhms) < 0.75) return null;
  const above = atOrAbove(resistors, exact * 0.8)?.ohms ?? exact;
  return { kind: 'take-release', ohms: Number(Math.min(above, exact).toPrecision(2)), baseOhms };
}

function sayInputs({ decider, divider }: Project, decision: Decision, say: Say) {
  const worst = decision.inputs[0];
  if (decider.kind === 'transistor' || decider.kind === 'controller') return;
  const { part } = decider;
  const supplyVolts = divider.supplyVolts + (decider.kind === 'comparator' ? decider.negativeVolts : 0);
  const isOut = !bearsSupply(part, supplyVolts);
  const inputs = 'inputLowVolts' in part ? part : null;
  const fits =
    inputs &&
    shippedComparators.find(
      (other) =>
        supplyVolts >= other.leastSupplyVolts &&
        supplyVolts <= other.mostSupplyVolts &&
        (decider.kind !== 'window' || other.kind === 'open-collector') &&
        decision.inputs.every(({ volts, limitVolts, end }) =>
          end === 'low'
            ? volts >= limitVolts - inputs.inputLowVolts + other.inputLowVolts
            : volts <= limitVolts + inputs.inputHighVolts - other.inputHighVolts,
        ),
    );
  const mend: Mend | null = fits && fits.id !== part.id ? { kind: 'take-comparator', id: fits.id } : null;
  if (isOut) {
    const { leastSupplyVolts: leastVolts, mostSupplyVolts: mostVolts } = part;
    say('cannot', { code: 'comparator-supply', volts: supplyVolts, leastVolts, mostVolts }, mend);
  }
  if (worst) {
    const { input, end, volts, limitVolts } = worst;
    say('cannot', { code: 'input-out-of-range', input, end, volts, limitVolts }, mend);
  }
}

/** What carries a voltage to an input carries so many times what the input takes, or is shifted by it. */
const BIAS_TIMES = 20;

/** A reference or a divider too weak for the inputs' own current. */
function sayBias({ decider, divider, goal }: Project, { ldr }: Found, say: Say) {
  if (decider.kind !== 'comparator') return;
  const biasAmps = Math.abs(decider.part.biasAmps);
  const { topOhms, bottomOhms } = decider.reference;
  const reference = divider.supplyVolts / ((topOhms ?? 0) + bottomOhms);
  const branch = branchOhms(ldrOhmsAt(ldr.curve, goal.lux), divider);
  const midpoint = (divider.supplyVolts - lowRailOf(decider)) / (divider.fixedOhms + branch);
  const [at, amps] = reference < midpoint ? (['reference', reference] as const) : (['midpoint', midpoint] as const); // prettier-ignore
  if (amps < BIAS_TIMES * biasAmps) {
    const steadier = shippedComparators.find(
      (part) =>
        part.kind === decider.part.kind &&
        amps >= BIAS_TIMES * Math.abs(part.biasAmps) &&
        bearsSupply(part, divider.supplyVolts + decider.negativeVolts),
    );
    say('look', { code: 'bias-too-large', at, amps, biasAmps }, steadier ? { kind: 'take-comparator', id: steadier.id } : null); // prettier-ignore
  }
}

/** What a board with a microcontroller runs on. */
const BOARD_VOLTS = 5;

/** What a microcontroller cannot tell or not well. */
function sayCodes(project: Project, say: Say) {
  const { decider } = project;
  if (decider.kind !== 'controller') return;
  const { supplyVolts } = project.divider;
  if (supplyVolts > MOST_CONTROLLER_VOLTS) {
    const finding = {
      code: 'controller-supply',
      volts: supplyVolts,
      mostVolts: MOST_CONTROLLER_VOLTS,
    } as const;
    say('cannot', finding, { kind: 'lower-supply', volts: BOARD_VOLTS });
  }
  const { apart, wantedSamples, isWide } = codesApart(decider);
  if (!isWide) {
    const finding = { code: 'codes-close', apart, samples: decider.samples, wantedSamples } as const;
    say('look', finding, { kind: 'take-samples', samples: wantedSamples });
  }
  const facts = controllerFacts(project);
  const mostCode = 2 ** decider.bits - 1;
  const largest = Math.max(decider.onCode, decider.offCode);
  if (largest > mostCode)
    say('cannot', { code: 'code-out-of-range', largest, mostCode }, { kind: 'take-codes' });
  if (facts && facts.sourceOhms > MOST_SOURCE_OHMS)
    say('look', { code: 'source-resistance', ohms: facts.sourceOhms, mostOhms: MOST_SOURCE_OHMS });
}

/** A change that does not fire, or a lamp that fires it alone. */
function sayChange(project: Project, say: Say) {
  const { decider, after } = project;
  const facts = changeVerdict(project);
  if (decider.kind === 'change' && facts) {
    const { peakVolts, neededGain, rippleVolts } = facts;
    const { triggerVolts } = decider;
    const gain = neededGain === null ? null : Number((neededGain * GAIN_IN_HAND).toPrecision(2));
    const mend: Mend | null = gain !== null && gain <= CHANGE_LIMITS.gain.most ? { kind: 'take-gain', gain: Math.max(1, gain) } : null; // prettier-ignore
    if (!facts.fires) say('cannot', { code: 'change-misses', peakVolts, triggerVolts, neededGain }, mend);
    if (facts.rippleFires) say('look', { code: 'ripple-fires', rippleVolts, triggerVolts });
  }
  const pulse = after.kind === 'one-shot' ? after : decider.kind === 'timer' ? decider.pulse : null;
  if (pulse && leaksAway(pulse.ohms, pulse.farads))
    say('look', { code: 'pulse-leaks', seconds: oneShotSeconds(pulse.ohms, pulse.farads) });
}

/** So much more gain than just reaches the trigger. */
const GAIN_IN_HAND = 1.5;

/** The step of a ladder that lies furthest from where it is wanted. */
function saySteps({ decider }: Project, { boundaries }: Decision, say: Say) {
  if (decider.kind !== 'ladder') return;
  const steps = decider.stepLux.map((wantedLux, index) => {
    const rising = boundaries[index]?.rising;
    const lux = rising?.ok ? rising.lux : null;
    return {
      rung: index + 1,
      wantedLux,
      lux,
      off: lux === null ? Infinity : Math.abs(Math.log(lux / wantedLux)),
    };
  });
  const worst = steps.reduce((most, each) => (each.off > most.off ? each : most));
  if (worst.lux === null || farApart(worst.lux, worst.wantedLux)) {
    const { rung, wantedLux, lux } = worst;
    say('look', { code: 'step-off', rung, wantedLux, lux }, { kind: 'solve-string' });
  }
}

function sayBand({ decider, goal }: Project, decision: Decision, say: Say) {
  const { turnOn, turnOff, isInverted, bandRatio } = decision;
  if (decider.kind === 'ladder' || decider.kind === 'change') return;
  if (isInverted) return say('cannot', { code: 'band-inverted' });
  if (!turnOn.ok || !turnOff.ok) {
    if (turnOn.ok) say('cannot', { code: 'latches', onLux: turnOn.lux });
    return;
  }
  if (goal.offLux !== null && farApart(turnOff.lux, goal.offLux)) {
    const mends: Partial<Record<DeciderKind, Mend>> = { window: { kind: 'solve-string' }, controller: { kind: 'take-codes' } }; // prettier-ignore
    say(
      'look',
      { code: 'off-band', wantedLux: goal.offLux, offLux: turnOff.lux },
      mends[decider.kind] ?? null,
    );
  } else if (bandRatio !== null && bandRatio < LEAST_BAND_RATIO && decider.kind === 'comparator') {
    say('look', { code: 'no-hysteresis', ratio: bandRatio }, { kind: 'add-hysteresis', ratio: USUAL_HYSTERESIS }); // prettier-ignore
  }
}

/** A band narrower than a lamp's own ripple lets it chatter. */
const LEAST_BAND_RATIO = 1.03;
