import { takeFile } from './take-file';

const file = (name: string, text: string, size = text.length) => ({ name, size, text: async () => text });

test.each([
  ['ramp.stl', /scan is taken in at Measure/],
  ['Schedule 3.CSV', /list of damage is taken in at its job/],
  ['schedule.xlsx', /pasted at its job.*or saved as CSV/],
  ['before.JPG', /photograph is taken in where it belongs/],
  ['everything.zip', /backup is brought back under Settings/],
  ['sheet.pdf', /table of times can be pasted/],
])('%s is told where it belongs, and is not read', async (name, where) => {
  const never = { name, size: 1, text: () => Promise.reject(new Error('it was read')) };
  const { ok, said, href } = await takeFile(never);
  expect([ok, href]).toEqual([false, undefined]);
  expect(said).toMatch(where);
});

test('what is too large is not read, what is no file of ours says so by what was asked for', async () => {
  const huge = { name: 'a.json', size: 61_000_000, text: () => Promise.reject(new Error('it was read')) };
  expect((await takeFile(huge)).said).toMatch(/larger than 60 MB/);
  expect((await takeFile(file('x.json', '{"format":"other"}'))).said).toMatch(/^x\.json was not taken in\. .*job/i);
  expect((await takeFile(file('x.json', '{"format":"other"}'), 'sheets')).said).toMatch(/no file of sheets/);
  expect((await takeFile(file('x.json', 'not even'))).ok).toBe(false);
});
