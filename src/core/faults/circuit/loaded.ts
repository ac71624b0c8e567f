import type { Net } from '../../parts/base';
import type { FaultyCircuit, Made, Settled, TestSetup } from './faultyCircuit';

/** What a voltmeter's own resistance leaves of a voltage in one build, and that voltage itself, in V. */
interface LoadedNet {
  readonly volts: number;
  readonly share: number;
  /** Where its detector stands. */
  readonly position: number;
  /** The build with the meter there, where that was solved. */
  readonly loaded: Settled | null;
}

/** Where a meter's lead goes, and in which light. */
interface Asked {
  readonly net: Net;
  readonly light: number;
}

/** A net without a voltage says nothing of what a meter would leave of one, in V. */
const NO_VOLTS = 1e-4;
/** A net of which a meter takes less than this stays as it is in every build. */
const STIFF_SHARE = 0.995;
/** A build whose voltage is off another one's by no more than this share, or these volts, loses as much of it. */
const NEAR = { share: 0.05, volts: 0.05 } as const;
/** A load through which no more than so many times what the meter takes flows only trickles: the meter takes it from there. */
const TRICKLE = 100;
/** Where a meter takes no more than this, in V, no junction notices: a tenth of what one needs to pass e times as much. */
const SMALL_VOLTS = 2.6e-3;

/**
 * The voltages of builds with a meter at them: by what it takes where that is little, as in another build where that is much the
 * same, or solved. Builds are asked for one after another, the nominal one first.
 */
export class LoadedVolts {
  /** What was found so far, by what asks: of the nominal build first. */
  private readonly known = new Map<Asked, LoadedNet[]>();

  constructor(
    private readonly circuit: FaultyCircuit,
    private readonly setup: TestSetup,
  ) {}

  /** What a meter shows at a net of a build in a light, in V. @param one the build without it @param probe the same one for each build */
  at(made: Made, one: Settled, probe: Asked): number {
    const { circuit, setup } = this;
    const { net, light } = probe;
    const volts = circuit.volts(one, net);
    const { position } = one;
    const known = this.known.get(probe) ?? [];
    const [first] = known;
    if (Math.abs(volts) <= NO_VOLTS) return volts * (first?.share ?? 1);
    const like = known.find(
      (other) => isNear(volts, other) && (other === first || other.position === position),
    );
    if (like) return volts * like.share;
    const trickle = (TRICKLE * Math.abs(volts)) / setup.meterOhms;
    const isStiff = first !== undefined && first.share >= STIFF_SHARE && first.share <= 1;
    // Outputs that stand as they do there hold their loads as they do there.
    const isAlike = circuit.isSwitched && first?.position === position;
    if (isStiff && (isAlike || circuit.loadAmps(one).every((amps) => Math.abs(amps) > trickle)))
      return volts * first.share;
    const little = lessInAStraightLine(circuit, setup, made, one, net);
    // Another build with the meter there is nearer than this one without.
    const near = known.find((other) => other.position === position && other.loaded)?.loaded;
    const loaded = little === null ? circuit.settle(made, light, net, near ?? one) : null;
    const left = little ?? circuit.volts(loaded ?? one, net);
    const share = left / volts;
    const isShare = Number.isFinite(share) && share >= 0 && share <= 1.5;
    this.known.set(probe, [...known, { volts, position, share: isShare ? share : 1, loaded }]);
    return left;
  }
}

const isNear = (volts: number, known: LoadedNet): boolean =>
  Math.abs(volts - known.volts) <= Math.max(NEAR.volts, NEAR.share * Math.abs(known.volts));

/** What a current at each net moves, of the last that was asked for: all nets of one are asked for one after another. */
const known = new WeakMap<Settled, readonly Float64Array[] | null>();

/**
 * What a meter leaves of a voltage where the circuit answers in a straight line: it takes so little that nothing notices, or what it
 * moves by more has no junction near; `null` elsewhere.
 */
function lessInAStraightLine(
  circuit: FaultyCircuit,
  { nets, meterOhms }: TestSetup,
  made: Made,
  one: Settled,
  net: Net,
): number | null {
  let responses = known.get(one);
  if (responses === undefined) known.set(one, (responses = circuit.responses(one)));
  const own = responses?.[nets.indexOf(net)];
  if (!own) return null;
  const before = circuit.ohmsAt(own, net);
  const volts = circuit.volts(one, net);
  const amps = volts / (before + meterOhms);
  const left = volts - amps * before;
  if (Math.abs(amps * before) <= SMALL_VOLTS) return left;
  return circuit.staysStraight(made, one, own, amps, SMALL_VOLTS) ? left : null;
}
