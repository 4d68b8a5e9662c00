'use client';
import { ArrowRight } from 'lucide-react';
import { useRouter } from 'next/navigation';
import { useCallback, useMemo, useRef, useState } from 'react';
import { climateShifted, usualAir } from '@/core/climate';
import { type Job, pieceOf, type Repair, withPiece } from '@/core/plan';
import { viewJob } from '@/core/record';
import { BASES, isMetered } from '@/core/system';
import { kindOf, type Void, voidProblems, withValue } from '@/core/void';
import { FIRST_LOOKS, type FirstLook as Look, lookIn } from '@/sample/first';
import { phrase } from '@/words';
import { Choice, Prose, useFormat } from '../shared/bits';
import { Drawing } from '../shared/Drawing';
import { pageIn } from '../shared/drawing-fit';
import { QuantityField } from '../shared/QuantityField';
import { TimeBand } from '../shared/TimeBand';
import { useSize } from '../shared/use-width';
import { shortWhen } from '../shared/when';
import { freshJob, freshRepair } from '../workspace/fresh';
import { useNow } from '../workspace/now';
import { usePots } from '../workspace/pots';
import { usePrefs } from '../workspace/prefs';
import { addJob, addRepair, clock, putSheet, stateNow } from '../workspace/workspace';

/** A job of one repair that nobody has kept yet. */
interface Loose {
  readonly look: Look;
  readonly job: Job;
  readonly repair: Repair;
}

function begin(look: Look, job: Job): Loose {
  const made = freshRepair(job.id, look.method, 1, clock.now(), look.on);
  const repair = withPiece(
    { ...made, name: look.name },
    { ...pieceOf({ ...made, name: look.name }), void: look.void, sheetId: look.sheet.id, kitId: look.kitId },
  );
  return { look, job, repair };
}

/** What the ribbon of a repair is made of, from thin to full height. */
const CURES = [
  ['liquid', 'liquid'],
  ['gelled', 'gelled'],
  ['hardening', 'hardening'],
  ['set', 'set'],
] as const;

/** The page of the drawing, px. */
const FRAME = { width: 760, height: 320 };

/**
 * An ordinary repair on an empty yard, before any job is made: pull its void or its temperature, and see what it takes
 * and when it may be loaded. What is seen can be kept as a job.
 */
export function FirstLook() {
  const system = usePrefs((p) => p.system);
  const [{ look, job, repair }, setLoose] = useState<Loose>(() =>
    begin(lookIn(FIRST_LOOKS[0]!, system), freshJob(clock.now(), system)),
  );
  const [frame, size] = useSize(FRAME);
  const format = useFormat();
  const router = useRouter();
  const nowMs = useNow(30_000);
  const piece = pieceOf(repair);
  const repairs = useMemo(() => new Map([[repair.id, repair]]), [repair]);
  const sheets = useMemo(() => new Map([[look.sheet.id, look.sheet]]), [look.sheet]);
  const pots = usePots(repairs, sheets);
  const view = useMemo(
    () => viewJob({ job, repairs: [repair], sheets: [look.sheet], stock: [], events: [] }, nowMs, pots),
    [job, repair, look.sheet, nowMs, pots],
  );
  const at = view.repairs[0];
  const change = (over: (v: Void) => Void) =>
    setLoose((l) => {
      const was = pieceOf(l.repair);
      return { ...l, repair: withPiece(l.repair, { ...was, void: over(was.void!) }) };
    });
  const shape = piece.void!.shapes[0]!;
  const kind = kindOf(shape);
  const dims = kind.dimensions(shape);
  const set = (key: string, valueMm: number, text: string, textSystem: 'metric' | 'us' = 'metric') =>
    change((v) => {
      const now = v.shapes[0]!;
      const d = kindOf(now)
        .dimensions(now)
        .find((x) => x.key === key);
      return d ? { ...v, shapes: [withValue(kindOf(now), now, key, { ...d.measured, valueMm, text, textSystem })] } : v;
    });
  const climate = useRef(job.climate);
  const pull = useCallback((delta: number, first: boolean) => {
    setLoose((l) => {
      if (first) climate.current = l.job.climate;
      return { ...l, job: { ...l.job, climate: climateShifted(climate.current, delta) } };
    });
  }, []);
  const keep = async () => {
    if (!stateNow().sheets.has(look.sheet.id)) await putSheet(look.sheet);
    addJob({ ...job, name: look.name });
    addRepair(repair);
    router.push(`/job/${job.id}/${repair.id}/inspect`);
  };
  const problems = voidProblems(piece.void!);
  const tempC = job.climate.kind === 'constant' ? job.climate.tempC : null;
  const plan = at?.plan;
  const volume = plan?.void ? format('volume', plan.void.nominalMl) : null;
  const lots = plan?.mix
    ? isMetered(look.sheet.kind)
      ? phrase`${plan.mix.kits.use} pack${plan.mix.kits.use > 1 ? 's' : ''}`
      : phrase`${plan.batches.length} batch${plan.batches.length > 1 ? 'es' : ''}`
    : null;
  return (
    <section aria-label="A first look" className="paper">
      <div className="px-4 pt-3 flex flex-wrap gap-x-8 gap-y-2">
        <Choice
          label="What broke?"
          options={FIRST_LOOKS.map((l) => ({ id: l.id, label: l.label }))}
          value={look.id}
          onChange={(id) => setLoose((l) => begin(lookIn(FIRST_LOOKS.find((x) => x.id === id)!, system), l.job))}
        />
      </div>
      <div className="grid lg:grid-cols-[minmax(0,1fr)_24rem]">
        <div ref={frame} className="relative h-60 sm:h-80 lg:h-auto lg:min-h-80">
          <div className="absolute inset-0">
            <Drawing
              drawing={kind.fromAbove ? kind.plan(shape) : kind.section(shape)}
              base={piece.base.material}
              {...pageIn(size)}
              values={Object.fromEntries(dims.map((d) => [d.key, d.measured.valueMm]))}
              onDrag={(key, mm) => set(key, mm, `${Number(mm.toFixed(1))} mm`)}
            />
          </div>
        </div>
        <div className="p-4 flex flex-col gap-3">
          <dl className="grid grid-cols-3 gap-x-3 ruled pb-2" aria-live="polite" data-testid="first-answers">
            <Said
              over={piece.void!.count > 1 ? phrase`the ${piece.void!.count} hold` : 'it holds'}
              text={volume?.text ?? '—'}
            />
            <Said over="it takes" text={lots ?? '—'} />
            <Said
              over="loaded from"
              text={plan?.openMs ? shortWhen(plan.openMs, job.zone, nowMs) : 'not in sight'}
              title="the first working hour in which it may be opened"
            />
          </dl>
          <div className="grid grid-cols-2 gap-2">
            {dims.map((d) => (
              <QuantityField
                key={`${look.id}.${d.key}`}
                kind="length"
                label={d.label}
                value={d.measured.valueMm}
                typed={{ text: d.measured.text, system: d.measured.textSystem }}
                onChange={(t) => set(d.key, t.value, t.text, t.system)}
                problem={problems.find((p) => p.field === `shapes.0.${d.key}`)?.sentence ?? null}
              />
            ))}
            {look.void.count > 1 && (
              <QuantityField
                kind="count"
                label="How many alike"
                value={piece.void!.count}
                onChange={(t) => change((v) => ({ ...v, count: t.value }))}
                check={(n) => (Number.isInteger(n) && n >= 1 && n <= 500 ? null : 'A whole number from 1 to 500.')}
              />
            )}
            <QuantityField
              kind="temperature"
              label="Air and base"
              value={tempC}
              onChange={(t) =>
                setLoose((l) => ({
                  ...l,
                  job: {
                    ...l.job,
                    climate: climateShifted(usualAir(system), t.value - usualAir(system).tempC),
                  },
                }))
              }
              check={(c) => (c >= -40 && c <= 60 ? null : 'Between −40 and 60 °C, where people work.')}
            />
            <label className="block">
              Made of
              <select
                className="select"
                value={piece.base.material}
                onChange={(e) =>
                  setLoose((l) =>
                    begin({ ...l.look, on: e.target.value as Look['on'], void: pieceOf(l.repair).void! }, l.job),
                  )
                }
              >
                {BASES.filter((b) => at?.plan.method?.bases.includes(b)).map((b) => (
                  <option key={b}>{b}</option>
                ))}
              </select>
            </label>
          </div>
          {plan?.problems[0] && (
            <p className="text-sm">
              <Prose zone={job.zone}>{plan.problems[0].sentence}</Prose>
            </p>
          )}
          <button type="button" className="btn btn-neutral self-start" onClick={() => void keep()}>
            Keep it as a job <ArrowRight size={18} aria-hidden="true" />
          </button>
          <p className="soft text-sm">{phrase`Planned with “${look.sheet.name}”, an example with made-up figures: your own sheet takes its place before anything is mixed. Hours 07 to 17 on weekdays, one pair of hands.`}</p>
        </div>
      </div>
      <p className="px-4 pt-2 flex flex-wrap gap-x-5 gap-y-1 text-sm">
        {CURES.map(([texture, word]) => (
          <span key={texture} className="inline-flex items-center gap-1.5">
            <svg width="34" height="14" aria-hidden="true">
              <rect width="34" height="14" fill={`url(#tx-${texture})`} stroke="var(--ink)" strokeWidth="1" />
            </svg>
            {word}
          </span>
        ))}
        <span className="soft">pull the line of the air up or down: warmer sets sooner</span>
      </p>
      <TimeBand view={view} nowMs={nowMs} loose onTemperature={pull} />
    </section>
  );
}

function Said({ over, text, title }: { over: string; text: string; title?: string }) {
  return (
    <div title={title}>
      <dt className="soft text-sm">{over}</dt>
      <dd className="fig font-extrabold text-xl leading-tight">{text}</dd>
    </div>
  );
}
