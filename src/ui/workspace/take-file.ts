'use client';
import { errorInWords, phrase } from '@/words';
import { importJob, importSheets } from './exchange';

/** Larger is no job file. */
const MOST_BYTES = 60_000_000;

/** What became of a file: said in a sentence, with the page it leads to where it is one of ours. */
export interface TakenFile {
  readonly ok: boolean;
  readonly said: string;
  readonly href?: string;
}

const many = (n: number, one: string): string => `${n} ${one}${n === 1 ? '' : 's'}`;

async function takeJob(text: string): Promise<TakenFile> {
  const { jobId, newEvents, added, same, merged, conflicts } = await importJob(text);
  const differ = conflicts ? phrase`, ${conflicts} differ${conflicts === 1 ? 's' : ''}: see above` : '';
  return merged
    ? {
        ok: true,
        said: phrase`Merged: ${many(newEvents, 'event')} added to the record, ${many(added, 'other record')} added, ${same} the same${differ}.`,
      }
    : {
        ok: true,
        said: phrase`Taken in: ${added + newEvents} records${same ? phrase`, ${same} were here already` : ''}${differ}.`,
        href: `/job/${jobId}`,
      };
}

async function takeSheets(text: string): Promise<TakenFile> {
  const { fresh, known, conflicts } = await importSheets(text);
  return {
    ok: true,
    said: phrase`${many(fresh.length, 'sheet')} taken in${known ? phrase`, ${known} stood here already` : ''}${conflicts.length ? phrase`, ${conflicts.length} differ from what is here: see above` : ''}.`,
    href: '/shelf',
  };
}

/** Where a file that is neither job nor sheet belongs. */
const BELONGS: readonly (readonly [RegExp, string])[] = [
  [/\.(stl|ply|obj|xyz)$/i, 'A scan is taken in at Measure, under “3-D scan”.'],
  [
    /\.(csv|tsv)$/i,
    'A list of damage is taken in at its job, under “Many at once”; readings of a logger at Hold, points of a scan at Measure.',
  ],
  [/\.(xlsx?|ods)$/i, 'A list of damage is pasted at its job, under “Many at once”, or saved as CSV first.'],
  [
    /\.(jpe?g|png|webp|heic|gif)$/i,
    'A photograph is taken in where it belongs: at a note of the record, or at Measure.',
  ],
  [/\.zip$/i, 'A backup is brought back under Settings.'],
  [/\.pdf$/i, 'A sheet is typed in on the shelf; its table of times can be pasted there as a whole.'],
];

/**
 * Takes a file in by what is in it, whatever it is called. Nothing of it is kept where it cannot be read.
 * @param expected what is said of a file that is neither: that it is no job, or no file of sheets
 */
export async function takeFile(
  file: Pick<File, 'name' | 'size' | 'text'>,
  expected: 'job' | 'sheets' = 'job',
): Promise<TakenFile> {
  const refused = (why: string): TakenFile => ({ ok: false, said: phrase`${file.name} was not taken in. ${why}` });
  const elsewhere = BELONGS.find(([ending]) => ending.test(file.name));
  if (elsewhere) return refused(elsewhere[1]);
  if (file.size > MOST_BYTES) return refused('It is larger than 60 MB: that is no job file.');
  try {
    const text = await file.text();
    const format = /"format"\s*:\s*"grenko-(job|sheets)"/.exec(text.slice(0, 500))?.[1] ?? expected;
    return format === 'sheets' ? await takeSheets(text) : await takeJob(text);
  } catch (error) {
    return refused(errorInWords(error));
  }
}
