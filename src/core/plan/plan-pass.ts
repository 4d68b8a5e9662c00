import { dequal } from 'dequal';
import {
  askOf,
  calledByPlaces,
  ENGINES,
  effectsOf,
  isTaken,
  kitAsChosen,
  type Method,
  type MethodContext,
  type StepContext,
  type StepDraft,
  stepsOf,
  unansweredOf,
} from '../method';
import { type Batch, ingredientsOf, vesselMassG, withMoreMixed } from '../mix';
import { attempt, type Problem, type Said, texts } from '../say';
import { type MilestoneId, plannedKitMl, type SheetRevision, staysWhole } from '../system';
import { measureVoid, SHAPES, unmeasuredIn, type VoidResult } from '../void';
import { bedAsMeasured, jointAsMeasured, measuresByCup, plansBy, stepsBegun, unlikeAsOne } from './actuals';
import { beginsFrom } from './begins';
import { dayMinOf, oncePerDayMin } from './day-min';
import { withStand, withTrouble } from './extra-steps';
import { bearsFrom, dustFree, type Found, gated, onFound } from './gated';
import { type Given, withoutLastPack } from './gives-way';
import type { Laying } from './lay-ask';
import { layingOf } from './laying';
import { methodHere } from './method-here';
import type { PotShare } from './milestone-times';
import { mixAt, sharesOf } from './mix-here';
import { type Ask, asker, staysHotter } from './reach-try';
import { instrumentOf, type Piece } from './repair';
import { type RepairAsk, type RepairPlan, sameAsk, settingsOf } from './repair-plan';
import { sheetHere, sheetWorked, withFace, withOwnLife } from './sheet-here';

const OPEN = texts('open', {
  shape: 'Choose the shape of the void.',
  'how-thick': 'How thick',
  below: 'What it lies on must be measured, at its own pass.',
  system: 'Choose a system from the shelf.',
  'not-measured': 'The void must be measured.',
  'no-system': 'A system must be chosen.',
});

const REFUSED = texts('refused.plan.plan-pass', {
  'does-not-serve': '{sheet} does not serve “{method}”. Material says why; choose another system.',
  'not-planned-over':
    '“{method}” is not planned over {shape}. The volume stands; choose another method, or another shape as the first.',
});

const MIN_MS = 60_000;
/** From this version of the core on figures that nobody typed may hang on the system. */
const BY_SYSTEM = [0, 31] as const;
/** A day’s places leave time for the mixer they are pressed from since. */
const BY_WHOLE_DAY = [0, 32] as const;

/** What a pass still is before anything is known of it. */
function nothing(piece: Piece): RepairPlan {
  return {
    repairId: piece.id,
    passId: piece.passId,
    piece,
    method: null,
    sheet: null,
    kit: null,
    open: {},
    problems: [],
    unanswered: [],
    void: null,
    context: null,
    usableMin: null,
    potC: null,
    pot: null,
    mix: null,
    batches: [],
    steps: [],
    stop: null,
    untimed: [],
    milestones: [],
    serves: null,
    placedMs: null,
    openMs: null,
    habitMs: null,
    inHandMin: null,
    band: [],
    thermal: null,
    overruns: false,
    lacks: [],
    awaits: [],
  };
}

/** Steps of a pass without their times, and what they were written for. */
interface ReadySteps {
  readonly context: StepContext;
  readonly drafts: readonly StepDraft[];
}
/** All that the steps of one repair depend on, besides the repair itself. */
interface StepsAsk {
  /** As it reads at this dose, blend and humidity. */
  readonly sheet: SheetRevision;
  readonly actuals: RepairAsk['actuals'];
  readonly onFace: boolean;
  readonly mixerOn: RepairAsk['mixerOn'];
  readonly gated: boolean;
  readonly found: Found | null;
  /** From when what it throws about no longer sticks to the pass below; null where nothing waits for that. */
  readonly dustproof: MilestoneId | null;
  readonly rateNeeded: number | null;
  readonly areas: number;
  readonly given: Given;
  readonly batches: readonly Batch[];
}
/**
 * The last steps of each pass. The first look and the plan, and the plan of the next temperature that is pulled, mostly
 * stand on the same amounts: their steps are the same, too.
 */
const lastSteps = new WeakMap<Piece, { readonly of: StepsAsk; readonly steps: ReadySteps }>();

/** Amounts at one hour. */
type Amounts = ReturnType<typeof mixAt> & { readonly batches: readonly Batch[]; readonly given: Given };

/** The first look at the amounts of a pass, with the clocks it asked. */
interface Look {
  readonly of: RepairAsk;
  readonly reachOf: Ask;
  readonly amounts: Amounts;
}
/** The last first looks: who asks for the preparation of a repair alone and who plans it begin with the same one. */
const lastLooks = new WeakMap<Piece, Look>();

/** A pass with all that its steps are laid out from. */
export interface ReadyPass {
  readonly plan: RepairPlan;
  readonly sheet: SheetRevision;
  readonly method: Method;
  /** With its batches. */
  readonly context: StepContext;
  readonly reachOf: Ask;
  readonly shares: readonly PotShare[];
  /** Everything up to the last of the wet work and the holding, and what comes once it has set. */
  readonly wet: readonly StepDraft[];
  readonly finish: readonly StepDraft[];
}

/** Where a pass stands in its chain while it is prepared. */
export interface PassPlace {
  /** The pass below as laid out so far; null for the first. */
  readonly below: Laying | null;
  /** The earliest it can begin; null for the first of a chain. */
  readonly readyMs: number | null;
  /** What the face of the pass below bears not until it has set. */
  readonly keepsOff?: 'all' | 'dust' | null;
  /** What lies on that face by then, and nothing of the pass below takes off. */
  readonly found?: Found | null;
  /** A press that goes on the face of another pass. */
  readonly onFace: boolean;
  /** Amounts as at the first guess of the hour: for who asks for what comes before the mixing alone. */
  readonly roughly?: boolean;
}

/**
 * Prepares a pass as far as what is known allows: its void, its amounts, its steps without their times. What is missing
 * or impossible is said by stage, never thrown.
 * @returns the plan as far as it goes, and what it is laid out from where that is all there
 */
export function preparePass(
  ask: RepairAsk,
  place: PassPlace,
): { readonly plan: RepairPlan; readonly ready: ReadyPass | null } {
  const { repair, actuals } = ask;
  let sheet = ask.sheet;
  const empty = nothing(repair);
  const only = (plan: RepairPlan) => ({ plan, ready: null });
  const known = attempt(() => methodHere(repair));
  if (!known.ok) return only({ ...empty, open: { inspect: [known.problem.sentence] } });
  const method = known.value;
  const unanswered = unansweredOf(method, { repair, onFace: place.onFace });
  const open: Record<string, readonly Said[]> = {};
  const problems: (Problem & { stage: 'measure' | 'material' | 'mix' | 'place' })[] = [];
  if (unanswered.length) open.inspect = unanswered.map(askOf);

  let measured: VoidResult | null = null;
  if (!repair.void) open.measure = [OPEN.shape()];
  else {
    const missing = unmeasuredIn(repair.void);
    // What is taken of another pass is measured there; only how thick it lies on that is its own.
    const isOwn = repair.takes.from === 'own';
    const own = isOwn ? missing : missing.filter((d) => d.key === 'thickness');
    if (missing.length)
      open.measure = [
        ...own.map((d) => (isOwn ? d.label : OPEN['how-thick']())),
        ...(own.length < missing.length ? [OPEN.below()] : []),
      ];
    else {
      const tried = attempt(() => measureVoid(repair.void!));
      if (tried.ok) measured = tried.value;
      else problems.push({ ...tried.problem, stage: 'measure' });
    }
  }
  if (sheet) {
    const here = attempt(() => sheetHere(ask.sheet!, ask));
    if (here.ok) sheet = withOwnLife(withFace(here.value, method, ask), repair);
    else
      problems.push({
        ...here.problem,
        stage: here.problem.field === 'dosePct' || here.problem.field === 'blend' ? 'mix' : 'material',
      });
  }
  const printed = sheet ? (sheet.kits.find((k) => k.id === repair.kitId) ?? sheet.kits[0] ?? null) : null;
  const kit = printed && kitAsChosen(printed, method, repair.schools);
  if (!sheet) open.material = [OPEN.system()];
  // Asked of the sheet as typed: what thickens a liquid is no reason against it.
  else if (!isTaken(method, ask.sheet!))
    problems.push({
      stage: 'material',
      field: 'sheetId',
      value: sheet.kind,
      allowed: [...method.takes.flow, ...method.takes.out, ...method.takes.binder].join(', '),
      sentence: REFUSED['does-not-serve']({ sheet: sheet.name, method: method.label }),
    });
  const main = repair.void?.shapes[0];
  if (measured && main && !method.shapes.includes(main.shape))
    problems.push({
      stage: 'measure',
      field: 'shapes.0.shape',
      value: main.shape,
      allowed: method.shapes.map((id) => SHAPES[id].label).join(', '),
      sentence: REFUSED['not-planned-over']({ method: method.label, shape: SHAPES[main.shape].label.toLowerCase() }),
    });
  const base: RepairPlan = {
    ...empty,
    method,
    sheet,
    kit,
    open,
    problems,
    unanswered,
    void: measured,
    thermal: ask.thermal,
  };
  if (!measured || !sheet || !kit || problems.length) {
    open.mix = [
      ...(measured ? [] : [OPEN['not-measured']()]),
      ...(sheet && kit ? [] : [OPEN['no-system']()]),
      // What stands against it at an earlier stage is told here as well: nothing is just not there.
      ...problems.filter((p) => p.stage !== 'mix').map((p) => p.sentence),
    ];
    open.place = open.mix;
    return only(base);
  }

  const choices = attempt(() => ({
    effects: effectsOf(method, repair.schools, sheet),
    settings: settingsOf(method, repair, plansBy(BY_SYSTEM, actuals) ? sheet : null),
  }));
  if (!choices.ok) return only({ ...base, problems: [...problems, { ...choices.problem, stage: 'mix' }] });
  const { effects } = choices.value;
  sheet = sheetWorked(sheet, method, repair, effects, measured.nominalMl);
  const chosen: MethodContext = {
    params: method.params ?? {},
    areas: 1,
    sheet,
    ingredients: ingredientsOf(ask.sheet!, repair),
    instrument: instrumentOf(repair, measuresByCup(actuals) ? sheet : null),
    kitMl: staysWhole(kit, effects.split) ? plannedKitMl(sheet, kit) : null,
    void: repair.void!,
    unlikeAsOne: unlikeAsOne(actuals),
    bedAsMeasured: bedAsMeasured(actuals),
    jointAsMeasured: jointAsMeasured(actuals),
    measured,
    settingOut: repair.settingOut,
    base: repair.base.material,
    liftMm: repair.liftMm,
    grits: repair.grits,
    crew: repair.crew,
    onFace: place.onFace,
    mixerOn: ask.mixerOn ?? null,
    ...choices.value,
  };
  // What cannot be parted into lifts has neither amounts nor steps.
  const parted = attempt(() => ENGINES[method.engine].portions(chosen));
  if (!parted.ok) return only({ ...base, problems: [...problems, { ...parted.problem, stage: 'mix' }] });
  let reachOf = asker(sheet, ask.thermal);
  // Amounts depend on the pot's temperature, that on the hour, the hour on the steps before mixing. A first look lays
  // out no more than those; the second has the hour they lead to.
  const guess = place.readyMs ?? Math.max(beginsFrom(ask), repair.plannedStart === null ? (actuals.startedAt ?? 0) : 0);
  const prepare = (atMs: number): Amounts => {
    const dayMin = dayMinOf(ask.windows, plansBy(BY_WHOLE_DAY, actuals) ? oncePerDayMin(method, chosen) : 0);
    const { mix, ...rest } = withoutLastPack({ method, chosen, repair, actuals }, (c, happened) =>
      mixAt(c, method, repair, kit, ask.thermal, reachOf, atMs, happened, ask.pots, dayMin, ask.sheet),
    );
    const all = withMoreMixed(mix, sheet, actuals);
    return { ...rest, ...all, batches: calledByPlaces(all.batches, chosen.void, rest.areas) };
  };
  /** The figures of the method as they are planned with: a rate of our own gives way to what a whole kit needs. */
  const contextOf = ({
    mix: { rateNeeded },
    areas,
    given,
  }: Pick<Amounts, 'mix' | 'areas' | 'given'>): MethodContext => {
    const pace = ENGINES[method.engine].pace?.(chosen);
    const raised = rateNeeded === null || !pace ? {} : { [pace.setting]: rateNeeded / pace.mlPerMin };
    const figures = { ...given, ...raised };
    const here = areas === 1 ? chosen : { ...chosen, areas };
    return Object.keys(figures).length ? { ...here, settings: { ...here.settings, ...figures } } : here;
  };
  const dustproof = place.keepsOff ? bearsFrom(place.below, repair) : null;
  const stepsFor = ({ batches, ...of }: Amounts) => {
    const here = contextOf(of);
    const portions = ENGINES[method.engine].portions(here);
    const context: StepContext = { ...here, ...stepsBegun(actuals), batches, portions };
    const made = withStand(stepsOf(method, context), method, context);
    const drafts = withTrouble(
      place.found ? onFound(made, place.found, method, context) : made,
      method,
      context,
      actuals,
    );
    return { context, drafts: dustFree(gated(drafts, repair, place.below), dustproof, place.keepsOff === 'dust') };
  };
  const steps = (prepared: ReturnType<typeof prepare>): ReadySteps => {
    const of: StepsAsk = {
      sheet: chosen.sheet,
      actuals,
      onFace: place.onFace,
      mixerOn: ask.mixerOn,
      gated: place.below !== null,
      found: place.found ?? null,
      dustproof,
      rateNeeded: prepared.mix.rateNeeded,
      areas: prepared.areas,
      given: prepared.given,
      batches: prepared.batches,
    };
    const last = lastSteps.get(repair);
    if (last && dequal(last.of, of)) return last.steps;
    const made = stepsFor(prepared);
    lastSteps.set(repair, { of, steps: made });
    return made;
  };
  const lay = (prepared: ReturnType<typeof prepare>, drafts: readonly StepDraft[], context: StepContext) =>
    layingOf({
      ask,
      sheet,
      method,
      context,
      reachOf,
      shares: sharesOf(sheet!, prepared),
      lastBatch: lastOf(drafts),
      hands: ask.hands.fork(),
      below: place.below,
    });
  const mixed = attempt(() => {
    // How fast a pot follows the air is a matter of its mass, and that of its time: the smallest batch of a first look
    // decides.
    const alone = place.below === null && place.readyMs === null && !place.onFace;
    const known = alone ? lastLooks.get(repair) : undefined;
    const seen = known && sameAsk(known.of, ask) && known.of.actuals === actuals ? known : null;
    if (seen) reachOf = seen.reachOf;
    const rough = seen?.amounts ?? prepare(guess);
    if (alone && !seen) lastLooks.set(repair, { of: ask, reachOf, amounts: rough });
    const follows = ask.thermal.potHeld && !staysHotter(ask.thermal);
    if (follows && rough.batches.length)
      reachOf = asker(sheet!, ask.thermal, Math.min(...rough.batches.map((b) => vesselMassG(sheet!, b))));
    const first = follows && actuals.usableMin === null ? prepare(guess) : rough;
    if (actuals.usableMin !== null || place.roughly) return first;
    const look = attempt(() => {
      const { context, drafts } = steps(first);
      const laying = lay(first, drafts, context);
      laying.run(drafts, { toMixing: true, ...(place.readyMs === null ? {} : { readyMs: place.readyMs }) });
      return laying.steps.find((s) => s.marks?.begin?.includes('mix-begins'));
    });
    const mixing = look.ok ? look.value : undefined;
    return !mixing || Math.abs(mixing.startMs - guess) < 10 * MIN_MS ? first : prepare(mixing.startMs);
  });
  if (!mixed.ok) return only({ ...base, context: chosen, problems: [...problems, { ...mixed.problem, stage: 'mix' }] });
  const { untold, areas, given, ...amounts } = mixed.value;
  const { context, drafts } = steps(mixed.value);
  const plan: RepairPlan = { ...base, context: contextOf(mixed.value), ...amounts };
  // Amounts stand whatever the pot does; when it may be placed is told once somebody can say how long it lives.
  if (untold) return only({ ...plan, problems: [...problems, { ...untold, stage: 'mix' }] });
  const isFinish = (d: StepDraft) => d.block === 'finish' || d.block.startsWith('finish/');
  return {
    plan,
    ready: {
      plan,
      sheet,
      method,
      context,
      reachOf,
      shares: sharesOf(sheet, mixed.value),
      wet: drafts.filter((d) => !isFinish(d)),
      finish: drafts.filter(isFinish),
    },
  };
}

const lastOf = (drafts: readonly StepDraft[]): number => Math.max(0, ...drafts.map((d) => d.batch ?? 0));
