'use client';
import { Check, ClipboardCopy } from 'lucide-react';
import { type ReactNode, useId, useMemo, useRef, useState } from 'react';
import type { Finding } from '@/core/judge';
import type { Said, Voice, WorkLine } from '@/core/say';
import type { Kind } from '@/core/units';
import { format, phrase, type Reader, say, workedIn } from '@/words';
import { Own } from '@/words/jsx-runtime';
import { usePrefs } from '../workspace/prefs';
import { useTyped } from '../workspace/typing';
import { Link } from './Link';
import { TONES } from './Notice';

/** Prints a core value in the person's units. */
export function useFormat() {
  const system = usePrefs((p) => p.system);
  return (kind: Kind, value: number, digits?: number) => format(kind, value, system, digits);
}

/**
 * A sentence of the core within the page, in the person’s units.
 * @param zone of the site, where it may name an instant
 */
export function Prose({ children, zone }: { children: Said; zone?: string }) {
  return <>{useSay(zone)(children)}</>;
}

/** Who reads, by the preferences. */
export function useReader(zone = 'utc'): Reader {
  const system = usePrefs((p) => p.system);
  const hours = usePrefs((p) => p.hours);
  const language = usePrefs((p) => p.language);
  return useMemo(() => ({ system, hours, zone, language }), [system, hours, zone, language]);
}

/** What the core says, in the person’s units, at the site’s time. */
export function useSay(zone = 'utc') {
  const reader = useReader(zone);
  return (said: Said) => say(said, reader);
}

/** The one answer of a stage: a large figure, its unit, and its doubt beside it. */
export function Answer({
  over,
  digits,
  unit,
  beside,
  copy,
}: {
  over: string;
  digits: string;
  unit?: string;
  beside?: ReactNode;
  copy?: string;
}) {
  // Pinned below a sheet it gives way to what is worked on.
  const size =
    digits.length > 12
      ? 'text-2xl roomy:text-3xl'
      : digits.length > 7
        ? 'text-2xl roomy:text-4xl'
        : 'text-4xl roomy:text-6xl';
  return (
    <div className="answer ruled pb-2 mb-2 flex flex-wrap items-baseline gap-x-3 roomy:block">
      <p className="soft">{over}</p>
      <div className="flex grow items-end gap-x-4 roomy:gap-y-4 flex-wrap justify-between">
        <p className="flex items-baseline gap-2" aria-live="polite">
          <strong className={`fig ${size} leading-none font-extrabold`} data-testid="answer">
            {digits}
          </strong>
          {unit && <span className="text-xl roomy:text-2xl">{unit}</span>}
          <Copy text={copy ?? `${digits}${unit ? phrase` ${unit}` : ''}`} />
        </p>
        {beside && <div className="text-sm roomy:text-[0.95rem] leading-snug pb-1">{beside}</div>}
      </div>
    </div>
  );
}

export function Copy({ text }: { text: string }) {
  const [done, setDone] = useState(false);
  return (
    <button
      type="button"
      className="p-1.5 self-center no-print soft"
      aria-label={phrase`Copy ${text}`}
      title="Copy"
      onClick={async () => {
        await navigator.clipboard?.writeText(text).catch(() => undefined);
        setDone(true);
        setTimeout(() => setDone(false), 1200);
      }}
    >
      {done ? <Check size={16} aria-hidden="true" /> : <ClipboardCopy size={16} aria-hidden="true" />}
    </button>
  );
}

const VOICES: Record<Voice, string> = {
  sheet: 'the sheet says',
  computed: 'Grenko computes',
  chosen: 'I chose',
  measured: 'measured',
  assumed: 'Grenko’s own figure',
};

/** Who says it. */
export function VoiceMark({ voice }: { voice: Voice }) {
  return (
    <span
      className={`text-xs whitespace-nowrap ${voice === 'sheet' ? 'border-b border-dashed' : voice === 'chosen' ? 'italic' : ''} soft`}
    >
      {VOICES[voice]}
    </span>
  );
}

/** How a figure comes about: label, expression, value, source; every line checkable by hand. */
export function Working({ title, lines, open = false }: { title: string; lines: readonly WorkLine[]; open?: boolean }) {
  const [shown, setShown] = useState(open);
  const reader = useReader();
  if (!lines.length) return null;
  return (
    <details className="mt-2" open={open} onToggle={(e) => setShown(e.currentTarget.open)}>
      <summary>{title}</summary>
      {/* What is folded away is not drawn: a pulled temperature would redraw it all. */}
      <ol className="mt-1">
        {(shown ? lines : []).map((line, i) => {
          const l = workedIn(line, reader);
          return (
            <li key={i} className="py-1" style={{ borderTop: '1px solid var(--paper-line)' }}>
              <div className="flex justify-between gap-3">
                <span>{l.label}</span>
                <span className="fig font-semibold whitespace-nowrap text-right">{l.value}</span>
              </div>
              <div className="flex justify-between gap-3 soft text-sm">
                <span className="fig text-[0.8rem] leading-snug">{l.expression}</span>
                <span className="text-right">{l.source ?? <VoiceMark voice={line.voice} />}</span>
              </div>
            </li>
          );
        })}
      </ol>
    </details>
  );
}

/** A stop is an eight-sided sign, a caution a triangle, a note a square: shape and word before colour. */
export function FindingSign({ severity, size = 44 }: { severity: Finding['severity']; size?: number }) {
  if (severity === 'stop')
    return (
      <svg width={size} height={size} viewBox="0 0 44 44" aria-hidden="true" className="shrink-0">
        <path d="M13 2h18l11 11v18L31 42H13L2 31V13z" fill="var(--stop)" />
        <text x="22" y="26.5" textAnchor="middle" fontSize="12.5" fontWeight="700" fill="var(--stop-bg)">
          stop
        </text>
      </svg>
    );
  if (severity === 'caution')
    return (
      <svg width={size} height={size} viewBox="0 0 44 44" aria-hidden="true" className="shrink-0">
        <path d="M22 5 L41 39 H3 Z" fill="none" stroke="var(--caution-ink)" strokeWidth="2" />
        <text x="22" y="35" textAnchor="middle" fontSize="20" fontWeight="800" fill="var(--caution-ink)">
          !
        </text>
      </svg>
    );
  return (
    <svg width={size} height={size} viewBox="0 0 44 44" aria-hidden="true" className="shrink-0">
      <rect x="8" y="8" width="28" height="28" fill="none" stroke="var(--ink)" strokeWidth="1.5" />
      <text x="22" y="29" textAnchor="middle" fontSize="18" fontWeight="700" fill="var(--ink)">
        i
      </text>
    </svg>
  );
}

/** What was noticed: what, why, what to do. */
export function FindingCard({
  finding,
  zone,
  more = [],
  overridden,
  children,
}: {
  finding: Finding;
  /** The same of other batches, parts or places. */
  more?: readonly Finding[];
  zone: string;
  overridden?: { reason: string; role: string };
  children?: ReactNode;
}) {
  const says = useSay(zone);
  return (
    <article
      className={`alert ${TONES[finding.severity]} mt-2`}
      data-severity={finding.severity}
      data-finding={finding.id}
    >
      <FindingSign severity={finding.severity} size={34} />
      <div className="min-w-0">
        <h3 className="font-bold leading-tight">
          <span className="sr-only">{finding.severity}: </span>
          {finding.passName ? phrase`${finding.passName}: ` : ''}
          {says(finding.title)}
        </h3>
        <p className="text-sm leading-snug">
          {says(finding.why)} <strong className="font-semibold">{says(finding.todo)}</strong>
        </p>
        {more.length > 0 && (
          <details className="text-sm">
            <summary>{phrase`${more.length} more like it`}</summary>
            <ul className="list-disc pl-5">
              {more.map((f) => (
                <li key={f.id}>{says(f.why)}</li>
              ))}
            </ul>
          </details>
        )}
        {overridden && (
          <p className="text-sm mt-1 italic">{phrase`Overridden by ${overridden.role}: ${overridden.reason}`}</p>
        )}
        {children}
      </div>
    </article>
  );
}

const STEPS: Readonly<Record<string, number>> = { ArrowRight: 1, ArrowDown: 1, ArrowLeft: -1, ArrowUp: -1 };

/**
 * One of a few options side by side, square-cut; the chosen one is filled. By keys it is one stop, and the arrows
 * choose
 * (ARIA radio group).
 */
export function Choice<T extends string>({
  label,
  options,
  value,
  onChange,
  hideLabel,
  forGood = false,
}: {
  label: string;
  /** @property own its label is a name that somebody gave */
  options: readonly { id: T; label: string; title?: string; idle?: boolean; own?: boolean }[];
  value: T | undefined;
  onChange: (value: T) => void;
  hideLabel?: boolean;
  /** What is chosen goes into the record at once: the arrows only go there, and a press chooses. */
  forGood?: boolean;
}) {
  const id = useId();
  const row = useRef<HTMLDivElement>(null);
  const chosen = options.findIndex((o) => o.id === value);
  const free = options.findIndex((o) => !o.idle);
  // Before anything is chosen the first that can be is where the keys come in.
  const stop = chosen >= 0 ? chosen : free;
  const move = (from: number, by: number) => {
    for (let n = 1; n <= options.length; n++) {
      const i = (from + by * n + options.length * n) % options.length;
      if (options[i]!.idle) continue;
      row.current?.querySelectorAll<HTMLElement>('[role=radio]')[i]?.focus();
      if (!forGood) onChange(options[i]!.id);
      return;
    }
  };
  return (
    <div role="radiogroup" aria-labelledby={id}>
      <span id={id} className={hideLabel ? 'sr-only' : 'block mb-0.5'}>
        {label}
      </span>
      <div ref={row} className="flex flex-wrap gap-1">
        {options.map((o, i) => (
          <button
            key={o.id}
            type="button"
            role="radio"
            className="btn text-sm"
            aria-checked={o.id === value}
            tabIndex={i === stop ? 0 : -1}
            title={o.title}
            aria-disabled={o.idle}
            onClick={() => !o.idle && onChange(o.id)}
            onKeyDown={(e) => {
              const by = STEPS[e.key];
              if (by === undefined) return;
              e.preventDefault();
              move(i, by);
            }}
          >
            {o.own ? <Own>{o.label}</Own> : o.label}
          </button>
        ))}
      </div>
    </div>
  );
}

/** On or off. */
export const OnOff = ({ label, on, onChange }: { label: string; on: boolean; onChange: (on: boolean) => void }) => (
  <Choice
    label={label}
    options={[
      { id: 'on', label: 'on' },
      { id: 'off', label: 'off' },
    ]}
    value={on ? 'on' : 'off'}
    onChange={(v) => onChange(v === 'on')}
  />
);

/** A text field that is written when it is left. */
export function TextField({
  label,
  value,
  onChange,
  type = 'text',
  problem,
  hideLabel,
  multiline,
}: {
  label: string;
  value: string;
  onChange: (value: string) => void;
  type?: string;
  problem?: string | null;
  hideLabel?: boolean;
  multiline?: boolean;
}) {
  const id = useId();
  const ref = useRef<HTMLInputElement & HTMLTextAreaElement>(null);
  const { text: draft, type: setDraft } = useTyped(label, ref);
  const common = {
    id,
    ref,
    'data-typed': label,
    className: multiline ? 'textarea' : 'input',
    value: draft ?? value,
    'aria-invalid': problem ? (true as const) : undefined,
    'aria-describedby': problem ? `${id}-say` : undefined,
    onBlur: () => {
      if (draft !== null && draft !== value) onChange(draft);
      setDraft(null);
    },
  };
  return (
    <div>
      <label htmlFor={id} className={hideLabel ? 'sr-only' : 'block mb-0.5'}>
        {label}
      </label>
      {multiline ? (
        <textarea rows={3} {...common} onChange={(e) => setDraft(e.target.value)} />
      ) : (
        <input
          type={type}
          {...common}
          onChange={(e) => setDraft(e.target.value)}
          onKeyDown={(e) => e.key === 'Enter' && e.currentTarget.blur()}
        />
      )}
      {problem && (
        <p id={`${id}-say`} role="alert" className="text-sm" style={{ color: 'var(--stop)' }}>
          {problem}
        </p>
      )}
    </div>
  );
}

/** A heading with a rule under it. */
export function Heading({ children, aside }: { children: ReactNode; aside?: ReactNode }) {
  return (
    <div
      className="flex items-baseline justify-between gap-3 mt-4 mb-1 pb-0.5"
      style={{ borderBottom: '1px solid var(--hair)' }}
    >
      <h2 className="font-bold text-[1.02rem]">{children}</h2>
      {aside && <span className="soft text-sm">{aside}</span>}
    </div>
  );
}

/** A few links that every view carries. */
export function Ways() {
  const { system, theme } = usePrefs();
  return (
    <nav aria-label="Everywhere" className="flex items-center gap-x-3.5 gap-y-1 flex-wrap no-print text-[0.95rem]">
      <Link href="/">Yard</Link>
      <Link href="/shelf">Shelf</Link>
      <Link href="/lab">Lab</Link>
      <Link href="/learned">Records</Link>
      <Link href="/settings">
        {system === 'metric' ? 'mm · °C' : 'in · °F'} · {theme === 'sun' ? 'full sun' : theme}
      </Link>
    </nav>
  );
}
