import { nodeNumber, type Circuit } from '../../circuit/circuit';
import { GROUND } from '../../circuit/netlist';
import type { Trip } from '../../detectors/switching';
import type { LogicOutput, Net, OutputLevel } from '../../parts/base';
import type { Wiring } from './wiring';

/**
 * How far an input is over where its detector changes over, in V.
 * @param volts shape: all nodes @param offset of this build, in deviations
 */
export function overTrip({ nodeIndex }: Circuit, volts: Float64Array, trip: Trip, offset: number): number {
  const at = (net: Net) => (net === GROUND ? 0 : (volts[nodeIndex.get(net) ?? -1] ?? 0));
  const share = trip.share * (1 + offset * (trip.shareSpread ?? 0));
  return at(trip.plus) - share * at(trip.minus) + trip.offsetVolts + offset * (trip.offsetSpread ?? 0);
}

/** Where a detector that stands somewhere goes from there with such voltages: one position on, one back, or it stays. */
export function nextPosition(
  circuit: Circuit,
  { switching }: Wiring,
  position: number,
  volts: Float64Array,
  offset: number,
): number {
  const hears = switching?.hears;
  if (hears) return overTrip(circuit, volts, hears.trip, offset) > 0 ? hears.fired : 1 - hears.fired;
  const boundaries = switching?.boundaries ?? [];
  const [up, down] = [boundaries[position], boundaries[position - 1]];
  if (up && up.sense * overTrip(circuit, volts, up.rising, offset) > 0) return position + 1;
  return down && down.sense * overTrip(circuit, volts, down.falling, offset) < 0 ? position - 1 : position;
}

/** What logic says with such voltages at its inputs. */
export function decidedBy(
  circuit: Circuit,
  { inputs, top, bottom, decides }: LogicOutput,
  volts: Float64Array,
): OutputLevel | null {
  const at = (net: Net) => volts[nodeNumber(circuit, net)] ?? 0;
  return decides(inputs.map(at), (at(top) + at(bottom)) / 2, 'low');
}
