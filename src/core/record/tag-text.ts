import { repairName } from '../plan';
import { type Said, texts } from '../say';
import type { RepairView } from './bundle';

const SAYS = texts('tag', {
  placed: 'Placed {when}',
  released: 'Released by {role}',
  'no-time': 'DO NOT LOAD: no time yet',
  before: 'DO NOT LOAD BEFORE {when}',
  hung: 'Hung up by {role}',
});

/** What hangs on the part: little enough to be read at arm’s length. */
export interface PartTag {
  readonly name: string;
  readonly place: string;
  readonly systems: readonly string[];
  /** When the last of it was placed. */
  readonly setMs: number | null;
  /** Not to be loaded before; null where it is released or has no time. */
  readonly notBeforeMs: number | null;
  readonly state: 'planned' | 'working' | 'curing' | 'released';
  /** Who signed, or who works. */
  readonly role: string;
}

/** The tag of a repair at an instant. @param role of whoever hangs it up */
export function partTag(view: RepairView, role: string): PartTag {
  const { plan, actuals, repair, passes } = view;
  const placed = plan.steps.findLast((s) => s.marks?.end?.includes('placed'));
  const isPlaced = placed !== undefined && placed.doneAt !== null;
  return {
    name: repairName(repair),
    place: repair.place,
    systems: [...new Set(passes.flatMap((p) => p.plan.sheet?.name ?? []))],
    setMs: isPlaced ? placed.doneAt : null,
    notBeforeMs: actuals.released ? null : plan.openMs,
    state: actuals.released ? 'released' : isPlaced ? 'curing' : actuals.startedAt !== null ? 'working' : 'planned',
    role: actuals.released?.role ?? role,
  };
}

/** Who words a tag: what the core says, and instants, as the reader reads them. */
export interface TagTeller {
  readonly tell: (said: Said) => string;
  readonly when: (ms: number) => string;
}

/** So much a code holds that is still read from a small print, characters. */
const MOST = 420;

/**
 * What the code on the tag says: the figures themselves, read without this application and without a network, and where
 * the repair is.
 */
export function tagText(tag: PartTag, { tell, when }: TagTeller, address: string): string {
  const lines = [
    `${tag.name}${tag.place ? `, ${tag.place}` : ''}`,
    tag.systems.join(', '),
    tag.setMs === null ? '' : tell(SAYS.placed({ when: when(tag.setMs) })),
    tag.state === 'released'
      ? tell(SAYS.released({ role: tag.role }))
      : tag.notBeforeMs === null
        ? tell(SAYS['no-time']())
        : tell(SAYS.before({ when: when(tag.notBeforeMs) })),
    tag.state === 'released' ? '' : tell(SAYS.hung({ role: tag.role })),
    address,
  ].filter(Boolean);
  const text = lines.join('\n');
  if (text.length <= MOST) return text;
  // What must not be loaded, and until when, is never what is left out.
  const spare = MOST - (text.length - lines[0]!.length) - 1;
  return [lines[0]!.slice(0, Math.max(12, spare)), ...lines.slice(1)].join('\n').slice(0, MOST * 2);
}
