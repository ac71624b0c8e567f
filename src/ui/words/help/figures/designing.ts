import { ldrLimitsOf } from '@/core/analyse/ldrLimits';
import { inputOhmsOf } from '@/core/analyse/midpoints';
import { bareMidVolts, branchOhms, lowVoltsOf } from '@/core/detectors/bareDivider';
import { ldrOhmsAt } from '@/core/ldr/curve';
import { shortest } from '@/core/quantity/notation';
import { toleranceOf } from '@/core/series/stock';
import { lightsOf } from '@/core/size/sizingMethods';
import { detectorSubject } from '../../detectors';
import { amps, ohms, partOhms, partVolts, percent, volts, watts } from '../../figures';
import { explainDrive, explainFixed, explainPoints } from '../../howFound';
import { transistorNames } from '../../names';
import { divideWords } from '../../panels/divide';
import { driveWords } from '../../panels/drive';
import { switchWords } from '../../panels/switch';
import type { FiguresOf } from './given';

const divided: FiguresOf = ({ project: { divider, goal }, design: { ldr, assembly }, light }) => {
  if (divider.isDirect)
    return [
      'There is no divider here: the LDR leads to the base through R1, and the whole circuit is solved.',
    ];
  const there = ldrOhmsAt(ldr.curve, goal.lux);
  const lowVolts = lowVoltsOf(assembly.parts);
  const branch = branchOhms(there, divider);
  const isTop = divider.ldrSide === 'top';
  const [upper, lower] = isTop ? [branch, divider.fixedOhms] : [divider.fixedOhms, branch];
  const rails = lowVolts === 0 ? partVolts(divider.supplyVolts) : partVolts(divider.supplyVolts - lowVolts);
  const from = lowVolts === 0 ? '' : `${volts(lowVolts)} + `;
  return [
    `A = ${lowVolts === 0 ? '' : 'V− + '}V · lower / (upper + lower), before anything hangs on it.`,
    `At ${light(goal.lux)}: ${from}${rails} · ${ohms(lower)} / (${ohms(upper)} + ${ohms(lower)}) = ${volts(bareMidVolts({ ...divider, lowVolts }, there))}.`,
    'The figures shown are of the whole circuit, with what it drives connected.',
  ];
};

const trimmed: FiguresOf = ({ project: { divider } }) =>
  divider.trimmer === null
    ? ['R1 is set by a track and an end resistor: from the end resistor alone to both.']
    : [
        `From ${partOhms(divider.trimmer.endOhms)} to ${partOhms(divider.trimmer.endOhms + divider.trimmer.trackOhms)} over ${shortest(divider.trimmer.degrees, 4)}°; at ${ohms(divider.fixedOhms)} now. Each end is solved on the whole circuit.`,
      ];

const sized: FiguresOf = ({ project, design, light }) => {
  const { darkLux, brightLux } = lightsOf(project);
  return [
    `Each rule’s value is taken from stock, then the whole circuit is solved with it, from ${light(darkLux)} (dark) to ${light(brightLux)} (bright).`,
    `The LDR has ${ohms(ldrOhmsAt(design.ldr.curve, darkLux))} in the one and ${ohms(ldrOhmsAt(design.ldr.curve, brightLux))} in the other.`,
  ];
};

const stock: FiguresOf = ({ project: { resistors } }) => [
  `${resistors.series === 'own' ? `Your own list of ${resistors.ownOhms.length}` : resistors.series}, ±${percent(toleranceOf(resistors), 1)}; ${resistors.pairs ? 'two in a row or side by side may stand for one' : 'one alone stands for a value'}.`,
];

const beside: FiguresOf = ({ project: { divider, goal }, design: { ldr }, light }) => {
  const alone = ldrOhmsAt(ldr.curve, goal.lux);
  return [
    'Across it: R · Rp / (R + Rp). In a row: R + Rs.',
    `At ${light(goal.lux)} the LDR alone has ${ohms(alone)}, with what stands beside it ${ohms(branchOhms(alone, divider))}.`,
  ];
};

const ldrHeat: FiguresOf = ({ project, design: { extremes }, light }) => {
  const limits = ldrLimitsOf(project);
  return [
    'An LDR gets warmest where it has about as much resistance as what stands in a row with it.',
    `Over all light, solved on the whole circuit, that is ${watts(extremes.worst.ldrWatts)}, at ${light(extremes.worst.ldrWattsLux)}; it is rated ${watts(limits.watts)} at ${shortest(project.divider.ambientCelsius, 3)} °C${limits.known ? '' : ', as is usual for a small one'}.`,
  ];
};

const metered: FiguresOf = (given) => [
  `As your voltmeter shows it: its ${ohms(inputOhmsOf(given.project))} hang on A as well. The range is what the LDR’s curve and R1’s tolerance leave open.`,
];

const switched: FiguresOf = ({ project: { detector }, design: { assembly, thresholds, drive } }) => {
  if (!assembly.switching || thresholds === null)
    return [
      `The ${transistorNames[assembly.driverKind]} has no edge of its own: full is ${amps(drive.fullAmps)}, and it counts as on at ${amps(drive.switchAmps)}.`,
    ];
  const { turnOnVolts: on, turnOffVolts: off } = thresholds;
  const at = (value: number | null) => (value === null ? 'A nowhere on this axis' : `A at ${volts(value)}`);
  return [
    `${detectorSubject(detector)} turns on with ${at(on)} and off with ${at(off)}: solved with its inputs, its feedback and its output connected.`,
  ];
};

const searched: FiguresOf = ({ project: { goal, resistors }, light }) => [
  `Reference, feedback and R1 are tried together out of ${resistors.series === 'own' ? 'your own resistors' : resistors.series}, for on at ${light(goal.lux)}${goal.offLux === null ? '' : ` and off at ${light(goal.offLux)}`}; each set is solved before it is shown.`,
];

const conflicting: FiguresOf = ({ project: { goal }, design: { exactFixed, drive }, light }) => [
  exactFixed.ok
    ? `For ${light(goal.lux)} R1 should be ${ohms(exactFixed.ohms)}; the load asks for ${amps(drive.fullAmps)}, of which ${amps(drive.guaranteedAmps)} are sure now.`
    : `No R1 gives ${light(goal.lux)}; the load asks for ${amps(drive.fullAmps)}, of which ${amps(drive.guaranteedAmps)} are sure now.`,
];

const steady: FiguresOf = ({ project: { divider, source } }) => [
  `The circuit is solved anew ten degrees warmer, with the weakest and the strongest part of the kind, and at ${volts(divider.supplyVolts * source.lowShare)} and ${volts(divider.supplyVolts * source.highShare)}; each line holds the switching light then against the usual one.`,
];

const helped: FiguresOf = ({ project: { feedbackLux }, light }) => [
  `The load’s own light at the LDR is taken as ${light(feedbackLux)}; each helper solves the circuit with what you type into it.`,
];

const steps: FiguresOf = ({ design: { thresholds } }) => [
  `${thresholds?.boundaries.length ?? 0} boundaries, each where A crosses its tap of the string; the light there is the LDR’s curve read backwards.`,
];

const rated: FiguresOf = ({ design: { extremes }, light }) => [
  `The most of each over all light, with typical parts, each at its own peak. The LDR, for one: ${watts(extremes.worst.ldrWatts)}, at ${light(extremes.worst.ldrWattsLux)}.`,
];

/** 2 Divide, 3 Switch, 4 Drive. */
export const designingFigures: Readonly<Record<string, FiguresOf>> = {
  [divideWords.divider]: divided,
  [divideWords.fixedResistorR1]: ({ project, design }) => explainFixed(project, design).lines,
  [divideWords.trimmerInsteadOf]: trimmed,
  [divideWords.trimmerInR1s]: trimmed,
  [divideWords.sizingMethodsFor]: sized,
  [divideWords.resistorsInStock]: stock,
  [divideWords.besideTheLDR]: beside,
  [divideWords.lDRRatings]: ldrHeat,
  [divideWords.midpointAOn]: metered,
  [switchWords.switching]: switched,
  [switchWords.transistor]: ({ project, design }) => explainDrive(project, design).lines,
  [switchWords.whereItSwitches]: ({ design }) => explainPoints(design).lines,
  [switchWords.drive]: ({ project, design }) => explainDrive(project, design).lines,
  [switchWords.itsOutput]: switched,
  [switchWords.partsForLights]: searched,
  [switchWords.lightAndLoad]: conflicting,
  [switchWords.howSteadyIt]: steady,
  [switchWords.whereTheSteps]: steps,
  [switchWords.fromTheBench]: helped,
  [driveWords.ratings]: rated,
};
