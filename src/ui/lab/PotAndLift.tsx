'use client';
import { BASE_BEARS_C, paceOf, referenceOf, restsOn } from '@/core/cure';
import { attempt } from '@/core/say';
import { milestoneOf, type SheetRevision } from '@/core/system';

import { formatDuration, phrase } from '@/words';
import { Prose, useFormat } from '../shared/bits';
import { Notice } from '../shared/Notice';
import { HeatThroughDepth, HeatThroughTime } from './charts';
import type { LabAnswer } from './use-heat';

/** The pot and the lift as they heat themselves. */
export function PotAndLift({ answer, sheet, busy }: { answer: LabAnswer; sheet: SheetRevision; busy: boolean }) {
  const format = useFormat();
  const { pot, lift, thickest, ask } = answer;
  const rests = attempt(() => restsOn(referenceOf(sheet)));
  const useBy = milestoneOf(sheet, 'use-by');
  const says = useBy ? attempt(() => paceOf(useBy, 'short', sheet.family).minutesAt(ask.startC)) : null;
  const verdict = (v: LabAnswer['pot']['verdict'], c: number | null) =>
    v === 'runaway'
      ? 'it runs away: smoke, fumes, fire'
      : phrase`${v === 'hot' ? 'too hot, ' : ''}at most ${c === null ? '' : format('temperature', c).text} on average`;
  const bears = BASE_BEARS_C[ask.base];
  return (
    <div style={busy ? { opacity: 0.55 } : undefined} aria-busy={busy}>
      <Notice tone="caution" className="mb-2 text-sm">
        <strong>An estimate</strong>, {rests.ok && <Prose>{rests.value}</Prose>}
        {phrase`, with usual figures for resin and amine. The sheet’s own limits overrule it.${busy ? ' Being recomputed…' : ''}`}
      </Notice>
      <div className="grid gap-4 grid-cols-1 xl:grid-cols-2">
        <div className="paper p-3">
          <h2 className="font-bold">The pot</h2>
          <p className="flex items-baseline gap-3">
            <strong className="fig text-5xl font-extrabold leading-none whitespace-nowrap" data-testid="pot-life">
              {pot.lifeMin === null ? 'over 2 d' : formatDuration(pot.lifeMin)}
            </strong>
            <span className="soft">until it is dead, from the end of pouring</span>
          </p>
          <p
            className={pot.verdict === 'calm' ? '' : 'font-semibold'}
            style={pot.verdict === 'calm' ? undefined : { color: 'var(--stop)' }}
          >
            {verdict(pot.verdict, pot.peakC)}
            {says?.ok && useBy?.referenceMassG ? (
              <span className="soft font-normal">{phrase`. The sheet says ${formatDuration(says.value)} for ${format('mass', useBy.referenceMassG).text}`}</span>
            ) : null}
            .
          </p>
          <HeatThroughTime answer={pot} deadMin={pot.lifeMin} title="The pot" />
        </div>
        <div className="paper p-3">
          <h2 className="font-bold">The lift</h2>
          <p className="flex items-baseline gap-3">
            <strong className="fig text-5xl font-extrabold leading-none whitespace-nowrap" data-testid="thickest">
              {thickest.mm >= 199 ? 'any' : thickest.mm < 1 ? 'none' : format('length', thickest.mm, 2).text}
            </strong>
            <span className="soft">{phrase`is the thickest that stays calm${
              thickest.mm < 199 && thickest.nominalMm > thickest.mm
                ? phrase` (${format('length', thickest.nominalMm, 2).text} without the margin)`
                : ''
            }${
              thickest.sheetMm !== null
                ? phrase`; the sheet’s own ${format('length', thickest.sheetMm).text} overrules`
                : ''
            }`}</span>
          </p>
          <p
            className={lift.verdict === 'calm' && lift.baseFaceC <= bears ? '' : 'font-semibold'}
            style={lift.verdict === 'calm' && lift.baseFaceC <= bears ? undefined : { color: 'var(--stop)' }}
          >
            {format('length', ask.thicknessMm).text}: {verdict(lift.verdict, lift.peakC)}
            {lift.verdict !== 'runaway' &&
              phrase`, ${format('length', lift.peakDepthMm, 2).text} deep the hottest; the face of the ${ask.base} ${format('temperature', lift.baseFaceC).text}${lift.baseFaceC > bears ? phrase`, above the ${format('temperature', bears).text} it bears` : ''}`}
            .
          </p>
          <p className="text-sm">
            {lift.gelMin === null
              ? 'It has not set within the horizon.'
              : phrase`Set after ${formatDuration(lift.gelMin)}`}
            {lift.nextLiftMin !== null
              ? phrase`, cool enough for the next lift after ${formatDuration(lift.nextLiftMin)}`
              : ''}
            {milestoneOf(sheet, 'next-lift') ? '; the sheet’s own time for the next lift plans.' : '.'}
          </p>
          <div className="grid grid-cols-1 sm:grid-cols-2 gap-2">
            <HeatThroughTime answer={lift} deadMin={null} title="The lift" most={270} />
            <HeatThroughDepth lift={lift} thicknessMm={ask.thicknessMm} />
          </div>
        </div>
      </div>
    </div>
  );
}
