'use client';
import { kindOfTest } from '@/core/method';
import { type HandTest, handTests, type RepairView } from '@/core/record';
import { phrase } from '@/words';
import { Choice } from '../shared/bits';
import { fullWhen, shortWhen } from '../shared/when';
import { record } from '../workspace/record';

/** What is tried by hand and eye at the place: how, and what counts. */
export function HandTests({
  whole,
  zone,
  nowMs,
  role,
  closed,
}: {
  whole: RepairView;
  zone: string;
  nowMs: number;
  role: string;
  closed: boolean;
}) {
  return (
    <ol>
      {handTests(whole).map((t) => (
        <Row key={t.id} of={t} repairId={whole.repair.id} zone={zone} nowMs={nowMs} role={role} closed={closed} />
      ))}
    </ol>
  );
}

function Row({
  of,
  repairId,
  zone,
  nowMs,
  role,
  closed,
}: {
  of: HandTest;
  repairId: string;
  zone: string;
  nowMs: number;
  role: string;
  closed: boolean;
}) {
  const { id, test, answer, atMs, tooEarly } = of;
  const kind = kindOfTest(test);
  return (
    <li
      className="flex items-start gap-4 py-2.5 flex-wrap"
      style={{ borderTop: '1px solid var(--paper-line)' }}
      data-test={id}
    >
      <div className="flex-1 min-w-[16rem]">
        <p>
          {of.of && <span className="soft">{of.of}: </span>}
          {test.ask}
        </p>
        <details>
          <summary className="soft text-sm cursor-pointer">
            {kind.label}
            {atMs !== null && phrase`, answered ${shortWhen(atMs, zone, nowMs)}`}
          </summary>
          <p className="text-sm">{kind.how}</p>
          <p className="text-sm">
            <strong>What counts:</strong> {kind.counts}
          </p>
        </details>
        {tooEarly !== null && (
          <p
            role="alert"
            className="text-sm"
            style={{ color: 'var(--stop)' }}
          >{phrase`Answered before its time: what holds then may still be brittle or soft beneath. Try again from ${fullWhen(tooEarly, zone)}.`}</p>
        )}
      </div>
      {closed ? (
        <strong>{answer}</strong>
      ) : (
        <Choice
          forGood
          label={test.ask}
          hideLabel
          options={[
            { id: 'yes' as 'yes' | 'no', label: 'yes' },
            { id: 'no', label: 'no' },
          ]}
          value={tooEarly === null ? (answer ?? undefined) : undefined}
          onChange={(said) => void record(repairId, { kind: 'test', test: id, answer: said }, role)}
        />
      )}
    </li>
  );
}
