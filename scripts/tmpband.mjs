import { ensureChromium } from './prepare.mjs';
import { startServer } from './serve.mjs';
const executablePath = ensureChromium();
const server = await startServer();
const { chromium } = await import('@playwright/test');
const browser = await chromium.launch({ executablePath, args: ['--no-sandbox', '--disable-gpu'] });
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
await page.goto(server.address); await page.getByText('Platform lamps').waitFor();
for (const [id, name] of [['moss-terrarium','win'],['drying-rack','lad']]) {
  await page.goto(`${server.address}/project/sample-${id}/switch`);
  await page.getByRole('navigation', { name: 'Signal chain' }).waitFor();
  const later = page.getByRole('button', { name: /later|skip|close/i });
  await page.waitForTimeout(800);
  const f = page.getByLabel('Band at each edge');
  await f.fill('1.3'); await f.press('Enter');
  await page.waitForTimeout(1200);
  await page.screenshot({ path: `/tmp/w/band_${name}.png`, fullPage: true });
}
await browser.close(); await server.stop?.(); process.exit(0);
