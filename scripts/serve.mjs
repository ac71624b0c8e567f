// Starts the production server for a script that needs one for a while.
import { spawn } from 'node:child_process';
import { join } from 'node:path';
import { ensureBuild, ensurePackages, freePort, giveUp, root } from './prepare.mjs';

/** A running server: its address, and how to stop it. */
export async function startServer() {
  ensurePackages();
  ensureBuild();
  const port = await freePort(3300);
  const server = spawn(process.execPath, [join(root, 'scripts/server.mjs'), '-p', String(port)], {
    cwd: root,
    stdio: 'ignore',
  });
  const address = `http://localhost:${port}`;
  for (let attempt = 0; attempt < 120; attempt++) {
    if ((await fetch(address).catch(() => null))?.ok) return { address, stop: () => server.kill('SIGTERM') };
    await new Promise((resolve) => setTimeout(resolve, 500));
  }
  server.kill('SIGTERM');
  return giveUp('The server did not start.');
}
