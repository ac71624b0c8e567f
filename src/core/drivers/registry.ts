import { entryFor, keysOf } from '../record';
import { byKind, type Infer } from '../schema';
import { darlingtonDriver, darlingtonField } from './darlington';
import type { DriverDefinition } from './definition';
import type { Action, LdrSide, LoadPlace, TransistorKind } from './kinds';
import { nmosDriver, nmosField } from './nmos';
import { npnDriver, npnField } from './npn';
import { pmosDriver, pmosField } from './pmos';
import { pnpDriver, pnpField } from './pnp';

export const transistorFields = {
  npn: npnField,
  pnp: pnpField,
  darlington: darlingtonField,
  nmos: nmosField,
  pmos: pmosField,
};

/** A transistor with all its figures, by its kind. */
export const transistorField = byKind(transistorFields);
export type TransistorModel = Infer<typeof transistorField>;
export type TransistorOf<K extends TransistorKind> = Extract<TransistorModel, { readonly kind: K }>;

/** Every kind of switching element: one line each. */
export const drivers: { readonly [K in TransistorKind]: DriverDefinition<TransistorOf<K>> } = {
  npn: npnDriver,
  pnp: pnpDriver,
  darlington: darlingtonDriver,
  nmos: nmosDriver,
  pmos: pmosDriver,
};

/** A kind's definition; the one place where the union of transistors and the record of kinds are said to go together. */
export function driverDefinition(kind: TransistorKind): DriverDefinition<TransistorModel> {
  return entryFor(drivers, kind);
}

/** Every part of the lists. */
export const shippedTransistors: readonly TransistorModel[] = Object.values(drivers).flatMap(
  ({ shipped }): readonly TransistorModel[] => shipped,
);

/** The part of the list that a kind starts with. */
export function defaultTransistor(kind: TransistorKind): TransistorModel {
  return driverDefinition(kind).shipped[0];
}

/** The smallest part of the list and of a kind that carries a current; `null` where none does. */
export function transistorFor(kind: TransistorKind, amps: number): TransistorModel | null {
  return driverDefinition(kind).shipped.find(({ maxAmps }) => maxAmps >= amps) ?? null;
}

/** Which action a transistor gives by itself with the LDR on a side: on while the midpoint is high, or low. */
export function actionAlone(kind: TransistorKind, ldrSide: LdrSide): Action {
  const isHighInDark = ldrSide === 'bottom';
  return isHighInDark === (drivers[kind].polarity === 'n') ? 'on-in-dark' : 'on-in-light';
}

/** Whether the load hangs under the switch: between it and 0 V. */
export function isHighSide(kind: TransistorKind, place: LoadPlace): boolean {
  return (drivers[kind].polarity === 'p') === (place === 'collector');
}

/** What does not go together in an own part; `null` where all does. */
export function transistorTrouble(
  model: TransistorModel,
): 'unnamed' | 'beta-order' | 'threshold-order' | null {
  if (model.name.trim() === '') return 'unnamed';
  return driverDefinition(model.kind).trouble(model);
}

/** The kind of the same make that switches the other side of a load: polarity turned round. */
export function otherPolarity(kind: TransistorKind, polarity: 'n' | 'p'): TransistorKind {
  const { control } = drivers[kind];
  const wanted = keysOf(drivers).find(
    (other) => drivers[other].control === control && drivers[other].polarity === polarity,
  );
  return drivers[kind].polarity === polarity ? kind : (wanted ?? kind);
}
