import type { DateTime } from 'luxon';
import { ONLY_AIR } from '../core/climate';
import { methodOf } from '../core/method';
import { type Job, type Piece, pieceOf, type Repair, withNext, withPiece } from '../core/plan';
import { measured, SHAPES, type Void, type VoidShape, voidOf } from '../core/void';
import { typed } from './typed';

const round = (mm: number, text = `${mm} mm`) => ({
  kind: 'ellipse' as const,
  length: typed(mm, 'rule', text),
  width: typed(mm, 'rule', text),
});

/** One pass of a chain as it is drafted after the first. */
type Next = Pick<Piece, 'void' | 'sheetId' | 'kitId' | 'gate'> & { readonly method: string } & Partial<
    Omit<Piece, 'method'>
  >;

/** A repair with further passes put on its chain. */
const withPasses = (first: Repair, next: readonly Next[]): Repair =>
  next.reduce((repair, { method, ...over }) => {
    const longer = withNext(repair, methodOf(method)!);
    const piece = pieceOf(longer, longer.chain.at(-1)!);
    return withPiece(longer, { ...piece, takes: { from: 'own' }, ...over });
  }, first);

const fairing = (foot: number, top: number, height: number, fitting: number): Void =>
  voidOf({
    shape: 'fairing',
    version: 1,
    foot: typed(foot, 'rule'),
    top: typed(top, 'rule'),
    height: typed(height, 'rule'),
    fitting: typed(fitting, 'calliper'),
  });

const ring = (outer: number, inner: number, depth: number, over: object = {}): Void =>
  voidOf({
    shape: 'ring',
    version: 1,
    run: { form: 'round', outer: typed(outer, 'rule'), inner: typed(inner, 'rule') },
    depth: typed(depth, 'gauge'),
    clear: measured(0, 'gauge', 0),
    part: null,
    tiltDeg: 0,
    acrossDeg: 0,
    ...over,
  } as VoidShape);

const answers = (...methods: readonly string[]): Repair['answers'] =>
  Object.fromEntries(methods.flatMap((m) => methodOf(m)!.questions.map((q) => [q.id, q.wants])));

/** The job at the boat shed. */
export const boatJob = (
  common: Omit<Job, 'id' | 'name' | 'place' | 'wantedAt' | 'startFrom' | 'workingHours' | 'climate'>,
  tomorrow: DateTime,
): Job => ({
  ...common,
  id: 'sample-boat',
  name: 'Workboat before launching',
  place: 'Boat shed and sheave post, Ostrel Lake ferry',
  doneBy: 'boat shed',
  wantedAt: tomorrow.plus({ days: 8 }).set({ hour: 8 }).toMillis(),
  startFrom: tomorrow.set({ hour: 7 }).toMillis(),
  workingHours: { fromHour: 6, toHour: 16.5, days: [1, 2, 3, 4, 5, 6, 7] },
  climate: { kind: 'daily', lowC: 10, lowHour: 6, highC: 16, highHour: 15, humidityAtLowPct: 72 },
});

/** Two repairs that are chains: a fitting in four passes, a collar in two pours. */
export function boatRepairs(
  make: (
    over: Partial<Piece> & Pick<Piece, 'id' | 'jobId' | 'order' | 'name' | 'place' | 'void'>,
    method: string,
    sheetId: string,
    kitId: string,
  ) => Repair,
): readonly Repair[] {
  const jobId = 'sample-boat';
  const fitting = make(
    {
      id: 'sample-fitting',
      jobId,
      order: 1,
      name: 'Skin fitting, port side',
      place: 'Under the workboat, frame 6',
      passName: 'Tack',
      void: voidOf({
        ...SHAPES.bondLine.blank(),
        outline: round(180),
        holes: { count: 1, diameter: typed(60, 'calliper') },
        thickness: typed(2, 'gauge'),
      } as VoidShape),
      answers: answers('fitting-tack', 'fitting-build', 'fairing-skin', 'barrier-coat'),
      base: {
        material: 'laminate',
        thicknessMm: 18,
        back: 'air',
        exposure: 'sheltered',
        surroundings: ONLY_AIR,
        known: [],
        castOn: null,
      },
      scaleStepG: 0.1,
      safety: { class: 'review', why: 'It keeps the lake out of the boat.' },
    },
    'fitting-tack',
    'sheet-tack-1',
    'pair',
  );
  const chain = withPasses(fitting, [
    {
      method: 'fitting-build',
      passName: 'Build',
      gate: 'window',
      // No more than 320 mL in one mix.
      massCapG: 388,
      void: fairing(200, 120, 50, 70),
      sheetId: 'sheet-build-1',
      kitId: 'set',
      materialC: 18,
    },
    {
      method: 'fairing-skin',
      passName: 'Fair',
      gate: 'window',
      void: fairing(240, 150, 12, 110),
      sheetId: 'sheet-fair-1',
      kitId: 'set',
      materialC: 18,
    },
    {
      method: 'barrier-coat',
      passName: 'Barrier',
      gate: 'set',
      void: voidOf({
        ...SHAPES.coat.blank(),
        outline: round(300),
        holes: { count: 1, diameter: typed(110, 'calliper') },
        thickness: { ...typed(0.12, 'gauge'), toleranceMm: 0.02 },
        texture: { from: 'class', class: 'none' },
      } as VoidShape),
      sheetId: 'sheet-barrier-1',
      kitId: 'pair',
      materialC: 18,
      settings: { coats: 3 },
    },
  ]);
  const collar = make(
    {
      id: 'sample-collar',
      jobId,
      order: 2,
      name: 'Collar of the sheave post',
      place: 'Sheave post, lake side',
      passName: 'First pour',
      void: ring(520, 440, 35),
      answers: answers('poured-collar'),
    },
    'poured-collar',
    'sheet-collar-1',
    'pail',
  );
  const pours = withPasses(collar, [
    {
      method: 'poured-collar',
      passName: 'Second pour, ring seated',
      gate: 'firm',
      void: ring(640, 520, 46, {
        clear: typed(6, 'gauge'),
        part: { thickness: typed(30, 'calliper'), foot: typed(22, 'gauge'), outerMm: null },
      }),
      sheetId: 'sheet-collar-1',
      kitId: 'pail',
      materialC: 18,
      // A little less over, and one pail does.
      settings: { overfill: 3 },
    },
  ]);
  return [chain, pours];
}
