import { readFileSync } from 'node:fs';
import { extentOf } from '@/core/scan';
import { loadScan, MAX_BYTES } from './load-scan';
import { readPoints } from './point-text';

const bytes = (text: string) => new TextEncoder().encode(text).buffer as ArrayBuffer;
const file = (name: string) => {
  const b = readFileSync(`public/samples/${name}`);
  return b.buffer.slice(b.byteOffset, b.byteOffset + b.byteLength) as ArrayBuffer;
};
const FACET = 'facet normal 0 0 1\nouter loop\nvertex 0 0 0\nvertex 10 0 0\nvertex 0 10 2\nendloop\nendfacet\n';

describe('meshes', () => {
  test('binary STL and binary PLY, as they ship', () => {
    const stl = loadScan('ramp-edge.stl', file('ramp-edge.stl'));
    expect(stl.triangles).toBe((file('ramp-edge.stl').byteLength - 84) / 50);
    expect(stl.xyz).toHaveLength(9 * stl.triangles);
    const ply = loadScan('hull-gouge.ply', file('hull-gouge.ply'));
    expect(ply).toMatchObject({ triangles: 0 });
    expect(ply.xyz.length / 3).toBeGreaterThan(10_000);
  });
  test('text STL, text PLY with faces, OBJ', () => {
    const stl = loadScan('a.stl', bytes(`solid a\n${FACET}${FACET}endsolid a\n`));
    expect([stl.triangles, Array.from(stl.xyz.slice(3, 6))]).toEqual([2, [10, 0, 0]]);
    const ply = loadScan(
      'a.ply',
      bytes(
        'ply\nformat ascii 1.0\nelement vertex 3\nproperty float x\nproperty float y\nproperty float z\nelement face 1\nproperty list uchar int vertex_indices\nend_header\n0 0 0\n10 0 0\n0 10 2\n3 0 1 2\n',
      ),
    );
    expect([ply.triangles, Array.from(ply.xyz)]).toEqual([1, [0, 0, 0, 10, 0, 0, 0, 10, 2]]);
    const obj = loadScan('a.obj', bytes('v 0 0 0\nv 10 0 0\nv 0 10 2\nf 1 2 3\n'));
    expect([obj.triangles, Array.from(obj.xyz)]).toEqual([1, [0, 0, 0, 10, 0, 0, 0, 10, 2]]);
  });
  test('a large binary STL is taken in thinned, and says how much it held; a corner that is no number is still found', () => {
    const many = 260_000;
    const stl = new ArrayBuffer(84 + 50 * many);
    const view = new DataView(stl);
    view.setUint32(80, many, true);
    const put = (t: number, corner: number, axis: number, value: number) =>
      view.setFloat32(84 + 50 * t + 12 + 12 * corner + 4 * axis, value, true);
    for (let t = 0; t < many; t++) for (let corner = 0; corner < 3; corner++) put(t, corner, 0, t + corner / 10);
    const cloud = loadScan('big.stl', stl);
    expect(cloud).toMatchObject({ triangles: many / 2, held: 3 * many });
    expect(Array.from(cloud.xyz.slice(9, 18))).toEqual([2, 0, 0, Math.fround(2.1), 0, 0, Math.fround(2.2), 0, 0]);
    // Triangle 101 would have been left out.
    put(101, 1, 2, Number.NaN);
    expect(() => extentOf(loadScan('big.stl', stl))).toThrow(/Point 305 of the scan is not a number/);
  });
  test('files that are cut off say what is missing', () => {
    expect(() => loadScan('a.stl', file('ramp-edge.stl').slice(0, 5000))).toThrow(
      /announces 17520 triangles and holds 98/,
    );
    expect(() => loadScan('a.ply', file('hull-gouge.ply').slice(0, 9000))).toThrow(
      /announces \d+ vertices and holds \d+/,
    );
    expect(() => loadScan('a.stl', bytes(`solid a\n${FACET}facet nor`))).toThrow(/cut off/);
    expect(() => loadScan('a.ply', bytes('plain text'))).toThrow(/does not begin like a PLY/);
    expect(() => loadScan('a.obj', bytes('# nothing\n'))).toThrow(/holds no points/);
    expect(() => loadScan('a.stl', bytes('short'))).toThrow(/too short/);
  });
  test('too large a file is refused before it is read, a foreign one by its ending', () => {
    expect(() => loadScan('big.stl', { byteLength: MAX_BYTES + 1e8 } as ArrayBuffer)).toThrow(/500 MB; up to 400 MB/);
    expect(() => loadScan('a.docx', bytes('x'))).toThrow(/STL, PLY, OBJ/);
  });
});

describe('points as text', () => {
  const points = (text: string) => Array.from(readPoints('a.xyz', bytes(text)).xyz);
  test.each([
    ['blanks', '1 2 3\n-4.5  5e1 6.25e-1\n', [1, 2, 3, -4.5, 50, 0.625]],
    ['a header, commas, colours behind', 'x,y,z,r,g,b\n1.5,2,3,255,0,0\n4,5,6,1,2,3', [1.5, 2, 3, 4, 5, 6]],
    [
      'decimal commas with semicolons and a header',
      'X;Y;Z\r\n1,5;2,25;-3,125\r\n4;5;6\r\n',
      [1.5, 2.25, -3.125, 4, 5, 6],
    ],
    ['decimal commas with tabs', '1,5\t2,5\t3,5', [1.5, 2.5, 3.5]],
    ['comments, a count, empty lines', '# scanner\n2\n\n1 2 3\n# middle\n4 5 6\n\n', [1, 2, 3, 4, 5, 6]],
  ])('%s', (_, text, wanted) => {
    const got = points(text);
    expect(got).toHaveLength(wanted.length);
    got.forEach((v, i) => {
      expect(v).toBeCloseTo(wanted[i]!, 12);
    });
  });
  test('reads numbers as the language does', () => {
    const numbers = Array.from({ length: 600 }, (_, i) => (Math.sin(i * 12.9898) * 43758.5453) % 1000);
    const got = points(numbers.map((v, i) => `${v.toFixed(4)}${i % 3 === 2 ? '\n' : ' '}`).join(''));
    got.forEach((v, i) => {
      expect(v).toBeCloseTo(Number(numbers[i]!.toFixed(4)), 10);
    });
  });
  test('a line that is no point is named', () => {
    expect(() => points('1 2 3\n4 five 6\n')).toThrow(/line 2, “4 five 6”, holds something that is no number/);
    expect(() => points('1 2 3\n4 5\n')).toThrow(/line 2.*fewer than three/);
    expect(() => points('1 2 3\nNaN NaN NaN\n')).toThrow(/line 2/);
    expect(() => points('1,5,2,5,3,5\n')).toThrow(/same comma/);
  });
});
