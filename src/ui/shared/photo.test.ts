import { photoFault, readPhoto } from './photo';

const file = (name: string, size: number) => ({ name, size }) as File;

test('a photo of sixty megabytes is refused before it is opened, with how large it may be', async () => {
  const huge = file('wall.jpg', 60_000_000);
  expect(photoFault(huge)).toBe('“wall.jpg” has 60 MB; up to 40 MB can be taken. Take it at a lower resolution.');
  await expect(readPhoto(huge)).rejects.toThrow(/60 MB/);
});

test('what is no picture is told as that, however small', () => {
  expect(photoFault(file('notes.txt', 12))).toBe('“notes.txt” is no picture this browser can open.');
  // Just what may be taken is not too large.
  expect(photoFault(file('wall.jpg', 40_000_000))).toMatch(/no picture/);
});
