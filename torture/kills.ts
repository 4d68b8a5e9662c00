import { type ChildProcess, spawn } from 'node:child_process';
import { existsSync, mkdtempSync, readdirSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { type Browser, chromium, type Page } from 'playwright-core';
import { CHROMIUM, FLAGS, SHORT_LIVED, UNASKED } from '../e2e/browser';
import { pieceOf } from '../src/core/plan';
import { sampleData } from '../src/sample/jobs';
import { dice } from './mutants';

export interface Killed {
  readonly kills: number;
  /** Events that the screen said were in the record. */
  readonly acknowledged: number;
  /** Of those, the ones that were gone after the process was killed. */
  readonly lost: readonly string[];
  /**
   * Times the browser itself lost its whole database at a kill and the second copy filled it again: what was said to be
   * saved counts all the same.
   */
  readonly filled: readonly string[];
  /** Times it lost its database and nothing was given back. */
  readonly wiped: readonly string[];
  /**
   * Times the page did not come up after a kill, with what it showed instead, and whether it did when it was loaded
   * again.
   */
  readonly unopened: readonly string[];
  /** Milliseconds from the press to the closed dialog, over all that were acknowledged: median and 95 %. */
  readonly savedMs: { readonly median: number; readonly p95: number };
}

/** A small job of anchors: nothing of it has to be worked out in the background while the kills fall. */
function smallJob(): { readonly text: string; readonly run: string } {
  const bundles = sampleData(Date.UTC(2026, 4, 5, 6), 'Europe/Helsinki').bundles;
  const of = bundles.find((b) => b.repairs.some((r) => pieceOf(r).method.id === 'anchor'))!;
  const repair = of.repairs.find((r) => pieceOf(r).method.id === 'anchor')!;
  const text = JSON.stringify({
    format: 'grenko-job',
    version: 4,
    exportedAt: '2026-05-05T06:00:00.000Z',
    coreVersion: '0.18.0',
    job: of.job,
    repairs: [repair],
    sheets: of.sheets.filter((s) => s.id === pieceOf(repair).sheetId),
    stock: [],
    snapshots: [],
    events: [],
    series: [],
    attachments: [],
  });
  return { text, run: `/job/${of.job.id}/${repair.id}/run` };
}
const rest = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

/** A browser of its own process group over a profile that outlives it. */
async function born(profile: string): Promise<{ child: ChildProcess; browser: Browser; page: Page }> {
  await gone(profile);
  const port = join(profile, 'DevToolsActivePort');
  rmSync(port, { force: true });
  const child = spawn(
    CHROMIUM,
    [
      ...FLAGS,
      SHORT_LIVED,
      UNASKED,
      '--headless=new',
      '--remote-debugging-port=0',
      `--user-data-dir=${profile}`,
      'about:blank',
    ],
    { detached: true, stdio: 'ignore' },
  );
  for (let i = 0; i < 4000 && !(existsSync(port) && readFileSync(port, 'utf8').includes('/')); i++) await rest(25);
  const [number] = readFileSync(port, 'utf8').split('\n');
  const browser = await chromium.connectOverCDP(`http://127.0.0.1:${number}`);
  const context = browser.contexts()[0]!;
  context.setDefaultTimeout(60_000);
  return { child, browser, page: context.pages()[0] ?? (await context.newPage()) };
}

/** Ends all of it at once, as a flat battery does. */
function kill(child: ChildProcess): void {
  try {
    process.kill(-child.pid!, 'SIGKILL');
  } catch {
    // It is gone already.
  }
}

/** Processes that work on a profile, by the command they were started with. */
const workingOn = (profile: string): readonly string[] =>
  readdirSync('/proc').filter((pid) => {
    if (!/^\d+$/.test(pid)) return false;
    try {
      return readFileSync(`/proc/${pid}/cmdline`, 'utf8').includes(profile);
    } catch {
      return false;
    }
  });

/**
 * Waits until nothing of a killed browser is left. On a busy machine a killed process may stay in the midst of a write
 * for a while, holding its locks; another started over the same files then finds them in a state that no flat battery
 * leaves behind, and begins them anew.
 */
async function gone(profile: string): Promise<void> {
  for (let i = 0; i < 2000 && workingOn(profile).length; i++) await rest(10);
}

/** Every note in the record, as the database has it. */
const notesOf = (page: Page): Promise<string[]> =>
  page.evaluate(
    () =>
      new Promise<string[]>((resolve, reject) => {
        const open = indexedDB.open('grenko');
        open.onerror = () => reject(open.error);
        open.onsuccess = () => {
          const all = open.result.transaction('event').objectStore('event').getAll();
          all.onsuccess = () => {
            open.result.close();
            resolve(
              all.result.flatMap((e: { body: { kind: string; text?: string } }) =>
                e.body.kind === 'note' ? [e.body.text ?? ''] : [],
              ),
            );
          };
        };
      }),
  );

/**
 * Writes notes as fast as the dialog lets it, and says each time the dialog has closed: from then on the note is
 * promised.
 */
async function burst(page: Page, name: string): Promise<void> {
  await page.evaluate(async (prefix) => {
    const turn = () => new Promise((resolve) => setTimeout(resolve, 0));
    const button = (text: string) =>
      [...document.querySelectorAll('button')].find((b) => b.textContent?.trim() === text);
    const write = Object.getOwnPropertyDescriptor(HTMLTextAreaElement.prototype, 'value')!.set!;
    for (let i = 0; i < 500; i++) {
      const text = `${prefix}-${i}`;
      button('Note')!.click();
      while (!document.querySelector('[role=dialog] textarea')) await turn();
      const area = document.querySelector<HTMLTextAreaElement>('[role=dialog] textarea')!;
      write.call(area, text);
      area.dispatchEvent(new Event('input', { bubbles: true }));
      while (button('Into the record')?.disabled !== false) await turn();
      const since = performance.now();
      button('Into the record')!.click();
      while (document.querySelector('[role=dialog] textarea')) await turn();
      // A text that is still kept as being typed was not taken in: the dialog was closed by something else.
      if (localStorage.getItem('grenko.typing')?.includes(`"${text}"`)) continue;
      (window as unknown as { said(text: string, ms: number): void }).said(text, performance.now() - since);
    }
  }, name);
}

/**
 * A profile as a person has it: the job taken in, the browser closed once. A browser that is killed in the first
 * seconds of its very first start may not know afterwards that it keeps anything for this site; that is its own affair
 * and no page can help it.
 */
async function settleIn(profile: string, base: string, text: string): Promise<void> {
  const { child, browser, page } = await born(profile);
  const ended = new Promise((resolve) => child.once('exit', resolve));
  try {
    await page.goto(base);
    await page.getByRole('button', { name: 'New job' }).waitFor();
    await page
      .getByLabel('Job file')
      .setInputFiles({ name: 'small.grenko.json', mimeType: 'application/json', buffer: Buffer.from(text) });
    await page.waitForURL(/\/job\//);
    const tools = await browser.newBrowserCDPSession();
    await tools.send('Browser.close').catch(() => undefined);
    await Promise.race([ended, rest(10_000)]);
  } finally {
    kill(child);
  }
}

/**
 * Kills a browser at random instants while it writes into the record, and looks afterwards whether all is there that
 * the screen said was saved. @param told called after every kill, with how it stands
 */
export async function kills(
  base: string,
  count: number,
  seed: number,
  told: (done: number, so: string) => void = () => undefined,
): Promise<Killed> {
  const d = dice(seed);
  const small = smallJob();
  const lost: string[] = [];
  const unopened: string[] = [];
  const wiped: string[] = [];
  const filled: string[] = [];
  const took: number[] = [];
  let acknowledged = 0;
  let profile = '';
  let promised: string[] = [];
  for (let n = 0; n < count; n++) {
    // A profile serves a while, so that what an earlier kill left behind is in it.
    if (n % 40 === 0 || !profile) {
      if (profile) rmSync(profile, { recursive: true, force: true });
      profile = mkdtempSync(join(tmpdir(), 'grenko-kill-'));
      promised = [];
      await settleIn(profile, base, small.text);
    }
    const { child, browser, page } = await born(profile);
    let mine: string[] = [];
    try {
      await page.exposeFunction('said', (text: string, ms: number) => {
        mine.push(text);
        took.push(ms);
      });
      await page.goto(base + small.run);
      const note = page.getByRole('button', { name: 'Note', exact: true });
      const up = await note
        .or(page.getByText('The browser lost its database.'))
        .first()
        .waitFor()
        .then(
          () => note.isVisible(),
          () => false,
        );
      if (!up) {
        const shown = await page
          .locator('body')
          .textContent()
          .catch((e) => String(e));
        if (shown?.includes('The browser lost its database.')) {
          wiped.push(`kill ${n}: ${/it says: ([^)]*)/.exec(shown)?.[1] ?? 'it says nothing'}`);
          kill(child);
          rmSync(profile, { recursive: true, force: true });
          [profile, promised] = ['', []];
          continue;
        }
        await page.reload();
        const again = await note.waitFor().then(
          () => 'came up when it was loaded again',
          () => 'did not come up when it was loaded again',
        );
        unopened.push(`kill ${n}: “${(shown ?? '').replace(/\s+/g, ' ').slice(0, 300)}”; ${again}`);
        if (again.startsWith('did not')) continue;
      }
      const told = page.getByText(/second copy gave back/);
      if (await told.isVisible()) filled.push(`kill ${n}: ${(await told.textContent())?.slice(0, 300)}`);
      if (promised.length) {
        const there = new Set(await notesOf(page));
        lost.push(...promised.filter((p) => !there.has(p)));
      }
      const writing = burst(page, `n${seed}-${n}`).catch((e) => process.env.DEBUG_KILLS && console.error(String(e)));
      // The first dialog of a cold page takes its time; the kill comes while the burst is going.
      for (let i = 0; i < 3000 && !mine.length; i++) await rest(10);
      await rest(d.to(350));
      // What the screen has said by now counts; what it says while it dies may or may not have been seen.
      mine = [...mine];
      const seen = [...mine];
      kill(child);
      promised = [...promised, ...seen];
      acknowledged += seen.length;
      await Promise.race([writing, rest(500)]);
    } finally {
      kill(child);
      // Its process is gone: nothing is left that would answer, so nobody waits for it.
      void browser.close().catch(() => undefined);
    }
    // The last of a profile is looked at before the profile goes.
    if (profile && (n % 40 === 39 || n === count - 1)) {
      const again = await born(profile);
      try {
        await again.page.goto(`${base}/settings`);
        await again.page.getByRole('heading', { name: 'Settings' }).waitFor();
        const there = new Set(await notesOf(again.page));
        lost.push(...promised.filter((p) => !there.has(p)));
      } finally {
        kill(again.child);
        void again.browser.close().catch(() => undefined);
      }
    }
    told(
      n + 1,
      `${acknowledged} said to be saved, ${new Set(lost).size} lost, database lost by the browser and filled again ${filled.length}, not filled ${wiped.length}, not up ${unopened.length}`,
    );
  }
  if (profile) rmSync(profile, { recursive: true, force: true });
  const sorted = [...took].sort((a, b) => a - b);
  const at = (share: number) => sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))] ?? Number.NaN;
  return {
    kills: count,
    acknowledged,
    lost: [...new Set(lost)],
    filled,
    wiped,
    unopened,
    savedMs: { median: at(0.5), p95: at(0.95) },
  };
}
