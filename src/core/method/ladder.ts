import { BASE_PROPERTIES } from '../climate';
import { exactly, line, listed, type Message, minutes, ml, mm, mm2, percent, rate, texts, type WorkLine } from '../say';
import { leavesFilm } from '../system';
import { placesIn, type VoidResult } from '../void';
import { type MethodContext, type School, type Setting, settingIn, type TaskContext } from './context';
import { DRIVERS, sideBySide } from './drivers';
import { options } from './effects';
import { between, GRAIN_UM, type GritId, gradeOf, gritsIn, SCRATCH_SHARE, scratchMm, USUAL } from './grits';

const WORK = texts('work.ladder', {
  off: 'To come off',
  'off-by': '{deep} over {area}',
  first: 'First grit {grit}',
  chosen: 'chosen',
  finest:
    'the finest that takes it down in reasonable time; its scratches no deeper than half of it, and no less than a fifteenth',
  next: 'Then {grit}',
  'next-by': 'scratches of {before}, {share} of its grain of {grain} deep',
  'next-is': '{deep} in {time}',
});

/** Looking and feeling whether the scratches of the last grit are gone, and wiping the dust off, min. */
const CHECK_MIN = 1;
/** Going from one like place to the next, min. */
const EACH_PLACE_MIN = 0.25;
/**
 * The first grit is as fine as takes down what is to come off in this time: so much, and so much more a square metre.
 */
const PATIENCE_MIN = 5;
const PATIENCE_MIN_PER_M2 = 60;
/** What stands higher than so many scratches of a grit is not taken down with it: the paper is dead before. */
const STROKES = 15;
/** A larger area is worked in masked sections, one through all grits before the next, m². */
export const SECTION_M2 = 0.5;

/** How fast a set material comes off with P80, by hand and block, mL/min: starting values that the record corrects. */
export const TAKEN_OFF = { soft: 4, tough: 2, hard: 1, stone: 0.5 } as const;

/** How the surface of a method is brought back. */
export interface LadderSpec {
  /** No coarser grit is offered: it would go through, or too deep. */
  readonly coarsest: GritId;
  /** Where it ends unless an option says otherwise: what comes next, or gloss. */
  readonly to: GritId;
  /** Stands above its level, mm: what the first grit takes off. */
  readonly offMm: (c: MethodContext) => number;
  /** Never with water: it drinks it. */
  readonly dry?: true;
  /** What records of earlier versions call all of it, where that is not its task. */
  readonly called?: string;
}

/** What stands over the face where it was struck flush: a smear, mm. */
export const SMEAR_MM = 0.2;
/** A coat on a patch is put on thicker than its neighbour by so much, mm. */
const OVERBUILD_MM = 0.3;
/** Of a whole face only the peel comes off, mm; as a patch counts what is no larger than this, m². */
const PEEL_MM = 0.05;
const PATCH_M2 = 0.02;

/** What comes off a coat, mm: a patch is taken down to its neighbour, a larger coat has none to be level with. */
export const coatOffMm = ({ measured: { faces } }: Pick<MethodContext, 'measured'>): number =>
  PEEL_MM + (OVERBUILD_MM - PEEL_MM) * Math.min(1, (PATCH_M2 * 1e6) / Math.max(1, faces.planAreaMm2));

/** Mean thickness of what a void holds, mm. */
export const meanMm = ({ eachMl, faces }: Pick<VoidResult, 'eachMl' | 'faces'>): number =>
  faces.planAreaMm2 > 0 ? (eachMl * 1000) / faces.planAreaMm2 : 0;

/** Grits with water or without. @param owner the ids of its words begin with it */
export const wetOrDry = (owner: string, byDefault: 'wet' | 'dry'): School => ({
  id: 'wet-or-dry',
  matter: 'Grits wet or dry',
  stage: 'finish',
  options: options(`${owner}.wet-or-dry`, [
    { id: 'wet', label: 'wet, paper soaked', fits: 'fine grits, and dust that must not fly', effect: { wet: true } },
    { id: 'dry', label: 'dry, extracted', fits: 'fillers and timber that drink, and what is coated the same day' },
  ]),
  byDefault,
  why: 'Water keeps the paper open and the dust down; what drinks it swells, or lets go.',
});

/** The setting of a method that brings its surface back with grits. */
export const takenOff = (hardness: keyof typeof TAKEN_OFF): Setting => ({
  id: 'takes-off',
  label: 'Comes off with P80',
  kind: 'rate',
  byDefault: TAKEN_OFF[hardness],
  min: 0.01,
  max: 500,
  stage: 'finish',
});

/** Laying paper and pads in water, min. */
const INTO_WATER_MIN = 2;

/** How long before it is used wet paper is laid in water: dry it cuts unevenly and cracks. */
export const paperSoak: Setting = {
  id: 'paper-soak',
  label: 'Paper lies in water before',
  kind: 'duration',
  byDefault: 30,
  min: 0,
  max: 24 * 60,
  stage: 'finish',
  when: (e) => e.wet,
};

/** One grit of a ladder. */
export interface Rung {
  readonly grit: GritId;
  /** What it takes off, mm. */
  readonly offMm: number;
  /** Depth of what it leaves, mm. */
  readonly leavesMm: number;
  readonly minutes: number;
}

export interface Ladder {
  readonly rungs: readonly Rung[];
  readonly wet: boolean;
  /** Paper is laid in water so long before, min; 0 where it needs none. */
  readonly soakMin: number;
  /** An amine film is washed off before the first grit. */
  readonly washed: boolean;
  readonly areaM2: number;
  readonly offMm: number;
  /** So many rub side by side. */
  readonly hands: number;
  /** Masked sections, one through all grits before the next. */
  readonly sections: number;
  readonly working: readonly WorkLine[];
}

/**
 * The finest grit that takes so much off in the time that somebody gives it, and leaves no scratch deeper than half of
 * it.
 */
function firstGrit(
  { coarsest, to }: Pick<LadderSpec, 'coarsest'> & { to: GritId },
  offMm: number,
  areaM2: number,
  p80: number,
): GritId {
  const fits = USUAL.filter((g) => gradeOf(g) >= gradeOf(coarsest) && gradeOf(g) <= gradeOf(to));
  const gentle = fits.filter((g) => scratchMm(g) <= Math.max(offMm, 0) / 2);
  const choice = gentle.length ? gentle : fits.slice(-1);
  const patience = PATIENCE_MIN + PATIENCE_MIN_PER_M2 * areaM2;
  const takesIt = (g: GritId) =>
    (offMm * areaM2 * 1000) / rateOf(g, p80) <= patience && scratchMm(g) * STROKES >= offMm;
  return choice.findLast(takesIt) ?? choice[0] ?? to;
}

/** What a grit takes off in a minute, mL: as its grain, from what P80 takes. */
const rateOf = (grit: GritId, p80: number): number => (p80 * GRAIN_UM[grit]) / GRAIN_UM.P80;

/**
 * The grits by which a surface is brought back, with their minutes: the first takes down what stands above the level,
 * each next the scratches of the one before.
 * @param places like places that are gone round
 */
export function ladderOf(
  spec: LadderSpec,
  o: {
    readonly offMm: number;
    readonly areaM2: number;
    readonly places: number;
    readonly takesOffMlMin: number;
    readonly to: GritId | null;
    readonly wet: boolean;
    readonly soakMin?: number;
    readonly washed: boolean;
    /** So many rub side by side; one unless said. */
    readonly hands?: number;
    /** Grits of one's own, coarse to fine. */
    readonly own: readonly GritId[];
  },
): Ladder {
  const to = o.to ?? spec.to;
  const wet = o.wet && !spec.dry;
  const first = firstGrit({ coarsest: spec.coarsest, to }, o.offMm, o.areaM2, o.takesOffMlMin);
  const grits = o.own.length ? o.own : first === to ? [to] : [first, ...between(first, to), to];
  const rungs = grits.map((grit, i): Rung => {
    const before = grits[i - 1];
    const offMm = before ? scratchMm(before) : o.offMm;
    const offMl = offMm * o.areaM2 * 1000;
    return {
      grit,
      offMm,
      leavesMm: scratchMm(grit),
      minutes: CHECK_MIN + Math.max(EACH_PLACE_MIN * o.places, offMl / rateOf(grit, o.takesOffMlMin)) / (o.hands ?? 1),
    };
  });
  const offMl = o.offMm * o.areaM2 * 1000;
  return {
    rungs,
    wet,
    soakMin: wet ? (o.soakMin ?? 0) : 0,
    washed: o.washed,
    hands: o.hands ?? 1,
    areaM2: o.areaM2,
    offMm: o.offMm,
    sections: Math.max(1, Math.ceil(o.areaM2 / SECTION_M2 - 1e-9)),
    working: [
      line(
        WORK.off(),
        WORK['off-by']({ deep: mm(o.offMm, 2), area: mm2(o.areaM2 * 1e6) }),
        ml(offMl, offMl < 10 ? 2 : 3),
      ),
      line(
        WORK.first({ grit: grits[0]! }),
        o.own.length ? WORK.chosen() : WORK.finest(),
        rate(rateOf(grits[0]!, o.takesOffMlMin)),
      ),
      ...rungs.slice(1).map((r, i) =>
        line(
          WORK.next({ grit: r.grit }),
          WORK['next-by']({
            before: grits[i]!,
            share: percent(SCRATCH_SHARE * 100),
            grain: exactly(mm(GRAIN_UM[grits[i]!] / 1000)),
          }),
          WORK['next-is']({ deep: mm(r.offMm, 2), time: minutes(r.minutes) }),
        ),
      ),
    ],
  };
}

/** The ladder of a method where it stands. */
export const ladderIn = (spec: LadderSpec, c: TaskContext): Ladder =>
  ladderOf(spec, {
    offMm: spec.offMm(c),
    areaM2: DRIVERS.m2(c),
    places: placesIn(c.void),
    takesOffMlMin: settingIn(c, 'takes-off'),
    to: c.effects.finishTo,
    wet: c.effects.wet && !BASE_PROPERTIES[c.base].swells,
    soakMin: c.settings[paperSoak.id] ?? 0,
    washed: leavesFilm(c.sheet),
    own: gritsIn(c.grits ?? ''),
    hands: c.workedAlone ? 1 : sideBySide(c, Math.max(placesIn(c.void), DRIVERS.m2(c))),
  });

const SAYS = texts('ladder', {
  soak: 'Lay {grits} in water',
  'soak-detail':
    'Paper and a soft block, at least {time} before the first is used: dry it cracks and cuts unevenly. Overnight does no harm.',
  'soak-confirm': 'In the water',
  wash: 'Wash off the greasy film',
  'wash-detail': 'Water and a pad, twice, before any paper touches it: sanding smears it in. Let it dry.',
  'wash-confirm': 'Washed, and dry',
  first: '{what}: {grit}{wet, select, yes {, wet} other {}}',
  'first-detail':
    '{off} to come off, about {time}{hands, plural, =1 {} other { for # hands}}. {wet, select, yes {Paper soaked well before, water kept clean.} other {Extracted, with breathing protection.}}{sections, plural, =1 {} other { In # masked sections, each through all grits before the next.}} {detail}',
  next: 'On with {grit}{wet, select, yes {, fresh water} other {}}',
  'next-detail':
    'Strokes across those of {before}, until none of them shows under a flat lamp or a fingertip: {deep} deep, about {time}.',
  'next-confirm': 'No scratch of {before} left',
  'first-confirm': 'Down to its level',
});

/** A step of a ladder in words. */
export interface RungWords {
  /** What it is called in the record, after the name of the task. */
  readonly id: string;
  /** None where it is washed. */
  readonly grit?: GritId;
  readonly title: Message;
  readonly detail: Message;
  readonly confirm: Message;
  readonly minutes: number;
  readonly hold: boolean;
  /** It is got ready while what is to be brought back still sets. */
  readonly ahead?: true;
}

/** The steps of a ladder. @param said the words of its task: what is done, how, and what is confirmed at the end */
export function rungWords(
  ladder: Ladder,
  said: { readonly title: Message; readonly detail: Message; readonly confirm: Message },
): readonly RungWords[] {
  const wet = ladder.wet ? 'yes' : 'no';
  const last = ladder.rungs.length - 1;
  return [
    ...(ladder.soakMin > 0
      ? [
          {
            id: 'soak',
            title: SAYS.soak({ grits: listed(ladder.rungs.map(({ grit }) => grit)) }),
            detail: SAYS['soak-detail']({ time: minutes(ladder.soakMin) }),
            confirm: SAYS['soak-confirm'](),
            minutes: INTO_WATER_MIN,
            hold: false,
            ahead: true as const,
          },
        ]
      : []),
    ...(ladder.washed
      ? [
          {
            id: 'wash',
            title: SAYS.wash(),
            detail: SAYS['wash-detail'](),
            confirm: SAYS['wash-confirm'](),
            // Dried with a cloth, and looked at.
            minutes: 8 + 10 * ladder.areaM2,
            hold: false,
          },
        ]
      : []),
    ...ladder.rungs.map(({ grit, minutes: min, offMm }, i): RungWords => {
      const before = ladder.rungs[i - 1]?.grit ?? '';
      return {
        id: grit.toLowerCase(),
        grit,
        title: i === 0 ? SAYS.first({ what: said.title, grit, wet }) : SAYS.next({ grit, wet }),
        detail:
          i === 0
            ? SAYS['first-detail']({
                off: ladder.offMm >= 0.05 ? mm(ladder.offMm, 2) : ml(ladder.offMm * ladder.areaM2 * 1000),
                time: minutes(Math.ceil(min - 1e-9)),
                wet,
                sections: ladder.sections,
                hands: ladder.hands,
                detail: said.detail,
              })
            : SAYS['next-detail']({
                before,
                deep: exactly(mm(Number(offMm.toFixed(3)))),
                time: minutes(Math.ceil(min - 1e-9)),
              }),
        confirm: i === last ? said.confirm : i === 0 ? SAYS['first-confirm']() : SAYS['next-confirm']({ before }),
        minutes: min,
        hold: true,
      };
    }),
  ];
}
