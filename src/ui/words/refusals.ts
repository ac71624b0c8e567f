import { formatQuantity } from '@/core/quantity/format';
import type { ParsedQuantity } from '@/core/quantity/parse';
import { notation } from '@/core/quantity/notation';
import type { Unit } from '@/core/quantity/unit';
import type { ImportRefusal } from '@/core/project/file';
import type { SoundParts } from '@/core/project/soundParts';
import type { BackupRefusal } from '@/store/backup';
import type { WriteOutcome } from '@/store/storage';

const EXAMPLES: Readonly<Record<Unit, string>> = {
  Ω: '4k7 or 470',
  lx: '12 or 0.5',
  V: '5 or 4.5',
  A: '10m for 10 mA',
  W: '0.25',
  F: '100n',
  s: '0.5',
  min: '20 or 1.5',
  '×': '0.5',
  '°C': '25',
  Ah: '2.4 or 500m',
  dB: '85',
  Hz: '2k7 or 2700',
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
      return `The ${notation().decimal === 'comma' ? 'point' : 'comma'} could mean thousands or decimals. Write 1000 or 1.0.`;
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

/** Why a link gave no project, in one sentence. */
export function linkRefusal(refusal: ImportRefusal): string {
  switch (refusal.reason) {
    case 'newer':
      return `This link was made by a newer Yemko (version ${refusal.version} of the format). Reload, or ask for the file.`;
    case 'damaged':
      return `The project in this link is damaged at “${refusal.path}”. Ask for the file instead.`;
    case 'too-large':
    case 'not-json':
    case 'foreign':
      return 'This link holds no project that can be read: it may have been cut on its way. Ask for it again, or for the file.';
  }
}

/** Why a backup was not taken, in one sentence. */
export function backupRefusal(refusal: BackupRefusal): string {
  switch (refusal.reason) {
    case 'too-large':
      return 'This ZIP unpacks to more than any backup of Yemko. Nothing was restored.';
    case 'not-zip':
      return 'This file is no ZIP, or it is broken. Nothing was restored.';
    case 'foreign':
      return 'This ZIP is no backup of Yemko. Nothing was restored.';
    case 'newer':
      return `This backup was made by a newer Yemko (version ${refusal.version} of the format). Nothing was restored.`;
    case 'damaged':
      return `The table of contents of this backup is damaged at “${refusal.path}”. Nothing was restored.`;
  }
}

/** What to tell when a write did not go through. */
const troubles: Readonly<Record<Exclude<WriteOutcome, 'saved'>, string>> = {
  full: 'The browser has no room left to store this. Your changes are on this page only: export the project to keep it.',
  refused:
    'The browser refuses to store anything. Your changes are on this page only: export the project to keep it.',
  newer:
    'A newer Yemko in another tab has taken over what this browser stores. Your last changes are on this page only: export the project, then reload.',
  gone: 'This project has been deleted in another tab. What you see is on this page only: keep it as a copy, or export it.',
  invalid: 'The last change could not be stored, because it could not be read again. Undo it.',
};

export function storageTrouble(outcome: Exclude<WriteOutcome, 'saved'>): string {
  return troubles[outcome];
}

/** The same of a time log. */
const logTroubles: Readonly<Record<Exclude<WriteOutcome, 'saved'>, string>> = {
  full: 'The browser has no room left for this log. It is on this page only, and is tried again by itself: make room, or save it as CSV.',
  refused:
    'The browser refuses to store this log. It is on this page only, and is tried again by itself: save it as CSV to keep it.',
  gone: 'This log has been deleted in another tab, so nothing more is recorded. Save it as CSV to keep what is here.',
  invalid: 'This log could not be stored, because it could not be read again. Save it as CSV to keep it.',
  newer:
    'A newer Yemko in another tab has taken over what this browser stores. Save this log as CSV, then reload.',
};

export function logTrouble(outcome: Exclude<WriteOutcome, 'saved'>): string {
  return logTroubles[outcome];
}

/** What is still sound in a damaged project. */
export function soundText({ readings: { sound, all }, lost }: SoundParts): string {
  const counted = all === 0 ? '' : `${sound} of ${all} readings are good. `;
  const parts = lost.filter((part) => part !== 'readings');
  if (parts.length === 0) return `${counted}All else of it can be read.`;
  return `${counted}These parts would start anew: ${parts.join(', ')}.`;
}

/** What a count may be. */
export function wholeRefusal({ min, max }: { readonly min: number; readonly max: number }): string {
  return `A whole number from ${min} to ${max}.`;
}

export function numberRefusal({ min, max }: { readonly min: number; readonly max: number }): string {
  return `A figure from ${min} to ${max}.`;
}
