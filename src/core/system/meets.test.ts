import {
  clashesOf,
  FAMILIES,
  type FamilyId,
  GRADES,
  type GradeId,
  LAYERS,
  type LayerId,
  MEETS_NOTHING,
  Meets,
} from '.';

const families = Object.keys(FAMILIES) as FamilyId[];
const grades = [null, ...(Object.keys(GRADES) as GradeId[])];
const layers = [null, ...(Object.keys(LAYERS) as LayerId[])];
const everything = families.flatMap((family) =>
  grades.flatMap((grade) =>
    layers.flatMap((under) => layers.map((over) => ({ family, meets: { grade, under, over } }))),
  ),
);
const ids = (family: FamilyId, meets: Partial<Meets>) =>
  clashesOf(family, { ...MEETS_NOTHING, ...meets }).map((c) => c.id);

test('every meeting has an answer in whole sentences, and none is named twice', () => {
  for (const { family, meets } of everything) {
    expect(Meets.parse(meets)).toEqual(meets);
    const found = clashesOf(family, meets);
    expect(new Set(found.map((c) => c.id)).size).toBe(found.length);
    for (const c of found) {
      expect(c.why).toMatch(/\.$/);
      expect(c.todo).toMatch(/\.$/);
      expect('when' in c).toBe(false);
    }
  }
});

test('what is met adds: a base or a layer more never takes a clash away', () => {
  for (const { family, meets } of everything) {
    const all = ids(family, meets);
    for (const key of ['grade', 'under', 'over'] as const)
      for (const id of ids(family, { ...meets, [key]: null })) expect(all).toContain(id);
  }
});

test('on a bare common base only what hardens against the air has anything said of it', () => {
  for (const family of families) expect(ids(family, {})).toEqual(family === 'peroxide' ? ['air-inhibited'] : []);
});

test.each(['polyolefin', 'fluoro', 'acetal'] as const)('%s stops every family', (grade) => {
  for (const family of families) expect(ids(family, { grade })).toContain('no-bond');
});

test('the amine in old resin stops what is cured by peroxide, and only that; the other way round it is a matter of waiting', () => {
  for (const family of families)
    expect(ids(family, { under: 'amine' }).includes('radical-on-amine')).toBe(family === 'peroxide');
  for (const over of ['peroxide', 'methacrylate'] as const) {
    const [clash] = clashesOf('resin-amine', { ...MEETS_NOTHING, over });
    expect(clash).toMatchObject({ id: 'radical-over', severity: 'caution', from: 'next layer' });
  }
  expect(ids('resin-amine', { over: 'amine' })).toEqual([]);
});

test('foam is dissolved by radical systems and borne by the others', () => {
  const bad = families.filter((f) => ids(f, { grade: 'foam' }).includes('dissolves'));
  expect(bad.sort()).toEqual(['methacrylate', 'peroxide']);
});
