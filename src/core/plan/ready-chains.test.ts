import { freshRepair } from '@/ui/workspace/fresh';
import { effectsOf, METHODS, methodOf } from '../method';
import { BASES } from '../system';
import { BROKE, type BrokeId, measured } from '../void';
import {
  basesOf,
  chainMends,
  GATES,
  mendersOf,
  mends,
  pieceOf,
  piecesOf,
  READY_CHAINS,
  Repair,
  takesFace,
  whyNotNext,
  withChain,
} from '.';

const NOW = Date.UTC(2027, 4, 10, 7);
const begun = (chain: (typeof READY_CHAINS)[number]): Repair => {
  const fresh = freshRepair('j', chain.first.method, 1, NOW, basesOf(chain)[0]!);
  return withChain(fresh, chain);
};
const each = READY_CHAINS.map((c) => [c.id, c] as const);

test.each(each)(
  '%s is a sound repair: known methods on a base that bears all of them, gates that there are',
  (_, chain) => {
    expect(basesOf(chain).length).toBeGreaterThan(0);
    const repair = begun(chain);
    expect(Repair.safeParse(repair).error?.issues ?? []).toEqual([]);
    const pieces = piecesOf(repair);
    expect(pieces.map((p) => p.method.id)).toEqual([chain.first.method, ...chain.next.map((t) => t.method)]);
    expect(pieces.map((p) => p.passName)).toEqual([chain.first.name, ...chain.next.map((t) => t.name)]);
    for (const [i, p] of pieces.entries()) {
      expect(methodOf(p.method.id)).toBeDefined();
      expect(Object.keys(GATES)).toContain(p.gate);
      // What lies on another takes the pass right below it.
      if (p.takes.from !== 'own') expect(p.takes.of).toBe(pieces[i - 1]!.passId);
    }
  },
);

test('what was bared round a fill is coated with it: no ring of bare metal or dull laminate is left', () => {
  const beyond = (id: string) => {
    const { takes } = piecesOf(begun(READY_CHAINS.find((c) => c.id === id)!)).at(-1)!;
    return takes.from === 'face' ? takes.beyondMm : null;
  };
  expect(beyond('dent-coat')).toBe(100);
  expect(beyond('gouge-coat')).toBe(40);
  expect(beyond('hole-coat')).toBe(15);
  // A skim covers the strip of mesh, not the crack under it; of a bay it is measured how large it is.
  expect(beyond('mesh-skim')).toBe(100);
  expect(beyond('crack-skim')).toBeNull();
  // Taken anew, after a void of its own was tried, it goes as far again.
  const dent = begun(READY_CHAINS.find((c) => c.id === 'dent-coat')!);
  expect(takesFace(dent, 'p1', measured(0.2, 'film'))).toMatchObject({ from: 'face', of: 'p1', beyondMm: 100 });
  // A clear coat lies on the faces of the chip, however many they are: nobody measures them again.
  expect(beyond('chip-coat')).toBe(0);
  // Timber that was built up is faired over its faces; a hull is faired beyond its fitting, as measured.
  expect(beyond('timber')).not.toBeNull();
  const fair = (id: string) => piecesOf(begun(READY_CHAINS.find((c) => c.id === id)!))[2]!.takes;
  expect(fair('timber')).toMatchObject({ from: 'face', of: 'p2' });
  expect(fair('fitting')).toEqual({ from: 'own' });
  // A skim and a colour go as far as what lies under them.
  expect(beyond('patch-skim')).toBe(0);
});

test('what a chain chooses of its first pass is a choice that there is; a chip is not polished under its coat', () => {
  for (const chain of READY_CHAINS) {
    const [first] = piecesOf(begun(chain));
    const method = methodOf(chain.first.method)!;
    const fresh = pieceOf(freshRepair('j', chain.first.method, 1, NOW, basesOf(chain)[0]!));
    for (const [matter, option] of Object.entries(chain.first.schools ?? {})) {
      expect(method.schools.find((s) => s.id === matter)?.options.map((o) => o.id)).toContain(option);
      expect(first!.schools[matter]).toBe(option);
    }
    // Nothing else is chosen for anybody.
    expect({ ...first!.schools, ...fresh.schools }).toEqual({ ...chain.first.schools, ...fresh.schools });
  }
  const chip = piecesOf(begun(READY_CHAINS.find((c) => c.id === 'chip-coat')!))[0]!;
  expect(effectsOf(methodOf('stone-chip')!, chip.schools).finishTo).toBe('P400');
});

test('every base of a chain bears each of its methods, and no other base does', () => {
  for (const chain of READY_CHAINS)
    for (const base of BASES) {
      const fresh = { ...freshRepair('j', chain.first.method, 1, NOW), base: { ...begun(chain).base, material: base } };
      const bears = [chain.first, ...chain.next].every(({ method }) => whyNotNext(methodOf(method)!, fresh) === null);
      expect([chain.id, base, basesOf(chain).includes(base)]).toEqual([chain.id, base, bears]);
    }
});

test('whatever broke, on whatever it is made of, there is something to begin with, and never all at once', () => {
  for (const broke of Object.keys(BROKE) as BrokeId[]) {
    const offered = METHODS.filter((m) => mends(m, broke));
    expect([broke, offered.length > 0]).toEqual([broke, true]);
    expect([broke, offered.length < METHODS.length / 1.5]).toEqual([broke, true]);
  }
  for (const base of BASES) expect(METHODS.some((m) => m.bases.includes(base))).toBe(true);
  expect(READY_CHAINS.filter((c) => chainMends(c, 'crack')).map((c) => c.id)).toEqual(
    expect.arrayContaining(['crack-skim', 'mesh-skim']),
  );
});

test('no chain reads like a method: each is found by its own words', () => {
  for (const chain of READY_CHAINS)
    for (const m of METHODS)
      expect([chain.id, m.id, `${chain.label} ${chain.does}`.toLowerCase().includes(m.label.toLowerCase())]).toEqual([
        chain.id,
        m.id,
        false,
      ]);
});

test('what is done first of all for it stands in front', () => {
  const ids = (broke: BrokeId) => mendersOf(broke, METHODS).map((m) => m.id);
  expect(new Set(ids('crack').slice(0, 4))).toEqual(
    new Set(['poured-crack', 'crack-mesh', 'flexible-joint', 'metal-filler']),
  );
  expect(ids('crack').indexOf('mortar-patch')).toBeGreaterThan(ids('crack').indexOf('crack-mesh'));
  expect(ids('joints')[0]).toBe('resin-joints');
  expect(ids('piece')).toEqual(['rebuilt-part']);
});

test('a repair is made on what it was said to be made of; a method that is not done there keeps its own', () => {
  expect(freshRepair('j', 'anchor', 1, NOW, 'stone').base.material).toBe('stone');
  expect(freshRepair('j', 'anchor', 1, NOW, 'metal').base.material).toBe('concrete');
  expect(freshRepair('j', 'plate-bond', 1, NOW).base.material).toBe('metal');
  // And as thick as such a base usually is.
  const thick = (base: 'metal' | 'timber') => freshRepair('j', 'barrier-coat', 1, NOW, base).base.thicknessMm;
  expect(thick('metal')).toBeLessThan(thick('timber'));
});
