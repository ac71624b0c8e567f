import { detectorDefinition, detectorOf } from '@/core/detectors/registry';
import { isOnce, stageOf } from '@/core/detectors/stageOf';
import { SHARES } from '@/core/analyse/analysis';
import { DEFAULT_DYNAMICS, dynamicsOf } from '@/core/ldr/dynamics';
import { BAND_DRAWS } from '@/core/points/testPoints';
import { DEFAULT_SPREAD } from '@/core/spread/factors';
import { KELVIN_PER_WATT } from '@/core/siting/boxHeat';
import { humAmps } from '@/core/siting/hum';
import { toleranceOf } from '@/core/series/stock';
import { meterOf, shippedMeters } from '@/core/meter/meter';
import type { Project } from '@/core/project/project';
import { wholeText, amps, ohms, percent, volts } from '../../figures';
import { timeText } from '../../time';
import { buildWords } from '../../panels/build';
import { checkWords } from '../../panels/check';
import { tryWords } from '../../panels/try';
import type { FiguresOf, Given } from './given';

/** The lights of turning on and off, as far as there are any. */
export function switchingText({ project, design: { half, thresholds }, light }: Given): string {
  if (detectorDefinition(project.detector).goal.lights === 'start')
    return 'It answers to a change, from whatever light that begins.';
  if (!half.ok)
    return half.reason === 'stays-above'
      ? 'As it stands the load is on at every light of the axis.'
      : 'As it stands there is no light at which the load comes on.';
  const on = thresholds?.turnOn ?? half;
  const off = thresholds?.turnOff;
  if (!on.ok) return `It turns off at ${light(half.lux)} in slow light, and no light turns it on again.`;
  const { kind } = stageOf(project);
  const back = isOnce(kind) ? 'is ready for the next time' : 'turns off';
  return off?.ok
    ? `It ${kind === 'turns-over' ? 'changes over' : 'turns on'} at ${light(on.lux)} and ${back} at ${light(off.lux)} in slow light.`
    : `It turns on at ${light(on.lux)} in slow light.`;
}

const inTime: FiguresOf = (given) => {
  const { riseSeconds, fallSeconds } = dynamicsOf(given.project.part);
  return [
    `The LDR nears each light by an exponential: ${timeText(riseSeconds)} toward light, ${timeText(fallSeconds)} toward dark, ${percent(DEFAULT_DYNAMICS.tailShare)} of it in ${timeText(DEFAULT_DYNAMICS.tailSeconds)}.`,
    switchingText(given),
  ];
};

const loadsNow: FiguresOf = ({ design: { drive } }) => [
  `Full is ${amps(drive.fullAmps)}; fully on is ${percent(SHARES.fullyOn)} of that, just off ${percent(SHARES.justOff)}. Coils, filaments and motors follow in a time of their own.`,
];

const overDay: FiguresOf = (given) => [
  'The sun’s height by place and date gives the light outside; window, shade and weather take their share of it.',
  switchingText(given),
  'The circuit is then followed in time: each switching is the moment at which its threshold is crossed.',
];

const overYear: FiguresOf = (given) => [
  'The same for every date under an even sky, clear and overcast: the moments at which the light crosses those of the design.',
  switchingText(given),
];

const built: FiguresOf = ({ project: { resistors, source } }) => [
  `${wholeText(DEFAULT_SPREAD.builds)} builds unless you say otherwise. Each has an LDR, resistors within ±${percent(toleranceOf(resistors), 1)}, a transistor, offsets, a supply from ${percent(source.lowShare)} to ${percent(source.highShare)} and a warmth of its own, and is solved whole.`,
];

const shares: FiguresOf = () => [
  'Sobol’s shares: how much of the scatter of ln light would be gone if that part were known; with parts that work on each other, also how much is left when all the others are.',
];

const asked: FiguresOf = (given) => [
  'The answers are of your own design, solved at the light that is asked for.',
  switchingText(given),
];

const sited: FiguresOf = ({ project: { build } }) => [
  `Beside a mains wire some 2 cm off a plain lead takes up about ${amps(humAmps({ ...build.siting, leadMetres: 1, leads: 'plain', isNearMains: true }))} from peak to peak for each metre, a shielded one a fiftieth. To the circuit that is so much more or less through the LDR at its switching light.`,
  `A small closed box gets about ${KELVIN_PER_WATT.closed} K warmer for each watt in it, one with holes ${KELVIN_PER_WATT.vented}. These are rules of thumb: measure where it matters.`,
];

const bought: FiguresOf = ({ project: { build }, design: { assembly } }) => [
  `${assembly.parts.length} parts in the circuit, for ${build.copies} ${build.copies === 1 ? 'build' : 'builds'} and ${build.spares} spare of each small part. Values, ratings and marks are those that the circuit was solved with.`,
];

const placed: FiguresOf = ({ design: { assembly } }) => [
  `Of many ways to place ${assembly.parts.length} parts the one with the shortest wires and the fewest jumpers that joins what the circuit joins, and nothing else.`,
];

const readBack: FiguresOf = () => [
  'Rows, rails, legs and wires are walked from hole to hole; what is joined that way must be what the circuit joins.',
];

const ordered: FiguresOf = () => [
  'The same connections as the circuit’s, low parts first, ICs last, the supply at the very end; a group’s check is the figure that your meter shows between two holes then.',
];

const codes: FiguresOf = ({ project: { divider, detector } }) => {
  const full = detectorOf(detector, 'controller')?.refVolts ?? divider.supplyVolts;
  return [
    `A code is the share of ${volts(full)} at the pin times the number of steps; both are of the midpoint solved with the pin’s input on it.`,
  ];
};

/** The meter that figures are told by. */
const meterIn = ({ meter }: Project) => (meter === null ? shippedMeters[0] : meterOf(meter));

const shown: FiguresOf = ({ project }) => {
  const meter = meterIn(project);
  return [
    meter
      ? `As a meter of ${wholeText(meter.counts)} counts shows it whose ${ohms(meter.inputOhms)} load the circuit.`
      : 'As a usual meter shows it.',
    `The band is what 95 of 100 sound builds show: ${BAND_DRAWS} of them are solved, and the meter’s own error is added.`,
    'A meter that talks, connected under Measure · Live, offers its figure beside the field that you are in.',
  ];
};

const proposedLights: FiguresOf = (given) => [
  switchingText(given),
  'Dark and light are well beyond that on either side.',
];

const turned: FiguresOf = ({ project: { goal }, light }) => [
  `The voltage is the one at ${light(goal.lux)} with the setting that the design wants; how far to turn is the way along the track.`,
];

const adopted: FiguresOf = () => [
  'Bayes, with what was known of each part as a bell curve: the narrower of the two, what was guessed and what was measured, counts more.',
];

const ranked: FiguresOf = () => [
  'How often beginners make each fault, times how likely each of your findings is with it; the sum is made 100 %.',
];

const nextProbe: FiguresOf = () => [
  'The probe whose answer is expected to narrow it most, in bits, for its trouble: power on before power off, nothing unsoldered before a voltage.',
];

const compared: FiguresOf = () => [
  'Each measured voltage over the one that was predicted as it was measured.',
];

/** 5 Try, 6 Build, 7 Check. */
export const workingFigures: Readonly<Record<string, FiguresOf>> = {
  [tryWords.liveTitle]: inTime,
  [tryWords.load]: loadsNow,
  [tryWords.now]: inTime,
  [tryWords.trace]: inTime,
  [tryWords.happened]: inTime,
  [tryWords.where]: overDay,
  [tryWords.chart]: overDay,
  [tryWords.result]: overDay,
  [tryWords.cure]: overDay,
  [tryWords.byTime]: overDay,
  [tryWords.hours]: overDay,
  [tryWords.year]: overYear,
  [tryWords.bagTitle]: built,
  [tryWords.histogram]: built,
  [tryWords.contributions]: shares,
  [tryWords.payoffs]: built,
  [tryWords.whichLdr]: built,
  [tryWords.predictTitle]: asked,
  [buildWords.partsTitle]: bought,
  [buildWords.wanted]: bought,
  [buildWords.boardTitle]: placed,
  [buildWords.siting]: sited,
  [buildWords.checked]: readBack,
  [buildWords.soldered]: ordered,
  [buildWords.steps]: ordered,
  [buildWords.all]: ordered,
  [buildWords.program]: codes,
  [checkWords.lights]: proposedLights,
  [checkWords.truth]: shown,
  [checkWords.pointsTitle]: shown,
  [checkWords.trim]: turned,
  [checkWords.adopt]: adopted,
  [checkWords.next]: nextProbe,
  [checkWords.found]: ranked,
  [checkWords.symptoms]: ranked,
  [checkWords.chart]: compared,
};
