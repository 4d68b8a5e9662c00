import type { SheetRevision } from '@/core/system';

/** The newest revision of every system, and the one that is chosen. */
export function shelfOf(sheets: ReadonlyMap<string, SheetRevision>, keep: string | null): SheetRevision[] {
  const all = [...sheets.values()];
  return all
    .filter((s) => s.id === keep || !all.some((o) => o.systemId === s.systemId && o.revision > s.revision))
    .sort((a, b) => a.name.localeCompare(b.name));
}
