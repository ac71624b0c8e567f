// npm run pictures: one PNG of each main view, from the production app with the sample projects.
import { mkdirSync } from 'node:fs';
import { join } from 'node:path';
import { checkNode, ensureChromium, root, wholeFirst } from './prepare.mjs';
import { takeDetectorPictures } from './detectorPictures.mjs';
import { takePictures } from './measurePictures.mjs';
import { startServer } from './serve.mjs';
import { takeBuildPictures } from './buildPictures.mjs';
import { takeCheckPictures } from './checkPictures.mjs';
import { takePhonePicture } from './phonePicture.mjs';
import { takeTryPictures } from './tryPictures.mjs';

checkNode();
const executablePath = ensureChromium(wholeFirst);
const server = await startServer();
const { chromium } = await import('@playwright/test');
const browser = await chromium.launch({ executablePath, args: ['--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking', '--disable-component-update', '--disable-sync'] }); // prettier-ignore
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
const folder = join(root, 'docs', 'screenshots');
mkdirSync(folder, { recursive: true });
const shoot = async (name) => {
  await page.waitForTimeout(900);
  await page.screenshot({ path: join(folder, `${name}.png`) });
};
const open = async (path) => {
  await page.goto(server.address + path);
  await page.getByRole('navigation', { name: 'Signal chain' }).waitFor();
  await page.mouse.move(640, 799);
};

const home = async () => {
  await page.goto(server.address);
  await page.getByText('Platform lamps').waitFor();
};

await home();
await shoot('projects');
await open('/project/sample-larder-telltale/divide');
await page.getByRole('spinbutton', { name: 'Decade box for R1' }).focus();
await shoot('divide');
await open('/project/sample-platform-lamps/switch');
await shoot('switch');
await open('/project/sample-platform-lamps/drive');
await shoot('drive');
await takeDetectorPictures(page, { open, shoot });
await takeTryPictures(page, { open, shoot });
await takeBuildPictures(page, { open, shoot });
await takeCheckPictures(page, { open, shoot, board: join(folder, 'build-board.png') });
await takePhonePicture(page, { open, shoot });

// Last, because they change the project.
await takePictures(page, { open, shoot });

await browser.close();
server.stop();
