'use client';
import { Plus, Trash2 } from 'lucide-react';
import type { PartId } from '@/core/system';
import { Choice } from '../shared/bits';
import { blankKit, type DraftFaults, type KitDraft } from './draft';
import { Typed } from './fields';

/** Kits as the maker packs them. */
export function KitsFields({
  kits,
  parts,
  faults,
  onChange,
  onLeave,
}: {
  kits: readonly KitDraft[];
  parts: readonly PartId[];
  faults: DraftFaults;
  onChange: (kits: readonly KitDraft[]) => void;
  onLeave: (field: string) => void;
}) {
  const set = (key: string, over: Partial<KitDraft>) =>
    onChange(kits.map((k) => (k.key === key ? { ...k, ...over } : k)));
  return (
    <>
      {kits.map((k) => {
        const field = (name: string) => `kits.${k.key}.${name}`;
        const plain = (name: 'yieldMl' | 'price' | 'contents', label: string, hint: string) => (
          <Typed
            label={label}
            hint={hint}
            value={k[name]}
            fault={faults[field(name)]}
            onChange={(v) => set(k.key, { [name]: v })}
            onLeave={() => onLeave(field(name))}
          />
        );
        return (
          <div
            key={k.key}
            className="grid sm:grid-cols-3 lg:grid-cols-6 gap-2 mb-3 pb-3 items-start"
            style={{ borderBottom: '1px solid var(--hair)' }}
          >
            <Typed label="Kit" hint="Tin pair 450 mL" value={k.label} onChange={(label) => set(k.key, { label })} />
            {parts.map((id) => (
              <Typed
                key={id}
                label={`of ${id}`}
                hint={id === 'A' ? '420 g' : undefined}
                value={k.massG[id]}
                fault={faults[field(id.toLowerCase())]}
                onChange={(v) => set(k.key, { massG: { ...k.massG, [id]: v } })}
                onLeave={() => onLeave(field(id.toLowerCase()))}
              />
            ))}
            {plain('yieldMl', 'The sheet’s own yield', 'empty: none')}
            {plain('price', 'Price', 'empty: unknown')}
            <div className="sm:col-span-2">{plain('contents', 'Also in the box', '2 static mixers, 1 spatula')}</div>
            <Choice
              label="May be split"
              options={[
                { id: 'no', label: 'no' },
                { id: 'yes', label: 'yes' },
              ]}
              value={k.splittable ? 'yes' : 'no'}
              onChange={(v) => set(k.key, { splittable: v === 'yes' })}
            />
            {kits.length > 1 && (
              <button
                type="button"
                className="p-2 mt-5 justify-self-start"
                aria-label={`Remove kit ${k.label}`}
                onClick={() => onChange(kits.filter((x) => x.key !== k.key))}
              >
                <Trash2 size={17} aria-hidden="true" />
              </button>
            )}
          </div>
        );
      })}
      <button type="button" className="act text-sm mb-2" onClick={() => onChange([...kits, blankKit()])}>
        <Plus size={16} aria-hidden="true" /> Another kit
      </button>
    </>
  );
}
