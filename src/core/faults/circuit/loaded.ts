import type { Net } from '../../parts/base';
import type { Draw } from '../draws';
import type { FaultyCircuit, Made, Settled, TestSetup } from './faultyCircuit';

/** What a voltmeter's own resistance leaves of a voltage in the nominal build, and that voltage itself, in V. */
export interface LoadedNet {
  readonly volts: number;
  readonly share: number;
  /** Where its detector stands. */
  readonly position: number;
}

/** A net without a voltage says nothing of what a meter would leave of one, in V. */
const NO_VOLTS = 1e-4;
/** A net of which a meter takes less than this stays as it is in every build. */
const STIFF_SHARE = 0.995;
/** A build whose voltage is off the nominal one by no more than this share, or these volts, loses as much of it. */
const NEAR = { share: 0.05, volts: 0.05 } as const;
/** A load through which no more than so many times what the meter takes flows only trickles: the meter takes it from there. */
const TRICKLE = 100;

/** By net and light. */
export function loadedNets(
  circuit: FaultyCircuit,
  setup: TestSetup,
  nominal: Draw,
): ReadonlyMap<string, LoadedNet> {
  const nets = new Map<string, LoadedNet>();
  const made = circuit.made(nominal);
  setup.lights.forEach((_, light) => {
    const free = circuit.settle(made, light);
    if (!free) return;
    for (const net of setup.nets) {
      const volts = circuit.volts(free, net);
      if (Math.abs(volts) <= NO_VOLTS) continue;
      const loaded = circuit.settle(made, light, net, free);
      const share = loaded ? circuit.volts(loaded, net) / volts : 1;
      nets.set(`${net} ${light}`, {
        volts,
        position: free.position,
        share: Number.isFinite(share) && share >= 0 && share <= 1.5 ? share : 1,
      });
    }
  });
  return nets;
}

/** A voltage with the meter at it, in V: as in the nominal build where that is much the same, or solved. */
export function loadedVolts(
  circuit: FaultyCircuit,
  { meterOhms }: TestSetup,
  made: Made,
  one: Settled,
  { net, light }: { readonly net: Net; readonly light: number },
  nominal: ReadonlyMap<string, LoadedNet>,
): number {
  const volts = circuit.volts(one, net);
  const known = nominal.get(`${net} ${light}`);
  const off = Math.abs(volts - (known?.volts ?? 0));
  if (off <= NEAR.volts || (known && off <= NEAR.share * Math.abs(known.volts)))
    return volts * (known?.share ?? 1);
  const trickle = (TRICKLE * Math.abs(volts)) / meterOhms;
  const isStiff = known !== undefined && known.share >= STIFF_SHARE && known.share <= 1;
  // Outputs that stand as they do there hold their loads as they do there.
  const isAlike = circuit.isSwitched && known?.position === one.position;
  if (isStiff && (isAlike || circuit.loadAmps(one).every((amps) => Math.abs(amps) > trickle)))
    return volts * known.share;
  const loaded = circuit.settle(made, light, net, one);
  return loaded ? circuit.volts(loaded, net) : volts;
}
