import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { makeScan } from '../src/sample/scans';

const bowl = (x: number, y: number) => {
  const r = Math.hypot((x - 400) / 190, (y - 250) / 120);
  return r >= 1 ? 0 : 30 * (1 - r * r);
};
const face = (x: number, y: number) => -((x - 400) ** 2) / 9000 - (y - 250) ** 2 / 7000;
export const LARGE_VOLUME_ML = (Math.PI * 190 * 120 * 15) / 1000;

/** A binary STL of a million triangles and a text file of two million points, as files and in memory. */
export function largeScans(): { stl: { path: string; bytes: ArrayBuffer }; xyz: { path: string; text: string } } {
  const folder = mkdtempSync(join(tmpdir(), 'grenko-scans-'));
  const mesh = makeScan({
    lengthMm: 800,
    widthMm: 500,
    spacingMm: 0.8936,
    noiseMm: 0.2,
    seed: 3,
    mesh: true,
    turnedDeg: [5, 9, 0],
    faceAt: face,
    depthAt: bowl,
  });
  const stl = Buffer.alloc(84 + 50 * mesh.triangles);
  stl.writeUInt32LE(mesh.triangles, 80);
  for (let t = 0; t < mesh.triangles; t++)
    for (let k = 0; k < 9; k++) stl.writeFloatLE(mesh.xyz[9 * t + k]!, 84 + 50 * t + 12 + 4 * k);
  const cloud = makeScan({
    lengthMm: 800,
    widthMm: 500,
    spacingMm: 0.447,
    noiseMm: 0.3,
    seed: 4,
    mesh: false,
    turnedDeg: [5, 9, 0],
    faceAt: face,
    depthAt: bowl,
  });
  const rows: string[] = [];
  for (let i = 0; i < cloud.xyz.length; i += 3)
    rows.push(`${cloud.xyz[i]!.toFixed(3)} ${cloud.xyz[i + 1]!.toFixed(3)} ${cloud.xyz[i + 2]!.toFixed(3)}`);
  const text = `${rows.join('\n')}\n`;
  const paths = { stl: join(folder, 'million.stl'), xyz: join(folder, 'points.xyz') };
  writeFileSync(paths.stl, stl);
  writeFileSync(paths.xyz, text);
  return {
    stl: { path: paths.stl, bytes: stl.buffer.slice(stl.byteOffset, stl.byteOffset + stl.byteLength) as ArrayBuffer },
    xyz: { path: paths.xyz, text },
  };
}
