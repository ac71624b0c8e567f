import { GROUND } from '../circuit/netlist';
import type { Net } from '../parts/base';
import { packagesFor, type ComparatorModel, type ComparatorUnit } from '../parts/kinds/comparator';
import type { Draft } from '../parts/part';
import type { Role } from '../parts/roles';

/** A resistor of a detector. */
export const resistor = (role: Role, a: Net, b: Net, ohms: number, index = 0): Draft => ({
  kind: 'resistor',
  role,
  index,
  a,
  b,
  ohms,
});

export const capacitor = (role: Role, a: Net, b: Net, farads: number, index = 0): Draft => ({
  kind: 'capacitor',
  role,
  index,
  a,
  b,
  farads,
});

/** An inverter between two nets of a detector. */
export const inverter = (input: Net, out: Net, key = 'inverter', index = 0): Draft => ({
  kind: 'gate',
  role: 'inverter',
  ...{ key, index, input, out },
  top: 'supply',
  bottom: GROUND,
});

/** Comparators in the packages that they are sold in. */
export function comparators(
  model: ComparatorModel,
  units: readonly ComparatorUnit[],
  {
    top = 'supply',
    bottom = GROUND,
    role = 'detector',
  }: { readonly top?: Net; readonly bottom?: Net; readonly role?: Role } = {},
): readonly Draft[] {
  let from = 0;
  return packagesFor(model, units.length).map((unitCount, index): Draft => {
    const held = units.slice(from, from + unitCount);
    from += unitCount;
    return { kind: 'comparator', role, index, model, units: held, unitCount, top, bottom };
  });
}
