import { isFit } from '../../advise/remedies';
import { detectorDefinition, detectorOf } from '../../detectors/registry';
import { changeDetector } from '../../project/detectorEdits';
import { together, type Edit } from '../../project/edits';
import type { Project } from '../../project/project';
import { changeEdgeBand } from '../../size/edgeBand';
import { bandGoal, bandSought } from '../../size/hysteresis';
import { chooseDetector } from '../../size/chooseDetector';
import { sizeDesign } from '../../size/sized';
import { machineOf } from '../machine';
import { dayLight } from './dayLight';
import type { DaySettings } from './daySettings';
import { runTrack } from './runDay';

/** What leaves a day without chatter. */
export type DayCure =
  | { readonly kind: 'hysteresis' | 'comparator-with-hysteresis' | 'edge-band'; readonly ratio: number }
  /** By the design's own controller, or by one that takes the place of what switches it. */
  | { readonly kind: 'averaging'; readonly samples: number; readonly isReplaced: boolean }
  | { readonly kind: 'min-on'; readonly seconds: number; readonly isReplaced: boolean };

/** A cure that was tried on the same day with its real parts. */
export interface TriedCure {
  readonly cure: DayCure;
  /** Bursts of chatter and switchings that are left. */
  readonly bursts: number;
  readonly switchings: number;
  readonly project: Project;
}

/** What is tried, the least first. */
const RATIOS = [1.15, 1.3, 1.5, 1.75, 2, 2.5, 3, 4, 6, 9] as const;
const SAMPLES = [20, 50, 100, 250, 500, 1000] as const;
/** A band that is hardly wider than the present one is not tried. */
const WIDER = 1.02;
const SECONDS = [10, 30, 60, 120, 300, 600, 1800] as const;

/** The edit that carries a cure out: two lights and the parts for them, or the program's figures. */
export function cureEdit(cure: DayCure): Edit {
  switch (cure.kind) {
    case 'hysteresis':
      return together(bandGoal(cure.ratio), bandSought);
    case 'comparator-with-hysteresis':
      return together(chooseDetector('comparator'), bandGoal(cure.ratio), bandSought);
    case 'edge-band':
      return changeEdgeBand(cure.ratio);
    case 'averaging':
      return together(withController, changeDetector('controller', { samples: cure.samples }));
    case 'min-on':
      return together(withController, changeDetector('controller', { minOnSeconds: cure.seconds }));
  }
}

const withController: Edit = (project) =>
  detectorOf(project.detector, 'controller') ? project : chooseDetector('controller')(project);

/** Cures that a way of switching can have at all: lists, each the least first. */
function candidatesFor({ detector, goal }: Project): readonly (readonly DayCure[])[] {
  const definition = detectorDefinition(detector);
  const present = goal.offLux === null ? 1 : Math.max(goal.offLux / goal.lux, goal.lux / goal.offLux);
  const widerThan = (ratio: number) => RATIOS.filter((each) => each > ratio * WIDER);
  const ratios = widerThan(present);
  const widened = (kind: 'hysteresis' | 'comparator-with-hysteresis') =>
    ratios.map((ratio) => ({ kind, ratio }));
  const sampling = definition.sampling(detector);
  if (sampling) return [widened('hysteresis'), ...programmed(sampling, false)];
  if (definition.goal.asksOff) return [widened('hysteresis')];
  // Each edge of a window, each step of a ladder by itself.
  if (definition.withEdgeBand(detector, null))
    return [
      widerThan(definition.edgeBand(detector) ?? 1).map((ratio) => ({ kind: 'edge-band' as const, ratio })),
    ];
  // A transistor by itself has no band to widen.
  return definition.output(detector) === null ? [widened('comparator-with-hysteresis')] : [];
}

/** What a program can do besides: average, or stay on. */
function programmed(
  { samples: present, minOnSeconds }: { readonly samples: number; readonly minOnSeconds: number },
  isReplaced: boolean,
): readonly (readonly DayCure[])[] {
  const more = SAMPLES.filter((samples) => samples > present);
  const longer = SECONDS.filter((seconds) => seconds > minOnSeconds);
  return [
    more.map((samples) => ({ kind: 'averaging' as const, samples, isReplaced })),
    longer.map((seconds) => ({ kind: 'min-on' as const, seconds, isReplaced })),
  ];
}

/** What a controller in the place of what switches now could do; nothing where it does another job, or its own list has it. */
function replacedBy(project: Project): readonly (readonly DayCure[])[] {
  const { detector } = project;
  const definition = detectorDefinition(detector);
  const isLevel = definition.goal.asksOff || definition.output(detector) === null;
  if (!isLevel || definition.sampling(detector)) return [];
  const made = withController(project);
  const own = detectorDefinition(made.detector).sampling(made.detector);
  return own && isFit(project, made) ? programmed(own, true) : [];
}

/** What is left of chatter on a day, with a project's real parts. */
function leftOn(project: Project, track: ReturnType<typeof dayLight>) {
  const sized = sizeDesign(project);
  if (!sized.ok) return null;
  const { bursts, switchedAt } = runTrack(machineOf(project, sized.design), track);
  return { bursts: bursts.length, switchings: switchedAt.length };
}

/**
 * The least hysteresis, averaging or delay for which a day has no chatter, each tried with its real parts on the same day;
 * where none leaves it quiet the one of each sort that leaves least, if that is less, and what a controller in its place would do. None after which something new “cannot work”.
 * @param onProgress told the share that is done
 */
export function curesOfDay(
  project: Project,
  day: DaySettings,
  onProgress: (share: number) => void = () => undefined,
): readonly TriedCure[] {
  const track = dayLight(day);
  const before = leftOn(project, track);
  if (!before || before.bursts === 0) return [];
  const lists = candidatesFor(project);
  const others = replacedBy(project);
  const whole = [...lists, ...others].reduce((total, list) => total + list.length, 0);
  let done = 0;
  const tried = (list: readonly DayCure[]): readonly TriedCure[] => {
    let best: TriedCure | null = null;
    for (const cure of list) {
      const made = cureEdit(cure)(project);
      const left = made === project ? null : leftOn(made, track);
      done += 1;
      onProgress(done / whole);
      if (!left) continue;
      if (left.bursts >= (best?.bursts ?? before.bursts) || !isFit(project, made)) continue;
      best = { cure, ...left, project: made };
      if (left.bursts === 0) break;
    }
    return best ? [best] : [];
  };
  const found = lists.flatMap(tried);
  // Something else in its place only where what is there cannot be made quiet.
  return found.some(({ bursts }) => bursts === 0) ? found : [...found, ...others.flatMap(tried)];
}
