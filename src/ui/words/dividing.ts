import type { MidpointCause } from '@/core/analyse/midpoints';
import type { SizingMethodId } from '@/core/detectors/definition';
import { detectorDefinition } from '@/core/detectors/registry';
import type { Project } from '@/core/project/project';
import type { Combination, ResistorStock } from '@/core/series/stock';
import type { SizingMethod } from '@/core/size/sizingMethods';
import { ohms, partOhms } from './figures';

export const sizingNames: Readonly<Record<SizingMethodId, string>> = {
  'geometric-mean': 'Geometric mean',
  'equal-at-goal': 'Equal at the goal',
  'own-threshold': 'The switch’s own threshold',
  substitution: 'Substitution',
  trimmer: 'Trimmer',
};

/** When each method is right, in a line. */
export const sizingWhen: Readonly<Record<SizingMethodId, string>> = {
  'geometric-mean':
    'Right for a reader of the whole swing between the two lights, such as a microcontroller; it does not know where the transistor switches.',
  'equal-at-goal':
    'Right for a comparator with its reference at half the supply: the midpoint is steepest at the goal.',
  'own-threshold':
    'Right for a transistor, a timer or a logic input: the only one that puts their own threshold on the goal.',
  substitution: 'What stands in R1 now: turn the decade box, watch the strips, and keep what you like.',
  trimmer: 'Right where the LDR is not measured yet or will be swapped: set it at the bench.',
};

/** What is found anew when a method is taken; empty where that is nothing. */
export function anewText(id: SizingMethodId, { detector }: Pick<Project, 'detector'>): string {
  const { sizes, sizedBy } = detectorDefinition(detector);
  if (sizes !== 'own' || (id !== 'geometric-mean' && id !== 'equal-at-goal')) return '';
  return `Taking it finds the ${sizedBy} for it.`;
}

export const sizingRefusals: Readonly<Record<Extract<SizingMethod, { ok: false }>['reason'], string>> = {
  'empty-stock': 'nothing in stock for it',
  'out-of-reach': 'no value reaches the goal',
  'not-converged': 'the circuit has no solution with it',
};

/** A combination as one puts it together: `12 kΩ`, `10 kΩ + 2.2 kΩ`, `10 kΩ ∥ 15 kΩ`. */
export function combinationText({ how, parts, ohms: value }: Combination): string {
  if (how === 'single') return partOhms(value);
  return parts.map(partOhms).join(how === 'series' ? ' + ' : ' ∥ ');
}

export const stockNames: Readonly<Record<ResistorStock['series'], string>> = {
  E6: 'E6, 20 %',
  E12: 'E12, 10 %',
  E24: 'E24, 5 %',
  E96: 'E96, 1 %',
  own: 'own list',
};

/** What someone has, in one sentence: `E24, 5 %, two for one, 9 trimmers.` */
export function stockSentence({ series, ownOhms, trimmerOhms, pairs }: ResistorStock): string {
  const values =
    series === 'own' ? `${ownOhms.length} ${ownOhms.length === 1 ? 'value' : 'values'}` : stockNames[series];
  const trimmers = `${trimmerOhms.length} ${trimmerOhms.length === 1 ? 'trimmer' : 'trimmers'}`;
  return `${values}${pairs ? ', two for one' : ''}, ${trimmers}.`;
}

/** Why a midpoint is likely off, in one sentence. */
export function midpointSentence(cause: MidpointCause): string {
  switch (cause.code) {
    case 'upper-open':
      return 'No voltage at all: the upper part of the divider is not connected, or the lower one is bridged.';
    case 'lower-open':
      return 'The full supply: the lower part of the divider is not connected, or the upper one is bridged.';
    case 'swapped':
      return 'Just what it would be with LDR and R1 swapped.';
    case 'fixed-slipped':
      return `Just what R1 a decade ${cause.factor > 1 ? 'too large' : 'too small'} would give: look at its last band but one, which tells the decade.`;
    case 'base-open':
      return 'Just what the divider alone would give: the base is not connected.';
    case 'other-light':
      return `As if the LDR had ${ohms(cause.ldrOhms)}: it is not the same light as then, or another LDR.`;
  }
}
