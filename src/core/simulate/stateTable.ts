import type { DesignCircuit } from '../analyse/designCircuit';

/** The circuit in one state of its detector, over the LDR's conductance: evenly in ln S, and a line between. */
export class StateTable {
  private readonly lnFrom: number;
  private readonly perLn: number;

  /**
   * @param midVolts shape: points, as the others
   * @param loadAmps of each load
   * @param supplyAmps of each supply
   */
  constructor(
    from: number,
    to: number,
    private readonly midVolts: Float64Array,
    private readonly loadAmps: readonly Float64Array[],
    private readonly supplyAmps: readonly Float64Array[],
  ) {
    this.lnFrom = Math.log(from);
    this.perLn = (midVolts.length - 1) / Math.log(to / from);
  }

  get loads(): number {
    return this.loadAmps.length;
  }

  get supplies(): number {
    return this.supplyAmps.length;
  }

  mid(siemens: number): number {
    return this.between(this.midVolts, siemens);
  }

  load(index: number, siemens: number): number {
    const amps = this.loadAmps[index];
    return amps ? this.between(amps, siemens) : 0;
  }

  allLoads(siemens: number): number {
    let total = 0;
    for (let index = 0; index < this.loadAmps.length; index++) total += this.load(index, siemens);
    return total;
  }

  supply(index: number, siemens: number): number {
    const amps = this.supplyAmps[index];
    return amps ? this.between(amps, siemens) : 0;
  }

  private between(column: Float64Array, siemens: number): number {
    const place = Math.min(
      column.length - 1.000001,
      Math.max(0, (Math.log(siemens) - this.lnFrom) * this.perLn),
    );
    const left = Math.floor(place);
    const low = column[left] ?? 0;
    return low + (place - left) * ((column[left + 1] ?? low) - low);
  }
}

/** Solves a state's table. Where the circuit has no operating point the figures before it stand. */
export function stateTable(
  circuit: DesignCircuit,
  position: number,
  { from, to }: { readonly from: number; readonly to: number },
  points: number,
): StateTable {
  const { loads, rails } = circuit.assembly;
  const columns = (count: number) => Array.from({ length: count }, () => new Float64Array(points));
  const [mid, load, supply] = [new Float64Array(points), columns(loads.length), columns(rails.length)];
  for (let index = 0; index < points; index++) {
    const siemens = from * (to / from) ** (index / (points - 1));
    const readout = circuit.solveOhms(position, 1 / siemens);
    mid[index] = readout ? readout.volts('mid') : (mid[index - 1] ?? 0);
    load.forEach((column, at) => {
      column[index] = readout ? readout.loadAmpsOf(at) : (column[index - 1] ?? 0);
    });
    supply.forEach((column, at) => {
      column[index] = readout ? readout.supplyAmps(at) : (column[index - 1] ?? 0);
    });
  }
  return new StateTable(from, to, mid, load, supply);
}
