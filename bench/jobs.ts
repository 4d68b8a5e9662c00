import type { Bundle } from '../src/core/record';
import { sampleData } from '../src/sample/jobs';

/**
 * The sample's job grown to `n` repairs of all three methods, each on a base of its own thickness, so that none is had
 * for nothing.
 * @param passes of chains of that many passes alone
 */
export function grownJob(n: number, nowMs: number, passes?: number): Bundle {
  const { bundles } = sampleData(nowMs, 'Europe/Helsinki');
  const models = bundles.flatMap((b) => b.repairs).filter((r) => passes === undefined || r.chain.length === passes);
  const [ramp] = bundles;
  const sheets = bundles.flatMap((b) => b.sheets);
  return {
    job: ramp!.job,
    sheets: [...new Map(sheets.map((s) => [s.id, s])).values()],
    stock: [],
    events: [],
    repairs: Array.from({ length: n }, (_, i) => {
      const model = models[i % models.length]!;
      return {
        ...model,
        id: `bench-${i}`,
        jobId: ramp!.job.id,
        order: i,
        name: `Repair ${i + 1}`,
        base: { ...model.base, thicknessMm: model.base.thicknessMm + (i % 5) * 10 },
      };
    }),
  };
}
