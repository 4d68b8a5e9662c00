import { passesShown } from './PassJoints';

test('up to five passes are all shown; of more those round the open one, never fewer than five', () => {
  expect(passesShown(1, 0)).toEqual([0]);
  expect(passesShown(4, 3)).toEqual([0, 1, 2, 3]);
  expect(passesShown(30, 0)).toEqual([0, 1, 2, 3, 4]);
  expect(passesShown(30, 14)).toEqual([12, 13, 14, 15, 16]);
  expect(passesShown(30, 29)).toEqual([25, 26, 27, 28, 29]);
  for (let count = 1; count <= 12; count++)
    for (let open = 0; open < count; open++) {
      const shown = passesShown(count, open);
      expect(shown).toContain(open);
      expect(shown).toHaveLength(Math.min(5, count));
      expect(shown.every((i) => i >= 0 && i < count)).toBe(true);
    }
});
