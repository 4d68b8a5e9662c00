'use client';
import { ListPlus, X } from 'lucide-react';
import type { whoseThickness } from '@/core/plan';
import type { Said } from '@/core/say';
import { figureAndDoubt, type Parsed } from '@/core/typed';
import type { UnitSystem } from '@/core/units';
import {
  type Dimension,
  disagreementMm,
  halfWidthMm,
  kindOf,
  type Measured,
  type Parameter,
  parameterObjection,
  TOOLS,
  type VoidShape,
} from '@/core/void';
import { phrase, readQuantity } from '@/words';
import { WhoseThickness } from '../repair/TakesFields';
import { Choice, useFormat } from '../shared/bits';
import { QuantityField } from '../shared/QuantityField';
import { ListEditor } from './ListEditor';

interface Props {
  readonly shape: VoidShape;
  /** Share of the doubt by key of the shape. */
  readonly shareOf: (key: string) => number;
  readonly problemAt: (key: string) => Said | null;
  readonly write: (key: string, value: unknown) => void;
  /** It soaks in: nobody measures how thick, but what a square metre drinks is known. */
  readonly soaks?: boolean;
  /** Whose figure its thickness is, where nobody has typed one. */
  readonly thickBy?: ReturnType<typeof whoseThickness>;
}

/** As measured, give or take, by which tool, share of the doubt; its name before them, on a phone above. */
const COLUMNS =
  'grid gap-1.5 items-start grid-cols-[minmax(0,1fr)_5.9rem_5.4rem_2.6rem] md:grid-cols-[minmax(0,1fr)_6.6rem_5.9rem_5.5rem_2.6rem]';

/** Everything a shape asks for: the measuring list, then its choices and numbers, then its lists. */
export function ShapeFields({ shape, shareOf, problemAt, write, soaks = false, thickBy = null }: Props) {
  const kind = kindOf(shape);
  const dimensions = kind.dimensions(shape);
  const drunk = soaks ? dimensions.find((d) => d.key === 'thickness') : undefined;
  const parameters = (kind.parameters?.(shape) ?? []).filter((p) => !drunk || !p.key.startsWith('texture'));
  return (
    <>
      <div
        className="hidden md:grid grid-cols-[minmax(0,1fr)_6.6rem_5.9rem_5.5rem_2.6rem] gap-1.5 soft text-sm"
        aria-hidden="true"
      >
        <span />
        <span>as measured</span>
        <span>give or take</span>
        <span>tool</span>
        <span>doubt</span>
      </div>
      {dimensions
        .filter((d) => d !== drunk)
        .map((d) => (
          <Row
            key={d.key}
            d={d}
            share={shareOf(d.key)}
            problem={d.measured.text === '' ? null : problemAt(d.key)}
            write={(m) => write(d.key, m)}
            whose={d.key === 'thickness' ? thickBy : null}
          />
        ))}
      {drunk && (
        <div>
          <Drinks m={drunk.measured} write={(m) => write(drunk.key, m)} />
          <WhoseThickness whose={thickBy} />
        </div>
      )}
      {parameters.length > 0 && (
        <div className="grid grid-cols-2 gap-2 mt-2">
          {parameters.map((p) => (
            <ParameterField key={p.key} p={p} problem={problemAt(p.key)} write={(value) => write(p.key, value)} />
          ))}
        </div>
      )}
      {kind.lists?.(shape).map((list) => (
        <ListEditor key={list.key} list={list} write={(rows) => write(list.key, rows)} problemAt={problemAt} />
      ))}
    </>
  );
}

/** What a square metre drinks: 1 mL/m² stands a thousandth of a millimetre. */
function Drinks({ m, write }: { m: Measured; write: (m: Measured) => void }) {
  return (
    <QuantityField
      kind="uptake"
      label="A square metre drinks"
      value={m.valueMm * 1000}
      check={(v) => (v > 0 && v <= 50_000 ? null : 'More than nothing, and at most 50 L.')}
      onChange={(t) =>
        write({
          ...m,
          valueMm: t.value / 1000,
          text: `${Number((t.value / 1000).toFixed(5))} mm`,
          textSystem: 'metric',
        })
      }
    />
  );
}

function ParameterField({
  p,
  problem,
  write,
}: {
  p: Parameter;
  problem: Said | null;
  write: (value: number | string | null) => void;
}) {
  if (p.kind === 'choice')
    return (
      <div className="col-span-2">
        <Choice label={p.label} options={p.options} value={p.value} onChange={write} />
      </div>
    );
  const shown = p as Exclude<Parameter, { kind: 'choice' }>;
  return (
    <QuantityField
      kind={shown.kind}
      label={p.label}
      value={shown.value}
      placeholder={shown.empty}
      problem={problem}
      check={(v) => parameterObjection(p, v)}
      onChange={(t) => write(t.value)}
      onClear={shown.empty === undefined ? undefined : () => write(null)}
    />
  );
}

/** A length as measured; `900 ± 2 mm` is read with what it may be off by, which goes to its own field. */
function readMeasured(text: string, system: UnitSystem): Parsed {
  const [figure, doubt] = figureAndDoubt(text) ?? [];
  if (figure === undefined || doubt === undefined) return readQuantity('length', text, system);
  const [read, off] = [readQuantity('length', figure, system), readQuantity('length', doubt, system)];
  return read.ok && off.ok ? { ...read, text: text.trim() } : read.ok ? off : read;
}

/** The parts of what was typed: the length as it was said, and what it may be off by where that was said as well. */
function partsOfTyped(
  t: { readonly value: number; readonly text: string; readonly system: UnitSystem },
  toleranceMm: number | null,
): Pick<Measured, 'valueMm' | 'text' | 'textSystem' | 'toleranceMm'> {
  const [figure, doubt] = figureAndDoubt(t.text) ?? [];
  const off = doubt === undefined ? null : readQuantity('length', doubt, t.system);
  return {
    valueMm: t.value,
    text: figure ?? t.text,
    textSystem: t.system,
    toleranceMm: off?.ok ? off.value : toleranceMm,
  };
}

/** One dimension as measured, give or take, by which tool, its share of the doubt, and a second reading of it. */
function Row({
  d,
  share,
  problem,
  write,
  whose,
}: {
  d: Dimension;
  share: number;
  problem: Said | null;
  write: (m: Measured) => void;
  whose: ReturnType<typeof whoseThickness>;
}) {
  const m = d.measured;
  const format = useFormat();
  const beyond = disagreementMm(m);
  return (
    <div className="py-1">
      <div className={COLUMNS}>
        <span className="leading-tight pt-1.5 col-span-4 md:col-span-1 flex flex-wrap items-start gap-x-1">
          <span>{d.label}</span>
          {!d.shift && m.text !== '' && !m.again && (
            <button
              type="button"
              className="soft p-0.5"
              title="A second reading"
              aria-label={phrase`${d.label}: a second reading`}
              onClick={() =>
                write({
                  ...m,
                  again: {
                    valueMm: m.valueMm,
                    toleranceMm: m.toleranceMm,
                    tool: m.tool,
                    text: m.text,
                    textSystem: m.textSystem,
                  },
                })
              }
            >
              <ListPlus size={15} aria-hidden="true" />
            </button>
          )}
        </span>
        {d.shift ? (
          m.text === '' ? (
            <button type="button" className="btn text-sm justify-center" onClick={() => write({ ...m, text: 'read' })}>
              as listed
            </button>
          ) : (
            <span className="fig pt-1.5 soft">as listed</span>
          )
        ) : (
          <QuantityField
            kind="length"
            label={d.label}
            hideLabel
            value={m.text === '' ? null : m.valueMm}
            typed={{ text: m.text, system: m.textSystem }}
            placeholder="measure"
            problem={problem}
            read={readMeasured}
            onChange={(t) => write({ ...m, ...partsOfTyped(t, m.toleranceMm) })}
          />
        )}
        <QuantityField
          kind="length"
          label={phrase`${d.label}: give or take`}
          hideLabel
          digits={2}
          value={halfWidthMm(m)}
          onChange={(t) => write({ ...m, toleranceMm: t.value })}
          onClear={() => write({ ...m, toleranceMm: null })}
          check={(v) => (v >= 0 ? null : 'Not below 0.')}
        />
        <ToolField label={d.label} value={m.tool} write={(tool) => write({ ...m, tool, toleranceMm: null })} />
        <svg
          width="42"
          height="14"
          className="mt-2.5"
          role="img"
          aria-label={phrase`${Math.round(share * 100)} % of the doubt`}
        >
          <rect x="0.5" y="0.5" width="41" height="12" fill="var(--paper)" stroke="var(--rule)" />
          <rect x="0.5" y="0.5" width={41 * share} height="12" fill="var(--ink)" />
        </svg>
      </div>
      <WhoseThickness whose={whose} />
      {m.again && (
        <div className={`${COLUMNS} mt-1`}>
          <span className="soft text-sm pt-1.5 col-span-4 md:col-span-1 md:text-right">again</span>
          <QuantityField
            kind="length"
            label={phrase`${d.label}, again`}
            hideLabel
            value={m.again.valueMm}
            typed={{ text: m.again.text, system: m.again.textSystem }}
            onChange={(t) =>
              write({ ...m, again: { ...m.again!, valueMm: t.value, text: t.text, textSystem: t.system } })
            }
          />
          <QuantityField
            kind="length"
            label={phrase`${d.label}, again: give or take`}
            hideLabel
            digits={2}
            value={halfWidthMm(m.again)}
            onChange={(t) => write({ ...m, again: { ...m.again!, toleranceMm: t.value } })}
            check={(v) => (v >= 0 ? null : 'Not below 0.')}
          />
          <ToolField
            label={phrase`${d.label}, again`}
            value={m.again.tool}
            write={(tool) => write({ ...m, again: { ...m.again!, tool, toleranceMm: null } })}
          />
          <button
            type="button"
            className="p-1.5"
            aria-label={phrase`${d.label}: drop the second reading`}
            onClick={() => write({ ...m, again: null })}
          >
            <X size={15} aria-hidden="true" />
          </button>
          <span
            className="col-span-full text-sm md:text-right"
            style={beyond > 0 ? { color: 'var(--stop)', fontWeight: 600 } : undefined}
          >
            {beyond > 0
              ? phrase`They disagree by ${format('length', beyond).text} more than both tools allow.`
              : 'They agree within their tolerances.'}
          </span>
        </div>
      )}
    </div>
  );
}

function ToolField({ label, value, write }: { label: string; value: string; write: (tool: string) => void }) {
  return (
    <select
      className="select text-sm"
      aria-label={phrase`${label}: tool`}
      value={value}
      onChange={(e) => write(e.target.value)}
    >
      {TOOLS.map((t) => (
        <option key={t.id} value={t.id}>
          {t.label}
        </option>
      ))}
    </select>
  );
}
