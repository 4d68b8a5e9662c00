import { readdirSync, readFileSync } from 'node:fs';
import { routeOf } from '../shared/route';
import { fileName } from './files';
import { languageFor, readPrefs } from './prefs';

test.each([
  ['Slip ramp, spring', 'slip-ramp-spring.json'],
  ['../../etc/passwd', 'etc-passwd.json'],
  ['CON', 'job-con.json'],
  ['lpt1', 'job-lpt1.json'],
  ['', 'job.json'],
  ['***', 'job.json'],
  ['Økse 💧 und\u0000 Öl', 'økse-und-öl.json'],
])('%j is a file name that every system takes: %s', (title, name) => {
  expect(fileName(title, 'json')).toBe(name);
});

test('a file name is never longer than a system allows, whatever its script', () => {
  for (const letter of ['x', 'ø', '水', '𝔘']) {
    const name = fileName(letter.repeat(400), 'grenko.json');
    expect(Buffer.byteLength(name)).toBeLessThanOrEqual(140);
    expect(name.startsWith(letter)).toBe(true);
  }
});

test('a browser is spoken to in the first of its languages that is known', () => {
  expect(
    [['de-AT', 'en'], ['fr', 'de'], ['en-GB', 'de'], ['fr', 'it'], [], ['DE']].map((asked) => languageFor(asked)),
  ).toEqual(['de', 'de', 'en', 'en', 'en', 'de']);
});

test('each preference stands by itself: one that makes no sense is as if never set', () => {
  const first = {
    system: 'metric',
    language: 'en',
    hours: 24,
    weekStart: readPrefs({}).weekStart,
    theme: 'day',
    role: 'technician',
    sound: true,
    speak: false,
    notify: false,
    learn: false,
    guide: null,
    money: null,
    afar: false,
  };
  expect(readPrefs(null)).toEqual(first);
  expect(
    readPrefs({
      system: 'us',
      language: 'xx',
      hours: 13,
      theme: 'plaid',
      role: '  ',
      sound: false,
      speak: true,
      notify: 'yes',
      learn: true,
      guide: 99,
    }),
  ).toEqual({ ...first, system: 'us', sound: false, speak: true, learn: true });
  expect(readPrefs(JSON.parse('{"__proto__":{"system":"us"}}')).system).toBe('metric');
});

test('an address names what it names, however broken', () => {
  expect(routeOf('/job/a/b/mix')).toMatchObject({ jobId: 'a', repairId: 'b', stage: 'mix', sheetId: '' });
  expect(routeOf('/shelf/x%20y')).toMatchObject({ jobId: '', sheetId: 'x y' });
  expect(routeOf('/job/%E0%A4%A')).toMatchObject({ jobId: '%E0%A4%A', repairId: '' });
  expect(routeOf('/')).toMatchObject({ jobId: '', sheetId: '' });
});

/** Sources of a folder, tests left out. */
const sources = (folder: string): string[] =>
  readdirSync(folder, { withFileTypes: true }).flatMap((e) =>
    e.isDirectory()
      ? sources(`${folder}/${e.name}`)
      : /\.tsx?$/.test(e.name) && !e.name.includes('.test.')
        ? [`${folder}/${e.name}`]
        : [],
  );

test('nothing of the interface reads the clock, the database or local storage but the workspace’s own binding', () => {
  const binding = 'src/ui/workspace/workspace.ts';
  for (const file of sources('src/ui')) {
    if (file === binding) continue;
    const text = readFileSync(file, 'utf8');
    const found = /\bDate\.now\(|new Date\(\)|\bindexedDB\b|\bperformance\.now\(|window\.localStorage/.exec(text);
    expect([file, found?.[0]]).toEqual([file, undefined]);
  }
});
