'use client';
import { createContext, type ReactNode, useContext } from 'react';
import type { PastedFact } from '@/core/system';
import { usePrefs } from '../workspace/prefs';
import type { DraftFaults, SheetDraft } from './draft';
import { Typed } from './fields';
import type { TakenTime } from './paste-draft';

/** Fields of a draft that are plain text. */
export type TextField = { [K in keyof SheetDraft]: SheetDraft[K] extends string ? K : never }[keyof SheetDraft];

/** A sheet that is being typed, for the parts of its form. */
export interface SheetFields {
  readonly draft: SheetDraft;
  readonly faults: DraftFaults;
  readonly set: (over: Partial<SheetDraft>) => void;
  /** A field was left: what is wrong with it is said now. */
  readonly left: (field: string) => void;
  /** What was found in a pasted text is put into its fields. */
  readonly take: (times: readonly TakenTime[], facts: readonly PastedFact[]) => void;
}

export const SheetFieldsContext = createContext<SheetFields | null>(null);

/** @throws Error outside the form of a sheet */
export function useSheetFields(): SheetFields {
  const fields = useContext(SheetFieldsContext);
  if (!fields) throw new Error('fields of a sheet stand in its form');
  return fields;
}

/** How a field is typed, shown in the units of whoever types it. */
export function useExamples() {
  const system = usePrefs((p) => p.system);
  return { example: (metric: string, us: string): string => (system === 'us' ? us : metric) };
}

/** One plain field of the sheet. */
export function SheetText({
  field,
  label,
  aside,
  hint,
  multiline,
}: {
  field: TextField;
  label: string;
  aside?: string | undefined;
  hint?: string;
  multiline?: boolean;
}) {
  const { draft, faults, set, left } = useSheetFields();
  return (
    <Typed
      field={field}
      label={label}
      aside={aside}
      hint={hint}
      multiline={multiline}
      value={draft[field]}
      fault={faults[field]}
      onChange={(v) => set({ [field]: v })}
      onLeave={() => left(field)}
    />
  );
}

/** One field of the sheet that is chosen from a list. */
export function SheetSelect({
  field,
  label,
  options,
  beneath,
  choose,
}: {
  field: TextField;
  label: string;
  options: readonly { readonly id: string; readonly label: string }[];
  /** What the choice means, in small print. */
  beneath?: string;
  /** Where more than the field follows from it. */
  choose?: (id: string) => void;
}) {
  const { draft, set } = useSheetFields();
  return (
    <label className="block">
      {label}
      <select
        className="select"
        value={draft[field]}
        onChange={(e) => (choose ? choose(e.target.value) : set({ [field]: e.target.value }))}
      >
        {options.map((o) => (
          <option key={o.id} value={o.id}>
            {o.label}
          </option>
        ))}
      </select>
      {beneath && <span className="soft text-sm">{beneath}</span>}
    </label>
  );
}

/** A part of the form that is opened when it is wanted; what stands in it is told while it is folded. */
export function Fold({ title, says, children }: { title: string; says?: string; children: ReactNode }) {
  return (
    <details className="mt-3 border-t" style={{ borderColor: 'var(--hair)' }}>
      <summary className="py-2 cursor-pointer">
        <span className="font-semibold">{title}</span>
        {says && <span className="soft">: {says}</span>}
      </summary>
      <div className="pb-2">{children}</div>
    </details>
  );
}

export const idOfField = (field: string): string => `sheet-${field}`;

/** What a field is called on the screen; its name where it has no label. */
export function labelOfField(field: string): string {
  const element = document.getElementById(idOfField(field));
  return (element as HTMLInputElement | null)?.labels?.[0]?.textContent ?? element?.dataset.label ?? field;
}

/** Opens whatever a field is folded into and goes to it. */
export function goToField(field: string): void {
  const element = document.getElementById(idOfField(field));
  for (let around = element?.parentElement; around; around = around.parentElement)
    if (around instanceof HTMLDetailsElement) around.open = true;
  element?.focus();
  element?.scrollIntoView({ block: 'center' });
}
