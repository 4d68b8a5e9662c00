import { methodOf } from '@/core/method';
import type { SheetRevision } from '@/core/system';
import { freshJob } from '@/ui/workspace/fresh';
import { at, firstPlanned, ZONE } from './made';
import { CANS, ORDINARY, POWDER, RING } from './ordinary';
import { typed } from './papers';

/**
 * Sheets as most papers are: a ratio, a pack, the working time and one time of service, each for one temperature, typed
 * into the form and everything else left. Whoever has nothing better gets a plan to its end.
 */
const NOW = at('2027-05-10T08:20');
const job = { ...freshJob(NOW), zone: ZONE, climate: { kind: 'constant' as const, tempC: 18, humidityPct: 60 } };

const planned = (methodId: string, sheet: SheetRevision, dims: Readonly<Record<string, number>>, count = 1) =>
  firstPlanned({ job, nowMs: NOW }, methodOf(methodId)!, sheet, { dims, count });

test.each(ORDINARY)('%s: planned to its end, with nothing that forbids', (id, paper, dims, count) => {
  const p = planned(id, typed(paper, NOW), dims, count);
  expect(p.problems).toEqual([]);
  expect(p.findings.filter((f) => f.severity === 'stop').map((f) => f.title)).toEqual([]);
  expect(p.untimed).toEqual([]);
  expect(p.steps.at(-1)!.id).toBe('release:tests');
  // A pot is stirred no longer than a practitioner stirs it.
  for (const s of p.steps.filter((x) => /^b\d+:mix$/.test(x.id)))
    expect((Date.parse(s.to!) - Date.parse(s.from!)) / 60_000).toBeLessThanOrEqual(3);
});

describe('what is built up bead by bead', () => {
  const p = planned('rebuilt-part', typed(POWDER('5 min'), NOW), {});

  test('is wetted as it is placed: one setting out, no pot that dies under it', () => {
    expect(p.batches).toHaveLength(1);
    const ids = p.steps.map((s) => s.id).filter((i) => /^b\d/.test(i));
    expect(ids).toEqual(['b1:weigh', 'b1:mix', 'b1:place']);
    expect(p.steps.find((s) => s.id === 'b1:mix')!.title).toBe('Wet a first bead aside');
    expect(p.steps.find((s) => s.id === 'b1:weigh')!.detail).toMatch(
      /g of powder, [\d.]+ g of liquid, each in a cup of its own/,
    );
    const place = p.steps.find((s) => s.id === 'b1:place')!;
    const beads = Number(/(\d+) beads/.exec(place.title)![1]);
    // Five beads a minute, longer than any one of them lives.
    expect((Date.parse(place.to!) - Date.parse(place.from!)) / 60_000).toBeCloseTo(beads / 5, 0);
    expect(beads / 5).toBeGreaterThan(6);
  });
  test('no clock of a pot runs beside it', () => {
    expect(p.milestones.filter((m) => m.kind === 'use-by')).toEqual([]);
    expect(p.milestones.find((m) => m.kind === 'load')!.plans).not.toBeNull();
    expect(p.findings.filter((f) => /^late|^tight|pot/.test(f.id))).toEqual([]);
  });
  test('however long one bead lives, it takes as much', () => {
    const slow = planned('rebuilt-part', typed(POWDER('60 min'), NOW), {});
    expect(slow.toMixMl).toBeCloseTo(p.toMixMl!, 9);
    expect(slow.batches).toHaveLength(1);
  });
});

test('can pairs that may be parted are weighed out for a pour; pails that may not are poured whole', () => {
  const cans = typed(CANS, NOW);
  const weighed = planned('poured-collar', cans, RING);
  expect(weighed.batches.map((b) => b.kits)).toEqual([null]);
  expect(weighed.findings.some((f) => f.id === 'waste')).toBe(false);
  const pails = { ...cans, kits: cans.kits.map((k) => ({ ...k, splittable: false })) };
  expect(planned('poured-collar', pails, RING).batches.map((b) => b.kits)).toEqual([1]);
});
