import { repairOf } from '@/core/plan';
import type { SheetRevision } from '@/core/system';
import { voidOf } from '@/core/void';
import { curve, ratioOf } from '@/sample/sheet-words';
import { cFor, chased, job, NOW, piece, sheet } from './crack';
import { draws, minutesAt, unionMm2 } from './draws';
import { baseAt, printedPlan } from './made';

test('random cracks agree with a count by hand: poured and cleaned up in time, ground between first and last', () => {
  for (const d of draws(30)) {
    const run = d.of(1000, 15_000, 100);
    const slot = [d.of(2, 6, 0.5), d.of(20, 60, 1)] as const;
    const vee = [d.of(8, 24, 1), d.of(8, 30, 1)] as const;
    const [overfill, sand, rate, clean] = [d.of(0, 20, 1), d.of(0.5, 2.4, 0.1), d.of(100, 500, 10), d.of(0, 1.5, 0.25)];
    const [lost, lives, mixMin] = [d.of(5, 40, 5), d.of(6, 14, 0.5), d.of(0.5, 1.5, 0.25)];
    const [materialC, baseC] = [d.of(10, 20, 0.5), d.of(5, 20, 0.5)];
    const mine: SheetRevision = {
      ...sheet,
      mixMin,
      ratio: ratioOf({ basis: 'weight', a: 100, b: 100, cByWeight: cFor(sand) }),
      potLossMl: lost,
      milestones: [
        curve('use-by', 'mix-begins', 'pot', [
          [10, lives, lives],
          [20, lives / 2, lives / 2],
        ]),
        ...sheet.milestones.slice(1),
      ],
    };
    const of = piece({
      void: voidOf(chased(run, slot, vee)),
      materialC,
      settings: { overfill, rate, clean },
    });
    const base = { ...of.base, known: baseAt(['2027-04-21T00:00', baseC]) };
    const p = printedPlan({ job, repairs: [repairOf({ ...of, base })], sheets: [mine] }, NOW).repairs[0]!;

    const netMl = (unionMm2(slot, vee) * run) / 1000;
    const fillMl = netMl * (1 + overfill / 100);
    const pours = minutesAt(Math.max(materialC, baseC), [10, lives], [20, lives / 2]) - mixMin - clean;
    const pots = Math.ceil(fillMl / (pours * rate - lost) - 1e-6);
    expect([d.n, p.problems, p.volumeMl!.nominal / netMl, p.batches.length]).toEqual([
      d.n,
      [],
      expect.closeTo(1, 2),
      pots,
    ]);
    const potMl = fillMl / pots + lost;
    // Never so much sand here that the liquid would not fill what is between its grains.
    const liquid = potMl / (1 + (sand * 1.58) / 2.64);
    expect(p.batches[0]!.ml / potMl).toBeCloseTo(1, 2);
    expect(p.batches[0]!.volumeMl.A! / (liquid / 2)).toBeCloseTo(1, 2);
    expect(p.batches[0]!.massG.C! / (liquid * sand * 1.58)).toBeCloseTo(1, 2);
    const poured = p.steps.filter((s) => s.id.endsWith(':pour')).map((s) => Date.parse(s.to!));
    const clock = (kind: string) => Date.parse(p.milestones.findLast((m) => m.kind === kind)!.plans!);
    expect((clock('sandable') - poured.at(-1)!) / 60_000).toBeCloseTo(minutesAt(baseC, [5, 110], [20, 50]), 0);
    expect((clock('sandable-until') - poured[0]!) / 60_000).toBeCloseTo(minutesAt(baseC, [5, 480], [20, 240]), 0);
  }
});
