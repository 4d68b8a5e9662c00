import fc from 'fast-check';
import { chainKey, chainsOf, type Event, eventHash, headOf, linkAfter } from '.';

let n = 0;
const event = (device: string, over: Partial<Event> = {}): Event => ({
  record: 'event',
  version: 1,
  id: `e${n++}`,
  device,
  sequence: n,
  at: n * 1000,
  recordedAt: n * 1000,
  jobId: 'j',
  repairId: 'r',
  amends: null,
  role: 'technician',
  body: { kind: 'note', text: `note ${n}` },
  ...over,
});
/** Events tied one to the other as a store writes them. */
const tied = (events: readonly Event[]): Event[] => {
  const out: Event[] = [];
  for (const e of events) out.push({ ...e, link: linkAfter(headOf(out, chainKey(e))) });
  return out;
};
const ten = tied(Array.from({ length: 10 }, (_, i) => event(i % 3 ? 'phone.1' : 'desk.4')));
const breaks = (events: readonly Event[]) =>
  chainsOf(events).flatMap((c) => c.breaks.map((b) => `${c.browser} ${b.n} ${b.is}`));

test('two devices have a chain each, whole in whatever order the entries come', () => {
  const chains = chainsOf([...ten].reverse());
  expect(chains.map((c) => [c.browser, c.linked, c.unlinked, c.breaks.length])).toEqual([
    ['desk', 4, 0, 0],
    ['phone', 6, 0, 0],
  ]);
  expect(chains[1]!.last).toBe(eventHash(ten[8]!));
});

test('whatever is changed, left out, put in or given another number shows, and where', () => {
  const at = 4; // the third of the phone
  const changed = ten.map((e, i) => (i === at ? { ...e, at: e.at + 60_000 } : e));
  expect(breaks(changed)).toEqual(['phone 3 changed']);
  expect(breaks(ten.filter((_, i) => i !== at))).toEqual(['phone 4 missing']);
  expect(breaks([...ten, { ...ten[at]!, id: 'twin' }]).some((b) => b === 'phone 3 doubled')).toBe(true);
  // The first left out: the second is not the first.
  expect(breaks(ten.filter((_, i) => i !== 0))).toEqual(['desk 2 missing']);
});

test('an end that was cut off shows by the last hash alone', () => {
  const cut = ten.slice(0, 8);
  expect(breaks(cut)).toEqual([]);
  expect(chainsOf(cut)[1]!.last).not.toBe(chainsOf(ten)[1]!.last);
});

test('entries of earlier versions carry no link and break nothing; what follows them begins a chain', () => {
  const old = [event('desk.1'), event('desk.1')];
  const mixed = [...old, ...tied([event('desk.2'), event('desk.2')])];
  expect(chainsOf(mixed)).toMatchObject([{ browser: 'desk', linked: 2, unlinked: 2, breaks: [] }]);
  expect(chainsOf(old)).toMatchObject([{ linked: 0, unlinked: 2, last: null }]);
  expect(chainsOf([])).toEqual([]);
});

test('any one field changed in any entry but the last of its chain is found', () => {
  fc.assert(
    fc.property(
      fc.nat(7),
      fc.constantFrom('role', 'at', 'recordedAt', 'sequence', 'text', 'passId', 'device'),
      (i, field) => {
        const e = ten[i]!;
        const forged: Event =
          field === 'text'
            ? { ...e, body: { kind: 'note', text: 'never said' } }
            : field === 'role'
              ? { ...e, role: 'foreman' }
              : field === 'passId'
                ? { ...e, passId: 'p2' }
                : field === 'device'
                  ? { ...e, device: `${e.device}9` }
                  : { ...e, [field]: (e[field as 'at'] as number) + 1 };
        expect(breaks(ten.map((x, k) => (k === i ? forged : x))).length).toBeGreaterThan(0);
      },
    ),
  );
});

test('a long record is one whole chain', () => {
  const many = tied([event('a.1')]);
  for (let i = 1; i < 2000; i++) {
    const last = many.at(-1)!;
    many.push(event('a.1', { link: { n: i + 1, prev: eventHash(last) } }));
  }
  expect(chainsOf(many)).toMatchObject([{ linked: 2000, breaks: [] }]);
});
