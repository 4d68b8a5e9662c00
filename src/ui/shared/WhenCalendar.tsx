'use client';
import {
  CalendarDate,
  fromAbsolute,
  Time,
  toCalendarDate,
  toCalendarDateTime,
  toTime,
  toZoned,
} from '@internationalized/date';
import { ChevronLeft, ChevronRight } from 'lucide-react';
import { type RefObject, useState } from 'react';
import {
  Button,
  Calendar,
  CalendarCell,
  CalendarGrid,
  CalendarGridBody,
  CalendarGridHeader,
  CalendarHeaderCell,
  CalendarHeading,
} from 'react-aria-components/Calendar';
import { Dialog } from 'react-aria-components/Dialog';
import { I18nProvider } from 'react-aria-components/I18nProvider';
import { Popover } from 'react-aria-components/Popover';
import { DateInput, DateSegment, Label, TimeField } from 'react-aria-components/TimeField';
import { YEAR_FROM, YEAR_TO } from '@/core/climate/read-when';
import type { Said } from '@/core/say';
import { LANGUAGE_ROWS, phrase, spokenLanguage } from '@/words';
import { usePrefs } from '../workspace/prefs';
import { clock } from '../workspace/workspace';
import { useSay } from './bits';
import { sameZone } from './when';

export interface Chosen {
  readonly label: string;
  /** ms; null where none is chosen yet. */
  readonly value: number | null;
  readonly zone: string;
  /** The hour of a day that has none yet. */
  readonly atHour: number;
  /** A day alone: it is taken as it is pressed. */
  readonly dayOnly?: boolean;
  readonly check?: (ms: number) => Said | null;
  readonly onTake: (ms: number) => void;
}

/** Days of a month at the site, the week beginning as the reader’s does, and the hour beside them. */
export default function WhenCalendar({
  label,
  value,
  zone,
  atHour,
  dayOnly,
  check,
  onTake,
  field,
  onClose,
}: Chosen & { readonly field: RefObject<HTMLElement | null>; readonly onClose: () => void }) {
  const { hours, weekStart } = usePrefs();
  const says = useSay(zone);
  const shown = fromAbsolute(value ?? clock.now(), zone);
  const [day, setDay] = useState(toCalendarDate(shown));
  const [time, setTime] = useState(
    value === null || dayOnly ? new Time(Math.floor(atHour), Math.round((atHour % 1) * 60)) : toTime(shown),
  );
  const msOf = (date: CalendarDate): number => toZoned(toCalendarDateTime(date, time), zone).toDate().getTime();
  const objection = check?.(msOf(day)) ?? null;
  const take = (date: CalendarDate) => {
    onTake(msOf(date));
    onClose();
  };
  return (
    <I18nProvider locale={LANGUAGE_ROWS[spokenLanguage()].locale}>
      <Popover
        isOpen
        triggerRef={field}
        onOpenChange={(open) => open || onClose()}
        placement="bottom start"
        className="paper p-3 z-50 overflow-auto thin-scroll"
      >
        <Dialog aria-label={phrase`${label}: choose a day`} className="when outline-none flex flex-col gap-x-4 gap-y-2">
          <Calendar
            aria-label={label}
            autoFocus
            value={day}
            minValue={new CalendarDate(YEAR_FROM, 1, 1)}
            maxValue={new CalendarDate(YEAR_TO, 12, 31)}
            firstDayOfWeek={weekStart}
            onChange={(date) => {
              const chosen = new CalendarDate(date.year, date.month, date.day);
              if (dayOnly) take(chosen);
              else setDay(chosen);
            }}
          >
            <header className="flex items-center gap-2 mb-1">
              <Button slot="previous" className="btn min-h-[44px] min-w-11 justify-center">
                <ChevronLeft size={18} aria-hidden="true" />
              </Button>
              <CalendarHeading className="flex-1 text-center font-bold" />
              <Button slot="next" className="btn min-h-[44px] min-w-11 justify-center">
                <ChevronRight size={18} aria-hidden="true" />
              </Button>
            </header>
            <CalendarGrid weekdayStyle="short">
              <CalendarGridHeader>
                {(name) => <CalendarHeaderCell className="soft text-sm font-normal">{name}</CalendarHeaderCell>}
              </CalendarGridHeader>
              <CalendarGridBody>{(date) => <CalendarCell date={date} className="day-cell fig" />}</CalendarGridBody>
            </CalendarGrid>
          </Calendar>
          {!dayOnly && (
            <div className="flex items-end gap-2">
              <TimeField
                className="flex-1"
                value={time}
                hourCycle={hours}
                shouldForceLeadingZeros={hours === 24}
                onChange={(at) => at && setTime(new Time(at.hour, at.minute))}
              >
                <Label className="block mb-0.5">Hour at the site</Label>
                <DateInput className="input fig font-semibold flex items-center">
                  {(segment) => <DateSegment segment={segment} className="time-part" />}
                </DateInput>
              </TimeField>
              <button type="button" className="btn btn-neutral" disabled={objection !== null} onClick={() => take(day)}>
                Take it
              </button>
            </div>
          )}
          {objection && (
            <p role="alert" className="text-sm max-w-72" style={{ color: 'var(--stop)' }}>
              {says(objection)}
            </p>
          )}
          {!sameZone(zone) && <p className="soft text-sm">{phrase`In the clock of the site, ${zone}.`}</p>}
        </Dialog>
      </Popover>
    </I18nProvider>
  );
}
