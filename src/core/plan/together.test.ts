import { sampleData } from '../../sample/jobs';
import { sampleSheets } from '../../sample/systems';
import { isTaken, methodOf } from '../method';
import { piecesOf, type Repair } from './repair';
import { setTogether, takesSystem } from './together';

const { bundles } = sampleData(Date.UTC(2026, 4, 5, 6), 'Europe/Helsinki');
const repairs: readonly Repair[] = bundles.flatMap((b) => b.repairs);

test('how warm the packs are kept and the hands are set for every pass, and nothing else is', () => {
  for (const repair of repairs) {
    const made = setTogether(repair, { materialC: 12, crew: 3 });
    expect(made.crew).toBe(3);
    for (const piece of piecesOf(made)) expect(piece.materialC).toBe(12);
    const back = setTogether(made, { crew: repair.crew });
    const plain = (r: Repair) => piecesOf(r).map(({ materialC: _c, ...rest }) => rest);
    expect(plain(back)).toEqual(plain(repair));
  }
});
test('a system is set for the passes that take it alone, with a kit of its own and no dose of the one before', () => {
  let set = 0;
  for (const sheet of sampleSheets)
    for (const repair of repairs) {
      const made = setTogether(repair, { sheet });
      for (const [i, piece] of piecesOf(made).entries()) {
        const was = piecesOf(repair)[i]!;
        const fits = isTaken(methodOf(piece.method.id)!, sheet);
        expect(piece.sheetId).toBe(fits ? sheet.id : was.sheetId);
        if (piece.sheetId === was.sheetId) continue;
        set++;
        expect(sheet.kits.map((k) => k.id)).toContain(piece.kitId);
        expect([piece.dosePct, piece.blend, piece.colour]).toEqual([null, null, null]);
      }
      expect(takesSystem(repair, sheet)).toBe(piecesOf(repair).some((p) => isTaken(methodOf(p.method.id)!, sheet)));
    }
  expect(set).toBeGreaterThan(3);
});
test('what it has already is no change: the same repair comes back', () => {
  for (const repair of repairs) {
    const [piece] = piecesOf(repair);
    expect(setTogether(repair, {})).toBe(repair);
    expect(setTogether(repair, { crew: repair.crew })).toBe(repair);
    const once = setTogether(repair, { materialC: 9 });
    expect(setTogether(once, { materialC: 9 })).toBe(once);
    if (piece!.materialC !== 9) expect(once).not.toBe(repair);
  }
});
