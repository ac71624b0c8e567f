import { readFileSync } from 'node:fs';
import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';
import { BaseSequencer, type TestSpecification } from 'vitest/node';

const rooms = process.env.MUTANT_ROOM?.split(',');

/** Files for a page go first, side by side: with each change of surroundings a thread would read all modules anew. */
class PagesFirst extends BaseSequencer {
  override async sort(files: TestSpecification[]): Promise<TestSpecification[]> {
    const sorted = await super.sort(files);
    const isPage = ({ moduleId }: TestSpecification) =>
      readFileSync(moduleId, 'utf8').includes('@vitest-environment happy-dom');
    return [...sorted.filter(isPage), ...sorted.filter((file) => !isPage(file))];
  }
}

export default defineConfig({
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  test: {
    // While one room's mutants are sought, its own tests look for them, or those of the rooms where it shows.
    include: rooms?.map((room) => `src/core/${room}/**/*.test.ts`) ?? [
      'src/**/*.test.{ts,tsx}',
      'scripts/**/*.test.ts',
    ],
    environment: 'node',
    setupFiles: ['./vitest.setup.ts'],
    // Files share their modules: most of the time went into loading the same ones a hundred times. No test leans on what
    // another file has left behind, nor leaves anything.
    isolate: false,
    pool: 'threads',
    maxWorkers: 2,
    sequence: { sequencer: PagesFirst },
    // Over all of their cases the large property tests take as long as they take.
    testTimeout: process.env.VERIFY_FILE ? 0 : 300_000,
  },
});
