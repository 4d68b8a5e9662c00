'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { sheetFlaws } from '@/core/cure';
import {
  BASES,
  FAMILIES,
  FLOWS,
  isMetered,
  KIND_IDS,
  type PartId,
  type SheetRevision,
  STRENGTH_TESTS,
  systemKind,
  WETNESS,
} from '@/core/system';
import { Choice, Heading } from '../shared/bits';
import { usePrefs } from '../workspace/prefs';
import { keepTyped, keptTyped } from '../workspace/typing';
import { clock, putSheet } from '../workspace/workspace';
import { blankDraft, type DraftFaults, LIMIT_FIELDS, ofKind, type SheetDraft } from './draft';
import { Typed } from './fields';
import { KitsFields } from './KitsFields';
import { readDraft } from './read-draft';
import { TimesFields } from './TimesFields';

type TextField = { [K in keyof SheetDraft]: SheetDraft[K] extends string ? K : never }[keyof SheetDraft];

const keptUnder = (before: SheetRevision | null) => `sheet|${before?.id ?? 'new'}`;
const keepSheet = (before: SheetRevision | null, draft: SheetDraft | null): void =>
  keepTyped(keptUnder(before), draft && JSON.stringify(draft));

/** A sheet that was being typed when the page was left; null where there is none, or one of an older form. */
function keptSheet(before: SheetRevision | null): SheetDraft | null {
  try {
    const kept = JSON.parse(keptTyped(keptUnder(before)) ?? 'null') as SheetDraft | null;
    const blank = blankDraft();
    return kept &&
      Object.keys(blank).every((k) => typeof kept[k as keyof SheetDraft] === typeof blank[k as keyof SheetDraft])
      ? kept
      : null;
  } catch {
    return null;
  }
}

/**
 * A maker's sheet typed in. Every field keeps its text; what is wrong is said when it is left, what looks like a slip
 * when all can be read.
 */
export function SheetForm({ start, before }: { start: SheetDraft; before: SheetRevision | null }) {
  const [draft, setDraft] = useState(() => keptSheet(before) ?? start);
  const [kept, setKept] = useState(() => keptSheet(before) !== null);
  const [faults, setFaults] = useState<DraftFaults>({});
  const [slips, setSlips] = useState<readonly string[] | null>(null);
  const { system, role } = usePrefs();
  const router = useRouter();
  const set = (over: Partial<SheetDraft>) => {
    setDraft((d) => {
      const now = { ...d, ...over };
      keepSheet(before, now);
      return now;
    });
    setSlips(null);
  };
  const read = () => readDraft(draft, system, before, role, clock.now());
  // Fields are checked as they are left, but only those already typed into complain.
  const left = (field: string) => {
    const now = read();
    const mine = 'faults' in now ? now.faults[field] : undefined;
    setFaults((f) => {
      const { [field]: _gone, ...rest } = f;
      return mine ? { ...rest, [field]: mine } : rest;
    });
  };
  const text = (field: TextField, label: string, hint?: string, multiline = false) => (
    <Typed
      label={label}
      hint={hint}
      multiline={multiline}
      value={draft[field]}
      fault={faults[field]}
      onChange={(v) => set({ [field]: v })}
      onLeave={() => left(field)}
    />
  );
  const spec = systemKind(draft.kind);
  const has = (id: PartId) => spec.parts.find((p) => p.id === id);
  const density = (id: PartId) => {
    const usual = has(id);
    if (!usual) return null;
    const label =
      usual.filler === 'grains' ? 'True density' : usual.filler === 'spheres' ? 'Particle density' : 'Density';
    return (
      <Typed
        key={`density${id}`}
        label={`${label} of ${id}`}
        hint={`${usual.densityGPerMl} g/mL`}
        value={draft.parts[id].density}
        fault={faults[`density${id}`]}
        onChange={(v) => set({ parts: { ...draft.parts, [id]: { ...draft.parts[id], density: v } } })}
        onLeave={() => left(`density${id}`)}
      />
    );
  };
  const submit = async () => {
    const now = read();
    if ('faults' in now) {
      setFaults(now.faults);
      return;
    }
    setFaults({});
    const found = sheetFlaws(now.sheet).map((f) => f.sentence);
    // Slips are said once; whoever has looked at them may go on.
    if (found.length && slips === null) {
      setSlips(found);
      return;
    }
    await putSheet(now.sheet);
    keepSheet(before, null);
    router.push(`/shelf/${now.sheet.id}`);
  };
  return (
    <>
      {kept && (
        <p role="status" className="my-2 p-2" style={{ border: '1px dashed var(--rule)' }}>
          As you left it, not on the shelf yet.{' '}
          <button
            type="button"
            className="act text-sm"
            onClick={() => {
              keepSheet(before, null);
              setDraft(start);
              setKept(false);
            }}
          >
            Begin anew
          </button>
        </p>
      )}
      <form
        noValidate
        onSubmit={(e) => {
          e.preventDefault();
          void submit();
        }}
      >
        <Heading>What it is</Heading>
        <div className="grid sm:grid-cols-2 lg:grid-cols-5 gap-3">
          {text('name', 'Name')}
          <label className="block">
            Kind
            <select
              className="field"
              value={draft.kind}
              onChange={(e) => set(ofKind(draft, e.target.value as SheetDraft['kind']))}
            >
              {KIND_IDS.map((id) => (
                <option key={id} value={id}>
                  {systemKind(id).label}
                </option>
              ))}
            </select>
            <span className="soft text-sm">{spec.does}</span>
          </label>
          <label className="block">
            Family
            <select
              className="field"
              value={draft.family}
              onChange={(e) => set({ family: e.target.value as SheetDraft['family'] })}
            >
              {Object.entries(FAMILIES).map(([id, f]) => (
                <option key={id} value={id}>
                  {f.label}
                </option>
              ))}
            </select>
            <span className="soft text-sm">
              {FAMILIES[draft.family].activationKJ === null
                ? 'dries: by temperature and humidity'
                : `single figures carried with ${FAMILIES[draft.family].activationKJ} ± 10 kJ/mol`}
            </span>
          </label>
          {text('maker', 'Whose it is', 'parts of two makers never mix')}
          {text('typedFrom', 'Typed from', 'title and date of the sheet')}
        </div>

        <Heading aside={spec.dosed ? `the ${spec.dosed} is dosed within a range` : 'a ratio always has its basis'}>
          Parts and ratio
        </Heading>
        <div className="grid sm:grid-cols-2 lg:grid-cols-4 gap-3">
          {spec.dosed ? (
            <>
              {text('doseMin', `Least ${spec.dosed}`, '1 %')}
              {text('doseUsual', `Usual ${spec.dosed}`, '2 %')}
              {text('doseMax', `Most ${spec.dosed}`, '3 %')}
              <div>
                <Choice
                  label="Per cent of what"
                  options={[
                    { id: 'A', label: `of ${has('A')?.name ?? 'part A'}` },
                    { id: 'total', label: 'of the total' },
                  ]}
                  value={draft.doseOf || undefined}
                  onChange={(doseOf) => {
                    set({ doseOf });
                    setFaults(({ doseOf: _, ...rest }) => rest);
                  }}
                />
                {faults.doseOf && (
                  <p role="alert" className="text-sm" style={{ color: 'var(--stop)' }}>
                    {faults.doseOf.sentence}
                  </p>
                )}
              </div>
            </>
          ) : (
            <>
              {text('ratio', 'A to B, with its basis', '2:1 by volume')}
              {text('also', 'The same on the other basis', '100:37.5 by weight, if printed')}
            </>
          )}
          {text('tolerance', 'Tolerance on the sheet', 'empty: silent')}
          {density('A')}
          {density('B')}
          {has('C') && text('cByWeight', 'Parts of C by weight', 'for the same A and B by weight')}
          {density('C')}
          {has('D') && text('dByWeight', 'Parts of D by weight', 'for the same A and B by weight')}
          {density('D')}
          {(['C', 'D'] as const)
            .filter((id) => has(id)?.filler === 'grains')
            .map((id) => (
              <Typed
                key={`bulk${id}`}
                label={`Tamped bulk density of ${id}`}
                hint="1.75 g/mL"
                value={draft.parts[id].bulk}
                fault={faults[`bulk${id}`]}
                onChange={(v) => set({ parts: { ...draft.parts, [id]: { ...draft.parts[id], bulk: v } } })}
                onLeave={() => left(`bulk${id}`)}
              />
            ))}
        </div>

        <Heading aside="one row a line: 10 C: 4 h to 5 h · 5 to 10 C: 90 min · 45 to 60 min at 23 C · 2 %, 20 C: 15 min · 10 to 15 C, up to 70 %: 8 h · or paste cells">
          Times
        </Heading>
        <TimesFields
          times={draft.times}
          family={draft.family}
          system={system}
          faults={faults}
          onChange={(times) => set({ times })}
          onLeave={left}
        />

        <Heading>Kits, mixing and losses</Heading>
        <KitsFields
          kits={draft.kits}
          parts={spec.parts.map((p) => p.id)}
          faults={faults}
          onChange={(kits) => set({ kits })}
          onLeave={left}
        />
        <div className="grid sm:grid-cols-2 lg:grid-cols-4 gap-3">
          {isMetered(draft.kind) ? (
            <>
              {text('mixerVolume', 'Left in a mixer', '9 mL')}
              {text('mixerPurge', 'First shots thrown away', '14 mL')}
              {text('mixerReach', 'Reach of the mixer', '180 mm')}
              {text('mixerFlow', 'Flow check of a pack (empty: none)', '16 mL')}
            </>
          ) : (
            <>
              {text('mixMin', 'Mixing time')}
              {text('mixRpm', 'Paddle, turns a minute', '300 to 400')}
              {text('mixManner', 'Manner', 'fold, never whip')}
              {text('potLoss', 'Left in the pot and on tools')}
            </>
          )}
          {text('coverage', 'Coverage, kg for each m² and mm', 'empty: none given')}
          {spec.asks.includes('uptake') && text('uptake', 'Soaks in, mL/m²', '350')}
        </div>

        <Heading aside="empty: the sheet is silent">Limits</Heading>
        <div className="grid grid-cols-2 sm:grid-cols-4 lg:grid-cols-6 gap-2">
          {LIMIT_FIELDS.map((f) => (
            <Typed
              key={f.id}
              label={f.label}
              value={draft.limits[f.id] ?? ''}
              fault={faults[`limits.${f.id}`]}
              onChange={(v) => set({ limits: { ...draft.limits, [f.id]: v } })}
              onLeave={() => left(`limits.${f.id}`)}
            />
          ))}
        </div>
        <div className="flex flex-wrap gap-6 mt-2">
          <fieldset>
            <legend>Bases it names</legend>
            <div className="flex gap-1 flex-wrap">
              {BASES.map((b) => (
                <button
                  key={b}
                  type="button"
                  className="act text-sm"
                  aria-pressed={draft.bases.includes(b)}
                  onClick={() =>
                    set({ bases: draft.bases.includes(b) ? draft.bases.filter((x) => x !== b) : [...draft.bases, b] })
                  }
                >
                  {b}
                </button>
              ))}
            </div>
          </fieldset>
          <Choice
            label="Surface"
            options={WETNESS.map((id) => ({ id, label: id }))}
            value={draft.wetness}
            onChange={(wetness) => set({ wetness })}
          />
        </div>
        {draft.bases.length > 0 && (
          <div className="grid sm:grid-cols-2 lg:grid-cols-3 gap-2 mt-2">
            {draft.bases.map((b) => (
              <Typed
                key={b}
                label={`How ${b} is prepared`}
                value={draft.preparation[b] ?? ''}
                onChange={(v) => set({ preparation: { ...draft.preparation, [b]: v } })}
              />
            ))}
          </div>
        )}

        <Heading aside="empty: the sheet prints none, and then no curve is drawn">Strength</Heading>
        <div className="grid sm:grid-cols-2 lg:grid-cols-5 gap-3">
          {text('strengthPoints', 'What it has after how long, one a line', '1 d: 32 MPa', true)}
          <label className="block">
            Tested in
            <select
              className="field"
              value={draft.strengthTest}
              onChange={(e) => set({ strengthTest: e.target.value as SheetDraft['strengthTest'] })}
            >
              {STRENGTH_TESTS.map((id) => (
                <option key={id}>{id}</option>
              ))}
            </select>
          </label>
          {text('strengthAt', 'At', '20 °C')}
          {text('characteristic', 'Characteristic value', 'empty: means only')}
          {text('characteristicTo', 'Holds in service to', '40 °C')}
        </div>

        <Heading>Finish and storage</Heading>
        <div className="grid sm:grid-cols-2 lg:grid-cols-4 gap-3">
          {text('colour', 'Colour')}
          <label className="block">
            Mixed, it is
            <select
              className="field"
              value={draft.flow}
              onChange={(e) => set({ flow: e.target.value as SheetDraft['flow'] })}
            >
              <option value="">as usual for it</option>
              {Object.entries(FLOWS).map(([id, label]) => (
                <option key={id} value={id}>
                  {label}
                </option>
              ))}
            </select>
          </label>
          <Choice
            label="Sanding"
            options={[
              { id: 'easy', label: 'easy' },
              { id: 'hard', label: 'hard' },
              { id: 'not', label: 'not at all' },
            ]}
            value={draft.sanding}
            onChange={(sanding) => set({ sanding })}
          />
          <Choice
            label="Takes paint"
            options={[
              { id: 'yes', label: 'yes' },
              { id: 'no', label: 'no' },
              { id: 'silent', label: 'silent' },
            ]}
            value={draft.paintable}
            onChange={(paintable) => set({ paintable })}
          />
          <Choice
            label="Primer"
            options={[
              { id: 'none', label: 'none' },
              { id: 'separate', label: 'separate' },
              { id: 'drawn-off', label: 'drawn off' },
              { id: 'silent', label: 'silent' },
            ]}
            value={draft.primer}
            onChange={(primer) => set({ primer })}
          />
          {text('storeMin', 'Stored from')}
          {text('storeMax', 'Stored to')}
          {text('shelfMonths', 'Shelf life closed, months')}
          {text('openedMonths', 'Once opened, months')}
        </div>
        <div className="grid lg:grid-cols-3 gap-3 mt-2">
          {text('checks', 'Look at before use, one a line', 'separated tin, crystals', true)}
          {text('hazards', 'Hazards, one a line', undefined, true)}
          {text('protection', 'Protection, one a line', undefined, true)}
        </div>

        {faults.form && (
          <p role="alert" style={{ color: 'var(--stop)' }}>
            {faults.form.sentence}
          </p>
        )}
        {Object.keys(faults).length > 0 && (
          <p role="alert" className="mt-2 font-semibold" style={{ color: 'var(--stop)' }}>
            {Object.keys(faults).length} field{Object.keys(faults).length > 1 ? 's' : ''} to mend before it can stand on
            the shelf.
          </p>
        )}
        {slips !== null && slips.length > 0 && (
          <div
            role="alert"
            className="mt-3 p-3"
            style={{ background: 'var(--caution-bg)', color: 'var(--caution-ink)', border: '1px solid var(--rule)' }}
          >
            <p className="font-bold">Slips of typing? Compare with the paper; then put it on the shelf once more.</p>
            <ul className="list-disc pl-5">
              {slips.map((s) => (
                <li key={s}>{s}</li>
              ))}
            </ul>
          </div>
        )}
        <button type="submit" className="act firm mt-3">
          Put it on the shelf{before ? ` as revision ${before.revision + 1}` : ''}
        </button>
      </form>
    </>
  );
}
