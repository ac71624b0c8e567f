import type { OutputLevel } from '../parts/base';
import { withFault } from './circuit/apply';
import { FaultyCircuit, type Made, type Settled } from './circuit/faultyCircuit';
import { LoadedVolts } from './circuit/loaded';
import { ohmsFound } from './circuit/ohmsFound';
import { NEVER_SECONDS, ownSeconds, SHORTEST_SECONDS } from './circuit/timed';
import type { Wiring } from './circuit/wiring';
import type { ListedFault } from './fault';
import { flipFlopIn, goesWith, inTimeOf, isClocked } from './inTime';
import type { TestBench } from './predict';
import { comesOn, isAnyOn, patternIn } from './seen';
import { isSeen, LOOK_ERRS, LOOK_FINDS, type Probe } from './probe';

/** What each probe finds, for one fault: shape probes × draws, in V, A, ln Ω, ln s, or a pattern or chance of its own. */
export type FaultRow = readonly Float64Array[];

/**
 * What would be found at every probe with a fault in the circuit, over the ways that a build may have come out.
 * @returns shape: probes × draws; NaN where there is no telling
 */
export function rowOf(
  bench: TestBench,
  { fault }: Pick<ListedFault, 'fault'>,
  probes: readonly Probe[],
): FaultRow {
  const { wiring, setup, draws, lights } = bench;
  const faulty = withFault(wiring, fault);
  const rows = probes.map(() => new Float64Array(draws.length).fill(NaN));
  const onBench = (its: Wiring) => {
    const circuit = new FaultyCircuit(its, setup, bench.standing);
    let starts: readonly (Settled | null)[] = [];
    const settledIn = (made: Made) => {
      const settled = lights.map((_, light) => circuit.settle(made, light, null, starts[light] ?? null));
      if (starts.length === 0) starts = settled;
      return settled;
    };
    return { circuit, loaded: new LoadedVolts(circuit, setup), settledIn };
  };
  const asItIs = onBench(faulty);
  const flipFlop = flipFlopIn(bench.assembly.parts);
  const inTime = flipFlop ? inTimeOf(bench.assembly.parts) : null;
  const asItCameOn = new Map<OutputLevel, ReturnType<typeof onBench>>();
  draws.forEach((draw, at) => {
    let its = asItIs;
    let made = its.circuit.made(draw);
    let settled = its.settledIn(made);
    // What never changes over stands as it came on: in one half of the builds high, in the other low.
    const isUnknown = flipFlop && !its.circuit.hears && !isClocked(flipFlop, its.circuit, settled);
    if (isUnknown) {
      const { designator, key } = flipFlop;
      const level = at % 2 === 0 ? 'low' : 'high';
      its = asItCameOn.get(level) ?? onBench(withFault(faulty, { kind: 'stuck', designator, key, level }));
      asItCameOn.set(level, its);
      made = its.circuit.made(draw);
      settled = its.settledIn(made);
    }
    const { circuit, loaded } = its;
    probes.forEach((probe, index) => {
      const row = rows[index];
      // Nor is there a figure that it should have.
      if (!row || (isUnknown && at === 0 && goesWith(probe, inTime))) return;
      const one = settledFor(probe, made, settled, circuit);
      if (probe.kind === 'volts') row[at] = one ? clamped(loaded.at(made, one, probe), bench.maxVolts) : NaN;
      else row[at] = found(probe, { one, before: beforeIn(probe, settled) }, circuit, faulty, bench, fault);
    });
  });
  const ohms = ohmsFound(faulty, bench, probes);
  probes.forEach((probe, index) => {
    const values = ohms.get(probe);
    if (values) rows[index]?.set(values);
  });
  return rows;
}

/** A circuit as it is when a probe is made; `null` where it has no operating point, or the probe no light. */
function settledFor(
  probe: Probe,
  made: Made,
  settled: readonly (Settled | null)[],
  circuit: FaultyCircuit,
): Settled | null {
  if (!('light' in probe)) return null;
  const before = beforeIn(probe, settled);
  // A change of the light is all that some hear; to others what it comes to is all the same.
  const isJump = probe.kind === 'load' ? 'from' in probe : probe.kind === 'time' && circuit.hears;
  if (!isJump) return settled[probe.light] ?? null;
  return before && circuit.jump(made, before, probe.light);
}

/** A circuit as it was before the light changed; `null` where a probe asks for no change. */
const beforeIn = (probe: Probe, settled: readonly (Settled | null)[]): Settled | null =>
  'from' in probe && probe.from !== undefined ? (settled[probe.from] ?? null) : null;

/** How long the loads stay on by themselves, in s: not at all where nothing turns them on, for ever where they were as much on before. */
export function secondsOn(
  { seenBy, timing }: TestBench,
  circuit: FaultyCircuit,
  wiring: Wiring,
  { before, one }: { readonly before: Settled; readonly one: Settled },
): number {
  const [was, is] = [circuit.loadAmps(before), circuit.loadAmps(one)];
  if (timing && comesOn(seenBy, was, is)) return ownSeconds(timing, wiring, one);
  return isAnyOn(seenBy, was) ? NEVER_SECONDS : SHORTEST_SECONDS;
}

function found(
  probe: Exclude<Probe, { readonly kind: 'volts' }>,
  { one, before }: { readonly one: Settled | null; readonly before: Settled | null },
  circuit: FaultyCircuit,
  wiring: Wiring,
  bench: TestBench,
  fault: ListedFault['fault'],
): number {
  switch (probe.kind) {
    case 'load':
      return one ? patternIn(bench.seenBy, circuit.seenAmps(one)) : NaN;
    case 'amps':
      return one ? circuit.loadAmps(one).reduce((sum, amps) => sum + amps, 0) : NaN;
    case 'look':
      return isSeen(probe.look, probe.designator, fault) ? LOOK_FINDS[probe.look] : LOOK_ERRS;
    case 'time':
      return one && before ? Math.log(secondsOn(bench, circuit, wiring, { before, one })) : NaN;
    case 'ohms':
      return NaN;
  }
}

const clamped = (volts: number, most: number) => Math.max(-1.2 * most, Math.min(1.2 * most, volts));
