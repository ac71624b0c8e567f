import { readFileSync } from 'node:fs';
import { readProjectFile, writeProjectFile } from '../src/core/project/file';
import { sampleNamed } from '../src/core/project/testSamples';
import { chain, expect, field, goTo, link, newProject, openSample, SAMPLES, test, type } from './helpers';

test(
  'where storing is refused it is said, work goes on and export still works',
  { tag: '@whole' },
  async ({ page }) => {
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
  },
);

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
  await expect(page.getByText('A damaged project')).toHaveCount(SAMPLES + 1);
  await page.getByRole('button', { name: 'Delete the damaged project' }).first().click();
  await expect(page.getByText('A damaged project')).toHaveCount(SAMPLES);
});

test('what could not be stored stays on the page wherever one goes, is exported whole, and is stored when there is room', async ({
  page,
}) => {
  await newProject(page);
  const address = page.url();
  await page.evaluate(() => {
    const put = IDBObjectStore.prototype.put;
    Object.assign(window, {
      makeRoom: () => {
        IDBObjectStore.prototype.put = put;
      },
    });
    IDBObjectStore.prototype.put = () => {
      throw new DOMException('full', 'QuotaExceededError');
    };
  });
  await type(page, 'Project name', 'Only here');
  await expect(page.getByText('The browser has no room left to store this')).toBeVisible();
  // Over to the list and back: nothing is asked, nothing is lost.
  await page.getByRole('link', { name: 'Yemko' }).click();
  await expect(page.getByText('This stands on this page only')).toBeVisible();
  const saving = page.waitForEvent('download');
  await page.getByRole('alert').getByRole('button', { name: 'Export' }).click();
  const text = readFileSync((await (await saving).path()) ?? '', 'utf8');
  const read = readProjectFile(text);
  expect(read).toMatchObject({ ok: true, project: { name: 'Only here' } });
  await page.goBack();
  await expect(field(page, 'Project name')).toHaveValue('Only here');
  // Leaving for good is asked about.
  let asked = 0;
  page.on('dialog', (dialog) => {
    asked += 1;
    void dialog.dismiss();
  });
  await page.evaluate(() => window.location.reload());
  await expect.poll(() => asked).toBe(1);
  await expect(field(page, 'Project name')).toHaveValue('Only here');
  await page.evaluate(() => (window as unknown as { makeRoom: () => void }).makeRoom());
  await expect(page.getByText('saved in this browser')).toBeVisible();
  await page.goto(address);
  await expect(field(page, 'Project name')).toHaveValue('Only here');
});

test(
  'a database that does not answer is said to, and one can go on without it',
  { tag: '@whole' },
  async ({ page }) => {
    await page.addInitScript(() => {
      // It neither opens nor fails.
      Object.defineProperty(window, 'indexedDB', {
        value: { open: () => ({}), databases: () => Promise.resolve([]), cmp: () => 0 },
      });
    });
    await page.goto('/');
    await expect(page.getByText('database does not answer')).toBeVisible();
    await page.getByRole('button', { name: 'Go on without storing' }).click();
    await expect(page.getByRole('listitem')).toHaveCount(SAMPLES);
    await expect(page.getByText('Nothing is stored: what you do is on this page only')).toBeVisible();
    await expect(page.getByText('The browser refuses')).toHaveCount(0);
  },
);

test('a newer database is left alone: nothing is called damaged, nothing is written, everything can be saved as it is', async ({
  page,
  context,
}) => {
  await newProject(page);
  await type(page, 'Project name', 'Mine');
  await expect(page.getByText('saved in this browser')).toBeVisible();
  const upgrade = (version: number) =>
    new Promise<void>((resolve, reject) => {
      const opening = indexedDB.open('yemko', version);
      opening.onerror = () => reject(opening.error);
      opening.onsuccess = () => {
        opening.result.close();
        resolve();
      };
    });
  // A newer program in another tab takes the database over while this page is open.
  const other = await context.newPage();
  await other.goto('/icon.svg');
  await other.evaluate(upgrade, 990);
  await expect(page.getByText('A newer Yemko has been in this browser')).toBeVisible();
  // What an open page cannot do any more is not offered.
  for (const name of ['Save everything as it is', 'Go on without storing'])
    await expect(page.getByRole('button', { name })).toHaveCount(0);
  await type(page, 'Project name', 'Changed since');
  await expect(page.getByText('has taken over what this browser stores')).toBeVisible();
  const saving = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Export' }).first().click();
  expect((await saving).suggestedFilename()).toBe('changed-since.yemko.json');
  // And a page that is opened then.
  await other.goto('/');
  await expect(other.getByText('A newer Yemko has been in this browser')).toBeVisible();
  await expect(other.getByText('damaged')).toHaveCount(0);
  const raw = other.waitForEvent('download');
  await other.getByRole('button', { name: 'Save everything as it is' }).click();
  const dump = readFileSync((await (await raw).path()) ?? '', 'utf8');
  expect(dump).toContain('"Mine"');
  expect(dump).not.toContain('Changed since');
});

test('a backup brings everything back: tags, logs and projects, after a look at what it would do', async ({
  page,
}) => {
  await page.goto('/');
  await page.getByRole('button', { name: 'Tags Platform lamps' }).click();
  await page.getByRole('combobox', { name: 'Tags of Platform lamps' }).fill('station');
  // What is typed counts, taken by Enter or not.
  await page.getByRole('button', { name: 'Done' }).click();
  await expect(page.getByRole('button', { name: 'Only station' })).toBeVisible();
  await page.getByRole('link', { name: 'Storage and backup' }).click();
  const making = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Make a backup' }).click();
  const backup = (await (await making).path()) ?? '';
  await expect(page.getByText(/Last backup: /)).toBeVisible();
  await page.getByRole('link', { name: '← Back to your projects' }).click();
  // Several at once, and back.
  for (const name of ['Platform lamps', 'Hedgehog hut lamp'])
    await page.getByRole('checkbox', { name: `Choose ${name}` }).check();
  await page.getByRole('button', { name: 'Delete', exact: true }).click();
  await expect(page.getByRole('listitem')).toHaveCount(SAMPLES - 2);
  await page.getByRole('link', { name: 'Storage and backup' }).click();
  await page.getByRole('button', { name: 'Delete all for good' }).click();
  await page.getByRole('tooltip').getByRole('button', { name: 'Delete all for good' }).click();
  await expect(page.getByText('Nothing lies in the bin.')).toBeVisible();
  await page.locator('input[type=file]').setInputFiles({
    name: 'backup.zip',
    mimeType: 'application/zip',
    buffer: readFileSync(backup),
  });
  await expect(page.getByText(/2 new here: “Platform lamps”, “Hedgehog hut lamp”|2 new here/)).toBeVisible();
  await page.getByRole('button', { name: 'Take what is new or newer' }).click();
  await expect(page.getByText('2 projects, 0 time logs and 0 other records restored.')).toBeVisible();
  await page.goto('/');
  await page.getByRole('searchbox', { name: 'Search projects' }).fill('station');
  await expect(page.getByRole('listitem')).toHaveCount(1);
  await expect(page.getByRole('link', { name: 'Platform lamps' })).toBeVisible();
});

test('files are dropped anywhere, several at once; a link carries a project to another browser', async ({
  page,
  browser,
  baseURL,
}) => {
  await openSample(page, 'Hedgehog hut lamp');
  const file = writeProjectFile(sampleNamed('Larder telltale'), 'now');
  await page.evaluate((content) => {
    const data = new DataTransfer();
    for (const name of ['one.json', 'two.json'])
      data.items.add(new File([content], name, { type: 'application/json' }));
    data.items.add(new File(['no project'], 'three.json', { type: 'application/json' }));
    const target = document.querySelector('main');
    for (const kind of ['dragenter', 'dragover', 'drop'])
      target?.dispatchEvent(new DragEvent(kind, { dataTransfer: data, bubbles: true, cancelable: true }));
  }, file);
  await expect(page.getByText('2 projects are imported.')).toBeVisible();
  await expect(page.getByText('three.json: This file is broken')).toBeVisible();
  await page.getByRole('button', { name: 'Share' }).click();
  const shared = await page.getByRole('textbox', { name: 'Share by a link' }).inputValue();
  const elsewhere = await browser.newContext(baseURL === undefined ? {} : { baseURL });
  const other = await elsewhere.newPage();
  await other.goto(shared);
  await expect(other.getByRole('heading', { name: 'Hedgehog hut lamp' })).toBeVisible();
  await other.getByRole('button', { name: 'Keep it in this browser' }).click();
  await expect(field(other, 'Project name')).toHaveValue('Hedgehog hut lamp 2');
  await other.goto('/share#cut-on-its-way');
  await expect(other.getByText('This link holds no project that can be read')).toBeVisible();
  await elsewhere.close();
});

test('a database that another tab holds is waited for, and opened by itself when that tab is closed', async ({
  page,
  context,
}) => {
  // An older program that does not let go.
  const older = await context.newPage();
  await older.goto('/icon.svg');
  await older.evaluate(
    () =>
      new Promise<void>((resolve, reject) => {
        const opening = indexedDB.open('yemko', 10);
        opening.onupgradeneeded = () => {
          opening.result
            .createObjectStore('projects', { keyPath: 'id' })
            .createIndex('changedAt', 'changedAt');
          opening.result.createObjectStore('history', { keyPath: ['projectId', 'seq'] });
          opening.result.createObjectStore('settings', { keyPath: 'key' });
        };
        opening.onerror = () => reject(opening.error);
        opening.onsuccess = () => {
          Object.assign(window, { held: opening.result });
          resolve();
        };
      }),
  );
  await page.goto('/');
  await expect(page.getByText('Another tab holds an older version of the database')).toBeVisible();
  await older.close();
  await expect(page.getByRole('listitem')).toHaveCount(SAMPLES);
  await expect(page.getByText('Another tab holds')).toHaveCount(0);
});

test('projects that cannot be read are said to be, not shown as an empty list, and are read when asked again', async ({
  page,
}) => {
  await page.addInitScript(() => {
    const read = IDBObjectStore.prototype.getAll;
    Object.assign(window, { mend: () => (IDBObjectStore.prototype.getAll = read) });
    IDBObjectStore.prototype.getAll = () => {
      throw new DOMException('broken', 'UnknownError');
    };
  });
  await page.goto('/');
  await expect(page.getByText('The projects could not be read')).toBeVisible();
  await expect(page.getByText('Nothing here yet')).toBeHidden();
  await page.evaluate(() => (window as unknown as { mend: () => void }).mend());
  await page.getByRole('button', { name: 'Try again' }).click();
  await expect(page.getByRole('listitem')).toHaveCount(SAMPLES);
  await expect(page.getByText('The projects could not be read')).toBeHidden();
});
