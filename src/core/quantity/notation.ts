/** The sign between whole and parts. */
export const decimalMarks = ['point', 'comma'] as const;
export type DecimalMark = (typeof decimalMarks)[number];

export const distanceUnits = ['metric', 'inches'] as const;
export type DistanceUnit = (typeof distanceUnits)[number];

/** How figures are written and read by whoever sits at the page. Nothing that is computed or stored hangs on it. */
export interface Notation {
  readonly decimal: DecimalMark;
  readonly distance: DistanceUnit;
}

export const PLAIN_NOTATION: Notation = { decimal: 'point', distance: 'metric' };

/** One for a page, as its language is; a server and a worker keep the plain one. */
let present: Notation = PLAIN_NOTATION;

export const notation = (): Notation => present;

/** Takes effect on what is written after it: whoever calls it draws the page anew. */
export function setNotation(next: Notation): void {
  present = next;
}

/** Writes something plainly, whatever the page's notation: a table that another program or another reader takes in. */
export function plainly<T>(write: () => T): T {
  const before = present;
  present = PLAIN_NOTATION;
  try {
    return write();
  } finally {
    present = before;
  }
}

/** A figure, or a text with figures, that was written with points, as this page writes it. */
export const inNotation = (text: string): string =>
  present.decimal === 'point' ? text : text.replaceAll(/(\d)\.(?=\d)/g, '$1,');

/** With so many decimals: `0.70`. */
export const fixed = (value: number, decimals: number): string => inNotation(value.toFixed(decimals));

/** With so many significant digits: `1.50`. */
export const precise = (value: number, digits: number): string => inNotation(value.toPrecision(digits));

/** With at most so many significant digits and no zeros behind them: `1.5`. */
export const shortest = (value: number, digits: number): string =>
  inNotation(String(Number(value.toPrecision(digits))));
