// What `npm run demo` and `npm test` need before anything else: packages, a build, a browser. Node's own modules only.
import { spawn, spawnSync } from 'node:child_process';
import { existsSync, readFileSync, readdirSync, statSync, writeFileSync } from 'node:fs';
import { createServer } from 'node:net';
import { dirname, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { createHash } from 'node:crypto';

export const root = dirname(dirname(fileURLToPath(import.meta.url)));
process.env.NEXT_TELEMETRY_DISABLED = '1';
process.env.YEMKO_BUILD_ONCE = '1';

/** Ends the script with one plain sentence. */
export function giveUp(sentence) {
  console.error(`\n${sentence}`);
  process.exit(1);
}

export function run(command, args, options = {}) {
  return spawnSync(command, args, { cwd: root, stdio: 'inherit', ...options });
}

export const bin = (name) => join(root, 'node_modules', '.bin', name);

export function checkNode() {
  const [major, minor] = process.versions.node.split('.').map(Number);
  if (major < 20 || (major === 20 && minor < 9)) {
    giveUp(`Yemko needs Node 20.9 or newer; this is Node ${process.versions.node}.`);
  }
}

/**
 * Installs the packages of the lock file where they are missing or belong to another lock file.
 * @param tools with what only lint, mutants and verify need (tools/package.json): a fifth of all
 */
export function ensurePackages(tools = false) {
  const lock = createHash('sha256')
    .update(readFileSync(join(root, 'package-lock.json')))
    .digest('hex');
  const mark = join(root, 'node_modules', '.yemko-lock');
  const whole = `${lock} with tools`;
  const there = existsSync(mark) ? readFileSync(mark, 'utf8') : '';
  if (there === whole || (there === lock && !tools)) return;
  console.log('Installing packages …');
  const options = ['--no-save', '--no-audit', '--no-fund', '--loglevel=error'];
  // Not "npm ci": it refuses a lock file that leaves out another system's optional binaries, as this one does.
  const installed = run('npm', ['install', ...options, ...(tools ? [] : ['--workspaces=false'])], {
    shell: process.platform === 'win32',
  });
  if (installed.status !== 0) {
    giveUp(
      'The packages could not be installed (npm says why above). It needs npm and its registry within reach.',
    );
  }
  writeFileSync(mark, tools ? whole : lock);
}

/** The newest change below a path, in milliseconds. */
function newest(path) {
  const stat = statSync(path);
  if (!stat.isDirectory()) return stat.mtimeMs;
  return Math.max(stat.mtimeMs, ...readdirSync(path).map((name) => newest(join(path, name))));
}

/** Writes the rules of the controls, which the build takes in. */
export function ensureStyles() {
  if (run(bin('tsx'), ['scripts/antdCss.ts']).status !== 0) {
    giveUp('The styles of the controls could not be written (see above).');
  }
}

/** Builds for production where there is no build of the present sources. */
export function ensureBuild() {
  const sources = ['src', 'next.config.ts', 'security.mjs', 'package-lock.json', 'tsconfig.json'].map(
    (name) => join(root, name),
  );
  const buildId = join(root, '.next', 'BUILD_ID');
  if (existsSync(buildId) && statSync(buildId).mtimeMs > Math.max(...sources.map(newest))) return;
  console.log('Building …');
  ensureStyles();
  const built = run(process.execPath, [join(root, 'node_modules/next/dist/bin/next'), 'build']);
  if (built.status !== 0) giveUp('The production build failed (see above).');
}

/** Debian's Chromium for no screen, which needs less than the whole one; that; and what others call it. */
const browsers = ['/usr/bin/chromium-headless-shell', '/usr/bin/chromium', '/usr/bin/chromium-browser'];
/** As people have it, letters drawn as they are there: for pictures and for what takes how long. */
export const wholeFirst = [...browsers.slice(1), ...browsers.slice(0, 1)];

/** Whether Debian's own packages may be installed. */
const mayInstall = () => process.getuid?.() === 0 && existsSync('/usr/bin/apt-get');
const unasked = { ...process.env, DEBIAN_FRONTEND: 'noninteractive' };

const browserIn = (inOrder) => [process.env.CHROMIUM, ...inOrder].find((path) => path && existsSync(path));
const NO_BROWSER =
  'The end-to-end tests need Chromium and it could not be installed: run "apt-get install chromium" as root, or set CHROMIUM to its path.';

/** Begins to install the browser for the tests beside other work, where there is none: done when that has ended, well or not. */
export function chromiumOnTheWay() {
  if (browserIn(browsers)) return Promise.resolve();
  if (!mayInstall()) giveUp(NO_BROWSER);
  const commands = `apt-get update -qq; apt-get install -y -qq --no-install-recommends chromium-headless-shell`;
  const installing = spawn('sh', ['-c', commands], { stdio: 'ignore', env: unasked });
  return new Promise((resolve) => {
    installing.on('close', resolve);
    installing.on('error', resolve);
  });
}

/** The browser for the tests: Debian's headless Chromium, or the one that CHROMIUM names. Installs it where it may. */
export function ensureChromium(inOrder = browsers) {
  const found = () => browserIn(inOrder);
  if (found()) return found();
  if (mayInstall()) {
    console.log('Installing Chromium …');
    run('apt-get', ['update', '-qq'], { stdio: 'ignore' });
    for (const name of ['chromium-headless-shell', 'chromium']) {
      if (found()) break;
      run('apt-get', ['install', '-y', '-qq', '--no-install-recommends', name], {
        stdio: ['ignore', 'ignore', name === 'chromium' ? 'inherit' : 'ignore'],
        env: unasked,
      });
    }
  }
  if (!found()) giveUp(NO_BROWSER);
  return found();
}

/** The first free port from a number upwards. */
export async function freePort(from) {
  for (let port = from; port < from + 100; port++) {
    const free = await new Promise((resolve) => {
      const server = createServer();
      server.once('error', () => resolve(false));
      server.listen(port, () => server.close(() => resolve(true)));
    });
    if (free) return port;
  }
  return giveUp(`No free port between ${from} and ${from + 99}.`);
}
