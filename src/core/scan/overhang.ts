import type { Cloud } from './cloud';
import type { Frame, Turned } from './frame';
import { type Grid, widened } from './grid';

/**
 * Share of the void under overhangs: of a mesh, triangles that face away; of points, cells well inside with two floors.
 */
export function overhangShare(
  cloud: Cloud,
  { axes }: Frame,
  mask: Uint8Array,
  grid: Grid,
  spread: Float64Array,
  residualMm: number,
  at: Turned,
): number {
  const deep = widened(mask, grid.nx, grid.ny, -2);
  const cells = deep.reduce((s, m) => s + m, 0);
  if (!cells) return 0;
  if (!cloud.triangles) {
    const two = Uint8Array.from(deep, (d, i) => (d && spread[i]! > Math.max(8 * residualMm, 6 * grid.cellMm) ? 1 : 0));
    return beside(two, grid) / cells;
  }
  const z = axes[2];
  const { xyz } = cloud;
  const [z0, z1, z2] = z as readonly [number, number, number];
  // Twice the areas as seen from the face, by which way they look: sound up, sound down, void up, void down.
  const area = new Float64Array(4);
  for (let i = 0; i < at.w.length; i++) {
    const f = 9 * i;
    const [cx, cy, cz] = [xyz[f]!, xyz[f + 1]!, xyz[f + 2]!];
    const [ax, ay, az] = [xyz[f + 3]! - cx, xyz[f + 4]! - cy, xyz[f + 5]! - cz];
    const [bx, by, bz] = [xyz[f + 6]! - cx, xyz[f + 7]! - cy, xyz[f + 8]! - cz];
    const normal = (ay * bz - az * by) * z0 + (az * bx - ax * bz) * z1 + (ax * by - ay * bx) * z2;
    const x = Math.min(grid.nx - 1, Math.floor((at.u[i]! - grid.u0) / grid.cellMm));
    const y = Math.min(grid.ny - 1, Math.floor((at.v[i]! - grid.v0) / grid.cellMm));
    area[2 * mask[y * grid.nx + x]! + (normal > 0 ? 0 : 1)]! += Math.abs(normal);
  }
  const [soundUp, soundDown, voidUp, voidDown] = area as unknown as [number, number, number, number];
  // Which way the mesh winds is told by the sound face; what winds the other way inside the void faces away.
  const hidden = soundUp >= soundDown ? voidDown : voidUp;
  return hidden / Math.max(1e-9, voidUp + voidDown);
}

/** Cells of a mask that have at least three more round them: a second floor has an extent, a stray point has none. */
function beside(mask: Uint8Array, { nx, ny }: Grid): number {
  let many = 0;
  for (let y = 1; y + 1 < ny; y++)
    for (let x = 1; x + 1 < nx; x++) {
      if (!mask[y * nx + x]) continue;
      let round = -1;
      for (let dy = -nx; dy <= nx; dy += nx) for (let dx = -1; dx <= 1; dx++) round += mask[y * nx + x + dy + dx]!;
      if (round >= 3) many++;
    }
  return many;
}
