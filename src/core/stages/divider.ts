import { GROUND } from '../circuit/netlist';
import type { Part } from './description';
import type { StageInput } from './stage';

type DividerInput = Pick<
  StageInput,
  'ldrSide' | 'ldrOhms' | 'fixedOhms' | 'ldrParallelOhms' | 'ldrSeriesOhms'
>;

/**
 * The divider from supply to 0 V with its midpoint `mid`, the same for every stage: LDR1 and R1; R4 in series with the
 * LDR, on the midpoint's side; R5 across the LDR alone.
 */
export function dividerParts(input: DividerInput): readonly Part[] {
  const { ldrSide, ldrOhms, fixedOhms, ldrParallelOhms, ldrSeriesOhms } = input;
  const isTop = ldrSide === 'top';
  const inner = ldrSeriesOhms === null ? 'mid' : 'ldr';
  const ldrEnds = isTop ? { a: 'supply', b: inner } : { a: inner, b: GROUND };
  const fixedEnds = isTop ? { a: 'mid', b: GROUND } : { a: 'supply', b: 'mid' };
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
