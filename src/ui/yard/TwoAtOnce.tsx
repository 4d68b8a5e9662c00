'use client';
import { jobName } from '@/core/plan';
import { atOnce, type JobView } from '@/core/record';
import { say } from '@/words';
import { Own } from '@/words/jsx-runtime';
import { Heading } from '../shared/bits';
import { Link } from '../shared/Link';
import { dayAndClock } from '../shared/when';
import { readerAt, usePrefs } from '../workspace/prefs';

/** So many are told: who reads one sees what the others are. */
const TOLD = 3;

/** Hours for which two jobs are planned at once, as long as nobody said that they have crews of their own. */
export function TwoAtOnce({ views, nowMs }: { views: readonly JobView[]; nowMs: number }) {
  const system = usePrefs((p) => p.system);
  const met = atOnce(views, nowMs);
  if (!met.length) return null;
  return (
    <section className="mt-2" aria-label="At two places at once">
      <Heading aside={met.length > TOLD ? 'the first of them' : ''}>At two places at once</Heading>
      <ul>
        {met.slice(0, TOLD).map(({ fromMs, at: [a, b] }) => (
          <li key={`${a.job.id} ${b.job.id}`} className="flex gap-x-4 py-1 items-baseline">
            <span className="fig w-24 shrink-0">{dayAndClock(fromMs, a.job.zone)}</span>
            <span className="min-w-0 flex gap-x-4 items-baseline flex-wrap">
              {[a, b].map(({ job, step }) => (
                <span key={job.id}>
                  {say(step.title, { ...readerAt(job.zone), system })}{' '}
                  <Link href={`/job/${job.id}`} className="soft">
                    <Own>{jobName(job)}</Own>
                  </Link>
                </span>
              ))}
            </span>
          </li>
        ))}
      </ul>
      <p className="soft text-sm">
        If one crew does both, say so at each of the jobs, under “Who does it”: one is then planned round the other.
        With two names each keeps its hours.
      </p>
    </section>
  );
}
