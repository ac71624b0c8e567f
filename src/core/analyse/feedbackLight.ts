import { stageOf } from '../detectors/stageOf';
import type { EdgeLights } from '../detectors/thresholds';
import { ldrLuxAt } from '../ldr/curve';
import type { LdrModel } from '../ldr/model';
import { loadDefinition } from '../loads/registry';
import type { Project } from '../project/project';
import { SHARES, type CircuitAnalysis } from './analysis';
import { drawnCurves, type DrawnDesign } from './curves/drawn';
import { contactLights } from './loadFacts';
import { litLimit, litRelease, litVerdict, type LitSwitch, type LitVerdict } from './feedbackStates';

/** What becomes of a load that lights its own LDR. */
export interface FeedbackLightFacts {
  readonly verdict: LitVerdict | 'dims-itself';
  /** The least own light that does so, or the most with which it stays steady, on the project's scale; `null` for however much. */
  readonly maxLux: number | null;
  /** Once on it releases as the room gets darker than this; `null` where no dark makes it. */
  readonly releaseLux: number | null;
  /** With a soft switch that dims itself: it is fully on only below this ambient; `null` for at no light. */
  readonly fullyOnBelowLux: number | null;
}

/**
 * Lit light is ambient and own together. What snaps goes from state to state by it (see {@link litVerdict}): on in the dark, own
 * light of the whole band turns it off again as soon as it is on; on in the light, own light of the off-point keeps it on in full
 * dark. A transistor alone settles part of the way instead, or holds itself on where its current rises steeply enough with light;
 * where its load is a contact, that snaps by its coil.
 * @returns `null` where it does not switch
 */
export function feedbackLightFacts(
  project: Pick<Project, 'feedbackLux' | 'detector' | 'outputStage'>,
  design: LitDesign,
): FeedbackLightFacts | null {
  const { feedbackLux } = project;
  const snaps = litSwitchOf(project, design);
  if (snaps) {
    const share = litShare(design);
    const own = feedbackLux * share;
    const limit = litLimit(snaps, own);
    return {
      verdict: litVerdict(snaps, own),
      maxLux: limit === null || share === 0 ? null : limit / share,
      releaseLux: litRelease(snaps, own),
      fullyOnBelowLux: null,
    };
  }
  const { half, justOff, action } = design;
  if (design.thresholds || contactLights(design) || !half.ok) return null;
  return action === 'on-in-light'
    ? heldByItself(design, { halfLux: half.lux, offLux: justOff.ok ? justOff.lux : 0 }, feedbackLux)
    : dimmedByItself(design, feedbackLux);
}

/** What of a design its own light hangs on. */
export type LitDesign = DrawnDesign & Pick<CircuitAnalysis, 'action' | 'drive' | 'loads'>;

/** Whether what the first load makes shine is lit while it is off. */
export function isLitWhenOff({ assembly }: Pick<CircuitAnalysis, 'assembly'>): boolean {
  const load = assembly.loads[0]?.load;
  return load !== undefined && loadDefinition(load).isLitWhenOff(load);
}

/** How much of its light it gives: what is not driven fully gives less, unless it hangs on a contact that is closed without. */
export const litShare = (design: Pick<CircuitAnalysis, 'assembly' | 'drive'>): number => {
  const { reachedShare, fullAmps, onAmps } = design.drive;
  return isLitWhenOff(design) ? 1 : Math.min(1, (reachedShare * fullAmps) / onAmps);
};

/** What snaps as states and borders; `null` for a soft switch, and where a border is not passed both ways. */
function litSwitchOf(
  project: Pick<Project, 'detector' | 'outputStage'>,
  { action, thresholds, ...design }: LitDesign,
): LitSwitch | null {
  const contact = contactLights(design);
  const lit = { isLitWhenOff: isLitWhenOff(design) };
  if (thresholds) {
    // A contact that its coil does not close gives no light.
    if (contact?.turnsOn === false) return null;
    const boundaries = thresholds.boundaries.flatMap(({ rising, falling }): EdgeLights[] =>
      rising.ok && falling.ok ? [{ rising: rising.lux, falling: falling.lux }] : [],
    );
    if (boundaries.length !== thresholds.boundaries.length) return null;
    return { ...lit, boundaries, isOn: thresholds.isOn, stage: stageOf(project).kind };
  }
  if (!contact?.on.ok || !contact.off.ok) return null;
  const [on, off] = [contact.on.lux, contact.off.lux];
  return action === 'on-in-dark'
    ? { ...lit, boundaries: [{ rising: off, falling: on }], isOn: [true, false], stage: 'follows' }
    : { ...lit, boundaries: [{ rising: on, falling: off }], isOn: [false, true], stage: 'follows' };
}

interface SoftLights {
  readonly halfLux: number;
  readonly offLux: number;
}

/** A soft switch that is on in the light: it stays half on or more wherever its own share of the light makes up for the room's. */
function heldByItself(design: LitDesign, lights: SoftLights, own: number): FeedbackLightFacts {
  let [most, release] = [Infinity, Infinity];
  const curves = drawnCurves(design);
  curves?.lux.forEach((lux, at) => {
    const share = Math.min(1, (curves.loadAmps[at] ?? 0) / design.drive.onAmps);
    if (lux >= lights.halfLux) most = Math.min(most, lux / share);
    if (lux >= lights.offLux) release = Math.min(release, lux - own * share);
  });
  return {
    verdict: own >= most ? 'latches' : 'steady',
    maxLux: Number.isFinite(most) ? most : null,
    releaseLux: release > 0 && release < Infinity ? release : null,
    fullyOnBelowLux: null,
  };
}

/** A soft switch that is on in the dark: fully on takes that ambient and nine tenths of its own light stay under the 90 % point. */
function dimmedByItself({ fullyOn }: LitDesign, own: number): FeedbackLightFacts {
  const verdict = own > 0 ? 'dims-itself' : 'steady';
  if (!fullyOn.ok) return { verdict, maxLux: 0, releaseLux: null, fullyOnBelowLux: null };
  const below = fullyOn.lux - SHARES.fullyOn * own;
  const most = SMALL_SHARE * fullyOn.lux;
  return {
    verdict: own <= most ? 'steady' : 'dims-itself',
    maxLux: most,
    releaseLux: null,
    fullyOnBelowLux: below > 0 ? below : null,
  };
}

/** Own light under a twentieth of the switching light moves it by no more than the eye could tell. */
const SMALL_SHARE = 0.05;

/** Own light from the LDR's resistance with the load on and with it off, in the same room. `null` where the two do not say it. */
export function feedbackLightFrom({ curve }: LdrModel, onOhms: number, offOhms: number): number | null {
  const [lit, unlit] = [ldrLuxAt(curve, onOhms), ldrLuxAt(curve, offOhms)];
  return lit !== null && unlit !== null && lit >= unlit ? lit - unlit : null;
}
