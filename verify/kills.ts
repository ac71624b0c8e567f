import { spawn, type ChildProcess } from 'node:child_process';
import { appendFileSync, mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { chromium, type Browser, type Page } from '@playwright/test';

/**
 * Kills a real browser in the middle of edits, backups and restores, and looks at what is stored then: no edit older than
 * half a second may be lost, nothing may be damaged.
 */
const [address = '', executable = '', countText = '100', figures = ''] = process.argv.slice(2);
const count = Number(countText);
const profile = mkdtempSync(join(tmpdir(), 'yemko-kills-'));
/** An edit this long before the kill must be there after it. */
const OLD_MILLISECONDS = 500;

async function launch(): Promise<{ process: ChildProcess; browser: Browser; page: Page }> {
  const port = 9400 + Math.floor(Math.random() * 500);
  const child = spawn(
    executable,
    [
      '--headless=new',
      '--no-sandbox',
      '--disable-gpu',
      '--disable-quic',
      '--no-first-run',
      '--disable-background-networking',
      '--disable-component-update',
      '--disable-sync',
      `--remote-debugging-port=${port}`,
      `--user-data-dir=${profile}`,
      'about:blank',
    ],
    { stdio: 'ignore' },
  );
  for (let attempt = 0; attempt < 100; attempt++) {
    const browser = await chromium.connectOverCDP(`http://127.0.0.1:${port}`).catch(() => null);
    const page = browser?.contexts()[0]?.pages()[0];
    if (browser && page) return { process: child, browser, page };
    await new Promise((resolve) => setTimeout(resolve, 100));
  }
  throw new Error('the browser did not start');
}

const pause = (milliseconds: number) => new Promise((resolve) => setTimeout(resolve, milliseconds));

async function kill({
  process: child,
  browser,
}: {
  process: ChildProcess;
  browser: Browser;
}): Promise<number> {
  const at = Date.now();
  const ended = new Promise((resolve) => child.once('exit', resolve));
  child.kill('SIGKILL');
  await ended;
  await browser.close().catch(() => undefined);
  return at;
}

const project = `${address}/project/sample-hedgehog-hut/divide`;
const nameField = (page: Page) => page.getByRole('textbox', { name: 'Project name', exact: true });
const numberOf = (name: string) => Number(/^Edit (\d+)$/.exec(name)?.[1] ?? 0);
let [lost, damaged, number] = [0, 0, 0];
let backup = '';

for (let round = 0; round < count; round++) {
  const kind = round % 10 === 8 ? 'backup' : round % 10 === 9 ? 'restore' : 'edits';
  const opened = await launch();
  const { page } = opened;
  const edits: { number: number; at: number }[] = [];
  if (kind === 'edits') {
    await page.goto(project);
    await nameField(page).waitFor();
    const until = Date.now() + 700 + ((round * 137) % 900);
    while (Date.now() < until) {
      await nameField(page).fill(`Edit ${++number}`);
      await nameField(page).press('Enter');
      edits.push({ number, at: Date.now() });
    }
  } else {
    await page.goto(`${address}/storage`);
    const make = page.getByRole('button', { name: 'Make a backup' });
    await make.waitFor();
    if (kind === 'backup' && backup === '') {
      const [download] = await Promise.all([page.waitForEvent('download'), make.click()]);
      backup = join(profile, 'kept.zip');
      await download.saveAs(backup);
    } else if (kind === 'backup') await make.click();
    else {
      const buffer = readFileSync(backup);
      await page
        .locator('input[type=file]')
        .setInputFiles({ name: 'b.zip', mimeType: 'application/zip', buffer });
      await page.getByRole('button', { name: 'Take what is new or newer' }).click();
    }
    await pause((round * 61) % 300);
  }
  const killedAt = await kill(opened);

  const again = await launch();
  await again.page.goto(project);
  await nameField(again.page).waitFor();
  const kept = numberOf(await nameField(again.page).inputValue());
  const needed = Math.max(
    0,
    ...edits.filter(({ at }) => killedAt - at > OLD_MILLISECONDS).map((edit) => edit.number),
  );
  if (kept < needed) {
    lost += 1;
    const ages = edits.map((edit) => `${edit.number}: ${killedAt - edit.at} ms`).join(', ');
    console.log(
      `round ${round} (${kind}): edit ${needed} was lost, ${kept} is there (${ages} before the kill)`,
    );
  }
  number = Math.max(number, kept);
  await again.page.goto(address);
  await again.page.getByRole('listitem').first().waitFor();
  if ((await again.page.getByText('A damaged project').count()) > 0) damaged += 1;
  await kill(again);
  if (round % 10 === 9) console.log(`${round + 1} kills: ${lost} lost an edit, ${damaged} left damage`);
}
rmSync(profile, { recursive: true, force: true, maxRetries: 10, retryDelay: 200 });
const row = {
  promise: 'kills of a real browser in edits, backups, restores: nothing old lost',
  figure: `${count - lost - damaged} of ${count}`,
  goal: 'all',
};
if (figures) appendFileSync(figures, `${JSON.stringify(row)}\n`);
process.exit(lost + damaged === 0 ? 0 : 1);
