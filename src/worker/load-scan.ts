import type { BufferGeometry, Mesh, Object3D } from 'three';
import { OBJLoader } from 'three/examples/jsm/loaders/OBJLoader.js';
import { PLYLoader } from 'three/examples/jsm/loaders/PLYLoader.js';
import { STLLoader } from 'three/examples/jsm/loaders/STLLoader.js';
import { listed, type Message, refuse } from '@/core/say';
import { type Cloud, everyOf } from '@/core/scan';
import { phrase } from '@/words';
import { readPoints } from './point-text';
import { SCAN_FILE } from './scan-words';

/** Largest file taken in, bytes: beyond it a browser's tab runs out of memory. */
export const MAX_BYTES = 400e6;
/** Ways a file of a scan may be written, by the ending of its name. */
export const SCAN_ENDINGS = ['stl', 'ply', 'obj', 'xyz', 'csv', 'txt', 'pts'] as const;

const endingOf = (name: string) => name.toLowerCase().split('.').pop() ?? '';
const broken = (name: string, why: Message): never =>
  refuse('file', name, 'a whole scan file', SCAN_FILE.unread({ name, why }));

/** Triangles of a geometry as places side by side; a geometry without faces is a cloud of points. */
function cloudOf(geometry: BufferGeometry, faces: boolean): Cloud {
  const position = geometry.getAttribute('position');
  const own = position?.array as Float32Array | undefined;
  if (!own?.length) return { xyz: new Float32Array(), triangles: 0 };
  const index = geometry.getIndex()?.array;
  if (!index?.length) return { xyz: own, triangles: faces ? Math.floor(own.length / 9) : 0 };
  const xyz = new Float32Array(3 * index.length);
  for (let i = 0; i < index.length; i++) xyz.set(own.subarray(3 * index[i]!, 3 * index[i]! + 3), 3 * i);
  return { xyz, triangles: Math.floor(index.length / 3) };
}

/** A binary STL says how many triangles it holds: what is missing is told before it is read. */
function checkStl(name: string, bytes: ArrayBuffer): void {
  if (bytes.byteLength < 84) broken(name, SCAN_FILE['too-short']());
  const head = new TextDecoder().decode(bytes.slice(0, 512));
  const says = new DataView(bytes).getUint32(80, true);
  const wants = 84 + 50 * says;
  if (bytes.byteLength === wants || (head.startsWith('solid') && /\bfacet\b/.test(head))) return;
  if (bytes.byteLength < wants)
    broken(
      name,
      SCAN_FILE['cut-off']({
        said: says,
        what: 'triangles',
        holds: Math.max(0, Math.floor((bytes.byteLength - 84) / 50)),
      }),
    );
}

/** A text STL ends with its closing word, unless it is cut off. */
function checkTextStl(name: string, bytes: ArrayBuffer): void {
  const head = new TextDecoder().decode(bytes.slice(0, 512));
  if (!head.startsWith('solid') || !/\bfacet\b/.test(head)) return;
  const tail = new TextDecoder().decode(bytes.slice(Math.max(0, bytes.byteLength - 200)));
  if (!/endsolid/.test(tail)) broken(name, SCAN_FILE['no-end']());
}

const STL_HEAD = 84;
const STL_TRIANGLE = 50;

/**
 * Whether all corners of a binary STL are numbers: a float is none when all bits of its exponent are set. Normals may
 * be anything.
 */
function allNumbers(bytes: ArrayBuffer, triangles: number): boolean {
  const halves = new Uint16Array(bytes, STL_HEAD, (STL_TRIANGLE / 2) * triangles);
  for (let t = 0; t < halves.length; t += STL_TRIANGLE / 2)
    for (let k = 7; k < 24; k += 2) if ((halves[t + k]! & 0x7f80) === 0x7f80) return false;
  return true;
}

/**
 * A large binary STL cut down to the triangles that are used, so that neither the loader nor memory pays for the rest.
 * A file with numbers that are none is left whole: the check of the points names the first.
 */
function thinStl(bytes: ArrayBuffer): { bytes: ArrayBuffer; held?: number } {
  const triangles = new DataView(bytes).getUint32(80, true);
  const step = everyOf(triangles);
  if (step < 2 || bytes.byteLength !== STL_HEAD + STL_TRIANGLE * triangles || !allNumbers(bytes, triangles))
    return { bytes };
  const kept = Math.floor(triangles / step);
  const out = new ArrayBuffer(STL_HEAD + STL_TRIANGLE * kept);
  new Uint8Array(out).set(new Uint8Array(bytes, 0, 80));
  new DataView(out).setUint32(80, kept, true);
  const [to, from] = [new Uint16Array(out, STL_HEAD), new Uint16Array(bytes, STL_HEAD)];
  const each = STL_TRIANGLE / 2;
  for (let t = 0, at = 0; t < kept; t++)
    for (let k = 0, source = t * step * each; k < each; k++) to[at++] = from[source++]!;
  return { bytes: out, held: 3 * triangles };
}

/** A PLY says how many vertices and faces it holds. */
function checkPly(name: string, bytes: ArrayBuffer): void {
  const head = new TextDecoder('latin1').decode(bytes.slice(0, 4096));
  if (!head.startsWith('ply')) broken(name, SCAN_FILE['no-ply']());
  const end = head.indexOf('end_header');
  const vertices = Number(/element vertex (\d+)/.exec(head)?.[1]);
  if (end < 0 || !vertices) broken(name, SCAN_FILE['no-vertices']());
  const body = bytes.byteLength - end - 11;
  if (/format binary/.test(head)) {
    const sizes: Record<string, number> = {
      char: 1,
      uchar: 1,
      int8: 1,
      uint8: 1,
      short: 2,
      ushort: 2,
      int16: 2,
      uint16: 2,
      int: 4,
      uint: 4,
      int32: 4,
      uint32: 4,
      float: 4,
      float32: 4,
      double: 8,
      float64: 8,
    };
    const own = head.slice(head.indexOf('element vertex'), end).split('element')[1] ?? '';
    const size = [...own.matchAll(/property (\w+) \w+/g)].reduce((s, m) => s + (sizes[m[1]!] ?? 0), 0);
    if (body < vertices * size)
      broken(
        name,
        SCAN_FILE['cut-off']({
          said: vertices,
          what: 'vertices',
          holds: Math.max(0, Math.floor(body / size)),
        }),
      );
  } else {
    const lines =
      new TextDecoder('latin1')
        .decode(bytes.slice(end))
        .split('\n')
        .filter((l) => l.trim()).length - 1;
    if (lines < vertices) broken(name, SCAN_FILE['cut-off']({ said: vertices, what: 'vertices', holds: lines }));
  }
}

/**
 * Reads a scan: STL and PLY in both kinds, OBJ, or points as text.
 * @throws Refusal that names the file and what is wrong with it
 */
export function loadScan(name: string, bytes: ArrayBuffer): Cloud {
  if (bytes.byteLength > MAX_BYTES)
    refuse(
      'file',
      bytes.byteLength,
      phrase`up to ${MAX_BYTES / 1e6} MB`,
      SCAN_FILE['too-large']({ name, size: Math.round(bytes.byteLength / 1e6), most: MAX_BYTES / 1e6 }),
    );
  const read = READERS[endingOf(name)];
  if (!read)
    return refuse(
      'file',
      name,
      SCAN_ENDINGS.join(', '),
      SCAN_FILE['no-scan']({
        name,
        endings: listed(
          SCAN_ENDINGS.map((e) => e.toUpperCase()),
          'comma',
        ),
      }),
    );
  let cloud: Cloud;
  try {
    cloud = read(name, bytes);
  } catch (error) {
    if ((error as { problem?: unknown }).problem) throw error;
    return broken(name, SCAN_FILE.damaged({ how: (error as Error).message }));
  }
  if (cloud.xyz.length < 9) broken(name, SCAN_FILE['no-points']());
  return cloud;
}

/** The table of readers. */
const READERS: Readonly<Record<string, (name: string, bytes: ArrayBuffer) => Cloud>> = {
  stl: (name, bytes) => {
    checkStl(name, bytes);
    checkTextStl(name, bytes);
    const thin = thinStl(bytes);
    return { ...cloudOf(new STLLoader().parse(thin.bytes), true), ...(thin.held && { held: thin.held }) };
  },
  ply: (name, bytes) => {
    checkPly(name, bytes);
    const geometry = new PLYLoader().parse(bytes);
    return cloudOf(geometry, geometry.getIndex() !== null);
  },
  obj: (_, bytes) => {
    const text = new TextDecoder().decode(bytes);
    const parts: Cloud[] = [];
    new OBJLoader().parse(text).traverse((o: Object3D) => {
      const geometry = (o as Mesh).geometry as BufferGeometry | undefined;
      if (geometry) parts.push(cloudOf(geometry, (o as Mesh).isMesh === true));
    });
    const meshes = parts.filter((p) => p.triangles > 0);
    const used = meshes.length ? meshes : parts;
    const xyz = new Float32Array(used.reduce((s, p) => s + p.xyz.length, 0));
    let at = 0;
    for (const p of used) {
      xyz.set(p.xyz, at);
      at += p.xyz.length;
    }
    return { xyz, triangles: meshes.length ? Math.floor(xyz.length / 9) : 0 };
  },
  xyz: readPoints,
  csv: readPoints,
  txt: readPoints,
  pts: readPoints,
};
