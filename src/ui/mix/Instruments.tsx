'use client';
import { type MeasuredBatch, measuredBatch, saidAs, saidTolerance, toleranceOf } from '@/core/mix';
import { instrumentOf, type Piece, type RepairPlan } from '@/core/plan';
import { attempt, type Message } from '@/core/say';
import { systemKind, usualWay, WAYS, type Way } from '@/core/system';

import { figure, phrase } from '@/words';
import { Choice, Heading, Prose, useSay } from '../shared/bits';
import { DropCounter } from '../shared/DropCounter';
import { QuantityField } from '../shared/QuantityField';
import { changePass } from '../workspace/workspace';

/** A batch in the units of the instrument at hand, or why it cannot be said. */
export function measuredFor(
  plan: RepairPlan,
  repair: Piece,
  batch: number,
): { readonly measured?: MeasuredBatch; readonly sentence?: Message } {
  const b = plan.batches[batch];
  if (!b || !plan.sheet) return {};
  const m = attempt(() => measuredBatch(plan.sheet!, b.massG, instrumentOf(repair, plan.sheet)));
  return m.ok ? { measured: m.value } : { sentence: m.problem.sentence };
}

/** What is at hand for measuring, and what it does to the ratio. */
export function Instruments({ repair, plan, batch }: { repair: Piece; plan: RepairPlan; batch: number }) {
  const says = useSay();
  const { sheet } = plan;
  if (!sheet) return null;
  const spec = systemKind(sheet.kind);
  const bench = (over: Partial<Piece['bench']>) =>
    changePass(repair, (r) => ({ ...r, bench: { ...r.bench, ...over } }), `bench${Object.keys(over)[0]}`);
  // What is kneaded in its own bag is not measured out.
  const packets = spec.ownBag === true && plan.batches[batch]?.kits != null;
  const way = packets ? 'sachet' : instrumentOf(repair, sheet).way;
  const { measured, sentence } = measuredFor(plan, repair, batch);
  const tolerance = toleranceOf(sheet);
  const ways: readonly Way[] = packets
    ? ['sachet']
    : spec.ways.includes('weight')
      ? spec.ways
      : ['weight', ...spec.ways.filter((w) => w !== 'sachet')];
  return (
    <>
      <Heading
        aside={
          packets
            ? 'by its maker'
            : usualWay(sheet) === 'cup'
              ? 'by volume, as the sheet has it'
              : 'by weight whenever the sheet gives it'
        }
      >
        Measured out
      </Heading>
      <Choice
        label="With what"
        hideLabel
        options={ways.map((id) => ({ id, label: WAYS[id] }))}
        value={way}
        onChange={(id) => bench({ way: id })}
      />
      <div className="grid grid-cols-2 gap-2 mt-2">
        {!packets && way !== 'cup' && way !== 'strokes' && (
          <QuantityField
            kind="mass"
            label="Step of the scale at hand"
            value={repair.scaleStepG}
            onChange={(t) => changePass(repair, (r) => ({ ...r, scaleStepG: t.value }), 'scale')}
            check={(v) => (v > 0 && v <= 5000 ? null : 'More than 0, at most 5 kg.')}
          />
        )}
        {way === 'cup' && (
          <QuantityField
            kind="volume"
            label="Marks of the cup"
            value={repair.bench.cupStepMl}
            onChange={(t) => bench({ cupStepMl: t.value })}
            check={(v) => (v > 0 && v <= 5000 ? null : 'More than 0.')}
          />
        )}
        {way === 'strokes' && (
          <QuantityField
            kind="volume"
            label="One stroke gives"
            value={repair.bench.strokeMl}
            onChange={(t) => bench({ strokeMl: t.value })}
            check={(v) => (v > 0 && v <= 5000 ? null : 'More than 0: press ten into a cup and divide.')}
          />
        )}
        {way === 'strip' && (
          <QuantityField
            kind="length"
            label="Width of the strip"
            value={repair.bench.stripMm}
            onChange={(t) => bench({ stripMm: t.value })}
            check={(v) => (v > 0 && v < 40 ? null : 'More than 0, under 40 mm.')}
          />
        )}
        {!packets && (
          <>
            {/* On film there is no vessel. */}
            {(plan.method?.mixedOn === undefined || sheet.dose === null) && (
              <QuantityField
                kind="volume"
                label="Largest vessel (empty: a mortar tub)"
                value={repair.bench.vesselMaxMl}
                onChange={(t) => bench({ vesselMaxMl: t.value })}
                onClear={() => bench({ vesselMaxMl: null })}
                check={(v) => (v > 0 ? null : 'More than 0.')}
              />
            )}
            <QuantityField
              kind="mass"
              label="Most in one pot (empty: by time)"
              value={repair.massCapG}
              onChange={(t) => changePass(repair, (r) => ({ ...r, massCapG: t.value }), 'cap')}
              onClear={() => changePass(repair, (r) => ({ ...r, massCapG: null }), 'cap')}
              check={(v) => (v > 0 ? null : 'More than 0.')}
            />
            <QuantityField
              kind="mass"
              label="Least in one pot (empty: what it takes)"
              value={repair.leastG}
              onChange={(t) => changePass(repair, (r) => ({ ...r, leastG: t.value }), 'least')}
              onClear={() => changePass(repair, (r) => ({ ...r, leastG: null }), 'least')}
              check={(v) => (v > 0 ? null : 'More than 0.')}
            />
          </>
        )}
      </div>
      {way === 'drops' && (
        <div className="mt-2">
          <DropCounter value={repair.bench.dropsPerMl} onChange={(v) => bench({ dropsPerMl: v })} />
        </div>
      )}
      {sentence && (
        <p role="alert" className="mt-1 text-sm" style={{ color: 'var(--stop)' }}>
          <Prose>{sentence}</Prose>
        </p>
      )}
      {measured && !packets && way !== 'weight' && (
        <p className="mt-1.5">
          {measured.parts.map((m) => (
            <span key={m.part} className="mr-3 whitespace-nowrap">
              {m.part} <strong className="fig text-lg">{says(saidAs(m))}</strong>
            </span>
          ))}
          <span className="block soft text-sm">{phrase`rounding puts B/A ${figure(measured.roundingPct, 2)} % off, at worst ${figure(measured.worstPct, 2)} %; ${tolerance.fromSheet ? 'the sheet allows' : 'not from the sheet, assumed:'} ${says(saidTolerance(tolerance))}`}</span>
        </p>
      )}
    </>
  );
}

/** What a metered system takes in strokes of the gun: for a place, and for all of it. */
export function Strokes({ repair, plan }: { repair: Piece; plan: RepairPlan }) {
  const { mix } = plan;
  const { strokeMl } = repair.bench;
  if (!mix) return null;
  return (
    <>
      <Heading aside="press ten strokes into a cup and divide">Strokes of the gun</Heading>
      <div className="grid grid-cols-2 gap-2 items-end">
        <QuantityField
          kind="volume"
          label="One stroke gives"
          value={strokeMl}
          onChange={(t) => changePass(repair, (r) => ({ ...r, bench: { ...r.bench, strokeMl: t.value } }), 'stroke')}
          onClear={() => changePass(repair, (r) => ({ ...r, bench: { ...r.bench, strokeMl: null } }), 'stroke')}
          check={(v) => (v > 0 && v <= 500 ? null : 'More than 0, at most 500 mL.')}
        />
        {strokeMl !== null && (
          <p>
            <strong className="fig text-lg">{Math.ceil(mix.toMixMl / strokeMl - 1e-9)}</strong> in all, with the first
            shots
          </p>
        )}
      </div>
    </>
  );
}
