import fc from 'fast-check';
import { recordIn } from '../testRecord';

/** What a file may hold in place of anything. */
const foreign = fc.oneof(
  fc.constantFrom<unknown>(null, '', 'x', -1, 0, 1e308, 1e-320, true, [], {}, 'toString', '4k7', 2 ** 53),
  fc.string({ maxLength: 200 }),
  fc.double(),
  fc.jsonValue({ maxDepth: 3 }),
  fc.integer({ min: 40, max: 6000 }).map(nested),
);

function nested(depth: number): unknown {
  let value: unknown = 1;
  for (let level = 0; level < depth; level++) value = level % 2 === 0 ? [value] : { a: value };
  return value;
}

type Step = readonly [
  kind: 'replace' | 'remove' | 'add' | 'prototype' | 'repeat',
  place: number,
  value: unknown,
];

const step: fc.Arbitrary<Step> = fc.tuple(
  fc.constantFrom('replace', 'replace', 'remove', 'add', 'prototype', 'repeat'),
  fc.nat({ max: 100_000 }),
  foreign,
);

/** For tests: a JSON text with some things in it changed, cut or torn. */
export function mutationOf(text: string): fc.Arbitrary<string> {
  const byValue = fc.array(step, { minLength: 1, maxLength: 4 }).map((steps) => mutated(text, steps));
  const byText = fc
    .tuple(fc.nat({ max: text.length }), fc.nat({ max: 40 }), fc.string({ maxLength: 10 }))
    .map(([at, length, put]) => text.slice(0, at) + put + text.slice(at + length));
  return fc.oneof({ arbitrary: byValue, weight: 4 }, { arbitrary: byText, weight: 1 });
}

function mutated(text: string, steps: readonly Step[]): string {
  const root: unknown = JSON.parse(text);
  let hasPrototype = false;
  for (const [kind, place, value] of steps) {
    const holders = holdersIn(root);
    const holder = holders[place % holders.length];
    if (!holder) break;
    const keys = Object.keys(holder);
    const key = keys[place % Math.max(1, keys.length)];
    if (kind === 'add') holder[`added-${place}`] = value;
    else if (kind === 'prototype') {
      holder['~proto~'] = { polluted: true };
      hasPrototype = true;
    } else if (key === undefined) continue;
    else if (kind === 'remove') delete holder[key];
    else if (kind === 'replace') holder[key] = value;
    else if (Array.isArray(holder[key]))
      holder[key] = Array.from({ length: 300 }, () => holder[key])
        .flat()
        .slice(0, 2000);
  }
  const changed = stringified(root);
  return hasPrototype ? changed.replaceAll('"~proto~"', '"__proto__"') : changed;
}

/** Every record and list in a value. */
function holdersIn(value: unknown, depth = 0): Record<string, unknown>[] {
  if (typeof value !== 'object' || value === null || depth > 20) return [];
  return [recordIn(value), ...Object.values(value).flatMap((inner) => holdersIn(inner, depth + 1))];
}

/** JSON of any depth: the program's own walks down and ends on a deep one. */
function stringified(value: unknown): string {
  try {
    return JSON.stringify(value);
  } catch {
    return `${'['.repeat(5000)}1${']'.repeat(5000)}`;
  }
}
