'use client';
import { ClipboardPaste } from 'lucide-react';
import { useRouter, useSearchParams } from 'next/navigation';
import { useDeferredValue, useMemo, useState } from 'react';
import { type DefaultValues, useForm } from 'react-hook-form';
import { sheetFlaws } from '@/core/cure';
import type { Message } from '@/core/say';
import { MILESTONES, type SheetRevision, systemKind, tellsOf } from '@/core/system';
import { joined, lowered, phrase, spokenMark } from '@/words';
import { Heading, Prose } from '../shared/bits';
import { Notice } from '../shared/Notice';
import { chooseSheet, passNamed } from '../workspace/choose';
import { useOwnMoney } from '../workspace/own-money';
import { usePrefs } from '../workspace/prefs';
import { keepTyped, keptTyped } from '../workspace/typing';
import { clock, putSheet, useWorkspace } from '../workspace/workspace';
import { inBothEnds } from './both-ends';
import { blankDraft, type SheetDraft } from './draft';
import { FurtherFields } from './FurtherFields';
import { KitsFields } from './KitsFields';
import { LimitFields } from './LimitFields';
import { PasteSheet } from './PasteSheet';
import { withPack } from './pack-draft';
import { withFacts, withTimes } from './paste-draft';
import { RatioFields } from './RatioFields';
import { readDraft } from './read-draft';
import { goToField, labelOfField, type SheetFields, SheetFieldsContext, useExamples } from './sheet-fields';
import { faultsIn, nameInForm, sheetResolver } from './sheet-resolver';
import { TimesFields } from './TimesFields';
import { WhatItIs } from './WhatItIs';

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
 * A maker's sheet typed in, in the order in which sheets print. Every field keeps its text; what is wrong is said when
 * it is left, what looks like a slip when all can be read.
 */
export function SheetForm({ start, before }: { start: SheetDraft; before: SheetRevision | null }) {
  const [kept, setKept] = useState(() => keptSheet(before));
  /** What kept it from the shelf when it was last tried, by field, with its name on the screen. */
  const [tried, setTried] = useState<readonly { readonly field: string; readonly label: string }[]>([]);
  const [slips, setSlips] = useState<readonly Message[] | null>(null);
  const { system, role } = usePrefs();
  const { example } = useExamples();
  const money = useOwnMoney();
  const router = useRouter();
  /** The pass it is typed in for, where it was asked for from a repair. */
  const wantedFor = useSearchParams().get('for');
  const read = (of: SheetDraft) => readDraft(of, { system, money, role, nowMs: clock.now() }, before);
  const form = useForm<SheetDraft, unknown, SheetRevision>({
    defaultValues: (kept ?? start) as DefaultValues<SheetDraft>,
    resolver: sheetResolver(read),
    // Which of them is the first is known by the page alone.
    shouldFocusError: false,
  });
  const draft = form.watch();
  const faults = faultsIn(form.formState.errors);
  const set = (over: Partial<SheetDraft>) => {
    for (const [name, value] of Object.entries(over)) form.setValue(name as keyof SheetDraft, value as never);
    keepSheet(before, form.getValues());
    setSlips(null);
  };
  // Fields are checked as they are left, and only the one that is left complains.
  const left = (field: string) => void form.trigger(nameInForm(field) as keyof SheetDraft);
  const fields: SheetFields = {
    draft,
    faults,
    set,
    left: (field) => {
      // A ratio or a dose may be what the words on a pack were waiting for.
      let waited = draft;
      for (const k of draft.kits) waited = withPack(waited, k, system);
      if (waited !== draft) set({ kits: waited.kits });
      const both = inBothEnds(draft, field, spokenMark());
      if (both) set(both);
      left(field);
    },
    take: (times, facts) => {
      const found = withFacts(draft, facts);
      const kit = found.kits[0];
      set({ ...(kit ? withPack(found, kit, system) : found), times: withTimes(draft.times, times) });
      for (const { field } of facts) if (field !== 'pack' && field !== 'yieldMl') left(field);
    },
  };
  const submit = form.handleSubmit(
    async (sheet) => {
      setTried([]);
      const found = sheetFlaws(sheet).map((f) => f.sentence);
      // Slips are said once; whoever has looked at them may go on.
      if (found.length && slips === null) {
        setSlips(found);
        return;
      }
      await putSheet(sheet);
      keepSheet(before, null);
      const pass = passNamed(wantedFor);
      if (pass) {
        chooseSheet(pass, sheet);
        router.push(`/job/${pass.jobId}/${pass.id}/material`);
      } else router.push(`/shelf/${sheet.id}`);
    },
    (errors) => {
      const wrong = Object.keys(faultsIn(errors)).map((field) => ({ field, label: labelOfField(field) }));
      // In the order of the page, and the first of them in hand.
      const places = [...document.querySelectorAll('form [id^="sheet-"]')].map((e) => e.id);
      wrong.sort((a, b) => places.indexOf(`sheet-${a.field}`) - places.indexOf(`sheet-${b.field}`));
      setTried(wrong);
      const first = wrong.find((w) => places.includes(`sheet-${w.field}`));
      if (first) goToField(first.field);
    },
  );
  const toMend = tried.filter(({ field }) => faults[field]);
  const spec = systemKind(draft.kind);
  return (
    <SheetFieldsContext value={fields}>
      {kept !== null && (
        <p role="status" className="my-2 p-2" style={{ border: '1px dashed var(--rule)' }}>
          As you left it, not on the shelf yet.{' '}
          <button
            type="button"
            className="btn text-sm"
            onClick={() => {
              keepSheet(before, null);
              form.reset(start as DefaultValues<SheetDraft>);
              setKept(null);
            }}
          >
            Begin anew
          </button>
        </p>
      )}
      {!before && <LikeAnother />}
      <form noValidate onSubmit={(e) => void submit(e)}>
        <WhatItIs />
        <PasteWhole />
        <Heading>What is in a pack</Heading>
        <KitsFields
          kind={draft.kind}
          kits={draft.kits}
          parts={spec.parts.map((p) => p.id)}
          example={
            spec.mixing === 'mixer'
              ? example('300 mL cartridge 10:1', '10 US fl oz cartridge 10:1')
              : spec.dosed
                ? example('25 kg bag', '55 lb bag')
                : example('420 g + 210 g tins', '2 lb + 1 lb tins')
          }
          faults={faults}
          onChange={(kits) => set({ kits })}
          onLeave={left}
          onRead={(kit) => {
            const named = { ...draft, kits: draft.kits.map((k) => (k.key === kit.key ? kit : k)) };
            const { kits, ratio } = withPack(named, kit, system);
            set({ kits, ratio });
            left(`kits.${kit.key}.label`);
          }}
        />
        <RatioFields />
        <Heading>Times</Heading>
        <TimesFields
          times={draft.times}
          family={draft.family}
          system={system}
          faults={faults}
          onChange={(times) => set({ times })}
          onLeave={left}
        />
        <LimitFields />
        <FurtherFields />
        {faults.form && (
          <p role="alert" style={{ color: 'var(--stop)' }}>
            <Prose>{faults.form.sentence}</Prose>
          </p>
        )}
        {toMend.length > 0 && (
          <Notice tone="stop" role="alert" className="mt-3">
            <p className="font-bold">{phrase`${toMend.length} field${toMend.length > 1 ? 's' : ''} to mend before it can stand on the shelf:`}</p>
            <ul className="list-disc pl-5">
              {toMend.map(({ field, label }) => (
                <li key={field}>
                  <button type="button" className="underline text-left" onClick={() => goToField(field)}>
                    {label}
                  </button>
                  {faults[field] && (
                    <>
                      : <Prose>{faults[field].sentence}</Prose>
                    </>
                  )}
                </li>
              ))}
            </ul>
          </Notice>
        )}
        {slips !== null && slips.length > 0 && (
          <Notice tone="caution" role="alert" className="mt-3">
            <p className="font-bold">Slips of typing? Compare with the paper; then put it on the shelf once more.</p>
            <ul className="list-disc pl-5">
              {slips.map((s, i) => (
                <li key={`${s.id} ${i}`}>
                  <Prose>{s}</Prose>
                </li>
              ))}
            </ul>
          </Notice>
        )}
        <div
          className="sticky bottom-0 mt-3 py-3 flex flex-wrap gap-x-4 gap-y-2 items-center border-t"
          style={{ background: 'var(--ground)', borderColor: 'var(--rule)' }}
        >
          <button
            type="submit"
            className="btn btn-neutral"
          >{phrase`Put it on the shelf${wantedFor && !before ? ' and choose it' : ''}${before ? phrase` as revision ${before.revision + 1}` : ''}`}</button>
          <WhatItTells draft={draft} read={read} />
        </div>
      </form>
    </SheetFieldsContext>
  );
}

/** The text of a sheet that lies there as a file: what it tells fills the form. */
function PasteWhole() {
  const [pasting, setPasting] = useState(false);
  return (
    <div className="mt-3">
      <button type="button" className="btn text-sm" aria-expanded={pasting} onClick={() => setPasting(!pasting)}>
        <ClipboardPaste size={15} aria-hidden="true" /> Paste the text of the sheet
      </button>
      {pasting && <PasteSheet onClose={() => setPasting(false)} />}
    </div>
  );
}

/** What can be planned with what is typed so far, as it is typed. */
function WhatItTells({
  draft: now,
  read,
}: {
  draft: SheetDraft;
  read: (of: SheetDraft) => ReturnType<typeof readDraft>;
}) {
  const draft = useDeferredValue(now);
  // biome-ignore lint/correctness/useExhaustiveDependencies: what is typed decides it
  const { can, open } = useMemo(() => {
    const got = read(draft);
    const wrong = 'faults' in got ? Object.keys(got.faults) : [];
    const times = draft.times.filter((t) => t.text.trim() !== '' && !wrong.includes(`times.${t.key}`));
    const tells = tellsOf(new Set(times.map((t) => t.kind)), systemKind(draft.kind).times);
    const amounts = !wrong.some((f) => /^(kits|ratio|dose|[cd]ByWeight|density)/.test(f));
    return {
      can: [...(amounts ? ['how much and how many packs'] : []), ...tells.can],
      open: [
        ...(amounts ? [] : ['how much and how many packs']),
        ...tells.open.map((o) => phrase`${o.label} (${lowered(MILESTONES[o.by].label)})`),
      ],
    };
  }, [draft]);
  return (
    <p role="status" className="text-[0.95rem] flex-1 min-w-64" data-testid="tells">
      {can.length > 0 ? (
        <>
          With this Grenko can tell <strong>{joined(can, ', ')}</strong>
          {open.length > 0 ? '; still open: ' : '.'}
        </>
      ) : (
        'With this nothing can be planned yet. Still open: '
      )}
      {open.length > 0 && `${joined(open, ', ')}.`}
    </p>
  );
}

/** A sheet of the shelf to begin from: much is alike between two sheets of a maker. */
function LikeAnother() {
  const sheets = useWorkspace((d) => d.sheets);
  const router = useRouter();
  const like = useSearchParams().get('like');
  if (!sheets.size) return null;
  return (
    <label className="block max-w-md">
      Begin like another sheet
      <select
        className="select"
        value={like && sheets.has(like) ? like : ''}
        onChange={(e) => router.push(e.target.value ? `/shelf/new?like=${e.target.value}` : '/shelf/new')}
      >
        <option value="">a blank one</option>
        {[...sheets.values()]
          .sort((a, b) => a.name.localeCompare(b.name))
          .map((s) => (
            <option key={s.id} value={s.id}>
              {s.name}
              {s.revision > 1 ? phrase`, revision ${s.revision}` : ''}
            </option>
          ))}
      </select>
    </label>
  );
}
