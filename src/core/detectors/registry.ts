import { entryFor, mapValues } from '../record';
import { byKind, type Infer } from '../schema';
import { change } from './change/definition';
import { changeField } from './change/settings';
import { comparator } from './comparator/definition';
import { comparatorSettingsField } from './comparator/settings';
import { controller, controllerField } from './controller/definition';
import type { DetectorDefinition } from './definition';
import type { DetectorKind } from './kinds';
import { ladder } from './ladder/definition';
import { ladderField } from './ladder/settings';
import { timer, timerSettingsField } from './timer/definition';
import { transistorAlone, transistorAloneField } from './transistor/definition';
import { window, windowField } from './window/definition';

/** The settings of a detector by its kind. */
export const detectorField = byKind({
  transistor: transistorAloneField,
  comparator: comparatorSettingsField,
  window: windowField,
  ladder: ladderField,
  timer: timerSettingsField,
  controller: controllerField,
  change: changeField,
});

export type DetectorSettings = Infer<typeof detectorField>;
export type DetectorOf<K extends DetectorKind> = Extract<DetectorSettings, { readonly kind: K }>;

/** Every way of switching: one line each. */
export const detectors: { readonly [K in DetectorKind]: DetectorDefinition<DetectorOf<K>> } = {
  transistor: transistorAlone,
  comparator,
  window,
  ladder,
  timer,
  controller,
  change,
};

/** A detector's definition; the one place where the union of settings and the record of kinds are said to go together. */
export function detectorDefinition(
  settings: Pick<DetectorSettings, 'kind'>,
): DetectorDefinition<DetectorSettings> {
  return entryFor(detectors, settings.kind);
}

/** What each way of switching starts with. */
export const defaultDetectors: { readonly [K in DetectorKind]: DetectorOf<K> } = mapValues(
  detectors,
  (kind) => detectors[kind].defaults,
);

/** The settings where they are of a kind; `null` where another way switches. */
export function detectorOf<K extends DetectorKind>(
  settings: DetectorSettings,
  kind: K,
): DetectorOf<K> | null {
  const isOf = (any: DetectorSettings): any is DetectorOf<K> => any.kind === kind;
  return isOf(settings) ? settings : null;
}
