'use client';
import { useRouter } from 'next/navigation';
import { useState } from 'react';
import { repairName, type SystemKits } from '@/core/plan';
import { type PlannedJob, promisedOf } from '@/core/record';
import type { Said } from '@/core/say';
import { money } from '@/core/units';
import { joined, moneyWords, own, phrase } from '@/words';
import { Heading, useFormat, useSay } from '../shared/bits';
import { Link } from '../shared/Link';
import { dayAndClock } from '../shared/when';
import { joinRepairs } from '../workspace/workspace';

const kitWords = (k: SystemKits, counts: readonly number[]) =>
  joined(counts.map((n, i) => (n ? phrase`${n} × ${k.offers[i]!.label}` : '')).filter(Boolean), ' and ') || 'none';

/** Repairs that would take less were they mixed as one, and the press that makes them one. */
function Together({
  view,
  kits,
  together,
  name,
}: {
  view: PlannedJob;
  kits: SystemKits;
  together: NonNullable<SystemKits['together']>;
  name: (id: string) => string;
}) {
  const router = useRouter();
  const says = useSay(view.job.zone);
  const [why, setWhy] = useState<Said | null>(null);
  const count = (counts: readonly number[]) => counts.reduce((a, b) => a + b, 0);
  const fewer = count(kits.kits.set.total) - count(together.kits.set.total);
  const saves = kits.offers.every((o) => o.price !== null)
    ? moneyWords([money(together.saves, kits.sheet.currency)])
    : fewer > 0
      ? fewer === 1
        ? 'a kit'
        : phrase`${fewer} kits`
      : null;
  const join = () => {
    const made = joinRepairs(together.repairIds);
    if ('why' in made) setWhy(made.why);
    else router.push(`/job/${view.job.id}/${made.id}/mix`);
  };
  return (
    <>
      <p className="text-sm">
        {phrase`Prepared first and mixed as one, ${joined(together.repairIds.map(name), ', ')} take ${kitWords(kits, together.kits.set.total)}`}
        {saves && <>{phrase`, which saves ${saves}`}</>}.
      </p>
      <button
        type="button"
        className="btn text-sm mt-1"
        onClick={join}
      >{phrase`Make them one repair of ${together.repairIds.length} places`}</button>
      {why && (
        <p role="status" className="text-sm mt-1">
          {says(why)}
        </p>
      )}
    </>
  );
}

/** Kits of this system over the whole job: shared, taken from the shelf, left over and offered. */
export function JobKits({ view, systemId }: { view: PlannedJob; systemId: string }) {
  const format = useFormat();
  const kits = view.plan.kits().find((k) => k.systemId === systemId);
  if (!kits) return null;
  const name = (id: string) => {
    const found = view.repairs.find((r) => r.repair.id === id);
    return found ? repairName(found.repair) : 'unnamed repair';
  };
  const several = new Set(kits.needs.map((n) => n.repairId)).size > 1;
  const buy = kits.kits.set.buy.reduce((s, n) => s + n, 0);
  const priced = kits.offers.every((o) => o.price !== null);
  const lot = kits.takes.filter((t) => t.take > 0);
  const toOthers = promisedOf(view, kits);
  // What is left of one repair alone stands beside its own amount, and like rests are one line.
  const leftOver = new Map<string, number>();
  for (const l of kits.leftOvers) {
    if (!several && !l.offers.length) continue;
    const does = phrase`it would do ${joined(
      l.offers.map((o) => name(o.repairId)),
      ' or ',
    )}${l.untilMs ? phrase`, if placed before ${dayAndClock(l.untilMs, view.job.zone)}` : ''}`;
    const then = l.offers.length ? does : l.mixed ? 'let it set in a flat tray outside' : 'keep it closed';
    const what = phrase`${format('volume', l.ml).text}${l.mixed ? ', mixed' : ', in its tins'}: ${then}.`;
    leftOver.set(what, (leftOver.get(what) ?? 0) + 1);
  }
  return (
    <>
      <Heading aside={several ? 'shared by the repairs of this job' : 'for this job'}>Kits</Heading>
      <p>
        <strong>{kitWords(kits, kits.kits.set.total)}</strong>
        {lot.length > 0 &&
          phrase`, from ${joined(
            lot.map((t) => phrase`lot ${t.lot} (${t.take})`),
            ', ',
          )}`}
        {buy > 0 ? (
          <>
            ; buy <strong>{kitWords(kits, kits.kits.set.buy)}</strong>
            {priced ? phrase` for ${moneyWords([money(kits.kits.set.cost, kits.sheet.currency)])}` : ''}
          </>
        ) : (
          '; nothing to buy'
        )}
        .{' '}
        <span className="soft">
          {!kits.kits.set.exact
            ? 'The best found among very many.'
            : priced
              ? 'No cheaper set exists.'
              : 'No smaller set exists.'}
        </span>
      </p>
      {toOthers.map(({ stockId, job, take, lot, atMs }) => (
        <p key={stockId + job} className="text-sm">
          {phrase`For “${own(job)}” first, ${dayAndClock(atMs, view.job.zone)}: ${take} of lot ${lot}.`}
        </p>
      ))}
      {kits.kits.groups.some((g) => g.length > 1) && (
        <p className="text-sm">
          {kits.kits.groups
            .filter((g) => g.length > 1)
            .map(
              (g) =>
                phrase`One mixing serves ${joined(
                  [...new Set(g.map((id) => name(id.slice(0, id.lastIndexOf(':')))))],
                  ', ',
                )}.`,
            )
            .join(' ')}
        </p>
      )}
      {kits.together && <Together view={view} kits={kits} together={kits.together} name={name} />}
      {[...leftOver].map(([what, times]) => (
        <p key={what} className="text-sm">{phrase`Left over ${times > 1 && phrase`${times} times `}${what}`}</p>
      ))}
      <p className="text-sm">
        <Link href={`/job/${view.job.id}/pick`}>The pick list of the job</Link>
      </p>
    </>
  );
}
