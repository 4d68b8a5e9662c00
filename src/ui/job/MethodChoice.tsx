'use client';
import { Plus } from 'lucide-react';
import { useState } from 'react';
import { METHODS } from '@/core/method';
import { type Beginning, basesOf, chainMends, mendersOf, READY_CHAINS } from '@/core/plan';
import { BASES, type BaseMaterial } from '@/core/system';
import { BROKE, type BrokeId } from '@/core/void';
import { phrase } from '@/words';
import { Choice } from '../shared/bits';

const BROKEN = Object.keys(BROKE) as BrokeId[];

/** What is begun with, on what it is made of where that was said. */
export interface Begin extends Beginning {
  readonly madeOf: BaseMaterial | null;
}

/** How it is to be repaired: by what broke and what it is made of, as one pass or as a chain. */
export function MethodChoice({ onChoose }: { onChoose: (begin: Begin) => void }) {
  const [made, setMade] = useState<BaseMaterial | 'any'>('any');
  const [broke, setBroke] = useState<BrokeId | 'any'>('any');
  const madeOf = made === 'any' ? null : made;
  const here = METHODS.filter((m) => !madeOf || m.bases.includes(madeOf));
  const methods = broke === 'any' ? here : mendersOf(broke, here);
  const chains = READY_CHAINS.filter(
    (c) => (!madeOf || basesOf(c).includes(madeOf)) && (broke === 'any' || chainMends(c, broke)),
  );
  return (
    <div className="no-print flex flex-col gap-2">
      <Choice
        label="What broke"
        options={[{ id: 'any', label: 'anything' }, ...BROKEN.map((id) => ({ id, label: BROKE[id] }))]}
        value={broke}
        onChange={setBroke}
      />
      <Choice
        label="It is made of"
        options={[{ id: 'any', label: 'anything' }, ...BASES.map((b) => ({ id: b, label: b }))]}
        value={made}
        onChange={setMade}
      />
      {methods.length === 0 && (
        <p role="status">{phrase`Nothing that is known mends that on ${made}. Take another of the two away.`}</p>
      )}
      <div className="grid sm:grid-cols-2 gap-2">
        {methods.map((m) => (
          <Card
            key={m.id}
            label={m.label}
            does={m.does}
            onPress={() => onChoose({ methodId: m.id, chain: null, madeOf })}
          />
        ))}
      </div>
      {chains.length > 0 && (
        <>
          <h3 className="font-semibold mt-1">Several passes, one on the other</h3>
          <div className="grid sm:grid-cols-2 gap-2">
            {chains.map((c) => (
              <Card
                key={c.id}
                label={c.label}
                does={c.does}
                onPress={() => onChoose({ methodId: c.first.method, chain: c, madeOf: madeOf ?? basesOf(c)[0]! })}
              />
            ))}
          </div>
        </>
      )}
    </div>
  );
}

function Card({ label, does, onPress }: { label: string; does: string; onPress: () => void }) {
  return (
    <button type="button" className="btn flex-col !items-start text-left" onClick={onPress}>
      <span className="flex items-center gap-1.5">
        <Plus size={16} aria-hidden="true" /> {label}
      </span>
      <span className="soft font-normal text-sm">{does}</span>
    </button>
  );
}
