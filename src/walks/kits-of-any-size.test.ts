import fc from 'fast-check';
import { methodOf } from '@/core/method';
import { freshJob } from '@/ui/workspace/fresh';
import { at, firstPlanned, ZONE } from './made';
import { typed } from './papers';

/**
 * Kits from a cup to a drum, planned for the first time: neither the tub nor the pace that nobody chose forbids one, or
 * sends for a second where the first holds what may be wanted.
 */
const NOW = at('2027-05-10T08:20');
const job = { ...freshJob(NOW), zone: ZONE };
const kit = (perKg: number, sandG: number) =>
  typed(
    [
      'mortar-kit',
      '2:1 by weight',
      `${1000 * perKg} g, ${500 * perKg} g, ${sandG * perKg} g`,
      'use-by 40 min, gel 2 h, foot 12 h, load 24 h, next-lift 5 h, recoat-until 24 h',
      { cByWeight: '8' },
    ],
    NOW,
  );

test.each(['mortar-patch', 'poured-collar'])('%s: of every size there is a plan, and no kit too many', (id) => {
  fc.assert(
    fc.property(
      fc.integer({ min: 1, max: 40 }),
      // A pack of more or less sand than its ratio asks for is told on its sheet, and planned all the same.
      fc.constantFrom(3000, 4000, 6000),
      fc.integer({ min: 1, max: 3 }),
      (perKg, sandG, count) => {
        const p = firstPlanned({ job, nowMs: NOW }, methodOf(id)!, kit(perKg, sandG), { count });
        expect(p.problems.map((x) => x.sentence)).toEqual([]);
        const { use, buy, leftMl } = p.kits!;
        const volumeMl = (leftMl + p.toMixMl!) / buy;
        expect(buy).toBe(Math.max(use, Math.ceil(p.onHandMl! / volumeMl - 1e-9)));
        expect(p.findings.some((f) => f.id.startsWith('sheet:flaw'))).toBe(sandG !== 4000);
      },
    ),
    { numRuns: 40 },
  );
});
