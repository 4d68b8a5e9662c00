import type { MilestoneId, SheetRevision } from '@/core/system';
import { blankDraft, blankKit, blankTime, ofKind, type SheetDraft } from '@/ui/shelf/draft';
import { readDraft } from '@/ui/shelf/read-draft';

/**
 * What a paper prints: its kind, ratio, packs part by part, times at 20 °C or where it says, and what only its kind
 * asks for.
 */
export type Paper = readonly [
  kind: SheetRevision['kind'],
  ratio: string,
  packs: string,
  times: string,
  more?: Partial<SheetDraft>,
];
export const dosed = (from: number, usual: number, to: number): Partial<SheetDraft> => ({
  doseMin: `${from} %`,
  doseUsual: `${usual} %`,
  doseMax: `${to} %`,
  doseOf: 'A',
});

/** A sheet as it comes out of the form, with everything else left. @throws Error for one that cannot be kept */
export function typed([kind, ratio, packs, times, more = {}]: Paper, nowMs: number): SheetRevision {
  const blank = ofKind(blankDraft(), kind);
  const told = times.split(', ').map((said) => {
    const [of, ...text] = said.split(' ');
    const row = blank.times.find((t) => t.kind === of) ?? blankTime(of as MilestoneId);
    const all = text.join(' ');
    return { ...row, text: all.includes('C:') ? all : `${all} at 20 C` };
  });
  const [A = '', B = '', C = '', D = ''] = packs.split(', ');
  const made = readDraft(
    {
      ...blank,
      name: 'Lakeside, as printed',
      ratio,
      kits: [{ ...blankKit(), label: 'Pack', massG: { A, B, C, D } }],
      times: [...blank.times.filter((t) => !told.some((x) => x.kind === t.kind)), ...told],
      ...more,
    },
    { system: 'metric', money: null, role: 'technician', nowMs },
  );
  if (!('sheet' in made)) throw new Error(JSON.stringify(made.faults));
  return made.sheet;
}
