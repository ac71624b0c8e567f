import { chain, expect, field, goTo, link, newProject, openSample, test, type } from './helpers';

test('where storing is refused it is said, work goes on and export still works', async ({ page }) => {
  await page.addInitScript(() => {
    Object.defineProperty(window, 'indexedDB', {
      value: {
        open: () => {
          throw new DOMException('refused', 'SecurityError');
        },
      },
    });
  });
  await openSample(page, 'Platform lamps', 2);
  await expect(page.getByText('The browser refuses to store anything')).toBeVisible();
  await type(page, 'R1 in use', '8k2');
  await expect(link(page, 2)).toContainText('8.2');
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(link(page, 2)).toContainText('6.8');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Export' }).click();
  expect((await download).suggestedFilename()).toBe('platform-lamps.yemko.json');
});

test('where there is no room it is said, and nothing typed is lost', async ({ page }) => {
  await newProject(page);
  await page.evaluate(() => {
    IDBObjectStore.prototype.put = () => {
      throw new DOMException('full', 'QuotaExceededError');
    };
  });
  await goTo(page, 2);
  await type(page, 'R1 in use', '8k2');
  await expect(page.getByText('The browser has no room left to store this')).toBeVisible();
  await expect(link(page, 2)).toContainText('8.2');
  const download = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Export' }).click();
  await download;
});

test('a closed tab loses nothing', async ({ page, context }) => {
  await newProject(page);
  await type(page, 'Project name', 'Kept');
  await expect(page.getByText('saved in this browser')).toBeVisible();
  const address = page.url();
  await page.close();
  const again = await context.newPage();
  await again.goto(address);
  await expect(chain(again)).toBeVisible();
  await expect(field(again, 'Project name')).toHaveValue('Kept');
});

test('a stored project that something has damaged is said to be, and left as it is', async ({ page }) => {
  await newProject(page);
  await expect(page.getByText('saved in this browser')).toBeVisible();
  await page.evaluate(
    () =>
      new Promise<void>((resolve, reject) => {
        const opening = indexedDB.open('yemko');
        opening.onerror = () => reject(opening.error);
        opening.onsuccess = () => {
          const store = opening.result.transaction('projects', 'readwrite').objectStore('projects');
          const reading = store.openCursor();
          reading.onsuccess = () => {
            const cursor = reading.result;
            if (!cursor) return resolve();
            cursor.update({ ...cursor.value, project: { ...cursor.value.project, goal: { lux: 'dim' } } });
            cursor.continue();
          };
        };
      }),
  );
  await page.reload();
  await expect(page.getByRole('heading', { name: 'This project is damaged' })).toBeVisible();
  await expect(page.getByText('at “goal')).toBeVisible();
  await page.getByRole('link', { name: 'Back to your projects' }).click();
  await expect(page.getByText('A damaged project')).toHaveCount(9);
  await page.getByRole('button', { name: 'Delete the damaged project' }).first().click();
  await expect(page.getByText('A damaged project')).toHaveCount(8);
});
