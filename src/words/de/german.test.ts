import { IntlMessageFormat } from 'intl-messageformat';
import { METHODS, TOOLS, TROUBLES } from '@/core/method';
import { ADVICE } from '@/core/method/troubles/advice';
import { GATES } from '@/core/plan';
import { TELLS } from '@/core/plan/damage-words';
import { TOGETHER } from '@/core/plan/made-one';
import { gapsOf, textOf } from '@/core/say';
import { FAMILIES, MILESTONES, SYSTEM_KINDS } from '@/core/system';
import { SHAPES, SIZES } from '@/core/void';
import { FIRST_LOOKS } from '@/sample/first';
import { LIMIT_FIELDS } from '@/ui/shelf/limit-list';
import { hasWords, literalsIn, saidIn, sourcesOf } from '../read-source.testing';
import { german } from '.';

const FOLDERS = ['core', 'ui', 'worker', 'device', 'store', 'server'];
const SOURCES = FOLDERS.flatMap((f) => sourcesOf(`src/${f}`));
/** What reads alike in both. */
const ALIKE = /^(Grenko|STL|PLY|OBJ|CSV|PDF|JSON|SVG|PNG|Deutsch|English)$/;
const lacks = (text: string) => hasWords(text) && !ALIKE.test(text) && !german.has(text.trim());

test('every text between tags, label, phrase and message has its German', () => {
  expect(SOURCES.flatMap((path) => saidIn(path).flatMap((text) => (lacks(text) ? [`${path}: ${text}`] : [])))).toEqual(
    [],
  );
});

/** Texts of rows, by the names of the columns in which people read. */
const READ = new Set(
  'label ended ask title why todo note fits matter reason detail sign cause mend waitsFor'.split(' '),
);
function rowTexts(row: unknown, column = '', seen = new Set<unknown>()): readonly string[] {
  // What is one word without a capital in a column of things is an id.
  if (typeof row === 'string')
    return READ.has(column) || column === 'tools' || (column === 'what' && / /.test(row)) ? [row] : [];
  if (typeof row !== 'object' || row === null || seen.has(row)) return [];
  seen.add(row);
  if (Array.isArray(row)) return row.flatMap((r) => rowTexts(r, column, seen));
  return Object.entries(row).flatMap(([name, value]) => rowTexts(value, name, seen));
}

test.each([
  ['methods', METHODS],
  ['troubles', TROUBLES],
  ['tools', TOOLS],
  ['shapes', SHAPES],
  ['systems', SYSTEM_KINDS],
  ['families', FAMILIES],
  ['milestones', MILESTONES],
  ['gates', GATES],
  ['limits of a sheet', LIMIT_FIELDS.map(({ label }) => ({ label }))],
  ['sizes and columns of a list', Object.values({ ...SIZES, ...TELLS, ...TOGETHER }).map((label) => ({ label }))],
  ['first looks', FIRST_LOOKS.map(({ label }) => ({ label }))],
])('the rows of the %s have their German', (_, rows) => {
  const texts = rowTexts(rows);
  expect(texts.length).toBeGreaterThan(2);
  expect(texts.filter(lacks)).toEqual([]);
});

test('every word that is said of a trouble has its German', () => {
  const wordsOf = (of: unknown): string[] =>
    typeof of === 'string' ? [of] : typeof of === 'object' && of !== null ? Object.values(of).flatMap(wordsOf) : [];
  const said = wordsOf(ADVICE);
  expect(said.length).toBeGreaterThan(300);
  expect(said.filter(lacks)).toEqual([]);
});

test('what an option puts into the words of a step has its German', () => {
  const said = METHODS.flatMap((m) => m.schools).flatMap((s) =>
    s.options.flatMap((o) => Object.values(o.effect.says ?? {}).flatMap(({ id }) => textOf(id) ?? [])),
  );
  expect(said.length).toBeGreaterThan(20);
  expect(said.filter(lacks)).toEqual([]);
});

test('how a shape looks, what is measured of it and the titles of its pictures have their German', () => {
  const said = Object.values(SHAPES).flatMap((kind) => {
    const shape = kind.blank();
    return [
      kind.seen,
      ...kind.dimensions(shape).map((d) => d.label),
      ...[kind.section(shape), kind.plan(shape)].flatMap((d) => [d.title, ...d.dimensions.map((line) => line.label)]),
      ...(kind.parameters?.(shape) ?? []).flatMap((p) => [
        p.label,
        ...(p.kind === 'choice' ? p.options.map((o) => o.label) : []),
      ]),
      ...(kind.lists?.(shape) ?? []).flatMap((l) => [l.label, ...l.columns.map((c) => c.label)]),
    ];
  });
  const texts = said.filter((text): text is string => typeof text === 'string');
  expect(texts.length).toBeGreaterThan(100);
  expect([...new Set(texts)].filter(lacks)).toEqual([]);
});

test('a German text reads as a pattern, and has no gap that its English has not', () => {
  const wrong = [...german].flatMap(([english, told]) => {
    if (!/[{}]/.test(english + told) || / [}{]/.test(english.slice(1))) return [];
    try {
      new IntlMessageFormat(told, 'de', undefined, { ignoreTag: true });
    } catch (error) {
      return [`${told}: ${error}`];
    }
    const known = new Set(gapsOf(english));
    return gapsOf(told)
      .filter((gap) => !known.has(gap))
      .map((gap) => `${told}: ${gap}`);
  });
  expect(wrong).toEqual([]);
});

test('no German text is itself an English one that means something else: it may be looked up twice', () => {
  expect(
    [...german.values()].filter((told) => german.get(told.trim()) !== undefined && german.get(told) !== told),
  ).toEqual([]);
});

test('nothing stands in the catalogue that nobody says any more', () => {
  const said = new Set(
    SOURCES.concat(sourcesOf('src/app'), sourcesOf('src/words'), sourcesOf('src/sample')).flatMap(literalsIn),
  );
  const small = (text: string) => text.charAt(0).toLowerCase() + text.slice(1);
  const known = new Set([...said].map(small));
  expect([...german.keys()].filter((english) => !known.has(small(english)))).toEqual([]);
});
