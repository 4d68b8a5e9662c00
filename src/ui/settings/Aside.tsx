'use client';
import { useEffect, useMemo, useState } from 'react';
import type { Job } from '@/core/plan';
import { viewJob } from '@/core/record';
import { bundleOf, orphansOf } from '@/store/state';
import { errorInWords, phrase } from '@/words';
import { Heading } from '../shared/bits';
import { SavingButton } from '../shared/SavingButton';
import { saveText } from '../workspace/files';
import { clock, useWorkspace, workspace } from '../workspace/workspace';

interface Failing {
  readonly job: Job;
  readonly why: string;
}

/** Jobs that cannot be planned. All of them are tried, one after the other: the page is not held up by the sum. */
function useFailing(): readonly Failing[] {
  const { jobs, repairs, sheets, stock, events, snapshots } = useWorkspace();
  const [failing, setFailing] = useState<readonly Failing[]>([]);
  useEffect(() => {
    const found: Failing[] = [];
    const untried = [...jobs.values()];
    const next = () => {
      const job = untried.shift();
      if (!job) {
        setFailing(found);
        return;
      }
      try {
        viewJob(bundleOf({ jobs, repairs, sheets, stock, events, snapshots }, job.id)!, clock.now());
      } catch (error) {
        found.push({ job, why: errorInWords(error) });
      }
      turn = setTimeout(next);
    };
    let turn = setTimeout(next);
    return () => clearTimeout(turn);
  }, [jobs, repairs, sheets, stock, events, snapshots]);
  return failing;
}

/** What does not fit, what was put aside, what hangs in the air, and what cannot be planned. */
export function Aside() {
  const state = useWorkspace();
  const { setAside } = state;
  const orphans = useMemo(() => orphansOf(state), [state]);
  const failing = useFailing();
  return (
    <>
      <Heading>Records set aside</Heading>
      {setAside.length === 0 ? (
        <p className="soft">Every stored record fits.</p>
      ) : (
        <>
          <p>
            {setAside.length === 1
              ? '1 stored record does not fit or was put aside.'
              : phrase`${setAside.length} stored records do not fit or were put aside.`}{' '}
            What is put aside is untouched in the database and left out of the plans.
          </p>
          <ul className="list-disc pl-5">
            {setAside.map((s) => (
              <li key={`${s.kind}/${s.id}`}>
                {s.kind} {s.id}: {s.reason}{' '}
                {s.byHand && (
                  <SavingButton className="btn text-sm" onSave={() => workspace.takeBack([{ kind: s.kind, id: s.id }])}>
                    Take it back
                  </SavingButton>
                )}
              </li>
            ))}
          </ul>
          <button
            type="button"
            className="btn mt-1"
            onClick={() => saveText('set-aside.json', JSON.stringify(setAside, null, 1), 'application/json')}
          >
            Export them as they are
          </button>
        </>
      )}
      {failing.length > 0 && (
        <>
          <Heading>Jobs that cannot be planned</Heading>
          <ul className="list-disc pl-5">
            {failing.map(({ job, why }) => (
              <li key={job.id}>
                {job.name || job.id}: {why}{' '}
                <SavingButton
                  className="btn text-sm"
                  onSave={() => workspace.setAside([{ kind: 'job', id: job.id }], why.slice(0, 200))}
                >
                  Set it aside
                </SavingButton>
              </li>
            ))}
          </ul>
        </>
      )}
      {orphans.length > 0 && (
        <>
          <Heading>Without their job</Heading>
          <p>{phrase`${orphans.length} record${orphans.length === 1 ? '' : 's'} belong to a job or repair that is not here (set aside, or deleted elsewhere).`}</p>
          <div className="flex gap-2 flex-wrap mt-1">
            <button
              type="button"
              className="btn"
              onClick={async () => {
                const found = await (await workspace.theStore()).read(orphans);
                saveText('without-their-job.json', JSON.stringify(found, null, 1), 'application/json');
              }}
            >
              Export them
            </button>
            {/* While something is set aside its records only seem alone. */}
            <SavingButton
              className="btn btn-outline btn-error"
              disabled={setAside.length > 0}
              onSave={() => workspace.removeForGood(orphans)}
            >
              Delete them for good
            </SavingButton>
          </div>
        </>
      )}
    </>
  );
}
