import { GROUND } from '../circuit/netlist';
import { solveLinear } from '../numeric/linear';
import type { Net } from '../parts/base';
import { bodyOf } from '../parts/footprint';
import type { Part } from '../parts/part';
import { elementsOf } from '../parts/registry';

/** What nothing is joined by, in S: keeps a node that hangs in the air from being undetermined. */
const LEAK = 1e-12;
const TYPICAL = { celsius: 25, grade: 'typical' } as const;
/** More than this an ohmmeter does not tell from nothing. */
const OPEN_OHMS = 1e9;

/**
 * The resistance between a rail and 0 V that an ohmmeter finds with the supplies and ICs out: through resistors, coils and the
 * LDR alone, as junctions pass next to nothing at a meter's voltage. It is the least: what a junction passes comes on top of it.
 * @param ldrOhms the LDR in the brightest light it may be in
 * @returns Ω; `Infinity` where nothing joins them
 */
export function railOhms(parts: readonly Part[], rail: Net, ldrOhms: number): number {
  const resistors = parts
    .filter((part) => part.kind !== 'supply' && part.kind !== 'controller' && bodyOf(part).kind !== 'dip')
    .flatMap((part) => elementsOf(part.kind === 'ldr' ? { ...part, ohms: ldrOhms } : part, TYPICAL))
    .flatMap((element) => (element.kind === 'resistor' ? [element] : []));
  const nets = [...new Set(resistors.flatMap(({ a, b }) => [a, b]))].filter((net) => net !== GROUND);
  const at = nets.indexOf(rail);
  if (at < 0) return Infinity;
  const size = nets.length;
  const matrix = new Float64Array(size * size);
  for (let index = 0; index < size; index++) matrix[index * size + index] = LEAK;
  const add = (row: number, column: number, siemens: number) => {
    if (row >= 0 && column >= 0) matrix[row * size + column] = (matrix[row * size + column] ?? 0) + siemens;
  };
  for (const { a, b, ohms } of resistors) {
    const [one, other] = [nets.indexOf(a), nets.indexOf(b)];
    add(one, one, 1 / ohms);
    add(other, other, 1 / ohms);
    add(one, other, -1 / ohms);
    add(other, one, -1 / ohms);
  }
  const volts = new Float64Array(size);
  volts[at] = 1;
  if (!solveLinear(matrix, volts, size)) return Infinity;
  const ohms = volts[at] ?? Infinity;
  return ohms > OPEN_OHMS ? Infinity : ohms;
}
