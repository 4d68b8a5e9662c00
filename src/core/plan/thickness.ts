import { dequal } from 'dequal';
import { type Method, methodOf, usualThickness } from '../method';
import type { SheetRevision } from '../system';
import { halfWidthMm, type Measured, measured, SHAPES, type ShapeId, unmeasured, type VoidShape } from '../void';
import type { Piece } from './repair';

/** What of a sheet tells how thick it lies. */
type Told = Pick<SheetRevision, 'uptakeMlPerM2' | 'coversM2PerL'> & {
  readonly limits: Pick<SheetRevision['limits'], 'liftMinMm' | 'liftMaxMm' | 'bondMinMm' | 'bondMaxMm'>;
};

/** A face is drawn so thick until somebody says how thick it is, mm: shown as not measured yet. */
const DRAWN_MM = 1;

/** A figure of ours as far as a sheet’s least and most let it. */
const within = (mm: number, least: number | null, most: number | null): number =>
  Math.min(Math.max(mm, least ?? 0), most ?? Number.POSITIVE_INFINITY);

/** How thick a sheet lies on a face: as it says that a square metre drinks or a litre covers, or as it may. */
function onFace({ params }: Method, usual: Measured | null, sheet: Told): Measured | null {
  if (params?.toRefusal) return sheet.uptakeMlPerM2 ? measured(sheet.uptakeMlPerM2 / 1000, 'guess') : null;
  if (!usual || params?.byCoverage) return null;
  const { liftMinMm, liftMaxMm } = sheet.limits;
  const mm = sheet.coversM2PerL ? 1 / sheet.coversM2PerL : within(usual.valueMm, liftMinMm, liftMaxMm);
  return mm === usual.valueMm ? usual : measured(Number(mm.toPrecision(3)), 'film');
}

/**
 * How thick it lies in a bond line: as thin as is usual, or as its sheet lets it be, and as much thicker as is usual.
 * What a sheet allows at the most bridges a gap; nobody lays so much where faces meet.
 */
function inBond(usual: Measured | null, { limits: { bondMinMm, bondMaxMm } }: Told): Measured | null {
  if (!usual) return null;
  const [half, most] = [halfWidthMm(usual), bondMaxMm ?? Number.POSITIVE_INFINITY];
  const thin = usual.valueMm - half;
  const low = Math.max(bondMinMm ?? 0, thin < most ? thin : most / 2);
  const high = Math.min(most, low + 2 * half);
  const mm = Number(((low + high) / 2).toPrecision(6));
  return mm === usual.valueMm ? usual : measured(mm, usual.tool, Number(((high - low) / 2).toPrecision(6)));
}

/**
 * How thick a sheet lies where its method has a thickness of its own: as the sheet says; else as usual for the method,
 * as far as the sheet’s limits let it. null where neither says anything, or the sheet alone says how much goes by the
 * square metre.
 */
function saidBy(method: Method, sheet: Told, shape: ShapeId): Measured | null {
  const usual = usualThickness(method, shape);
  return SHAPES[shape].bondMm ? inBond(usual, sheet) : onFace(method, usual, sheet);
}

/** How thick a pass lies on a face before anybody has said so: by its sheet, as usual for its method, or unmeasured. */
export const firstThickness = (method: Method, sheet: Told | null = null): Measured =>
  (sheet && saidBy(method, sheet, 'coat')) ?? usualThickness(method) ?? unmeasured(DRAWN_MM, 'film');

/** Whose figure a thickness is in a shape, on a face if none is named; null where somebody has typed it. */
export function whoseThickness(
  method: Method,
  sheet: Told | null,
  thickness: Measured,
  shape: ShapeId = 'coat',
): 'sheet' | 'usual' | null {
  const usual = usualThickness(method, shape);
  if (usual && dequal(usual, thickness)) return 'usual';
  return sheet && dequal(saidBy(method, sheet, shape), thickness) ? 'sheet' : null;
}

/**
 * The faces and bond lines of a pass as thick as a sheet says: wherever its figure is still the one nobody chose. What
 * somebody typed stays.
 * @param was the sheet that stood there before; its figure is nobody's choice either
 */
export function thickBySheet(piece: Piece, sheet: Told, was: Told | null = null): Pick<Piece, 'void' | 'takes'> {
  const { void: measuredAs, takes } = piece;
  const method = methodOf(piece.method.id);
  if (!method) return { void: measuredAs, takes };
  const now = (m: Measured, shape: ShapeId): Measured =>
    (whoseThickness(method, was, m, shape) !== null && saidBy(method, sheet, shape)) || m;
  const asSaid = (s: VoidShape): VoidShape => {
    if (!('thickness' in s)) return s;
    const thickness = now(s.thickness, s.shape);
    return thickness === s.thickness ? s : ({ ...s, thickness } as VoidShape);
  };
  const shapes = measuredAs?.shapes.map(asSaid) ?? [];
  const thickness = takes.from === 'face' ? now(takes.thickness, 'coat') : null;
  return {
    void: measuredAs && shapes.some((s, i) => s !== measuredAs.shapes[i]) ? { ...measuredAs, shapes } : measuredAs,
    takes: takes.from === 'face' && thickness !== takes.thickness ? { ...takes, thickness: thickness! } : takes,
  };
}
