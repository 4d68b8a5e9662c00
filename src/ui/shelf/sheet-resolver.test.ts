import { sampleSheets } from '@/sample/systems';
import { blankDraft, blankKit, blankTime, draftOf, type SheetDraft } from './draft';
import { readDraft } from './read-draft';
import { faultsIn, nameInForm, sheetResolver } from './sheet-resolver';

const read = (draft: SheetDraft) => readDraft(draft, { system: 'metric', money: null, role: 'foreman', nowMs: 1000 });
const resolve = (draft: SheetDraft) =>
  sheetResolver(read)(draft, undefined, { fields: {}, shouldUseNativeValidation: false, criteriaMode: 'all' });

test('a sound sheet is handed over as it is read, with nothing wrong', async () => {
  const paste = draftOf(sampleSheets.find((s) => s.id === 'sheet-paste-1')!);
  const { values, errors } = await resolve(paste);
  expect(errors).toEqual({});
  expect(values).toMatchObject({ name: paste.name, record: 'sheet', typedByRole: 'foreman' });
});

test('what is wrong goes through the form and comes out by its field, with its sentence and readings', async () => {
  const time = { ...blankTime('wet'), text: 'nonsense', reference: 'much' };
  const draft: SheetDraft = {
    ...blankDraft(),
    ratio: '2:1',
    times: [time],
    kits: [{ ...blankKit(), massG: { A: 'x', B: '', C: '', D: '' } }],
  };
  const said = read(draft);
  if (!('faults' in said)) throw new Error('it has nothing wrong');
  const { errors } = await resolve(draft);
  expect(faultsIn(errors)).toEqual(said.faults);
  // A time’s own fault and its pot’s are two, neither lies in the other.
  const [own, pot] = [`times.${time.key}`, `times.${time.key}.reference`];
  expect(Object.keys(said.faults)).toEqual(expect.arrayContaining([own, 'ratio', 'name']));
  expect(nameInForm(pot)).not.toContain('.');
  expect(Object.keys(errors)).toContain(nameInForm(own));
  expect(said.faults.ratio?.choices?.length).toBeGreaterThan(1);
});

test('an error of another origin is no fault of a field', () => {
  expect(faultsIn({ root: { server: { type: 'server', message: 'gone' } } })).toEqual({});
});
