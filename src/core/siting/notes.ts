import { cautionsOf } from '../advise/cautions';
import type { CircuitAnalysis } from '../analyse/analysis';
import { feedbackLightFacts, type LitDesign } from '../analyse/feedbackLight';
import { detectorDefinition } from '../detectors/registry';
import { partsOfKind } from '../parts/find';
import { changeSiting } from '../project/built/buildEdits';
import { changeDivider, type Edit } from '../project/edits';
import { LIMITS, type Project } from '../project/project';
import { boxKelvin } from './boxHeat';
import { humOf } from './hum';

/** What the place of a design makes of it, and what would put it right where an edit can. */
export type SitingNote = { readonly edit: Edit | null } & (
  | {
      /** Mains hum on the LDR's leads makes it chatter, or flicker where it switches softly. */
      readonly kind: 'hum';
      /** Ratio of the lights that hum makes of one, above 1. */
      readonly ratio: number;
      readonly isSoft: boolean;
    }
  | {
      /** By its own heat the box gets warmer than was reckoned with where the LDR sits. */
      readonly kind: 'warm-box';
      readonly kelvin: number;
      readonly celsius: number;
      /** It is over an LDR's rating. */
      readonly isTooWarm: boolean;
    }
  /** The load's own light at the LDR is more than the design works with; `null` for none at all. */
  | { readonly kind: 'own-light'; readonly maxLux: number | null }
  /** The LDR is on a board in a closed box, and all the light is said to reach it. */
  | { readonly kind: 'dark-box' }
  | { readonly kind: 'battery-shut' }
  | { readonly kind: 'trimmer-shut' }
  /** What is dangerous to touch lies open. */
  | { readonly kind: 'open-mains' }
);

/** A soft switch may flicker over so much of its light before it is worth a word. */
const SOFT_RATIO = 1.02;

type Sited = LitDesign & Pick<CircuitAnalysis, 'extremes'>;

/** All that is to be said of where a design goes, the gravest first. */
export function sitingNotes(project: Project, design: Sited): readonly SitingNote[] {
  const { siting } = project.build;
  const isOnBoard = siting.leadMetres === 0;
  const notes: SitingNote[] = [];
  if (siting.box === 'open' && cautionsOf(project).includes('mains'))
    notes.push({ kind: 'open-mains', edit: null });
  notes.push(...ownLightNote(project, design), ...humNote(project, design), ...boxNote(project, design));
  if (isOnBoard && siting.box !== 'open' && siting.clearShare === 1)
    notes.push({ kind: 'dark-box', edit: changeSiting({ leadMetres: USUAL_LEADS }) });
  if (!siting.isReached) {
    if ([project.source, project.loadSupply?.source].some((source) => source?.kind === 'battery'))
      notes.push({ kind: 'battery-shut', edit: null });
    if (partsOfKind(design.assembly.parts, 'trimmer').length > 0)
      notes.push({ kind: 'trimmer-shut', edit: null });
  }
  return notes;
}

/** Leads that bring an LDR out of a small box, in m. */
const USUAL_LEADS = 0.3;

function ownLightNote(project: Project, design: Sited): readonly SitingNote[] {
  const { lights } = detectorDefinition(project.detector).goal;
  if (project.feedbackLux === 0 || lights === 'steps' || lights === 'start') return [];
  const { verdict = 'steady', maxLux = null } = feedbackLightFacts(project, design) ?? {};
  return verdict === 'steady'
    ? []
    : [{ kind: 'own-light', maxLux: maxLux === 0 ? null : maxLux, edit: null }];
}

/** It chatters where hum reaches over the whole band; a switch without a threshold flickers. */
function humNote(project: Project, design: Sited): readonly SitingNote[] {
  const hum = humOf(project, design);
  if (!hum) return [];
  const { isSoft } = hum;
  if (hum.ratio < (isSoft ? SOFT_RATIO : Math.max(SURE_RATIO, hum.bandRatio))) return [];
  const { leads } = project.build.siting;
  return [
    {
      ...{ kind: 'hum', ratio: hum.ratio, isSoft },
      edit: leads === 'plain' ? changeSiting({ leads: 'shielded' }) : null,
    },
  ];
}

/** Less than this moves no threshold that anyone could tell. */
const SURE_RATIO = 1.001;

/** Only an LDR in the box gets as warm as the box. */
function boxNote(project: Project, design: Sited): readonly SitingNote[] {
  const { siting } = project.build;
  if (siting.leadMetres > 0) return [];
  const kelvin = boxKelvin(design, siting.box);
  // In whole degrees, as it can be typed.
  const celsius = Math.ceil(ROOM_CELSIUS + kelvin);
  if (kelvin < FELT_KELVIN || celsius <= project.divider.ambientCelsius) return [];
  const isTooWarm = celsius > LIMITS.ambientCelsius.max;
  return [
    {
      ...{ kind: 'warm-box', kelvin, celsius, isTooWarm },
      // Never without its box: there may be mains in it.
      edit: isTooWarm
        ? changeSiting({ leadMetres: USUAL_LEADS })
        : changeDivider({ ambientCelsius: celsius }),
    },
  ];
}

/** Less than this nobody has to reckon with. */
const FELT_KELVIN = 2;
/** Around the box, at least. */
const ROOM_CELSIUS = 25;
