import type { FieldErrors, Resolver } from 'react-hook-form';
import type { SheetRevision } from '@/core/system';
import type { DraftFaults, SheetDraft } from './draft';
import type { readDraft } from './read-draft';

/**
 * What a field is called in the form: in one piece, for what is wrong with a time stands beside what is wrong with its
 * pot.
 */
export const nameInForm = (field: string): string => field.replaceAll('.', '/');
const fieldOf = (name: string): string => name.replaceAll('/', '.');

/** Reads a sheet as it is typed for the form: the sheet, or what is wrong at every field. */
export const sheetResolver =
  (read: (draft: SheetDraft) => ReturnType<typeof readDraft>): Resolver<SheetDraft, unknown, SheetRevision> =>
  (draft) => {
    const now = read(draft);
    if ('sheet' in now) return { values: now.sheet, errors: {} };
    const errors = Object.entries(now.faults).map(([field, fault]) => [nameInForm(field), { type: 'read', fault }]);
    return { values: {}, errors: Object.fromEntries(errors) };
  };

/** What the form knows to be wrong, by field. */
export function faultsIn(errors: FieldErrors<SheetDraft>): DraftFaults {
  return Object.fromEntries(
    Object.entries(errors).flatMap(([name, error]) => {
      const fault = (error as { readonly fault?: DraftFaults[string] } | undefined)?.fault;
      return fault ? [[fieldOf(name), fault]] : [];
    }),
  );
}
