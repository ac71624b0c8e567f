import { ESLint } from 'eslint';
import { join, relative } from 'node:path';
import { describe, expect, it } from 'vitest';
import { detectorKinds } from '../src/core/detectors/kinds';
import { transistorKinds } from '../src/core/drivers/kinds';
import { loadKinds } from '../src/core/loads/kinds';
import { importsOf, root, sources } from './imports';
import { kinds } from './noKinds.mjs';

const rulesFor = async (file: string): Promise<string[]> => {
  const config: unknown = await new ESLint().calculateConfigForFile(file);
  return typeof config === 'object' && config !== null && 'rules' in config
    ? Object.keys(Object(config.rules))
    : [];
};
const rules = [...(await rulesFor('src/core/design.ts')), ...(await rulesFor('src/store/session.ts'))];
/** Without the rules that ask the types, which take many times as long. */
const eslint = new ESLint({
  overrideConfig: [
    {
      files: ['src/**/*.{ts,tsx}'],
      languageOptions: { parserOptions: { projectService: false } },
      rules: Object.fromEntries(
        rules.filter((rule) => rule.startsWith('@typescript-eslint/')).map((rule) => [rule, 'off']),
      ),
    },
  ],
});

interface Zone {
  readonly target: string;
  readonly from: readonly string[];
}

/** The folder that a zone's pattern is of. */
const folderOf = (pattern: string) => `${join(root, pattern.slice(0, pattern.indexOf('/**')))}/`;

async function complaints(filePath: string, code: string): Promise<(string | null)[]> {
  const [result] = await eslint.lintText(code, { filePath });
  return result?.messages.map((message) => message.ruleId) ?? [];
}

describe('the lint rule for the direction of imports', () => {
  it.each([
    ['src/core/circuit/circuit.ts', `import '../ldr/curve';`],
    ['src/core/ldr/curve.ts', `import '../analyse/analyseCircuit';`],
    ['src/store/session.ts', `import '@/ui/words/figures';`],
    ['src/ui/words/figures.ts', `import '@/screens/measure/MeasureColumns';`],
    ['src/screens/measure/MeasureColumns.tsx', `import '@/app/layout';`],
  ])('refuses %s that reaches up with %s', async (file, code) => {
    expect(await complaints(file, code)).toContain('import/no-restricted-paths');
  });

  it('keeps interface packages out of the core', async () => {
    expect(await complaints('src/core/ldr/curve.ts', `import 'react';`)).toContain('no-restricted-imports');
    expect(await complaints('src/core/ldr/curve.ts', `import 'dexie';`)).toContain('no-restricted-imports');
  });

  it('knows every kind of detector, driver and load', () => {
    expect(kinds).toEqual([[...detectorKinds], [...transistorKinds], [...loadKinds]]);
  });

  it('is kept by every file', async () => {
    const config: { rules?: Record<string, readonly [number, { zones: readonly Zone[] }]> } =
      await new ESLint().calculateConfigForFile('src/core/design.ts');
    const zones = (config.rules?.['import/no-restricted-paths']?.[1].zones ?? []).map((zone) => ({
      target: folderOf(zone.target),
      from: zone.from.map(folderOf),
    }));
    expect(zones.length).toBeGreaterThan(30);
    const lies = (file: string, folder: string) => file.startsWith(folder);
    const wrong = sources.flatMap((file) => {
      const forbidden = zones.filter(({ target }) => lies(file, target)).flatMap(({ from }) => from);
      return importsOf(file)
        .filter((imported) => forbidden.some((folder) => lies(imported, folder)))
        .map((imported) => `${relative(root, file)} imports ${relative(root, imported)}`);
    });
    expect(wrong).toEqual([]);
  });

  it('lets imports point down', async () => {
    expect(await complaints('src/core/analyse/sweep.ts', `import '../ldr/curve';`)).toEqual([]);
    expect(await complaints('src/ui/words/figures.ts', `import '@/core/quantity/format';`)).toEqual([]);
  });
}, 60_000);
