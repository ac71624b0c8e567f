import { GROUND } from '../circuit/netlist';
import type { Net } from '../parts/base';
import type { FlipFlopPart } from '../parts/kinds/flipFlop';
import type { Part } from '../parts/part';
import { pinsOf } from '../parts/registry';
import type { FaultyCircuit, Settled } from './circuit/faultyCircuit';
import { timingOf } from './circuit/timed';
import type { Probe } from './probe';

/** What makes a circuit's load do more than follow the light, and the nets that go with it. */
export interface InTime {
  /** It changes over each time; it stays on for so long; or it is on for so long at a time and no longer. */
  readonly kind: 'turns-over' | 'stays' | 'counted';
  /** In s; `null` of what turns over. */
  readonly seconds: number | null;
  /** Whose voltages go with it. */
  readonly nets: ReadonlySet<Net>;
}

/** A pulse is held by the light that started it; a count ends whatever the light. */
const inTimeBy = { charging: 'stays', counting: 'counted' } as const;

/** `null` where the load follows the light. */
export function inTimeOf(parts: readonly Part[]): InTime | null {
  const flipFlop = flipFlopIn(parts);
  if (flipFlop)
    return { kind: 'turns-over', seconds: null, nets: behind(parts, [flipFlop.out, flipFlop.inverted]) };
  const timing = timingOf(parts);
  if (!timing) return null;
  const { own, seconds } = timing;
  return { kind: inTimeBy[own.by], seconds, nets: behind(parts, [own.out]) };
}

/** Whether a flip-flop's clock is high in one light and low in another: else it stays as it was when the supply came on. */
export function isClocked(
  { clock, top, bottom }: FlipFlopPart,
  circuit: FaultyCircuit,
  settled: readonly (Settled | null)[],
): boolean {
  const levels = settled.flatMap((one) =>
    one ? [circuit.volts(one, clock) > (circuit.volts(one, top) + circuit.volts(one, bottom)) / 2] : [],
  );
  return levels.includes(true) && levels.includes(false);
}

export const flipFlopIn = (parts: readonly Part[]): FlipFlopPart | undefined =>
  parts.flatMap((part) => (part.kind === 'flip-flop' ? [part] : []))[0];

/** The nets that go with these, from part to part as far as the next rail; through gates only from their inputs to their outputs. */
function behind(parts: readonly Part[], from: readonly Net[]): ReadonlySet<Net> {
  const nets = new Set(from);
  const rails = new Set<Net>([
    GROUND,
    ...parts.flatMap((part) => (part.kind === 'supply' ? [part.rail] : [])),
  ]);
  for (let before = 0; before < nets.size;) {
    before = nets.size;
    for (const part of parts) {
      if (part.kind === 'supply') continue;
      for (const net of followers(part, nets)) if (!rails.has(net)) nets.add(net);
    }
  }
  return nets;
}

/** What of a part goes with some nets. */
function followers(part: Part, nets: ReadonlySet<Net>): readonly Net[] {
  if (part.kind === 'gate') return nets.has(part.input) ? [part.out] : [];
  if (part.kind === 'nor')
    return part.gates.flatMap(({ input, other, out }) => (nets.has(input) || nets.has(other) ? [out] : []));
  return !('top' in part) && touches(part, nets) ? netsOf(part) : [];
}

const netsOf = (part: Part): readonly Net[] => pinsOf(part).flatMap(({ net }) => (net === null ? [] : [net]));
const touches = (part: Part, nets: ReadonlySet<Net>): boolean => netsOf(part).some((net) => nets.has(net));

/** Whether what a probe finds goes with a load's own time. */
export function goesWith(probe: Probe, inTime: InTime | null): boolean {
  if (!inTime) return false;
  return probe.kind === 'volts' ? inTime.nets.has(probe.net) : probe.kind === 'load' || probe.kind === 'amps';
}
