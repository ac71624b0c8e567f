import { entryFor, mapValues } from '../record';
import { byKind, type Infer } from '../schema';
import { buzzerField, buzzerLoad } from './buzzer';
import type { LoadDefinition } from './definition';
import type { LoadKind } from './kinds';
import { fanField, fanLoad } from './fan';
import { lampField, lampLoad } from './lamp';
import { ledField, ledLoad } from './led';
import { logicField, logicLoad } from './logic';
import { moduleField, moduleLoad } from './module';
import { motorField, motorLoad } from './motor';
import { relayField, relayLoad } from './relay';
import { solenoidField, solenoidLoad } from './solenoid';
import { stripField, stripLoad } from './strip';
import { toneField, toneLoad } from './tone';

/** A load by its kind. */
export const loadField = byKind({
  led: ledField,
  buzzer: buzzerField,
  relay: relayField,
  module: moduleField,
  lamp: lampField,
  motor: motorField,
  logic: logicField,
  strip: stripField,
  tone: toneField,
  fan: fanField,
  solenoid: solenoidField,
});

export type Load = Infer<typeof loadField>;
export type LoadOf<K extends LoadKind> = Extract<Load, { readonly kind: K }>;

/** Every kind of load: one line each. */
export const loads: { readonly [K in LoadKind]: LoadDefinition<LoadOf<K>> } = {
  led: ledLoad,
  buzzer: buzzerLoad,
  relay: relayLoad,
  module: moduleLoad,
  lamp: lampLoad,
  motor: motorLoad,
  logic: logicLoad,
  strip: stripLoad,
  tone: toneLoad,
  fan: fanLoad,
  solenoid: solenoidLoad,
};

/** A load's definition; the one place where the union of loads and the record of kinds are said to go together. */
export function loadDefinition(load: Pick<Load, 'kind'>): LoadDefinition<Load> {
  return entryFor(loads, load.kind);
}

/** The load where it is of a kind; `null` where it is of another. */
export function loadOf<K extends LoadKind>(load: Load | undefined, kind: K): LoadOf<K> | null {
  const isOf = (any: Load | undefined): any is LoadOf<K> => any?.kind === kind;
  return isOf(load) ? load : null;
}

/** What a load of a kind is until someone types its own figures. */
export const defaultLoads: { readonly [K in LoadKind]: LoadOf<K> } = mapValues(
  loads,
  (kind) => loads[kind].defaults,
);
