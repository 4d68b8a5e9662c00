import { isTaken, METHODS, type Method, methodOf } from '@/core/method';
import { type Blend, FILLERS } from '@/core/mix';
import { type Piece, pieceOf } from '@/core/plan';
import { isMetered, type SheetRevision, systemKind } from '@/core/system';
import { boatSheets } from '@/sample/boat-systems';
import { sampleRecords } from '@/sample/jobs';
import { freshJob, freshRepair } from '@/ui/workspace/fresh';
import { at, firstPlanned, ZONE } from './made';

/**
 * What a person at the bench is told to weigh and to stir is what lies on the bench: by the material, whatever the
 * method.
 */
const NOW = at('2027-05-10T07:00');
const shelf = [
  ...new Map(
    [...sampleRecords(NOW, ZONE), ...boatSheets]
      .filter((r): r is SheetRevision => r.record === 'sheet')
      .map((s) => [s.id, s]),
  ).values(),
];
const job = { ...freshJob(NOW), zone: ZONE, startFrom: NOW };
const planned = (method: Method, sheet: SheetRevision, over: Partial<Piece> = {}) =>
  firstPlanned({ job, nowMs: NOW }, method, sheet, { over });
type Planned = ReturnType<typeof planned>;
/** What is said at setting out and at mixing the first batch. */
const told = (p: Planned, step: 'weigh' | 'mix'): string => {
  const of = step === 'weigh' ? /^(b1:weigh|weigh-all)$/ : /^b1:mix$/;
  return p.steps.find((s) => of.test(s.id))?.detail ?? '';
};
/** Each method with every pot of the shelf that serves it, planned. */
const potted = METHODS.map(
  (m) =>
    [
      m.id,
      () =>
        shelf
          .filter((s) => isTaken(m, s) && !isMetered(s.kind))
          .map((sheet) => ({ sheet, p: planned(m, sheet) }))
          .filter(({ p }) => p.batches.length > 0),
    ] as const,
);
/** Words that tell of one substance, and the roles one of which must be in the mix where they are said. */
const TELLS: readonly (readonly [RegExp, readonly string[]])[] = [
  [/\bsand\b|\bgrains\b/, ['aggregate']],
  [/\bcatalyst|\bperoxide|streak shows|inside its range/, ['catalyst']],
  [/\bpowder\b/i, ['powder']],
  [/\bwater\b/i, ['water']],
  [/\bfibre|\bfiller\b/, ['filler', 'resin']],
  [/thickener|as wanted/, ['thickener']],
];

test.each(potted)('%s: nothing is told to be mixed that is not in it, and every part is weighed by name', (_, pots) => {
  for (const { sheet, p } of pots()) {
    const batch = p.batches[0]!;
    const weigh = told(p, 'weigh');
    const roles = new Set<string>(sheet.parts.map((part) => part.role));
    // What the sheet says of its own manner is its own word.
    const said = `${weigh} ${told(p, 'mix')}`.replace(/As the sheet has it: [^.]*\./, '');
    for (const [word, one] of TELLS)
      if (word.test(said)) expect([said, one.some((role) => roles.has(role))]).toEqual([said, true]);
    expect(said).not.toMatch(/undefined|\[object|\{|\}| \.|\.\./);

    if (!weigh || (systemKind(sheet.kind).ownBag && batch.kits !== null)) continue;
    const masses = [...weigh.matchAll(/(?<figure>[\d.]+) (?<unit>k?g)(?: \([\d.]+ m?L\))? of (?<name>[^,.]+)/g)].map(
      ({ groups }) => ({
        grams: Number(groups!.figure) * (groups!.unit === 'kg' ? 1000 : 1),
        name: groups!.name!,
      }),
    );
    const mixed = sheet.parts.filter((part) => (batch.massG[part.id] ?? 0) > 0);
    expect([sheet.name, masses.map((m) => m.grams)]).toEqual([
      sheet.name,
      // Told to three figures at least.
      mixed.map((part) => expect.closeTo(batch.massG[part.id]!, 2.5 - Math.ceil(Math.log10(batch.massG[part.id]!)))),
    ]);
    expect([sheet.name, new Set(masses.map((m) => m.name)).size]).toEqual([sheet.name, mixed.length]);
  }
});

const cement = shelf.find((s) => s.kind === 'cement-water')!;
const liquid = shelf.find((s) => s.kind === 'liquid-resin' && s.limits.bases.includes('metal'))!;
const filler = shelf.find((s) => s.kind === 'polyester-filler')!;
const coat = shelf.find((s) => s.kind === 'finish-resin')!;
const plate = methodOf('plate-bond')!;
const blend = (over: Partial<Blend> = {}): Blend => ({
  consistency: 'stands',
  fillers: [
    { filler: 'fibre', share: 3, per100G: null },
    { filler: 'silica', share: 1, per100G: null },
  ],
  ...over,
});

test('a bag of cement is powder and water, not an A and a B', () => {
  const said = told(planned(methodOf('cement-patch')!, cement), 'weigh');
  expect(said).toMatch(/g of powder, [\d.]+ k?g \([\d.]+ m?L\) of water\./);
  expect(said).not.toMatch(/of [AB]\b/);
});

describe('a liquid that is thickened by oneself, as the finding asks', () => {
  const runs = planned(plate, liquid);
  const stands = planned(plate, liquid, { blend: blend() });
  const finding = (p: Planned) => p.findings.find((f) => f.id === 'thicken');

  test('before: it is cautioned; after: it is planned, and the caution is gone', () => {
    expect(finding(runs)!.severity).toBe('caution');
    expect(stands.problems).toEqual([]);
    expect(stands.batches.length).toBeGreaterThan(0);
    expect(finding(stands)).toBeUndefined();
  });
  test('fillers that leave it running do not end the caution', () => {
    const still = planned(plate, liquid, { blend: blend({ consistency: 'runs' }) });
    expect(still.problems).toEqual([]);
    expect(finding(still)!.why).toMatch(/still runs with the fillers chosen/);
  });
  test('each filler is weighed by its own name, three parts to one, and goes in before what makes it stiff', () => {
    const said = told(stands, 'weigh');
    const grams = (name: string) => Number(new RegExp(`([\\d.]+) g of ${name}`).exec(said)![1]);
    const [fibre, silica] = [grams(FILLERS.fibre.label), grams(FILLERS.silica.label)];
    expect(fibre / silica).toBeCloseTo(3, 1);
    expect(fibre + silica).toBeCloseTo(stands.batches[0]!.massG.C!, 0);
    expect(told(stands, 'mix')).toMatch(/then short fibres, folded in; fumed silica last, until it stands as wanted\./);
    expect(told(runs, 'mix')).not.toMatch(/fibres|silica|stands as wanted/);
  });
  test('every method that wants a paste takes it so, and none forgets to ask for it', () => {
    for (const method of METHODS) {
      const { flow, sand } = method.takes;
      if (!isTaken(method, liquid) || flow.includes('pours') || !flow.includes('paste')) continue;
      const [bare, made] = [planned(method, liquid), planned(method, liquid, { blend: blend() })];
      expect([method.id, finding(bare)?.severity, finding(made)]).toEqual([method.id, 'caution', undefined]);
      const unserved = (p: Planned) => p.problems.filter((x) => /does not serve/.test(x.sentence));
      expect([method.id, unserved(bare), unserved(made)]).toEqual([method.id, [], []]);
      const grains = planned(method, liquid, {
        blend: blend({ fillers: [{ filler: 'sand', share: 1, per100G: null }] }),
      });
      expect([method.id, grains.findings.some((f) => f.id === 'grains')]).toEqual([method.id, !sand]);
    }
  });
});

describe('the sheet’s own words of mixing', () => {
  const mix = (over: Partial<SheetRevision>) => told(planned(plate, { ...liquid, mixRpm: null, ...over }), 'mix');
  test('a silent sheet is folded or stirred slowly, by how its mix lies', () => {
    expect(mix({ mixManner: '' })).toMatch(/^B into A slowly: no air stirred in\. /);
    expect(mix({ mixManner: '', flow: 'paste' })).toMatch(/^B into A, folded, not whipped\. /);
  });
  test('what it says stands in place of ours, with the speed of its paddle', () => {
    const said = mix({ mixManner: 'Fold on a board.', mixRpm: { from: 300, to: 400 } });
    expect(said).toMatch(/^B into A\. As the sheet has it: Fold on a board; paddle at 300 to 400 turns a minute\. /);
    expect(mix({ mixManner: '', mixRpm: { from: 250, to: 250 } })).toMatch(/has it: paddle at 250 turns a minute\. /);
  });
});

test('a catalyst is set out as the hand counts it: drops or a length of strip, by its name', () => {
  const bench = { ...pieceOf(freshRepair(job.id, 'finish-coat', 1, NOW)).bench, dropsPerMl: 34, stripMm: 5 };
  const drops = told(planned(methodOf('finish-coat')!, coat, { bench: { ...bench, way: 'drops' } }), 'weigh');
  expect(drops).toMatch(new RegExp(`\\d+ drops of ${coat.parts[1]!.name}\\.`));
  const strip = told(planned(methodOf('body-filler')!, filler, { bench: { ...bench, way: 'strip' } }), 'mix');
  expect(strip).toMatch(new RegExp(`[\\d.]+ mm of ${filler.parts[1]!.name}\\.`));
  // Nobody has counted them: it is weighed, and Mix says what is missing.
  const uncounted = { ...bench, dropsPerMl: null, way: 'drops' as const };
  expect(told(planned(methodOf('finish-coat')!, coat, { bench: uncounted }), 'weigh')).toMatch(/g of /);
});
