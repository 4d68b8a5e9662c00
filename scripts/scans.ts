import { mkdirSync, writeFileSync } from 'node:fs';
import { measureScan } from '../src/core/scan';
import { hullGougeScan, rampEdgeScan } from '../src/sample/scans';

/**
 * Writes the two made-up scans that ship with the product: `npm run scans`. The same seed always gives the same files.
 */
mkdirSync('public/samples', { recursive: true });

const { xyz, triangles } = rampEdgeScan(3);
const stl = Buffer.alloc(84 + 50 * triangles);
stl.write('made-up scan of a spalled ramp edge, mm');
stl.writeUInt32LE(triangles, 80);
for (let t = 0; t < triangles; t++)
  for (let k = 0; k < 9; k++) stl.writeFloatLE(xyz[9 * t + k]!, 84 + 50 * t + 12 + 4 * k);
writeFileSync('public/samples/ramp-edge.stl', stl);

// The sample repair carries the void as it was found, so that loading the sample measures nothing.
const found = measureScan({ xyz, triangles }, { surface: 'plane', mmPerUnit: 1 });
writeFileSync(
  'src/sample/ramp-edge.json',
  `${JSON.stringify({ ...found, source: { ...found.source, name: 'ramp-edge.stl', unit: 'mm' } }, null, 2)}\n`,
);

const hull = hullGougeScan(2.5);
const n = hull.xyz.length / 3;
const header = `ply\nformat binary_little_endian 1.0\ncomment made-up scan of a gouge in a curved hull, mm\nelement vertex ${n}\nproperty float x\nproperty float y\nproperty float z\nend_header\n`;
writeFileSync('public/samples/hull-gouge.ply', Buffer.concat([Buffer.from(header), Buffer.from(hull.xyz.buffer)]));
