import { type Job, type Piece, pieceOf, planJob, type Repair, repairOf } from '@/core/plan';
import { viewJob } from '@/core/record';
import { measured, SHAPES, type VoidShape, voidOf } from '@/core/void';
import { sampleData } from '@/sample/jobs';
import { mortarSheet, sampleSheets } from '@/sample/systems';
import { scaled } from '@/walks/made';
import { goTo, site, turnTo } from './browser';
import { takeJob, type } from './hands';

const { base, page: open, context } = site();

const NOW = Date.UTC(2026, 4, 5, 5);
const MIN = 60_000;
const ramp = sampleData(NOW, 'Europe/Helsinki').bundles[0]!;
const mild: Job = {
  ...ramp.job,
  id: 'presses-job',
  name: 'Landing',
  sample: false,
  wantedAt: null,
  startFrom: NOW,
  climate: { kind: 'constant', tempC: 18, humidityPct: 55 },
  workingHours: { fromHour: 8, toHour: 16, days: [1, 2, 3, 4, 5] },
};

test('two spalls that would open a kit each: one press makes them one repair that takes one kit, one undo makes them two', async () => {
  const kit = { ...mortarSheet.kits[0]!, id: 'pail', massG: { A: 1900, B: 760, C: 10_600, D: null }, yieldMl: 6290 };
  const sheet = { ...mortarSheet, kits: [kit] };
  const spall = (id: string, order: number, lengthMm: number): Repair =>
    repairOf({
      ...pieceOf(ramp.repairs[0]!),
      jobId: mild.id,
      id,
      order,
      name: id,
      kitId: kit.id,
      settings: {},
      schools: {},
      crew: 2,
      void: voidOf({
        ...SHAPES.patch.blank(),
        outline: { kind: 'rectangle', length: measured(lengthMm), width: measured(300) },
        depth: { kind: 'mean', mean: measured(20, 'gauge') },
      } as VoidShape),
    });
  const page = await (await context()).newPage();
  await page.clock.setFixedTime(new Date(NOW));
  await takeJob(page, base(), {
    job: mild,
    repairs: [spall('North', 1, 300), spall('South', 2, 280)],
    sheets: [sheet],
  });
  await goTo(page, base(), `/job/${mild.id}/South/mix`);
  await page.getByText(/Prepared first and mixed as one, North, South take 1 × .*, which saves/).waitFor();
  await page.getByRole('button', { name: 'Make them one repair of 2 places' }).click();
  await page.waitForURL(/\/North\/mix$/);
  await page.getByRole('heading', { level: 1, name: /North \+ South/ }).waitFor({ state: 'attached' });
  expect(await page.getByRole('button', { name: /Make them one repair/ }).count()).toBe(0);
  await page.keyboard.press('Control+z');
  await page.getByRole('button', { name: 'Make them one repair of 2 places' }).waitFor();
  await page.goto(`${base()}/job/${mild.id}`);
  for (const name of ['North', 'South'])
    await page
      .getByRole('link', { name: new RegExp(`^${name}`) })
      .first()
      .waitFor();
  expect(await page.getByText('North + South').count()).toBe(0);
});

test('work that would end a few minutes after the day: the press that stays, and what it then says', async () => {
  const eyes: Piece = {
    ...pieceOf(ramp.repairs[1]!),
    jobId: mild.id,
    id: 'eyes',
    materialC: 18,
    settings: {},
    schools: {},
  };
  const planned = (plannedStart: number) =>
    planJob({
      job: mild,
      repairs: [repairOf({ ...eyes, plannedStart })],
      sheets: sampleSheets,
      stock: [],
      actuals: new Map(),
      nowMs: NOW,
    }).repairs[0]!;
  const pressed = Math.max(...planned(NOW).steps.flatMap((s) => (s.marks?.end?.includes('placed') ? s.endMs : [])));
  // Four in the afternoon in Helsinki, and seven minutes more.
  const plannedStart = NOW + Date.UTC(2026, 4, 5, 13) + 7 * MIN - pressed;
  const page = await (await context()).newPage();
  await page.clock.setFixedTime(new Date(NOW));
  await takeJob(page, base(), {
    job: mild,
    repairs: [repairOf({ ...eyes, plannedStart })],
    sheets: sampleSheets.filter((s) => s.id === eyes.sheetId),
  });
  await goTo(page, base(), `/job/${mild.id}/eyes/place`);
  await page.getByText(/would end 9 min after the working hours, at Tue 16:00; it is not torn apart/).waitFor();
  await page.getByRole('button', { name: 'Stay up to 10 min longer' }).click();
  await page.getByText('9 min past the end of the working day').waitFor();
  expect(await page.getByLabel('Stay past the end of the day, at most').inputValue()).toBe('10 min');
  // Ten hours are another working day, said at the field; what was there stays.
  const field = page.getByLabel('Stay past the end of the day, at most');
  await field.fill('10 h');
  await field.press('Enter');
  await page.getByText('Up to 4 h: more is another working day. Change the job’s working hours.').waitFor();
  await page.getByText('9 min past the end of the working day').waitFor();
  // Emptied, nobody stays.
  await field.fill('');
  await field.press('Enter');
  await page.getByText(/would end 9 min after the working hours/).waitFor();
});

test('two plates and the clamps of one: the second waits for them, too few are a stop, and a press makes do with them', async () => {
  const winch = sampleData(NOW, 'Europe/Helsinki').bundles.find((b) => b.job.id === 'sample-winch')!;
  const plate: Piece = {
    ...pieceOf(winch.repairs[0]!),
    jobId: mild.id,
    plannedStart: null,
    schools: { holding: 'clamp' },
  };
  const page = await (await context()).newPage();
  await page.clock.setFixedTime(new Date(NOW));
  await takeJob(page, base(), {
    job: mild,
    repairs: ['first', 'second'].map((id, order) => repairOf({ ...plate, id, order, name: `Plate ${order + 1}` })),
    sheets: sampleSheets.filter((s) => s.id === plate.sheetId),
  });
  await page.getByText('hands, clamps, props and heaters at hand').click();
  const clamps = page.getByLabel('Clamps', { exact: true });
  await clamps.fill('half');
  await clamps.blur();
  expect(await clamps.getAttribute('aria-invalid')).toBe('true');
  await clamps.fill('2.5');
  await clamps.blur();
  await page.getByText('A whole number, 0 to 1000; empty where nobody counts them.').waitFor();
  await clamps.fill('4');
  await clamps.blur();
  await turnTo(page, base(), `/job/${mild.id}/second/place`);
  await page.getByText('Waits for clamps').waitFor();
  await page.getByText(/Wanted: 4; of clamps the job has 4. Enough come free Wed/).waitFor();
  await turnTo(page, base(), `/job/${mild.id}/first/hold`);
  expect(await page.getByText('More clamps wanted at once than the job has').count()).toBe(0);
  await type(page, 'Clamps on each', '6');
  await page.getByText('More clamps wanted at once than the job has').waitFor();
  await page.getByText(/Wanted at once: 6; of clamps the job has 4/).waitFor();
  await page.getByRole('button', { name: 'With 4 on each' }).click();
  await page.getByText('More clamps wanted at once than the job has').waitFor({ state: 'detached' });
  expect(await page.getByLabel('Clamps on each').inputValue()).toBe('4');
});

test('the same stop over nine batches is one, looked into and decided on at once', async () => {
  const { bundles } = sampleData(NOW, 'Europe/Helsinki');
  const bundle = bundles.find((b) => b.repairs.some((r) => r.id === 'sample-cores'))!;
  const piece = pieceOf(scaled(bundle.repairs.find((r) => r.id === 'sample-cores')!, 3));
  const job = {
    ...bundle.job,
    id: 'hot',
    sample: false,
    climate: { kind: 'constant', tempC: 29, humidityPct: 60 } as const,
  };
  const of = (settings: Piece['settings']) =>
    repairOf({
      ...piece,
      jobId: 'hot',
      base: { ...piece.base, known: [] },
      settings: { ...piece.settings, ...settings },
    });
  const { steps } = viewJob({ job, repairs: [of({})], sheets: bundle.sheets, stock: [], events: [] }, NOW).repairs[0]!
    .plan;
  const typed = (role: string, value: number) =>
    steps.filter((s) => s.id.endsWith(`:${role}`)).flatMap((s) => s.factors.map((f) => [f, value] as const));
  const slow = Object.fromEntries([...typed('prime', 10), ...typed('place', 300)]);
  const page = await open();
  await takeJob(page, base(), { job, repairs: [of(slow)], sheets: bundle.sheets });
  await turnTo(page, base(), '/job/hot/sample-cores/place');
  const stop = page.locator('[data-finding^="late:"]');
  await stop.getByText('The primer dries before the mortar comes').waitFor();
  expect(await stop.count()).toBe(1);
  const more = stop.getByText(/^\d+ more like it$/);
  const n = Number.parseInt((await more.textContent())!, 10);
  expect(n).toBeGreaterThan(4);
  await more.click();
  expect(await stop.getByRole('listitem').count()).toBe(n);
  await stop.getByRole('button', { name: 'Go on all the same…' }).click();
  await page.getByLabel('Reason').fill('two of us prime by turns');
  await page.getByRole('button', { name: 'Keep this in the record and go on' }).click();
  await stop.getByText(/Overridden by technician: two of us prime by turns/).waitFor();
  expect(await stop.getByRole('button', { name: 'Go on all the same…' }).count()).toBe(0);
  await turnTo(page, base(), '/job/hot/log');
  await page.getByText('two of us prime by turns', { exact: false }).first().waitFor();
  expect(await page.getByText('two of us prime by turns', { exact: false }).count()).toBe(n + 1);
});

test('told by volume alone it is measured by the cup in Mix and at the bench; a finer cup is a press', async () => {
  const winch = sampleData(NOW, 'Europe/Helsinki').bundles[1]!;
  const plate = pieceOf(winch.repairs[0]!);
  const paste = sampleSheets.find((s) => s.id === plate.sheetId)!;
  const sheet = {
    ...paste,
    ratio: { ...paste.ratio, also: null },
    estimated: ['densityA' as const, 'densityB' as const],
    printed: { [`kits.${paste.kits[0]!.id}.a`]: '300 mL' },
  };
  const page = await (await context()).newPage();
  await page.clock.setFixedTime(new Date(NOW));
  const repair = repairOf({ ...plate, id: 'cup', jobId: mild.id, bench: { ...plate.bench, way: null } });
  await takeJob(page, base(), { job: mild, repairs: [repair], sheets: [sheet] });
  await goTo(page, base(), `/job/${mild.id}/cup/mix`);
  await page.getByText('by volume, as the sheet has it').waitFor();
  await page.getByRole('radio', { name: 'by graduated cup', checked: true }).waitFor();
  await page.getByRole('button', { name: /^My cup shows/ }).click();
  await page.getByText('The measure is too coarse for this batch').waitFor({ state: 'detached' });
  const rounded = /A\s*([\d.]+ mL)\s*B\s*[\d.]+ mL/.exec((await page.locator('#main').textContent()) ?? '')![1];
  await goTo(page, base(), `/job/${mild.id}/cup/bench`);
  // To the mark that Mix says, not to a figure between two.
  await page.getByText(`by the cup ${rounded} in all`, { exact: true }).waitFor();
  await goTo(page, base(), `/job/${mild.id}/cup/mix`);
  await page.getByRole('radio', { name: 'by weight', exact: true }).click();
  await goTo(page, base(), `/job/${mild.id}/cup/bench`);
  await page.getByTestId('target').waitFor();
  expect(await page.getByText(/by the cup/).count()).toBe(0);
});

test('how long a mix may be worked is asked in Mix where no sheet tells it, and taken back in Hold', async () => {
  const plate = pieceOf(sampleData(NOW, 'Europe/Helsinki').bundles[1]!.repairs[0]!);
  const paste = sampleSheets.find((s) => s.id === plate.sheetId)!;
  const silent = paste.milestones.filter((m) => !['use-by', 'open', 'gel', 'idle'].includes(m.kind));
  const page = await (await context()).newPage();
  await page.clock.setFixedTime(new Date(NOW));
  const repair = repairOf({ ...plate, id: 'life', jobId: mild.id });
  await takeJob(page, base(), { job: mild, repairs: [repair], sheets: [{ ...paste, milestones: silent }] });
  await goTo(page, base(), `/job/${mild.id}/life/mix`);
  const asked = page.getByText('Nothing tells how long it may be worked');
  await asked.waitFor();
  await page.getByRole('button', { name: 'Plan with my own figure' }).click();
  await page.getByText('Type how long first, like 20 min.').waitFor();
  await page.getByLabel('From mixing on it may be worked for').fill('a while');
  await page.getByLabel('From mixing on it may be worked for').blur();
  await asked.waitFor();
  await page.getByLabel('From mixing on it may be worked for').fill('20 min');
  await page.getByRole('button', { name: 'Plan with my own figure' }).click();
  await asked.waitFor({ state: 'detached' });
  await goTo(page, base(), `/job/${mild.id}/life/hold`);
  const row = page.getByRole('row', { name: /Pot life or working time/ }).first();
  await row.getByText('20 min, a figure of one’s own').waitFor();
  await page.getByText('What stands in').waitFor();
  await page
    .getByRole('button', { name: /take.*back/i })
    .first()
    .click();
  await row.waitFor({ state: 'detached' });
  await goTo(page, base(), `/job/${mild.id}/life/mix`);
  await asked.waitFor();
});
