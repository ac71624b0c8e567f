import { formatQuantity } from '@/core/quantity/format';
import type { ParsedQuantity } from '@/core/quantity/parse';
import type { Unit } from '@/core/quantity/unit';
import type { ImportRefusal } from '@/core/project/file';
import type { WriteOutcome } from '@/store/storage';

const EXAMPLES: Readonly<Record<Unit, string>> = {
  Ω: '4k7 or 470',
  lx: '12 or 0.5',
  V: '5 or 4.5',
  A: '10m for 10 mA',
  W: '0.25',
  F: '100n',
  s: '0.5',
  '×': '0.5',
  '°C': '25',
  Ah: '2.4 or 500m',
  dB: '85',
};

/** Why a typed value was not taken, in one sentence. */
export function quantityRefusal(refusal: Exclude<ParsedQuantity, { ok: true }>, unit: Unit): string {
  const range = () =>
    refusal.min !== undefined && refusal.max !== undefined
      ? `${formatQuantity(refusal.min, unit, { trim: true })} to ${formatQuantity(refusal.max, unit, { trim: true })}`
      : '';
  switch (refusal.reason) {
    case 'empty':
      return `Type a value, such as ${EXAMPLES[unit]}.`;
    case 'not-a-number':
      return `Not a number. Write it like ${EXAMPLES[unit]}.`;
    case 'unknown-suffix':
      return `“${refusal.suffix ?? ''}” is no prefix or unit here. Write it like ${EXAMPLES[unit]}.`;
    case 'wrong-unit':
      return `This field is in ${unit}, not “${refusal.suffix ?? ''}”.`;
    case 'infinite':
      return 'Too large to be a real value.';
    case 'zero':
      return unit === 'lx'
        ? 'Complete dark has no place on a logarithmic axis; use 0.001 for it.'
        : 'Must be above zero.';
    case 'negative':
      return 'Must be above zero.';
    case 'ambiguous-comma':
      return 'The comma could mean thousands or decimals. Write 1000 or 1.0.';
    case 'over-range':
      return 'The meter is over its range. Choose a higher range and read again.';
    case 'below-min':
      return `Too small: takes ${range()}.`;
    case 'above-max':
      return `Too large: takes ${range()}.`;
  }
}

/** Why a file was not imported, in one sentence. */
export function importRefusal(refusal: ImportRefusal): string {
  switch (refusal.reason) {
    case 'too-large':
      return 'This file is larger than any Yemko project. Nothing was imported.';
    case 'not-json':
      return 'This file is broken or no project at all: it is not readable as JSON. Nothing was imported.';
    case 'foreign':
      return 'This is not a Yemko project file. Nothing was imported.';
    case 'newer':
      return `This file was written by a newer Yemko (version ${refusal.version} of the format). Nothing was imported.`;
    case 'damaged':
      return `This project file is damaged at “${refusal.path}”. Nothing was imported.`;
  }
}

/** What to tell when a write did not go through. */
const troubles: Readonly<Record<Exclude<WriteOutcome, 'saved'>, string>> = {
  full: 'The browser has no room left to store this. Your changes are on this page only: export the project to keep it.',
  refused:
    'The browser refuses to store anything. Your changes are on this page only: export the project to keep it.',
  gone: 'This project has been deleted in another tab. What you see is on this page only: keep it as a copy, or export it.',
  invalid: 'The last change could not be stored, because it could not be read again. Undo it.',
};

export function storageTrouble(outcome: Exclude<WriteOutcome, 'saved'>): string {
  return troubles[outcome];
}

/** What a count may be. */
export function wholeRefusal({ min, max }: { readonly min: number; readonly max: number }): string {
  return `A whole number from ${min} to ${max}.`;
}
