/** The units that people type and read in this job. */
export type Unit = 'Ω' | 'lx' | 'V' | 'A' | 'W' | 'F' | 's' | 'min' | '×' | '°C' | 'Ah' | 'dB' | 'Hz';

/** What may follow a figure, per unit. Compared without regard to case, except the letters of a prefix. */
export const unitSpellings: Readonly<Record<Unit, readonly string[]>> = {
  Ω: ['Ω', 'Ω', 'ohm', 'ohms', 'R'],
  lx: ['lx', 'lux'],
  V: ['V', 'volt', 'volts'],
  A: ['A', 'amp', 'amps'],
  W: ['W', 'watt', 'watts'],
  F: ['F', 'farad', 'farads'],
  s: ['s', 'sec', 'seconds'],
  min: ['min', 'minutes'],
  '×': ['×'],
  '°C': ['°C', '°', 'C'],
  Ah: ['Ah'],
  dB: ['dB'],
  Hz: ['Hz', 'hertz'],
};

/** SI prefixes as typed, with their power of ten. `K` is taken for `k`; both micro signs and `u` are. */
export const prefixExponents: Readonly<Record<string, number>> = {
  p: -12,
  n: -9,
  u: -6,
  µ: -6,
  μ: -6,
  m: -3,
  k: 3,
  K: 3,
  M: 6,
  G: 9,
};

/** The prefix printed for a power of ten. */
export const prefixSymbols: Readonly<Record<number, string>> = {
  [-12]: 'p',
  [-9]: 'n',
  [-6]: 'µ',
  [-3]: 'm',
  0: '',
  3: 'k',
  6: 'M',
  9: 'G',
};
