'use client';
import { Command } from 'cmdk';
import { useRouter } from 'next/navigation';
import { STAGE_LABELS, STAGES } from '@/core/method';
import { jobName, repairName } from '@/core/plan';
import { phrase, translated } from '@/words';
import { freshJob } from '../workspace/fresh';
import { setPrefs, THEME_ROWS, usePrefs } from '../workspace/prefs';
import { addJob, clock, undo, useWorkspace } from '../workspace/workspace';
import { copyTables, hasTables } from './copy-tables';
import { saveDrawing } from './picture';
import { useRoute } from './route';

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
        const job = freshJob(clock.now(), usePrefs.getState().system);
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
    ...THEME_ROWS.map(({ id: theme, label }) => ({
      name: phrase`Look: ${label}`,
      words: 'theme light dark contrast',
      does: () => setPrefs({ theme }),
    })),
    { name: 'Undo', words: 'back', does: undo },
  ];
}

/** Going anywhere, and doing anything, by typing its name. */
export function GoOrDo({ onClose }: { readonly onClose: () => void }) {
  const router = useRouter();
  const repairs = useWorkspace((d) => d.repairs);
  const jobs = useWorkspace((d) => d.jobs);
  const { system } = usePrefs();
  const leave = (href: string) => {
    onClose();
    router.push(href);
  };
  const { jobId, repairId } = useRoute();
  // What the page has to give is looked at when it is asked for.
  const acts = actsHere({ jobId, repairId: repairs.has(repairId) ? repairId : null }, system, router.push);
  return (
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
              onClose();
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
  );
}
