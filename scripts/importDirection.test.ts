import { readFileSync } from 'node:fs';
import { join, relative } from 'node:path';
import { preProcessFile } from 'typescript';
import { describe, expect, it } from 'vitest';
import { detectorKinds } from '../src/core/detectors/kinds';
import { transistorKinds } from '../src/core/drivers/kinds';
import { loadKinds } from '../src/core/loads/kinds';
import { importsOf, root, sources } from './imports';
import { kinds } from './noKinds.mjs';
import { outside, zones } from './rooms.mjs';

/** The folder that a zone's pattern is of. */
const folderOf = (pattern: string) => `${join(root, pattern.slice(0, pattern.indexOf('/**')))}/`;
const forbidden = zones.map(({ target, from }) => ({ target: folderOf(target), from: from.map(folderOf) }));

/** Whether one file may import another. */
const pointsUp = (file: string, imported: string) =>
  forbidden.some(
    ({ target, from }) => file.startsWith(target) && from.some((folder) => imported.startsWith(folder)),
  );
const fromRoot = (path: string) => join(root, path);

describe('the direction of imports', () => {
  it.each([
    ['src/core/circuit/circuit.ts', 'src/core/ldr/curve.ts'],
    ['src/core/ldr/curve.ts', 'src/core/analyse/analyseCircuit.ts'],
    ['src/store/session.ts', 'src/ui/words/figures.ts'],
    ['src/ui/words/figures.ts', 'src/screens/measure/MeasureColumns.tsx'],
    ['src/screens/measure/MeasureColumns.tsx', 'src/app/layout.tsx'],
  ])('is not from %s up to %s', (file, imported) => {
    expect(pointsUp(fromRoot(file), fromRoot(imported))).toBe(true);
    expect(pointsUp(fromRoot(imported), fromRoot(file))).toBe(false);
  });

  it('is down in every file', () => {
    const wrong = sources.flatMap((file) =>
      importsOf(file)
        .filter((imported) => pointsUp(file, imported))
        .map((imported) => `${relative(root, file)} imports ${relative(root, imported)}`),
    );
    expect(wrong).toEqual([]);
  });

  it('knows every room', () => {
    const known = new Set(forbidden.flatMap(({ target, from }) => [target, ...from]));
    const without = sources.filter(
      (file) =>
        ![...known].some((folder) => file.startsWith(folder)) && /^src\/[^/]+\//.test(relative(root, file)),
    );
    expect(without).toEqual([]);
  });

  it('is nowhere from the core to what draws', () => {
    const names = outside.map((name) => new RegExp(`^${name.replace('/*', '/.*').replace('-*', '-.*')}$`));
    const core = sources.filter((file) => file.startsWith(fromRoot('src/core/')));
    const wrong = core.flatMap((file) =>
      preProcessFile(readFileSync(file, 'utf8'))
        .importedFiles.filter(({ fileName }) => names.some((name) => name.test(fileName)))
        .map(({ fileName }) => `${relative(root, file)} imports ${fileName}`),
    );
    expect(core.length).toBeGreaterThan(300);
    expect(names.some((name) => name.test('dexie-react-hooks'))).toBe(true);
    expect(wrong).toEqual([]);
  });
});

describe('the lint rule for kinds', () => {
  it('knows every kind of detector, driver and load', () => {
    expect(kinds).toEqual([[...detectorKinds], [...transistorKinds], [...loadKinds]]);
  });
});
