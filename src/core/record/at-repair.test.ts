import { finishedData, sampleData } from '../../sample/jobs';
import { type Bundle, viewJob, viewJobAt } from '.';

const NOW = Date.UTC(2026, 4, 5, 6);
const ZONE = 'Europe/Helsinki';
/** As read anew from the store: nothing of it was planned or judged before. */
const anew = (bundle: Bundle): Bundle => structuredClone(bundle);

// Work that is planned, that runs, and that is over.
const jobs = [...sampleData(NOW, ZONE).bundles.slice(0, 2), finishedData(NOW, ZONE).bundles[0]!];

test.each(jobs.map((b) => [b.job.name, b] as const))(
  '%s: looked at through each of its repairs it is what the whole says of that one, and the others are planned alike',
  (_, bundle) => {
    const whole = viewJob(anew(bundle), NOW);
    for (const [i, { draft }] of whole.repairs.entries()) {
      const { at, repairs, plan } = viewJobAt(draft.id, anew(bundle), NOW);
      expect(JSON.stringify(at)).toBe(JSON.stringify(whole.repairs[i]));
      expect(JSON.stringify(plan.repairs)).toBe(JSON.stringify(whole.plan.repairs));
      // What nobody looked for is not told as nothing found: it is not there.
      expect(repairs.filter((r) => 'findings' in r || 'states' in r)).toEqual([]);
    }
  },
);

test('a stage turned to, and the yard after it, judge no plan twice', () => {
  const [ramp] = sampleData(NOW, ZONE).bundles;
  const first = ramp!.repairs[0]!.id;
  const { at } = viewJobAt(first, ramp!, NOW);
  expect(viewJobAt(first, ramp!, NOW).at).toBe(at);
  expect(viewJob(ramp!, NOW).repairs[0]).toBe(at);
});

test('a changed shelf is judged anew, a changed name is read anew', () => {
  const [ramp] = sampleData(NOW, ZONE).bundles;
  const [one, ...others] = ramp!.repairs;
  const { at } = viewJobAt(one!.id, ramp!, NOW);
  const shelf = { ...ramp!, stock: [...ramp!.stock].slice(1) };
  expect(viewJobAt(one!.id, shelf, NOW).at).not.toBe(at);
  const named = { ...ramp!, repairs: [{ ...one!, name: 'Another name' }, ...others] };
  expect(viewJobAt(one!.id, named, NOW).at?.draft.name).toBe('Another name');
  expect(viewJobAt(one!.id, ramp!, NOW).at?.draft.name).toBe(one!.name);
});

test('a repair the job does not have is looked at by nobody', () => {
  const [ramp] = sampleData(NOW, ZONE).bundles;
  expect(viewJobAt('none', ramp!, NOW).at).toBeNull();
});
