import { methodOf } from '@/core/method';
import { leavesFilm, type SheetRevision } from '@/core/system';
import { draftOf } from '@/ui/shelf/draft';
import { readDraft } from '@/ui/shelf/read-draft';
import { freshJob } from '@/ui/workspace/fresh';
import { at, firstPlanned, ZONE } from './made';
import { dosed, typed } from './papers';

/**
 * A greasy film is washed off, and warned of in the cold, where the sheet or its family leaves one: a paper that says
 * it does not is believed, and so is one that says it does.
 */
const NOW = at('2027-05-10T07:00');
type Says = NonNullable<SheetRevision['finish']['film']> | '';
const amine = (film: Says) =>
  typed(['sachets', '1:1 by weight', '20 g, 20 g', 'use-by 20 min, sandable 3 h', { film }], NOW);
const peroxide = (film: Says) =>
  typed(['polyester-filler', '', '1 kg, 20 g', 'use-by 6 min, sandable 25 min', { ...dosed(1, 2, 3), film }], NOW);

function planned(sheet: SheetRevision, methodId: string, tempC: number, humidityPct: number) {
  const job = {
    ...freshJob(NOW),
    zone: ZONE,
    startFrom: NOW,
    climate: { kind: 'constant' as const, tempC, humidityPct },
  };
  const p = firstPlanned({ job, nowMs: NOW }, methodOf(methodId)!, sheet);
  return {
    washes: p.steps.filter((s) => s.title === 'Wash off the greasy film').length,
    warns: p.findings.filter((f) => f.title === 'A greasy film may form').length,
  };
}

test.each([
  ['', 1, 1],
  ['leaves', 1, 1],
  ['none', 0, 0],
] as const)(
  'an amine-cured packet whose paper says “%s”: washed %i times, warned of in damp air %i times',
  (film, washes, warns) => {
    expect(planned(amine(film), 'laminate-hole', 20, 55)).toEqual({ washes, warns: 0 });
    expect(planned(amine(film), 'laminate-hole', 18, 90)).toEqual({ washes, warns });
  },
);

test.each([
  ['', 0],
  ['none', 0],
  ['leaves', 1],
] as const)('a filler cured by peroxide whose paper says “%s” is washed %i times', (film, washes) => {
  expect(planned(peroxide(film), 'body-filler', 20, 55).washes).toBe(washes);
});

test('what the paper says of it is kept with the sheet, and its next revision begins with it', () => {
  const told = amine('none');
  expect([told.finish.film, leavesFilm(told), draftOf(told).film]).toEqual(['none', false, 'none']);
  const silent = amine('');
  expect(['film' in silent.finish, leavesFilm(silent), draftOf(silent).film]).toEqual([false, true, '']);
  const again = readDraft(draftOf(told), { system: 'metric', money: null, role: 'foreman', nowMs: NOW }, told);
  expect('sheet' in again && again.sheet.finish).toEqual(told.finish);
});
