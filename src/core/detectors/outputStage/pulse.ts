import { GROUND } from '../../circuit/netlist';
import type { Net } from '../../parts/base';
import type { Draft } from '../../parts/part';
import { exactly, within, type Infer } from '../../schema';
import { capacitor, resistor } from '../drafts';
import { ONE_SHOT_LIMITS } from './oneShot';

/** What sets a pulse's time beside its timer IC. */
export const pulseField = exactly({
  ohms: within(ONE_SHOT_LIMITS.ohms),
  farads: within(ONE_SHOT_LIMITS.farads),
});
export type Pulse = Infer<typeof pulseField>;

/** Its resistor from the supply, its capacitor to 0 V. */
export const timingDrafts = ({ ohms, farads }: Pulse, net: Net, index = 0): readonly Draft[] => [
  resistor('timing', 'supply', net, ohms, index),
  capacitor('timing-capacitor', net, GROUND, farads, index),
];
