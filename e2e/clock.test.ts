import type { Page } from 'playwright-core';
import { sampleData } from '@/sample/jobs';
import { goTo, site, turnTo, withSample } from './browser';
import { choose, takeJob, type } from './hands';

const yard = site();
const { base } = yard;
const NOSING = '/job/sample-ramp/sample-nosing';
const PLATE = '/job/sample-winch/sample-plate';

const sample = async (): Promise<Page> => {
  const page = await yard.page();
  await withSample(page, base());
  return page;
};

test('what would open a window in a frosty week: a tent with heat, taken with one press, makes the start good', async () => {
  const page = await sample();
  await page.goto(`${base()}/job/sample-ramp`);
  await choose(page, 'Air', 'constant');
  await type(page, 'Air temperature', '2 °C');
  await turnTo(page, base(), `${NOSING}/place`);
  await page.getByText(/No start in this week is good/).waitFor();
  await page.locator('[data-stretch=cold]').first().waitFor({ state: 'attached' });
  await page.getByText('too cold').first().waitFor();
  await page.getByRole('button', { name: 'What would open a window?' }).click();
  const tent = page.getByTestId('openers').getByRole('listitem').filter({ hasText: 'Tent and heat by' });
  await tent.waitFor({ timeout: 240_000 });
  await tent.getByRole('button', { name: 'Plan it so' }).click();
  await page
    .getByTestId('start-says')
    .getByText(/all limits hold/)
    .waitFor();
  // Undo brings the frost back.
  await page.keyboard.press('Control+z');
  await page.getByText(/No start in this week is good/).waitFor();
});

test('a base in the sun is too hot all week: a shade hung a day before opens it, with one press and one undo', async () => {
  const page = await yard.page();
  const of = sampleData(Date.now(), 'Europe/Helsinki').bundles.find((b) => b.job.id === 'sample-ramp')!;
  const nosing = of.repairs.find((r) => r.id === 'sample-nosing')!;
  const surroundings = { ...nosing.base.surroundings, sky: 'open', tone: 'dark', sunPeakW: 900, cloudPct: 0 } as const;
  const repair = {
    ...nosing,
    base: { ...nosing.base, known: [], surroundings },
    passes: { ...nosing.passes, p1: { ...nosing.passes.p1!, materialC: 20 } },
  };
  const climate = { kind: 'daily', lowC: 19, lowHour: 5, highC: 27, highHour: 15, humidityAtLowPct: 60 } as const;
  const job = {
    ...of.job,
    wantedAt: null,
    climate,
    workingHours: { fromHour: 10, toHour: 17, days: [1, 2, 3, 4, 5, 6, 7] },
  };
  const sheets = of.sheets.map((s) => ({ ...s, limits: { ...s.limits, baseMaxC: 28 } }));
  await takeJob(page, base(), { job, repairs: [repair], sheets });
  await turnTo(page, base(), `/job/sample-ramp/sample-nosing/place`);
  await page.getByText(/No start in this week is good/).waitFor();
  await page.getByRole('button', { name: 'What would open a window?' }).click();
  const shade = page
    .getByTestId('openers')
    .getByRole('listitem')
    .filter({ hasText: 'Hang a shade over it a day before, by' });
  await shade.waitFor({ timeout: 240_000 });
  expect(await page.getByTestId('openers').textContent()).not.toContain('heat');
  await shade.getByRole('button', { name: 'Plan it so' }).click();
  await page
    .getByTestId('start-says')
    .getByText(/all limits hold/)
    .waitFor();
  // Whoever does it is told what it counts on.
  await page.getByRole('heading', { name: 'Planned with no sun on it' }).waitFor();
  await turnTo(page, base(), `/job/sample-ramp/sample-nosing/inspect`);
  await page.getByRole('radio', { name: 'sky, no sun' }).and(page.locator('[aria-checked=true]')).waitFor();
  await page.keyboard.press('Control+z');
  await page.getByRole('radio', { name: 'sky and sun' }).and(page.locator('[aria-checked=true]')).waitFor();
});

test('a load is held against the strength: too much is a stop, a bearable one has its hour and asks for a review', async () => {
  const page = await sample();
  await page.goto(`${base()}${NOSING}/release`);
  await page.getByRole('img', { name: /^Strength through time: .*Full load/ }).waitFor();
  expect(await page.locator('[data-opens=load]').textContent()).toMatch(/\d+ % of its strength/);
  await page.getByRole('button', { name: 'Check a load…' }).click();
  const says = page.getByTestId('load-answer');
  await says.getByText(/of the full strength; from/).waitFor();
  await type(page, 'Area that carries', '0.2 cm²');
  await type(page, 'Load', '5 kN');
  await says.getByText(/more than it ever bears/).waitFor();
  await page.getByRole('heading', { name: 'More than it bears' }).waitFor();
  await type(page, 'Safety factor', '0.5');
  await page.getByText(/From 1 to 50/).waitFor();
  await page.getByRole('button', { name: 'it stays on' }).click();
  await page.getByText('Needs a competent person’s review').first().waitFor();
  await page.getByRole('button', { name: 'Check no load' }).click();
  await page.getByRole('button', { name: 'Check a load…' }).waitFor();
  // An anchor: only what the sheet or the engineer allows.
  await turnTo(page, base(), '/job/sample-ramp/sample-eyes/release');
  await page.getByRole('button', { name: 'Check a load…' }).click();
  await says.getByText(/comes from the sheet or the engineer/).waitFor();
  await type(page, 'Allowed on it', '9 kN');
  // 1 kN × 3 against 9 kN.
  await says.getByText('33 %', { exact: true }).waitFor();
});

test('a logger’s file and a humidity go into the record with their source; what cannot be is told', async () => {
  const page = await sample();
  await page.goto(`${base()}${PLATE}/run`);
  await page.getByRole('button', { name: 'Read a value' }).click();
  const stamp = (minutesAgo: number) => new Date(Date.now() - minutesAgo * 60_000).toISOString().slice(0, 16);
  const csv = (rows: string[]) => ({
    name: 'hold.csv',
    mimeType: 'text/csv',
    buffer: Buffer.from(`time;temp °C;rh %\n${rows.join('\n')}\n`),
  });
  const file = page.getByLabel('File of readings');
  await file.setInputFiles(csv([`${stamp(20)}Z;11,5;62`, `${stamp(30)}Z;11,7;61`]));
  await page.getByText(/earlier than the row before it/).waitFor();
  await file.setInputFiles(csv([`${stamp(30)}Z;11,5;62`, `${stamp(-90)}Z;11,7;61`]));
  await page.getByText(/is still to come/).waitFor();
  await file.setInputFiles(csv([`${stamp(30)}Z;11,5;62`, `${stamp(20)}Z;11,7;61`, `${stamp(4)}Z;12,1;60`]));
  await page.getByText(/3 readings taken in, .*with humidity/).waitFor();
  await choose(page, 'Of what', 'the air');
  await type(page, 'Humidity', '140');
  await page.getByText(/A humidity of 140 % cannot be/).waitFor();
  await type(page, 'Humidity', '71');
  await page.getByRole('button', { name: 'Into the record' }).click();
  await turnTo(page, base(), '/job/sample-winch/log');
  await page.getByText(/12\.1 °C \(hold\.csv\)/).waitFor();
  await page.getByText('Humidity of the air 71 % (typed)').waitFor();
  // The time band shows what was measured.
  await turnTo(page, base(), `${PLATE}/hold`);
  await page.getByText('measured', { exact: true }).first().waitFor();
  await page.getByText('base, expected').waitFor();
});

test('the lab at a place: colder weather opens it later, a variant is kept with its hours, and the place goes back to the repair', async () => {
  const page = await sample();
  await page.goto(`${base()}/lab?repair=sample-nosing`);
  const ready = page.getByTestId('lab-ready');
  await ready.waitFor();
  const mild = await ready.textContent();
  await page.getByRole('button', { name: /^Keep this beside/ }).click();
  await page.getByRole('rowheader', { name: 'opens' }).waitFor();
  await type(page, 'Daily low', '1 °C');
  await type(page, 'Daily high', '9 °C');
  await page.waitForFunction((was) => document.querySelector('[data-testid=lab-ready]')?.textContent !== was, mild);
  await page.getByRole('button', { name: /^Keep this beside/ }).click();
  expect(
    await page
      .locator('tr', { has: page.getByRole('rowheader', { name: 'opens' }) })
      .locator('td')
      .count(),
  ).toBe(2);
  await type(page, 'Packs kept at', '24 °C');
  await page.getByRole('button', { name: 'This system, base and packs' }).click();
  await page.getByRole('button', { name: 'As at the place when mixing begins' }).click();
  await turnTo(page, base(), `${NOSING}/material`);
  const packs = page.getByLabel('Temperature (empty: as the air)');
  await packs.waitFor();
  expect(await packs.inputValue()).toBe('24 °C');
  // A system that does not heat itself is tried at the place all the same.
  await turnTo(page, base(), '/lab?sheet=sheet-anchor-1');
  await page.getByText(/resin and amine hardener only/).waitFor();
  await page.getByRole('heading', { name: 'At the place' }).waitFor();
  await page.locator('[data-milestone=load]').waitFor();
});

test('what does not go together is found where it is said what it meets', async () => {
  const page = await sample();
  await page.goto(`${base()}/job/sample-winch/sample-plate/inspect`);
  await page.getByLabel('More exactly').selectOption({ label: 'copper, brass or bronze' });
  await page.getByLabel('Comes over it').selectOption({ label: 'polyester or vinylester' });
  await turnTo(page, base(), '/job/sample-winch/sample-plate/material');
  await page.getByRole('heading', { name: 'Copper in the base' }).waitFor();
  await turnTo(page, base(), '/job/sample-winch/sample-plate/finish');
  await page.getByRole('heading', { name: 'The next layer may stay soft on this one' }).waitFor();
});

test('pots and lifts of the sheets in use are prepared in the background and kept by revision', async () => {
  const page = await sample();
  await page.goto(`${base()}${NOSING}/mix`);
  await page.waitForFunction(
    async () => {
      const open = indexedDB.open('grenko-tables');
      const db = await new Promise<IDBDatabase>((yes, no) => {
        open.onsuccess = () => yes(open.result);
        open.onerror = () => no(open.error);
      });
      const keys = await new Promise<IDBValidKey[]>((yes) => {
        const all = db.transaction('heat').objectStore('heat').getAllKeys();
        all.onsuccess = () => yes(all.result);
      });
      db.close();
      return keys.includes('sheet-mortar-1|pot') && keys.includes('sheet-mortar-1|lift|concrete');
    },
    undefined,
    { timeout: 240_000, polling: 500 },
  );
});

test('a sheet that is silent on the next lift stops the plan there; a touch stands in and holds the work, and can be taken back', async () => {
  const page = await yard.page();
  const of = sampleData(Date.now(), 'Europe/Helsinki').bundles[0]!;
  const [repair] = of.repairs;
  const sheets = of.sheets
    .filter((s) => s.id === repair!.passes.p1!.sheetId)
    .map((s) => ({ ...s, milestones: s.milestones.filter((m) => m.kind !== 'next-lift') }));
  await takeJob(page, base(), { job: of.job, repairs: [repair!], sheets });
  const at = `/job/${of.job.id}/${repair!.id}`;
  await goTo(page, base(), `${at}/place`);
  await page.getByRole('heading', { name: 'No time for next lift' }).waitFor();
  await page.getByText('waits for next lift: no time').waitFor();
  // Nothing is said to be ready that waits for nobody knows how long.
  expect(await page.getByTestId('start-says').textContent()).not.toMatch(/ready/);
  const ask = page.getByTestId('stand-in');
  await ask.getByRole('button', { name: /^Wait for foot traffic/ }).waitFor();
  await ask.getByRole('button', { name: 'Try it by touch' }).click();
  await ask.getByText('Type how long first, like 6 h.').waitFor();
  await type(page, 'How long, or first tried after', '8 h');
  await ask.getByRole('button', { name: 'Try it by touch' }).click();
  await page.getByRole('heading', { name: 'No time for next lift' }).waitFor({ state: 'detached' });
  const second = page.locator('li').filter({ hasText: 'Set out batch 2 of 2' }).last();
  await second.getByText('hold point').waitFor();
  await second.getByText(/Try it first, by touch/).waitFor();
  await goTo(page, base(), `${at}/hold`);
  await page.getByText('Next lift: by touch, first tried after 8 h').waitFor();
  await page.getByRole('button', { name: 'Take back' }).click();
  await page.getByText('Next lift: by touch, first tried after 8 h').waitFor({ state: 'detached' });
  await goTo(page, base(), `${at}/place`);
  await page.getByRole('heading', { name: 'No time for next lift' }).waitFor();
});
