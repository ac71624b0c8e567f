import type { Element, Netlist } from '../circuit/netlist';
import { partsOfKind } from './find';
import type { Net, PartConditions } from './base';
import type { Part } from './part';
import { elementsOf } from './registry';
import { suppliesOf } from './kinds/supply';

/** The parts of a list as a netlist, with any elements more. @param supplyVolts other open voltages, by rail */
export function netlistOf(
  parts: readonly Part[],
  conditions: PartConditions,
  extra: readonly Element[] = [],
  supplyVolts: Readonly<Partial<Record<Net, number>>> = {},
): Netlist {
  return {
    supplies: suppliesOf(partsOfKind(parts, 'supply'), supplyVolts),
    elements: [...parts.flatMap((part) => elementsOf(part, conditions)), ...extra],
  };
}
