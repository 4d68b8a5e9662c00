import { methodOf } from '@/core/method';
import { type Piece, pieceOf, type Repair, withPiece } from '@/core/plan';
import type { RepairView } from '@/core/record';
import { freshJob } from '@/ui/workspace/fresh';
import { plainWords } from '@/words';
import { at, firstRepair, untouched, ZONE } from './made';
import { ORDINARY } from './ordinary';
import { typed } from './papers';

/** What a finding offers as a press mends it: taken, it is gone, and nothing stands there that forbids. */
const NOW = at('2027-05-10T07:00');
const setAt = <T>(of: T, [key, ...rest]: readonly (string | number)[], value: unknown): T =>
  key === undefined
    ? (value as T)
    : { ...of, [key]: setAt((of as Record<string, unknown> | undefined)?.[key] ?? {}, rest, value) };

const CASES = ORDINARY.flatMap((row) =>
  [
    [8, 0.4, 1],
    [13, 0.6, 3],
    [18, 1, row[3]],
    [24, 1.8, 3],
  ].map(([tempC, by, count]) => [row[0], tempC!, by!, count!, row] as const),
);

const tried = new Set<string>();
test.each(CASES)('%s at %i °C, %f times as large, %i of them', (id, tempC, by, count, [, paper, dims]) => {
  const job = {
    ...freshJob(NOW),
    zone: ZONE,
    startFrom: NOW,
    climate: { kind: 'constant' as const, tempC, humidityPct: 60 },
  };
  const method = methodOf(id)!;
  const sheet = typed(paper, NOW);
  const repair = firstRepair({ job, nowMs: NOW }, method, sheet, { dims, count, by });
  const judged = (of: Repair): RepairView =>
    untouched(
      {
        job,
        repairs: [of],
        sheets: [sheet],
      },
      NOW,
    ).repairs[0]!;
  const found = (view: RepairView) => view.findings;
  const before = found(judged(repair));
  for (const finding of before)
    for (const { set, say } of finding.ways ?? []) {
      if (!set) continue;
      tried.add(`${finding.id} ${set.path.join('.')}`);
      const pressed = judged(withPiece(repair, setAt<Piece>(pieceOf(repair), set.path, set.value)));
      const title = plainWords(finding.title);
      const still = found(pressed).filter((f) => f.id === finding.id && plainWords(f.title) === title);
      const forbids = found(pressed).filter((f) => f.severity === 'stop' && !before.some((b) => b.id === f.id));
      expect([plainWords(say), pressed.plan.problems, still.length, forbids.map((f) => f.id)]).toEqual([
        plainWords(say),
        [],
        0,
        [],
      ]);
    }
});

test('presses of several kinds were tried among them', () => {
  expect([...tried].length).toBeGreaterThan(5);
});
