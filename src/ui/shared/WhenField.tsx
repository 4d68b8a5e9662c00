'use client';
import { clockText, dayText, isoDay, noonOf, readClock, readDay, readWhen, whenText } from '@/core/climate/read-when';
import type { Said } from '@/core/say';
import { spokenLanguage } from '@/words';
import { usePrefs } from '../workspace/prefs';
import { clock } from '../workspace/workspace';
import { ReadField } from './ReadField';
import { WhenButton } from './WhenButton';

/** How an instant is typed, by how the hours of a day are told. */
const EXAMPLES = { 24: 'tomorrow 7, Fri noon, 12 May 14:30', 12: 'tomorrow 7am, Fri noon, 12 May 2:30 pm' } as const;

/** A day and hour at the site, typed as people say it and shown in the clock of the page. */
export function WhenField({
  label,
  value,
  zone,
  atHour,
  onChange,
  onClear,
  check,
  disabled,
  className,
}: {
  readonly label: string;
  /** ms; null where none is chosen. */
  readonly value: number | null;
  readonly zone: string;
  /** The hour meant by a day without one. */
  readonly atHour: number;
  readonly onChange: (ms: number) => void;
  readonly onClear?: () => void;
  readonly check?: (ms: number) => Said | null;
  readonly disabled?: boolean;
  readonly className?: string;
}) {
  const hours = usePrefs((p) => p.hours);
  return (
    <ReadField
      name={`${label} (when)`}
      label={label}
      shown={value === null ? '' : whenText(value, zone, hours, spokenLanguage())}
      parse={(text) => readWhen(text, { nowMs: clock.now(), zone, atHour, locale: spokenLanguage() })}
      resetOn={`${value} ${zone} ${hours}`}
      onRead={(read) => onChange(read.value)}
      {...(onClear ? { onClear } : {})}
      {...(check ? { check } : {})}
      placeholder={onClear ? EXAMPLES[hours] : undefined}
      disabled={disabled}
      className={className}
      beside={
        <WhenButton
          label={label}
          value={value}
          zone={zone}
          atHour={atHour}
          onTake={onChange}
          {...(check ? { check } : {})}
          disabled={disabled}
        />
      }
    />
  );
}

/** A day without an hour, kept as 2026-04-23; typed as people say it, as every hour of the page is. */
export function DayField({
  label,
  value,
  zone,
  whole,
  onChange,
}: {
  readonly label: string;
  readonly value: string | null;
  readonly zone: string;
  /** Which end a month or a year alone means; its first day where it is left out. */
  readonly whole?: 'first' | 'last';
  readonly onChange: (iso: string | null) => void;
}) {
  return (
    <ReadField
      name={`${label} (day)`}
      label={label}
      shown={value === null ? '' : dayText(value, spokenLanguage())}
      parse={(text) =>
        readDay(text, { nowMs: clock.now(), zone, locale: spokenLanguage(), ...(whole ? { whole } : {}) })
      }
      resetOn={String(value)}
      onRead={(read) => onChange(isoDay(read.value, zone))}
      onClear={() => onChange(null)}
      placeholder="23 Apr 2026"
      // Half of a phone’s width is too little for a date and the way to the calendar.
      className="col-span-2 sm:col-span-1"
      beside={
        <WhenButton
          label={label}
          value={value === null ? null : noonOf(value, zone)}
          zone={zone}
          atHour={12}
          dayOnly
          onTake={(ms) => onChange(isoDay(ms, zone))}
        />
      }
    />
  );
}

/** An hour of the day. */
export function ClockField({
  label,
  hour,
  check,
  onChange,
  className,
}: {
  readonly className?: string;
  readonly label: string;
  readonly hour: number;
  readonly check?: (hour: number) => Said | null;
  readonly onChange: (hour: number) => void;
}) {
  const hours = usePrefs((p) => p.hours);
  return (
    <ReadField
      name={`${label} (clock)`}
      label={label}
      shown={clockText(hour, hours)}
      parse={readClock}
      resetOn={`${hour} ${hours}`}
      className={className}
      check={check}
      onRead={(read) => onChange(read.value)}
    />
  );
}
