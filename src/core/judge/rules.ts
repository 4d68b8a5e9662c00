import { DateTime, IANAZone } from 'luxon';
import { extremes, humidityOf, type Series, valueAt } from '../climate';
import { sheetFlaws } from '../cure';
import { primerDraw } from '../method';
import { ASSUMED_TOLERANCE_PCT, scaleErrorPct, smallestBatchAG } from '../mix';
import { type Actuals, type Job, passes, type Repair, type RepairPlan } from '../plan';
import { proportionOf, type SheetRevision, SYSTEM_KINDS } from '../system';
import { attempt, figure, formatDuration } from '../units';
import {
  type Annulus,
  type BondLine,
  blankSettingOut,
  disagreements,
  halfWidthMm,
  oddReadings,
  SHAPES,
  settingOutMissing,
  settingOutProblems,
} from '../void';
import type { Finding } from './finding';

/** What the rules see. They change nothing. */
export interface JudgeContext {
  readonly job: Job;
  readonly repair: Repair;
  readonly plan: RepairPlan;
  readonly actuals: Actuals;
  readonly sheets: readonly SheetRevision[];
  readonly nowMs: number;
}

type Rule = (c: JudgeContext) => readonly Finding[];
const finding = (
  id: string,
  severity: Finding['severity'],
  stage: Finding['stage'],
  title: string,
  why: string,
  todo: string,
): Finding => ({ id, severity, stage, title, why, todo });
const deg = (c: number) => `${c.toFixed(1)} °C`;
const at = (c: JudgeContext, ms: number) => DateTime.fromMillis(ms, { zone: IANAZone.create(c.job.zone) }).toFormat('ccc HH:mm');

/** Stretch in which material is placed: first mixing to last placing. */
const placing = (plan: RepairPlan): { fromMs: number; toMs: number } | null => {
  const from = plan.steps.find((s) => s.marks?.begin?.includes('mix-begins'))?.startMs;
  return from === undefined || plan.placedMs === null ? null : { fromMs: from, toMs: Math.max(plan.placedMs, from + 1) };
};
const rangeOver = (series: Series, w: { fromMs: number; toMs: number }) => attempt(() => extremes(series, w.fromMs, w.toMs));

/** The table of rules. Each reads the plan and returns what it noticed. */
export const RULES: Readonly<Record<string, Rule>> = {
  inspection: ({ repair, plan }) =>
    (plan.method?.questions ?? []).flatMap((q) => {
      const answer = repair.answers[q.id];
      if (answer === undefined || passes(q, answer)) return [];
      const { severity, title, why, todo } = q.otherwise;
      return [finding(`inspection:${q.id}`, severity, 'inspect', answer === 'unsure' ? `${title}? Not sure` : title, why, todo)];
    }),

  'base-material': ({ repair, plan }) => {
    const out: Finding[] = [];
    const { method, sheet } = plan;
    if (method && !method.bases.includes(repair.base.material))
      out.push(
        finding(
          'base-material:method',
          'stop',
          'inspect',
          `${method.label} is not for ${repair.base.material}`,
          `The method is made for ${method.bases.join(' or ')}.`,
          'Choose another method, or correct the base.',
        ),
      );
    if (sheet?.limits.bases.length && !sheet.limits.bases.includes(repair.base.material))
      out.push(
        finding(
          'base-material:sheet',
          'stop',
          'material',
          `The sheet does not name ${repair.base.material}`,
          `${sheet.name} is for ${sheet.limits.bases.join(', ')}.`,
          'Choose another system, or get the maker’s word in writing.',
        ),
      );
    return out;
  },

  'base-age': ({ job, repair, plan }) => {
    const need = plan.sheet?.limits.baseAgeMinDays;
    if (!need || repair.base.material !== 'concrete') return [];
    if (!repair.base.castOn)
      return [
        finding(
          'base-age:unknown',
          'caution',
          'inspect',
          'Age of the concrete not noted',
          `The sheet asks for ${need} days.`,
          'Note when it was cast; old concrete: any date long past.',
        ),
      ];
    const cast = DateTime.fromISO(repair.base.castOn, { zone: job.zone });
    const allowed = cast.plus({ days: need });
    const start = plan.steps.find((s) => s.stage === 'mix')?.startMs ?? job.startFrom;
    if (allowed.toMillis() <= start) return [];
    const days = Math.floor(DateTime.fromMillis(start, { zone: job.zone }).diff(cast, 'days').days);
    return [
      finding(
        'base-age',
        'stop',
        'inspect',
        'Base younger than the sheet allows',
        `It is ${days} days old when the work begins, the sheet asks for ${need}.`,
        `Wait until ${allowed.toFormat('ccc d LLL yyyy')}, or choose a system for young concrete.`,
      ),
    ];
  },

  'bond-thickness': ({ repair, plan }) => {
    const shape = repair.void?.shapes[0];
    if (shape?.shape !== 'bondLine' || !plan.sheet || !plan.void) return [];
    const t = (shape as BondLine).thickness.valueMm;
    const { bondMinMm, bondMaxMm } = plan.sheet.limits;
    if (bondMaxMm !== null && t > bondMaxMm)
      return [
        finding(
          'bond-thickness',
          'stop',
          'measure',
          'Bond line too thick',
          `${figure(t)} mm against ${bondMaxMm} mm on the sheet.`,
          'Grind until the plate lies closer, or fill the hollow first.',
        ),
      ];
    if (bondMinMm !== null && t < bondMinMm)
      return [
        finding(
          'bond-thickness',
          'stop',
          'measure',
          'Bond line too thin',
          `${figure(t)} mm against at least ${bondMinMm} mm on the sheet.`,
          'Lay wire or beads of the right size as spacers.',
        ),
      ];
    return [];
  },

  lift: ({ plan, repair }) => {
    if (!plan.sheet || !plan.void || !plan.context || plan.method?.engine !== 'fill in lifts') return [];
    const { liftMaxMm, liftMinMm } = plan.sheet.limits;
    const depth = plan.void.faces.maxDepthMm;
    const out: Finding[] = [];
    if (liftMaxMm !== null && depth > liftMaxMm) {
      const lifts = Math.ceil(depth / liftMaxMm - 1e-9);
      out.push(
        plan.context.school('deep-fills') === 'one'
          ? finding(
              'lift:deep',
              'stop',
              'place',
              'Deeper than one pass allows',
              `${figure(depth)} mm against ${liftMaxMm} mm on the sheet: it heats itself and cracks.`,
              `Place it in ${lifts} lifts.`,
            )
          : finding(
              'lift:deep',
              'note',
              'measure',
              'Deeper than one lift allows',
              `${figure(depth)} mm against ${liftMaxMm} mm on the sheet.`,
              `Placed in ${lifts} lifts of ${figure(depth / lifts)} mm.`,
            ),
      );
    }
    if (liftMinMm !== null && depth < liftMinMm)
      out.push(
        finding(
          'lift:thin',
          'stop',
          'measure',
          'Thinner than the mortar allows',
          `${figure(depth)} mm at its deepest against at least ${liftMinMm} mm on the sheet.`,
          'Cut deeper, or choose a finer system.',
        ),
      );
    const feathered = repair.void?.shapes.some((s) => s.shape === 'patch' && s.depth.kind === 'readings' && s.depth.edge === 'feathered');
    if (feathered)
      out.push(
        finding(
          'lift:feather',
          liftMinMm ? 'stop' : 'caution',
          'measure',
          'Feathered edge',
          'Mortar run out to nothing breaks off under the first wheel.',
          'Cut the edge vertical and measure it so.',
        ),
      );
    return out;
  },

  'two-readings': ({ repair }) =>
    (repair.void ? disagreements(repair.void) : []).map(({ key, label, measured: m }) =>
      finding(
        `two-readings:${key}`,
        'caution',
        'measure',
        `Two readings of ${label.toLowerCase()} disagree`,
        `${figure(m.valueMm, 4)} mm ± ${figure(halfWidthMm(m))} and ${figure(m.again!.valueMm, 4)} mm ± ${figure(halfWidthMm(m.again!))} cannot both be right; the first is planned with.`,
        'Measure a third time and keep the one it confirms.',
      ),
    ),

  'odd-reading': ({ repair }) =>
    (repair.void?.shapes ?? []).flatMap((shape, i) => {
      if (shape.shape !== 'patch' || shape.depth.kind !== 'readings') return [];
      return oddReadings(shape.depth.readings, halfWidthMm(shape.depth.read)).map((odd) =>
        finding(
          `odd-reading:${i}.${odd.index}`,
          'caution',
          'measure',
          `Reading ${odd.index + 1} stands out`,
          `${figure(odd.depthMm)} mm where its neighbours read about ${figure(odd.aroundMm)} mm.`,
          'Read it again; if it is right, take more readings round it.',
        ),
      );
    }),

  'shape-notice': ({ repair }) =>
    (repair.void?.shapes ?? []).flatMap((shape, i) =>
      (SHAPES[shape.shape].notices?.(shape) ?? []).map((n) =>
        finding(`shape-notice:${i}.${n.id}`, n.severity, 'measure', n.title, n.why, n.todo),
      ),
    ),

  'open-back': ({ repair }) =>
    repair.void?.back === 'open'
      ? [
          finding(
            'open-back',
            'caution',
            'measure',
            'The back is open',
            'What is filled in runs out behind until it has set, and nobody sees it.',
            'Close it first; a hold point for that stands in the steps.',
          ),
        ]
      : [],

  'setting-out': ({ repair, plan }) => {
    if (!plan.method?.setsOut || !repair.void) return [];
    const { count } = repair.void;
    const first = repair.void.shapes[0];
    const sizeMm = first?.shape === 'annulus' ? first.holeDiameter.valueMm : 0;
    const missing = settingOutMissing(repair.settingOut ?? blankSettingOut(), count);
    if (!repair.settingOut || missing.length)
      return [
        finding(
          'setting-out:missing',
          'note',
          'measure',
          'Not set out yet',
          repair.settingOut
            ? `Still open: ${missing.join(', ').toLowerCase()}.`
            : 'Where it goes is not written down: datum, distances, direction, what must stay clear.',
          'Set it out under the drawing; it is checked at the hold point before drilling or grinding.',
        ),
      ];
    return settingOutProblems(repair.settingOut, count, sizeMm).map((p) =>
      finding(
        `setting-out:${p.field}`,
        'stop',
        'measure',
        'Too close',
        p.sentence,
        'Change the setting-out, or go on with the reason and the role of who answers for it.',
      ),
    );
  },

  'base-temperature': (c) => {
    const { sheet, thermal } = c.plan;
    const w = placing(c.plan);
    if (!sheet || !thermal || !w) return [];
    const out: Finding[] = [];
    const base = rangeOver(thermal.base, w);
    const air = rangeOver(thermal.air, w);
    const { baseMinC, baseMaxC, airMinC, airMaxC } = sheet.limits;
    if (base.ok && baseMinC !== null && base.value.min < baseMinC)
      out.push(
        finding(
          'base-temperature:cold',
          'stop',
          'place',
          'Base too cold to place on',
          `${deg(base.value.min)} at ${at(c, w.fromMs)}, the sheet asks for at least ${baseMinC} °C.`,
          'Start later in the day, or tent and warm the base.',
        ),
      );
    if (base.ok && baseMaxC !== null && base.value.max > baseMaxC)
      out.push(
        finding(
          'base-temperature:hot',
          'stop',
          'place',
          'Base too hot to place on',
          `${deg(base.value.max)}, the sheet allows ${baseMaxC} °C.`,
          'Shade it, or start earlier.',
        ),
      );
    if (air.ok && airMinC !== null && air.value.min < airMinC)
      out.push(
        finding(
          'air-temperature:cold',
          'stop',
          'place',
          'Air too cold',
          `${deg(air.value.min)}, the sheet asks for at least ${airMinC} °C.`,
          'Start later, or tent and heat.',
        ),
      );
    if (air.ok && airMaxC !== null && air.value.max > airMaxC)
      out.push(
        finding(
          'air-temperature:hot',
          'stop',
          'place',
          'Air too hot',
          `${deg(air.value.max)}, the sheet allows ${airMaxC} °C.`,
          'Start earlier in the day.',
        ),
      );
    return out;
  },

  dew: (c) => {
    const { sheet, thermal } = c.plan;
    const w = placing(c.plan);
    if (!sheet || !thermal || !w) return [];
    const out: Finding[] = [];
    const need = sheet.limits.dewMarginK;
    const margin = attempt(() =>
      Math.min(...[w.fromMs, (w.fromMs + w.toMs) / 2, w.toMs].map((ms) => valueAt(thermal.base, ms) - valueAt(thermal.dew, ms))),
    );
    if (need !== null && margin.ok && margin.value < need)
      out.push(
        finding(
          'dew',
          'stop',
          'place',
          'Base is wet with dew',
          `It lies ${margin.value < 0 ? `${figure(-margin.value, 2)} K under` : `only ${figure(margin.value, 2)} K above`} the dew point; ${need} K is asked for, even if it looks dry.`,
          'Start later, or warm the base under a tent.',
        ),
      );
    const max = sheet.limits.humidityMaxPct;
    const wet = attempt(() => Math.max(...[w.fromMs, w.toMs].map((ms) => humidityOf(valueAt(thermal.air, ms), valueAt(thermal.dew, ms)))));
    if (max !== null && wet.ok && wet.value > max)
      out.push(
        finding(
          'humidity',
          'caution',
          'place',
          'Air too damp',
          `${figure(wet.value)} % against ${max} % on the sheet.`,
          'Start later in the day, or warm the air under a tent.',
        ),
      );
    return out;
  },

  'material-temperature': ({ plan }) => {
    const { sheet, potC } = plan;
    if (!sheet || potC === null || !Number.isFinite(potC)) return [];
    const { materialMinC, materialMaxC } = sheet.limits;
    if (materialMinC !== null && potC < materialMinC)
      return [
        finding(
          'material-temperature',
          'caution',
          'mix',
          'Material too cold to mix',
          `${deg(potC)}, the sheet asks for at least ${materialMinC} °C.`,
          'Keep the closed packs in a warm room overnight and set that temperature here.',
        ),
      ];
    if (materialMaxC !== null && potC > materialMaxC)
      return [
        finding(
          'material-temperature',
          'caution',
          'mix',
          'Material too warm',
          `${deg(potC)}, the sheet allows ${materialMaxC} °C.`,
          'Keep it in the shade or in cool water, packs closed.',
        ),
      ];
    return [];
  },

  starved: ({ repair, plan }) => {
    const shape = repair.void?.shapes[0];
    if (shape?.shape !== 'annulus' || !plan.mix || !plan.void || plan.context?.school('filling') !== 'two-thirds') return [];
    const extra = plan.mix.lines.find((l) => l.id === 'two-thirds')?.ml ?? 0;
    return extra < 0
      ? [
          finding(
            'starved',
            'stop',
            'mix',
            'Two thirds starves this anchor',
            `The gap is ${figure(plan.void.nominalMl)} mL, two thirds of the bore ${figure(plan.void.nominalMl + extra)} mL: the rod is too thin for its hole.`,
            'Overfill and wipe, or use a closer-fitting bit.',
          ),
        ]
      : [];
  },

  'hole-gap': ({ repair, plan }) => {
    const shape = repair.void?.shapes[0];
    const reach = plan.sheet?.mixer?.reachMm;
    if (shape?.shape !== 'annulus' || !plan.void || !reach) return [];
    const deep = (shape as Annulus).holeDepth.valueMm;
    return deep > reach
      ? [
          finding(
            'hole-gap:reach',
            'caution',
            'place',
            'Nozzle does not reach the bottom',
            `The hole is ${figure(deep)} mm, the mixer reaches ${reach} mm: air stays behind the resin.`,
            'Fit an extension tube of the hole’s depth.',
          ),
        ]
      : [];
  },

  scale: ({ repair, plan }) => {
    const { sheet, mix, batches } = plan;
    if (!sheet || !mix || SYSTEM_KINDS[sheet.kind].metered || !batches.length) return [];
    if (batches.every((b) => b.kits !== null)) return [];
    const tolerance = sheet.ratio.tolerancePct ?? ASSUMED_TOLERANCE_PCT;
    const smallest = batches.reduce((a, b) => (b.massG.A < a.massG.A ? b : a));
    const error = scaleErrorPct(smallest.massG.A, smallest.massG.B, repair.scaleStepG);
    if (error <= tolerance) return [];
    const least = smallestBatchAG(smallest.massG.B / smallest.massG.A, repair.scaleStepG, tolerance);
    return [
      finding(
        'scale',
        'stop',
        'mix',
        'Scale too coarse for this batch',
        `A step of ${repair.scaleStepG} g on ${figure(smallest.massG.B)} g of B is up to ±${figure(error, 2)} %, ${sheet.ratio.tolerancePct === null ? 'assumed' : 'the sheet’s'} tolerance is ±${tolerance} %.`,
        `Use a finer scale, or mix at least ${figure(least)} g of A.`,
      ),
    ];
  },

  lean: ({ plan }) => {
    const out: Finding[] = [];
    if (plan.sheet && plan.mix && proportionOf(plan.sheet).lean)
      out.push(
        finding(
          'lean',
          'caution',
          'mix',
          'Lean mix',
          'The liquid does not fill the space between the grains: air stays in it and its volume is that of the loose sand.',
          'Check the aggregate on the sheet.',
        ),
      );
    if (plan.context && plan.method?.engine === 'fill in lifts') {
      const draw = primerDraw(plan.context);
      if (draw.share > draw.threshold && plan.context.school('draw-off') === 'computed')
        out.push(
          finding(
            'lean:draw',
            'note',
            'mix',
            'Aggregate is cut to match the primer',
            `${figure(draw.share * 100, 2)} % of the liquid is drawn off; up to ${figure(draw.threshold * 100, 2)} % the sand could stay whole.`,
            'Leave out the same share of sand from the first batch.',
          ),
        );
    }
    return out;
  },

  estimate: ({ plan }) => {
    const used = plan.milestones.filter(
      (m) => m.standing !== 'sheet' && m.planMs !== null && (m.kind === plan.serves || m.kind === 'use-by' || m.kind === 'release'),
    );
    const estimated = [...new Set(used.filter((m) => m.standing === 'estimated').map((m) => m.label.toLowerCase()))];
    const beyond = [...new Set(used.filter((m) => m.standing === 'extrapolated').map((m) => m.label.toLowerCase()))];
    return [
      ...(estimated.length
        ? [
            finding(
              'estimate',
              'note',
              'hold',
              'Estimated, not the sheet’s word',
              `The sheet gives one figure for ${estimated.join(' and ')}; away from its temperature it is carried by the family’s activation energy ± 10 kJ/mol.`,
              'Prove it by touch and by the left-over cup before release.',
            ),
          ]
        : []),
      ...(beyond.length
        ? [
            finding(
              'extrapolated',
              'caution',
              'hold',
              'Beyond the sheet’s points',
              `The temperature runs past the outer points of the sheet for ${beyond.join(' and ')}.`,
              'Prove it by touch and by the left-over cup before release.',
            ),
          ]
        : []),
    ];
  },

  'no-answer': ({ plan }) =>
    plan.milestones
      .filter((m) => m.problem && m.originMs !== null && (m.kind === plan.serves || m.kind === 'release' || m.kind === 'gel'))
      .map((m) =>
        finding(
          `no-answer:${m.kind}`,
          m.kind === plan.serves ? 'stop' : 'caution',
          'hold',
          `No time for ${m.label.toLowerCase()}`,
          m.problem!,
          'Warm the place, start at a warmer hour, or choose a system whose sheet covers it.',
        ),
      ),

  stall: (c) => {
    const m = c.plan.milestones.find((x) => x.kind === c.plan.serves);
    if (!m?.stalls.length) return [];
    const total = m.stalls.reduce((s, x) => s + (x.toMs - x.fromMs) / 60_000, 0);
    const first = m.stalls[0]!;
    return [
      finding(
        'stall',
        'caution',
        'hold',
        `The clock stands still for ${formatDuration(total)}`,
        `From ${at(c, first.fromMs)} the base is under ${c.plan.sheet?.limits.cureMinC} °C and nothing cures.`,
        'Cover and warm the place for the night, or start earlier in the day.',
      ),
    ];
  },

  'amine-film': (c) => {
    const { sheet, thermal, placedMs } = c.plan;
    if (sheet?.family !== 'resin-amine' || !thermal || placedMs === null) return [];
    const until = c.plan.milestones.find((m) => m.kind === 'sandable' || m.kind === 'release')?.planMs ?? placedMs + 12 * 3_600_000;
    for (let ms = placedMs; ms <= until; ms += 30 * 60_000) {
      const here = attempt(() => ({ base: valueAt(thermal.base, ms), dew: valueAt(thermal.dew, ms), air: valueAt(thermal.air, ms) }));
      if (!here.ok) return [];
      const { base, dew, air } = here.value;
      const wet = humidityOf(air, dew) > 80;
      if (base < 10 || base - dew < 3 || wet)
        return [
          finding(
            'amine-film',
            'caution',
            'finish',
            'A greasy film may form',
            `From ${at(c, ms)} ${base < 10 ? `the base is ${deg(base)}, under 10 °C` : base - dew < 3 ? `the base lies ${figure(base - dew, 2)} K above the dew point` : `the air is above 80 % damp`} before it is hard.`,
            'Wash with warm water and abrade before any next layer, even inside the recoat window.',
          ),
        ];
    }
    return [];
  },

  recoat: (c) =>
    c.plan.steps
      .filter((s) => s.lateFor)
      .map((s) =>
        finding(
          `late:${s.id}`,
          s.lateFor === 'open' ? 'stop' : 'caution',
          'place',
          s.lateFor === 'open' ? 'Open time is over before the joint closes' : 'Next lift comes after the recoat window',
          s.lateFor === 'open' ? 'A skin has formed and does not wet the other face.' : `It could begin at ${at(c, s.startMs)} only.`,
          s.lateFor === 'open'
            ? 'Smaller batches, more hands, or a cooler hour.'
            : 'Wash and abrade the last lift first; the step says so.',
        ),
      ),

  'primer-dry': (c) => {
    const wet = c.plan.milestones.find((m) => m.kind === 'primer-wet');
    const primed = c.plan.steps.find((s) => s.id.endsWith(':prime'));
    const first = primed && c.plan.steps.find((s) => s.stage === 'place' && s.startMs >= primed.endMs && s.marks?.end?.includes('placed'));
    const min = wet?.planMs && wet.originMs ? wet.planMs - wet.originMs : null;
    return primed && first && min !== null && first.startMs - primed.endMs > min
      ? [
          finding(
            'primer-dry',
            'stop',
            'place',
            'The primer dries before the mortar comes',
            `It stays wet for ${formatDuration(min / 60_000)}.`,
            'Prime later, or in smaller areas.',
          ),
        ]
      : [];
  },

  'fixed-wait': ({ plan }) => {
    if (plan.context?.school('waiting') !== 'fixed') return [];
    const m = plan.milestones.find((x) => x.kind === plan.serves);
    return m?.planMs && plan.habitMs !== null && m.planMs > plan.habitMs
      ? [
          finding(
            'fixed-wait',
            'stop',
            'hold',
            '24 hours is too early here',
            `Computed from the temperature it takes ${formatDuration((m.planMs - plan.habitMs) / 60_000)} longer.`,
            'Wait the computed time.',
          ),
        ]
      : [];
  },

  deadline: ({ plan }) =>
    plan.inHandMin !== null && plan.inHandMin < 0
      ? [
          finding(
            'deadline',
            'caution',
            'release',
            `${formatDuration(-plan.inHandMin)} short of the wanted reopening`,
            'Computed with the long end of the sheet’s range on the base’s own temperature.',
            'Start earlier, tent and warm the base, choose a faster system on the shelf, or move the reopening.',
          ),
        ]
      : [],

  overrun: ({ plan }) =>
    plan.overruns
      ? [
          finding(
            'overrun',
            'caution',
            'place',
            'Longer than a working day',
            'One block of work must not be interrupted and does not fit into the working hours.',
            'Widen the working hours for that day, add hands, or split the repair.',
          ),
        ]
      : [],

  review: ({ repair, plan, actuals }) => {
    const needs = plan.method?.review ?? (repair.safety.class === 'review' ? repair.safety.why || 'It was marked so.' : null);
    return needs && !actuals.reviewed
      ? [
          finding(
            'review',
            'caution',
            'release',
            'Needs a competent person’s review',
            `${needs} The figures here never replace that review, the sheet, the local code or licensed practice.`,
            'Have it reviewed before it is released; role and time are kept.',
          ),
        ]
      : [];
  },

  sheet: ({ plan, sheets }) => {
    const { sheet } = plan;
    if (!sheet) return [];
    const newer = sheets.find((s) => s.systemId === sheet.systemId && s.revision > sheet.revision);
    return [
      ...sheetFlaws(sheet).map((p, i) =>
        finding(
          `sheet:flaw:${i}`,
          'caution',
          'material',
          'The sheet looks mistyped',
          p.sentence,
          'Compare with the maker’s sheet and make a new revision.',
        ),
      ),
      ...(newer
        ? [
            finding(
              'sheet:newer',
              'note',
              'material',
              'A newer revision of this sheet is on the shelf',
              `This repair was planned with revision ${sheet.revision}; revision ${newer.revision} exists.`,
              'Choose it in Material if the plan should move to it.',
            ),
          ]
        : []),
    ];
  },
};
