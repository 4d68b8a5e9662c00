import { PART_IDS, readPack, systemKind } from '@/core/system';
import type { Kind, UnitSystem } from '@/core/units';
import { readQuantity } from '@/words';
import type { KitDraft, SheetDraft } from './draft';

function middleOf({ doseMin, doseMax }: SheetDraft, read: (text: string) => number | null): number | null {
  const [least, most] = [read(doseMin), read(doseMax)];
  return least !== null && most !== null ? (least + most) / 2 : null;
}

/**
 * A draft with what the words on a pack say of its parts in those fields that are still empty; itself where nothing is.
 */
export function withPack(draft: SheetDraft, of: KitDraft, system: UnitSystem): SheetDraft {
  const number = (kind: Kind, text: string): number | null => {
    const read = readQuantity(kind, text, system);
    return read.ok ? read.value : null;
  };
  const read = readPack(
    of.label,
    {
      kind: draft.kind,
      ratio: draft.ratio,
      cByWeight: number('count', draft.cByWeight),
      dByWeight: number('count', draft.dByWeight),
      // Of a range alone the middle is usual.
      dosePct: number('percent', draft.doseUsual) ?? middleOf(draft, (text) => number('percent', text)),
      densityA: number('density', draft.parts.A.density),
    },
    system,
  );
  const parts = PART_IDS.filter((id) => read?.parts[id] && !of.massG[id].trim());
  const ratio = read?.ratio && !draft.ratio.trim() && !systemKind(draft.kind).dosed ? read.ratio : null;
  if (!read || (!parts.length && !ratio)) return draft;
  const massG = { ...of.massG, ...Object.fromEntries(parts.map((id) => [id, read.parts[id]!])) };
  return {
    ...draft,
    ratio: ratio ?? draft.ratio,
    kits: draft.kits.map((k) => (k.key === of.key ? { ...k, massG } : k)),
  };
}
