import { blankDraft, ofKind, type SheetDraft } from './draft';
import { withPack } from './pack-draft';

const of = (kind: SheetDraft['kind'], label: string, over: Partial<SheetDraft> = {}): SheetDraft => {
  const draft = { ...ofKind(blankDraft(), kind), ...over };
  const [kit] = draft.kits;
  return { ...draft, kits: [{ ...kit!, label }] };
};
const read = (draft: SheetDraft) => {
  const made = withPack(draft, draft.kits[0]!, 'metric');
  return { ratio: made.ratio, parts: made.kits[0]!.massG, same: made === draft };
};

test('the words on a pack fill its parts and the ratio, in whatever order they name them', () => {
  expect(read(of('liquid-resin', 'Hardener 250 g, resin 1 kg'))).toMatchObject({ parts: { A: '1 kg', B: '250 g' } });
  expect(read(of('anchor-pack', '330 mL cartridge 10:1'))).toMatchObject({ ratio: '10:1 by volume' });
  const colour = read(of('joint-colour', '300 g colour, 60 g hardener, 40 g water'));
  expect(colour.parts).toMatchObject({ A: '300 g', B: '60 g', C: '40 g' });
});
test('what somebody typed stays', () => {
  const draft = of('liquid-resin', 'Resin 1 kg, hardener 250 g (4:1)', { ratio: '100:24 by weight' });
  const typed = { ...draft, kits: [{ ...draft.kits[0]!, massG: { ...draft.kits[0]!.massG, A: '990 g' } }] };
  const made = read(typed);
  expect([made.ratio, made.parts.A, made.parts.B]).toEqual(['100:24 by weight', '990 g', '250 g']);
});
test('what a bag wants of water is the middle of its range; words without an amount change nothing', () => {
  const bag = of('cement-water', '25 kg bag', { doseMin: '12 %', doseMax: '14 %' });
  expect(read(bag).parts).toMatchObject({ A: '25 kg', B: '3250 g' });
  expect(read(of('liquid-resin', 'small kit')).same).toBe(true);
  const full = withPack(bag, bag.kits[0]!, 'metric');
  expect(withPack(full, full.kits[0]!, 'metric')).toBe(full);
});
