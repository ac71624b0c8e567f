import { GROUND, type Element } from '../../circuit/netlist';
import type { Net } from '../../parts/base';
import type { TestLight } from '../testLights';
import type { Wiring } from './wiring';

/** What is not there, a voltmeter or a resistor in the hand, in Ω. */
const NOT_THERE_OHMS = 1e13;

/** A voltmeter from a net to 0 V, by its element. */
export const meterName = (net: Net) => `meter ${net}`;
/** A resistor that someone holds into the circuit, by its element. */
export const HELD_NAME = 'held by hand';

/**
 * All that a circuit is solved with: its parts, what joins them wrongly, and what may come to it on the bench, which is not there yet.
 * The LDR stands for 1 Ω in the light that it is put together for: its real resistance multiplies that.
 */
export const elementsOnBench = (
  wiring: Wiring,
  { nets, lights }: { readonly nets: readonly Net[]; readonly lights: readonly TestLight[] },
): readonly Element[] => [
  ...wiring.parts.flatMap(({ elements }) => elements),
  ...wiring.extra,
  ...nets.map((net): Element => ({
    ...{ kind: 'resistor', name: meterName(net), a: net, b: GROUND },
    ohms: NOT_THERE_OHMS,
  })),
  ...lights.flatMap(heldIn).slice(0, 1),
];

const heldIn = ({ holds }: TestLight): readonly Element[] =>
  holds ? [{ kind: 'resistor', name: HELD_NAME, a: holds.rail, b: holds.net, ohms: NOT_THERE_OHMS }] : [];
