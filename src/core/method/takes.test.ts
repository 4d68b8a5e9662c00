import { say } from '@/words';
import { sampleSheets } from '../../sample/systems';
import { FLOWS, KIND_IDS, type SheetRevision, systemKind } from '../system';
import { isTaken, METHODS, methodOf, takenBy, wantsThickening } from '.';
import { flowsOf } from './takes';

/** Kinds that practitioners use for each work, as a list that was written down before there were criteria. */
const USED: Readonly<Record<string, readonly string[]>> = {
  anchor: ['anchor-pack'],
  'barrier-coat': ['liquid-resin', 'finish-resin', 'consolidant'],
  'body-filler': ['polyester-filler', 'paste', 'four-part-paste'],
  'cavity-packing': ['putty', 'paste', 'sachets', 'four-part-paste'],
  'cement-patch': ['cement-water'],
  'crack-mesh': ['paste', 'four-part-paste', 'mortar-kit', 'cement-water', 'tile-adhesive'],
  'fairing-skin': ['liquid-resin', 'four-part-paste', 'paste', 'polyester-filler'],
  'felt-wet-out': ['liquid-resin', 'sachets', 'consolidant', 'finish-resin'],
  'finish-coat': ['finish-resin', 'liquid-resin'],
  'fitting-build': ['liquid-resin', 'four-part-paste', 'paste', 'putty'],
  'fitting-tack': ['paste', 'liquid-resin', 'four-part-paste', 'sachets', 'putty', 'powder-liquid'],
  'flexible-joint': ['paste', 'putty', 'liquid-resin', 'crack-filler', 'sachets'],
  'joint-colour': ['joint-colour'],
  'laminate-hole': ['sachets', 'liquid-resin', 'four-part-paste', 'paste', 'polyester-filler', 'putty'],
  'metal-filler': ['polyester-filler', 'paste', 'putty', 'sachets', 'four-part-paste'],
  'mortar-patch': ['mortar-kit'],
  'plate-bond': ['paste'],
  'poured-collar': ['liquid-resin', 'mortar-kit', 'crack-filler', 'cement-water'],
  'poured-crack': ['crack-filler', 'liquid-resin', 'mortar-kit'],
  'rebuilt-part': ['powder-liquid', 'paste', 'putty', 'sachets'],
  'resin-joints': ['liquid-resin', 'four-part-paste', 'paste', 'mortar-kit', 'cement-water'],
  'setting-bed': ['tile-adhesive', 'paste', 'cement-water'],
  'skim-coat': ['cement-water', 'mortar-kit', 'paste', 'four-part-paste', 'liquid-resin'],
  'small-part': ['paste', 'cartridge-paste', 'sachets', 'putty', 'liquid-resin', 'powder-liquid'],
  'stone-chip': ['polyester-filler', 'liquid-resin', 'paste', 'finish-resin', 'four-part-paste'],
  'timber-soak': ['consolidant', 'liquid-resin'],
};
const [resin] = sampleSheets;
/** A sheet that says nothing but its kind. */
const bare = (kind: SheetRevision['kind'], over: Partial<SheetRevision> = {}): SheetRevision => {
  const { families, parts, dosed } = systemKind(kind);
  return {
    ...resin!,
    kind,
    family: families[0]!,
    parts: parts.map((p) => ({ bulkGPerMl: null, filler: null, ...p })),
    dose: dosed ? { minPct: 1, maxPct: 3, usualPct: 2, of: 'A' } : null,
    flow: null,
    ...over,
  };
};
const said = (methodId: string, sheet: SheetRevision) =>
  takenBy(methodOf(methodId)!, sheet).map((t) => [
    t.id,
    t.met,
    say(t.says, { system: 'metric', zone: 'utc', language: 'en' }),
  ]);
const taken = (methodId: string, sheet: SheetRevision) => isTaken(methodOf(methodId)!, sheet);

test.each(Object.entries(USED))('%s takes every kind that is used for it', (id, kinds) => {
  expect(kinds.filter((k) => !taken(id, bare(k as SheetRevision['kind'])))).toEqual([]);
});

test('every kind serves something, and no method takes everything', () => {
  for (const kind of KIND_IDS) expect([kind, METHODS.some((m) => isTaken(m, bare(kind)))]).toEqual([kind, true]);
  for (const m of METHODS) expect([m.id, KIND_IDS.every((k) => isTaken(m, bare(k)))]).toEqual([m.id, false]);
});

test('a plate is bonded with what is a paste, however it comes out', () => {
  for (const kind of ['paste', 'cartridge-paste', 'four-part-paste', 'sachets', 'anchor-pack'] as const)
    expect([kind, taken('plate-bond', bare(kind))]).toEqual([kind, true]);
  for (const kind of ['cement-water', 'joint-colour', 'tile-adhesive', 'powder-liquid', 'consolidant'] as const)
    expect([kind, taken('plate-bond', bare(kind))]).toEqual([kind, false]);
});

test('what fails is said with what is needed instead', () => {
  expect(said('anchor', bare('paste'))).toEqual([
    ['flow', true, 'paste: it stands where it is put'],
    ['out', false, 'out of a pot (needed: through a static mixer)'],
    ['binder', true, 'a resin'],
    ['sand', true, 'no sand in it'],
  ]);
  expect(said('cement-patch', bare('mortar-kit'))[2]).toEqual(['binder', false, 'a resin (needed: cement)']);
  expect(said('mortar-patch', bare('paste'))[0]).toEqual(['flow', false, 'a paste (needed: a mortar)']);
});

test('sand is borne where it belongs, and nowhere else', () => {
  const mortar = bare('mortar-kit');
  expect(said('poured-crack', mortar)[3]).toEqual(['sand', true, 'sand in it, which this work bears']);
  expect(said('finish-coat', bare('crack-filler'))[3]).toEqual(['sand', false, 'sand in it (needed: none)']);
  for (const id of ['barrier-coat', 'small-part', 'fitting-tack', 'stone-chip', 'timber-soak'])
    expect([id, taken(id, mortar)]).toEqual([id, false]);
});

test('the sheet overrules its kind: a grout that pours is no mortar, a mortar that stands is not poured', () => {
  const [grout, stiff] = [bare('mortar-kit', { flow: 'pours' }), bare('mortar-kit', { flow: 'mortar' })];
  expect([taken('poured-collar', grout), taken('mortar-patch', grout)]).toEqual([true, false]);
  expect([taken('poured-collar', stiff), taken('mortar-patch', stiff)]).toEqual([false, true]);
  expect(flowsOf(bare('mortar-kit'))).toEqual(['mortar', 'pours']);
  expect(Object.keys(FLOWS)).toEqual(expect.arrayContaining([...flowsOf(grout)]));
});

test('a liquid without fillers may be thickened to a paste; one that is dosed, filled or no resin may not', () => {
  const plate = methodOf('plate-bond')!;
  const liquid = bare('liquid-resin');
  expect([isTaken(plate, liquid), wantsThickening(plate, liquid)]).toEqual([true, true]);
  expect(said('plate-bond', liquid)[0]![2]).toBe('liquid: it is thickened to a paste with fillers of one’s own');
  for (const kind of ['finish-resin', 'crack-filler', 'joint-colour'] as const)
    expect([kind, isTaken(plate, bare(kind))]).toEqual([kind, false]);
  // Where it may run, nothing is thickened.
  expect(wantsThickening(methodOf('poured-crack')!, liquid)).toBe(false);
});
