'use client';
import { Command } from 'cmdk';
import { useRouter } from 'next/navigation';
import { useEffect, useState } from 'react';
import { STAGE_LABELS, STAGES, type Stage } from '@/core/method';
import { jobName, repairName } from '@/core/plan';
import { phrase, translated } from '@/words';
import { freshJob } from '../workspace/fresh';
import { setPrefs, THEMES, usePrefs } from '../workspace/prefs';
import { addJob, clock, redo, undo, useWorkspace } from '../workspace/workspace';
import { copyTables, hasTables } from './copy-tables';
import { Dialog } from './Dialog';
import { saveDrawing } from './picture';
import { useRoute } from './route';

const KEYS = [
  ['1 … 8', 'open a stage of the repair'],
  ['[ and ]', 'one stage back or on'],
  ['{ and }', 'one pass of a chain back or on'],
  ['r', 'running view of the repair'],
  ['y', 'yard: all jobs'],
  ['s', 'shelf: all systems'],
  ['u', 'metric or US customary'],
  ['t', 'day, night, full sun'],
  ['Ctrl Z, Ctrl Shift Z', 'undo and redo of planning'],
  ['Ctrl K or /', 'go anywhere or do anything by typing'],
  ['?', 'this list'],
] as const;

const typing = (target: EventTarget | null) =>
  target instanceof HTMLElement && (target.isContentEditable || /^(INPUT|TEXTAREA|SELECT)$/.test(target.tagName));

/** The drawing of the page, named by the page. */
const saveIt = (as: 'svg' | 'png'): void => {
  const name = location.pathname.split('/').filter(Boolean).slice(-2).join('-') || 'yard';
  void saveDrawing(name, as);
};

/** Something that can be done by typing its name. */
interface PaletteAct {
  readonly name: string;
  /** Other words by which it is looked for. */
  readonly words: string;
  readonly does: () => void;
}

/** What can be done from a page: of the repair that is open first. */
function actsHere(
  { jobId, repairId }: { readonly jobId: string; readonly repairId: string | null },
  system: 'metric' | 'us',
  go: (href: string) => void,
): readonly PaletteAct[] {
  const ofRepair: readonly PaletteAct[] =
    jobId && repairId
      ? [
          { name: 'Start or go on with the work', words: 'run begin', does: () => go(`/job/${jobId}/${repairId}/run`) },
          {
            name: 'Read a value',
            words: 'probe temperature reading',
            does: () => go(`/job/${jobId}/${repairId}/run?do=reading`),
          },
          {
            name: 'Write a note, take a photo',
            words: 'camera picture remark',
            does: () => go(`/job/${jobId}/${repairId}/run?do=note`),
          },
          { name: 'Mix at the bench', words: 'weigh scale batch', does: () => go(`/job/${jobId}/${repairId}/bench`) },
        ]
      : [];
  const ofJob: readonly PaletteAct[] = jobId
    ? [
        { name: 'Print the job card', words: 'paper', does: () => go(`/job/${jobId}/card`) },
        { name: 'See what to take along', words: 'pick list kits', does: () => go(`/job/${jobId}/pick`) },
        { name: 'Read the report', words: 'pdf client', does: () => go(`/job/${jobId}/report`) },
      ]
    : [];
  return [
    ...ofRepair,
    ...ofJob,
    {
      name: 'Make a new job',
      words: 'begin create',
      does: () => {
        const job = freshJob(clock.now());
        addJob(job);
        go(`/job/${job.id}`);
      },
    },
    { name: 'Type in a sheet', words: 'shelf system new', does: () => go('/shelf/new') },
    ...(hasTables()
      ? [{ name: 'Copy the tables of this page', words: 'spreadsheet csv export', does: () => void copyTables() }]
      : []),
    { name: 'Save the drawing of this page as SVG', words: 'picture vector export', does: () => saveIt('svg') },
    { name: 'Save the drawing of this page as PNG', words: 'picture image export', does: () => saveIt('png') },
    {
      name: system === 'metric' ? 'Work in US customary units' : 'Work in metric units',
      words: 'inches millimetres fahrenheit',
      does: () => setPrefs({ system: system === 'metric' ? 'us' : 'metric' }),
    },
    ...THEMES.map((theme) => ({
      name: phrase`Look: ${theme === 'sun' ? 'full sun' : theme}`,
      words: 'theme light dark contrast',
      does: () => setPrefs({ theme }),
    })),
    { name: 'Undo', words: 'back', does: undo },
  ];
}

/** Keyboard of the whole product: single keys, the list of them, and going anywhere by typing. */
export function Keys() {
  const [open, setOpen] = useState<'none' | 'keys' | 'go'>('none');
  const router = useRouter();
  const repairs = useWorkspace((d) => d.repairs);
  const jobs = useWorkspace((d) => d.jobs);
  const { system, theme } = usePrefs();

  useEffect(() => {
    const onKey = (e: KeyboardEvent) => {
      const command = e.ctrlKey || e.metaKey;
      if (command && e.key.toLowerCase() === 'k') {
        e.preventDefault();
        setOpen('go');
        return;
      }
      if (typing(e.target)) return;
      if (command && e.key.toLowerCase() === 'z') {
        e.preventDefault();
        if (e.shiftKey) redo();
        else undo();
        return;
      }
      // Asked of the page, not of our state: a dialog tells that it closed a moment after it has,
      // and the key pressed within that moment belongs to the work again.
      if (command || e.altKey || document.querySelector('dialog[open]')) return;
      // Read from the address itself, which is ahead of the page while it changes.
      const [, kind, job, repair, stage] = location.pathname.split('/');
      const at = kind === 'job' && repair && repair !== 'card' && repair !== 'log' ? `/job/${job}/${repair}` : null;
      const index = STAGES.indexOf(stage as Stage);
      const go = (href: string | null) => href && router.push(href);
      // The pass that is open stays open from stage to stage.
      const { search } = location;
      const turned = (by: number) => {
        const chain = repairs.get(repair ?? '')?.chain ?? [];
        const open = Math.max(0, chain.indexOf(new URLSearchParams(search).get('pass') ?? ''));
        const next = chain[open + by];
        return at && next ? `${at}/${stage}${open + by > 0 ? `?pass=${next}` : ''}` : null;
      };
      if (at && /^[1-8]$/.test(e.key)) go(`${at}/${STAGES[Number(e.key) - 1]}${search}`);
      else if (at && e.key === '[' && index > 0) go(`${at}/${STAGES[index - 1]}${search}`);
      else if (at && e.key === ']' && index >= 0 && index < 7) go(`${at}/${STAGES[index + 1]}${search}`);
      else if (index >= 0 && e.key === '{') go(turned(-1));
      else if (index >= 0 && e.key === '}') go(turned(1));
      else if (at && e.key === 'r') go(`${at}/run`);
      else if (e.key === 'y') go('/');
      else if (e.key === 's') go('/shelf');
      else if (e.key === 'u') setPrefs({ system: system === 'metric' ? 'us' : 'metric' });
      else if (e.key === 't') setPrefs({ theme: THEMES[(THEMES.indexOf(theme) + 1) % THEMES.length]! });
      else if (e.key === '?') setOpen('keys');
      else if (e.key === '/') setOpen('go');
      else return;
      e.preventDefault();
    };
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [router, system, theme, repairs]);

  const close = () => setOpen('none');
  const leave = (href: string) => {
    close();
    router.push(href);
  };
  const { jobId, repairId } = useRoute();
  // What the page has to give is looked at when it is asked for.
  const acts =
    open === 'go' ? actsHere({ jobId, repairId: repairs.has(repairId) ? repairId : null }, system, router.push) : [];
  return (
    <>
      <Dialog open={open === 'keys'} title="Keys" onClose={close}>
        <dl className="grid grid-cols-[auto_1fr] gap-x-6 gap-y-2">
          {KEYS.map(([key, does]) => (
            <div key={key} className="contents">
              <dt className="fig font-semibold">{key}</dt>
              <dd>{does}</dd>
            </div>
          ))}
        </dl>
      </Dialog>
      <Dialog open={open === 'go'} title="Go, or do" onClose={close}>
        <Command label="Go, or do" className="flex flex-col gap-2">
          <Command.Input
            autoFocus
            placeholder={translated('a job, a repair, a stage, something to do…')}
            className="input"
          />
          <Command.List className="max-h-80 overflow-auto thin-scroll">
            <Command.Empty className="soft p-2">Nothing of that name.</Command.Empty>
            {acts.map(({ name, words, does }) => (
              <Command.Item
                key={name}
                value={phrase`${name} ${words}`}
                onSelect={() => {
                  close();
                  does();
                }}
                className="go-row"
              >
                {name}
              </Command.Item>
            ))}
            {[...repairs.values()].flatMap((r) =>
              [...STAGES, 'run' as const].map((stage) => (
                <Command.Item
                  key={`${r.id}/${stage}`}
                  value={phrase`${repairName(r)} ${stage === 'run' ? 'run' : STAGE_LABELS[stage]} ${r.id}`}
                  onSelect={() => leave(`/job/${r.jobId}/${r.id}/${stage}`)}
                  className="go-row"
                >
                  {repairName(r)} · {stage === 'run' ? 'Run' : STAGE_LABELS[stage]}
                </Command.Item>
              )),
            )}
            {[...jobs.values()].map((j) => (
              <Command.Item
                key={j.id}
                value={`${jobName(j)} job ${j.id}`}
                onSelect={() => leave(`/job/${j.id}`)}
                className="go-row"
              >
                {jobName(j)}
              </Command.Item>
            ))}
            {(
              [
                ['Yard', '/'],
                ['Shelf', '/shelf'],
                ['Lab', '/lab'],
                ['What the records say', '/learned'],
                ['Settings', '/settings'],
              ] as const
            ).map(([name, href]) => (
              <Command.Item key={href} value={name} onSelect={() => leave(href)} className="go-row">
                {name}
              </Command.Item>
            ))}
          </Command.List>
        </Command>
      </Dialog>
    </>
  );
}
