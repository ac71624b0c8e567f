import type { LoadFacts, LoadSaying } from './definition';
import type { LoadKind } from './kinds';

/** Under this share of its rated voltage a load works weakly. */
const LOW_SHARE = 0.85;

/** What there is to say of the voltage that a load gets: too much, too little to work, or little. */
export function voltageSayings(
  load: LoadKind,
  { volts, mostVolts, alone, rated }: LoadFacts,
  saysLow = true,
): readonly LoadSaying[] {
  if (!rated) return [];
  const { rated: ratedVolts, min: minVolts, max: maxVolts } = rated;
  const figures = { load, volts, ratedVolts, minVolts };
  const said: LoadSaying[] = [];
  const over = (most: number, isAlone: boolean) =>
    said.push({
      state: 'cannot',
      finding: { code: 'load-over-voltage', load, volts: most, maxVolts, isAlone },
    });
  if (mostVolts > maxVolts) over(mostVolts, false);
  else if (alone && alone.volts > maxVolts) over(alone.volts, true);
  if (volts < minVolts) said.push({ state: 'cannot', finding: { code: 'load-starved', ...figures } });
  else if (saysLow && volts < LOW_SHARE * ratedVolts)
    said.push({ state: 'look', finding: { code: 'load-low', ...figures } });
  return said;
}

/** Voltages of a load that works within shares of its rated one. */
export const voltsWithin = (rated: number, minShare: number, maxShare: number) => ({
  rated,
  min: minShare * rated,
  max: maxShare * rated,
});

/** What a load has that neither snaps, nor feeds itself, nor could hurt anyone. */
export const PLAIN_LOAD = {
  inrushAmps: () => null,
  ownAmps: () => ({ off: 0, on: 0 }),
  levels: () => null,
  onFrom: () => null,
  withOtherInput: () => null,
  cautions: () => [],
  isLitWhenOff: () => false,
  dims: false,
  glows: false,
  showsShare: 0.2,
  reverseVolts: () => null,
  ownRail: () => null,
  heardHertz: () => null,
  inTime: { followSeconds: 0, inrushSeconds: 0, noticedSeconds: 0, contact: null },
} as const;

/** An LED's usual reverse rating, in V. */
export const LED_REVERSE_VOLTS = 5;

/** An eye adds up what comes within about a tenth of a second: a flash of a third of that is a third as bright. */
export const SEEN = { ...PLAIN_LOAD.inTime, noticedSeconds: 0.03 } as const;
/** A shorter sound has no pitch and is a click. */
export const HEARD = { ...PLAIN_LOAD.inTime, noticedSeconds: 0.05 } as const;

/** The load's own element tells its current. */
export const ownSense = (designator: string) => ({ name: designator, kind: 'resistor' }) as const;
