import { type Attachment, attachmentOf, type Event, type EventBody } from '@/core/record';
import { captionOf, pairsIn, photosAt, photosOf, srcOf } from './photos-of';

const event = (n: number, body: EventBody, over: Partial<Event> = {}): Event => ({
  record: 'event',
  version: 1,
  id: `e${n}`,
  device: 'd',
  sequence: n,
  at: n * 60_000,
  recordedAt: n * 60_000,
  jobId: 'j',
  repairId: 'r',
  amends: null,
  role: 'technician',
  body,
  ...over,
});
const picture = (of: string, data: string): Attachment => attachmentOf('j', 'image/jpeg', data, of);
const kept = (...all: Attachment[]) => new Map(all.map((a) => [a.id, a]));

test('a photograph taken at a step stands at that step, and at no other', () => {
  const events = [
    event(1, { kind: 'photo', shows: 'work', caption: 'bare', step: 'prep:clean' }),
    event(2, { kind: 'photo', shows: 'work', caption: '' }),
    event(3, { kind: 'photo', shows: 'work', caption: 'primed', step: 'prime@0' }),
  ];
  const photos = photosOf(events, kept(picture('e1', 'AAAA'), picture('e2', 'BBBB'), picture('e3', 'CCCC')), 'r');
  expect(photos.map((p) => [p.eventId, p.step])).toEqual([
    ['e1', 'prep:clean'],
    ['e2', null],
    ['e3', 'prime@0'],
  ]);
  expect(photosAt(photos, 'prep:clean').map((p) => p.caption)).toEqual(['bare']);
  expect(photosAt(photos, 'prep:dry')).toEqual([]);
});

test('photographs stand in order with what they show; those of notes and of no entry are told apart', () => {
  const events = [
    event(2, { kind: 'photo', shows: 'after', caption: 'from the quay' }),
    event(1, { kind: 'photo', shows: 'before', caption: '' }),
    event(3, { kind: 'note', text: 'rust stain' }),
    event(4, { kind: 'photo', shows: 'after', caption: 'of another repair' }, { repairId: 'other' }),
  ];
  const loose = attachmentOf('j', 'image/jpeg', 'OUTLINE');
  const photos = photosOf(
    events,
    kept(picture('e2', 'BBBB'), picture('e1', 'AAAA'), picture('e3', 'CCCC'), picture('e4', 'DDDD'), loose),
    'r',
  );
  expect(photos.map((p) => [p.shows, captionOf(p), srcOf(p)])).toEqual([
    ['before', 'before anything is touched', 'data:image/jpeg;base64,AAAA'],
    ['after', 'when it is done: from the quay', 'data:image/jpeg;base64,BBBB'],
    [null, 'rust stain', 'data:image/jpeg;base64,CCCC'],
  ]);
});
test('a withdrawn entry takes its photograph with it', () => {
  const events = [
    event(1, { kind: 'photo', shows: 'before', caption: '' }),
    event(2, { kind: 'withdrawn', why: 'wrong place' }, { amends: 'e1' }),
  ];
  expect(photosOf(events, kept(picture('e1', 'AAAA')), 'r')).toEqual([]);
});
test('pairs are the last of each kind: before with after, one side with the other; one alone is none', () => {
  const events = [
    event(1, { kind: 'photo', shows: 'before', caption: '1' }),
    event(2, { kind: 'photo', shows: 'one side', caption: '2' }),
    event(3, { kind: 'photo', shows: 'after', caption: '3' }),
    event(4, { kind: 'photo', shows: 'after', caption: '4' }),
  ];
  const pictures = ['A', 'B', 'C', 'D'].map((letter, i) => picture(`e${i + 1}`, letter.repeat(4)));
  const pairs = (n: number) =>
    pairsIn(photosOf(events.slice(0, n), kept(...pictures), 'r')).map((p) => p.map((x) => x.caption));
  expect(pairs(2)).toEqual([]);
  expect(pairs(3)).toEqual([['1', '3']]);
  expect(pairs(4)).toEqual([['1', '4']]);
  const sides = [...events, event(5, { kind: 'photo', shows: 'other side', caption: '5' })];
  const all = pairsIn(photosOf(sides, kept(...pictures, picture('e5', 'EEEE')), 'r'));
  expect(all.map((p) => p.map((x) => x.caption))).toEqual([
    ['1', '4'],
    ['2', '5'],
  ]);
});
test('the same picture at two entries is two photographs', () => {
  const events = [
    event(1, { kind: 'photo', shows: 'before', caption: '' }),
    event(2, { kind: 'photo', shows: 'after', caption: '' }),
  ];
  const photos = photosOf(events, kept(picture('e1', 'AAAA'), picture('e2', 'AAAA')), 'r');
  expect(photos.map((p) => p.shows)).toEqual(['before', 'after']);
  expect(attachmentOf('j', 'image/jpeg', 'AAAA').id).toBe(attachmentOf('j', 'image/jpeg', 'AAAA').id);
});
