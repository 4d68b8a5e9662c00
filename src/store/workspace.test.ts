import { type Job, pieceOf, type Repair, withPiece } from '@/core/plan';
import { viewJob } from '@/core/record';
import { sampleData } from '@/sample/jobs';
import { backup, restore } from './backup';
import { exportJob, importJob } from './exchange';
import { createSite, type Site } from './site.testing';
import { bundleOf, orphansOf } from './state';
import type { Workspace } from './workspace';

const [ramp, winch] = sampleData(Date.UTC(2027, 3, 12, 6), 'Europe/Helsinki').bundles;
const job: Job = { ...ramp!.job, id: 'job-1', name: 'Boat shed', place: '' };
const repair: Repair = { ...ramp!.repairs[0]!, id: 'rep-1', jobId: job.id, name: 'Sill', place: '' };

let site: Site;
let tab: Workspace;
const now = (t = tab) => t.state.getState();
const disk = async () => (await tab.theStore()).load();
const opened = async (name: string): Promise<Workspace> => {
  const t = site.tab(name);
  void t.open();
  await site.rest();
  return t;
};
/** Lets a hand rest, so that the next change is another act. */
const pause = async () => {
  site.now += 2000;
  await site.rest();
};
beforeEach(async () => {
  site = createSite();
  tab = await opened('one');
  tab.addJob(job);
  tab.addRepair(repair);
  await pause();
});

describe('undo and redo', () => {
  test('go through every kind of change, and what is undone is off the disk too', async () => {
    tab.changeRepair(repair.id, (r) => ({ ...r, name: 'Threshold' }), 'name');
    tab.changeJob(job.id, (j) => ({ ...j, place: 'north side' }), 'place');
    await pause();
    tab.undo();
    expect([now().jobs.get(job.id)!.place, now().repairs.get(repair.id)!.name]).toEqual(['', 'Threshold']);
    tab.undo();
    expect(now().repairs.get(repair.id)!.name).toBe('Sill');
    tab.redo();
    tab.redo();
    expect([now().jobs.get(job.id)!.place, now().repairs.get(repair.id)!.name]).toEqual(['north side', 'Threshold']);
    tab.undo();
    await pause();
    const { holdings } = await disk();
    expect(holdings.job.find((j) => j.id === job.id)!.place).toBe('');
    expect(holdings.repair.find((r) => r.id === repair.id)!.name).toBe('Threshold');
  });

  test('what is undone before it was on the disk never comes back, not for a moment', async () => {
    const other = { ...repair, id: 'rep-9', name: 'Quoin' };
    tab.addRepair(other);
    tab.undo();
    const seen: boolean[] = [];
    const stop = tab.state.subscribe((s) => seen.push(s.repairs.has(other.id)));
    await pause();
    stop();
    expect(seen.length).toBeGreaterThan(0);
    expect(seen).not.toContain(true);
    expect((await disk()).holdings.repair.map((r) => r.id)).not.toContain(other.id);
    // Brought again by redo it is there, and stays.
    tab.redo();
    expect(now().repairs.has(other.id)).toBe(true);
    await pause();
    expect(now().repairs.has(other.id)).toBe(true);
    expect((await disk()).holdings.repair.map((r) => r.id)).toContain(other.id);
  });

  test('a quick row of one kind of change is one step; another kind begins a new one', () => {
    for (let i = 2; i <= 5; i++) tab.changeRepair(repair.id, (r) => ({ ...r, crew: i }), 'crew');
    tab.changeRepair(repair.id, (r) => withPiece(r, { ...pieceOf(r), reserve: !pieceOf(r).reserve }), 'reserve');
    tab.undo();
    expect(now().repairs.get(repair.id)).toMatchObject({
      crew: 5,
      passes: { p1: { reserve: repair.passes.p1!.reserve } },
    });
    tab.undo();
    expect(now().repairs.get(repair.id)!.crew).toBe(repair.crew);
  });

  test('what one pull changes is one step however slowly it is pulled; the next pull is another', () => {
    const wider = (n: number) => tab.changeRepair(repair.id, (r) => ({ ...r, crew: n }), 'crew');
    const slowly = (to: readonly number[]) => {
      tab.hold(true);
      for (const n of to) {
        site.now += 3000;
        wider(n);
      }
      tab.hold(false);
    };
    slowly([2, 3, 4]);
    site.now += 3000;
    slowly([5, 6]);
    // Let go of, a slow change by the same key is one of its own again.
    site.now += 3000;
    wider(7);
    const back: number[] = [];
    for (let i = 0; i < 3; i++) {
      tab.undo();
      back.push(now().repairs.get(repair.id)!.crew);
    }
    expect(back).toEqual([6, 4, repair.crew]);
  });

  test('a new change after undoing leaves nothing to redo; nothing to undo changes nothing', async () => {
    tab.changeRepair(repair.id, (r) => ({ ...r, crew: 2 }), 'crew');
    tab.undo();
    await pause();
    tab.changeRepair(repair.id, (r) => ({ ...r, crew: 3 }), 'crew');
    tab.redo();
    expect(now().repairs.get(repair.id)!.crew).toBe(3);
    for (let i = 0; i < 5; i++) tab.undo();
    const { repairs } = now();
    tab.undo();
    tab.changeRepair('nobody', (r) => ({ ...r, crew: 9 }));
    expect(now().repairs).toBe(repairs);
  });

  test('it never takes back what another tab did, nor what another tab has changed since', async () => {
    const other = await opened('two');
    tab.changeRepair(repair.id, (r) => ({ ...r, name: 'Threshold' }), 'name');
    await pause();
    other.changeRepair(repair.id, (r) => ({ ...r, name: 'Doorstep' }), 'name');
    other.addJob({ ...job, id: 'job-2', name: 'Theirs' });
    await pause();
    tab.undo();
    expect(now().repairs.get(repair.id)!.name).toBe('Doorstep');
    expect(now().notUndone).toEqual({ name: 'Doorstep', why: 'changed' });
    // Further back it goes on with its own acts, and the other's job stays.
    tab.undo();
    tab.undo();
    await pause();
    expect([...(await disk()).holdings.job].map((j) => j.name)).toContain('Theirs');
  });

  test('a job whose work has begun is not undone away', async () => {
    await Promise.all([tab.startWork(repair.id, { p1: 20 }, 'foreman'), pause()]);
    tab.undo();
    tab.undo();
    expect(now().notUndone!.why).toBe('recorded');
    await pause();
    expect((await disk()).holdings.job).toHaveLength(1);
    expect((await disk()).holdings.repair).toHaveLength(1);
  });

  test('what is changed under the work is taken by planning anew, or taken back; both are kept', async () => {
    tab.write(ramp!.sheets.map((record) => ({ does: 'add' as const, record })));
    await Promise.all([tab.startWork(repair.id, { p1: 20 }, 'foreman'), pause()]);
    const view = () => viewJob(bundleOf(now(), job.id)!, site.now).repairs[0]!;
    const thinner = (liftMm: number) =>
      tab.changeRepair(repair.id, (r) => withPiece(r, { ...pieceOf(r), liftMm }), 'lift');
    thinner(9);
    expect(view().changes.map((c) => c.path.at(-1))).toEqual(['liftMm']);
    tab.takeChangesBack(repair.id);
    expect([view().changes, pieceOf(now().repairs.get(repair.id)!).liftMm]).toEqual([[], null]);
    thinner(8);
    await Promise.all([tab.replan(repair.id, 'foreman'), pause()]);
    expect(view().changes).toEqual([]);
    expect(view().plan.piece.liftMm).toBe(8);
    // What it is worked by now lies on the disk, beside what it began with.
    const { holdings } = await disk();
    expect(holdings.snapshot.map((s) => pieceOf(s.repairs.find((r) => r.id === repair.id)!).liftMm)).toEqual([null, 8]);
    const anew = holdings.event.find((e) => e.body.kind === 'replanned')!;
    expect(anew.body).toMatchObject({ usable: { p1: expect.any(Number) } });
    await Promise.all([tab.replan('nobody', 'foreman'), pause()]);
    expect((await disk()).holdings.event).toHaveLength(holdings.event.length);
  });

  test('one begun in another tab that this one has not heard of is kept by the disk', async () => {
    const other = await opened('two');
    // The word of the other tab is lost.
    site.memory.ears.clear();
    await Promise.all([other.record(repair.id, { kind: 'note', text: 'dry' }, 'technician'), pause()]);
    expect(tab.removeRepair(repair.id)).toBe(true);
    await pause();
    expect((await disk()).holdings.repair.map((r) => r.id)).toEqual([repair.id]);
    expect(now().repairs.has(repair.id)).toBe(true);
  });
});

describe('the record', () => {
  test('shows an event when it is on disk, not before; a failed write is said, kept and written when there is room', async () => {
    site.fault = () => new DOMException('no room', 'QuotaExceededError');
    let saved = false;
    void tab.record(repair.id, { kind: 'note', text: 'dry' }, 'technician').then(() => {
      saved = true;
    });
    await site.rest();
    expect([saved, now().events.length, now().waiting, now().trouble?.is]).toEqual([false, 0, 1, 'full']);
    site.fault = null;
    await pause();
    expect([saved, now().events.length, now().waiting, now().trouble]).toEqual([true, 1, 0, null]);
    expect((await disk()).holdings.event).toHaveLength(1);
  });

  test('readings stand at their own time; every event of a tab has a number of its own', async () => {
    await Promise.all([tab.record(repair.id, { kind: 'note', text: 'dry' }, 'technician'), pause()]);
    const readings = [1, 2, 3].map(
      (i) =>
        ({ body: { kind: 'reading', channel: 'base', valueC: 10 + i, source: 'logger.csv' }, at: 1000 * i }) as const,
    );
    await Promise.all([tab.recordAll(repair.id, readings, 'technician'), pause()]);
    expect(now().events.map((e) => e.body.kind)).toEqual(['reading', 'reading', 'reading', 'note']);
    expect(new Set(now().events.map((e) => e.sequence)).size).toBe(4);
    expect(await tab.recordAll('nobody', [{ body: { kind: 'note', text: 'lost' } }], 'technician')).toEqual([]);
  });

  test('a step ticked in two tabs at once is one event, and both tabs say so', async () => {
    const other = await opened('two');
    const body = { kind: 'step-done', step: 'prep:cut' } as const;
    const [a, b] = await Promise.all([
      tab.recordAll(repair.id, [{ body }], 'technician'),
      other.recordAll(repair.id, [{ body }], 'foreman'),
      pause(),
    ]);
    expect(a).toHaveLength(1);
    expect(a).toEqual(b);
    expect((await disk()).holdings.event).toHaveLength(1);
    expect(now(other).events).toEqual(now().events);
    expect(now().events).toHaveLength(1);
  });

  test('work begins from a plan that is kept as it stood', async () => {
    await Promise.all([tab.startWork(repair.id, { p1: 21 }, 'foreman'), pause()]);
    const begun = now().events.find((e) => e.body.kind === 'started')!;
    const snapshot = now().snapshots.get((begun.body as { snapshotId: string }).snapshotId)!;
    tab.changeRepair(repair.id, (r) => ({ ...r, name: 'Renamed' }), 'name');
    expect(
      now()
        .snapshots.get(snapshot.id)!
        .repairs.find((r) => r.id === repair.id)!.name,
    ).toBe('Sill');
    expect(tab.removeRepair(repair.id)).toBe(false);
  });
});

describe('two tabs', () => {
  test('changes of two fields both stand, also while one of them is not written yet', async () => {
    const other = await opened('two');
    tab.changeRepair(repair.id, (r) => ({ ...r, name: 'Threshold' }), 'name');
    other.changeRepair(repair.id, (r) => ({ ...r, place: 'east door' }), 'place');
    await pause();
    for (const t of [tab, other])
      expect(now(t).repairs.get(repair.id)).toMatchObject({ name: 'Threshold', place: 'east door' });
    expect((await disk()).holdings.repair[0]).toMatchObject({ name: 'Threshold', place: 'east door' });
    expect(now().conflicts).toEqual([]);
  });

  test('changes of one field are shown side by side, and the one that is chosen stands in both', async () => {
    const other = await opened('two');
    tab.changeRepair(repair.id, (r) => ({ ...r, name: 'Threshold' }), 'name');
    other.changeRepair(repair.id, (r) => ({ ...r, name: 'Doorstep' }), 'name');
    await pause();
    const [conflict] = now(other).conflicts;
    expect(conflict).toMatchObject({ path: ['name'], from: 'tab' });
    expect(new Set([conflict!.here, conflict!.other])).toEqual(new Set(['Threshold', 'Doorstep']));
    const wanted = conflict!.other;
    await Promise.all([other.settle(conflict!, 'other'), pause()]);
    for (const t of [tab, other]) {
      expect(now(t).repairs.get(repair.id)!.name).toBe(wanted);
      expect(now(t).conflicts).toEqual([]);
    }
  });

  test('one removed while it is changed elsewhere is asked about, and can be put back', async () => {
    const other = await opened('two');
    expect(other.removeRepair(repair.id)).toBe(true);
    tab.changeRepair(repair.id, (r) => ({ ...r, name: 'Threshold' }), 'name');
    await pause();
    const [conflict] = now().conflicts;
    expect(conflict).toMatchObject({ recordId: repair.id, path: [] });
    expect(now().repairs.has(repair.id)).toBe(false);
    await Promise.all([tab.settle(conflict!, 'other'), pause()]);
    expect(now(other).repairs.get(repair.id)!.name).toBe('Threshold');
  });

  test('a tab that dies before it has written leaves its changes to the next one', async () => {
    site.fault = () => new Error('not now');
    tab.changeRepair(repair.id, (r) => ({ ...r, name: 'Threshold' }), 'name');
    await site.rest();
    site.kill(tab);
    site.fault = null;
    tab = await opened('three');
    expect(now().repairs.get(repair.id)!.name).toBe('Threshold');
    // What was removed meanwhile does not come back from a journal.
    expect(tab.removeRepair(repair.id)).toBe(true);
    await pause();
    tab = await opened('four');
    expect(now().repairs.has(repair.id)).toBe(false);
  });
});

describe('files', () => {
  test('out and in again in an empty browser: the same job', async () => {
    await Promise.all([tab.record(repair.id, { kind: 'note', text: 'dry' }, 'technician'), pause()]);
    tab.write([{ does: 'add', record: ramp!.sheets.find((s) => s.id === pieceOf(repair).sheetId)! }]);
    await pause();
    const text = exportJob(tab, job.id);
    const before = bundleOf(now(), job.id);
    site = createSite();
    tab = await opened('elsewhere');
    const [came] = await Promise.all([importJob(tab, text), site.rest()]);
    expect(came).toEqual({ jobId: job.id, newEvents: 1, added: 3, same: 0, merged: false, conflicts: 0 });
    expect(bundleOf(now(), job.id)).toEqual(before);
  });

  const theirs = async (change: (text: string) => string) => {
    await Promise.all([
      tab.write([{ does: 'add', record: ramp!.sheets.find((s) => s.id === pieceOf(repair).sheetId)! }]),
      pause(),
    ]);
    await Promise.all([tab.record(repair.id, { kind: 'note', text: 'dry' }, 'technician'), pause()]);
    return change(exportJob(tab, job.id));
  };

  test('a copy that went on elsewhere: drafts that differ are shown, and either may be kept', async () => {
    const file = await theirs((t) => t.replace('"Sill"', '"Sill, outside"'));
    const [came] = await Promise.all([importJob(tab, file), site.rest()]);
    expect(came).toMatchObject({ merged: true, newEvents: 0, added: 0, same: 3, conflicts: 1 });
    expect(now().repairs.get(repair.id)!.name).toBe('Sill');
    await Promise.all([tab.settle(now().conflicts[0]!, 'other'), pause()]);
    expect(now().repairs.get(repair.id)!.name).toBe('Sill, outside');
    // Taken in once more nothing is new and nothing differs.
    const [again] = await Promise.all([importJob(tab, file), site.rest()]);
    expect(again).toMatchObject({ newEvents: 0, same: 4, conflicts: 0 });
  });

  test('a file never rewrites an event that is here: both are kept, and the count says so', async () => {
    const file = await theirs((t) => t.replace('"text": "dry"', '"text": "dripping wet"'));
    const [came] = await Promise.all([importJob(tab, file), site.rest()]);
    expect(came).toMatchObject({ newEvents: 0, conflicts: 1 });
    expect(now().events.map((e) => e.body)).toEqual([{ kind: 'note', text: 'dry' }]);
    expect(now().conflicts[0]).toMatchObject({ kind: 'event', other: { body: { text: 'dripping wet' } } });
    await Promise.all([tab.settle(now().conflicts[0]!, 'both'), pause()]);
    expect(
      now()
        .events.map((e) => (e.body as { text: string }).text)
        .sort(),
    ).toEqual(['dripping wet', 'dry']);
  });

  test('ids that belong to another job are refused with the place, and nothing changes', async () => {
    const file = await theirs((t) => t.replaceAll(`"${job.id}"`, '"job-9"'));
    const before = now();
    await expect(importJob(tab, file)).rejects.toThrow(/Number 1 of repairs/);
    expect(now().jobs).toBe(before.jobs);
    expect(now().events).toBe(before.events);
  });

  test('a damaged file is refused and changes nothing', async () => {
    const before = now();
    await expect(importJob(tab, '{"format":"grenko-job"')).rejects.toThrow(/damaged/);
    expect(now()).toBe(before);
  });

  test('the whole database goes out as one zip and comes back in an empty browser; twice in it adds nothing', async () => {
    const records = [winch!.job, ...winch!.repairs, ...ramp!.sheets, ...winch!.snapshots, ...winch!.events];
    const once = [...new Map([...records, ...winch!.sheets].map((r) => [`${r.record}/${r.id}`, r])).values()];
    await Promise.all([tab.write(once.map((record) => ({ does: 'add', record }) as const)), pause()]);
    const photo = {
      record: 'attachment',
      version: 1,
      id: 'photo-1',
      jobId: job.id,
      eventId: null,
      type: 'image/jpeg',
      data: 'AAAA',
    } as const;
    await Promise.all([tab.putAttachment(photo), pause()]);
    const zip = backup(tab);
    const sorted = (t: Workspace) =>
      [job.id, winch!.job.id].map((id) => {
        const { job: j, repairs, sheets, stock, events } = bundleOf(now(t), id)!;
        const named = <T extends { id: string }>(list: readonly T[]) =>
          [...list].sort((a, b) => (a.id < b.id ? -1 : 1));
        return [j, named(repairs), named(sheets), named(stock), named(events)];
      });
    const before = sorted(tab);
    site = createSite();
    tab = await opened('elsewhere');
    const [first] = await Promise.all([restore(tab, zip), pause()]);
    expect(first).toMatchObject({ jobs: 2, failed: [], conflicts: 0, newEvents: winch!.events.length });
    expect(sorted(tab)).toEqual(before);
    expect(now().attachments.get('photo-1')).toEqual(photo);
    const [again] = await Promise.all([restore(tab, zip), pause()]);
    expect(again).toMatchObject({ added: 0, newEvents: 0, conflicts: 0 });
    await expect(restore(tab, zip.slice(0, 200))).rejects.toThrow(/not a whole zip/);
    await expect(restore(tab, new Uint8Array())).rejects.toThrow(/not a whole zip/);
  });
});

test('a job is deleted with everything of it; orphans are found, not dropped', async () => {
  await Promise.all([tab.record(repair.id, { kind: 'note', text: 'dry' }, 'technician'), pause()]);
  await Promise.all([tab.removeForGood([{ kind: 'job', id: job.id }]), pause()]);
  expect(
    orphansOf(now())
      .map((k) => k.kind)
      .sort(),
  ).toEqual(['event', 'repair']);
  await Promise.all([tab.removeForGood(orphansOf(now())), pause()]);
  const { holdings } = await disk();
  expect([holdings.job, holdings.repair, holdings.event]).toEqual([[], [], []]);
  // There is nothing left to take back.
  tab.undo();
  expect(now().jobs.size).toBe(0);
});

describe('repairs made one', () => {
  const sill = { ...repair, id: 'rep-2', name: 'Step', order: repair.order + 1 };
  const held = async () => (await disk()).holdings.repair.map((r) => r.name);

  test('is one act: undone and redone as one, on the disk too', async () => {
    tab.addRepair(sill);
    await pause();
    expect(tab.joinRepairs([sill.id, repair.id])).toEqual({ id: repair.id });
    await pause();
    expect(await held()).toEqual(['Sill + Step']);
    tab.undo();
    await pause();
    expect((await held()).sort()).toEqual(['Sill', 'Step']);
    tab.redo();
    await pause();
    expect(await held()).toEqual(['Sill + Step']);
  });

  test('whose other part was changed elsewhere meanwhile is not undone by half', async () => {
    tab.addRepair(sill);
    await pause();
    tab.joinRepairs([sill.id, repair.id]);
    await pause();
    tab.changeRepair(repair.id, (r) => ({ ...r, name: 'Both steps' }));
    await pause();
    tab.undo();
    tab.changeRepair(repair.id, (r) => ({ ...r, name: 'All steps' }), 'other');
    await pause();
    // Behind the name that was typed since, the join itself no longer fits.
    const { past } = now().history;
    tab.state.setState({ history: { past: past.slice(0, -1), future: [] } });
    tab.undo();
    expect([...now().repairs.values()].map((r) => r.name)).toEqual(['All steps']);
    expect(now().notUndone?.why).toBe('changed');
  });

  test('says why not, and changes nothing', async () => {
    tab.addRepair({ ...sill, orientation: 'wall' });
    await pause();
    expect(tab.joinRepairs([sill.id, repair.id])).toHaveProperty('why');
    expect(now().repairs.size).toBe(2);
  });
});

describe('several repairs added at once', () => {
  const more = [2, 3, 4].map((n) => ({ ...repair, id: `rep-${n}`, name: `Step ${n}`, order: n }));
  const held = async () => (await disk()).holdings.repair.map((r) => r.name).sort();

  test('are one act: undone and redone as one, on the disk too', async () => {
    tab.addRepairs(more);
    await pause();
    expect(await held()).toEqual(['Sill', 'Step 2', 'Step 3', 'Step 4']);
    tab.undo();
    await pause();
    expect([await held(), now().repairs.size]).toEqual([['Sill'], 1]);
    tab.redo();
    await pause();
    expect(await held()).toEqual(['Sill', 'Step 2', 'Step 3', 'Step 4']);
  });

  test('one of them begun or changed since, none is taken back; of an id that is here already none is added', async () => {
    tab.addRepairs(more);
    await pause();
    await Promise.all([tab.record('rep-3', { kind: 'note', text: 'dry' }, 'technician'), pause()]);
    tab.undo();
    await pause();
    expect([await held(), now().notUndone?.why]).toEqual([['Sill', 'Step 2', 'Step 3', 'Step 4'], 'recorded']);
    const { past } = now().history;
    tab.addRepairs([{ ...repair, id: 'rep-9', name: 'Ninth' }, more[0]!]);
    await pause();
    expect([now().repairs.has('rep-9'), now().history.past]).toEqual([false, past]);
    tab.addRepairs([]);
    expect(now().history.past).toEqual(past);
  });
});

describe('several repairs changed at once', () => {
  const sill = { ...repair, id: 'rep-2', name: 'Step', order: repair.order + 1 };
  const hands = () => [repair.id, sill.id].map((id) => now().repairs.get(id)!.crew);
  const kept = async () => (await disk()).holdings.repair.map((r) => r.crew);

  test('is one act, on the disk too: undone and redone as one', async () => {
    const before = repair.crew;
    tab.addRepair(sill);
    await pause();
    expect(tab.changeRepairs([repair.id, sill.id], (r) => ({ ...r, crew: 5 }))).toBe(2);
    await pause();
    expect(await kept()).toEqual([5, 5]);
    tab.undo();
    await pause();
    expect([hands(), await kept()]).toEqual([
      [before, before],
      [before, before],
    ]);
    tab.redo();
    await pause();
    expect(await kept()).toEqual([5, 5]);
  });
  test('one that is begun stays as it was begun', async () => {
    tab.addRepair(sill);
    await Promise.all([tab.record(repair.id, { kind: 'note', text: 'dry' }, 'technician'), pause()]);
    expect(tab.changeRepairs([repair.id, sill.id], (r) => ({ ...r, crew: 5 }))).toBe(1);
    expect(hands()).toEqual([repair.crew, 5]);
  });
  test('what is as it was is no act: nothing to undo', async () => {
    tab.addRepair(sill);
    await pause();
    const { past } = now().history;
    expect(tab.changeRepairs([repair.id, sill.id, 'nobody'], (r) => r)).toBe(0);
    expect(now().history.past).toEqual(past);
  });
});
