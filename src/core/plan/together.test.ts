import { sampleData } from '../../sample/jobs';
import { sampleSheets } from '../../sample/systems';
import { isTaken, methodOf } from '../method';
import { piecesOf, Repair } from './repair';
import { isOfKind, setTogether, takesSystem } from './together';

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

test('what was chosen for one is chosen for those of its kind: what is measured, found and placed stays their own', () => {
  let alike = 0;
  for (const model of repairs)
    for (const repair of repairs) {
      const other: Repair = { ...repair, id: `${repair.id}-other`, answers: {}, order: 7, crew: repair.crew + 1 };
      const made = setTogether(other, { chosenAs: model });
      if (!isOfKind(other, model)) {
        expect(made).toBe(other);
        continue;
      }
      alike++;
      expect(Repair.safeParse(made).success).toBe(true);
      expect([made.id, made.order, made.name, made.place, made.answers, made.base, made.chain]).toEqual([
        other.id,
        other.order,
        other.name,
        other.place,
        other.answers,
        other.base,
        other.chain,
      ]);
      expect(made.crew).toBe(model.crew);
      for (const [i, piece] of piecesOf(made).entries()) {
        const [as, was] = [piecesOf(model)[i]!, piecesOf(other)[i]!];
        expect([piece.sheetId, piece.kitId, piece.settings, piece.schools, piece.standIns]).toEqual([
          as.sheetId,
          as.kitId,
          as.settings,
          as.schools,
          as.standIns,
        ]);
        expect([piece.void, piece.takes, piece.stops, piece.borders, piece.meets]).toEqual([
          was.void,
          was.takes,
          was.stops,
          was.borders,
          was.meets,
        ]);
      }
      // Chosen once, there is nothing more to choose.
      expect(setTogether(made, { chosenAs: model })).toBe(made);
    }
  expect(alike).toBeGreaterThan(repairs.length);
  for (const repair of repairs) expect(setTogether(repair, { chosenAs: repair })).toBe(repair);
});

test('open questions are answered as at one of its kind; an answer that was given stands', () => {
  const model = repairs.find((r) => Object.keys(r.answers).length > 2)!;
  const [first, ...others] = Object.keys(model.answers);
  const turned = model.answers[first!] === 'unsure' ? 'yes' : 'unsure';
  const repair: Repair = { ...model, id: 'other', answers: { [first!]: turned } };
  const made = setTogether(repair, { foundAs: model });
  expect(made.answers[first!]).toBe(turned);
  for (const id of others) expect(made.answers[id]).toBe(model.answers[id]);
  expect(setTogether(made, { foundAs: model })).toBe(made);
  const stranger = repairs.find((r) => !isOfKind(r, model))!;
  expect(setTogether(stranger, { foundAs: model })).toBe(stranger);
  // Both at once, with the hands besides.
  const both = setTogether({ ...repair, crew: 1 }, { foundAs: model, chosenAs: model, crew: 4 });
  expect([both.crew, both.answers[others[0]!]]).toEqual([4, model.answers[others[0]!]]);
});
