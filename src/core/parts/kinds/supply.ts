import { GROUND, type Element, type Supply } from '../../circuit/netlist';
import type { Net, PartBase, PartKindDefinition } from '../base';
import { NOT_RATED } from '../base';

/** A supply: a voltage behind an inner resistance. */
export interface SupplyPart extends PartBase {
  readonly kind: 'supply';
  /** The rail that it feeds: above 0 V, or under it where `volts` is negative. */
  readonly rail: Net;
  /** Open voltage of the rail against 0 V. */
  readonly volts: number;
  /** Its inner resistance, in Ω; 0 for an ideal supply. */
  readonly ohms: number;
  /** The most that it gives: asked for more it lets its voltage down, in A; none where it is not said. */
  readonly limitAmps?: number | null;
  /** Its other pole is on the circuit's 0 V; one that floats can pass no current. */
  readonly commonGround: boolean;
}

/** What a rail that floats leaks to 0 V. */
const FLOATING_OHMS = 1e10;

const openNet = (rail: Net): Net => `${rail}.open`;
/** The element that is a supply's inner resistance. */
export const innerName = (rail: Net): string => `${rail}.inner`;

/** The node from which a supply's whole current comes; `null` where it floats. */
export function feedOf({ rail, ohms, commonGround }: SupplyPart): Net | null {
  if (!commonGround) return null;
  return ohms > 0 ? openNet(rail) : rail;
}

/** The fixed voltages of supplies. @param volts another open voltage for a rail than its own */
export function suppliesOf(
  parts: readonly SupplyPart[],
  volts: Readonly<Partial<Record<Net, number>>> = {},
): readonly Supply[] {
  return parts.flatMap((part) => {
    const node = feedOf(part);
    return node === null ? [] : [{ node, volts: volts[part.rail] ?? part.volts }];
  });
}

export const supplyKind: PartKindDefinition<SupplyPart> = {
  letter: 'BT',
  pins: ({ rail, volts, commonGround }) => [
    // A load that hangs elsewhere leaves its supply unused.
    { name: volts < 0 ? '−' : '+', net: rail, isRequired: false },
    { name: volts < 0 ? '+' : '−', net: commonGround ? GROUND : null, isRequired: commonGround },
  ],
  elements: ({ rail, ohms, commonGround }): readonly Element[] => {
    if (!commonGround)
      return [{ kind: 'resistor', name: `${rail}.floating`, a: rail, b: GROUND, ohms: FLOATING_OHMS }];
    if (ohms === 0) return [];
    return [{ kind: 'resistor', name: innerName(rail), a: openNet(rail), b: rail, ohms }];
  },
  tolerance: () => null,
  rating: () => NOT_RATED,
  outputs: () => [],
};
