import { dequal } from 'dequal';
import { type Method, methodOf, usualThickness } from '../method';
import type { SheetRevision } from '../system';
import { type Measured, measured, unmeasured, type VoidShape } from '../void';
import type { Piece } from './repair';

/** What of a sheet tells how thick it lies. */
type Told = Pick<SheetRevision, 'uptakeMlPerM2' | 'coversM2PerL'> & {
  readonly limits: Pick<SheetRevision['limits'], 'liftMinMm' | 'liftMaxMm'>;
};

/** A face is drawn so thick until somebody says how thick it is, mm: shown as not measured yet. */
const DRAWN_MM = 1;

/**
 * How thick a sheet lies where its method has a thickness of its own: as it says that a square metre drinks or a litre
 * covers; else as usual for the method, as far as the sheet's limits let it. null where neither says anything, or the
 * sheet alone says how much goes by the square metre.
 */
function saidBy(method: Method, sheet: Told): Measured | null {
  const usual = usualThickness(method);
  if (method.params?.toRefusal) return sheet.uptakeMlPerM2 ? measured(sheet.uptakeMlPerM2 / 1000, 'guess') : null;
  if (!usual || method.params?.byCoverage) return null;
  const { liftMinMm, liftMaxMm } = sheet.limits;
  const mm = sheet.coversM2PerL
    ? 1 / sheet.coversM2PerL
    : Math.min(Math.max(usual.valueMm, liftMinMm ?? 0), liftMaxMm ?? Number.POSITIVE_INFINITY);
  return mm === usual.valueMm ? usual : measured(Number(mm.toPrecision(3)), 'film');
}

/** How thick a pass lies on a face before anybody has said so: by its sheet, as usual for its method, or unmeasured. */
export const firstThickness = (method: Method, sheet: Told | null = null): Measured =>
  (sheet && saidBy(method, sheet)) ?? usualThickness(method) ?? unmeasured(DRAWN_MM, 'film');

/** Whose figure a thickness is that nobody has typed; null where somebody has. */
export function whoseThickness(method: Method, sheet: Told | null, thickness: Measured): 'sheet' | 'usual' | null {
  const usual = usualThickness(method);
  if (usual && dequal(usual, thickness)) return 'usual';
  return sheet && dequal(saidBy(method, sheet), thickness) ? 'sheet' : null;
}

/**
 * The faces of a pass as thick as a sheet says: wherever its figure is still the one nobody chose. What somebody typed
 * stays.
 * @param was the sheet that stood there before; its figure is nobody's choice either
 */
export function thickBySheet(piece: Piece, sheet: Told, was: Told | null = null): Pick<Piece, 'void' | 'takes'> {
  const { void: measuredAs, takes } = piece;
  const method = methodOf(piece.method.id);
  const says = method ? saidBy(method, sheet) : null;
  if (!method || !says) return { void: measuredAs, takes };
  const isOurs = (m: Measured) => whoseThickness(method, was, m) !== null;
  return {
    void: measuredAs && {
      ...measuredAs,
      shapes: measuredAs.shapes.map((s) =>
        'thickness' in s && isOurs(s.thickness) ? ({ ...s, thickness: says } as VoidShape) : s,
      ),
    },
    takes: takes.from === 'face' && isOurs(takes.thickness) ? { ...takes, thickness: says } : takes,
  };
}
