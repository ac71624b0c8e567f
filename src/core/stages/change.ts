import { GROUND } from '../circuit/netlist';
import { onLevel, type ChangeSettings, type Switching, type OutputLevel } from './decider';
import type { Part } from './description';
import type { CircuitInput } from './stage';

/**
 * A change detector in steady light: the coupling capacitor passes nothing, so that it is quiet whatever the light; it fires
 * for a moment only (see `design/changeDetector`). The comparator fires when the midpoint jumps up: on dimming with the LDR
 * below, on brightening with it above.
 */
export function switchingByChange(settings: ChangeSettings, input: CircuitInput): Switching {
  const { part, biasOhms, triggerVolts } = settings;
  const firesOnDimming = input.ldrSide === 'bottom';
  const on = onLevel(settings, input.part);
  const off: OutputLevel = on === 'high' ? 'low' : 'high';
  const share = Math.min(0.98, triggerVolts / input.supply.volts);
  const total = 100_000;
  const parts: Part[] = [
    { kind: 'capacitor', designator: 'C1', a: 'mid', b: 'change', farads: settings.farads },
    { kind: 'resistor', designator: 'R27', role: 'bias', a: 'change', b: GROUND, ohms: biasOhms },
    {
      kind: 'resistor',
      designator: 'R21',
      role: 'reference',
      a: 'supply',
      b: 'ref',
      ohms: total * (1 - share),
    },
    { kind: 'resistor', designator: 'R22', role: 'reference', a: 'ref', b: GROUND, ohms: total * share },
    { kind: 'comparator', designator: 'IC1', part, plus: 'change', minus: 'ref', out: 'out', top: 'supply', bottom: GROUND }, // prettier-ignore
  ];
  if (part.kind === 'open-collector')
    parts.push({
      kind: 'resistor',
      designator: 'R25',
      role: 'pull-up',
      a: 'supply',
      b: 'out',
      ohms: PULL_UP_OHMS,
    });
  // In steady light it never leaves quiet: a condition that always holds on quiet's side.
  const always = (volts: number) => ({ plus: GROUND, minus: GROUND, share: 0, offsetVolts: volts });
  const trip = always(firesOnDimming ? 1 : -1);
  const levels = firesOnDimming ? [on, off] : [off, on];
  return {
    parts,
    out: 'out',
    states: levels.map((level) => ({ IC1: level })),
    levels,
    boundaries: [{ sense: 1, rising: trip, falling: trip }],
  };
}

/** From an open collector to the supply, in Ω. */
const PULL_UP_OHMS = 10_000;

export const CHANGE_LIMITS = {
  farads: { min: 1e-10, max: 0.001 },
  biasOhms: { min: 1000, max: 1e8 },
  gain: { min: 1, max: 10_000 },
  triggerVolts: { min: 0.01, max: 30 },
  dimming: { min: 0.01, max: 0.99 },
  seconds: { min: 0.001, max: 3600 },
  rippleShare: { min: 0, max: 2 },
} as const;
