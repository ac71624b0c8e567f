import { precise } from '@/core/quantity/notation';
import type { Advice } from '@/core/advise/advice';
import type { Design } from '@/core/design';
import type { StageInTime } from '@/core/detectors/outputStage/inTime';
import { detectorDefinition } from '@/core/detectors/registry';
import { isOnce, stageOf } from '@/core/detectors/stageOf';
import { loadSupplyOf } from '@/core/analyse/led/seriesResistor';
import { areStarved } from '@/core/operate/onAmps';
import { ldrOhmsAt } from '@/core/ldr/curve';
import { partIn } from '@/core/parts/find';
import type { Project } from '@/core/project/project';
import { loadsText } from '../loads';
import { detectorSubject } from '../detectors';
import { amps, ohms, partOhms, partVolts, percent, volts } from '../figures';
import { lightText, type LightText } from '../light';
import { transistorNames } from '../names';
import { adviceSentence } from '../said/advice';
import { timeText } from '../time';

/**
 * The circuit in eight sentences with its own values, as one would tell it to a friend.
 * @param ends what fails at the ends of what it may meet; `null` before that is known
 */
export function explained(
  project: Project,
  design: Design,
  ends: readonly Advice[] | null,
): readonly string[] {
  const light = lightText(design.resolved.scale);
  const [first] = [...design.advice, ...(ends ?? [])];
  return [
    ldrSentence(project, design, light),
    dividerSentence(project, design),
    swingSentence(project, design),
    detectorSentence(project, design),
    lightSentence(project, design, light),
    ...driveSentences(project, design),
    ...(first ? [`What to look at first: ${lower(adviceSentence(first, light))}`] : []),
    ...(!first && ends ? ['No drawbacks were found: build it, and check it with step 7.'] : []),
  ];
}

const known = {
  measured: 'as you measured it',
  bag: 'as its bag has it',
  typical: 'if it is a typical one',
  named: 'as you named its lights',
} as const;

function ldrSentence({ goal }: Project, { ldr }: Design, light: LightText): string {
  const at = ldrOhmsAt(ldr.curve, goal.lux);
  const there = `The LDR has ${ohms(at)}`;
  if (ldr.source === 'named') return `${there} at the light you care about, ${known.named}.`;
  const less = at / ldrOhmsAt(ldr.curve, 10 * goal.lux);
  return `${there} at ${light(goal.lux)}, the light you care about, ${known[ldr.source]}; in ten times the light it has ${precise(less, 2)} times less.`;
}

function dividerSentence({ divider }: Project, { assembly }: Design): string {
  const fixed =
    partIn(assembly.parts, 'resistor', 'fixed') ?? partIn(assembly.parts, 'trimmer', 'fixed-trimmer');
  const r1 = `${fixed?.designator ?? 'R1'} (${partOhms(divider.fixedOhms)})`;
  if (divider.isDirect && assembly.driver && !assembly.switching)
    return `There is no divider: what the LDR lets through drives ${assembly.driver.designator} by itself, through ${r1}.`;
  const side = divider.ldrSide === 'top' ? 'above' : 'below';
  const rises = divider.ldrSide === 'bottom' ? 'rises as it gets darker' : 'rises as it gets brighter';
  return `It stands ${side} ${r1}, and the two share ${partVolts(divider.supplyVolts)}: the point between them, A, ${rises}.`;
}

/** A swing of less than this share of the supply is little to tell anything by. */
const LITTLE = 0.1;

function swingSentence({ divider }: Project, { extremes }: Design): string {
  const { leastVolts: low, mostVolts: high } = extremes.midpoint;
  const judged =
    high - low < LITTLE * divider.supplyVolts
      ? 'that is a small difference between light and dark'
      : 'that is the difference between light and dark';
  return `From one end of the light to the other, A goes from ${volts(low)} to ${volts(high)}: ${judged}.`;
}

/** Two thresholds nearer to each other than this are one, in V; and two lights, as a ratio: then the supply moves, not the threshold. */
const SAME_VOLTS = 0.002;
const SAME_LIGHT = 1.002;

function detectorSentence(project: Project, { thresholds, assembly }: Design): string {
  const { detector } = project;
  const name = detectorSubject(detector);
  if (!assembly.switching)
    return `No detector stands before ${assembly.driver?.designator ?? 'the output'}: it follows A by itself, so the load comes on little by little and not at an edge.`;
  if (detectorDefinition(detector).goal.lights === 'start')
    return `${name} watches how fast A moves, not where it stands.`;
  const on = thresholds?.turnOnVolts ?? null;
  if (on === null)
    return thresholds?.turnOn.ok === false && thresholds.turnOn.reason === 'stays-above'
      ? `${name} watches A, and A is always where it has the load on.`
      : `${name} watches A, but A never comes to where it turns the load on.`;
  const off = thresholds?.turnOffVolts ?? null;
  const isBand = thresholds?.isWindow === true || (thresholds?.bandRatio ?? 2) > SAME_LIGHT;
  const { kind } = stageOf(project);
  const then = isOnce(kind) ? 'is ready for the next time' : 'off again';
  const back =
    off !== null && isBand && Math.abs(off - on) > SAME_VOLTS ? `, and ${then} with A at ${volts(off)}` : '';
  const does = kind === 'turns-over' ? 'changes the load over' : 'turns the load on';
  return `${name} watches A and ${does} with A at ${volts(on)}${back}.`;
}

function lightSentence(project: Project, design: Design, light: LightText): string {
  const { goal, detector } = project;
  const { half, thresholds, action } = design;
  const definition = detectorDefinition(detector);
  if (definition.goal.lights === 'start')
    return 'So it has no switching light: it answers to a change, from whatever light that begins.';
  if (!half.ok)
    return half.reason === 'stays-above'
      ? 'As it stands the load is on at every light of the axis.'
      : 'As it stands there is no light at which the load comes on.';
  const darker = action === 'on-in-dark' ? 'darker' : 'brighter';
  const stage = stageOf(project);
  if (thresholds?.isWindow) {
    const { turnOff } = thresholds;
    const edges = turnOff.ok
      ? `with its edges at ${light(half.lux)} and ${light(turnOff.lux)}`
      : `one edge of which is at ${light(half.lux)}`;
    // Turned over it is off between its edges.
    const [is, goes] = thresholds.isOn[0] ? ['off', 'leaves'] : ['on', 'comes into'];
    return isOnce(stage.kind)
      ? `Each time the light ${goes} a window, ${edges}, ${doesOnce(stage)}.`
      : `The load is ${is} in a window of light, ${edges}${atLeast(stage)}.`;
  }
  if (definition.goal.lights === 'steps')
    return `Its first step is at ${light(half.lux)}, and you wanted ${light(goal.lux)}; the others follow as it gets ${action === 'on-in-dark' ? 'darker' : 'brighter'}.`;
  const wanted =
    definition.goalEnd(detector) === 'off'
      ? `you asked for ${light(goal.lux)} as the light to turn off at`
      : `you wanted ${light(goal.lux)}`;
  const does = isOnce(stage.kind)
    ? `each time it gets ${darker} than that, ${doesOnce(stage)}`
    : `the load is on when it is ${darker} than that${atLeast(stage)}`;
  return `That is at ${light(half.lux)}, and ${wanted}: ${does}.`;
}

/** What the load does once the light is past that, where it does not stay so. */
const doesOnce = (stage: StageInTime): string =>
  stage.kind === 'pulse' ? `the load comes on for ${timeText(stage.seconds)}` : 'the load changes over';

/** How long it stays on at least, where what follows says so. */
const atLeast = (stage: StageInTime): string =>
  stage.kind === 'held-pulse' ? `, for ${timeText(stage.seconds)} at least` : '';

/** A switch that keeps more than this of the supply is what leaves the load too little. */
const KEPT_SHARE = 0.3;

function driveSentences(project: Project, design: Design): readonly [string, string] {
  const { loads } = project;
  const { assembly, drive } = design;
  const share = Math.min(1, drive.guaranteedAmps / drive.fullAmps);
  const [first, last] = [assembly.driver, assembly.drivers.at(-1)];
  const kind = transistorNames[assembly.driverKind];
  const flows =
    first && drive.switches > 1
      ? `Fully on, each of ${first.designator} to ${last?.designator}, ${article(kind)} each, passes ${amps(drive.fullAmps / drive.switches)} through its own ${loadsText(loads)}.`
      : first
        ? `Fully on, ${first.designator}, ${article(kind)}, passes ${amps(drive.fullAmps)} through the ${loadsText(loads)}.`
        : `An output drives the ${loadsText(loads)} by itself, with ${amps(drive.fullAmps)} in all.`;
  if (areStarved(design.loads))
    return [
      flows,
      drive.fullSwitchVolts > KEPT_SHARE * loadSupplyOf(project).volts
        ? `That is next to nothing of what it is made for; the ${first ? 'switch' : 'output'} keeps ${volts(drive.fullSwitchVolts)} of the supply.`
        : 'That is next to nothing of what it is made for: no stronger switch changes that.',
    ];
  return [
    flows,
    drive.saturates
      ? `Even the weakest such ${first ? 'part' : 'output'} gives the load ${percent(share)} of that: the switch is fully on.`
      : `The weakest such ${first ? 'part' : 'output'} is sure of no more than ${amps(drive.guaranteedAmps / drive.switches)}, so the load may stay dim.`,
  ];
}

const article = (noun: string) => `${/^[aeiouNM]/.test(noun) ? 'an' : 'a'} ${noun}`;
/** A sentence that goes on behind a colon; a name keeps its capital. */
const lower = (text: string) =>
  /^[A-Z][a-z]/.test(text) ? `${text.charAt(0).toLowerCase()}${text.slice(1)}` : text;
