'use client';
import { useEffect, useMemo, useState } from 'react';
import { lastOfEach, pathName } from '@/core/record';

import { rawContents } from '@/store/database';
import type { Trouble } from '@/store/state';
import { formatDuration, phrase } from '@/words';
import { saveText } from '../workspace/files';
import { useNow } from '../workspace/now';
import { usePrefs } from '../workspace/prefs';
import { record } from '../workspace/record';
import { runningRepairs } from '../workspace/running';
import { clock, databaseName, keepClock, startBeside, stateNow, useWorkspace, workspace } from '../workspace/workspace';
import { Across } from './Across';
import { Conflicts } from './Conflicts';
import { Link } from './Link';
import { NewVersion } from './NewVersion';

const WORDS: Record<Trouble['is'], (detail: string, tookBack: number) => readonly [head: string, text: string]> = {
  refused: (d) => [
    'Not kept.',
    phrase`The browser refuses its database${d ? phrase` (${d})` : ''}. Everything works, but is gone when this tab closes: export what you need.`,
  ],
  newer: () => [
    'Not opened.',
    'What is stored here was written by a newer Grenko, and this older page leaves it untouched. Load the page anew, take everything out as a file, or begin an empty database beside it.',
  ],
  blocked: () => [
    'Waiting.',
    'Another tab with an older Grenko holds the database. Close that tab, or load it anew: this one goes on by itself.',
  ],
  'begun-anew': (d, back) => [
    'The browser lost its database.',
    phrase`It was killed while it wrote, or damaged on disk, and the browser began it anew, empty${d ? phrase` (it says: ${d})` : ''}. ${
      back
        ? phrase`The second copy gave back ${back} record${back > 1 ? 's' : ''}: look whether all of your work is there, and make a backup.`
        : 'What was kept here is gone unless there is a backup or a job file: bring it back before you go on.'
    }`,
  ],
  cleared: () => [
    'Cleared.',
    'The stored data of this site was cleared while the page was open. What was loaded is still on this screen: put it back, or take it out as files.',
  ],
  full: () => [
    'Not saved.',
    'The disk is full. What you did is on the screen and written as soon as there is room: free some space, or export the job.',
  ],
  unwritten: (d) => [
    'Not saved.',
    phrase`The last change could not be written (${d}). It is tried again by itself; nothing is lost while this tab is open.`,
  ],
  lost: (d) => [
    'Not saved.',
    phrase`The database was closed and could not be opened again (${d}). It is tried again by itself.`,
  ],
};

async function takeOutRaw(): Promise<void> {
  saveText('grenko-database.json', JSON.stringify(await rawContents(databaseName()), null, 1), 'application/json');
}

function TroubleLine({ trouble }: { trouble: Trouble }) {
  const [head, text] = WORDS[trouble.is](
    'detail' in trouble ? trouble.detail : '',
    'tookBack' in trouble ? trouble.tookBack : 0,
  );
  const ways = {
    newer: (
      <>
        <button type="button" className="btn" onClick={() => location.reload()}>
          Load the page anew
        </button>
        <button type="button" className="btn" onClick={() => void takeOutRaw()}>
          Take it out as a file
        </button>
        <button type="button" className="btn" onClick={startBeside}>
          Begin beside it
        </button>
      </>
    ),
    cleared: (
      <button type="button" className="btn" onClick={() => void workspace.putBack()}>
        Put it back
      </button>
    ),
    lost: (
      <button type="button" className="btn" onClick={() => void workspace.open()}>
        Try again now
      </button>
    ),
    'begun-anew': (
      <>
        <Link className="btn" href="/settings">
          To the backups
        </Link>
        <button type="button" className="btn" onClick={() => workspace.knowsLoss()}>
          I know
        </button>
      </>
    ),
    refused: null,
    blocked: null,
    full: null,
    unwritten: null,
  }[trouble.is];
  return (
    <Across head={head} ways={ways}>
      {text}
    </Across>
  );
}

/** What the person must know about keeping, about the clock, and about two that claim one place. */
export function Banner() {
  const trouble = useWorkspace((d) => d.trouble);
  const notUndone = useWorkspace((d) => d.notUndone);
  const notTaken = useWorkspace((d) => d.notTaken);
  return (
    <>
      {trouble && <TroubleLine trouble={trouble} />}
      <ClockLine />
      {notUndone && (
        <Across head="Not taken back." calm>
          {notUndone.why === 'recorded'
            ? phrase`Work on “${notUndone.name || 'it'}” is in the record, so it stays.`
            : phrase`“${notUndone.name || 'It'}” was changed since, here or in another tab: it is left as it stands.`}
        </Across>
      )}
      {notTaken && (
        <Across
          head="Not taken over."
          calm
        >{phrase`${pathName(notTaken.path)}: ${notTaken.message}. What stood there before still stands.`}</Across>
      )}
      <Conflicts />
      <NewVersion />
    </>
  );
}

/** Asked when the device's clock and the time that passed do not agree while something counts. */
function ClockLine() {
  useNow(2000);
  const repairs = useWorkspace((d) => d.repairs);
  const events = useWorkspace((d) => d.events);
  const role = usePrefs((p) => p.role);
  const [, redraw] = useState(0);
  const running = useMemo(() => runningRepairs({ repairs, events }), [repairs, events]);
  const ahead = clock.aheadMs();
  const follow = () => {
    clock.follow();
    keepClock();
    redraw((n) => n + 1);
  };
  // Nothing counts: nobody need be asked.
  const quietly = ahead !== 0 && running.length === 0;
  // biome-ignore lint/correctness/useExhaustiveDependencies: follow only reads the one clock
  useEffect(() => {
    if (quietly && stateNow().ready) follow();
  }, [quietly]);
  if (ahead === 0 || quietly) return null;
  const wasWrong = async () => {
    const shiftMs = Math.round(ahead);
    clock.follow();
    keepClock();
    for (const id of running)
      await record(
        id,
        {
          kind: 'clock-set',
          shiftMs,
          upTo: [
            ...lastOfEach(
              events.filter((e) => e.repairId === id),
              workspace.browser,
            ),
          ],
        },
        role,
      );
    redraw((n) => n + 1);
  };
  return (
    <Across
      head={phrase`The clock of this device ${ahead > 0 ? 'jumped on' : 'was set back'} by ${formatDuration(Math.abs(ahead) / 60_000)}.`}
      ways={
        <>
          <button type="button" className="btn" onClick={follow}>
            {ahead > 0 ? 'The device slept: its time is right' : 'Its time was right all along'}
          </button>
          <button type="button" className="btn" onClick={() => void wasWrong()}>
            It was wrong before and is right now
          </button>
        </>
      }
    >
      Work is running. Until you say which, every wait goes on by the time that really passed here, so that nothing is
      let go too early, and a pot counts by the later of both; if it is wrong now, set it right.
    </Across>
  );
}
