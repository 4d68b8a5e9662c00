import { endsOf, inWordsRead } from '@/core/typed';
import type { DecimalMark } from '@/core/units';
import type { SheetDraft } from './draft';

/** Fields that are the two ends of one range, by the first of them. */
const OTHER_END: Readonly<Record<string, string>> = {
  'limits.baseMinC': 'limits.baseMaxC',
  'limits.airMinC': 'limits.airMaxC',
  'limits.materialMinC': 'limits.materialMaxC',
  'limits.liftMinMm': 'limits.liftMaxMm',
  'limits.bondMinMm': 'limits.bondMaxMm',
  storeMin: 'storeMax',
  doseMin: 'doseMax',
};

/** “5 to 30 °C”, typed whole into the first of two fields, as what either asks for; null where it is no range. */
export function inBothEnds(draft: SheetDraft, field: string, mark: DecimalMark): Partial<SheetDraft> | null {
  const other = OTHER_END[field];
  const texts = { ...draft, ...Object.fromEntries(Object.entries(draft.limits).map(([k, v]) => [`limits.${k}`, v])) };
  const textOf = (name: string) => String((texts as Readonly<Record<string, unknown>>)[name] ?? '').trim();
  if (!other || textOf(other)) return null;
  const ends = endsOf(inWordsRead(textOf(field)), mark);
  if (!ends) return null;
  const ofLimit = /^limits\.(.+)$/;
  const [first, last] = [field, other].map((name) => ofLimit.exec(name)?.[1]);
  return first && last
    ? { limits: { ...draft.limits, [first]: ends[0], [last]: ends[1] } }
    : { [field]: ends[0], [other]: ends[1] };
}
