import type { Stock } from '@/core/system';

/** The lot that is poured from, as it stands on the tin; those on the shelf are offered. */
export function LotField({
  lot,
  lots,
  wrong,
  onType,
}: {
  lot: string;
  lots: readonly Stock[];
  wrong: boolean;
  onType: (lot: string) => void;
}) {
  return (
    <label className="block">
      Lot of what is poured
      <input
        className="input fig"
        list="lots"
        value={lot}
        onChange={(e) => onType(e.target.value)}
        placeholder="as on the tin"
        aria-invalid={wrong || undefined}
      />
      <datalist id="lots">
        {lots.map((l) => (
          <option key={l.id} value={l.lot} />
        ))}
      </datalist>
    </label>
  );
}
