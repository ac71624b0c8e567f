import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

const room = process.env.MUTANT_ROOM;

export default defineConfig({
  resolve: { alias: { '@': fileURLToPath(new URL('./src', import.meta.url)) } },
  test: {
    // While one room's mutants are sought, its own tests look for them.
    include: room ? [`src/core/${room}/**/*.test.ts`] : ['src/**/*.test.{ts,tsx}', 'scripts/**/*.test.ts'],
    environment: 'node',
    // No test is timed: a busy machine may take several times as long over the large property tests.
    testTimeout: 300_000,
  },
});
