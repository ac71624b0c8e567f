import { uniforms, normals } from '../../numeric/random';
import { topOhms } from '../../meter/meter';
import { withFault } from '../circuit/apply';
import { randomDraw } from '../draws';
import type { Fault } from '../fault';
import { FaultyCircuit, luxAt } from '../circuit/faultyCircuit';
import { Ohmmeter } from '../circuit/ohmmeter';
import { offByTolerance } from '../circuit/ohmsFound';
import { ldrOhmsAt } from '../../ldr/curve';
import { pinsOf } from '../../parts/registry';
import { NEVER_SECONDS, SHORTEST_SECONDS } from '../circuit/timed';
import { errorOf, type TestBench } from '../predict';
import { patternIn } from '../seen';
import { secondsOn } from '../row';
import { flipFlopIn, isClocked } from '../inTime';
import { isSeen, LOOK_ERRS, LOOK_FINDS, OVER_OHMS, type Answer, type Probe } from '../probe';
import { displayed } from '../../meter/voltmeter';
import type { Wiring } from '../circuit/wiring';

/** A built circuit with a fault in it that answers to a probe as a bench would: a build of its own, a meter with its errors. */
export class HiddenFault {
  private readonly circuit: FaultyCircuit;
  private readonly draw: Float64Array;
  private readonly uniform: () => number;
  private readonly normal: () => number;
  private readonly wiring: Wiring;

  constructor(
    private readonly bench: TestBench,
    readonly fault: Fault,
    seed: number,
  ) {
    this.draw = randomDraw(bench.setup.factors, bench.lights.length, seed);
    this.uniform = uniforms(seed, 2);
    this.normal = normals(seed, 3);
    const wiring = withFault(bench.wiring, fault);
    const circuit = new FaultyCircuit(wiring, bench.setup);
    const asCameOn = this.stuckAsItCameOn(circuit);
    this.wiring = asCameOn ? withFault(wiring, asCameOn) : wiring;
    this.circuit = asCameOn ? new FaultyCircuit(this.wiring, bench.setup) : circuit;
  }

  /** A flip-flop that nothing clocks stays as it was when the supply came on, one way or the other. */
  private stuckAsItCameOn(circuit: FaultyCircuit): Fault | null {
    const { lights, assembly } = this.bench;
    const part = flipFlopIn(assembly.parts);
    if (!part || circuit.hears) return null;
    const made = circuit.made(this.draw);
    const settled = lights.map((_, light) => circuit.settle(made, light));
    if (isClocked(part, circuit, settled)) return null;
    const { designator, key } = part;
    return { kind: 'stuck', designator, key, level: this.uniform() < 0.5 ? 'high' : 'low' };
  }

  /** What is found at a probe; `null` where nothing can be said of it. */
  answer(probe: Probe): Answer | null {
    const value = this.valueAt(probe);
    return value === null ? null : { probe, value };
  }

  private valueAt(probe: Probe): number | null {
    const { circuit, bench } = this;
    switch (probe.kind) {
      case 'look': {
        const share = isSeen(probe.look, probe.designator, this.fault) ? LOOK_FINDS[probe.look] : LOOK_ERRS;
        return this.uniform() < share ? 0 : 1;
      }
      case 'ohms':
        return this.ohms(probe.designator, probe.light);
      case 'volts': {
        const settled = circuit.settle(circuit.made(this.draw), probe.light, probe.net);
        if (!settled) return null;
        const volts = circuit.volts(settled, probe.net);
        const most = 1.2 * bench.maxVolts;
        const clamped = Math.max(-most, Math.min(most, volts));
        return displayed(bench.meter, 'volts', clamped + this.normal() * errorOf(bench, probe, clamped))
          .shown;
      }
      case 'time': {
        const made = circuit.made(this.draw);
        const before = circuit.settle(made, probe.from);
        const one =
          before &&
          (circuit.hears ? circuit.jump(made, before, probe.light) : circuit.settle(made, probe.light));
        if (!before || !one) return null;
        const seconds = secondsOn(bench, circuit, this.wiring, { before, one });
        const isTimed = seconds > SHORTEST_SECONDS && seconds < NEVER_SECONDS;
        return isTimed
          ? seconds * Math.exp(this.normal() * errorOf(bench, probe, Math.log(seconds)))
          : seconds;
      }
      case 'load':
      case 'amps': {
        const made = circuit.made(this.draw);
        const from = probe.kind === 'load' ? probe.from : undefined;
        const before = from === undefined ? null : circuit.settle(made, from);
        const settled =
          from === undefined
            ? circuit.settle(made, probe.light)
            : before && circuit.jump(made, before, probe.light);
        if (!settled) return null;
        if (probe.kind === 'load') return patternIn(bench.seenBy, circuit.seenAmps(settled));
        const amps = circuit.loadAmps(settled);
        const all = amps.reduce((sum, each) => sum + each, 0);
        return displayed(bench.meter, 'amps', all + this.normal() * errorOf(bench, probe, all)).shown;
      }
    }
  }

  private ohms(designator: string, light: number): number | null {
    const { bench } = this;
    const part = bench.assembly.parts.find((each) => each.designator === designator);
    const [a, b] = part ? pinsOf(part).map(({ net }) => net) : [];
    if (!part || !a || !b) return null;
    const { curve } = this.circuit.made(this.draw);
    const ldrOhms = ldrOhmsAt(curve, luxAt(this.wiring, bench.setup, this.draw, light));
    const ohmmeter = new Ohmmeter(this.wiring, [a, b]);
    const nominal = ohmmeter.between([[a, b]], ldrOhms)?.[0];
    if (nominal === undefined) return null;
    const ohms =
      nominal *
      offByTolerance(ohmmeter, [[a, b]], [ldrOhms], bench.setup.factors, [this.draw])(0, 0, ldrOhms);
    const off = Math.exp(
      this.normal() * errorOf(bench, { kind: 'ohms', designator, light }, Math.log(ohms + 0.1)),
    );
    return ohms * off > topOhms(bench.meter) ? OVER_OHMS : Math.max(0.1, ohms * off);
  }
}
