import 'fake-indexeddb/auto';
import { readFileSync } from 'node:fs';
import { openDB } from 'idb';
import { sampleData } from '@/sample/jobs';
import { memoryVault, openVault, type Vault } from './vault';

const data = sampleData(Date.UTC(2026, 4, 5, 6), 'Europe/Helsinki').bundles[1]!;
const records = [data.job, ...data.repairs, ...data.sheets, ...data.stock, ...data.snapshots, ...data.events];
let n = 0;

describe.each([
  ['database', () => openVault(`test-${n++}`)],
  ['memory', async () => memoryVault('refused')],
] as [string, () => Promise<Vault>][])('%s', (_name, open) => {
  test('gives back what was put in', async () => {
    const vault = await open();
    await vault.put(records);
    const { holdings, setAside } = await vault.load();
    expect(holdings.job).toEqual([data.job]);
    expect(holdings.event).toHaveLength(data.events.length);
    expect(holdings.snapshot[0]).toEqual(data.snapshots[0]);
    expect(setAside).toEqual([]);
  });
  test('refuses a record that does not fit, and then writes none of them', async () => {
    const vault = await open();
    await expect(vault.put([data.job, { ...data.repairs[0]!, scaleStepG: -1 }])).rejects.toThrow(/scaleStepG/);
    expect((await vault.load()).holdings.job).toEqual([]);
  });
  test('removes only what is named', async () => {
    const vault = await open();
    await vault.put(records);
    await vault.remove(data.events.slice(1).map((e) => ({ kind: 'event' as const, id: e.id })));
    expect((await vault.load()).holdings.event).toEqual([data.events[0]]);
  });
});

test('a stored record that no longer fits is set aside with its reason, the rest is read', async () => {
  const vault = await openVault('test-broken');
  await vault.put([data.job]);
  const raw = await openDB('test-broken');
  await raw.put('job', { id: 'odd', record: 'job', version: 99, name: 'from elsewhere' });
  const { holdings, setAside } = await vault.load();
  expect(holdings.job).toEqual([data.job]);
  expect(setAside).toMatchObject([{ kind: 'job', id: 'odd', raw: { name: 'from elsewhere' } }]);
  expect(setAside[0]!.reason).toMatch(/version/);
});

test('a repair written by version 1 of the product is brought forward when it is opened, not set aside', async () => {
  const old = JSON.parse(readFileSync('src/core/file/kept/ramp-v1.grenko.json', 'utf8'));
  const name = `test-${n++}`;
  const vault = await openVault(name);
  const db = await openDB(name);
  for (const r of old.repairs) await db.put('repair', r);
  db.close();
  const { holdings, setAside } = await vault.load();
  expect(setAside).toEqual([]);
  expect(holdings.repair.map((r) => [r.id, r.version]).sort()).toEqual(old.repairs.map((r: { id: string }) => [r.id, 3]).sort());
});
