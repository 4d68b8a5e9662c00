import fc from 'fast-check';
import type { Job, Repair } from '@/core/plan';
import { chainsOf, type Event } from '@/core/record';
import { sampleData } from '@/sample/jobs';
import { exportJob, importJob } from './exchange';
import { createSite, type Site } from './site.testing';
import type { Workspace } from './workspace';

const [ramp] = sampleData(Date.UTC(2027, 3, 12, 6), 'Europe/Helsinki').bundles;
const job: Job = { ...ramp!.job, id: 'job-1', name: 'Boat shed' };
const repair: Repair = { ...ramp!.repairs[0]!, id: 'rep-1', jobId: job.id, name: 'Sill' };

let site: Site;
const opened = async (name: string): Promise<Workspace> => {
  const t = site.tab(name);
  void t.open();
  await site.rest();
  return t;
};
const rest = async () => {
  site.now += 2000;
  await site.rest();
};
const onDisk = async (t: Workspace): Promise<readonly Event[]> => (await (await t.theStore()).load()).holdings.event;
const begun = async () => {
  const tab = await opened('one');
  void tab.write(ramp!.sheets.map((record) => ({ does: 'add', record }) as const));
  tab.addJob(job);
  tab.addRepair(repair);
  await rest();
  return tab;
};
beforeEach(() => {
  site = createSite();
});

test('entries of two tabs are one chain, also when both tick the same step and one of the two is not written', async () => {
  const one = await begun();
  const two = await opened('two');
  const all = [
    one.record(repair.id, { kind: 'step-done', step: 'prep:cut' }, 'technician'),
    two.record(repair.id, { kind: 'step-done', step: 'prep:cut' }, 'technician'),
    one.record(repair.id, { kind: 'note', text: 'damp at the edge' }, 'technician'),
    two.record(repair.id, { kind: 'note', text: 'and at the back' }, 'technician'),
  ];
  await rest();
  await Promise.all(all);
  const events = await onDisk(one);
  expect(events).toHaveLength(3);
  expect(chainsOf(events)).toMatchObject([{ linked: 3, unlinked: 0, breaks: [] }]);
});

test('whatever is done in whatever tab, the chain is whole, and it is what a file carries to another device and back', async () => {
  await fc.assert(
    fc.asyncProperty(fc.array(fc.tuple(fc.nat(1), fc.nat(2)), { minLength: 1, maxLength: 12 }), async (acts) => {
      site = createSite();
      const tabs = [await begun(), await opened('two')];
      for (const [who, what] of acts) {
        const t = tabs[who]!;
        const mine = (await onDisk(t)).filter((e) => !e.amends);
        const last = mine.at(-1);
        const done =
          what === 0 || !last
            ? t.record(repair.id, { kind: 'note', text: `note ${who}` }, 'technician')
            : what === 1
              ? t.record(repair.id, { kind: 'withdrawn', why: 'a slip' }, 'technician', { amends: last.id })
              : t.recordAll(
                  repair.id,
                  [3, 4].map((valueC) => ({
                    body: { kind: 'reading', channel: 'base', valueC, source: 'typed' } as const,
                  })),
                  'technician',
                );
        await rest();
        await done;
      }
      const events = await onDisk(tabs[0]!);
      for (const c of chainsOf(events)) expect([c.breaks, c.unlinked]).toEqual([[], 0]);
      const away = createSite();
      const there = away.tab('three');
      void there.open();
      await away.rest();
      const taken = importJob(there, exportJob(tabs[0]!, job.id));
      away.now += 2000;
      await away.rest();
      await taken;
      expect(chainsOf(await onDisk(there))).toEqual(chainsOf(events));
    }),
    { numRuns: 15 },
  );
});

test('a released record takes no more ticks and no withdrawal; a note and reopening it do go in', async () => {
  const tab = await begun();
  const put = async (...args: Parameters<Workspace['record']>) => {
    const done = tab.record(...args).then(
      () => 'in',
      (e: Error) => e.message,
    );
    await rest();
    return done;
  };
  await put(repair.id, { kind: 'step-done', step: 'prep:cut' }, 'technician');
  expect(await put(repair.id, { kind: 'released', note: '' }, 'foreman')).toBe('in');
  const [tick] = await onDisk(tab);
  expect(await put(repair.id, { kind: 'step-done', step: 'prep:dust' }, 'technician')).toMatch(/record is closed/);
  expect(await put(repair.id, { kind: 'withdrawn', why: 'a slip' }, 'technician', { amends: tick!.id })).toMatch(
    /Reopen it first/,
  );
  expect(await put(repair.id, { kind: 'note', text: 'a mark beside it' }, 'technician')).toBe('in');
  expect(await onDisk(tab)).toHaveLength(3);
  expect(await put(repair.id, { kind: 'reopened', reason: 'it sounds hollow' }, 'foreman')).toBe('in');
  expect(await put(repair.id, { kind: 'step-done', step: 'prep:dust' }, 'technician')).toBe('in');
});
