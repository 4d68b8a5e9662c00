'use client';
import { useState } from 'react';
import { isOfKind, type Repair, repairName, setTogether, type Together, takesSystem } from '@/core/plan';
import type { RepairView } from '@/core/record';
import { phrase } from '@/words';
import { shelfOf } from '../material/shelf-of';
import { QuantityField } from '../shared/QuantityField';
import { changeRepairs, useWorkspace } from '../workspace/workspace';

/**
 * Sets one thing for several repairs that are not begun, as one act: a system, how warm the packs are kept, the hands.
 */
export function SetTogether({ repairs }: { readonly repairs: readonly RepairView[] }) {
  const sheets = useWorkspace((d) => d.sheets);
  const open = repairs.filter((r) => r.actuals.startedAt === null);
  const [left, setLeft] = useState<ReadonlySet<string>>(new Set());
  const [over, setOver] = useState<Together>({});
  const [said, setSaid] = useState('');
  if (open.length < 2) return null;
  const chosen = open.filter((r) => !left.has(r.repair.id));
  const systems = shelfOf(sheets, null).filter((s) => chosen.some((r) => takesSystem(r.draft, s)));
  // One serves as a model where another is repaired as it is; also one that is begun.
  const drafts = repairs.map((r) => r.draft);
  const models = drafts.filter((m) => chosen.some((r) => r.draft.id !== m.id && isOfKind(r.draft, m)));
  const changes = chosen.filter((r) => setTogether(r.draft, over) !== r.draft).length;
  const takers = over.sheet ? chosen.filter((r) => takesSystem(r.draft, over.sheet!)).length : chosen.length;
  const change = (more: Together) => {
    setSaid('');
    setOver((o) => ({ ...o, ...more }));
  };
  const unset = (what: keyof Together) => {
    setSaid('');
    setOver(({ [what]: _before, ...rest }) => rest);
  };
  const submit = () => {
    const n = changeRepairs(
      chosen.map((r) => r.repair.id),
      (r) => setTogether(r, over),
    );
    setSaid(
      n === 0
        ? 'Nothing to change: all of them have it already.'
        : phrase`Set for ${n} repair${n > 1 ? 's' : ''}; undo takes all of it back.`,
    );
    setOver({});
  };
  return (
    <details className="mb-3 no-print">
      <summary className="py-1 cursor-pointer font-semibold">Set something for several repairs</summary>
      <div className="paper p-3 grid gap-3">
        <fieldset>
          <legend className="soft">For which</legend>
          <div className="flex flex-wrap gap-x-4 gap-y-1">
            {open.map((r) => (
              <label
                key={r.repair.id}
                className="inline-flex items-center gap-2 min-h-[44px] fine:min-h-8"
                style={{ accentColor: 'var(--ink)' }}
              >
                <input
                  type="checkbox"
                  className="checkbox"
                  checked={!left.has(r.repair.id)}
                  onChange={(e) => {
                    const next = new Set(left);
                    if (e.target.checked) next.delete(r.repair.id);
                    else next.add(r.repair.id);
                    setLeft(next);
                    setSaid('');
                  }}
                />
                {repairName(r.repair)}
              </label>
            ))}
          </div>
        </fieldset>
        <div className="grid sm:grid-cols-3 gap-2">
          <label className="block">
            System
            <select
              className="select"
              value={over.sheet?.id ?? ''}
              onChange={(e) => {
                const sheet = sheets.get(e.target.value);
                if (sheet) change({ sheet });
                else unset('sheet');
              }}
            >
              <option value="">as each has it</option>
              {systems.map((s) => (
                <option key={s.id} value={s.id}>
                  {s.name}
                </option>
              ))}
            </select>
          </label>
          <QuantityField
            kind="temperature"
            label="Packs kept at"
            value={over.materialC ?? null}
            onChange={(t) => change({ materialC: t.value })}
            onClear={() => unset('materialC')}
            check={(c) => (c >= -20 && c <= 60 ? null : 'Between −20 and 60 °C, where packs are kept.')}
          />
          <QuantityField
            kind="count"
            label="Pairs of hands"
            value={over.crew ?? null}
            onChange={(t) => change({ crew: t.value })}
            onClear={() => unset('crew')}
            check={(v) => (Number.isInteger(v) && v >= 1 && v <= 12 ? null : 'Whole people, 1 to 12.')}
          />
        </div>
        {models.length > 0 && (
          <div className="grid sm:grid-cols-2 gap-2">
            <As
              label="All that is chosen, as at"
              models={models}
              value={over.chosenAs}
              onChange={(chosenAs) => (chosenAs ? change({ chosenAs }) : unset('chosenAs'))}
            />
            <As
              label="Looked at, and found as at"
              models={models.filter((r) => Object.keys(r.answers).length > 0)}
              value={over.foundAs}
              onChange={(foundAs) => (foundAs ? change({ foundAs }) : unset('foundAs'))}
            />
          </div>
        )}
        {(over.chosenAs || over.foundAs) && (
          <p className="soft">
            It is set for those that are repaired by the same methods. Sizes, place and base stay as each has them; an
            answer that was given stands, and is taken over only where each was looked at.
          </p>
        )}
        {over.sheet && takers < chosen.length && (
          <p className="soft">{phrase`${over.sheet.name} serves ${takers} of the ${chosen.length}; the others keep theirs.`}</p>
        )}
        <div className="flex items-center gap-3 flex-wrap">
          <button
            type="button"
            className="btn btn-neutral"
            disabled={!changes}
            onClick={submit}
          >{phrase`Set it for ${changes || chosen.length}`}</button>
          <span role="status">{said}</span>
        </div>
      </div>
    </details>
  );
}

/** One of the repairs, as which the others are set. */
function As({
  label,
  models,
  value,
  onChange,
}: {
  label: string;
  models: readonly Repair[];
  value: Repair | undefined;
  onChange: (model: Repair | undefined) => void;
}) {
  return (
    <label className="block">
      {label}
      <select
        className="select"
        value={value?.id ?? ''}
        onChange={(e) => onChange(models.find((m) => m.id === e.target.value))}
      >
        <option value="">as each has it</option>
        {models.map((m) => (
          <option key={m.id} value={m.id}>
            {repairName(m)}
          </option>
        ))}
      </select>
    </label>
  );
}
