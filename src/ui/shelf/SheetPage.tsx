'use client';
import { Copy, Download, FilePen } from 'lucide-react';
import { useSearchParams } from 'next/navigation';
import { useState } from 'react';
import { fittedActivationKJ, sheetFlaws } from '@/core/cure';
import { attempt } from '@/core/say';
import {
  cleaningSaid,
  clockOf,
  type EstimableField,
  FAMILIES,
  FLOWS,
  MILESTONES,
  partOf,
  proportionOf,
  type SheetRevision,
  STARTS,
  sheetIn,
  systemKind,
} from '@/core/system';
import type { Kind } from '@/core/units';
import { figure, formatDuration, joined, marked, phrase } from '@/words';
import { Heading, Prose, useFormat, useSay, Ways, Working } from '../shared/bits';
import { Link } from '../shared/Link';
import { dayOf, hereZone } from '../shared/when';
import { exportSheets } from '../workspace/exchange';
import { fileName, saveText } from '../workspace/files';
import { usePrefs } from '../workspace/prefs';
import { useWorkspace } from '../workspace/workspace';
import { blankDraft, draftOf, said } from './draft';
import { Lots } from './Lots';
import type { NumberLimit } from './limit-list';
import { SheetForm } from './SheetForm';
import { sandingText } from './sanding-text';
import { TimeChart } from './TimeChart';

/** A sheet as typed in; immutable, so that a change makes the next revision. */
export function SheetPage({ sheetId }: { sheetId: string }) {
  const stored = useWorkspace((d) => d.sheets.get(sheetId)) ?? null;
  const copied = useSearchParams().get('like');
  const like = useWorkspace((d) => (copied ? d.sheets.get(copied) : undefined)) ?? null;
  const ready = useWorkspace((d) => d.ready);
  const [editing, setEditing] = useState(sheetId === 'new');
  if (!ready) return null;
  if (!stored && sheetId !== 'new')
    return (
      <main id="main" className="p-8">
        <h1 className="text-2xl font-bold mb-3">This sheet is not on the shelf</h1>
        <Ways />
      </main>
    );
  return (
    <div className="px-4 md:px-6 py-4 max-w-[84rem]">
      <header className="flex items-baseline gap-6 flex-wrap mb-2">
        <h1 className="text-2xl font-bold">
          {stored?.name ?? (like ? phrase`A sheet like ${like.name}` : 'A new sheet')}
        </h1>
        {stored && (
          <span className="soft">{phrase`${systemKind(stored.kind).label}, revision ${stored.revision}`}</span>
        )}
        <span className="flex-1" />
        <Ways />
      </header>
      <main id="main">
        {stored && !editing && <SheetView sheet={stored} onRevise={() => setEditing(true)} />}
        {editing && (
          <SheetForm
            key={sheetId + (like?.id ?? '')}
            start={stored ? draftOf(stored) : like ? { ...draftOf(like), name: '', typedFrom: '' } : blankDraft()}
            before={stored}
          />
        )}
      </main>
    </div>
  );
}

function SheetView({ sheet, onRevise }: { sheet: SheetRevision; onRevise: () => void }) {
  const newest = useWorkspace((d) =>
    [...d.sheets.values()].reduce((a, s) => (s.systemId === sheet.systemId && s.revision > a.revision ? s : a), sheet),
  );
  return (
    <>
      <div className="flex gap-2 flex-wrap">
        <button type="button" className="btn" onClick={onRevise}>
          <FilePen size={16} aria-hidden="true" /> Make the next revision
        </button>
        <Link className="btn" href={`/shelf/new?like=${sheet.id}`}>
          <Copy size={16} aria-hidden="true" /> Another system like this
        </Link>
        <button
          type="button"
          className="btn"
          onClick={async () =>
            saveText(fileName(sheet.name, 'grenko-sheet.json'), await exportSheets([sheet]), 'application/json')
          }
        >
          <Download size={16} aria-hidden="true" /> As a file
        </button>
      </div>
      {newest !== sheet && (
        <p className="mt-2 font-semibold">
          {phrase`Revision ${newest.revision} is newer: `}
          <Link href={`/shelf/${newest.id}`}>open it</Link>. Repairs that were planned with this one keep it.
        </p>
      )}
      {sheetFlaws(sheet).map((f, i) => (
        <p key={`${f.field} ${i}`} role="alert" className="mt-2 font-semibold">
          <Prose>{f.sentence}</Prose>
        </p>
      ))}
      <div className="grid lg:grid-cols-[1fr_22rem] gap-6 mt-3">
        <div>
          <div className="grid sm:grid-cols-2 gap-4">
            {sheet.milestones.map((m) => {
              const e = fittedActivationKJ(m);
              return (
                <figure key={m.kind} className="paper p-2">
                  <figcaption className="text-sm flex justify-between gap-2">
                    <strong>{MILESTONES[m.kind].label}</strong>
                    <span className="soft text-right">{phrase`${clockOf(m) === 'working' ? 'over' : 'reached'}, from when ${STARTS[m.startsAt]}`}</span>
                  </figcaption>
                  <TimeChart milestone={m} family={sheet.family} atC={Number.NaN} />
                  {e !== undefined && <p className="soft text-xs">{phrase`fitted ${figure(e)} kJ/mol`}</p>}
                </figure>
              );
            })}
          </div>
          <ProportionOf sheet={sheet} />
        </div>
        <div>
          <Lots sheet={sheet} />
          <Facts sheet={sheet} />
        </div>
      </div>
    </>
  );
}

/** 1 kg for each m² and mm, in lb for each ft² and inch. */
const LB_PER_FT2_IN = 2.2046226 * 0.09290304 * 25.4;

/** What a sheet says of its coverage, in the reader’s units. */
const coverageText = (kgPerM2Mm: number, system: 'metric' | 'us'): string =>
  system === 'metric'
    ? phrase`${kgPerM2Mm} kg for each m² and mm`
    : phrase`${figure(kgPerM2Mm * LB_PER_FT2_IN)} lb for each ft² and inch`;

/** 1 m² of a litre, in ft² of a US gallon. */
const FT2_PER_US_GAL = 3.785411784 / 0.09290304;
const coversText = (m2PerL: number, system: 'metric' | 'us'): string =>
  system === 'metric' ? `${figure(m2PerL)} m²/L` : phrase`${figure(m2PerL * FT2_PER_US_GAL)} ft²/US gal`;

/** What may be taken as usual, in words. */
const ESTIMATES: Readonly<Record<EstimableField, string>> = {
  wetness: 'how dry the surface is',
  densityA: 'density of A',
  densityB: 'density of B',
  densityC: 'density of C',
  densityD: 'density of D',
  mixMin: 'mixing time',
  potLoss: 'what stays in the pot',
  mixerVolume: 'what stays in a mixer',
  mixerPurge: 'first shots',
  mixerReach: 'reach of the mixer',
  ratio: 'ratio',
  bulkC: 'tamped bulk density of C',
  bulkD: 'tamped bulk density of D',
  doseUsual: 'usual dose, the middle of its range',
};

/** What the sheet says beside its times. */
function Facts({ sheet: s }: { sheet: SheetRevision }) {
  const format = useFormat();
  const system = usePrefs((p) => p.system);
  const l = s.limits;
  const tell = useSay();
  const length = (valueMm: number) => format('length', valueMm).text;
  /** A quantity in the reader’s units, and as the paper prints it where that differs. */
  const says = (field: string, kind: Kind, value: number) => {
    const [mine, paper] = [format(kind, value).text, s.printed[field] === undefined ? '' : said(s, field, kind, value)];
    // 10 C is 10 °C.
    const plain = (text: string) => text.replace(/[°\s\u00a0]/g, '');
    return paper && plain(paper) !== plain(mine) ? phrase`${mine} (printed ${paper})` : mine;
  };
  const one = (field: string, kind: Kind, value: number | null) => (value === null ? null : says(field, kind, value));
  const limit = (id: NumberLimit, kind: Kind) => one(`limits.${id}`, kind, l[id]);
  const span = (from: string, a: number | null, to: string, b: number | null, kind: Kind) => {
    const [least, most] = [one(from, kind, a), one(to, kind, b)];
    if (least !== null && most !== null) return phrase`${least} to ${most}`;
    return least !== null ? phrase`from ${least}` : most !== null ? phrase`up to ${most}` : null;
  };
  const between = (a: NumberLimit, b: NumberLimit, kind: Kind) => span(`limits.${a}`, l[a], `limits.${b}`, l[b], kind);
  // Beside the density of the mix those of its parts are no matter of what is usual.
  const silent = s.estimated.filter((f) => f !== 'ratio' && (s.mixedGPerMl === null || !f.startsWith('density')));
  const facts: readonly (readonly [string, string | null])[] = [
    [
      'ratio',
      s.dose
        ? phrase`${figure(s.dose.minPct)} to ${figure(s.dose.maxPct)} % ${systemKind(s.kind).dosed} of ${s.dose.of === 'A' ? 'A' : 'the total'}, usually ${figure(s.dose.usualPct)} %`
        : s.estimated.includes('ratio')
          ? 'as its pack meters it'
          : phrase`${s.ratio.a} : ${s.ratio.b} by ${s.ratio.basis}${s.ratio.tolerancePct ? marked(` ± ${s.ratio.tolerancePct} %`) : ''}`,
    ],
    [
      'fillers',
      joined(
        [
          s.ratio.cByWeight && phrase`${s.printed.cByWeight ?? figure(s.ratio.cByWeight)} of ${partOf(s, 'C')?.name}`,
          s.ratio.dByWeight && phrase`${s.printed.dByWeight ?? figure(s.ratio.dByWeight)} of ${partOf(s, 'D')?.name}`,
        ].filter(Boolean),
        ', ',
      ) || null,
    ],
    ['density of the mix', one('mixed', 'density', s.mixedGPerMl)],
    ['base', between('baseMinC', 'baseMaxC', 'temperature')],
    ['air', between('airMinC', 'airMaxC', 'temperature')],
    ['material', between('materialMinC', 'materialMaxC', 'temperature')],
    ['cures from', limit('cureMinC', 'temperature')],
    ['full strength', l.fullCureMinC === null ? null : phrase`cured from ${limit('fullCureMinC', 'temperature')}`],
    ['glass transition', limit('glassC', 'temperature')],
    [
      'strength',
      s.strength
        ? phrase`${joined(
            s.strength.points.map((p) => phrase`${format('stress', p.mpa).text} after ${formatDuration(p.afterMin)}`),
            ', ',
          )} in ${s.strength.test} at ${says('strengthAt', 'temperature', s.strength.tempC)}`
        : null,
    ],
    [
      'characteristic',
      s.strength?.characteristicMpa == null
        ? null
        : `${says('characteristic', 'stress', s.strength.characteristicMpa)}${s.strength.characteristicToC === null ? '' : phrase`, to ${says('characteristicTo', 'temperature', s.strength.characteristicToC)}`}`,
    ],
    [
      'holes',
      joined(
        (s.holes?.rods ?? []).map((r) =>
          r.leastMm === null
            ? phrase`${r.rod} in Ø ${length(r.holeMm)}`
            : phrase`${r.rod} in Ø ${length(r.holeMm)}, ${length(r.leastMm)} to ${length(r.mostMm!)}`,
        ),
        '; ',
      ) || null,
    ],
    ['holes cleaned', s.holes?.cleaning.length ? tell(cleaningSaid(s.holes.cleaning)) : null],
    [
      'wet holes',
      s.holes?.wet ? (s.holes.wet === 'no' ? 'excluded' : phrase`allowed, every wait × ${s.holes.wet.times}`) : null,
    ],
    ['in service to', limit('serviceMaxC', 'temperature')],
    ['humidity', l.humidityMaxPct === null ? null : phrase`to ${l.humidityMaxPct} %`],
    ['above the dew point', l.dewMarginK === null ? null : phrase`by ${limit('dewMarginK', 'interval')}`],
    ['concrete', l.baseAgeMinDays === null ? null : phrase`from ${l.baseAgeMinDays} days`],
    ['base moisture', l.moistureMaxPct === null ? null : phrase`to ${l.moistureMaxPct} %`],
    ['lift', between('liftMinMm', 'liftMaxMm', 'length')],
    ['largest grain', limit('grainMm', 'length')],
    ['gap', between('bondMinMm', 'bondMaxMm', 'length')],
    ['holds on a wall', limit('sagWallMm', 'length')],
    ['holds overhead', limit('sagOverheadMm', 'length')],
    [
      'bases',
      joined(
        l.bases.map((b) => (l.preparation[b] ? phrase`${b} (${l.preparation[b]})` : b)),
        ', ',
      ) || null,
    ],
    ['surface', s.estimated.includes('wetness') ? null : l.wetness],
    [
      'mixing',
      joined(
        [
          s.mixMin ? `${s.mixMin} min` : '',
          s.mixRpm ? phrase`${s.mixRpm.from} to ${s.mixRpm.to} turns a minute` : '',
          s.mixManner,
        ].filter(Boolean),
        ', ',
      ) || null,
    ],
    [
      'not on it',
      silent.length
        ? phrase`${joined(
            silent.map((f) => ESTIMATES[f]),
            ', ',
          )}: taken as usual for its kind (Grenko’s)`
        : null,
    ],
    ['mixed, it is', s.flow && FLOWS[s.flow]],
    ['coverage', s.coverageKgPerM2Mm === null ? null : coverageText(s.coverageKgPerM2Mm, system)],
    ['a square metre drinks', one('uptake', 'uptake', s.uptakeMlPerM2)],
    ['a coat covers', s.coversM2PerL === null ? null : coversText(s.coversM2PerL, system)],
    [
      'finish',
      joined(
        [
          s.finish.colour,
          sandingText(s.finish.sanding),
          s.finish.film === 'none' ? 'no greasy film' : s.finish.film ? 'leaves a greasy film' : '',
        ].filter(Boolean),
        ', ',
      ) || null,
    ],
    ['stored', span('storeMin', s.storage.minC, 'storeMax', s.storage.maxC, 'temperature')],
    [
      'keeps',
      joined(
        [
          s.storage.shelfMonths && phrase`${s.storage.shelfMonths} months closed`,
          s.storage.openedMonths && phrase`${s.storage.openedMonths} opened`,
        ].filter(Boolean),
        ', ',
      ) || null,
    ],
    ['before use', s.storage.checks.join(' ') || null],
    ['protection', joined(s.protection, ', ') || null],
    ['typed', phrase`from ${s.typedFrom || 'no source noted'}, by ${s.typedByRole}, ${dayOf(s.typedAt, hereZone())}`],
  ];
  return (
    <>
      <Heading aside="the sheet says">What it says</Heading>
      <dl className="grid grid-cols-[7rem_1fr] gap-x-3 gap-y-1 text-[0.92rem]">
        {facts
          .filter(([, v]) => v)
          .map(([k, v]) => (
            <div key={k} className="contents">
              <dt className="soft">{k}</dt>
              <dd>{v}</dd>
            </div>
          ))}
      </dl>
      <Heading>Cautions</Heading>
      <ul className="list-disc pl-5">
        {s.hazards.map((h) => (
          <li key={h}>{h}</li>
        ))}
      </ul>
      <p className="soft text-sm mt-2">{phrase`${FAMILIES[s.family].label}. The maker’s own sheet overrules everything here.`}</p>
    </>
  );
}

function ProportionOf({ sheet }: { sheet: SheetRevision }) {
  const p = attempt(() => proportionOf(sheetIn(sheet, { dosePct: null, humidityPct: 0 })));
  return p.ok ? (
    <Working title="how the mix is made up" lines={p.value.working} open />
  ) : (
    <p>
      <Prose>{p.problem.sentence}</Prose>
    </p>
  );
}
