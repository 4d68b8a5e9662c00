'use client';
import { FAMILIES, KIND_IDS, systemKind } from '@/core/system';
import { lowered, phrase } from '@/words';
import { Heading } from '../shared/bits';
import { ofFamily, ofKind, type SheetDraft } from './draft';
import { Fold, SheetSelect, SheetText, useSheetFields } from './sheet-fields';

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
        <SheetSelect
          field="kind"
          label="Kind"
          options={KIND_IDS.map((id) => ({ id, label: systemKind(id).label }))}
          choose={(kind) => set(ofKind(draft, kind as SheetDraft['kind']))}
          beneath={spec.does}
        />
      </div>
      <Fold
        title="Chemistry, whose it is, source"
        says={`${lowered(FAMILIES[draft.family].label)}${draft.maker.trim() ? phrase`, ${draft.maker.trim()}` : ''}`}
      >
        <div className="grid sm:grid-cols-3 gap-3">
          <SheetSelect
            field="family"
            label="Family"
            options={Object.entries(FAMILIES).map(([id, f]) => ({ id, label: f.label }))}
            choose={(family) => set(ofFamily(draft, family as SheetDraft['family']))}
            beneath={carriedWith(draft.family)}
          />
          <SheetText field="maker" label="Whose it is" hint="parts of two makers never mix" />
          <SheetText field="typedFrom" label="Typed from" hint="title and date of the sheet" />
        </div>
      </Fold>
    </>
  );
}
