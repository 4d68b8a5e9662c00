import { Hands } from './hands';

/** A row of numbers that looks drawn by lot and is the same every time. */
function lots(seed: number): (below: number) => number {
  let state = seed;
  return (below) => {
    state = (state * 1664525 + 1013904223) % 4294967296;
    return Math.floor((state / 4294967296) * below);
  };
}

/** The naive way: moved past whatever is in the way until nothing is. */
function naive(list: readonly { fromMs: number; toMs: number }[], ready: number, need: number): number {
  let start = ready;
  for (let moved = true; moved; ) {
    moved = false;
    for (const b of list)
      if (start < b.toMs && start + need > b.fromMs) {
        start = b.toMs;
        moved = true;
      }
  }
  return start;
}

test('hands are found free where a plain list of what they are busy with has them free', () => {
  let moved = 0;
  for (let seed = 1; seed <= 60; seed++) {
    const draw = lots(seed);
    const list: { fromMs: number; toMs: number }[] = [];
    const hands = Hands.of();
    for (let k = 0; k < 60; k++) {
      const fromMs = draw(400);
      const one = { fromMs, toMs: fromMs + 1 + draw(12) };
      list.push(one);
      hands.add(one);
      const [ready, need] = [draw(420), draw(25)];
      // What takes no time and stands where two stretches meet is not in the way of either: both ways tell so.
      if (need === 0) continue;
      const found = hands.freeFrom(ready, need);
      expect(found).toBe(naive(list, ready, need));
      if (found > ready) moved++;
    }
  }
  expect(moved).toBeGreaterThan(1000);
});

test('in whichever order they are told, the same hours are taken', () => {
  for (let seed = 1; seed <= 20; seed++) {
    const draw = lots(seed);
    const list = Array.from({ length: 40 }, () => {
      const fromMs = draw(900);
      return { fromMs, toMs: fromMs + 1 + draw(20) };
    });
    expect(Hands.of(list).same(Hands.of([...list].reverse()))).toBe(true);
    // One more stretch, clear of all others, is told apart.
    expect(Hands.of(list).same(Hands.of([...list, { fromMs: 2000, toMs: 2001 }]))).toBe(false);
  }
});

test('what is planned on a copy is not planned on the first, and can be taken back', () => {
  const hands = Hands.of([{ fromMs: 0, toMs: 10 }]);
  const copy = hands.fork();
  const was = copy.fork();
  for (let k = 1; k < 40; k++) copy.add({ fromMs: k * 20, toMs: k * 20 + 15 });
  expect(hands.freeFrom(5, 100)).toBe(10);
  expect(copy.freeFrom(5, 100)).toBe(39 * 20 + 15);
  copy.restore(was);
  expect(copy.same(hands)).toBe(true);
  expect(copy.freeFrom(5, 100)).toBe(10);
});

test('stretches that touch leave room for what takes no time', () => {
  const hands = Hands.of([
    { fromMs: 0, toMs: 10 },
    { fromMs: 10, toMs: 20 },
  ]);
  expect(hands.freeFrom(5, 0)).toBe(10);
  expect(hands.freeFrom(5, 1)).toBe(20);
});
