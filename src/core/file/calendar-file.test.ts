import { PLAIN_READER, say } from '@/words';
import { methodsData, sampleData } from '../../sample/jobs';
import { actedOn, pieceOf, type RepairPlan, repairOf } from '../plan';
import { viewJob } from '../record';
import type { Said } from '../say';
import { calendarFile } from '.';

const NOW = Date.UTC(2026, 4, 5, 6);
const bundles = [...sampleData(NOW, 'Europe/Helsinki').bundles, ...methodsData(NOW, 'Europe/Helsinki').bundles];
const says = (said: Said) => say(said, PLAIN_READER);
const [ramp, winch] = bundles;

interface Entry {
  readonly uid: string;
  readonly summary: string;
  readonly fromMs: number;
  readonly toMs: number;
  readonly text: string;
}
/** An instant of a calendar. @example instant('20260505T060000Z') */
const instant = (text: string): number =>
  Date.parse(text.replace(/^(\d{4})(\d\d)(\d\d)T(\d\d)(\d\d)(\d\d)Z$/, '$1-$2-$3T$4:$5:$6Z'));
function entriesOf(text: string): readonly Entry[] {
  return text
    .replace(/\r\n /g, '')
    .split('BEGIN:VEVENT')
    .slice(1)
    .map((entry) => {
      const field = (name: string) => new RegExp(`^${name}:(.*)\r?$`, 'm').exec(entry)![1]!.trim();
      return {
        uid: field('UID'),
        summary: field('SUMMARY').replaceAll('\\', ''),
        fromMs: instant(field('DTSTART')),
        toMs: instant(field('DTEND')),
        text: entry,
      };
    });
}
const calendar = (b: (typeof bundles)[number]) => {
  const view = viewJob(b, NOW);
  return { view, entries: entriesOf(calendarFile(view, says)!) };
};

test('every entry is in UTC, has an alarm and a name that no other has, in chains of many pots, too', () => {
  for (const b of bundles) {
    const { entries } = calendar(b);
    expect(entries.length).toBeGreaterThan(2);
    expect(new Set(entries.map((e) => e.uid)).size).toBe(entries.length);
    for (const e of entries) {
      expect(e.text).toMatch(/DTSTART:\d{8}T\d{6}Z/);
      expect(e.text).toMatch(/BEGIN:VALARM/);
      expect(e.toMs).toBeGreaterThan(e.fromMs);
    }
  }
});

test('a wait is rounded up to the minute, never down; a clock that nobody acts on is not in it', () => {
  for (const b of bundles) {
    const { view, entries } = calendar(b);
    for (const { repair, plan, passes } of view.repairs)
      for (const m of plan.milestones) {
        const like = plan.milestones.filter((x) => x.kind === m.kind && x.passId === m.passId);
        if (m.planMs === null || (like.length > 2 && m !== like[0] && m !== like.at(-1))) continue;
        const at = entries.filter((e) => e.uid.startsWith(`${repair.id}-${m.passId}-${m.kind}-`));
        if (
          !actedOn(
            passes.map((p) => p.plan),
            m,
          )
        ) {
          expect([m.kind, at.length]).toEqual([m.kind, 0]);
          continue;
        }
        if (m.clock === 'waiting' && m.kind !== 'stand')
          expect(at.map((e) => e.fromMs)).toContain(Math.ceil(m.planMs / 60_000) * 60_000);
      }
  }
});

/** Entries that are stays at the place of a repair. */
const staysIn = (entries: readonly Entry[], repairId: string, plan: RepairPlan) =>
  entries.filter((e) =>
    plan.steps.some((s) =>
      new RegExp(`^${repairId}-${s.passId}-${s.id.replace(/[.*+?^${}()|[\]\\]/g, '\\$&')}(-day\\d+)?@`).test(e.uid),
    ),
  );

test('work that is longer than a day is in it day by day, and the nights between are free', () => {
  const eyes = { ...ramp!, repairs: ramp!.repairs.filter((r) => r.name === 'Landing step eyes') };
  const many = eyes.repairs.map((r) => repairOf({ ...pieceOf(r), void: { ...pieceOf(r).void!, count: 300 } }));
  const { view, entries } = calendar({ ...eyes, repairs: many });
  const { plan, repair } = view.repairs[0]!;
  const long = plan.steps.filter((s) => s.days && s.days.length > 1);
  expect(long.length).toBeGreaterThan(0);
  const stays = staysIn(entries, repair.id, plan);
  for (const e of stays) expect(e.toMs - e.fromMs).toBeLessThan(14 * 3_600_000);
  for (const day of long.flatMap((s) => s.days!))
    expect(stays.filter((e) => e.fromMs <= day.fromMs && e.toMs >= day.toMs)).toHaveLength(1);
});

test('every step still to be done lies within one stay at the place, and between two stays nobody is needed', () => {
  for (const b of bundles) {
    const { view, entries } = calendar(b);
    for (const { repair, plan, actuals } of view.repairs) {
      if (actuals.released) continue;
      const stays = staysIn(entries, repair.id, plan);
      for (const s of plan.steps.filter((x) => x.doneAt === null))
        for (const { fromMs, toMs } of s.days ?? [{ fromMs: s.startMs, toMs: s.endMs }])
          expect([s.id, stays.filter((e) => e.fromMs <= fromMs && e.toMs >= toMs).length]).toEqual([s.id, 1]);
      for (const [i, e] of stays.entries())
        if (i > 0) expect(e.fromMs - stays[i - 1]!.toMs).toBeGreaterThanOrEqual(13 * 60_000);
    }
  }
});

test('of forty holes the first and the last are in it, not each of them', () => {
  const eyes = { ...ramp!, repairs: ramp!.repairs.filter((r) => r.name === 'Landing step eyes') };
  const many = eyes.repairs.map((r) => repairOf({ ...pieceOf(r), void: { ...pieceOf(r).void!, count: 40 } }));
  const { entries } = calendar({ ...eyes, repairs: many });
  const loads = entries.filter((e) => /full load/.test(e.summary));
  expect(loads.map((e) => e.summary)).toEqual([
    expect.stringContaining('eyes, hole 1: it may bear'),
    expect.stringContaining('eyes, hole 40: it may bear'),
  ]);
  expect(entries.length).toBeLessThan(20);
});

test('work that has not begun begins in it; whoever comes back is told to what', () => {
  const { view, entries } = calendar(ramp!);
  const [patch] = view.repairs;
  const first = entries.find((e) => e.summary === 'Bay 3 nosing: work begins')!;
  expect(first.fromMs).toBe(Math.floor(patch!.plan.steps[0]!.startMs / 60_000) * 60_000);
  // The second lift waits for the first.
  expect(entries.map((e) => e.summary)).toContain('Bay 3 nosing: Set out batch 2 of 2');
  // What is under way goes on with the step that is next.
  expect(calendar(winch!).entries.some((e) => /work begins/.test(e.summary))).toBe(false);
  expect(calendar(winch!).entries.map((e) => e.summary)).toContain('Winch plate: Spread, both faces');
});

test('in a chain the pass and the pot are named, and it says what is so from then on', () => {
  const summaries = bundles.flatMap((b) => calendar(b).entries.map((e) => e.summary));
  expect(summaries).toContain('Skin fitting, port side · Build, batch 2: the pot is over');
  expect(summaries).toContain('Winch plate: it may bear its full load');
  for (const s of summaries) expect(s).not.toMatch(/reached|until over|from reached/);
});

test('it keeps to its format: octets folded, control characters out, durations whole, none of nothing', () => {
  const named = {
    ...winch!,
    repairs: winch!.repairs.map((r) => ({ ...r, name: `💧${'ø'.repeat(90)}\r\u0000;,\\\nEND:VEVENT` })),
  };
  const text = calendarFile(viewJob(named, NOW), says)!;
  expect(text).toMatch(/^BEGIN:VCALENDAR\r\n/);
  expect(text.endsWith('END:VCALENDAR\r\n')).toBe(true);
  for (const line of text.split('\r\n')) {
    expect(Buffer.byteLength(line)).toBeLessThanOrEqual(75);
    // biome-ignore lint/suspicious/noControlCharactersInRegex: those must not be there
    expect(line).not.toMatch(/[\u0000-\u0008\u000B-\u001F]/);
  }
  // A name cannot end an entry and begin another.
  expect(text.match(/^END:VEVENT/gm)).toHaveLength(text.match(/^BEGIN:VEVENT/gm)!.length);
  expect(text.match(/TRIGGER:(.*)\r/)![1]).toBe('PT0S');
  expect(calendarFile(viewJob({ ...winch!, repairs: [], events: [] }, NOW), says)).toBeNull();
});
