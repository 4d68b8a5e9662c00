import { z } from 'zod';
import { exactly, line, type Message, ml, mm, type Problem, texts } from '../say';
import { Mm } from '../units';
import { arc, block, drawing, hollow, rect } from './draw';
import { halfWidthMm, Measured, measured, unmeasured } from './measured';
import { check, type Outline, type Shape } from './shape';

const WORK = texts('work.cavity', {
  cavity: 'Cavity',
  'depth-of': 'depth of {name}',
  clear: 'Kept clear: {name}',
  box: '{a} × {b} × {deep}',
  round: 'π/4 × ({a})² × {deep}',
});

const REFUSED = texts('refused.void.cavity', {
  'add-least-cavity': 'Add at least one cavity.',
  'every-size-must': '{room, select, yes {Cavity} other {Keep-clear space}} {n}: every size must be more than nought.',
  'what-must-stay': 'What must stay clear is as large as the cavities themselves.',
});

const Room = z.object({
  name: z.string().max(60),
  form: z.enum(['box', 'round']),
  /** Length of a box, diameter of a round one. */
  aMm: Mm,
  /** Width of a box; of no account for a round one. */
  bMm: Mm,
  depthMm: Mm,
  /** What a second reader found; 0 where nobody read again. */
  againMm: Mm.default(0),
});
type Room = z.infer<typeof Room>;

/** Cavities to be packed with putty, less what must stay clear in them. */
export const Cavity = z.object({
  shape: z.literal('cavity'),
  version: z.literal(1),
  rooms: z.array(Room).max(50),
  clear: z.array(Room).max(50),
  /** Carries the tool and half-width of every length; its value is unused. */
  read: Measured,
});
export type Cavity = z.infer<typeof Cavity>;

/** Volume of one room with every length longer by `by`, mm³. */
const roomMm3 = (r: Room, by = 0): number =>
  r.form === 'box'
    ? (r.aMm + by) * (r.bMm + by) * (r.depthMm + by)
    : (Math.PI / 4) * (r.aMm + by) ** 2 * (r.depthMm + by);
const planMm2 = (r: Room) => (r.form === 'box' ? r.aMm * r.bMm : (Math.PI / 4) * r.aMm ** 2);
const aroundMm = (r: Room) => (r.form === 'box' ? 2 * (r.aMm + r.bMm) : Math.PI * r.aMm);
const sum = (rooms: readonly Room[], of: (r: Room) => number) => rooms.reduce((total, r) => total + of(r), 0);
/** How the room of a box or a round is figured. */
export const roomWorked = ({ form, aMm, bMm, depthMm }: Pick<Room, 'form' | 'aMm' | 'bMm' | 'depthMm'>): Message =>
  WORK[form === 'box' ? 'box' : 'round']({
    a: exactly(mm(aMm)),
    b: exactly(mm(bMm)),
    deep: exactly(mm(depthMm)),
  });

function problems(s: Cavity): readonly Problem[] {
  if (!s.rooms.length)
    return [{ field: 'rooms', value: 0, allowed: 'at least one cavity', sentence: REFUSED['add-least-cavity']() }];
  for (const key of ['rooms', 'clear'] as const)
    for (const [i, r] of s[key].entries())
      if (!(r.aMm > 0 && r.depthMm > 0 && (r.form === 'round' || r.bMm > 0)))
        return [
          {
            field: `${key}.${i}`,
            value: [r.aMm, r.bMm, r.depthMm],
            allowed: 'sizes above 0 mm',
            sentence: REFUSED['every-size-must']({ room: key === 'rooms' ? 'yes' : 'no', n: i + 1 }),
          },
        ];
  return sum(s.clear, roomMm3) >= sum(s.rooms, roomMm3)
    ? [
        {
          field: 'clear',
          value: sum(s.clear, roomMm3),
          allowed: 'less than the cavities',
          sentence: REFUSED['what-must-stay'](),
        },
      ]
    : [];
}

const columns = [
  { key: 'name', label: 'name', kind: 'text' },
  {
    key: 'form',
    label: 'form',
    kind: 'choice',
    options: [
      { id: 'box', label: 'box' },
      { id: 'round', label: 'round' },
    ],
  },
  { key: 'aMm', label: 'length, ⌀', kind: 'length' },
  { key: 'bMm', label: 'width', kind: 'length' },
  { key: 'depthMm', label: 'depth', kind: 'length' },
] as const;
const again = { key: 'againMm', label: 'read again', kind: 'length', mayLack: true } as const;

export const cavity: Shape<Cavity> = {
  id: 'cavity',
  version: 1,
  label: 'Cavities to pack',
  seen: 'pockets and recesses rammed full of putty',
  broke: 'cavity',
  schema: Cavity,
  blank: () => ({
    shape: 'cavity',
    version: 1,
    rooms: [{ name: 'pocket', form: 'box', aMm: 60, bMm: 30, depthMm: 20, againMm: 0 }],
    clear: [],
    read: unmeasured(0, 'rule'),
  }),
  dimensions: (s) => [
    {
      key: 'read',
      label: 'Sizes of the cavities',
      measured: { ...s.read, valueMm: 0 },
      minMm: 0,
      maxMm: 0,
      shift: true,
    },
  ],
  lists: (s) => [
    {
      key: 'rooms',
      label: 'Cavities',
      columns: [...columns, again],
      rows: s.rooms,
      blank: { name: `pocket ${s.rooms.length + 1}`, form: 'box', aMm: 60, bMm: 30, depthMm: 20, againMm: 0 },
      max: 50,
    },
    {
      key: 'clear',
      label: 'Must stay clear in them',
      columns,
      rows: s.clear,
      blank: { name: 'path of the slide', form: 'box', aMm: 10, bMm: 10, depthMm: 10, againMm: 0 },
      max: 50,
    },
  ],
  write: (s, key, value) =>
    key === 'rooms' || key === 'clear'
      ? { ...s, [key]: value as Room[], read: s.read.text ? s.read : { ...measured(0, s.read.tool), text: 'read' } }
      : undefined,
  problems,
  secondReadings: (s) => {
    const halfMm = halfWidthMm(s.read);
    const whole = sum(s.rooms, roomMm3) - sum(s.clear, roomMm3);
    return s.rooms.flatMap((room, i) => {
      if (!room.againMm || Math.abs(room.againMm - room.depthMm) <= 2 * halfMm) return [];
      const deeper = (r: Room) => ({ ...r, depthMm: room.againMm });
      // What stays clear right through is as deep as what it stands in.
      const through = s.clear.filter((c) => i === 0 && c.depthMm === room.depthMm);
      const more = roomMm3(deeper(room)) - roomMm3(room) - sum(through, (c) => roomMm3(deeper(c)) - roomMm3(c));
      return [
        {
          label: room.name ? WORK['depth-of']({ name: room.name }) : 'depth of the cavity',
          firstMm: room.depthMm,
          secondMm: room.againMm,
          halfMm,
          ratio: (whole + more) / whole,
        },
      ];
    });
  },
  volume:
    (s) =>
    ([by = 0]) =>
      (sum(s.rooms, (r) => roomMm3(r, by)) - sum(s.clear, (r) => roomMm3(r, by))) / 1000,
  working: (s) => [
    ...s.rooms.map((r) => line(r.name || WORK.cavity(), roomWorked(r), ml(roomMm3(r) / 1000))),
    ...s.clear.map((r) => line(WORK.clear({ name: r.name }), roomWorked(r), ml(-roomMm3(r) / 1000))),
  ],
  faces: (s) => {
    check(cavity, s);
    const plan = sum(s.rooms, planMm2);
    const deep = Math.max(...s.rooms.map((r) => r.depthMm));
    return {
      planAreaMm2: plan,
      wettedAreaMm2: plan + sum(s.rooms, (r) => aroundMm(r) * r.depthMm),
      maxDepthMm: deep,
      perimeterMm: sum(s.rooms, aroundMm),
      thicknessMm: sum(s.rooms, roomMm3) / plan,
    };
  },
  section: (s) => rowOf(s, 'section through the cavities', true),
  plan: (s) => rowOf(s, 'from above', false),
};

/** The cavities beside each other, each with what stays clear in the first of them. */
function rowOf(s: Cavity, title: string, cut: boolean) {
  const gap = Math.max(1, ...s.rooms.map((r) => r.aMm)) * 0.35;
  const tall = (r: Room) => (cut ? r.depthMm : r.form === 'box' ? r.bMm : r.aMm);
  let x = 0;
  const places: Outline[] = [];
  s.rooms.forEach((r, i) => {
    const h = tall(r);
    places.push(
      !cut && r.form === 'round' ? hollow(arc(r.aMm / 2, x + r.aMm / 2, r.aMm / 2)) : hollow(rect(x, 0, x + r.aMm, h)),
    );
    if (i === 0)
      for (const c of s.clear)
        places.push({
          role: 'keep-clear',
          points: rect(
            x + (r.aMm - c.aMm) / 2,
            cut ? 0 : (h - tall(c)) / 2,
            x + (r.aMm + c.aMm) / 2,
            cut ? tall(c) : (h + tall(c)) / 2,
          ),
          label: c.name,
        });
    x += r.aMm + gap;
  });
  const high = Math.max(1, ...s.rooms.map(tall));
  const around: Outline = cut
    ? block(0, x - gap, high, gap)
    : { role: 'base', points: rect(-gap, -gap, x, high + gap) };
  return drawing(title, [around, ...places]);
}
