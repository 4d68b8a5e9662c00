import { isTaken, METHODS, type Method } from '@/core/method';
import { pieceOf, planJob, withPiece } from '@/core/plan';
import type { SheetRevision } from '@/core/system';
import { voidOf } from '@/core/void';
import { methodsData, sampleData, sampleRecords } from '@/sample/jobs';
import { freshJob, freshRepair } from '@/ui/workspace/fresh';
import { PLAIN_READER, say } from '@/words';
import { at, drawnShape, ZONE } from './made';

/**
 * Begun late in the day. Edges may be sawn and holes drilled the evening before; a face that is wiped, read and found
 * dry is mixed for at once: over a night there is dew and dust on it, and the base is another.
 */
const DAY = at('2027-05-10T00:00');
const HOUR = 3_600_000;
const sheets = [sampleData, methodsData]
  .flatMap((of) => sampleRecords(DAY, ZONE, of))
  .filter((r): r is SheetRevision => r.record === 'sheet');
const served = (method: Method): SheetRevision =>
  sheets.filter((s) => isTaken(method, s)).reduce((a, b) => (b.milestones.length > a.milestones.length ? b : a));

/** What is read or wiped right before it is mixed, as its step says. */
const READS = /\bread the (base|panel|temperature|moisture)|; dry\?|degrease|^dry\?/i;

/** A hole is cleaned, a coating tried on a hidden spot, and what goes on in its window finds its face as it was left. */
const NEVER = new Set([
  'anchor',
  'joint-colour',
  'poured-collar',
  'fitting-build',
  'stone-chip',
  'cement-patch',
  'fairing-skin',
]);

const planned = (method: Method, hour: string, count: number) => {
  const nowMs = at(`2027-05-10T${hour}`);
  const job = {
    ...freshJob(nowMs),
    zone: ZONE,
    startFrom: nowMs,
    climate: { kind: 'constant' as const, tempC: 18, humidityPct: 60 },
  };
  const fresh = freshRepair(job.id, method.id, 1, nowMs);
  const sheet = served(method);
  const repair = withPiece(fresh, {
    ...pieceOf(fresh),
    void: { ...voidOf(drawnShape(method)), count },
    sheetId: sheet.id,
    kitId: sheet.kits[0]!.id,
    answers: Object.fromEntries(method.questions.map((q) => [q.id, q.wants])),
  });
  return planJob({ job, repairs: [repair], sheets, stock: [], actuals: new Map(), nowMs }).repairs[0]!;
};

test.each(METHODS.map((m) => [m.id, m] as const))(
  '%s: what is read before it is mixed is read that day',
  (_, method) => {
    const read: string[] = [];
    for (const hour of ['15:20', '15:50', '16:20', '16:40'])
      for (const count of [1, 4]) {
        const { steps } = planned(method, hour, count);
        const mix = steps.find((s) => s.marks?.begin?.includes('mix-begins'));
        if (!mix) continue;
        const before = steps.filter(
          (s) => s.startMs < mix.startMs && READS.test(say(s.title, { ...PLAIN_READER, zone: ZONE })),
        );
        for (const s of before) {
          read.push(s.id);
          expect([hour, count, s.id, mix.startMs - s.endMs < 4 * HOUR]).toEqual([hour, count, s.id, true]);
        }
      }
    if (!NEVER.has(method.id)) expect(read.length).toBeGreaterThan(0);
  },
);
