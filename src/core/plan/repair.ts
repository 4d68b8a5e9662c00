import { z } from 'zod';
import { BaseBody } from '../climate';
import { Blend, Colour, type Instrument } from '../mix';
import { MEETS_NOTHING, Meets, MilestoneId, Orientation, type SheetRevision, usualWay, Way, WETNESS } from '../system';
import { Celsius, Figure, Id, Instant, Mm, Percent } from '../units';
import { Measured, SettingOut, Void } from '../void';
import { Acceptance } from './acceptance';
import { GaugeReading } from './gauge';
import { Load } from './load-asked';
import { Notice } from './notice';
import { Seats } from './seats';
import { Side } from './side';
import { StandIn } from './stand-in';

/** The name of a question, a school, a setting, or what was answered. */
const Word = z.string().max(80);

/** A pass by its number as it was added: it keeps it wherever in the chain it is moved. */
export const PassId = z.string().regex(/^p[1-9]\d{0,3}$/, 'must be p and a number');
/** The pass every repair has had from the beginning; records that name none belong to it. */
export const FIRST_PASS = 'p1';
/** More passes than that are several repairs. */
const MOST_PASSES = 30;

/** What a pass fills or covers. */
export const Takes = z.discriminatedUnion('from', [
  /** A void of its own. */
  z.object({ from: z.literal('own') }),
  /** The face that another pass leaves, so thick, and so far beyond it all round. */
  z.object({ from: z.literal('face'), of: PassId, thickness: Measured, beyondMm: Mm.min(0).max(1000).default(0) }),
  /** What another pass left low for it. */
  z.object({ from: z.literal('left'), of: PassId }),
]);
export type Takes = z.infer<typeof Takes>;

/** What lies between a pass and the one before it: the row of {@link GATES}. */
export const GateId = z.enum(['wet', 'gel', 'window', 'firm', 'overlay', 'walk', 'set', 'hard', 'holds', 'any']);
export type GateId = z.infer<typeof GateId>;

/** One system put into one void by one method, as chosen and measured. */
export const Pass = z.object({
  name: z.string().max(120),
  method: z.object({ id: Id, version: z.number().int().min(0).max(10_000) }),
  takes: Takes,
  gate: GateId,
  void: Void.nullable(),
  sheetId: Id.nullable(),
  kitId: Id.nullable(),
  schools: z.record(Word, Word),
  settings: z.record(Word, Figure),
  /** Temperature the material is kept at; null follows the air. */
  materialC: Celsius.nullable(),
  /** Dose of the catalyst (or water) within the sheet's range, per cent; null takes the sheet's usual one. */
  dosePct: Percent.positive().nullable(),
  /** Most that may stand in one pot, g; null leaves it to the time it takes to place. */
  massCapG: Figure.positive().nullable(),
  /** Least that is measured out at once, g, so that the scale at hand can show the ratio; null where less will do. */
  leastG: Figure.positive().nullable().default(null),
  /** Thickness of a lift as chosen, mm; null takes the sheet's. */
  liftMm: z.number().positive().max(1000).nullable(),
  /** Grits of one's own by which the surface is brought back; null leaves them to the ladder. */
  grits: z.string().max(200).nullable().default(null),
  /** What it meets: the base more exactly, the layers under and over it. */
  meets: Meets,
  /** Fillers of one's own in a system of two liquids. */
  blend: Blend.nullable(),
  colour: Colour.nullable(),
  reserve: z.boolean(),
  /** Pauses in pressing that are known beforehand: after so many places, so many minutes. */
  stops: z
    .array(z.object({ after: z.number().int().min(1).max(100_000), minutes: z.number().positive().max(1440) }))
    .max(200)
    .default([]),
  /** Where whoever lays it goes out, seen from above: work goes towards it. */
  wayOut: Side.default('right'),
  /** Where batches end, as shares of the face from where work begins; empty leaves them even. */
  borders: z.array(z.number().gt(0).lt(1)).max(200).default([]),
  /** What stands in for waits on which the sheet is silent, by the milestone that is missing. */
  standIns: z.partialRecord(MilestoneId, StandIn).default({}),
});
export type Pass = z.infer<typeof Pass>;

/** Longer than that is another working day. */
export const MOST_OVERTIME_MIN = 240;

/** A time in which it need not move and nobody touches it, and what that costs whoever runs it. */
export const Rest = z
  .object({ fromMs: Instant, untilMs: Instant, costs: z.string().max(160) })
  .refine(({ fromMs, untilMs }) => untilMs > fromMs, { path: ['untilMs'], message: 'ends before it begins' });
export type Rest = z.infer<typeof Rest>;

/** What a repair is beside its passes: place, base, inspection, what it carries, who works with what. */
const Common = z.object({
  record: z.literal('repair'),
  version: z.literal(4),
  id: Id,
  jobId: Id,
  /** Place in the job's order of work. */
  order: Figure,
  name: z.string().max(120),
  place: z.string().max(160),
  base: BaseBody.extend({
    castOn: z
      .string()
      .regex(/^\d{4}-\d{2}-\d{2}$/)
      .nullable(),
  }),
  answers: z.record(Word, z.enum(['yes', 'no', 'unsure'])),
  /** What each of several like places was found to be. */
  seats: Seats.default({}),
  /** Marks over a crack, watched before anything rigid goes into it. */
  gauge: z.array(GaugeReading).max(60).default([]),
  settingOut: SettingOut.nullable(),
  orientation: Orientation,
  /** How wet the base is found, and its moisture where it was measured, per cent by mass. */
  surface: z.enum(WETNESS),
  moisturePct: z.number().min(0).max(100).nullable(),
  /** Pairs of hands that place. */
  crew: z.number().int().min(1).max(12),
  /** How long they stay past the end of the working day for what must not be torn apart, min. */
  overtimeMin: z.number().min(0).max(MOST_OVERTIME_MIN).default(0),
  /** Step of the scale at hand, g. */
  scaleStepG: Figure.positive(),
  /** What else parts are measured with. */
  bench: z.object({
    /** null: by weight wherever the sheet gives it. */
    way: Way.nullable(),
    cupStepMl: Figure.positive(),
    strokeMl: Figure.positive().nullable(),
    dropsPerMl: Figure.positive().nullable(),
    stripMm: Figure.positive().nullable(),
    /** The largest vessel, mL; null when it does not bind. */
    vesselMaxMl: Figure.positive().nullable(),
    onePot: z.boolean(),
  }),
  /** What it must carry; null where it carries nothing worth checking. */
  load: Load.nullable(),
  /** Measured tests that are asked for before it is released. */
  acceptance: z.array(Acceptance).max(20).default([]),
  plannedStart: Instant.nullable(),
  /** When water next comes on it, whatever is planned: a washing that is booked, a tide. */
  waterAt: Instant.nullable().default(null),
  /** When it may be left alone; none where it may at any time. */
  rests: z.array(Rest).max(20).default([]),
  /** The notice of defect that it answers; null where there is none. */
  notice: Notice.nullable().default(null),
  serves: MilestoneId.nullable(),
  safety: z.object({ class: z.enum(['plain', 'review']), why: z.string().max(300) }),
  updatedAt: Instant,
});

/** One repair of a job: a chain of passes over one place. */
export const Repair = Common.extend({
  /** In the order they are worked. */
  chain: z.array(PassId).min(1).max(MOST_PASSES),
  passes: z.record(PassId, Pass),
}).superRefine(({ chain, passes }, check) => {
  chain.forEach((id, i) => {
    if (chain.indexOf(id) !== i)
      check.addIssue({ code: 'custom', path: ['chain', i], message: `names the pass ${id} twice` });
    if (!Object.hasOwn(passes, id))
      check.addIssue({ code: 'custom', path: ['chain', i], message: `names the pass ${id}, which is not there` });
  });
  for (const [id, { takes }] of Object.entries(passes)) {
    if (!chain.includes(id)) check.addIssue({ code: 'custom', path: ['passes', id], message: 'stands in no chain' });
    if (takes.from !== 'own' && chain.indexOf(takes.of) >= chain.indexOf(id))
      check.addIssue({
        code: 'custom',
        path: ['passes', id, 'takes', 'of'],
        message: `takes the face of ${takes.of}, which does not come before it`,
      });
  }
});
export type Repair = z.infer<typeof Repair>;

/** One pass together with what its repair gives it: all that is needed to plan it. */
export type Piece = Omit<Repair, 'chain' | 'passes' | 'name'> &
  Omit<Pass, 'name'> & {
    readonly passId: string;
    /** The name of the repair. */
    readonly name: string;
    /** The name of the pass. */
    readonly passName: string;
  };

/** Which pass of which repair. */
export type PassRef = Pick<Piece, 'id' | 'passId'>;

const pieces = new WeakMap<Repair, Map<string, Piece>>();

/**
 * One pass of a repair with what the repair gives it. A draft is immutable: the same one gives the same piece.
 * @throws RangeError for a pass the repair does not have
 */
export function pieceOf(repair: Repair, passId: string = repair.chain[0]!): Piece {
  const known = pieces.get(repair) ?? new Map<string, Piece>();
  pieces.set(repair, known);
  const found = known.get(passId);
  if (found) return found;
  const pass = Object.hasOwn(repair.passes, passId) ? repair.passes[passId] : undefined;
  if (!pass) throw new RangeError(`no pass ${passId} in ${repair.id}`);
  const { chain: _chain, passes: _passes, ...common } = repair;
  const { name: passName, ...own } = pass;
  const made: Piece = { ...common, ...own, passId, passName };
  known.set(passId, made);
  return made;
}

const PASS_FIELDS = Object.keys(Pass.shape).filter((key) => key !== 'name') as (keyof Omit<Pass, 'name'>)[];

/** The repair with one of its passes, and what the repair gives it, as in the piece. */
export function withPiece(repair: Repair, piece: Piece): Repair {
  const { passId, passName, ...flat } = piece;
  const own = Object.fromEntries(PASS_FIELDS.map((key) => [key, flat[key]])) as Omit<Pass, 'name'>;
  const common = Object.fromEntries(
    Object.entries(flat).filter(([key]) => !PASS_FIELDS.includes(key as never)),
  ) as Omit<Repair, 'chain' | 'passes'>;
  return { ...common, chain: repair.chain, passes: { ...repair.passes, [passId]: { name: passName, ...own } } };
}

/** A repair of one pass. */
export const repairOf = (piece: Piece): Repair =>
  withPiece({ chain: [piece.passId], passes: {} } as unknown as Repair, piece);

/**
 * By what name it is known what happened to a pass: that of its repair, for the pass every repair has had from the
 * beginning.
 */
export const passKey = ({ id, passId }: Pick<Piece, 'id' | 'passId'>): string =>
  passId === FIRST_PASS ? id : `${id}/${passId}`;

/** All passes of a repair, in the order they are worked. */
export const piecesOf = (repair: Repair): readonly Piece[] => repair.chain.map((id) => pieceOf(repair, id));

/** The bench a repair begins with. */
export const FIRST_BENCH = {
  way: null,
  cupStepMl: 10,
  strokeMl: null,
  dropsPerMl: null,
  stripMm: null,
  vesselMaxMl: null,
  onePot: true,
} as const;

/** What parts are measured with: as chosen, else as is usual for the sheet. */
export const instrumentOf = (
  { bench, scaleStepG }: Pick<Piece, 'bench' | 'scaleStepG'>,
  sheet: SheetRevision | null,
): Instrument => ({
  ...bench,
  way: bench.way ?? (sheet ? usualWay(sheet) : 'weight'),
  scaleStepG,
});

/** The scale that is assumed until somebody says which is at hand, g. */
export const USUAL_SCALE_G = 1;

/** What a repair begins with before anything is found or chosen; an older one gets the same. */
export const FIRST_CHOICES = {
  dosePct: null,
  orientation: 'floor',
  surface: 'bone dry',
  moisturePct: null,
  crew: 1,
  overtimeMin: 0,
  massCapG: null,
  leastG: null,
  grits: null,
  liftMm: null,
  bench: FIRST_BENCH,
  meets: MEETS_NOTHING,
  load: null,
  acceptance: [] as Acceptance[],
  blend: null,
  colour: null,
  standIns: {},
  waterAt: null,
  rests: [] as Rest[],
  notice: null,
  gauge: [] as GaugeReading[],
  seats: {} as Seats,
} as const satisfies Partial<Piece>;

/** What the first pass of a repair begins with. */
export const FIRST_OF_CHAIN = {
  passId: FIRST_PASS,
  passName: '',
  takes: { from: 'own' },
  gate: 'window',
  stops: [] as Piece['stops'],
  wayOut: 'right',
  borders: [] as number[],
} as const satisfies Partial<Piece>;
