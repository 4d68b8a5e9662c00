'use client';
import type { Piece } from '@/core/plan';
import { GRADES, type GradeId, LAYERS, type LayerId, type Meets } from '@/core/system';
import { changePass } from '../workspace/workspace';

/** The base more exactly, and the layers under and over: what decides whether it bonds and cures at all. */
export function MeetsFields({ repair }: { repair: Piece }) {
  const { meets, base } = repair;
  const set = (over: Partial<Meets>) => changePass(repair, (r) => ({ ...r, meets: { ...r.meets, ...over } }), 'meets');
  const grades = Object.entries(GRADES).filter(([id, g]) => g.of === base.material || id === meets.grade);
  const layer = (label: string, none: string, field: 'under' | 'over') => (
    <label className="block">
      {label}
      <select
        className="select"
        value={meets[field] ?? ''}
        onChange={(e) => set({ [field]: (e.target.value || null) as LayerId | null })}
      >
        <option value="">{none}</option>
        {Object.entries(LAYERS).map(([id, text]) => (
          <option key={id} value={id}>
            {text}
          </option>
        ))}
      </select>
    </label>
  );
  return (
    <div className="grid grid-cols-2 gap-2 mt-2">
      {layer('Lies on', 'the bare base', 'under')}
      {layer('Comes over it', 'nothing', 'over')}
      {grades.length > 0 && (
        <label className="block col-span-2">
          More exactly
          <select
            className="select"
            value={meets.grade ?? ''}
            onChange={(e) => set({ grade: (e.target.value || null) as GradeId | null })}
          >
            <option value="">none of these</option>
            {grades.map(([id, g]) => (
              <option key={id} value={id}>
                {g.label}
              </option>
            ))}
          </select>
        </label>
      )}
    </div>
  );
}
