import { z } from 'zod';
import { Failure, PassId, Shows, WITNESSES, WitnessState } from '../plan';
import { Message } from '../say';
import { MilestoneId, PartId } from '../system';
import { Figure, Grams, Id, Instant } from '../units';

const id = Id;
/** A batch by its place in the plan, from 0. */
const Batch = z.number().int().min(0).max(10_000);
/** By how much a clock was off, ms: years at the most. */
const Shift = z.number().int().min(-4e12).max(4e12);
/** In which role somebody writes. */
export const Role = z.string().min(1).max(80);
const channel = z.enum(['base', 'air', 'pot']);

/** What an event can say. */
export const EventBody = z.discriminatedUnion('kind', [
  /** Work begins; the snapshot it begins from is frozen, and so is the size of its batches. */
  z.object({
    kind: z.literal('started'),
    snapshotId: id,
    usableMin: Figure.nullable(),
    /** The same of the further passes of a chain, by pass. */
    usable: z.record(PassId, Figure.nullable()).optional(),
  }),
  /** Under way it is planned anew from the draft as it stands: what was done stands, the rest follows this snapshot. */
  z.object({
    kind: z.literal('replanned'),
    snapshotId: id,
    usable: z.record(PassId, Figure.nullable()),
  }),
  z.object({ kind: z.literal('step-begun'), step: z.string().max(120) }),
  z.object({ kind: z.literal('step-done'), step: z.string().max(120) }),
  /** One of several like places is done with in a step that goes from one to the next; the first is 0. */
  z.object({
    kind: z.literal('place-done'),
    step: z.string().max(120),
    place: z.number().int().min(0).max(9999),
  }),
  z.object({ kind: z.literal('reading'), channel, valueC: z.number().min(-60).max(150), source: z.string().max(80) }),
  /** Humidity of the air at the place, per cent. */
  z.object({ kind: z.literal('humidity'), valuePct: z.number().positive().max(100), source: z.string().max(80) }),
  z.object({
    kind: z.literal('poured'),
    batch: Batch,
    part: PartId,
    massG: Grams.positive(),
    lot: z.string().max(60),
    /** Scale or hand. */
    source: z.string().max(80).default('typed'),
  }),
  /** All pours of a batch so far are void: the pot is thrown away and begun anew. */
  z.object({ kind: z.literal('discarded'), batch: Batch, why: z.union([z.string().min(3).max(300), Message]) }),
  /** What was kept of a batch, and what the touch says of it later. */
  z.object({
    kind: z.literal('witness'),
    batch: Batch,
    state: WitnessState,
    /** The cup, where it is not said. */
    of: z.enum(WITNESSES).optional(),
  }),
  /** What one coat of a soak took, on one face of its void. */
  z.object({
    kind: z.literal('drunk'),
    face: z.number().int().min(0).max(19),
    ml: z.number().positive().max(1_000_000),
  }),
  /**
   * What was left of a batch: what could still have been placed, and what stuck in the pot and on the tools where it
   * was weighed.
   */
  z.object({
    kind: z.literal('left'),
    batch: Batch,
    overG: z.number().min(0).max(1e9),
    stuckG: z.number().min(0).max(1e9).nullable(),
  }),
  /** Kits taken from a lot on the shelf. */
  z.object({
    kind: z.literal('taken'),
    stockId: z.string().max(80),
    lot: z.string().max(60),
    kit: z.string().max(80),
    count: z.number().int().positive().max(100_000),
  }),
  /** What a kit held against what it lists. */
  z.object({
    kind: z.literal('contents'),
    kit: z.string().max(80),
    found: z
      .array(z.object({ what: z.string().max(80), listed: Figure.nonnegative(), found: Figure.nonnegative() }))
      .max(40),
  }),
  /** A photograph, which hangs on this entry. */
  z.object({
    kind: z.literal('photo'),
    shows: Shows,
    caption: z.string().max(300),
    /** The step it was taken at. */
    step: z.string().max(120).optional(),
  }),
  z.object({ kind: z.literal('note'), text: z.string().min(1).max(2000) }),
  z.object({
    kind: z.literal('trouble'),
    trouble: z.string().max(80),
    /** Which of its signs was found, where it has several. */
    sign: z.string().max(80).optional(),
    batch: Batch.nullable(),
    missingMl: Figure.positive().nullable(),
    /** What had been placed of the batch and stays, mL, and the step that ended with it. */
    placed: z.object({ ml: Figure.positive(), step: z.string().max(120) }).optional(),
    /** So many of several like places: the others stay as they are. */
    places: z.number().int().min(1).max(9999).optional(),
    /** What those places are called, where they have names or differ in size. */
    which: z.array(z.string().max(60)).max(60).optional(),
    /** Pairs of hands that are left. */
    handsLeft: z.number().int().min(1).max(12).optional(),
    /** Which of several like parts it befell, from 0. */
    part: z.number().int().min(0).max(499).optional(),
  }),
  z.object({
    kind: z.literal('override'),
    finding: z.string().max(160),
    title: z.string().max(400),
    reason: z.string().min(3).max(500),
  }),
  z.object({ kind: z.literal('test'), test: z.string().max(120), answer: z.enum(['yes', 'no']) }),
  /** One figure of a measured test. */
  z.object({
    kind: z.literal('measured'),
    test: z.string().max(120),
    value: Figure,
    failure: Failure.optional(),
  }),
  /** Opened for one use, before all of it is. */
  z.object({ kind: z.literal('opened'), stage: MilestoneId, note: z.string().max(500) }),
  z.object({
    kind: z.literal('released'),
    note: z.string().max(500),
    /** Who runs it from now on. */
    to: z.string().max(80).optional(),
  }),
  z.object({ kind: z.literal('reviewed'), note: z.string().max(500) }),
  /** What was signed is taken back: an act of its own, with its reason, shown for ever. */
  z.object({ kind: z.literal('reopened'), reason: z.string().min(3).max(500) }),
  /** Somebody from outside was asked to see it, and what they said. */
  z.object({
    kind: z.literal('inspection'),
    state: z.enum(['asked', 'accepted', 'refused']),
    by: z.string().min(1).max(120),
    note: z.string().max(500),
  }),
  /** What keeps people and vehicles off: put up, moved, or taken down. */
  z.object({ kind: z.literal('barrier'), state: z.enum(['up', 'down']), what: z.string().min(1).max(200) }),
  z.object({ kind: z.literal('lesson'), text: z.string().min(1).max(1000) }),
  /** The device's clock was wrong: what it wrote up to here is moved by `shiftMs`, so that waits keep their length. */
  z.object({
    kind: z.literal('clock-set'),
    shiftMs: Shift,
    upTo: z.array(z.object({ device: id, sequence: z.number().int().nonnegative() })).max(500),
  }),
  /** Takes an earlier event back. The earlier one stays readable. */
  z.object({ kind: z.literal('withdrawn'), why: z.string().min(3).max(500) }),
]);
export type EventBody = z.infer<typeof EventBody>;

type BodyOption<K extends EventBody['kind']> = Extract<
  (typeof EventBody.options)[number],
  { readonly shape: { readonly kind: z.ZodLiteral<K> } }
>;

/**
 * Fields of what an event of a kind says, for the forms that ask for them.
 *
 * @example bodyShape('note').text // a text of 1 to 2000 characters
 */
export function bodyShape<K extends EventBody['kind']>(kind: K): BodyOption<K>['shape'] {
  const option = EventBody.options.find(({ shape }) => shape.kind.value === kind);
  if (!option) throw new Error(`unknown kind of event: ${kind}`);
  return option.shape as BodyOption<K>['shape'];
}

/** SHA-256, hex. */
const Hash = z.string().regex(/^[0-9a-f]{64}$/, 'must be a hash');

/** What ties an entry to the one before it. */
export const Link = z.object({
  /** From 1. */
  n: z.number().int().min(1).max(10_000_000),
  /** Of the entry before, as it was written; null for the first. */
  prev: Hash.nullable(),
});
export type Link = z.infer<typeof Link>;

/** One thing that happened. Append-only: a correction is a new event that names the one it amends. */
export const Event = z.object({
  record: z.literal('event'),
  version: z.literal(1),
  id,
  /** The browser it was written in, and its running number there. */
  device: id,
  sequence: z.number().int().nonnegative(),
  /** When it happened, and when it was written down, epoch ms. */
  at: Instant,
  recordedAt: Instant,
  jobId: id,
  repairId: id,
  /**
   * The pass it belongs to; none is named by what belongs to the whole repair, or to the pass it has had from the
   * beginning.
   */
  passId: PassId.optional(),
  amends: id.nullable(),
  role: Role,
  /** Its place among the entries of its browser in this repair, and the hash of the one before; absent before 0.12. */
  link: Link.optional(),
  /** By how much the device's clock had jumped, ms, while nobody had said yet which of its times is right. */
  clockJumpMs: Shift.optional(),
  body: EventBody,
});
export type Event = z.infer<typeof Event>;

/** Order in which events happened; ties by device and running number, so every copy agrees. */
export function byTime(a: Event, b: Event): number {
  return a.at - b.at || (a.device < b.device ? -1 : a.device > b.device ? 1 : a.sequence - b.sequence);
}

/** Two copies of a record become one: the union by id. @returns events in order */
export function mergeEvents(a: readonly Event[], b: readonly Event[]): readonly Event[] {
  return [...new Map([...a, ...b].map((event) => [event.id, event])).values()].sort(byTime);
}
