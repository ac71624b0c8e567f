import { SETTLED_MILLISECONDS, SETTLED_RATE } from '@/core/live/settling';
import { relativeLightAt } from '@/core/light/ladder';
import { DEFAULT_DYNAMICS, dynamicsOf } from '@/core/ldr/dynamics';
import { shortest } from '@/core/quantity/notation';
import { nextReading } from '@/core/readings/nextReading';
import { percent } from '../../figures';
import { explainCurve } from '../../howFound';
import { metresText } from '../../light';
import { timeText } from '../../time';
import { measureWords } from '../../panels/measure';
import type { FiguresOf } from './given';

const used: FiguresOf = ({ project: { readings } }) => {
  const setAside = readings.filter((reading) => reading.setAside).length;
  return [
    `${readings.length} ${readings.length === 1 ? 'reading' : 'readings'}, ${setAside} of them set aside. Each counts by what the meter and the light may be off by, and 3 % for the hand.`,
  ];
};

const scatter: FiguresOf = ({ design: { judgement, ldr } }) => [
  `${judgement.flags.length} do not fit. Each is held against the curve of the others, and ways in which it may have slipped are tried: a prefix, a range, a decade of light.`,
  ldr.source === 'measured' && ldr.fit.residualStd !== null
    ? `The readings lie about their curve by ${percent(ldr.fit.residualStd, 1)} (one standard deviation).`
    : 'How far readings lie about their curve is known from three on.',
];

const next: FiguresOf = ({ project }) => {
  const found = nextReading(project, project.goal.lux);
  if (found === null) return ['Without light figures no reading can be said to bring more than another.'];
  const now = `The light at which it switches is known within a factor of ${shortest(found.nowRatio, 3)} (95 %).`;
  return found.says === 'enough'
    ? [now, 'No light that you can make would narrow that by much.']
    : [
        now,
        `With that reading it should be ${shortest(found.thenRatio, 3)}, and with ${found.several.count} chosen like it ${shortest(found.several.ratio, 3)}.`,
      ];
};

const inverseSquare: FiguresOf = ({ project: { lampMetres } }) => [
  'Light of a small lamp falls with the square of the distance: E ∝ 1/d², so √2 farther is half the light.',
  `At ${metresText(0.5)} it is ${shortest(relativeLightAt(0.5), 3)} times its light at ${metresText(1)}. True to 1 % from ten lamp sizes on: ${metresText(10 * lampMetres)} here.`,
];

const oneLux: FiguresOf = () => [
  'Relative lights times one factor are lux: it is the reading in lux over the light that the ladder says for it.',
];

const settled: FiguresOf = ({ project: { part } }) => {
  const { riseSeconds, fallSeconds } = dynamicsOf(part);
  return [
    `Settled: less than ${percent(SETTLED_RATE, 1)} a second over ${timeText(SETTLED_MILLISECONDS / 1000)}.`,
    `This LDR is taken to follow in ${timeText(riseSeconds)} toward light and ${timeText(fallSeconds)} toward dark, with a tail of ${percent(DEFAULT_DYNAMICS.tailShare)} that takes ${timeText(DEFAULT_DYNAMICS.tailSeconds)}.`,
  ];
};

const bag: FiguresOf = ({ design: { ldr } }) => [
  'ln R10 and γ of each LDR by its own fit; their mean, and their standard deviation.',
  ldr.source === 'bag'
    ? `This design counts with ${ldr.bag.count} of them.`
    : 'This design does not count with a bag.',
];

/** 1 Measure. */
export const measuringFigures: Readonly<Record<string, FiguresOf>> = {
  [measureWords.readings]: used,
  [measureWords.readingsWorthA]: scatter,
  [measureWords.foundFromThe]: ({ design }) => explainCurve(design).lines,
  [measureWords.whatToMeasure]: next,
  [measureWords.planTheDistances]: inverseSquare,
  [measureWords.rungByRung]: inverseSquare,
  [measureWords.turnItInto]: oneLux,
  [measureWords.live]: settled,
  [measureWords.handsFree]: settled,
  [measureWords.simulatedBench]: settled,
  [measureWords.theirCurves]: bag,
  [measureWords.aBagOf]: bag,
};
