// npm run bench: benchmarks of the core in Node and of the production app in Chromium.
import { mkdtempSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { checkNode, ensureChromium, ensurePackages, root, run, wholeFirst } from './prepare.mjs';
import { startServer } from './serve.mjs';

checkNode();
ensurePackages();
const chromium = ensureChromium(wholeFirst);
// Bundled, as what runs in a browser is: modules that are loaded one by one run at half that speed.
const { build } = await import('esbuild');
const folder = mkdtempSync(join(root, 'node_modules/.bench-'));
const script = join(folder, 'run.mjs');
await build({
  entryPoints: [join(root, 'bench/run.ts')],
  outfile: script,
  bundle: true,
  platform: 'node',
  format: 'esm',
  alias: { '@': join(root, 'src') },
  external: ['@playwright/test'],
  banner: {
    js: "import { createRequire as requiring } from 'node:module'; const require = requiring(import.meta.url);",
  },
  logLevel: 'error',
});
const server = await startServer();
const result = run(process.execPath, [
  script,
  server.address,
  chromium,
  '',
  join(root, 'bench/results.json'),
]);
server.stop();
rmSync(folder, { recursive: true, force: true });
process.exit(result.status ?? 1);
