import { bodyShape, EventBody } from './event';

/** The kinds as the union itself tells them. */
const KINDS = EventBody.options.map((option) => option.shape.kind.value);

test.each(KINDS)('the fields of %s are those the record is read by', (kind) => {
  const shape = bodyShape(kind) as { readonly kind: { safeParse(v: unknown): { success: boolean } } };
  expect(shape.kind.safeParse(kind).success).toBe(true);
  for (const other of KINDS) if (other !== kind) expect(shape.kind.safeParse(other).success).toBe(false);
});

test('a form that asks by them takes what the record takes, and refuses what it refuses', () => {
  const { reason } = bodyShape('override');
  for (const text of ['', 'no', 'why', 'x'.repeat(500), 'x'.repeat(501)]) {
    const body = { kind: 'override', finding: 'f', title: 't', reason: text };
    expect([text.length, reason.safeParse(text).success]).toEqual([text.length, EventBody.safeParse(body).success]);
  }
  expect(() => bodyShape('toString' as 'note')).toThrow('unknown kind of event: toString');
});
