import { memoize } from '../memoize';
import { assemble } from './assemble';
import type { Assembly } from './assembly';
import type { CircuitInput } from './input';

/** So many circuits are kept: one analysis asks for the same in several places, with R1 at its value and at any. */
const KEPT = 4;

const withAnyFixed = memoize(assemble, KEPT);

/** A circuit put together as {@link assemble} does, once for as long as nothing in it changes; where only R1 does, the rest stays. */
export const assembled = memoize((input: CircuitInput): Assembly => {
  if (input.trimmer) return assemble(input);
  const any = withAnyFixed({ ...input, fixedOhms: 1 });
  const { fixedOhms: ohms } = input;
  const parts = any.parts.map((part) =>
    part.kind === 'resistor' && part.role === 'fixed' ? { ...part, ohms } : part,
  );
  return { ...any, parts, withAnyFixed: any };
}, KEPT);
