import { type Job, pieceOf, type Repair, withPiece } from '@/core/plan';
import type { Event } from '@/core/record';
import { sampleData } from '@/sample/jobs';
import { createSite } from './site.testing';
import type { Workspace } from './workspace';

/**
 * The workspace against a naive one: two tabs act at random over one store, writes fail and tabs are killed at any
 * moment. What was said to be saved must be there, once and unchanged; what two hands did to different fields must both
 * stand; nothing that is recorded may go.
 */

const [ramp] = sampleData(Date.UTC(2027, 3, 12, 6), 'Europe/Helsinki').bundles;
const JOB: Job = { ...ramp!.job, id: 'job', name: 'Yard' };
const model = ramp!.repairs[0]!;
const repairOf = (i: number): Repair => ({ ...model, id: `rep-${i}`, jobId: JOB.id, name: `Repair ${i}`, order: i });

/** A small generator of one's own, so that a failing row of acts can be had again by its number. */
function dice(seed: number) {
  let s = (seed * 2654435761 + 1) >>> 0;
  const next = () => {
    s = (Math.imul(s, 1664525) + 1013904223) >>> 0;
    return s / 0x1_0000_0000;
  };
  return {
    chance: (p: number) => next() < p,
    of: <T>(list: readonly T[]): T => list[Math.floor(next() * list.length)]!,
    to: (n: number) => Math.floor(next() * n),
  };
}

/** Fields that are changed, each by both tabs, with values that tell who wrote them. */
const FIELDS = ['name', 'place', 'crew', 'materialC'] as const;

async function play(seed: number): Promise<void> {
  const { chance, of, to } = dice(seed);
  const site = createSite();
  const tabs: Workspace[] = [];
  let opened = 0;
  const open = async () => {
    const t = site.tab(`t${opened++}`);
    void t.open();
    await site.rest();
    return t;
  };
  tabs.push(await open(), await open());
  tabs[0]!.addJob(JOB);
  for (let i = 0; i < 3; i++) tabs[0]!.addRepair(repairOf(i));
  site.now += 5000;
  await site.rest();

  /** The naive model: every event that was said to be saved, as it was said. */
  const said: Event[] = [];
  const ticked = new Set<string>();
  let values = 0;

  for (let act = 0; act < 14; act++) {
    site.now += to(3000);
    const t = of(tabs);
    const id = `rep-${to(3)}`;
    switch (
      of([
        'change',
        'change',
        'change',
        'note',
        'tick',
        'undo',
        'redo',
        'remove',
        'add',
        'rest',
        'fault',
        'kill',
      ] as const)
    ) {
      case 'change': {
        const field = of(FIELDS);
        const value = field === 'crew' ? 1 + to(9) : field === 'materialC' ? 5 + to(20) : `${field} ${values++}`;
        t.changeRepair(id, (r) => withPiece(r, { ...pieceOf(r), [field]: value }), field);
        break;
      }
      case 'note':
        void t.record(id, { kind: 'note', text: `note ${values++}` }, 'technician').then((e) => e && said.push(e));
        break;
      case 'tick': {
        const step = of(['prep:cut', 'prep:blow']);
        for (const each of chance(0.5) ? tabs : [t])
          void each.record(id, { kind: 'step-done', step }, 'technician').then((e) => {
            if (!e) return;
            said.push(e);
            ticked.add(`${id} ${step}`);
          });
        break;
      }
      case 'undo':
        t.undo();
        break;
      case 'redo':
        t.redo();
        break;
      case 'remove':
        t.removeRepair(id);
        break;
      case 'add':
        t.addRepair({ ...repairOf(10 + values++), id: `rep-x${values}` });
        break;
      case 'rest':
        await site.rest();
        break;
      case 'fault': {
        let left = 1 + to(3);
        site.fault = () => (left-- > 0 ? new DOMException('no room', 'QuotaExceededError') : null);
        break;
      }
      case 'kill': {
        // Some of what waits is on disk by then, some is not.
        if (chance(0.5)) await new Promise((resolve) => setImmediate(resolve));
        site.kill(t);
        tabs[tabs.indexOf(t)] = await open();
        break;
      }
    }
  }
  site.fault = null;
  site.now += 5000;
  await site.rest();
  await site.rest();

  const [a, b] = tabs as [Workspace, Workspace];
  const { holdings, setAside, conflicts } = await (await a.theStore()).load();
  const onDisk = new Map(holdings.event.map((e) => [e.id, e]));
  // Said to be saved: there, once, unchanged.
  for (const e of said) expect([seed, onDisk.get(e.id)]).toEqual([seed, e]);
  // One step is one event, however many hands ticked it.
  for (const key of ticked) {
    const [id, step] = key.split(' ');
    expect([
      seed,
      key,
      holdings.event.filter((e) => e.repairId === id && e.body.kind === 'step-done' && e.body.step === step).length,
    ]).toEqual([seed, key, 1]);
  }
  // No two events of one tab carry one number.
  expect(new Set(holdings.event.map((e) => `${e.device}/${e.sequence}`)).size).toBe(holdings.event.length);
  // What has a record is there.
  for (const e of holdings.event)
    expect([seed, holdings.repair.some((r) => r.id === e.repairId)]).toEqual([seed, true]);
  expect([seed, setAside]).toEqual([seed, []]);
  // Both tabs show what the disk holds, and nothing waits.
  for (const t of [a, b]) {
    const s = t.state.getState();
    expect([seed, s.waiting, s.trouble]).toEqual([seed, 0, null]);
    expect([seed, [...s.repairs.values()].map((r) => r.id).sort()]).toEqual([
      seed,
      holdings.repair.map((r) => r.id).sort(),
    ]);
    for (const r of holdings.repair)
      for (const f of FIELDS) expect([seed, f, pieceOf(s.repairs.get(r.id)!)[f]]).toEqual([seed, f, pieceOf(r)[f]]);
    expect([seed, s.events]).toEqual([
      seed,
      [...holdings.event].sort(
        (x, y) => x.at - y.at || (x.device < y.device ? -1 : x.device > y.device ? 1 : x.sequence - y.sequence),
      ),
    ]);
    expect([seed, s.conflicts.map((c) => c.id).sort()]).toEqual([seed, conflicts.map((c) => c.id).sort()]);
  }
  for (const t of tabs) await t.close();
}

test('five hundred random rows of acts in two tabs, with faults and kills', async () => {
  for (let seed = 1; seed <= 500; seed++) await play(seed);
});

/** The last value of each field by who wrote last to the disk: what two hands did to different fields of one draft. */
test('hands on different fields never ask and never lose, whatever order their writes come in', async () => {
  for (let seed = 1; seed <= 120; seed++) {
    const { of, chance } = dice(seed + 9000);
    const site = createSite();
    const [a, b] = [site.tab('a'), site.tab('b')];
    void a.open();
    void b.open();
    await site.rest();
    a.addJob(JOB);
    a.addRepair(repairOf(0));
    site.now += 5000;
    await site.rest();
    const last = new Map<string, unknown>();
    for (let i = 0; i < 12; i++) {
      const [tab, fields] = of([
        [a, ['name', 'crew']],
        [b, ['place', 'materialC']],
      ] as const);
      const field = of(fields);
      const value = field === 'crew' ? 1 + (i % 9) : field === 'materialC' ? i : `${field} ${i}`;
      tab.changeRepair('rep-0', (r) => withPiece(r, { ...pieceOf(r), [field]: value }), field);
      last.set(field, value);
      if (chance(0.3)) site.now += 1000;
      if (chance(0.4)) await site.rest();
    }
    site.now += 5000;
    await site.rest();
    for (const t of [a, b]) {
      const { repairs, conflicts } = t.state.getState();
      expect([seed, conflicts]).toEqual([seed, []]);
      for (const [field, value] of last)
        expect([seed, field, pieceOf(repairs.get('rep-0')!)[field as 'name']]).toEqual([seed, field, value]);
    }
  }
});

test('a fault at every write in turn loses nothing and leaves nothing half done', async () => {
  for (let failing = 0; failing < 8; failing++) {
    const site = createSite();
    const tab = site.tab('one');
    let n = 0;
    site.fault = () => (n++ === failing ? new DOMException('no room', 'QuotaExceededError') : null);
    void tab.open();
    await site.rest();
    tab.addJob(JOB);
    for (let i = 0; i < 3; i++) tab.addRepair(repairOf(i));
    const saved: string[] = [];
    void tab.startWork('rep-0', { p1: 20 }, 'foreman').then(() => saved.push('started'));
    void tab.record('rep-0', { kind: 'note', text: 'dry' }, 'technician').then(() => saved.push('note'));
    tab.changeRepair('rep-1', (r) => ({ ...r, name: 'Changed' }), 'name');
    tab.removeRepair('rep-2');
    for (let i = 0; i < 8; i++) {
      site.now += 3000;
      await site.rest();
    }
    const { holdings } = await (await tab.theStore()).load();
    expect(saved).toEqual(['started', 'note']);
    expect(holdings.event.map((e) => e.body.kind).sort()).toEqual(['note', 'started']);
    expect(holdings.snapshot).toHaveLength(1);
    expect(holdings.repair.map((r) => r.name).sort()).toEqual(['Changed', 'Repair 0']);
    expect(tab.state.getState()).toMatchObject({ waiting: 0, trouble: null });
    expect(n).toBeGreaterThan(failing);
  }
});
