'use client';
import { type Option, type Setting, type Stage, usualOption } from '@/core/method';
import { pacedAmounts, pacedMinutes, pieceName, plannedOtherwise, schoolsOf, settingOf } from '@/core/plan';
import type { PassView, RepairView } from '@/core/record';
import { isMetered } from '@/core/system';
import { isPacedKind, PACED_KINDS } from '@/core/typed';

import { format, formatDuration, joined, phrase, readPaced } from '@/words';
import { usePrefs } from '../workspace/prefs';
import { changePass } from '../workspace/workspace';
import { Choice } from './bits';
import { QuantityField, type Typed } from './QuantityField';

/** The schools of a stage as real choices, each with the sentence on when it fits. */
export function Schools({ at, stage }: { at: PassView; stage: Stage }) {
  const { method, kit, sheet } = at.plan;
  const pressed = sheet !== null && isMetered(sheet.kind);
  const idle = (o: Option) => (kit && o.idle?.where(kit) ? o.idle.why : null);
  const mine = method?.schools.filter((s) => s.stage === stage && !(s.ofPots && pressed)) ?? [];
  if (!method || !mine.length) return null;
  const chosen = schoolsOf(method, at.repair, sheet);
  return (
    <div className="flex flex-col gap-2.5 mt-2">
      {mine.map((school) => {
        const option = school.options.find((o) => o.id === chosen[school.id]);
        return (
          <div key={school.id}>
            <Choice
              label={school.matter}
              options={school.options.map((o) => ({
                id: o.id,
                label: o.label,
                title: idle(o) ?? o.fits,
                idle: idle(o) !== null,
              }))}
              value={chosen[school.id]}
              onChange={(id) => changePass(at.repair, (r) => ({ ...r, schools: { ...r.schools, [school.id]: id } }))}
            />
            {school.options.flatMap((o) =>
              idle(o) === null ? [] : [<p key={o.id} className="text-sm">{phrase`Not “${o.label}”: ${idle(o)}`}</p>],
            )}
            <p className="soft text-sm mt-0.5">
              {option ? phrase`Fits ${option.fits}. ` : ''}
              {chosen[school.id] === usualOption(school, sheet)
                ? school.why
                : phrase`The usual choice is “${
                    school.options.find((o) => o.id === usualOption(school, sheet))?.label
                  }”: ${school.why}`}
            </p>
          </div>
        );
      })}
    </div>
  );
}

/** Figures of the method that the technician may set. */
export function Settings({ at, stage, auto }: { at: PassView; stage: Stage; auto?: Record<string, number> }) {
  const { method } = at.plan;
  const effects = at.plan.context?.effects;
  const { void: measured } = at.repair;
  const isAsked = ({ when, openIn, stage: of }: Setting) =>
    of === stage && (!when || !effects || when(effects, at.plan.sheet)) && (!openIn || !measured || openIn(measured));
  const mine = method?.settings.filter(isAsked) ?? [];
  if (!method || !mine.length) return null;
  const shown = (s: Setting): number | null => {
    const value = settingOf(method, at.repair, s.id, at.plan.sheet);
    // Less than nothing stands for what is worked out elsewhere.
    return value < 0 && auto && Object.hasOwn(auto, s.id) ? auto[s.id]! : value;
  };
  return (
    <div className="grid grid-cols-2 gap-2 mt-2">
      {mine.map((s) => (
        <SettingField key={s.id} at={at} setting={s} value={shown(s)} />
      ))}
    </div>
  );
}

/** What is chosen and set in a stage that shows the whole repair: pass by pass, each under its name. */
export function ChoicesOfAll({
  whole,
  stage,
  auto,
}: {
  whole: RepairView;
  stage: Stage;
  auto?: Record<string, number>;
}) {
  const mine = whole.passes.filter(({ plan: { method } }) =>
    [...(method?.settings ?? []), ...(method?.schools ?? [])].some((x) => x.stage === stage),
  );
  return mine.map((p) => (
    <section key={p.repair.passId}>
      {whole.passes.length > 1 && (
        <h3 className="font-bold mt-3">{pieceName(p.repair, whole.draft.chain.indexOf(p.repair.passId))}</h3>
      )}
      <Settings at={p} stage={stage} {...(auto ? { auto } : {})} />
      <Schools at={p} stage={stage} />
    </section>
  ));
}

/** One figure of the method. @param own what was chosen, or what is usual */
export function SettingField({ at, setting, value: own }: { at: PassView; setting: Setting; value: number | null }) {
  const system = usePrefs((p) => p.system);
  const shown = (v: number) => format(setting.kind, v, system).text;
  const write = (v: number) =>
    changePass(at.repair, (r) => ({ ...r, settings: { ...r.settings, [setting.id]: v } }), setting.id);
  const check = (v: number) =>
    v < setting.min || v > setting.max
      ? phrase`Must lie between ${shown(setting.min)} and ${shown(setting.max)}.`
      : null;
  const { kind } = setting;
  const needed = own === null ? null : plannedOtherwise(at.plan, at.repair, setting.id, own);
  const value = needed ?? own;
  const amounts = isPacedKind(kind) ? pacedAmounts(at.plan, setting) : null;
  const plain = { kind, label: setting.label, value, check, onChange: (t: Typed) => write(t.value) };
  if (!isPacedKind(kind) || !amounts)
    return needed === null || own === null ? (
      <QuantityField {...plain} />
    ) : (
      <div>
        <QuantityField {...plain} />
        <p className="soft text-sm mt-0.5">
          {needed < own
            ? phrase`So that no further pack is opened for it; the usual is ${shown(own)}.`
            : phrase`So that the last pack is used up; the usual is ${shown(own)}.`}
        </p>
      </div>
    );
  const field = <QuantityField {...plain} digits={4} read={(text, units) => readPaced(kind, text, units, amounts)} />;
  if (value === null || !(value > 0)) return field;
  const { place, m, ft, m2, ft2, all } = pacedMinutes(amounts, kind, value);
  const [run, face] = system === 'us' ? [ft, ft2] : [m, m2];
  const told = [
    place !== null && phrase`${formatDuration(place)} each`,
    run !== null && (system === 'us' ? phrase`${formatDuration(run)} a foot` : phrase`${formatDuration(run)} a metre`),
    // A rate of areas says that itself.
    face !== null &&
      !PACED_KINDS[kind].ofAreas &&
      (system === 'us'
        ? phrase`${formatDuration(face)} a square foot`
        : phrase`${formatDuration(face)} a square metre`),
    all !== null && phrase`${formatDuration(all)} in all`,
  ].filter((words) => words !== false);
  return (
    <div>
      {field}
      <p className="soft text-sm mt-0.5" data-testid={`pace-${setting.id}`}>
        {phrase`One pair of hands: ${joined(told, ', ')}.`}
        {needed !== null && own !== null && <> {phrase`As its pack needs it; the usual is ${shown(own)}.`}</>}
      </p>
    </div>
  );
}
