'use client';
import { blankSettingOut, type Measured, type SettingOut, settingOutMissing } from '@/core/void';
import { joined, lowered, phrase } from '@/words';
import { TextField } from '../shared/bits';
import { QuantityField } from '../shared/QuantityField';
import { changeRepair } from '../workspace/workspace';

const LENGTHS = [
  { key: 'along', label: 'Along the edge to the first' },
  { key: 'from', label: 'From the edge' },
  { key: 'spacing', label: 'From place to place' },
  { key: 'clearance', label: 'To stay clear all round' },
] as const;

/** Datum, distances, direction and clearance of the places, checked before anything irreversible. */
export function SettingOutFields({
  repairId,
  value,
  count,
}: {
  repairId: string;
  value: SettingOut | null;
  count: number;
}) {
  const write = (over: Partial<SettingOut>, key: string) =>
    changeRepair(
      repairId,
      (r) => ({ ...r, settingOut: { ...(r.settingOut ?? blankSettingOut()), ...over } }),
      `setting:${key}`,
    );
  if (!value)
    return (
      <button type="button" className="btn text-sm mt-3" onClick={() => write({}, 'begin')}>
        Set it out…
      </button>
    );
  const missing = settingOutMissing(value, count);
  return (
    <section aria-label="Setting out" className="mt-3">
      <h3 className="font-semibold">Setting out</h3>
      <div className="grid grid-cols-2 gap-2">
        <TextField label="Measured from" value={value.datum} onChange={(datum) => write({ datum }, 'datum')} />
        <TextField
          label="Faces, hand"
          value={value.orientation}
          onChange={(orientation) => write({ orientation }, 'orientation')}
        />
        {LENGTHS.filter((l) => count > 1 || l.key !== 'spacing').map((l) => {
          const m: Measured = value[l.key];
          return (
            <QuantityField
              key={l.key}
              kind="length"
              label={l.label}
              value={m.text === '' ? null : m.valueMm}
              typed={{ text: m.text, system: m.textSystem }}
              placeholder="measure"
              check={(v) => (v >= 0 ? null : 'Not below 0.')}
              onChange={(t) =>
                write({ [l.key]: { ...m, valueMm: t.value, text: t.text, textSystem: t.system } }, l.key)
              }
            />
          );
        })}
        {count > 1 && (
          <QuantityField
            kind="angle"
            label="Centre line against the edge"
            value={value.angleDeg}
            check={(v) => (Math.abs(v) <= 180 ? null : 'From −180° to 180°.')}
            onChange={(t) => write({ angleDeg: t.value }, 'angle')}
          />
        )}
      </div>
      {missing.length > 0 && (
        <p className="soft text-sm mt-1">{phrase`Still open: ${joined(missing.map(lowered), ', ')}.`}</p>
      )}
      <button
        type="button"
        className="btn btn-link text-sm"
        onClick={() => changeRepair(repairId, (r) => ({ ...r, settingOut: null }), 'setting:drop')}
      >
        drop the setting-out
      </button>
    </section>
  );
}
