// npm run bench: benchmarks of the core in Node and of the production app in Chromium.
import { bin, checkNode, ensureChromium, run } from './prepare.mjs';
import { startServer } from './serve.mjs';

checkNode();
const chromium = ensureChromium();
const server = await startServer();
const result = run(bin('tsx'), ['bench/run.ts', server.address, chromium]);
server.stop();
process.exit(result.status ?? 1);
