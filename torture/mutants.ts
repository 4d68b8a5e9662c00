import { readFileSync } from 'node:fs';
import { sampleData } from '../src/sample/jobs';

/** A generator of one's own: the same seed gives the same files on every machine. */
export interface Dice {
  readonly to: (n: number) => number;
  readonly chance: (p: number) => boolean;
  readonly of: <T>(list: readonly T[]) => T;
}
export function dice(seed: number): Dice {
  let s = (Math.imul(seed + 1, 0x9e3779b1) ^ 0x5bd1e995) >>> 0;
  const next = () => {
    s ^= s << 13;
    s ^= s >>> 17;
    s ^= s << 5;
    s >>>= 0;
    return s / 0x1_0000_0000;
  };
  return {
    to: (n) => Math.floor(next() * n),
    chance: (p) => next() < p,
    of: (list) => list[Math.floor(next() * list.length)]!,
  };
}

type Json = null | boolean | number | string | Json[] | { [key: string]: Json };
type Holder = Json[] | { [key: string]: Json };
interface Spot {
  readonly holder: Holder;
  readonly key: string | number;
}

/** Every place in a file, from the outside in. */
function spotsOf(root: Json): Spot[] {
  const spots: Spot[] = [];
  const walk = (value: Json) => {
    if (value === null || typeof value !== 'object') return;
    const keys = Array.isArray(value) ? value.map((_, i) => i) : Object.keys(value);
    for (const key of keys) {
      spots.push({ holder: value, key });
      walk((value as never)[key] as Json);
    }
  };
  walk(root);
  return spots;
}
const at = ({ holder, key }: Spot): Json => (holder as never)[key] as Json;
const put = ({ holder, key }: Spot, value: unknown): void => {
  Object.defineProperty(holder, key, { value, enumerable: true, configurable: true, writable: true });
};
const pick = (root: Json, d: Dice, fits: (value: Json, key: string | number) => boolean): Spot | undefined => {
  const spots = spotsOf(root).filter((s) => fits(at(s), s.key));
  return spots.length ? d.of(spots) : undefined;
};
const isNumber = (v: Json) => typeof v === 'number';
const isText = (v: Json) => typeof v === 'string';
const isList = (v: Json) => Array.isArray(v) && v.length > 0;

const EXTREMES = [
  0,
  -0,
  -1,
  1,
  1e-300,
  1e-9,
  1e9,
  1e12,
  1e300,
  -1e300,
  Number.MAX_SAFE_INTEGER,
  0.1 + 0.2,
  4_102_444_800_000,
  -62_135_596_800_000,
];
const WORDS = [
  '',
  ' ',
  '__proto__',
  'constructor',
  'toString',
  'hasOwnProperty',
  'null',
  '\u0000',
  '\r\n',
  '‮abc',
  '💧'.repeat(40),
  'x'.repeat(5000),
  '../../etc',
  '=1+1',
  '<script>',
  '𝟙𝟚',
  'a b/c?d#e',
];

/** One kind of damage to the structure of a file. Each may find nothing to do. */
export const DAMAGE: Readonly<Record<string, (root: Json, d: Dice) => void>> = {
  'number made extreme': (root, d) => {
    const s = pick(root, d, isNumber);
    if (s) put(s, d.of(EXTREMES));
  },
  'number scaled': (root, d) => {
    const s = pick(root, d, isNumber);
    if (s) put(s, (at(s) as number) * d.of([1e-6, 1e-3, 0.1, 10, 1e3, 1e6]));
  },
  'several numbers scaled': (root, d) => {
    for (let i = 0; i < 6; i++) DAMAGE['number scaled']!(root, d);
  },
  'number moved a little': (root, d) => {
    const s = pick(root, d, isNumber);
    if (s) put(s, (at(s) as number) + d.of([-1, -0.5, 0.5, 1, 1e-9]));
  },
  'sign turned': (root, d) => {
    const s = pick(root, d, isNumber);
    if (s) put(s, -(at(s) as number));
  },
  'field gone': (root, d) => {
    const s = pick(root, d, () => true);
    if (s && !Array.isArray(s.holder)) delete s.holder[s.key as string];
  },
  'value of another kind': (root, d) => {
    const s = pick(root, d, () => true);
    if (s) put(s, d.of<Json>([null, true, 0, '', [], {}, [[[]]], { a: 1 }]));
  },
  emptied: (root, d) => {
    const s = pick(root, d, () => true);
    if (s) put(s, null);
  },
  'word made strange': (root, d) => {
    const s = pick(root, d, isText);
    if (s) put(s, d.of(WORDS));
  },
  'word of another place': (root, d) => {
    const [a, b] = [pick(root, d, isText), pick(root, d, isText)];
    if (a && b) put(a, at(b));
  },
  'two places swapped': (root, d) => {
    const [a, b] = [pick(root, d, () => true), pick(root, d, () => true)];
    if (!a || !b) return;
    const [x, y] = [structuredClone(at(a)), structuredClone(at(b))];
    put(a, y);
    put(b, x);
  },
  'same field swapped between records': (root, d) => {
    const a = pick(root, d, () => true);
    const b = a && pick(root, d, (_, key) => key === a.key);
    if (a && b) put(a, structuredClone(at(b)));
  },
  'id that is another’s': (root, d) => {
    const [a, b] = [
      pick(root, d, (v, k) => isText(v) && /id$/i.test(String(k))),
      pick(root, d, (v, k) => isText(v) && /id$/i.test(String(k))),
    ];
    if (a && b) put(a, at(b));
  },
  'id of the engine': (root, d) => {
    const s = pick(root, d, (v, k) => isText(v) && /id$/i.test(String(k)));
    const old = s && at(s);
    const word = d.of(['toString', '__proto__', 'constructor', 'valueOf']);
    // Everywhere it is named, so that the references still hold.
    if (s) for (const x of spotsOf(root)) if (at(x) === old) put(x, word);
  },
  'list turned round': (root, d) => {
    const s = pick(root, d, isList);
    if (s) (at(s) as Json[]).reverse();
  },
  'list cut': (root, d) => {
    const s = pick(root, d, isList);
    if (s) (at(s) as Json[]).splice(d.to((at(s) as Json[]).length), 1 + d.to(3));
  },
  'list grown': (root, d) => {
    const s = pick(root, d, isList);
    if (!s) return;
    const list = at(s) as Json[];
    const copy = structuredClone(d.of(list));
    const times = Math.min(d.of([1, 2, 10, 200]), Math.floor(300_000 / (JSON.stringify(copy).length + 1)));
    for (let i = 0; i < times; i++) list.push(structuredClone(copy));
  },
  'long list': (root, d) => {
    const s = pick(root, d, isList);
    if (!s) return;
    const [first] = at(s) as [Json];
    // Long, not heavy: what is tried is the count.
    const most = Math.floor(300_000 / (JSON.stringify(first).length + 1));
    put(
      s,
      Array.from({ length: Math.min(5000, most) }, () => structuredClone(first)),
    );
  },
  'key of the engine': (root, d) => {
    const s = pick(root, d, (v) => v !== null && typeof v === 'object' && !Array.isArray(v));
    if (s)
      put(
        { holder: at(s) as Holder, key: d.of(['__proto__', 'constructor', 'toString', 'then']) },
        d.of<Json>([1, 'x', {}, []]),
      );
  },
  'instants far away': (root, d) => {
    const s = pick(root, d, (v, k) => isNumber(v) && /(at|from|start|Ms)$/i.test(String(k)));
    if (s) put(s, d.of([0, 1, 253_402_300_799_000, Date.UTC(2199, 11, 31), Date.UTC(1971, 0, 1), 8.64e15, -1]));
  },
  zone: (root, d) => {
    const s = pick(root, d, (_, k) => k === 'zone');
    if (s)
      put(
        s,
        d.of([
          'UTC',
          'Europe/Atlantis',
          'Asia/Kathmandu',
          'America/St_Johns',
          'Pacific/Apia',
          '',
          'UTC+25',
          'Etc/GMT+12',
        ]),
      );
  },
  version: (root, d) => {
    const s = pick(root, d, (_, k) => k === 'version');
    if (s) put(s, d.of([0, 1, 2, 3, 4, 99, -1, 1.5, '3', null] as Json[]));
  },
  'true and false': (root, d) => {
    const s = pick(root, d, (v) => typeof v === 'boolean');
    if (s) put(s, !at(s));
  },
  'many of one number': (root, d) => {
    const s = pick(root, d, isNumber);
    if (!s) return;
    const value = d.of(EXTREMES);
    for (const x of spotsOf(root)) if (x.key === s.key && isNumber(at(x))) put(x, value);
  },
};

/** Damage to the text itself. */
export const TEXT_DAMAGE: Readonly<Record<string, (text: string, d: Dice) => string>> = {
  'cut off': (text, d) => text.slice(0, d.to(text.length)),
  'letter changed': (text, d) => {
    const i = d.to(text.length);
    return (
      text.slice(0, i) +
      d.of(['"', '{', '}', '[', ']', ',', ':', '\u0000', '9', '-', 'e', '\\', '\u2028']) +
      text.slice(i + 1)
    );
  },
  'byte-order mark': (text) => `\uFEFF${text}`,
  'piece twice': (text, d) => {
    const [i, n] = [d.to(text.length), d.to(400)];
    return text.slice(0, i) + text.slice(i, i + n) + text.slice(i);
  },
  'deep nesting': (text, d) => {
    const n = d.of([100, 5000, 60_000]);
    return d.chance(0.5)
      ? '['.repeat(n) + ']'.repeat(n)
      : text.replace(/"name": "[^"]*"/, `"name": ${'['.repeat(n)}${']'.repeat(n)}`);
  },
  'number written strangely': (text, d) =>
    text.replace(
      /: (\d+)/,
      `: ${d.of(['1e999', '-0', '1E400', '00012', '0x10', '1_000', 'NaN', 'Infinity', '1e-999'])}`,
    ),
};

export const KINDS_OF_DAMAGE = [...Object.keys(DAMAGE), ...Object.keys(TEXT_DAMAGE)];

/** Whole, sound files that everything is made from. */
export function seedFiles(): readonly string[] {
  const { bundles } = sampleData(Date.UTC(2026, 4, 5, 6), 'Europe/Helsinki');
  const made = bundles.map((b) =>
    JSON.stringify({
      format: 'grenko-job',
      version: 3,
      exportedAt: '2026-05-05T06:00:00.000Z',
      coreVersion: '0.4.0',
      ...b,
      series: [],
      attachments: [],
    }),
  );
  const kept = ['ramp-v1', 'winch-v1', 'winch-v2'].map((name) =>
    readFileSync(`src/core/file/kept/${name}.grenko.json`, 'utf8'),
  );
  return [...made, ...kept];
}

/** The file of a number: one to four kinds of damage to one of the seeds. */
export function mutant(
  seeds: readonly string[],
  n: number,
): { readonly text: string; readonly kinds: readonly string[] } {
  const d = dice(n);
  const root = JSON.parse(d.of(seeds)) as Json;
  const kinds: string[] = [];
  const names = Object.keys(DAMAGE);
  for (let i = 1 + d.to(4); i > 0; i--) {
    // Every kind in turn first, so that none is left out by chance.
    const kind = kinds.length ? d.of(names) : names[n % names.length]!;
    DAMAGE[kind]!(root, d);
    kinds.push(kind);
  }
  let text = JSON.stringify(root, null, d.of([0, 1]));
  if (d.chance(0.12)) {
    const kind = d.of(Object.keys(TEXT_DAMAGE));
    text = TEXT_DAMAGE[kind]!(text, d);
    kinds.push(kind);
  }
  return { text, kinds };
}
