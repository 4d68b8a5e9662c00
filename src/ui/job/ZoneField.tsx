import { calendarProblems, type Job } from '@/core/plan';
import { ComboField } from '../shared/ComboField';
import { sameZone } from '../shared/when';

const ZONES = typeof Intl.supportedValuesOf === 'function' ? Intl.supportedValuesOf('timeZone') : ['UTC'];

/** How far the clocks of a zone are from world time today. @example 'UTC+3' */
const offsetOf = (zone: string): string =>
  new Intl.DateTimeFormat('en-GB', { timeZone: zone, timeZoneName: 'shortOffset' })
    .formatToParts()
    .find((part) => part.type === 'timeZoneName')!
    .value.replace('GMT', 'UTC');

/** The time zone of the site: what every hour of the job is told in. */
export function ZoneField({ job, onTake }: { job: Job; onTake: (zone: string) => void }) {
  return (
    <div className="col-span-2">
      <ComboField
        label="Time zone of the site"
        value={job.zone}
        options={ZONES}
        beside={offsetOf}
        onTake={(zone) => {
          const wrong = calendarProblems({ ...job, zone }).find((p) => p.field === 'zone');
          if (!wrong) onTake(zone);
          return wrong?.sentence ?? null;
        }}
      />
      {!sameZone(job.zone) && <span className="soft text-sm">Times are shown in this zone, not your own.</span>}
    </div>
  );
}
