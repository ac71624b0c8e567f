import { readdirSync, readFileSync, statSync } from 'node:fs';
import { dirname, join, resolve } from 'node:path';
import { preProcessFile } from 'typescript';

export const root = resolve(import.meta.dirname, '..');
const files = (folder: string): string[] =>
  readdirSync(folder).flatMap((name) => {
    const path = join(folder, name);
    if (statSync(path).isDirectory()) return files(path);
    return /\.tsx?$/.test(name) && !/\.test\.tsx?$/.test(name) ? [path] : [];
  });
/** Every source file that is no test. */
export const sources = files(join(root, 'src'));
const known = new Set(sources);

/** The files that a file imports, types or not. */
export function importsOf(file: string): readonly string[] {
  return preProcessFile(readFileSync(file, 'utf8')).importedFiles.flatMap(({ fileName }) => {
    const base = fileName.startsWith('@/') ? join(root, 'src', fileName.slice(2)) : fileName.startsWith('.') ? resolve(dirname(file), fileName) : null; // prettier-ignore
    if (base === null) return [];
    return [`${base}.ts`, `${base}.tsx`].filter((path) => known.has(path)).slice(0, 1);
  });
}
