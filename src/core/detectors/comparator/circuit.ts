import { GROUND } from '../../circuit/netlist';
import type { Net } from '../../parts/base';
import { OFFSET_DRIFT } from '../../parts/kinds/comparator';
import type { Draft } from '../../parts/part';
import type { DetectorContext } from '../definition';
import { comparators, resistor } from '../drafts';
import type { Reference } from '../fields';
import type { DetectorCircuit, Trip } from '../switching';
import type { ComparatorSettings } from './settings';

/** The reference's resistors between a rail and 0 V, its output the net `ref`; a trimmer between them where there is one. */
export function referenceDrafts({ topOhms, bottomOhms, trimmer }: Reference, rail: Net): readonly Draft[] {
  const lower = trimmer ? 'ref.lower' : 'ref';
  // Without a resistor above it a trimmer hangs on the rail itself.
  const upper = trimmer ? (topOhms === null ? rail : 'ref.upper') : 'ref';
  return [
    ...(topOhms === null ? [] : [resistor('reference-upper', rail, upper, topOhms)]),
    resistor('reference-lower', lower, GROUND, bottomOhms),
    ...(trimmer
      ? [{ kind: 'trimmer', role: 'reference-trimmer', upper, slider: 'ref', lower, ...trimmer } as const]
      : []),
  ];
}

/** A comparator between midpoint and switch, with or without hysteresis: its feedback always goes to the plus input. */
export function comparatorCircuit(
  settings: ComparatorSettings,
  { ldrSide }: DetectorContext,
): DetectorCircuit {
  const { part, sensorInput, feedbackOhms, sensorOhms, negativeVolts, reference, pullUpOhms } = settings;
  const isPlus = sensorInput === 'plus';
  const before = isPlus ? sensorOhms : null;
  const own = before === null ? 'mid' : 'in';
  const [plus, minus] = isPlus ? [own, 'ref'] : ['ref', 'mid'];
  const bottom = negativeVolts > 0 ? 'negative' : GROUND;
  const trip: Trip = {
    plus,
    minus,
    share: 1,
    offsetVolts: 0,
    offsetSpread: part.offsetVolts,
    driftVoltsPerKelvin: OFFSET_DRIFT,
  };
  const sense = (ldrSide === 'top') === isPlus ? 1 : -1;
  const levels = sense === 1 ? (['low', 'high'] as const) : (['high', 'low'] as const);
  return {
    drafts: [
      ...referenceDrafts(reference, 'supply'),
      ...comparators(part, [{ key: 'detector', plus, minus, out: 'out' }], { bottom }),
      ...(before === null ? [] : [resistor('sensor', 'mid', 'in', before)]),
      ...(feedbackOhms === null ? [] : [resistor('feedback', 'out', plus, feedbackOhms)]),
      ...(part.kind === 'open-collector' ? [resistor('pull-up', 'supply', 'out', pullUpOhms)] : []),
    ],
    switching: {
      out: 'out',
      states: levels.map((level) => ({ detector: level })),
      levels,
      boundaries: [{ sense, rising: trip, falling: trip }],
    },
  };
}
