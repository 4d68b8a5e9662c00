import { FAMILIES, type MilestoneId, type PastedFact, type PastedField, systemKind } from '@/core/system';
import { phrase, translated } from '@/words';
import { blankTime, type KitDraft, ofFamily, type SheetDraft, type TimeDraft } from './draft';
import { LIMIT_FIELDS } from './limit-list';

/** The label of a limit’s field, by its name. */
const LIMITS = new Map(LIMIT_FIELDS.map((f) => [`limits.${f.id}`, f.label]));

/** What the other fields are called in the form. */
const LABELS: Readonly<Partial<Record<PastedField, string>>> = {
  pack: 'Pack, as printed on it',
  ratio: 'A to B, with its basis',
  also: 'The same on the other basis',
  doseOf: 'Per cent of what',
  cByWeight: 'Parts of C by weight',
  mixed: 'Density of the mix, or cured',
  densityA: 'Density of A',
  densityB: 'Density of B',
  yieldMl: 'The sheet’s own yield',
  coverage: 'Coverage, kg for each m² and mm',
  covers: 'A coat or bed covers',
  mixRpm: 'Paddle, turns a minute',
  storeMin: 'Stored from',
  storeMax: 'Stored to',
  shelfMonths: 'Shelf life closed, months',
  colour: 'Colour',
  family: 'Family',
  rods: 'Rod, hole, depth and brush, one rod a line',
  cleaning: 'Cleaned by',
};

/** A fact as it is read: part A by its name. */
export function textOfFact({ field, text }: PastedFact, kind: SheetDraft['kind']): string {
  if (field === 'family') return translated(FAMILIES[text as SheetDraft['family']].label);
  if (field !== 'doseOf') return text;
  return text === 'A' ? phrase`of ${systemKind(kind).parts[0]?.name}` : phrase`of the total`;
}

/** What a field that was found in a text is called on the screen. */
export function labelOfFact(field: PastedField, kind: SheetDraft['kind']): string {
  const { dosed } = systemKind(kind);
  if (field === 'doseUsual') return phrase`Usual ${dosed}`;
  if (field === 'doseMin') return phrase`Least ${dosed}`;
  if (field === 'doseMax') return phrase`Most ${dosed}`;
  return LABELS[field] ?? LIMITS.get(field) ?? field;
}

const LIMIT = /^limits\.(.+)$/;
const DENSITY = /^density([AB])$/;
const ofLimit = (field: string) => LIMIT.exec(field)?.[1];
const ofPart = (field: string) => DENSITY.exec(field)?.[1] as 'A' | 'B' | undefined;

/** What is typed now where a fact of the text belongs; empty where nothing is. */
export function typedAt(draft: SheetDraft, field: PastedField): string {
  const [limit, part] = [ofLimit(field), ofPart(field)];
  if (limit) return (draft.limits[limit] ?? '').trim();
  if (part) return draft.parts[part].density.trim();
  if (field === 'pack') return (draft.kits[0]?.label ?? '').trim();
  // The usual chemistry of its kind is nobody’s word.
  if (field === 'family') return draft.family === systemKind(draft.kind).families[0] ? '' : draft.family;
  if (field === 'yieldMl') return (draft.kits[0]?.yieldMl ?? '').trim();
  return String(draft[field as keyof SheetDraft] ?? '').trim();
}

const inFirstPack = (draft: SheetDraft, over: Partial<KitDraft>): SheetDraft => ({
  ...draft,
  kits: draft.kits.map((kit, i) => (i === 0 ? { ...kit, ...over } : kit)),
});

function withFact(draft: SheetDraft, { field, text }: PastedFact): SheetDraft {
  const [limit, part] = [ofLimit(field), ofPart(field)];
  if (limit) return { ...draft, limits: { ...draft.limits, [limit]: text } };
  if (part) return { ...draft, parts: { ...draft.parts, [part]: { ...draft.parts[part], density: text } } };
  if (field === 'family') return ofFamily(draft, text as SheetDraft['family']);
  if (field === 'pack') return inFirstPack(draft, { label: text });
  if (field === 'yieldMl') return inFirstPack(draft, { yieldMl: text });
  return { ...draft, [field]: text };
}

/** A draft with what was found in a text put into its fields; the pack is the first one. */
export function withFacts(draft: SheetDraft, facts: readonly PastedFact[]): SheetDraft {
  let filled = draft;
  for (const fact of facts) filled = withFact(filled, fact);
  return filled;
}

/** A time as its field takes it. */
export interface TakenTime {
  readonly kind: MilestoneId;
  readonly text: string;
  /** The pot it is said of; empty where the sheet names none. */
  readonly reference: string;
}

/** The lines of the times with what was found put into them; what has no line yet gets one. */
export function withTimes(times: readonly TimeDraft[], found: readonly TakenTime[]): readonly TimeDraft[] {
  const filled = (t: TimeDraft, { text, reference }: TakenTime): TimeDraft => ({
    ...t,
    text,
    reference: t.runsOn === 'pot' && reference ? reference : t.reference,
  });
  const known = times.map((t) => {
    const mine = found.find((f) => f.kind === t.kind);
    return mine ? filled(t, mine) : t;
  });
  const further = found.filter((f) => !times.some((t) => t.kind === f.kind)).map((f) => filled(blankTime(f.kind), f));
  return [...known, ...further];
}
