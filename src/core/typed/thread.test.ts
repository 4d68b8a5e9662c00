import { saying } from '@/words/saying.testing';
import { parseQuantity } from './parse';
import { coarsePitchMm, readRod, readThread } from './thread';

const mm = (text: string) => parseQuantity('length', text, 'metric');

test.each([
  ['M12', 12],
  ['m 16', 16],
  ['M12x1.75', 12],
  ['M20 × 1,5', 20],
  ['M2.5', 2.5],
  ['1/2-13', 12.7],
  ['1/2-20 UNF', 12.7],
  ['½-13', 12.7],
  ['3/4"-10 UNC', 19.05],
  ['1 1/4-7', 31.75],
  ['1-1/4-7 UNC', 31.75],
  ['1"-8', 25.4],
  ['1-8 UNC', 25.4],
  ['#10-24', 4.826],
])('%s is a rod of %s mm, in either system', (text, diameterMm) => {
  for (const system of ['metric', 'us'] as const) {
    const read = parseQuantity('length', text, system);
    expect(read.ok && Math.abs(read.value - diameterMm) < 1e-9).toBe(true);
    // What was typed stays what was typed.
    expect(read.ok && read.text).toBe(text);
  }
});

test('a thread that does not exist is refused with the nearest, and those can be pressed', () => {
  const cases = [
    ['M13', ['M12', 'M14']],
    ['M70', ['M64']],
    ['M12x8', ['M12']],
    ['1/2-12', ['1/2-13', '1/2-20']],
    ['1"-7', ['1"-8', '1"-12']],
  ] as const;
  for (const [text, near] of cases) {
    const read = mm(text);
    expect([text, !read.ok && read.choices?.map((c) => c.text)]).toEqual([text, near]);
    for (const choice of near) expect([choice, mm(choice).ok]).toEqual([choice, true]);
  }
  expect(mm('#7-32')).toMatchObject({
    ok: false,
    sentence: saying('There is no thread of size #7 in the coarse and fine series.'),
  });
});

test('what is no designation is read as before: mixed numbers, ranges, units', () => {
  const mixed = mm('1-1/2"');
  expect(mixed.ok && mixed.value).toBeCloseTo(38.1, 9);
  expect(mm('12 mm')).toMatchObject({ ok: true, value: 12 });
  for (const range of ['1-8', '10-24']) {
    expect(readThread(range)).toBeNull();
    expect(mm(range).ok).toBe(false);
  }
  expect(mm('M')).toMatchObject({ ok: false });
  // A mass is no rod.
  expect(parseQuantity('mass', 'M12', 'metric').ok).toBe(false);
});

test.each([
  ['M16', 2],
  ['M12', 1.75],
  ['M20 × 1,5', 1.5],
  ['M33', 3.5],
  ['1/2-13', 25.4 / 13],
  ['1/2-20 UNF', 25.4 / 20],
  ['#10-24', 25.4 / 24],
] as const)('%s brings its pitch, %d mm', (text, pitchMm) => {
  expect(readThread(text)).toMatchObject({ pitchMm: expect.closeTo(pitchMm, 9) });
});
test('a plain size has the coarse pitch of the rod of that size, metric or in inches', () => {
  expect([6, 8, 16, 24, 36].map(coarsePitchMm)).toEqual([1, 1.25, 2, 3, 4]);
  expect(coarsePitchMm(15.875)).toBeCloseTo(25.4 / 11, 9);
  expect(coarsePitchMm(12.7)).toBeCloseTo(25.4 / 13, 9);
  // In the middle of a pull it is that of the nearest.
  expect(coarsePitchMm(15.2)).toBe(2);
});

test.each([
  ['#3 bar', 9.525],
  ['#4 bar', 12.7],
  ['# 5 bar', 15.875],
  ['#5 rebar', 15.875],
  ['no. 9 bar', 28.6512],
  ['#18 bars', 57.3278],
  ['#6 bar', 19.05],
  ['#7', 22.225],
])('%s is a reinforcing bar of %d mm, without a pitch', (text, diameterMm) => {
  expect(readRod(text)).toEqual({ diameterMm: expect.closeTo(diameterMm, 6), pitchMm: null });
  for (const system of ['metric', 'us'] as const)
    expect(parseQuantity('length', text, system)).toMatchObject({
      ok: true,
      value: expect.closeTo(diameterMm, 6),
      text,
    });
});

test('a number that may be a bar or a screw is asked for, and each answer is read', () => {
  const read = mm('#5');
  expect(read).toMatchObject({ ok: false, sentence: saying(/may be a reinforcing bar or a screw/) });
  const choices = (!read.ok && read.choices?.map((c) => c.text)) || [];
  expect(choices).toEqual(['#5 bar', '#5-40']);
  expect(choices.map((c) => mm(c)).map((r) => r.ok && r.value)).toEqual([15.875, expect.closeTo(3.175, 6)]);
  expect(mm('#12')).toMatchObject({ ok: false, choices: [{ text: '#12-24' }] });
  expect(mm('#12 bar')).toMatchObject({ ok: false, choices: [{ text: '#11 bar' }, { text: '#14 bar' }] });
  expect(mm('#99').ok).toBe(false);
  expect(readRod('M12')).toEqual(readThread('M12'));
});

test('the mark of a diameter says what is measured, not how much', () => {
  for (const text of ['Ø12', 'ø 12 mm', '⌀12', 'dia. 12', 'diameter 1.2 cm'])
    expect([text, mm(text)]).toEqual([text, expect.objectContaining({ ok: true, value: 12 })]);
  expect(parseQuantity('mass', 'Ø12', 'metric').ok).toBe(false);
});
