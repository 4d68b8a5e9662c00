import fc from 'fast-check';
import { plainWords } from '@/words';
import { facesPerPot, partsLine, type Sharing } from './like-parts';
import type { MixAsk, PartsAsk } from './mix-ask';

const ask = (parts: Partial<PartsAsk> | null, mlPerMin = 10, crew = 1): MixAsk =>
  ({
    placingMlPerMin: mlPerMin,
    crew,
    parts: parts && { count: 20, closeMin: 5, called: 'part', ...parts },
  }) as MixAsk;

/**
 * Minute by minute: `n` are bared one after the other, the mix is made, and each is wetted and closed in turn, or all
 * are wetted before the first is closed. @returns the longest that one stands bare, min
 */
function longest(n: number, bareMin: number, untilMin: number, spreadMin: number, closeMin: number): number {
  const bared: number[] = [];
  let now = 0;
  for (let i = 0; i < n; i++) {
    now += bareMin;
    bared.push(now);
  }
  now += untilMin;
  let most = 0;
  for (const at of bared) {
    most = Math.max(most, now - at);
    now += spreadMin + closeMin;
  }
  return most;
}

test('as many as stand no longer than a bared face keeps, and with one more the longest would', () => {
  const min = (max: number) => fc.integer({ min: 1, max });
  fc.assert(
    fc.property(
      min(200),
      min(40),
      min(30),
      min(20),
      min(15),
      fc.boolean(),
      (keeps, bare, until, spread, close, first) => {
        const n = facesPerPot(spread * 10, {
          ...ask({ closeMin: close, spreadFirst: first, faces: { keepsMin: keeps, bareMin: bare, untilMin: until } }),
        });
        const stands = (k: number) => longest(k, bare, until, spread, first ? 0 : close);
        if (n > 1) expect(stands(n)).toBeLessThanOrEqual(keeps);
        expect(stands(n + 1)).toBeGreaterThan(keeps);
      },
    ),
  );
});

test('one at least, however soon it dulls; any number where nothing is bared or nothing is known of it', () => {
  expect(facesPerPot(40, ask({ faces: { keepsMin: 5, bareMin: 30, untilMin: 20 } }))).toBe(1);
  for (const none of [ask(null), ask({}), ask({ faces: null })]) expect(facesPerPot(40, none)).toBe(Infinity);
});

test('more hands wet one in less time, and more come out of one pot', () => {
  const faces = { keepsMin: 60, bareMin: 3, untilMin: 10 };
  const by = (crew: number) => facesPerPot(100, ask({ faces }, 10, crew));
  // 10 + 5 min a part by one, 5 + 5 by two: 50 minutes are left once the first is wetted.
  expect([by(1), by(2)]).toEqual([4, 6]);
});

test('so many come out of one pot by what decides it: the pot, or a place at a time', () => {
  const sharing = (parts: Partial<PartsAsk>): Sharing =>
    ({
      ask: { ...ask({ closeMin: 0, called: 'place', ...parts }, 10), usableMin: 28, sheet: { potLossMl: 2 } },
      caps: { heldMl: 10_000 },
      kitMl: 500,
      kitsPerPot: 1,
      whole: false,
    }) as unknown as Sharing;
  // 80 mL are 8 min: three of them in 28.
  const freely = partsLine(80, sharing({}));
  expect([freely.value, plainWords(freely.expression)]).toEqual([3, expect.stringMatching(/^filled 8 min/)]);
  const one = partsLine(80, sharing({ most: 1 }));
  expect([one.value, plainWords(one.expression)]).toEqual([
    1,
    'one at a time, as is usual for it; the pot lives for 3',
  ]);
  // Where the pot does not live for more, it is the pot that decides.
  const late = partsLine(200, sharing({ most: 1 }));
  expect([late.value, plainWords(late.expression)]).toEqual([1, expect.stringMatching(/^filled 20 min/)]);
});
