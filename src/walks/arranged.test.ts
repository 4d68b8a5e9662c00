import { ONLY_AIR, valueAt } from '@/core/climate';
import { calendarFile } from '@/core/file';
import { methodOf } from '@/core/method';
import { arranged, type Piece, pieceOf, withPiece } from '@/core/plan';
import type { Said } from '@/core/say';
import { freshJob } from '@/ui/workspace/fresh';
import { PLAIN_READER, say } from '@/words';
import { at, firstRepair, untouched, ZONE } from './made';
import { ORDINARY } from './ordinary';
import { typed } from './papers';

/** What a plan counts on that somebody has to see to beforehand: a tent from when it is up, packs kept at a place. */
const NOW = at('2027-05-10T10:00');
const HOUR = 3_600_000;
const [id, paper, dims] = ORDINARY.find(([method]) => method === 'mortar-patch')!;
const sheet = typed(paper, NOW);
const says = (said: Said) => say(said, { ...PLAIN_READER, zone: ZONE });

function planned(
  cover: Piece['base']['surroundings']['cover'],
  over: Partial<Piece> = {},
  known: Piece['base']['known'] = [],
) {
  const job = {
    ...freshJob(NOW),
    zone: ZONE,
    startFrom: NOW,
    workingHours: { fromHour: 7, toHour: 17, days: [1, 2, 3, 4, 5] },
    climate: { kind: 'constant' as const, tempC: 9, humidityPct: 60 },
  };
  const fresh = firstRepair({ job, nowMs: NOW }, methodOf(id)!, sheet, { dims });
  const { base, ...piece } = pieceOf(fresh);
  const repair = withPiece(fresh, {
    ...piece,
    ...over,
    base: { ...base, known, surroundings: { ...ONLY_AIR, cover } },
  });
  const view = untouched(
    {
      job,
      repairs: [repair],
      sheets: [sheet],
    },
    NOW,
  );
  const told = (finding: string) =>
    view.repairs[0]!.findings.filter((f) => f.id === finding).map(({ title, why, todo }) =>
      [title, why, todo].map(says),
    );
  return { view, plan: view.repairs[0]!.plan, told, calendar: calendarFile(view, says)!.replace(/\r\n /g, '') };
}
const mixMs = ({ plan }: ReturnType<typeof planned>) =>
  plan.steps.find((s) => s.marks?.begin?.includes('mix-begins'))!.startMs;
const TENT = { fromHour: 0, toHour: 24, warmK: 10 };

test('nothing is warmed before the tent is up, and all of it is once it has stood a while', () => {
  const upMs = NOW + 2 * HOUR;
  const base = (cover: Piece['base']['surroundings']['cover']) => planned(cover).plan.thermal!.base;
  const [none, late, always] = [base(null), base({ ...TENT, upMs }), base(TENT)];
  for (const ms of [NOW - 20 * HOUR, NOW, upMs - HOUR / 3]) expect(valueAt(late, ms)).toBeCloseTo(valueAt(none, ms), 9);
  // It climbs from there and comes to what it would be under a tent that always stood.
  let was = valueAt(late, upMs);
  for (let h = 1; h <= 12; h++) {
    const is = valueAt(late, upMs + h * HOUR);
    expect(is).toBeGreaterThan(was);
    expect(is).toBeLessThan(valueAt(always, upMs + h * HOUR));
    was = is;
  }
  expect(valueAt(late, upMs + 240 * HOUR)).toBeCloseTo(valueAt(always, upMs + 240 * HOUR), 1);
});

test('a tent is told with when it is up and until when it stays; one that stands already, as that; none, not at all', () => {
  const upMs = at('2027-05-10T12:00');
  const later = planned({ ...TENT, upMs });
  const [[title, why, todo]] = later.told('tent') as [string[]];
  expect(title).toBe('Planned under a tent or heater');
  expect(why).toMatch(/^The air at the face is reckoned 10 K warmer, day and night, from Mon( 10 May)? 12:00 on\.$/);
  expect(todo).toMatch(/^Have it up and on by then, leave it on until .*, and measure the base/);
  const stands = planned({ ...TENT, fromHour: 18, toHour: 9 });
  expect(stands.told('tent')[0]![1]).toMatch(/10 K warmer in its hours, and that it stands already\.$/);
  expect(planned(null).told('tent')).toEqual([]);
  expect(planned({ ...TENT, warmK: 0 }).told('tent')).toEqual([]);
  // A base whose temperature is known is as warm as it is known to be, whatever stands over it.
  expect(planned(TENT, {}, [{ atMs: NOW, tempC: 15 }]).told('tent')).toEqual([]);
});

test('the calendar has the tent where it is still to be put up, and only there', () => {
  const entry = /SUMMARY:Repair 1: tent and heater up and on/;
  expect(planned({ ...TENT, upMs: NOW + HOUR }).calendar).toMatch(entry);
  expect(planned({ ...TENT, upMs: NOW + HOUR }).calendar).toContain('DTSTART:20270510T080000Z');
  expect(planned({ ...TENT, upMs: NOW - HOUR }).calendar).not.toMatch(entry);
  expect(planned(TENT).calendar).not.toMatch(entry);
  expect(planned(null).calendar).not.toMatch(entry);
});

test('packs kept warmer than the air go to their place before a night; as warm as the air, nobody moves them', () => {
  const tomorrow = at('2027-05-11T08:00');
  const kept = planned(null, { materialC: 20, plannedStart: tomorrow });
  const [[title, why, todo]] = kept.told('kept') as [string[]];
  expect(title).toBe('Planned with packs kept warmer than the air');
  expect(why).toBe('They are reckoned at 20 °C; the air at the place has 9 °C when the first is mixed.');
  expect(todo).toMatch(/^Bring the closed packs to such a place by Mon( 10 May)? 16:30: it takes a night\./);
  expect(kept.calendar).toMatch(/SUMMARY:Repair 1: closed packs to 20 °C/);
  expect(kept.calendar).toContain('DTSTART:20270510T133000Z');
  expect(mixMs(kept) - at('2027-05-10T16:30')).toBeGreaterThan(8 * HOUR);
  // Mixed today there is no night before it.
  const today = planned(null, { materialC: 20 });
  expect(today.told('kept')[0]![2]).toMatch(/^Bring the closed packs to such a place now; until/);
  expect(today.calendar).not.toMatch(/closed packs/);
  expect(planned(null, { materialC: 3, plannedStart: tomorrow }).told('kept')[0]![0]).toMatch(/kept cooler/);
  for (const materialC of [null, 9, 12, 6]) expect(planned(null, { materialC }).told('kept')).toEqual([]);
  // Once the first is mixed they are there; begun upon before that, they still have to come.
  const mixed = planned(null, { materialC: 20, plannedStart: tomorrow });
  const mix = mixed.plan.steps.find((s) => s.marks?.begin?.includes('mix-begins'))!;
  for (const [over, left] of [
    [{}, 1],
    [{ begunAt: mix.startMs }, 0],
    [{ begunAt: mix.startMs, doneAt: mix.endMs }, 0],
  ] as const) {
    const steps = mixed.plan.steps.map((s) => (s.id === mix.id ? { ...s, ...over } : s));
    expect(arranged({ ...mixed.plan, steps }, mixed.view.job, NOW).filter((a) => a.what === 'kept')).toHaveLength(left);
  }
  // Over a weekend the last day before the night is Friday.
  const monday = planned(null, { materialC: 20, plannedStart: at('2027-05-17T08:00') });
  expect(monday.told('kept')[0]![2]).toMatch(/by Fri 16:30/);
});
