import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Page } from 'playwright-core';
import { DATABASE } from '@/store/database';
import { ownFolder, site, withSample } from './browser';
import { answer, type } from './hands';

let page: Page;
const yard = site(async () => {
  page = await yard.page();
  await withSample(page, base());
});
const { base } = yard;
const NOSING = '/job/sample-ramp/sample-nosing';
const RUN = '/job/sample-winch/sample-plate/run';
const folder = ownFolder();

/** Lets the database refuse to write, until it is mended. */
const breakWriting = (p: Page) =>
  p.evaluate(() => {
    const w = window as unknown as { put?: typeof IDBObjectStore.prototype.put };
    w.put = IDBObjectStore.prototype.put;
    IDBObjectStore.prototype.put = () => {
      throw new DOMException('full', 'QuotaExceededError');
    };
  });
const mendWriting = (p: Page) =>
  p.evaluate(() => {
    IDBObjectStore.prototype.put = (window as unknown as { put: typeof IDBObjectStore.prototype.put }).put;
  });
const putRaw = (p: Page, table: string, value: object) =>
  p.evaluate(
    ([t, v]) =>
      new Promise<void>((resolve, reject) => {
        const open = indexedDB.open('grenko');
        open.onsuccess = () => {
          const tx = open.result.transaction(t as string, 'readwrite');
          tx.objectStore(t as string).put(v);
          tx.oncomplete = () => {
            open.result.close();
            resolve();
          };
          tx.onerror = () => reject(tx.error);
        };
      }),
    [table, value] as const,
  );

test('a failed write keeps the dialog and its text, says why, and is written when there is room', async () => {
  await page.goto(base() + RUN);
  await page.getByRole('button', { name: 'Note', exact: true }).click();
  await page.getByLabel('What should be remembered').fill('seam looked dry');
  await breakWriting(page);
  await page.getByRole('button', { name: 'Into the record' }).click();
  await page
    .getByRole('alert')
    .getByText(/disk is full/)
    .waitFor();
  await page.getByText('1 not saved yet').waitFor();
  expect(await page.getByLabel('What should be remembered').inputValue()).toBe('seam looked dry');
  await mendWriting(page);
  await page.getByRole('dialog', { name: 'Note' }).waitFor({ state: 'detached' });
  await page.getByText(/disk is full/).waitFor({ state: 'detached' });
  await page.goto(`${base()}/job/sample-winch/log`);
  await page.getByText('Note: seam looked dry').waitFor();
  expect(await page.getByText('Note: seam looked dry').count()).toBe(1);
});

test('a step counts as done when it is on disk, not before', async () => {
  await page.goto(base() + RUN);
  await page.getByTestId('step').waitFor();
  await breakWriting(page);
  await page.getByTestId('go').click();
  await page.getByText('1 not saved yet').waitFor();
  expect(await page.getByTestId('step').textContent()).toBe('Spread, both faces');
  await mendWriting(page);
  await page.getByRole('heading', { name: /Close the joint/ }).waitFor();
});

test('what is being typed comes back as it was typed, marked where it cannot be read', async () => {
  await page.goto(`${base()}${NOSING}/measure`);
  await page.getByLabel('Length', { exact: true }).fill('inch nine');
  await page.getByLabel('Width', { exact: true }).fill('21');
  await page.reload();
  const length = page.getByLabel('Length', { exact: true });
  await length.waitFor();
  expect(await length.inputValue()).toBe('inch nine');
  await page.getByText(/“?inch nine”? is not understood/).waitFor();
  expect(await page.getByLabel('Width', { exact: true }).inputValue()).toBe('21');
  await page.getByText('As you left it, not taken in yet').waitFor();
  const before = await answer(page);
  await page.getByLabel('Width', { exact: true }).press('Enter');
  await page.waitForFunction((b) => document.querySelector('[data-testid=answer]')?.textContent !== b, before);
  // Taken in or let go, it does not come back again.
  await length.focus();
  await length.press('Escape');
  await page.reload();
  await length.waitFor();
  expect(await length.inputValue()).not.toBe('inch nine');
});

test('a sheet half typed and a note half written are there after the page was left', async () => {
  await page.goto(`${base()}/shelf/new`);
  await page.getByLabel('Name', { exact: true }).fill('Half a sheet');
  await page.goto(base() + RUN);
  await page.getByRole('button', { name: 'Note', exact: true }).click();
  await page.getByLabel('What should be remembered').fill('half a thought');
  await page.goto(`${base()}/shelf/new`);
  await page.getByText('As you left it, not on the shelf yet.').waitFor();
  expect(await page.getByLabel('Name', { exact: true }).inputValue()).toBe('Half a sheet');
  await page.getByRole('button', { name: 'Begin anew' }).click();
  expect(await page.getByLabel('Name', { exact: true }).inputValue()).toBe('');
  await page.goto(base() + RUN);
  await page.getByRole('button', { name: 'Note', exact: true }).click();
  expect(await page.getByLabel('What should be remembered').inputValue()).toBe('half a thought');
});

/** Waits until a table of the database holds a record that says something. */
const onDisk = (of: Page, table: string, what: string) =>
  of.waitForFunction(
    ([name, store, text]) =>
      new Promise<boolean>((resolve, reject) => {
        const open = indexedDB.open(name!);
        open.onerror = () => reject(open.error);
        open.onsuccess = () => {
          const all = open.result.transaction(store!).objectStore(store!).getAll();
          all.onsuccess = () => {
            open.result.close();
            resolve(JSON.stringify(all.result).includes(text!));
          };
        };
      }),
    [DATABASE, table, what] as const,
    { polling: 100 },
  );

test('two tabs: different fields both stand, one field is asked about, a step ticked in both is one entry', async () => {
  const other = await page.context().newPage();
  for (const p of [page, other]) {
    await p.goto(`${base()}/job/sample-ramp`);
    await p.getByLabel('Where', { exact: true }).waitFor();
  }
  // Both write before either has heard of the other.
  await Promise.all([type(page, 'Where', 'North ramp'), type(other, 'Name of the job', 'Ramp, spring')]);
  for (const p of [page, other]) {
    await p.waitForFunction(() => [...document.querySelectorAll('input')].some((i) => i.value === 'North ramp'));
    await p.waitForFunction(() => [...document.querySelectorAll('input')].some((i) => i.value === 'Ramp, spring'));
  }
  // One tab is held while the other writes: what it read is then no longer what stands.
  await other.evaluate(() => {
    BroadcastChannel.prototype.postMessage = () => undefined;
  });
  await type(other, 'Where', 'East ramp');
  // Who writes second is asked: on a slow machine the first may not be on the disk yet.
  await onDisk(other, 'job', 'East ramp');
  await type(page, 'Where', 'West ramp');
  const question = page.getByRole('region', { name: 'Two that differ' });
  await question.getByText('was changed in two tabs at once').waitFor();
  expect(await question.getByText('“East ramp”').count()).toBe(1);
  expect(await question.getByText('“West ramp”').count()).toBe(1);
  await question.getByRole('button', { name: 'Take this tab’s' }).click();
  await question.waitFor({ state: 'detached' });
  expect(await page.getByLabel('Where', { exact: true }).inputValue()).toBe('West ramp');
  const twin = await page.context().newPage();
  await Promise.all([page.goto(base() + RUN), twin.goto(base() + RUN)]);
  await Promise.all([page.getByTestId('step').waitFor(), twin.getByTestId('step').waitFor()]);
  // The second has not heard of the first when it is pressed.
  await page.evaluate(() => {
    BroadcastChannel.prototype.postMessage = () => undefined;
  });
  await page.getByTestId('go').click();
  await page.getByRole('heading', { name: /Close the joint/ }).waitFor();
  expect(await twin.getByTestId('step').textContent()).toBe('Spread, both faces');
  await twin.getByTestId('go').click();
  for (const p of [page, twin]) await p.getByRole('heading', { name: /Close the joint/ }).waitFor();
  await page.goto(`${base()}/job/sample-winch/log`);
  await page.getByText('Done: Spread, both faces').waitFor();
  expect(await page.getByText('Done: Spread, both faces').count()).toBe(1);
});

test('undo in one tab leaves the job of another tab alone, and says what it did not take back', async () => {
  const other = await page.context().newPage();
  await other.goto(base());
  await other.getByRole('button', { name: 'New job' }).click();
  await other.waitForURL(/\/job\//);
  await type(other, 'Name of the job', 'Theirs');
  await page.goto(base());
  await page.getByRole('heading', { name: 'Theirs' }).waitFor();
  for (let i = 0; i < 4; i++) await page.keyboard.press('Control+z');
  expect(await page.getByRole('heading', { name: 'Theirs' }).count()).toBe(1);
  // A job whose work has begun stays, however often it is undone.
  await page.getByRole('heading', { name: 'Winch house' }).waitFor();
});

test('placed before it was mixed? It is asked at once', async () => {
  await page.goto(base() + RUN);
  await page.getByTestId('step').waitFor();
  // The clock is put back by an hour after the page was opened, as a person does in the settings of the device.
  await page.evaluate(() => {
    const now = Date.now;
    Date.now = () => now() - 3_600_000;
  });
  await page.getByText(/clock of this device was set back by (1 h|60 min)/).waitFor();
  await page.getByRole('button', { name: 'Its time was right all along' }).click();
  await page.getByTestId('go').click();
  const asked = page.getByRole('dialog', { name: 'Which came first?' });
  await asked.getByText(/One of them is wrong/).waitFor();
  await asked.getByRole('button', { name: 'right after that one' }).click();
  await page.getByRole('heading', { name: /Close the joint/ }).waitFor();
});

test('a clock set on while work runs lets nothing go early', async () => {
  await page.goto(base() + RUN);
  await page.getByTestId('clock').waitFor();
  const seconds = async () =>
    ((await page.getByTestId('clock').textContent()) ?? '')
      .split(':')
      .map(Number)
      .reduce((s, v) => s * 60 + v, 0);
  const before = await seconds();
  await page.evaluate(() => {
    const now = Date.now;
    Date.now = () => now() + 2 * 3_600_000;
  });
  await page.getByText(/jumped on by 2 h/).waitFor();
  // Whether two hours passed nobody knows yet: the pot counts as dead, while every wait goes on by the time that really
  // passed.
  await page.getByText('over the pot’s time by').waitFor();
  // It was live by `before` seconds, two hours ago by the device's clock: over by the difference, give or take what the
  // prepared pots take off it meanwhile.
  const over = ((await page.getByTestId('clock').textContent()) ?? '')
    .replace(/^[−-]/, '')
    .split(':')
    .map(Number)
    .reduce((sum, v) => sum * 60 + v, 0);
  expect(Math.abs(over - (7200 - before))).toBeLessThan(600);
  await page.getByTestId('go').click();
  await page.getByRole('heading', { name: /Close the joint/ }).waitFor();
  await page.goto(`${base()}/job/sample-winch/log`);
  await page.getByText(/clock was in doubt by 2 h/).waitFor();
});

test('a job is deleted by its name, its record exported first or deliberately not', async () => {
  await page.goto(`${base()}/job/sample-winch`);
  await page.getByRole('button', { name: 'Delete this job…' }).click();
  const dialog = page.getByRole('dialog', { name: 'Delete this job' });
  const end = dialog.getByRole('button', { name: 'Delete it for good' });
  await dialog.getByLabel(/Type its name/).fill('Winch house');
  expect(await end.isDisabled()).toBe(true);
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    dialog.getByRole('button', { name: 'Export it as a file' }).click(),
  ]);
  const path = join(folder, 'winch.json');
  await download.saveAs(path);
  await dialog.getByLabel(/Type its name/).fill('winch');
  expect(await end.isDisabled()).toBe(true);
  await dialog.getByLabel(/Type its name/).fill('Winch house');
  await end.click();
  await page.waitForURL(`${base()}/`);
  await page.getByRole('heading', { name: 'Winch house' }).waitFor({ state: 'detached' });
  await page.reload();
  await page.getByRole('heading', { name: 'Slip ramp before the season' }).waitFor();
  expect(await page.getByRole('heading', { name: 'Winch house' }).count()).toBe(0);
  // The file brings all of it back.
  await page.getByLabel('Job file').setInputFiles(path);
  await page.waitForURL(/sample-winch/);
  await page.goto(`${base()}/job/sample-winch/log`);
  await page.getByText('Work begun').first().waitFor();
});

test('records without their job are found, exported and only then deleted', async () => {
  await putRaw(page, 'repair', JSON.parse(await page.evaluate(() => JSON.stringify({ id: 'lone' }))));
  await page.evaluate(
    () =>
      new Promise<void>((resolve) => {
        const open = indexedDB.open('grenko');
        open.onsuccess = () => {
          const store = open.result.transaction('repair', 'readwrite').objectStore('repair');
          store.delete('lone');
          const get = store.get('sample-nosing');
          get.onsuccess = () => {
            store.put({ ...get.result, id: 'lone', jobId: 'gone' });
            store.transaction.oncomplete = () => {
              open.result.close();
              resolve();
            };
          };
        };
      }),
  );
  await page.goto(`${base()}/settings`);
  await page.getByText(/1 record belong/).waitFor();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Export them', exact: true }).click(),
  ]);
  const path = join(folder, 'lone.json');
  await download.saveAs(path);
  expect(JSON.parse(readFileSync(path, 'utf8'))).toMatchObject([{ id: 'lone' }]);
  await page.getByRole('button', { name: 'Delete them for good' }).click();
  await page.getByText('Without their job').waitFor({ state: 'detached' });
});

test('everything goes out as one file and comes back in an empty browser', async () => {
  await page.goto(`${base()}/settings`);
  await page.getByText('No backup has been made from here yet.').waitFor();
  const [download] = await Promise.all([
    page.waitForEvent('download'),
    page.getByRole('button', { name: 'Back up everything' }).click(),
  ]);
  expect(download.suggestedFilename()).toMatch(/^grenko-\d{4}-\d\d-\d\d-\d\d-\d\d\.zip$/);
  await page.getByText(/Last backup/).waitFor();
  const path = join(folder, 'all.zip');
  await download.saveAs(path);
  await page.goto(`${base()}/job/sample-winch/sample-plate/mix`);
  const mix = await answer(page);
  const elsewhere = await yard.context();
  const there = await elsewhere.newPage();
  await there.goto(`${base()}/settings`);
  await there.getByLabel('Backup file').setInputFiles(path);
  await there.getByText(/4 jobs read/).waitFor();
  await there.goto(`${base()}/job/sample-winch/sample-plate/mix`);
  expect(await answer(there)).toBe(mix);
  const bad = join(folder, 'bad.zip');
  writeFileSync(bad, readFileSync(path).subarray(0, 500));
  await there.goto(`${base()}/settings`);
  await there.getByLabel('Backup file').setInputFiles(bad);
  await there
    .getByRole('alert')
    .getByText(/not a whole zip/)
    .waitFor();
});

test('a job that cannot be planned is one card; the yard opens, it can be set aside and taken back', async () => {
  // What no test can foresee: something in planning this one job throws.
  await page.addInitScript(() => {
    const { filter } = Array.prototype;
    Array.prototype.filter = function (
      this: { record?: string; jobId?: string }[],
      ...rest: Parameters<typeof filter>
    ) {
      const out = filter.apply(this, rest) as { record?: string; jobId?: string }[];
      const ramps =
        out.length > 0 &&
        this.length > out.length &&
        out.every((r) => r?.record === 'repair' && r.jobId === 'sample-ramp');
      if (ramps && !sessionStorage.getItem('sound')) throw new Error('made up for the test');
      return out;
    } as typeof filter;
  });
  await page.goto(base());
  const card = page.locator('[data-mishap=sample-ramp]');
  await card.getByText('made up for the test').waitFor();
  await page.getByRole('heading', { name: 'Winch house' }).waitFor();
  await card.getByRole('button', { name: 'Set it aside' }).click();
  await card.waitFor({ state: 'detached' });
  await page.evaluate(() => sessionStorage.setItem('sound', 'yes'));
  await page.goto(`${base()}/settings`);
  await page.getByText(/job sample-ramp: it could not be shown/).waitFor();
  await page.getByRole('button', { name: 'Take it back' }).click();
  await page.getByText('Every stored record fits.').waitFor();
});

test.each([
  ['of a newer product', 'newer', /written by a newer Grenko/],
  ['cleared while the page is open', 'cleared', /was cleared while the page was open/],
])('a database %s is a sentence with a way on', async (_, which, says) => {
  if (which === 'newer') {
    await page.goto('about:blank');
    await page.goto(`${base()}/manifest.webmanifest`);
    await page.evaluate(
      () =>
        new Promise<void>((resolve) => {
          const open = indexedDB.open('grenko', 900);
          open.onupgradeneeded = () => open.result.deleteObjectStore('note');
          open.onsuccess = () => {
            open.result.close();
            resolve();
          };
        }),
    );
    await page.goto(base());
    await page.getByRole('alert').getByText(says).waitFor();
    const [download] = await Promise.all([
      page.waitForEvent('download'),
      page.getByRole('button', { name: 'Take it out as a file' }).click(),
    ]);
    expect(download.suggestedFilename()).toBe('grenko-database.json');
    await page.getByRole('button', { name: 'Begin beside it' }).click();
    await page.getByRole('heading', { name: 'Nothing planned yet' }).waitFor();
    await page.getByRole('alert').getByText(says).waitFor({ state: 'detached' });
  } else {
    // As its owner clears it, with all that this site keeps. The browser breaks off what is being read then, which is
    // no fault of the page.
    const cleared = await (await yard.context()).newPage();
    await withSample(cleared, base());
    await cleared.goto(base());
    await cleared.getByRole('heading', { name: 'Winch house' }).waitFor();
    const tools = await cleared.context().newCDPSession(cleared);
    await tools.send('Storage.clearDataForOrigin', {
      origin: base(),
      storageTypes: 'indexeddb,local_storage,file_systems',
    });
    await cleared.getByRole('alert').getByText(says).waitFor();
    await cleared.getByRole('button', { name: 'Put it back' }).click();
    await cleared.getByRole('alert').getByText(says).waitFor({ state: 'detached' });
    await cleared.reload();
    await cleared.getByRole('heading', { name: 'Winch house' }).waitFor();
  }
});

test('an older tab that holds the database is named, and the page goes on when it lets go', async () => {
  const clean = await yard.context();
  const old = await clean.newPage();
  await old.goto(`${base()}/manifest.webmanifest`);
  await old.evaluate(
    () =>
      new Promise<void>((resolve) => {
        const open = indexedDB.open('grenko', 1);
        open.onupgradeneeded = () => {
          for (const kind of ['job', 'repair', 'sheet', 'stock', 'snapshot', 'event', 'series', 'attachment'])
            open.result.createObjectStore(kind, { keyPath: 'id' });
        };
        open.onsuccess = () => {
          (window as unknown as { held: IDBDatabase }).held = open.result;
          resolve();
        };
      }),
  );
  const next = await clean.newPage();
  await next.goto(base());
  await next
    .getByRole('alert')
    .getByText(/older Grenko holds the database/)
    .waitFor();
  await old.evaluate(() => (window as unknown as { held: IDBDatabase }).held.close());
  await next.getByRole('heading', { name: 'Nothing planned yet' }).waitFor();
  expect(await next.getByText(/older Grenko holds the database/).count()).toBe(0);
});

test('preferences that make no sense are as if never set', async () => {
  for (const kept of [
    '{',
    '7',
    '{"state":{"system":"cubits","theme":"plaid","role":7,"sound":"loud"},"version":0}',
    '{"state":null}',
  ]) {
    await page.evaluate((text) => localStorage.setItem('grenko.prefs', text), kept);
    await page.goto(`${base()}${NOSING}/measure`);
    await page.getByLabel('Length', { exact: true }).waitFor();
    expect(await page.evaluate(() => document.documentElement.dataset.theme)).toBe('day');
  }
});

describe('a database that the browser lost', () => {
  /** As after a kill in the middle of its own writing: the browser finds it damaged and begins it anew. */
  const lose = (copyToo: boolean) =>
    page.evaluate(async (both) => {
      await new Promise<void>((resolve, reject) => {
        const gone = indexedDB.deleteDatabase('grenko');
        gone.onsuccess = () => resolve();
        gone.onerror = () => reject(gone.error);
      });
      // A file that the page left was writing is let go a moment later.
      for (let tries = 0; both; tries++)
        try {
          return await (await navigator.storage.getDirectory()).removeEntry('grenko', { recursive: true });
        } catch (fault) {
          if (tries > 100 || (fault as DOMException).name !== 'NoModificationAllowedError') throw fault;
          await new Promise((resolve) => setTimeout(resolve, 50));
        }
    }, copyToo);
  const told = () => page.getByRole('alert').filter({ hasText: 'The browser lost its database.' });

  test('is filled again from the second copy, with what was done a moment before', async () => {
    await page.goto(`${base()}${NOSING}/measure`);
    await type(page, 'Length', '251 mm');
    await page.locator('desc', { hasText: 'length 251 mm' }).first().waitFor({ state: 'attached' });
    await page.goto(`${base()}/job/sample-winch/sample-plate/run`);
    await page.getByRole('button', { name: 'Note', exact: true }).click();
    await page.getByRole('dialog').locator('textarea').fill('Kept in two places');
    await page.getByRole('button', { name: 'Into the record' }).click();
    await page.getByRole('dialog').locator('textarea').waitFor({ state: 'detached' });
    await page.goto(`${base()}/manifest.webmanifest`);
    await lose(false);
    await page.goto(`${base()}/job/sample-winch/log`);
    await told()
      .getByText(/second copy gave back \d+ records/)
      .waitFor();
    await page.getByText('Kept in two places').first().waitFor();
    await page.goto(`${base()}${NOSING}/measure`);
    await expect(page.getByLabel('Length', { exact: true }).inputValue()).resolves.toBe('251 mm');
    // From then on it is a database like any other, kept twice again.
    await page.goto(`${base()}/manifest.webmanifest`);
    await lose(false);
    await page.goto(`${base()}${NOSING}/measure`);
    await told().waitFor();
    expect(await page.getByLabel('Length', { exact: true }).inputValue()).toBe('251 mm');
  });

  test('and its second copy with it is said to be lost, with the way to the backups', async () => {
    // In a profile of its own: no page of a test before it holds the copy open.
    page = await (await yard.context()).newPage();
    await withSample(page, base());
    // What was written once leaves a mark beside the database.
    await page.goto(base());
    await page.getByRole('button', { name: 'New job' }).click();
    await page.waitForURL(/\/job\//);
    // One that left it unsaved would be filled again from what is journalled, and nothing was lost.
    await page.waitForFunction(() => localStorage.getItem('grenko.kept') !== null);
    await page.goto(`${base()}/manifest.webmanifest`);
    await lose(true);
    await page.goto(base());
    await told().getByRole('link', { name: 'To the backups' }).waitFor();
    await told().getByRole('button', { name: 'I know' }).click();
    await told().waitFor({ state: 'detached' });
    await page.reload();
    await page.getByRole('heading', { name: 'Nothing planned yet' }).waitFor();
    expect(await told().count()).toBe(0);
  });

  test('what was removed does not come back with it', async () => {
    await page.goto(base());
    await page.getByRole('button', { name: /Remove the sample/ }).click();
    await page.waitForFunction(
      () =>
        new Promise((resolve) => {
          const open = indexedDB.open('grenko');
          open.onsuccess = () => {
            const all = open.result.transaction('job').objectStore('job').count();
            all.onsuccess = () => {
              open.result.close();
              resolve(all.result === 0);
            };
          };
        }),
    );
    await page.goto(`${base()}/manifest.webmanifest`);
    await lose(false);
    await page.goto(base());
    await page.getByRole('heading', { name: 'Nothing planned yet' }).waitFor();
  });
});
