import { readFileSync, appendFileSync } from 'node:fs';
import { createRequire } from 'node:module';
import { test } from '@playwright/test';
import { views } from './views';
const axeSource = readFileSync(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');
test.setTimeout(60000);
for (const view of views) test(view.name, async ({ page }) => {
  const out = (s: string) => appendFileSync('/tmp/w/survey.txt', `${view.name}: ${s}\n`);
  try { await view.open(page); } catch (e) { out('OPEN FAILED ' + String(e).slice(0, 300)); return; }
  for (const look of ['day', 'dark']) {
    if (look === 'dark') { await page.keyboard.press('Escape'); await page.waitForTimeout(200); await page.evaluate(() => (document.activeElement as HTMLElement)?.blur()); await page.keyboard.press('n'); }
    await page.waitForTimeout(500);
    await page.evaluate(axeSource);
    const r = await page.evaluate<any>('axe.run(document)');
    for (const v of r.violations) out(`${look} ${v.id} ${v.impact} ×${v.nodes.length}: ${v.nodes[0].html.slice(0, 200)} | ${v.nodes[0].failureSummary.slice(0, 200).replace(/\n/g, ' ')}`);
  }
  for (const width of [1280, 768, 390, 320]) {
    await page.setViewportSize({ width, height: 844 });
    await page.waitForTimeout(250);
    const w = await page.evaluate(() => {
      const room = document.documentElement.clientWidth;
      if (document.documentElement.scrollWidth <= room) return null;
      const bad = [...document.querySelectorAll('body *')].filter((e) => e.getBoundingClientRect().right > room + 1).map((e) => e.tagName + '.' + String(e.className).slice(0, 60)).slice(0, 4);
      return `${document.documentElement.scrollWidth} > ${room} ${bad.join(' / ')}`;
    });
    if (w) out(`${width} ${w}`);
  }
});
