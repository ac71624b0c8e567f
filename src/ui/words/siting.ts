import { precise } from '@/core/quantity/notation';
import type { DistanceRefusal } from '@/core/light/ladder';
import type { BoxKind, LeadKind, Siting } from '@/core/project/built/siting';
import type { SitingNote } from '@/core/siting/notes';
import { distanceExample, metresText, type LightText } from './light';
import { celsius, eitherWay, percent } from './figures';

export const leadNames: Readonly<Record<LeadKind, string>> = { plain: 'plain wire', shielded: 'shielded' };
export const boxNames: Readonly<Record<BoxKind, string>> = {
  open: 'none',
  vented: 'with holes',
  closed: 'closed',
};

const leadRefusals: Readonly<Record<DistanceRefusal, () => string>> = {
  empty: () => `Type a length, such as ${distanceExample()}.`,
  'not-a-distance': () => `Not a length. Write it like ${distanceExample()}.`,
  'too-near': () => 'Shorter than 5 mm it is on the board: leave the field empty.',
  'too-far': () => 'Leads longer than 100 m are not reckoned with.',
};

export const leadRefusal = (reason: DistanceRefusal) => leadRefusals[reason]();

/** How far two lights lie from the one between them, by their ratio: `±3.0 %`, and `×÷4.2` where that says it better. */
export function apartText(lights: number): string {
  if (!Number.isFinite(lights)) return 'at any light';
  const half = Math.sqrt(lights);
  return half < 2 ? eitherWay(half - 1) : `×÷${precise(half, 2)}`;
}

/** A share of light, down to a tenth of a per cent. */
export const clearText = (share: number): string => percent(share, share < 0.1 ? 1 : 0);

/** Where a design goes, in a few words each; nothing of what is as on the bench. */
export function sitingTexts({ leadMetres, leads, clearShare, box }: Siting): readonly string[] {
  return [
    ...(leadMetres > 0
      ? [
          leads === 'shielded'
            ? `LDR on ${metresText(leadMetres)} of shielded leads: ${SHIELD}`
            : `LDR on ${metresText(leadMetres)} of leads.`,
        ]
      : []),
    ...(clearShare < 1
      ? [`${clearText(clearShare)} of the light come to the LDR through window or tube.`]
      : []),
    ...(box === 'open' ? [] : [box === 'closed' ? 'In a closed box.' : 'In a box with holes.']),
  ];
}

/** Joined at both ends a shield would carry currents of its own. */
export const SHIELD = 'the shield to 0 V, at the board’s end only.';

/** What is to be said of where a design goes. */
export function sitingNoteText(note: SitingNote, light: LightText): string {
  switch (note.kind) {
    case 'hum': {
      // What has its button has no shield yet.
      const shield = note.edit === null ? '' : ', take shielded ones';
      return note.isSoft
        ? `Mains hum on the LDR’s leads: around its switching light (${apartText(note.ratio)}) the load may flicker. Keep the leads away from mains wiring${shield}, or let a comparator with a band switch.`
        : `Mains hum on the LDR’s leads reaches over the whole band (${apartText(note.ratio)}): it may chatter as it switches. Keep the leads away from mains wiring${shield}, or give it a wider band.`;
    }
    case 'warm-box':
      return note.isTooWarm
        ? `By its own heat the box gets to some ${celsius(note.celsius)}, more than an LDR is rated for. Put the LDR outside on leads.`
        : `By its own heat the box gets to some ${celsius(note.celsius)} in a room of 25 °C: reckon with that where the LDR sits.`;
    case 'own-light':
      return note.maxLux === null
        ? 'Its own load lights the LDR, and it works with none of that: shade the LDR from the load.'
        : `Its own load lights the LDR too much: shade the LDR so that no more than ${light(note.maxLux)} of it arrive.`;
    case 'dark-box':
      return 'The LDR is on the board in a box, and all the light is said to reach it. Say what comes through its window, or bring it out on leads.';
    case 'battery-shut':
      return 'The battery has to be changed some day: see that the box can be opened, or put the battery outside.';
    case 'trimmer-shut':
      return 'Once it is shut the trimmer cannot be reached: set it before, in the light of the place, or make a hole for the screwdriver.';
    case 'open-mains':
      return 'Mains is switched here: board and wires belong into a closed box of plastic, with strain relief, by your local code.';
  }
}

const LEADS = 'Put the LDR on leads';

/** What the button of a note does. */
export function sitingEditText(note: SitingNote): string {
  switch (note.kind) {
    case 'hum':
      return 'Take shielded leads';
    case 'warm-box':
      return note.isTooWarm ? LEADS : `Reckon with ${celsius(note.celsius)}`;
    case 'dark-box':
      return LEADS;
    default:
      return '';
  }
}
