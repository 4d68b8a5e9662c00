import { ENGINES, effectsOf, type MethodContext, methodOf, stepsOf } from '../method';
import { type Batch, type MixResult, massOf, topUp } from '../mix';
import { attempt, type Problem } from '../units';
import { measureVoid, SHAPES, unmeasuredIn, type VoidResult } from '../void';
import type { Repair } from './job';
import { derive, layOut, withStand, withTrouble } from './lay-out';
import type { PotShare } from './milestone-times';
import { mixAt, sheetHere } from './mix-here';
import { asker, staysHotter } from './reach-try';
import { type PotEstimate, type RepairAsk, type RepairPlan, settingsOf } from './repair-plan';

const MIN_MS = 60_000;

/** What a repair still is before anything is known of it. */
function nothing(repair: Repair): RepairPlan {
  return {
    repairId: repair.id,
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
  };
}

/** Share of the pot life left to each batch by its own mass. */
const sharesOf = ({ batches, pot }: { batches: readonly Batch[]; pot: PotEstimate | null }): readonly PotShare[] =>
  pot ? batches.map((b) => ({ massG: massOf(b.massG), share: pot.shareOf(massOf(b.massG)) ?? 1, referenceG: pot.referenceG })) : [];

/** Plans one repair as far as what is known allows; what is missing or impossible is said by stage, never thrown. */
export function planRepair(ask: RepairAsk): RepairPlan {
  const { repair, actuals } = ask;
  let sheet = ask.sheet;
  const method = methodOf(repair.method.id) ?? null;
  const empty = nothing(repair);
  if (!method) return { ...empty, open: { inspect: [`The method “${repair.method.id}” is not known here.`] } };
  const unanswered = method.questions.filter((q) => repair.answers[q.id] === undefined);
  const open: Record<string, readonly string[]> = {};
  const problems: (Problem & { stage: 'measure' | 'material' | 'mix' | 'place' })[] = [];
  if (unanswered.length) open.inspect = unanswered.map((q) => q.ask);

  let measured: VoidResult | null = null;
  if (!repair.void) open.measure = ['Choose the shape of the void.'];
  else {
    const missing = unmeasuredIn(repair.void);
    if (missing.length) open.measure = missing;
    else {
      const tried = attempt(() => measureVoid(repair.void!));
      if (tried.ok) measured = tried.value;
      else problems.push({ ...tried.problem, stage: 'measure' });
    }
  }
  if (sheet) {
    const here = attempt(() => sheetHere(ask.sheet!, ask));
    if (here.ok) sheet = here.value;
    else problems.push({ ...here.problem, stage: here.problem.field === 'dosePct' || here.problem.field === 'blend' ? 'mix' : 'material' });
  }
  const kit = sheet ? (sheet.kits.find((k) => k.id === repair.kitId) ?? sheet.kits[0] ?? null) : null;
  if (!sheet) open.material = ['Choose a system from the shelf.'];
  else if (!method.kinds.includes(sheet.kind))
    problems.push({
      stage: 'material',
      field: 'sheetId',
      value: sheet.kind,
      allowed: method.kinds.join(', '),
      sentence: `${sheet.name} does not serve “${method.label}”. Choose another system.`,
    });
  const main = repair.void?.shapes[0];
  if (measured && main && !method.shapes.includes(main.shape))
    problems.push({
      stage: 'measure',
      field: 'shapes.0.shape',
      value: main.shape,
      allowed: method.shapes.map((id) => SHAPES[id].label).join(', '),
      sentence: `“${method.label}” is not planned over ${SHAPES[main.shape].label.toLowerCase()}. The volume stands; choose another method, or another shape as the first.`,
    });
  const base: RepairPlan = { ...empty, method, sheet, kit, open, problems, unanswered, void: measured, thermal: ask.thermal };
  if (!measured || !sheet || !kit || problems.length) {
    open.mix = [...(measured ? [] : ['The void must be measured.']), ...(sheet && kit ? [] : ['A system must be chosen.'])];
    open.place = open.mix;
    return base;
  }

  const choices = attempt(() => ({ effects: effectsOf(method, repair.schools), settings: settingsOf(method, repair) }));
  if (!choices.ok) return { ...base, problems: [...problems, { ...choices.problem, stage: 'mix' }] };
  const chosen: MethodContext = {
    sheet,
    void: repair.void!,
    measured,
    settingOut: repair.settingOut,
    base: repair.base.material,
    liftMm: repair.liftMm,
    crew: repair.crew,
    ...choices.value,
  };
  let reachOf = asker(sheet, ask.thermal);
  // Amounts depend on the pot's temperature, that on the hour, the hour on the steps before mixing. A first look lays out no more
  // than those; the second has the hour they lead to.
  const guess = repair.plannedStart ?? Math.max(ask.job.startFrom, actuals.startedAt ?? ask.nowMs);
  const prepare = (atMs: number) => {
    const { mix, ...rest } = mixAt(chosen, method, repair, kit, ask.thermal, reachOf, atMs, actuals, ask.pots);
    const batches: Batch[] = [...mix.batches];
    for (const ml of actuals.topUpsMl) batches.push(topUp(mix, sheet, batches.length, ml));
    return { mix, ...rest, batches };
  };
  /** The figures of the method as they are planned with: a rate of our own gives way to what a whole kit needs. */
  const contextOf = ({ rateNeeded }: { readonly rateNeeded: number | null }): MethodContext =>
    rateNeeded === null ? chosen : { ...chosen, settings: { ...chosen.settings, rate: rateNeeded } };
  const draft = ({ mix, batches }: { readonly mix: MixResult; readonly batches: readonly Batch[] }) => {
    const context = contextOf(mix);
    return withTrouble(
      withStand(stepsOf(method, { ...context, batches, portions: ENGINES[method.engine].portions(context) }), sheet),
      actuals,
    );
  };
  const mixed = attempt(() => {
    // How fast a pot follows the air is a matter of its mass, and that of its time: the smallest batch of a first look decides.
    const rough = prepare(guess);
    const follows = ask.thermal.potHeld && !staysHotter(ask.thermal);
    if (follows && rough.batches.length) reachOf = asker(sheet!, ask.thermal, Math.min(...rough.batches.map((b) => massOf(b.massG))));
    const first = follows && actuals.usableMin === null ? prepare(guess) : rough;
    if (actuals.usableMin !== null) return first;
    const look = attempt(() => layOut(ask, draft(first), sheet, chosen, reachOf, sharesOf(first), true));
    const mixing = look.ok ? look.value.steps.find((s) => s.marks?.begin?.includes('mix-begins')) : undefined;
    return !mixing || Math.abs(mixing.startMs - guess) < 10 * MIN_MS ? first : prepare(mixing.startMs);
  });
  if (!mixed.ok) return { ...base, context: chosen, problems: [...problems, { ...mixed.problem, stage: 'mix' }] };
  const context = contextOf(mixed.value.mix);
  const result: RepairPlan = { ...base, context, ...mixed.value };
  const laid = attempt(() => layOut(ask, draft(mixed.value), sheet, context, reachOf, sharesOf(mixed.value)));
  if (!laid.ok) return { ...result, problems: [...problems, { ...laid.problem, stage: 'place' }] };
  return { ...result, ...derive(ask, laid.value, sheet) };
}
