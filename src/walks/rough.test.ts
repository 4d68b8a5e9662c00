import { repairOf } from '@/core/plan';
import { measured, SHAPES, type VoidShape, voidOf } from '@/core/void';
import { boatSheets } from '@/sample/boat-systems';
import { FIRST_LOOKS } from '@/sample/first';
import { at, printedPlan, walkJob, walkPiece } from './made';

const NOW = at('2027-04-20T07:00');
const job = walkJob({ id: 'rough', startFrom: NOW });
const barrier = boatSheets.find((s) => /Barrier/.test(s.name))!;

/** What is said of so many coats of so much over a face of a texture. */
const said = (coats: number, mm: number, texture: string, method = 'barrier-coat') => {
  const piece = walkPiece(job, {
    method: { id: method, version: 1 },
    void: voidOf({
      ...SHAPES.coat.blank(),
      outline: { kind: 'rectangle', length: measured(900), width: measured(400) },
      thickness: measured(mm, 'film'),
      texture: { from: 'class', class: texture },
    } as VoidShape),
    sheetId: barrier.id,
    settings: { coats },
  });
  const base = { ...piece.base, material: 'laminate' as const };
  const [r] = printedPlan({ job, repairs: [repairOf({ ...piece, base })], sheets: [barrier] }, NOW).repairs;
  return r!.findings.filter((f) => f.id === 'rough');
};

test('coats that together do not cover the peaks are told, with both figures', () => {
  const [f] = said(2, 0.12, 'fine');
  expect(f!.severity).toBe('caution');
  expect(f!.why).toMatch(/2 coats of 0\.12 mm, 0\.24 mm together.*0\.3 mm deep/);
});
test.each([
  [3, 0.12, 'fine', 0],
  [2, 0.12, 'smooth', 0],
  [1, 0.3, 'fine', 0],
  [1, 0.29, 'fine', 1],
  [4, 0.3, 'coarse', 1],
  [1, 0.01, 'none', 0],
] as const)('%i of %f mm on %s: %i', (coats, mm, texture, findings) => {
  expect(said(coats, mm, texture)).toHaveLength(findings);
});
test('the first looks have none', () => {
  for (const look of FIRST_LOOKS) {
    const piece = walkPiece(job, { method: { id: look.method, version: 1 }, void: look.void, sheetId: look.sheet.id });
    const [r] = printedPlan({ job, repairs: [repairOf(piece)], sheets: [look.sheet] }, NOW).repairs;
    expect([look.id, r!.findings.filter((f) => f.id === 'rough')]).toEqual([look.id, []]);
  }
});
