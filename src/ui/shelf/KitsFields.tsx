'use client';
import { Plus, Trash2 } from 'lucide-react';
import { isMeteredByPack, isPartedUsually, type PartId, type SheetRevision, systemKind } from '@/core/system';
import { joined, phrase } from '@/words';
import { Choice } from '../shared/bits';
import { blankKit, type DraftFaults, type KitDraft } from './draft';
import { Typed } from './fields';
import { Fold, useExamples } from './sheet-fields';

/** Kits as the maker packs them. */
export function KitsFields({
  kind,
  kits,
  parts,
  faults,
  onChange,
  onLeave,
  onRead,
  example,
}: {
  kind: SheetRevision['kind'];
  kits: readonly KitDraft[];
  parts: readonly PartId[];
  faults: DraftFaults;
  onChange: (kits: readonly KitDraft[]) => void;
  onLeave: (field: string) => void;
  /** The words on a pack are there: what they say of its parts is taken. */
  onRead: (kit: KitDraft) => void;
  /** How the words on such a pack go. */
  example: string;
}) {
  const { example: inA } = useExamples();
  const spec = systemKind(kind);
  const hasRole = (id: PartId, role: 'water' | 'powder') => spec.parts.some((p) => p.id === id && p.role === role);
  const isWater = (id: PartId) => hasRole(id, 'water');
  const isPowder = (id: PartId) => hasRole(id, 'powder') && isWater('B');
  const set = (key: string, over: Partial<KitDraft>) =>
    onChange(kits.map((k) => (k.key === key ? { ...k, ...over } : k)));
  return (
    <>
      {kits.map((k) => {
        const field = (name: string) => `kits.${k.key}.${name}`;
        const plain = (name: 'yieldMl' | 'price' | 'contents', label: string, hint: string) => (
          <Typed
            field={field(name)}
            label={label}
            hint={hint}
            value={k[name]}
            fault={faults[field(name)]}
            onChange={(v) => set(k.key, { [name]: v })}
            onLeave={() => onLeave(field(name))}
          />
        );
        return (
          <div key={k.key} className="mb-2 pb-1" style={{ borderBottom: '1px solid var(--hair)' }}>
            <div className="grid sm:grid-cols-3 lg:grid-cols-6 gap-2 items-start">
              <div className="col-span-full sm:col-span-2">
                <Typed
                  field={field('label')}
                  label="Pack, as printed on it"
                  hint={example}
                  value={k.label}
                  fault={faults[field('label')]}
                  onChange={(label) => set(k.key, { label })}
                  onChoose={(label) => onRead({ ...k, label })}
                  onLeave={() => onRead(k)}
                />
              </div>
              {parts.map((id) => (
                <Typed
                  key={id}
                  field={field(id.toLowerCase())}
                  label={phrase`of ${id}`}
                  aside={spec.parts.find((p) => p.id === id)?.name}
                  hint={
                    id === 'A'
                      ? isMeteredByPack(kind)
                        ? 'if it is printed'
                        : isPowder(id)
                          ? inA('25 kg', '55 lb')
                          : inA('420 g or 300 mL', '14 oz av')
                      : isMeteredByPack(kind)
                        ? 'if it is printed'
                        : isWater(id)
                          ? 'empty: from the tap'
                          : undefined
                  }
                  value={k.massG[id]}
                  fault={faults[field(id.toLowerCase())]}
                  onChange={(v) => set(k.key, { massG: { ...k.massG, [id]: v } })}
                  onLeave={() => onLeave(field(id.toLowerCase()))}
                />
              ))}
            </div>
            <Fold
              title="Price, yield, what else is in it"
              says={
                joined([k.price.trim(), k.yieldMl.trim(), k.contents.trim()].filter(Boolean), ', ') ||
                ((k.splittable ?? isPartedUsually(kind)) ? 'parts are weighed out of it' : 'mixed whole')
              }
            >
              <div className="grid sm:grid-cols-3 lg:grid-cols-6 gap-2 items-start">
                {plain('yieldMl', 'The sheet’s own yield', 'empty: none')}
                {plain('price', 'Price', '64 € · empty: unknown')}
                <div className="sm:col-span-2">
                  {plain('contents', 'Also in the box', '2 static mixers, 1 spatula')}
                </div>
                <Choice
                  label="May be split"
                  options={[
                    { id: '', label: 'silent' },
                    { id: 'no', label: 'no' },
                    { id: 'yes', label: 'yes' },
                  ]}
                  value={k.splittable === null ? '' : k.splittable ? 'yes' : 'no'}
                  onChange={(v) => set(k.key, { splittable: v === '' ? null : v === 'yes' })}
                />
              </div>
            </Fold>
            {kits.length > 1 && (
              <button
                type="button"
                className="p-2"
                aria-label={phrase`Remove pack ${k.label}`}
                onClick={() => onChange(kits.filter((x) => x.key !== k.key))}
              >
                <Trash2 size={17} aria-hidden="true" />
              </button>
            )}
          </div>
        );
      })}
      <button type="button" className="btn text-sm mb-2" onClick={() => onChange([...kits, blankKit()])}>
        <Plus size={16} aria-hidden="true" /> Another pack
      </button>
    </>
  );
}
