'use client';
import { type Opener, openedBy } from '@/core/plan';
import { figure, formatDuration, joined, phrase } from '@/words';
import type { StageProps } from '../repair/stage-props';
import { useFormat } from '../shared/bits';
import { clock, dayAndClock, shortWhen } from '../shared/when';
import { useAskedInWorker } from '../workspace/plan-worker';
import { changePass } from '../workspace/workspace';

/**
 * What would open a window, or give an earlier one: tried on the whole computation in a worker, and taken with one
 * press.
 */
export function Openers({ view, at, nowMs, none }: StageProps & { none: boolean }) {
  const format = useFormat();
  const { repair } = at;
  const zone = view.job.zone;
  const { found, busy, look, stop } = useAskedInWorker(view, nowMs, repair, (api, job) => api.openers(job, repair.id));

  const take = (o: Opener) => changePass(repair, (r) => openedBy(o, r));

  const covers = (o: Opener, cover: NonNullable<Opener['cover']>): string => {
    const hours =
      cover.toHour - cover.fromHour === 24
        ? 'day and night'
        : phrase`daily from ${hour(cover.fromHour)} to ${hour(cover.toHour)}`;
    const stretch =
      o.coverFromMs === undefined || o.coverToMs === undefined
        ? ''
        : phrase`: up and on by ${dayAndClock(o.coverFromMs, zone)}, until ${shortWhen(o.coverToMs, zone, nowMs)}`;
    return phrase`tent and heat by ${format('interval', cover.warmK).text}, ${hours}${stretch}`;
  };
  const shades = (o: Opener): string =>
    o.coverFromMs === undefined || o.coverToMs === undefined
      ? 'hang a shade over it a day before'
      : phrase`hang a shade over it a day before, by ${dayAndClock(o.coverFromMs, zone)}, and leave it until ${shortWhen(o.coverToMs, zone, nowMs)}`;
  const says = (o: Opener): string => {
    const all = joined(
      [
        ...(o.materialC === undefined
          ? []
          : [phrase`keep the closed packs at ${format('temperature', o.materialC).text}`]),
        ...(o.sky ? [shades(o)] : []),
        ...(o.cover ? [covers(o, o.cover)] : []),
        ...(o.sheetId ? [phrase`take ${o.sheetName} from the shelf`] : []),
      ],
      '; ',
    );
    return all.charAt(0).toUpperCase() + all.slice(1);
  };

  return (
    <div className="mt-2">
      {!found && (
        <button type="button" className="btn text-sm" onClick={look} disabled={busy}>
          {busy ? 'Trying…' : none ? 'What would open a window?' : 'What would make it sooner?'}
        </button>
      )}
      {busy && (
        <button type="button" className="btn text-sm ml-2" onClick={stop}>
          Stop
        </button>
      )}
      {found && !found.length && (
        <p>
          {none
            ? 'Warmer and cooler packs, a shade where the sun is on it, a tent with up to 25 K of heat and the other systems on the shelf were tried: none opens one or comes nearer. Move the reopening or the days.'
            : 'Nothing that was tried makes it ready sooner.'}
        </p>
      )}
      {found?.some((o) => o.missMin !== null) && (
        <p>Nothing that was tried opens a window. Nearest to the wanted reopening:</p>
      )}
      {found && found.length > 0 && (
        <ul data-testid="openers">
          {found.map((o) => (
            <li
              key={`${o.kind}${o.sheetId ?? ''}`}
              className="flex gap-3 items-center py-1.5"
              style={{ borderTop: '1px solid var(--paper-line)' }}
            >
              <span className="flex-1">
                {says(o)}.{' '}
                <span className="soft">
                  Then mixing can begin <strong className="fig">{shortWhen(o.startMs, zone, nowMs)}</strong>
                  {o.readyMs !== null && (
                    <>
                      , ready <strong className="fig">{shortWhen(o.readyMs, zone, nowMs)}</strong>
                    </>
                  )}
                  {o.missMin === null
                    ? phrase`; ${figure(o.share * 100, 2)} % of the week is good.`
                    : phrase`: ${formatDuration(o.missMin)} too late.`}
                </span>
              </span>
              <button type="button" className="btn text-sm" onClick={() => take(o)}>
                Plan it so
              </button>
            </li>
          ))}
        </ul>
      )}
    </div>
  );
}

/** An hour of the day as a clock shows it. */
const hour = (h: number) => clock(Math.round(h * 60) * 60_000, 'utc');
