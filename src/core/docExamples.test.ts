import { readFileSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import { describe, expect, it } from 'vitest';
import { recordIn } from './testRecord';

// Every `@example expression // result` of the core is run: a figure must agree to all its digits, the rest exactly.
const root = import.meta.dirname;
const files = readdirSync(root, { recursive: true, encoding: 'utf8' }).filter(
  (name) => name.endsWith('.ts') && !name.endsWith('.test.ts'),
);
const examples = files.flatMap((name) =>
  [...readFileSync(join(root, name), 'utf8').matchAll(/@example (.+?) \/\/ (.+)/g)].map(
    ([, expression = '', result = '']) => ({ name, expression, result }),
  ),
);

const evaluate = (code: string, scope: Record<string, unknown>): unknown =>
  // Only our own comments come here.
  new Function(...Object.keys(scope), `return (${code});`)(...Object.values(scope));

function sameDigits(actual: number, text: string): boolean {
  const decimals = text.split('.')[1]?.length ?? 0;
  return actual.toFixed(decimals) === text;
}

describe('examples in the docs of the core', () => {
  it('are there', () => expect(examples.length).toBeGreaterThan(8));

  it.each(examples)('$name: $expression', async ({ name, expression, result }) => {
    const scope = recordIn(await import(join(root, name)));
    const actual = evaluate(expression, scope);
    if (typeof actual === 'number') return expect(sameDigits(actual, result)).toBe(true);
    const expected = evaluate(result, {});
    const plain = typeof actual === 'string' ? actual.replaceAll('\u00a0', ' ') : actual;
    return typeof expected === 'object' && expected !== null
      ? expect(plain).toMatchObject(expected)
      : expect(plain).toBe(expected);
  });
});
