import { GROUND } from '../circuit/netlist';
import type { Part } from './description';
import type { CircuitInput } from './stage';

type DividerInput = Pick<
  CircuitInput,
  'ldrSide' | 'ldrOhms' | 'fixedOhms' | 'isDirect' | 'ldrParallelOhms' | 'ldrSeriesOhms'
>;

/**
 * The divider between `supply` and 0 V with its midpoint `mid`: the LDR on its side, the fixed resistor R1 on the other;
 * R4 in series with the LDR on the side of the midpoint, R5 across the LDR. Driven directly, R1 leads on from the midpoint to
 * `base` instead.
 * @param low its lower end: 0 V, or the lower rail of a ± supply
 */
export function dividerParts(input: DividerInput, low = GROUND): readonly Part[] {
  const { ldrSide, ldrOhms, fixedOhms, ldrParallelOhms, ldrSeriesOhms, isDirect } = input;
  const isTop = ldrSide === 'top';
  const inner = ldrSeriesOhms === null ? 'mid' : 'ldr';
  const ldrEnds = isTop ? { a: 'supply', b: inner } : { a: inner, b: low };
  const across = isTop ? { a: 'mid', b: low } : { a: 'supply', b: 'mid' };
  const fixedEnds = isDirect ? { a: 'mid', b: 'base' } : across;
  const parts: Part[] = [
    { kind: 'ldr', designator: 'LDR1', ...ldrEnds, ohms: ldrOhms },
    { kind: 'resistor', designator: 'R1', role: 'fixed', ...fixedEnds, ohms: fixedOhms },
  ];
  if (ldrSeriesOhms !== null) {
    const ends = isTop ? { a: 'ldr', b: 'mid' } : { a: 'mid', b: 'ldr' };
    parts.push({ kind: 'resistor', designator: 'R4', role: 'ldr-series', ...ends, ohms: ldrSeriesOhms });
  }
  if (ldrParallelOhms !== null) {
    parts.push({
      kind: 'resistor',
      designator: 'R5',
      role: 'ldr-parallel',
      ...ldrEnds,
      ohms: ldrParallelOhms,
    });
  }
  return parts;
}

/** Whether a part belongs to the divider. */
export function isDividerPart(part: Part): part is Extract<Part, { kind: 'ldr' | 'resistor' }> {
  return part.kind === 'ldr' || (part.kind === 'resistor' && DIVIDER_ROLES.includes(part.role));
}

const DIVIDER_ROLES: readonly string[] = ['fixed', 'ldr-series', 'ldr-parallel'];
