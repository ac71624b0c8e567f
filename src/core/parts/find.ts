import type { Part, PartKind } from './part';
import type { Role } from './roles';

type OfKind<K extends PartKind> = Extract<Part, { readonly kind: K }>;

/** The parts of a kind, narrowed to it. */
export function partsOfKind<K extends PartKind>(parts: readonly Part[], kind: K): readonly OfKind<K>[] {
  return parts.filter((part): part is OfKind<K> => part.kind === kind);
}

/** The part of a kind and role; of several the one with the index. `undefined` where there is none. */
export function partIn<K extends PartKind>(
  parts: readonly Part[],
  kind: K,
  role: Role,
  index = 0,
): OfKind<K> | undefined {
  return partsOfKind(parts, kind).find((part) => part.role === role && part.index === index);
}

/** The part with a role, whatever kind it is of. */
export function partWith(parts: readonly Part[], role: Role, index = 0): Part | undefined {
  return parts.find((part) => part.role === role && part.index === index);
}
