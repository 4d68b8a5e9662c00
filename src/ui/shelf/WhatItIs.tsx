'use client';
import { FAMILIES, KIND_IDS, systemKind } from '@/core/system';
import { lowered, phrase } from '@/words';
import { Heading } from '../shared/bits';
import { ofKind, type SheetDraft } from './draft';
import { Fold, SheetText, useSheetFields } from './sheet-fields';

const carriedWith = (family: SheetDraft['family']): string => {
  const { activationKJ } = FAMILIES[family];
  return activationKJ === null
    ? 'dries: by temperature and humidity'
    : phrase`single figures carried with ${activationKJ} ± 10 kJ/mol`;
};

/** Name and kind; what follows from them as usual stays folded. */
export function WhatItIs() {
  const { draft, set } = useSheetFields();
  const spec = systemKind(draft.kind);
  return (
    <>
      <Heading>What it is</Heading>
      <div className="grid sm:grid-cols-2 gap-3">
        <SheetText field="name" label="Name" />
        <label className="block">
          Kind
          <select
            className="select"
            value={draft.kind}
            onChange={(e) => set(ofKind(draft, e.target.value as SheetDraft['kind']))}
          >
            {KIND_IDS.map((id) => (
              <option key={id} value={id}>
                {systemKind(id).label}
              </option>
            ))}
          </select>
          <span className="soft text-sm">{spec.does}</span>
        </label>
      </div>
      <Fold
        title="Chemistry, whose it is, source"
        says={`${lowered(FAMILIES[draft.family].label)}${draft.maker.trim() ? phrase`, ${draft.maker.trim()}` : ''}`}
      >
        <div className="grid sm:grid-cols-3 gap-3">
          <label className="block">
            Family
            <select
              className="select"
              value={draft.family}
              onChange={(e) => set({ family: e.target.value as SheetDraft['family'] })}
            >
              {Object.entries(FAMILIES).map(([id, f]) => (
                <option key={id} value={id}>
                  {f.label}
                </option>
              ))}
            </select>
            <span className="soft text-sm">{carriedWith(draft.family)}</span>
          </label>
          <SheetText field="maker" label="Whose it is" hint="parts of two makers never mix" />
          <SheetText field="typedFrom" label="Typed from" hint="title and date of the sheet" />
        </div>
      </Fold>
    </>
  );
}
