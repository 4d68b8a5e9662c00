import type { Page } from 'playwright-core';
import { type Job, type Piece, pieceOf, repairOf } from '@/core/plan';
import type { SheetRevision } from '@/core/system';
import { measured, SHAPES, type VoidShape, voidOf } from '@/core/void';
import { sampleData } from '@/sample/jobs';
import { site, turnTo } from './browser';
import { takeJob } from './hands';

const { base, page: open } = site();

const NOW = Date.UTC(2026, 4, 5, 6);
const ramp = sampleData(NOW, 'Europe/Helsinki').bundles[0]!;
const [nosing, eyes] = ramp.repairs.map((r) => pieceOf(r)) as [Piece, Piece];
const winch = sampleData(NOW, 'Europe/Helsinki').bundles[1]!;

/** A sheet as bare as its schema allows: no times, no limits, nothing said of the material. */
const bare = (sheet: SheetRevision): SheetRevision => ({
  ...sheet,
  milestones: [],
  strength: null,
  kits: sheet.kits.slice(0, 1),
});
const dimensioned = (shape: VoidShape, mm: number): VoidShape =>
  SHAPES[shape.shape].dimensions(shape).reduce<VoidShape>((s, d) => {
    if (d.shift) return s;
    const value = measured(mm, 'tape');
    return SHAPES[s.shape].write?.(s, d.key, value) ?? withPath(s, d.key.split('.'), value);
  }, shape);
function withPath<T>(target: T, [head, ...rest]: readonly string[], value: unknown): T {
  if (head === undefined) return value as T;
  if (Array.isArray(target)) return target.map((x, i) => (String(i) === head ? withPath(x, rest, value) : x)) as T;
  const record = target as Record<string, unknown>;
  return { ...record, [head]: withPath(record[head], rest, value) } as T;
}

interface Odd {
  readonly what: string;
  readonly of: Piece;
  readonly over: Partial<Piece>;
}
/** Drafts nobody would plan, each within what its schema allows, by the job they are in. */
const JOBS: readonly (readonly [
  string,
  { readonly job: Partial<Job>; readonly sheets: readonly SheetRevision[]; readonly odd: readonly Odd[] },
])[] = [
  [
    'odd voids and bases',
    {
      job: {},
      sheets: ramp.sheets,
      odd: [
        { what: 'nothing chosen at all', of: nosing, over: { sheetId: null, kitId: null, void: null, answers: {} } },
        {
          what: 'no readings',
          of: nosing,
          over: { void: voidOf(SHAPES.patch.write!(SHAPES.patch.blank(), 'depth.kind', 'readings')!) },
        },
        {
          what: 'a thousandth of a millimetre',
          of: eyes,
          over: { void: voidOf(dimensioned(eyes.void!.shapes[0]!, 0.001)) },
        },
        {
          what: 'a quarry',
          of: nosing,
          over: { void: { ...voidOf(dimensioned(SHAPES.patch.blank(), 2000)), count: 500 } },
        },
        { what: 'every dimension nought', of: nosing, over: { void: voidOf(dimensioned(SHAPES.bondLine.blank(), 0)) } },
        {
          what: 'a base as thin as foil',
          of: eyes,
          over: { base: { ...eyes.base, thicknessMm: 0.01, material: 'metal' } },
        },
      ],
    },
  ],
  [
    'sheets that say nothing',
    {
      job: {},
      sheets: [...ramp.sheets, ...winch.sheets].map(bare),
      odd: [
        { what: 'a patch', of: nosing, over: {} },
        { what: 'a plate', of: pieceOf(winch.repairs[0]!), over: {} },
      ],
    },
  ],
  [
    'deep frost, and no hours to work in',
    {
      job: {
        climate: { kind: 'constant', tempC: -35, humidityPct: 100 },
        workingHours: { fromHour: 8, toHour: 8, days: [] },
        wantedAt: NOW - 1,
      },
      sheets: ramp.sheets,
      odd: [{ what: 'a patch', of: nosing, over: {} }],
    },
  ],
  [
    'a desert',
    {
      job: { climate: { kind: 'constant', tempC: 55, humidityPct: 0 } },
      sheets: ramp.sheets,
      odd: [
        { what: 'cold packs', of: eyes, over: { materialC: -20 } },
        { what: 'a patch', of: nosing, over: { materialC: null } },
      ],
    },
  ],
];

/** What no reader should meet: figures that are none, and the words of a program. */
const NO_FIGURE = /\b(NaN|Infinity|undefined|null)\b|\[object |(?<![\w.])\d+(\.\d+)?e[+-]\d+|∞/;

/** All text of the page with its labels and drawn paths: the first piece that holds what is no figure, or null. */
const firstFault = (page: Page) =>
  page.evaluate((source) => {
    const no = new RegExp(source);
    const pieces: string[] = [document.title];
    const texts = document.createTreeWalker(document.body, NodeFilter.SHOW_TEXT);
    for (let node = texts.nextNode(); node; node = texts.nextNode())
      if (!node.parentElement?.closest('script, style')) pieces.push(node.nodeValue ?? '');
    for (const el of document.querySelectorAll('#main *, header *, dialog *')) {
      for (const { name, value } of el.attributes)
        if (
          [
            'aria-label',
            'title',
            'alt',
            'placeholder',
            'd',
            'x',
            'y',
            'cx',
            'cy',
            'width',
            'height',
            'transform',
            'points',
          ].includes(name)
        )
          pieces.push(`${el.tagName} ${name}=${value}`);
      if (el instanceof HTMLInputElement || el instanceof HTMLTextAreaElement)
        pieces.push(`${el.tagName} holds ${el.value}`);
    }
    for (const piece of pieces) {
      const at = piece.search(no);
      if (at >= 0) return piece.slice(Math.max(0, at - 80), at + 80);
    }
    return null;
  }, NO_FIGURE.source);

const STAGES = ['inspect', 'measure', 'material', 'mix', 'place', 'hold', 'finish', 'release'];

test.each(JOBS)('%s: every view shows figures that are figures, or says what is missing', async (_, draft) => {
  const page = await open();
  const job: Job = { ...ramp.job, id: 'odd-job', name: 'Odd', sample: false, startFrom: NOW, ...draft.job };
  const repairs = draft.odd.map(
    ({ of, over, what }, i): Piece => ({
      ...of,
      id: `odd-${i}`,
      jobId: 'odd-job',
      order: i + 1,
      name: `Odd: ${what}`,
      ...over,
    }),
  );
  await takeJob(page, base(), { job, repairs: repairs.map(repairOf), sheets: draft.sheets });
  const views = [
    '/',
    '/job/odd-job',
    '/job/odd-job/pick',
    '/job/odd-job/card',
    ...draft.sheets.slice(0, 1).map((s) => `/shelf/${s.id}`),
    ...repairs.flatMap((r) => [
      ...STAGES.map((s) => `/job/odd-job/${r.id}/${s}`),
      `/job/odd-job/${r.id}/bench`,
      `/lab?repair=${r.id}`,
    ]),
  ];
  const faults: string[] = [];
  // Every other job is read in US units: a figure that is none is none in both.
  if (JOBS.findIndex(([, d]) => d === draft) % 2) {
    await page.goto(`${base()}/settings`);
    await page.getByRole('radiogroup', { name: 'Units' }).getByRole('radio', { name: 'US customary' }).click();
  }
  for (const view of views) {
    await turnTo(page, base(), view);
    await page.waitForFunction(() => !document.querySelector('[aria-busy=true]'));
    const mishap = page.locator('[data-mishap]');
    if (await mishap.count()) faults.push(`${view}: ${await mishap.first().textContent()}`);
    const fault = await firstFault(page);
    if (fault) faults.push(`${view}: ${fault}`);
  }
  expect(faults).toEqual([]);
});

test('the walk finds what it looks for', async () => {
  const page = await open();
  await page.goto(base());
  await page.getByRole('button', { name: 'New job' }).waitFor();
  expect(await firstFault(page)).toBeNull();
  for (const [text, attribute] of [
    ['NaN mm', null],
    ['1.2e+21 L', null],
    ['', 'M0,NaN'],
  ] as const) {
    await page.evaluate(
      ([t, d]) => {
        document.querySelector('#odd')?.remove();
        const el = document.createElementNS('http://www.w3.org/2000/svg', 'path');
        el.id = 'odd';
        if (d) el.setAttribute('d', d);
        const p = document.createElement('p');
        p.textContent = t;
        p.id = 'odd';
        document.querySelector('#main')!.append(d ? el : p);
      },
      [text, attribute] as const,
    );
    expect(await firstFault(page)).not.toBeNull();
  }
});
