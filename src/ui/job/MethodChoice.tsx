'use client';
import { Plus } from 'lucide-react';
import { useState } from 'react';
import { METHODS } from '@/core/method';
import { BASES, type BaseMaterial } from '@/core/system';
import { Choice } from '../shared/bits';

/** How it is to be repaired: every method, or those for what it is made of. */
export function MethodChoice({ onChoose }: { onChoose: (methodId: string) => void }) {
  const [made, setMade] = useState<BaseMaterial | 'any'>('any');
  return (
    <div className="no-print">
      <Choice
        label="It is made of"
        options={[{ id: 'any', label: 'anything' }, ...BASES.map((b) => ({ id: b, label: b }))]}
        value={made}
        onChange={setMade}
      />
      <div className="grid sm:grid-cols-2 gap-2 mt-2">
        {METHODS.filter((m) => made === 'any' || m.bases.includes(made)).map((m) => (
          <button
            key={m.id}
            type="button"
            className="act flex-col !items-start text-left"
            onClick={() => onChoose(m.id)}
          >
            <span className="flex items-center gap-1.5">
              <Plus size={16} aria-hidden="true" /> {m.label}
            </span>
            <span className="soft font-normal text-sm">{m.does}</span>
          </button>
        ))}
      </div>
    </div>
  );
}
