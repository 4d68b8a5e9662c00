'use client';
import { CalendarClock } from 'lucide-react';
import { useState } from 'react';
import { calendarFile } from '@/core/file';
import type { PlannedJob } from '@/core/record';
import { fileName, saveText } from '../workspace/files';
import { useSay } from './bits';

/** The clocks of a job for a calendar, with alarms; said where there are none yet. */
export function CalendarButton({ view, name, className }: { view: PlannedJob; name: string; className: string }) {
  const says = useSay(view.job.zone);
  const [none, setNone] = useState(false);
  const give = () => {
    const text = calendarFile(view, says);
    setNone(text === null);
    if (text !== null) saveText(fileName(name, 'ics'), text, 'text/calendar');
  };
  return (
    <>
      <button type="button" className={className} onClick={give}>
        <CalendarClock size={17} aria-hidden="true" /> Clocks as calendar file
      </button>
      {none && (
        <span role="status" className="soft text-sm self-center">
          No clock is planned yet: there is nothing to remember.
        </span>
      )}
    </>
  );
}
