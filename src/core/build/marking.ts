/** Colours of the bands on a resistor. */
export const bandColors = [
  ...(['black', 'brown', 'red', 'orange', 'yellow', 'green', 'blue', 'violet', 'grey', 'white'] as const),
  ...(['gold', 'silver'] as const),
] as const;
export type BandColor = (typeof bandColors)[number];

/** Bands for a tolerance (IEC 60062), as a share. */
const TOLERANCE_BANDS: readonly (readonly [number, BandColor])[] = [
  [0.001, 'violet'],
  [0.0025, 'blue'],
  [0.005, 'green'],
  [0.01, 'brown'],
  [0.02, 'red'],
  [0.05, 'gold'],
  [0.1, 'silver'],
];
/** From this tolerance on a resistor has two digits, under it three. */
const TWO_DIGITS_FROM = 0.05;

/**
 * The colour bands of a resistor (IEC 60062): digits, power of ten, tolerance. A value with more digits than its bands can tell
 * takes three.
 * @param ohms 0.1 to 999 MΩ; `null` where no bands tell it
 * @example bandsOf(4700, 0.05) // ['yellow', 'violet', 'red', 'gold']
 */
export function bandsOf(ohms: number, tolerance: number): readonly BandColor[] | null {
  for (const digits of tolerance < TWO_DIGITS_FROM ? [3] : [2, 3]) {
    const power = Math.floor(Math.log10(ohms) + 1e-9) - (digits - 1);
    const whole = Math.round(ohms / 10 ** power);
    if (Math.abs(whole * 10 ** power - ohms) > 1e-6 * ohms) continue;
    const multiplier = multiplierBand(power);
    if (!multiplier) return null;
    const figures = [...String(whole)].map((digit) => colorOf(Number(digit)));
    return [...figures, multiplier, toleranceBand(tolerance)];
  }
  return null;
}

const colorOf = (digit: number): BandColor => bandColors[digit] ?? 'black';

function multiplierBand(power: number): BandColor | null {
  if (power === -1) return 'gold';
  if (power === -2) return 'silver';
  return power >= 0 && power <= 9 ? colorOf(power) : null;
}

function toleranceBand(tolerance: number): BandColor {
  const found = TOLERANCE_BANDS.find(([share]) => tolerance <= share * (1 + 1e-9));
  return found ? found[1] : 'silver';
}

/**
 * What is printed on a small capacitor: two digits and a power of ten, in pF; `null` where that does not tell it.
 * @example capacitorCode(1e-7) // '104'
 */
export function capacitorCode(farads: number): string | null {
  const picofarads = Math.round(farads * 1e12 * 1000) / 1000;
  if (picofarads < 10) return picofarads >= 1 && Number.isInteger(picofarads) ? String(picofarads) : null;
  const power = Math.floor(Math.log10(picofarads) + 1e-9) - 1;
  const digits = Math.round(picofarads / 10 ** power);
  if (Math.abs(digits * 10 ** power - picofarads) > 1e-6 * picofarads || power > 9) return null;
  return `${digits}${power}`;
}
