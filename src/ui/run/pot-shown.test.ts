import { type MilestoneTime, sheetSays } from '@/core/plan';
import type { Milestone } from '@/core/system';
import { plainWords } from '@/words';
import { potShown, runningAt, standingWords } from './pot-shown';

const ZONE = 'Europe/Helsinki';
const NOW = Date.UTC(2026, 4, 5, 6);
const MIN = 60_000;
const milestone = (over: Partial<MilestoneTime>): MilestoneTime =>
  ({
    kind: 'use-by',
    label: 'Pot life or working time',
    batch: 0,
    part: null,
    originMs: NOW - 10 * MIN,
    planMs: NOW + 30 * MIN,
    standing: 'sheet',
    sheetSays: sheetSays({ table: { form: 'single', tempC: 20, fromMin: 40, toMin: 40 } } as Milestone, 20),
    ...over,
  }) as MilestoneTime;
const open = milestone({ kind: 'open', label: 'Open time' });
const release = milestone({ kind: 'release', label: 'Release of clamps', planMs: NOW + 600 * MIN });
const words: Parameters<typeof potShown>[1] = {
  standing: 'no clock runs',
  done: false,
  openMs: null,
  pot: '20 °C',
  zone: ZONE,
  nowMs: NOW,
  tell: plainWords,
};
const shown = (
  live: { clock: MilestoneTime; ofPot: boolean } | null,
  wait: MilestoneTime | null = null,
  over: Partial<typeof words> = {},
  doubtMs = 0,
) => potShown(runningAt(live, wait, { nowMs: NOW, spentMs: NOW + doubtMs }), { ...words, ...over });

test('a pot that lives tells what is left of it, when it dies and at what temperature', () => {
  expect(shown({ clock: milestone({}), ofPot: true })).toEqual({
    big: '30:00',
    over: 'left in the pot',
    of: 'of 40 min',
    says: 'dead at 09:30 · pot 20 °C',
    share: 0.75,
    mode: 'pot',
  });
  expect(shown({ clock: milestone({ standing: 'estimated' }), ofPot: true }).says).toMatch(/ · estimated$/);
});
test('one that is over counts on, and another working time says its own name and what its sheet says', () => {
  const dead = shown({ clock: milestone({ planMs: NOW - 2 * MIN }), ofPot: true });
  expect([dead.over, dead.mode, dead.share]).toEqual(['over the pot’s time by', 'over', 0]);
  expect(dead.big).toMatch(/2:00/);
  const skin = shown({ clock: open, ofPot: false });
  expect([skin.over, skin.says]).toEqual(['left of open time', 'over at 09:30 · 40 min at 20 °C']);
  expect(shown({ clock: { ...open, planMs: NOW - MIN }, ofPot: false }).over).toBe('over open time by');
});
test('while the time of day is in doubt a working time goes by the later, a wait by the earlier', () => {
  expect(shown({ clock: milestone({}), ofPot: true }, null, {}, 12 * MIN).big).toBe('18:00');
  expect(shown(null, release, {}, 12 * MIN).big).toBe(shown(null, release).big);
});
test('a wait fills; beside a clock that runs it is not told', () => {
  const waiting = shown(null, release);
  expect(waiting).toMatchObject({ over: 'until release of clamps', mode: 'wait', of: '' });
  expect(waiting.share).toBeCloseTo(10 / 610, 6);
  expect(waiting.says).toMatch(/^Release of clamps Tue 19:00$/);
  expect(shown({ clock: milestone({}), ofPot: true }, release).mode).toBe('pot');
});
test('without either it says why, and when it may be opened', () => {
  expect(shown(null)).toMatchObject({ big: '––:––', over: 'no clock runs', says: '', mode: 'idle' });
  const done = shown(null, null, { done: true, standing: 'all steps are ticked', openMs: NOW + 60 * MIN });
  expect(done).toMatchObject({ big: 'done', over: 'all steps are ticked', mode: 'set' });
  expect(done.says).toMatch(/^may be opened .*10:00$/);
});
test('why no clock runs: not begun, nothing that needs one, a wait without a time, or all of it done', () => {
  const step = {} as never;
  const stop = { label: 'Next lift' } as never;
  expect(standingWords({ started: false, step, stop: null })).toBe('not begun');
  expect(standingWords({ started: true, step, stop })).toBe('no clock runs');
  expect(standingWords({ started: true, step: undefined, stop })).toBe('no time for next lift');
  expect(standingWords({ started: true, step: undefined, stop: null })).toBe('all steps are ticked');
});
