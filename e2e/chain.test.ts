import { methodOf, STAGES } from '@/core/method';
import { type Piece, pieceOf, repairOf, withNext, withPiece } from '@/core/plan';
import { measured, voidOf } from '@/core/void';
import { sampleData } from '@/sample/jobs';
import { pouringSheet } from '@/walks/made';
import { goTo, site, turnTo } from './browser';
import { runToTheEnd, takeJob, workedTo } from './hands';

const { base, page: open, timed } = site();

const NOW = Date.UTC(2026, 4, 5, 5);
const ramp = sampleData(NOW, 'Europe/Helsinki').bundles[0]!;
const job = { ...ramp.job, id: 'chain-job', name: 'Sheave post', sample: false };
const ring = (outer: number, inner: number) =>
  voidOf({
    shape: 'ring',
    version: 1,
    run: { form: 'round', outer: measured(outer, 'rule'), inner: measured(inner, 'rule') },
    depth: measured(40, 'gauge'),
    clear: measured(5, 'gauge'),
    part: null,
    tiltDeg: 0,
    acrossDeg: 0,
  });
const collar = methodOf('poured-collar')!;
// It may be poured where the sample is: in a cool spring.
const sheet = {
  ...pouringSheet(),
  sample: false,
  limits: { ...pouringSheet().limits, bases: [], baseMinC: 2, materialMinC: 2, airMinC: 2, dewMarginK: null },
};
const answers = Object.fromEntries(collar.questions.map((q) => [q.id, q.wants]));
const first: Piece = {
  ...pieceOf(ramp.repairs[0]!),
  id: 'collar',
  jobId: job.id,
  name: 'Collar',
  method: { id: collar.id, version: collar.version },
  answers,
  void: ring(520, 440),
  sheetId: sheet.id,
  kitId: 'kit',
};

/** The collar with a second pour on it, once the first is firm. */
function secondPour() {
  const two = withNext(repairOf(first), collar);
  return withPiece(two, {
    ...pieceOf(two, 'p2'),
    gate: 'firm',
    void: ring(640, 520),
    sheetId: sheet.id,
    kitId: 'kit',
    materialC: 18,
  });
}

test('a chain is made, seen, changed and worked: then…, what lies between, two passes on one clock, and none removed that is begun', async () => {
  const page = await open();
  await takeJob(page, base(), { job, repairs: [repairOf(first)], sheets: [sheet] });
  const at = `${base()}/job/${job.id}/collar`;
  await page.goto(`${at}/measure`);
  // What may come next, and why others may not.
  await page.getByRole('button', { name: 'then…' }).click();
  const next = page.getByRole('dialog', { name: 'What comes next' });
  // Those that may not are folded behind those that may.
  await next.getByText(/that may not follow here, and why/).click();
  await next.getByText('It is done on metal, and the base is concrete.').first().waitFor();
  expect(await next.getByRole('button', { name: 'Plate bonded to metal' }).isDisabled()).toBe(true);
  await next.getByRole('button', { name: 'Poured collar, ring or channel' }).click();
  // The second pass is open for measuring, with the first within reach.
  await page.getByRole('link', { name: '2 Poured collar, ring or channel' }).click();
  await page.getByText('Choose the shape of the void.').waitFor();
  await page.getByRole('button', { name: /Ring or channel to pour/ }).click();
  for (const [label, value] of [
    ['Outer diameter', '640 mm'],
    ['Inner diameter', '520 mm'],
    ['Depth', '40 mm'],
  ] as const) {
    const field = page.getByLabel(label, { exact: true });
    await field.fill(value);
    await field.press('Enter');
  }
  await page.getByTestId('answer').getByText('4.37').waitFor();
  // What lies between: firm first; the window of the sheet then holds.
  await page.getByRole('button', { name: 'this pass…' }).click();
  const pass = page.getByRole('dialog', { name: '2 Poured collar, ring or channel' });
  await pass.getByRole('radio', { name: 'when it is firm' }).click();
  await pass.getByText('Fits a second pour or a further lift.').waitFor();
  await page.keyboard.press('Escape');
  await page.getByText(/^after 1 Poured collar, ring or channel: when it is firm, from \w{3} \d\d:\d\d/).waitFor();
  await page.goto(`${at}/measure`);
  await page.getByRole('link', { name: '1 Poured collar, ring or channel' }).waitFor();
  await page.getByTestId('answer').getByText('2.11').waitFor();
  // Each is drawn with the other in its place: what lies there, and what comes over it.
  const drawn = page.getByRole('group', { name: /with what lies there, drawn to scale/ });
  await drawn.getByText('2 Poured collar, ring or channel, comes over it').waitFor();
  await page.goto(`${at}/measure?pass=p2`);
  await drawn.getByText('1 Poured collar, ring or channel, lies there').waitFor();
});

test('what stands in for a time that the first sheet does not tell is asked at the second pass, and is the first one’s', async () => {
  const page = await timed();
  await page.clock.install({ time: new Date(NOW) });
  const silent = { ...sheet, milestones: sheet.milestones.filter((m) => m.kind !== 'next-lift') };
  const chain = secondPour();
  await takeJob(page, base(), { job, repairs: [chain], sheets: [silent] });
  await goTo(page, base(), `/job/${job.id}/collar/place?pass=p2`);
  const ask = page.getByTestId('stand-in');
  await ask.getByLabel('How long, or first tried after').fill('20 h');
  await ask.getByRole('button', { name: 'Wait my own figure' }).click();
  await ask.waitFor({ state: 'detached' });
  // The pour goes on, and in Hold the figure stands with the pass whose time it is.
  await page.getByText('Pour from one side').first().waitFor();
  await goTo(page, base(), `/job/${job.id}/collar/hold`);
  await page.getByText('20 h, a figure of one’s own').waitFor();
  await page.getByText('1 Poured collar, ring or channel', { exact: true }).last().waitFor();
});

test('what went wrong while one waits for the second pass is of the first, and that one’s wait counts anew', async () => {
  const page = await timed();
  await page.clock.install({ time: new Date(NOW) });
  // As warm all day as it is at the beginning: an hour is an hour.
  const even = { ...job, climate: { kind: 'constant' as const, tempC: 12, humidityPct: 60 } };
  await takeJob(page, base(), { job: even, repairs: [secondPour()], sheets: [sheet] });
  await goTo(page, base(), `/job/${job.id}/collar/run`);
  await workedTo(page, /Dry fit/);
  await workedTo(page, /Clean up/);
  await page.getByTestId('go').click();
  // What comes next is of the second pour, and nothing of that is done yet.
  await page.getByTestId('step').getByText('Dry fit').waitFor();
  const comes = page.locator('#main').getByText(/· 2 Poured collar, ring or channel/);
  await comes.waitFor();
  /** Minutes that are still waited. */
  const waits = async () => {
    const [h, min] = (await page.getByTestId('clock').textContent())!.split(':').map(Number);
    return h! * 60 + min!;
  };
  await page.clock.fastForward('01:00:00');
  const before = await waits();
  await page.getByRole('button', { name: 'Something went wrong' }).click();
  const dialog = page.getByRole('dialog');
  const passes = dialog.getByRole('radiogroup', { name: 'Which pass' });
  expect(await passes.getByRole('radio', { checked: true }).textContent()).toMatch(/^1 Poured collar/);
  await dialog.getByRole('button', { name: /touched, walked on or loaded too early/ }).click();
  await dialog.getByRole('button', { name: 'Record it and plan from now' }).click();
  await dialog.waitFor({ state: 'detached' });
  // The hour that had gone by is waited once more.
  await comes.waitFor();
  const after = await waits();
  expect(after).toBeGreaterThan(before + 30);
  expect(after).toBeLessThan(before + 80);
});

test('two passes on one clock: every stage of both, the run to the second pour, a begun pass that stays', async () => {
  const page = await timed();
  await page.clock.install({ time: new Date(NOW) });
  const chain = secondPour();
  await takeJob(page, base(), { job, repairs: [chain], sheets: [sheet] });
  const at = `/job/${job.id}/collar`;
  for (const stage of STAGES)
    for (const query of ['', '?pass=p2']) {
      await goTo(page, base(), `${at}/${stage}${query}`);
      await page.getByRole('navigation', { name: 'Chain' }).waitFor();
      expect(await page.getByText('cannot be shown').count()).toBe(0);
    }
  await goTo(page, base(), `${at}/place`);
  const pours = page.getByText('Pour from one side');
  await pours.first().waitFor();
  expect(await pours.count()).toBe(2);
  // The clocks of both passes, each with its name.
  await goTo(page, base(), `${at}/hold`);
  await page.getByText('· 1 Poured collar, ring or channel').first().waitFor();
  await page.getByText('· 2 Poured collar, ring or channel').first().waitFor();
  // Worked up to the second pour: each step is recorded of its own pass.
  await goTo(page, base(), `${at}/run`);
  expect(await runToTheEnd(page, 400)).toBeGreaterThan(20);
  // Worked, it stays: what is in the record is amended and not removed.
  await goTo(page, base(), `${at}/measure?pass=p2`);
  await page.getByRole('button', { name: 'this pass…' }).click();
  await page.getByRole('button', { name: 'Remove this pass' }).click();
  await page.getByText('This pass has been begun and stands in the record').waitFor();
  await page.keyboard.press('Escape');
  await turnTo(page, base(), `/job/${job.id}/log`);
  // Each pass was mixed for itself.
  await page.getByText('(2 Poured collar, ring or channel)').first().waitFor();
  await page.getByText('Done: Mix (1 Poured collar, ring or channel)').waitFor();
});
