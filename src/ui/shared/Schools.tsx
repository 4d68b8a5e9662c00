'use client';
import type { Setting, Stage } from '@/core/method';
import { schoolsOf, settingOf } from '@/core/plan';
import type { RepairView } from '@/core/record';
import { usePrefs } from '../workspace/prefs';
import { changeRepair } from '../workspace/workspace';
import { Choice } from './bits';
import { QuantityField } from './QuantityField';

/** The schools of a stage as real choices, each with the sentence on when it fits. */
export function Schools({ at, stage }: { at: RepairView; stage: Stage }) {
  const { method } = at.plan;
  const mine = method?.schools.filter((s) => s.stage === stage) ?? [];
  if (!method || !mine.length) return null;
  const chosen = schoolsOf(method, at.repair);
  return (
    <div className="flex flex-col gap-2.5 mt-2">
      {mine.map((school) => {
        const option = school.options.find((o) => o.id === chosen[school.id]);
        return (
          <div key={school.id}>
            <Choice
              label={school.matter}
              options={school.options.map((o) => ({ id: o.id, label: o.label, title: o.fits }))}
              value={chosen[school.id]}
              onChange={(id) => changeRepair(at.repair.id, (r) => ({ ...r, schools: { ...r.schools, [school.id]: id } }))}
            />
            <p className="soft text-sm mt-0.5">
              {option ? `Fits ${option.fits}. ` : ''}
              {chosen[school.id] === school.byDefault
                ? school.why
                : `The usual choice is “${school.options.find((o) => o.id === school.byDefault)?.label}”: ${school.why}`}
            </p>
          </div>
        );
      })}
    </div>
  );
}

const KIND = { percent: 'percent', length: 'length', duration: 'duration' } as const;
const UNIT = { rate: 'mL/min', uptake: 'mL/m²' } as const;

/** Figures of the method that the technician may set. */
export function Settings({ at, stage, auto }: { at: RepairView; stage: Stage; auto?: Record<string, number> }) {
  const { method } = at.plan;
  const mine = method?.settings.filter((s) => s.stage === stage) ?? [];
  if (!method || !mine.length) return null;
  return (
    <div className="grid grid-cols-2 gap-2 mt-2">
      {mine.map((s) => (
        <SettingField
          key={s.id}
          at={at}
          setting={s}
          value={settingOf(method, at.repair, s.id) < 0 ? (auto?.[s.id] ?? null) : settingOf(method, at.repair, s.id)}
        />
      ))}
    </div>
  );
}

function SettingField({ at, setting, value }: { at: RepairView; setting: Setting; value: number | null }) {
  const system = usePrefs((p) => p.system);
  const write = (v: number) => changeRepair(at.repair.id, (r) => ({ ...r, settings: { ...r.settings, [setting.id]: v } }), setting.id);
  const check = (v: number) => (v < setting.min || v > setting.max ? `Must lie between ${setting.min} and ${setting.max}.` : null);
  const plain = setting.kind === 'rate' || setting.kind === 'uptake';
  return (
    <QuantityField
      kind={plain ? 'count' : KIND[setting.kind as keyof typeof KIND]}
      label={plain ? `${setting.label}, ${UNIT[setting.kind as keyof typeof UNIT]}` : setting.label}
      value={value}
      typed={plain ? { text: value === null ? '' : String(value), system } : undefined}
      onChange={(t) => write(t.value)}
      check={check}
    />
  );
}
