import { readFileSync } from 'node:fs';
import { dirname, relative, resolve } from 'node:path';
import ts from 'typescript';
import { describe, expect, it } from 'vitest';
import { importsOf, root, sources } from './imports';
import { labelAttributes } from './labels.mjs';
import { kinds } from './noKinds.mjs';

/** Every circle of imports, as the files that are in it together (Tarjan's strongly connected components). */
function circles(): string[][] {
  const graph = new Map(sources.map((file) => [file, importsOf(file)]));
  const order = new Map<string, { index: number; low: number; onStack: boolean }>();
  const stack: string[] = [];
  const found: string[][] = [];
  const visit = (file: string) => {
    const own = { index: order.size, low: order.size, onStack: true };
    order.set(file, own);
    stack.push(file);
    for (const next of graph.get(file) ?? []) {
      const other = order.get(next) ?? (visit(next), order.get(next));
      if (other?.onStack) own.low = Math.min(own.low, other.low);
    }
    if (own.low !== own.index) return;
    const circle = stack.splice(stack.indexOf(file));
    for (const each of circle) order.set(each, { ...order.get(each)!, onStack: false });
    if (circle.length > 1) found.push(circle.map((each) => relative(root, each)).sort());
  };
  for (const file of sources) if (!order.has(file)) visit(file);
  return found;
}

describe('the structure of the source', () => {
  it('has no circle of imports, type-only ones included', () => {
    expect(circles()).toEqual([]);
  });

  it('has no folder of the core with more than 20 source files', () => {
    const counts = new Map<string, number>();
    for (const file of sources.filter((path) => path.includes('/src/core/')))
      counts.set(dirname(file), (counts.get(dirname(file)) ?? 0) + 1);
    expect([...counts].filter(([, count]) => count > 20)).toEqual([]);
  });

  it('keeps formatting by hand for a few tables of figures', () => {
    const marks = sources.flatMap((file) => readFileSync(file, 'utf8').match(/prettier-ignore/g) ?? []);
    expect(marks.length).toBeLessThan(25);
  });

  it('takes no class from a stylesheet that has none of that name', () => {
    expect(sources.flatMap((file) => missingClasses(file))).toEqual([]);
  });

  it('asks nowhere outside the registries, by its name, which kind a detector, driver or load is', () => {
    const named = '(?:detector|driver|transistor|load|settings)\\.kind';
    const asked = new RegExp(`${named} [!=]== '(?:${kinds.flat().join('|')})'|switch \\([\\w.]*${named}\\)`);
    for (const code of [
      "load.kind === 'led'",
      "project.detector.kind !== 'timer'",
      'switch (p.driver.kind)',
      'switch (load.kind)',
    ])
      expect(code).toMatch(asked);
    expect("light.kind === 'lamp'").not.toMatch(asked);
    const outside = sources.filter(
      (path) =>
        /\/src\//.test(path) && !/\.test\.|\/test[A-Z]|\/core\/(detectors|drivers|loads)\//.test(path),
    );
    expect(outside.filter((path) => asked.test(readFileSync(path, 'utf8')))).toEqual([]);
  });

  it('has its labels in ui/words', () => {
    const label = new RegExp(`\\s(?:${labelAttributes})="[^"]*[A-Za-z]{2}`);
    expect('<Input title="Ohms" />').toMatch(label);
    const pages = sources.filter((path) => /\/src\/.*(?<!\.test)\.tsx$/.test(path));
    expect(pages.length).toBeGreaterThan(100);
    expect(pages.filter((path) => label.test(readFileSync(path, 'utf8')))).toEqual([]);
  });

  it('casts hardly ever', () => {
    const casts = sources.filter((path) => path.includes('/src/')).flatMap((path) => castsIn(path));
    expect(casts.length).toBeLessThan(25);
  });
});

/** Every `as` in a file but `as const`, as file and text. */
function castsIn(path: string): string[] {
  const text = readFileSync(path, 'utf8');
  if (!/\bas (?!const\b)/.test(text)) return [];
  const source = ts.createSourceFile(path, text, ts.ScriptTarget.Latest, true);
  const found: string[] = [];
  const visit = (node: ts.Node) => {
    if (ts.isAsExpression(node) && node.type.getText() !== 'const')
      found.push(`${relative(root, path)}: ${node.getText()}`);
    ts.forEachChild(node, visit);
  };
  visit(source);
  return found;
}

/** Classes that a file takes from a stylesheet of its own which are not there: what they lay out would stand anyhow. */
function missingClasses(path: string): string[] {
  const text = readFileSync(path, 'utf8');
  return [...text.matchAll(/import (\w+) from '(\.[^']+\.module\.css)'/g)].flatMap(
    ([, name = '', sheet = '']) => {
      const css = readFileSync(resolve(dirname(path), sheet), 'utf8');
      const has = new Set([...css.matchAll(/\.([A-Za-z_][\w-]*)/g)].map(([, known]) => known));
      const used = [...text.matchAll(new RegExp(`\\b${name}\\.(\\w+)`, 'g'))].map(([, one]) => one);
      return used.filter((one) => !has.has(one)).map((one) => `${relative(root, path)}: ${one}`);
    },
  );
}
