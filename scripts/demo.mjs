// npm run demo: installs what is missing, builds, starts the production server with the sample projects.
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { checkNode, ensureBuild, ensurePackages, freePort, giveUp, root } from './prepare.mjs';

checkNode();
ensurePackages();
ensureBuild();

const port = await freePort(Number(process.env.PORT ?? 3000));
const server = spawn(process.execPath, [join(root, 'scripts/server.mjs'), '-p', String(port)], {
  cwd: root,
  stdio: ['ignore', 'ignore', 'inherit'],
});
let stopping = false;
for (const signal of ['SIGINT', 'SIGTERM']) {
  process.on(signal, () => {
    stopping = true;
    server.kill('SIGTERM');
  });
}
server.on('exit', (code) => {
  if (stopping) {
    console.log('\nYemko has stopped.');
    process.exit(0);
  }
  giveUp(`The server ended alone (code ${code}).`);
});

const address = `http://localhost:${port}`;
for (let attempt = 0; attempt < 120 && !stopping; attempt++) {
  const answer = await fetch(address).catch(() => null);
  if (answer?.ok) {
    console.log(`\nYemko is ready: ${address}\nIt opens on the sample projects. Ctrl-C stops it.`);
    break;
  }
  await new Promise((resolve) => setTimeout(resolve, 500));
}
