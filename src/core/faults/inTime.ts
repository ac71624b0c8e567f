import { GROUND } from '../circuit/netlist';
import type { Net } from '../parts/base';
import type { FlipFlopPart } from '../parts/kinds/flipFlop';
import type { Part } from '../parts/part';
import { pinsOf } from '../parts/registry';
import { outputNets } from './circuit/apply';
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

/** `null` where the load follows the light. */
export function inTimeOf(parts: readonly Part[]): InTime | null {
  const flipFlop = flipFlopIn(parts);
  if (flipFlop)
    return { kind: 'turns-over', seconds: null, nets: behind(parts, [flipFlop.out, flipFlop.inverted]) };
  const timing = timingOf(parts);
  if (!timing) return null;
  const { ic, seconds } = timing;
  if (ic.kind === 'timer') return { kind: 'stays', seconds, nets: behind(parts, [ic.out]) };
  const last = parts.flatMap((part) =>
    part.role === 'counted' && part.kind === 'nor'
      ? outputNets(part).filter((net) => !part.gates.some(({ inputs }) => inputs.includes(net)))
      : [],
  );
  return { kind: 'counted', seconds, nets: behind(parts, [ic.out, ...last]) };
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

/** The nets that go with these, from part to part as far as the next rail; through a gate only from its input to its output. */
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
      if (part.kind === 'gate' ? nets.has(part.input) : !('top' in part) && touches(part, nets))
        for (const net of part.kind === 'gate' ? [part.out] : netsOf(part))
          if (!rails.has(net)) nets.add(net);
    }
  }
  return nets;
}

const netsOf = (part: Part): readonly Net[] => pinsOf(part).flatMap(({ net }) => (net === null ? [] : [net]));
const touches = (part: Part, nets: ReadonlySet<Net>): boolean => netsOf(part).some((net) => nets.has(net));

/** Whether what a probe finds goes with a load's own time. */
export function goesWith(probe: Probe, inTime: InTime | null): boolean {
  if (!inTime) return false;
  return probe.kind === 'volts' ? inTime.nets.has(probe.net) : probe.kind === 'load' || probe.kind === 'amps';
}
