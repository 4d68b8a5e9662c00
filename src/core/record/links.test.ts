import { createHash } from 'node:crypto';
import fc from 'fast-check';
import { chainKey, chainsOf, type Event, eventHash, headOf, linkAfter, stableJson } from '.';

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

test('what is hashed is JSON with its keys in order, whatever is in it', () => {
  const sorted = (value: unknown) =>
    JSON.stringify(value, (_key, v) =>
      v && typeof v === 'object' && !Array.isArray(v)
        ? Object.fromEntries(Object.entries(v).sort(([a], [b]) => (a < b ? -1 : 1)))
        : v,
    );
  fc.assert(
    fc.property(fc.jsonValue(), (value) => {
      // Names that are whole numbers stand first in any object: no key of a record is one.
      fc.pre(!/"\\d+":/.test(JSON.stringify(value)) && !/"\d+":/.test(JSON.stringify(value)));
      expect(stableJson(value)).toBe(sorted(value));
    }),
  );
  expect(stableJson({ b: undefined, a: [undefined, Number.NaN, new Date(0)] })).toBe(
    sorted({ b: undefined, a: [undefined, Number.NaN, new Date(0)] }),
  );
});

test('a hash is that of the text, short or long, in whatever script', () => {
  for (const text of ['a', 'ä€漢😀', 'x'.repeat(2000), '漢'.repeat(2000)]) {
    const e = event('a.1', { body: { kind: 'note', text } });
    expect(eventHash(e)).toBe(createHash('sha256').update(stableJson(e), 'utf8').digest('hex'));
  }
});
