'use client';
import { useState } from 'react';
import { liftsOf } from '@/core/method';
import { attempt } from '@/core/units';
import {
  COARSE_PITCH_MM,
  type Dimension,
  halfWidthMm,
  type Measured,
  measured,
  type Patch,
  parsePoints,
  SHAPES,
  type ShapeId,
  TOOLS,
  toolOf,
  unmeasured,
  type VoidShape,
  voidProblems,
} from '@/core/void';
import { changeRepair } from '../desk/desk';
import { usePrefs } from '../desk/prefs';
import type { StageProps } from '../repair/stage-props';
import { Answer, Choice, Heading, useFormat, Working } from '../shared/bits';
import { Drawing } from '../shared/Drawing';
import { QuantityField } from '../shared/QuantityField';
import { StageFindings, StillNeeds } from '../shared/StageFindings';
import { Readings } from './Readings';

const setShape = (repairId: string, shape: VoidShape, key: string) =>
  changeRepair(repairId, (r) => ({ ...r, void: { shapes: [shape, ...(r.void?.shapes.slice(1) ?? [])], count: r.void?.count ?? 1 } }), key);

const DRAWN_AS_NUMBER: Record<ShapeId, string> = { annulus: 'section', patch: 'section', bondLine: 'plan' };

/** The void drawn to scale; its dimension ends can be dragged. */
function Sheet({ at }: StageProps) {
  const { repair, plan } = at;
  const format = useFormat();
  if (!repair.void || !plan.method)
    return (
      <div className="p-5">
        <h2 className="font-bold text-lg">What broke?</h2>
        <p className="soft mb-3">Choose what you see; the drawing and the questions follow.</p>
        <div className="flex flex-wrap gap-3">
          {plan.method?.shapes.map((id) => {
            const kind = SHAPES[id];
            return (
              <button
                key={id}
                type="button"
                className="act flex-col !items-start w-64 p-0"
                onClick={() => setShape(repair.id, kind.blank(), 'shape')}
              >
                <span className="block w-full h-36">
                  <Drawing drawing={kind.section(kind.blank())} base={repair.base.material} width={250} height={140} small unmeasured />
                </span>
                <span className="px-3 pb-2 text-left">
                  {kind.label}
                  <span className="block soft font-normal text-sm">{kind.seen}</span>
                </span>
              </button>
            );
          })}
        </div>
      </div>
    );
  const shape = repair.void.shapes[0]!;
  const kind = SHAPES[shape.shape];
  const drawable = attempt(() => ({ section: kind.section(shape), plan: kind.plan(shape) }));
  const sound = voidProblems(repair.void).length === 0;
  if (!drawable.ok || (!sound && !drawable.ok)) return <p className="p-5">{drawable.ok ? '' : drawable.problem.sentence}</p>;
  const dims = kind.dimensions(shape);
  const values = Object.fromEntries(dims.map((d) => [d.key, d.measured.valueMm]));
  const drag = (key: string, valueMm: number) => {
    const d = dims.find((x) => x.key === key)!;
    setShape(
      repair.id,
      kind.withDimension(shape, key, { ...d.measured, valueMm, text: `${Number(valueMm.toFixed(2))} mm`, textSystem: 'metric' }),
      `drag:${key}`,
    );
  };
  const main = DRAWN_AS_NUMBER[shape.shape] === 'plan' ? drawable.value.plan : drawable.value.section;
  const side = DRAWN_AS_NUMBER[shape.shape] === 'plan' ? drawable.value.section : drawable.value.plan;
  const lifts = plan.context && shape.shape === 'patch' ? liftsOf(plan.context) : 0;
  const depth = plan.void?.faces.maxDepthMm ?? 0;
  const textures = ['hardening', 'gelled', 'liquid'];
  const layers =
    lifts > 0
      ? Array.from({ length: lifts }, (_, i) => ({
          fromMm: depth - ((i + 1) * depth) / lifts,
          toMm: depth - (i * depth) / lifts,
          texture: lifts === 1 ? 'liquid' : (textures[Math.max(0, 3 - lifts) + Math.min(i, 2)] ?? 'liquid'),
          label: `lift ${i + 1} · ${format('length', depth / lifts).text}`,
        }))
      : undefined;
  const crown = plan.context?.school('finish-level') === 'crown' ? plan.context.setting('crown') : 0;
  return (
    <div className="absolute inset-0">
      <Drawing
        drawing={main}
        base={repair.base.material}
        width={800}
        height={430}
        layers={layers}
        crownMm={crown}
        values={values}
        onDrag={drag}
        unmeasured={dims.some((d) => d.measured.text === '')}
      />
      <div className="absolute right-3 bottom-3 w-60 h-36 paper hidden sm:block">
        <Drawing drawing={side} base={repair.base.material} width={240} height={144} small values={values} />
      </div>
      <p className="absolute left-4 bottom-3 soft text-sm" style={{ background: 'var(--paper)', padding: '0 4px' }}>
        {repair.base.material}, {format('length', repair.base.thicknessMm).text} thick · drag a round end, or use the arrow keys on it
      </p>
    </div>
  );
}

/** One dimension as measured, give or take, by which tool, and its share of the doubt. */
function Row({ d, share, problem, write }: { d: Dimension; share: number; problem: string | null; write: (m: Measured) => void }) {
  const shift = d.minInclusive && d.maxMm === 0;
  const m = d.measured;
  return (
    <div className="grid grid-cols-[1fr_4.9rem_5.4rem_2.6rem] md:grid-cols-[1fr_6.6rem_4.9rem_5.7rem_2.6rem] gap-1.5 items-start py-1">
      <span className="leading-tight pt-1.5 col-span-4 md:col-span-1">{d.label}</span>
      {shift ? (
        <span className="fig pt-1.5 soft">as read</span>
      ) : (
        <QuantityField
          kind="length"
          label={d.label}
          hideLabel
          value={m.text === '' ? null : m.valueMm}
          typed={{ text: m.text, system: m.textSystem }}
          placeholder="measure"
          problem={problem}
          onChange={(t) => write({ ...m, valueMm: t.value, text: t.text, textSystem: t.system })}
        />
      )}
      <QuantityField
        kind="length"
        label={`${d.label}: give or take`}
        hideLabel
        value={halfWidthMm(m)}
        onChange={(t) => write({ ...m, toleranceMm: t.value })}
        onClear={() => write({ ...m, toleranceMm: null })}
        check={(v) => (v >= 0 ? null : 'Not below 0.')}
      />
      <select
        className="field text-sm"
        aria-label={`${d.label}: tool`}
        value={m.tool}
        onChange={(e) => write({ ...m, tool: e.target.value, toleranceMm: null })}
      >
        {TOOLS.map((t) => (
          <option key={t.id} value={t.id}>
            {t.label}
          </option>
        ))}
      </select>
      <svg width="42" height="14" className="mt-2.5" role="img" aria-label={`${Math.round(share * 100)} % of the doubt`}>
        <rect x="0.5" y="0.5" width="41" height="12" fill="var(--paper)" stroke="var(--rule)" />
        <rect x="0.5" y="0.5" width={41 * share} height="12" fill="var(--ink)" />
      </svg>
    </div>
  );
}

function Side({ at }: StageProps) {
  const { repair, plan } = at;
  const format = useFormat();
  const v = plan.void;
  const shape = repair.void?.shapes[0];
  if (!repair.void || !shape)
    return (
      <div>
        <Answer over="the void holds" digits="—" beside="not measured yet" />
        <StillNeeds texts={plan.open.measure} />
      </div>
    );
  const kind = SHAPES[shape.shape];
  const problems = voidProblems(repair.void);
  const shown = v ? format('volume', v.nominalMl) : null;
  const problemAt = (key: string) => problems.find((p) => p.field === `shapes.0.${key}`)?.sentence ?? null;
  return (
    <div>
      <Answer
        over={repair.void.count > 1 ? `the ${repair.void.count} voids hold` : 'the void holds'}
        digits={shown?.digits ?? '—'}
        unit={shown?.unit}
        beside={
          v ? (
            <>
              between <strong className="fig">{format('volume', v.p5Ml).digits}</strong> and{' '}
              <strong className="fig">{format('volume', v.p95Ml).text}</strong>
              {v.decides && (
                <span className="block">
                  {v.decides.label.toLowerCase()} decides {Math.round(v.decides.share * 100)} % of that
                </span>
              )}
            </>
          ) : (
            'waits for its dimensions'
          )
        }
      />
      <div className="hidden md:grid grid-cols-[1fr_6.6rem_4.9rem_5.7rem_2.6rem] gap-1.5 soft text-sm" aria-hidden="true">
        <span />
        <span>as measured</span>
        <span>give or take</span>
        <span>tool</span>
        <span>doubt</span>
      </div>
      {kind.dimensions(shape).map((d) => (
        <Row
          key={d.key}
          d={d}
          share={v?.shares.find((s) => s.key === `shapes.0.${d.key}`)?.share ?? 0}
          problem={d.measured.text === '' ? null : problemAt(d.key)}
          write={(m) => setShape(repair.id, kind.withDimension(shape, d.key, m), d.key)}
        />
      ))}
      <More shape={shape} repairId={repair.id} problemAt={problemAt} />
      <div className="grid grid-cols-2 gap-2 mt-2">
        <QuantityField
          kind="count"
          label="Like voids"
          value={repair.void.count}
          onChange={(t) => changeRepair(repair.id, (r) => ({ ...r, void: { ...r.void!, count: Math.round(t.value) } }))}
          check={(n) => (Number.isInteger(n) && n >= 1 && n <= 500 ? null : 'A whole number from 1 to 500.')}
        />
        <div className="self-end">
          <button type="button" className="act quiet" onClick={() => changeRepair(repair.id, (r) => ({ ...r, void: null }))}>
            another shape
          </button>
        </div>
      </div>
      <StillNeeds texts={plan.open.measure} />
      <StageFindings at={at} stage="measure" />
      {v && <Working title={`how ${shown!.text} comes about`} lines={v.working} />}
    </div>
  );
}

/** What a shape has besides its dimensions. */
function More({ shape, repairId, problemAt }: { shape: VoidShape; repairId: string; problemAt: (key: string) => string | null }) {
  const system = usePrefs((p) => p.system);
  if (shape.shape === 'annulus') {
    const { thread } = shape;
    return (
      <div className="grid grid-cols-2 gap-2 mt-2">
        <Choice
          label="Rod"
          options={[
            { id: 'threaded', label: 'threaded' },
            { id: 'plain', label: 'plain' },
          ]}
          value={thread.kind}
          onChange={(id) =>
            setShape(
              repairId,
              {
                ...shape,
                thread:
                  id === 'plain'
                    ? { kind: 'plain' }
                    : {
                        kind: 'threaded',
                        pitchMm: COARSE_PITCH_MM[Math.round(shape.rodDiameter.valueMm)] ?? shape.rodDiameter.valueMm * 0.13,
                      },
              },
              'thread',
            )
          }
        />
        {thread.kind === 'threaded' && (
          <QuantityField
            kind="length"
            label="Pitch of the thread"
            value={thread.pitchMm}
            problem={problemAt('thread.pitchMm')}
            onChange={(t) => setShape(repairId, { ...shape, thread: { kind: 'threaded', pitchMm: t.value } }, 'pitch')}
          />
        )}
        <QuantityField
          kind="angle"
          label="Drill point angle (empty: flat)"
          value={shape.pointAngleDeg}
          problem={problemAt('pointAngleDeg')}
          onChange={(t) => setShape(repairId, { ...shape, pointAngleDeg: t.value }, 'point')}
          onClear={() => setShape(repairId, { ...shape, pointAngleDeg: null }, 'point')}
        />
      </div>
    );
  }
  if (shape.shape === 'bondLine')
    return (
      <div className="grid grid-cols-2 gap-2 mt-2">
        <OutlineChoice shape={shape} repairId={repairId} />
        <QuantityField
          kind="count"
          label="Holes in the plate"
          value={shape.holes.count}
          typed={{ text: String(shape.holes.count), system }}
          problem={problemAt('holes.diameter')}
          onChange={(t) =>
            setShape(
              repairId,
              {
                ...shape,
                holes: {
                  ...shape.holes,
                  count: Math.round(t.value),
                  diameter: shape.holes.count === 0 ? unmeasured(10, 'calliper') : shape.holes.diameter,
                },
              },
              'holes',
            )
          }
          check={(n) => (Number.isInteger(n) && n >= 0 && n <= 1000 ? null : 'A whole number, 0 or more.')}
        />
      </div>
    );
  return (
    <div className="mt-2 flex flex-col gap-2">
      <OutlineChoice shape={shape} repairId={repairId} />
      <Choice
        label="Depth"
        options={[
          { id: 'mean', label: 'one mean depth' },
          { id: 'readings', label: 'readings' },
        ]}
        value={shape.depth.kind}
        onChange={(id) =>
          id !== shape.depth.kind &&
          setShape(
            repairId,
            {
              ...shape,
              depth:
                id === 'mean'
                  ? { kind: 'mean', mean: unmeasured(20, 'gauge') }
                  : { kind: 'readings', readings: [], read: { ...measured(0, 'gauge'), text: 'read' }, edge: 'vertical' },
            } as Patch,
            'depth',
          )
        }
      />
      {shape.depth.kind === 'readings' && (
        <Readings shape={shape} write={(next, key) => setShape(repairId, next, key)} problem={problemAt} />
      )}
    </div>
  );
}

type Outlined = Extract<VoidShape, { shape: 'patch' | 'bondLine' }>;

/** Rectangle, ellipse or typed polygon. */
function OutlineChoice({ shape, repairId }: { shape: Outlined; repairId: string }) {
  const [text, setText] = useState<string | null>(null);
  const [fault, setFault] = useState<string | null>(null);
  const { outline } = shape;
  const put = (next: Outlined['outline'], key: string) => setShape(repairId, { ...shape, outline: next }, key);
  const length = outline.kind === 'polygon' ? unmeasured(300) : outline.length;
  const width = outline.kind === 'polygon' ? unmeasured(200) : outline.width;
  const shown = outline.kind === 'polygon' ? outline.points.map((p) => p.join(', ')).join('\n') : '';
  return (
    <div>
      <Choice
        label="Outline from above"
        options={[
          { id: 'rectangle', label: 'rectangle' },
          { id: 'ellipse', label: 'ellipse' },
          { id: 'polygon', label: 'corners typed' },
        ]}
        value={outline.kind}
        onChange={(id) =>
          id !== outline.kind &&
          put(
            id === 'polygon'
              ? {
                  kind: 'polygon',
                  points: [
                    [0, 0],
                    [length.valueMm, 0],
                    [length.valueMm, width.valueMm],
                    [0, width.valueMm],
                  ],
                  placed: { ...measured(0, toolOf(length).id), text: 'placed' },
                }
              : { kind: id, length, width },
            'outline',
          )
        }
      />
      {outline.kind === 'polygon' && (
        <label className="block mt-1">
          Corners in mm, one “x, y” a line, in order round the edge
          <textarea
            className="field fig"
            rows={4}
            value={text ?? shown}
            aria-invalid={fault ? true : undefined}
            onChange={(e) => setText(e.target.value)}
            onBlur={() => {
              if (text === null) return;
              const read = attempt(() => parsePoints(text));
              if (!read.ok) return setFault(read.problem.sentence);
              setFault(null);
              setText(null);
              put({ ...outline, points: read.value.map((p) => [p[0], p[1]]) }, 'points');
            }}
          />
          {fault && (
            <span role="alert" className="text-sm" style={{ color: 'var(--stop)' }}>
              {fault}
            </span>
          )}
        </label>
      )}
      {outline.kind === 'polygon' && <Heading>Corners placed by {toolOf(outline.placed).label}</Heading>}
    </div>
  );
}

export const Measure = { Sheet, Side };
