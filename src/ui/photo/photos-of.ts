import { COMPARED, SHOWS, type Shows } from '@/core/plan';
import { type Attachment, type Event, standingEvents } from '@/core/record';

/** A photograph of the record: what it shows, and what stands beside it. */
export interface Photo {
  readonly id: string;
  /** The entry it stands in. */
  readonly eventId: string;
  /** The step it was taken at; null where at none. */
  readonly step: string | null;
  readonly atMs: number;
  /** null for one that came with a note. */
  readonly shows: Shows | null;
  readonly caption: string;
  readonly type: Attachment['type'];
  /** Base64. */
  readonly data: string;
}

/** The photographs of a repair that stand, in order; a withdrawn entry takes its own with it. */
export function photosOf(
  events: readonly Event[],
  attachments: ReadonlyMap<string, Attachment>,
  repairId: string,
): readonly Photo[] {
  const by = new Map<string, Attachment[]>();
  for (const a of attachments.values()) if (a.eventId !== null) by.set(a.eventId, [...(by.get(a.eventId) ?? []), a]);
  if (!by.size) return [];
  return standingEvents(events.filter((e) => e.repairId === repairId)).flatMap((e) =>
    (by.get(e.id) ?? []).map((a): Photo => {
      const [shows, caption] =
        e.body.kind === 'photo' ? [e.body.shows, e.body.caption] : [null, e.body.kind === 'note' ? e.body.text : ''];
      const step = e.body.kind === 'photo' ? (e.body.step ?? null) : null;
      return { id: a.id, eventId: e.id, step, atMs: e.at, shows, caption, type: a.type, data: a.data };
    }),
  );
}

export const srcOf = ({ type, data }: Pick<Photo, 'type' | 'data'>): string => `data:${type};base64,${data}`;

/** Photographs taken at a step, whichever attempt at it. */
export const photosAt = (photos: readonly Photo[], stepId: string): readonly Photo[] =>
  photos.filter((p) => p.step === stepId);

/** What is said under a photograph. */
export const captionOf = ({ shows, caption }: Pick<Photo, 'shows' | 'caption'>): string =>
  [shows === null ? '' : SHOWS[shows], caption].filter(Boolean).join(': ');

/** Pairs that may be laid on one another: the last of each kind, where both are there. */
export const pairsIn = (photos: readonly Photo[]): readonly (readonly [Photo, Photo])[] =>
  COMPARED.flatMap(([under, over]) => {
    const [a, b] = [photos.findLast((p) => p.shows === under), photos.findLast((p) => p.shows === over)];
    return a && b ? [[a, b] as const] : [];
  });
