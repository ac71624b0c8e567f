import { resistorRatingFor } from '../loads/powerRating';
import type { Project } from '../project/project';
import type { Design } from './analysis';
import { ldrLimitsOf } from './ldrLimits';
import { loadOf } from './loadFacts';

/** How warm one part gets at worst over the whole axis, and what it bears. */
export interface PartRating {
  readonly designator: string;
  readonly watts: number;
  /** What it bears, in W: of a resistor the smallest standard rating that stays cool; `null` where that is not known. */
  readonly ratedWatts: number | null;
  /** A resistor's is to be bought; the others are given. */
  readonly isToBuy: boolean;
  /** The light at which it is warmest; `null` where it is so whenever it is on. */
  readonly lux: number | null;
  readonly ok: boolean;
}

/** Power of every part against its rating: the LDR, the transistor, every resistor, LEDs and coils. */
export function ratingsOf(
  project: Project,
  design: Pick<Design, 'sweep' | 'loads' | 'assembly'>,
): readonly PartRating[] {
  const { worst } = design.sweep;
  const ldr = ldrLimitsOf(project).watts;
  const { maxWatts } = project.driver.part;
  const rows: PartRating[] = [
    { designator: 'LDR1', watts: worst.ldrWatts, ratedWatts: ldr, isToBuy: false, lux: worst.ldrWattsLux, ok: worst.ldrWatts <= ldr }, // prettier-ignore
    ...(design.assembly.transistor ? [{ designator: 'Q1', watts: worst.transistorWatts, ratedWatts: maxWatts, isToBuy: false, lux: worst.transistorWattsLux, ok: worst.transistorWatts <= maxWatts }] : []), // prettier-ignore
  ];
  const perString = new Map(
    design.loads.flatMap(({ resistor, seriesWatts }) => (resistor ? [[resistor, seriesWatts] as const] : [])),
  );
  for (const [designator, watts] of Object.entries(worst.partWatts)) {
    if (!designator.startsWith('R')) continue;
    const own = perString.get(designator) ?? watts;
    const rating = resistorRatingFor(own);
    rows.push({ designator, watts: own, ratedWatts: rating.ok ? rating.watts : null, isToBuy: true, lux: null, ok: rating.ok }); // prettier-ignore
  }
  for (const { designator, watts } of design.loads) {
    rows.push({ designator, watts, ratedWatts: null, isToBuy: false, lux: null, ok: true });
  }
  return rows;
}

/** Codes of advice that lie at one part, and which. */
const PART_OF: Readonly<Partial<Record<Design['advice'][number]['code'], string>>> = {
  'load-not-saturated': 'Q1',
  'gate-too-low': 'Q1',
  'load-above-transistor': 'Q1',
  'transistor-warm': 'Q1',
  'transistor-over-volts': 'Q1',
  'gate-over-volts': 'Q1',
  'base-over-current': 'Q1',
  'lifted-reference': 'Q1',
  'never-releases': 'Q1',
  'base-reversed': 'Q1',
  'output-over-current': 'IC1',
  'comparator-supply': 'IC1',
  'controller-supply': 'IC1',
  'code-out-of-range': 'IC1',
  'never-switches': 'R1',
  'ldr-warm': 'LDR1',
  'ldr-over-voltage': 'LDR1',
};

/** Designators of the parts that are out of bounds, each once: by what they bear, and by what the advice says of them. */
export function troubledParts(project: Project, design: Design): readonly string[] {
  const hot = ratingsOf(project, design)
    .filter(({ ok }) => !ok)
    .map(({ designator }) => designator);
  const said = design.advice.flatMap(({ code }) => PART_OF[code] ?? []);
  const inputs = design.thresholds?.inputs.map(({ designator }) => designator) ?? [];
  const loads = design.loads.flatMap(
    ({ designator, volts, minVolts, maxVolts, series, resistor, amps }, index) => {
      const load = loadOf(project, index);
      if (load?.kind !== 'led')
        return volts > (maxVolts ?? Infinity) || volts < (minVolts ?? 0) ? [designator] : [];
      if (series?.ok === false) return [designator];
      return amps / load.strings > load.wantedAmps * 1.15 && resistor ? [resistor] : [];
    },
  );
  return [...new Set([...hot, ...said, ...inputs, ...loads])];
}
