'use client';
import { type ReactNode, useState } from 'react';
import { type Finding, tellsNoLife, tellsNoTime } from '@/core/judge';
import { pieceName, type StandIn } from '@/core/plan';
import type { PassView } from '@/core/record';
import { MILESTONES, MilestoneId } from '@/core/system';

import { formatDuration, lowered, phrase } from '@/words';
import { useNow } from '../workspace/now';
import { usePrefs } from '../workspace/prefs';
import { record } from '../workspace/record';
import { changePass } from '../workspace/workspace';
import { Heading } from './bits';
import { QuantityField } from './QuantityField';
import { SavingButton } from './SavingButton';
import { shortWhen } from './when';

/** A stand-in as it is said. */
const says = (s: StandIn): string =>
  s.by === 'later'
    ? phrase`waits for ${lowered(MILESTONES[s.kind].label)}`
    : s.by === 'own'
      ? phrase`${formatDuration(s.minutes)}, a figure of one’s own`
      : phrase`by touch, first tried after ${formatDuration(s.minutes)}`;

/** Once work has begun, what a wait rests on is kept in the record. */
async function choose(
  at: PassView,
  { passId, kind }: { readonly passId: string; readonly kind: MilestoneId },
  standIn: StandIn | null,
  role: string,
): Promise<void> {
  changePass({ ...at.repair, passId }, (r) => {
    const { [kind]: _, ...others } = r.standIns;
    return { ...r, standIns: standIn ? { ...others, [kind]: standIn } : others };
  });
  const label = MILESTONES[kind].label;
  if (at.actuals.startedAt !== null)
    await record(
      at.repair.id,
      { kind: 'note', text: standIn ? phrase`${label}: ${says(standIn)}` : phrase`${label}: stand-in taken back` },
      role,
    );
}

/** Asked where a plan stops for want of a time: what stands in. For any other finding what is given. */
export function StandInAsk({
  at,
  zone,
  finding,
  children,
}: {
  at: PassView;
  zone: string;
  finding: Finding;
  children: ReactNode;
}) {
  const { stop } = at.plan;
  const nowMs = useNow(60_000);
  const role = usePrefs((p) => p.role);
  const [minutes, setMinutes] = useState<number | null>(null);
  const [asked, setAsked] = useState(false);
  if (!stop || !tellsNoTime(finding, stop.kind)) return children;
  const take = (standIn: StandIn) => choose(at, stop, standIn, role);
  const typed = (by: 'own' | 'touch') => async () => (minutes === null ? setAsked(true) : take({ by, minutes }));
  return (
    <div className="flex flex-col gap-2 mt-2 max-w-md" data-testid="stand-in">
      {stop.later.map((l) => (
        <SavingButton
          key={l.kind}
          className="btn text-left"
          onSave={() => take({ by: 'later', kind: l.kind })}
        >{phrase`Wait for ${lowered(l.label)}: ${shortWhen(l.atMs, zone, nowMs)}`}</SavingButton>
      ))}
      <QuantityField
        kind="duration"
        label={stop.touch ? 'How long, or first tried after' : 'How long'}
        value={minutes}
        placeholder="6 h"
        problem={asked && minutes === null ? 'Type how long first, like 6 h.' : null}
        check={(m) => (m > 0 && m <= 200_000 ? null : 'More than nothing, and up to 138 days.')}
        onChange={(t) => setMinutes(t.value)}
        onClear={() => setMinutes(null)}
      />
      <div className="flex flex-wrap gap-2">
        <SavingButton className="btn" onSave={typed('own')}>
          Wait my own figure
        </SavingButton>
        {stop.touch && (
          <SavingButton className="btn" onSave={typed('touch')}>
            Try it by touch
          </SavingButton>
        )}
      </div>
    </div>
  );
}

/** Asked where nothing of the sheet tells how long a mix may be worked: a figure of one’s own. */
export function LifeAsk({ at, finding }: { at: PassView; finding: Finding }) {
  const role = usePrefs((p) => p.role);
  const [minutes, setMinutes] = useState<number | null>(null);
  const [asked, setAsked] = useState(false);
  if (!tellsNoLife(finding)) return null;
  const { passId } = at.repair;
  return (
    <div className="flex flex-col gap-2 mt-2 max-w-md">
      <QuantityField
        kind="duration"
        label="From mixing on it may be worked for"
        value={minutes}
        placeholder="20 min"
        problem={asked && minutes === null ? 'Type how long first, like 20 min.' : null}
        check={(m) => (m > 0 && m <= 1440 ? null : 'More than nothing, and up to a day.')}
        onChange={(t) => setMinutes(t.value)}
        onClear={() => setMinutes(null)}
      />
      <SavingButton
        className="btn self-start"
        onSave={async () =>
          minutes === null ? setAsked(true) : choose(at, { passId, kind: 'use-by' }, { by: 'own', minutes }, role)
        }
      >
        Plan with my own figure
      </SavingButton>
    </div>
  );
}

/** Waits of any pass that rest on something else than the sheet’s own word, each to be taken back. */
export function StandInsChosen({ of: { passes } }: { of: { readonly passes: readonly PassView[] } }) {
  const role = usePrefs((p) => p.role);
  const chosen = passes.flatMap((at, i) =>
    MilestoneId.options.flatMap((kind) => {
      const standIn = at.repair.standIns[kind];
      return standIn ? [{ at, kind, standIn, name: passes.length > 1 ? pieceName(at.repair, i) : null }] : [];
    }),
  );
  if (!chosen.length) return null;
  return (
    <div>
      <Heading aside="where the sheet is silent">What stands in</Heading>
      <ul className="flex flex-col gap-1">
        {chosen.map(({ at, kind, standIn, name }) => (
          <li key={`${at.repair.passId} ${kind}`} className="flex items-baseline justify-between gap-3">
            <span>
              {MILESTONES[kind].label}: {says(standIn)}
              {name !== null && <span className="soft block text-sm">{name}</span>}
            </span>
            <SavingButton
              className="btn text-sm"
              onSave={() => choose(at, { passId: at.repair.passId, kind }, null, role)}
            >
              Take back
            </SavingButton>
          </li>
        ))}
      </ul>
    </div>
  );
}
