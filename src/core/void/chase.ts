import { bare, exactly, line, ml, mm, type Problem, texts } from '../say';
import { asMeasured } from '../units';
import { alongMm, Chase, crossingsOf, meanWidthMm, runMm, volumeMm3 } from './chase-run';
import { across, block, down, drawing, hollow } from './draw';
import { crossingsList, drawnCrossings } from './kept-open';
import { measured, unmeasured } from './measured';
import type { Point } from './point';
import { check, type Dimension, type Shape } from './shape';

const WORK = texts('work.chase', {
  stretch: 'From {from} to {to}',
  union:
    'union of the {vee, select, yes {V} other {slot}} {wide} × {deep} → {wideNext} × {deepNext} with a slot {slotWide} × {slotDeep}',
  prismatoid:
    '{long}/6 × (2·{wide}·{deep} + {wide}·{deepNext} + {wideNext}·{deep} + 2·{wideNext}·{deepNext}){vee, select, yes { × ½} other {}}',
});

const REFUSED = texts('refused.void.chase', {
  'crack-needs-least': 'A crack needs at least two stations: where it begins and where it ends.',
  'station-does-not': 'Station {n}, at {at}, does not lie beyond station {n2}, at {at2}.',
  'station-width-depth': 'Station {n}: width and depth must be nought or more.',
  'joint-does-not': 'Joint {n}, at {at}, does not cross it: it runs from {begins} to {ends}.',
  'width-depth-everywhere': 'Width and depth are 0 everywhere.',
});

const dimensions = (s: Chase): readonly Dimension[] => [
  {
    key: 'readWidth',
    label: 'Width along the crack',
    measured: { ...s.readWidth, valueMm: 0 },
    minMm: 0,
    maxMm: 0,
    shift: true,
  },
  {
    key: 'readDepth',
    label: 'Depth along the crack',
    measured: { ...s.readDepth, valueMm: 0 },
    minMm: 0,
    maxMm: 0,
    shift: true,
  },
  ...(s.slot
    ? [
        { key: 'slot.width', label: 'Width of the sawn slot', measured: s.slot.width, minMm: 0, maxMm: 500 },
        { key: 'slot.depth', label: 'Depth of the sawn slot', measured: s.slot.depth, minMm: 0, maxMm: 1000 },
      ]
    : []),
];

function problems(s: Chase): readonly Problem[] {
  if (s.stations.length < 2)
    return [
      {
        field: 'stations',
        value: s.stations.length,
        allowed: 'at least 2 stations',
        sentence: REFUSED['crack-needs-least'](),
      },
    ];
  for (const [i, st] of s.stations.entries()) {
    const before = s.stations[i - 1];
    if (before && !(st.atMm > before.atMm))
      return [
        {
          field: `stations.${i}`,
          value: st.atMm,
          allowed: `more than ${asMeasured(before.atMm)} mm`,
          sentence: REFUSED['station-does-not']({
            n: i + 1,
            at: exactly(mm(st.atMm)),
            n2: i,
            at2: exactly(mm(before.atMm)),
          }),
        },
      ];
    if (!(st.widthMm >= 0 && st.depthMm >= 0))
      return [
        {
          field: `stations.${i}`,
          value: [st.widthMm, st.depthMm],
          allowed: '0 mm or more',
          sentence: REFUSED['station-width-depth']({ n: i + 1 }),
        },
      ];
  }
  const [begins, ends] = [s.stations[0]!.atMm, s.stations.at(-1)!.atMm];
  for (const [i, { atMm }] of crossingsOf(s).entries())
    if (!(atMm > begins && atMm < ends))
      return [
        {
          field: `crossings.${i}`,
          value: atMm,
          allowed: `between ${asMeasured(begins)} and ${asMeasured(ends)} mm`,
          sentence: REFUSED['joint-does-not']({
            n: i + 1,
            at: exactly(mm(atMm)),
            begins: exactly(mm(begins)),
            ends: exactly(mm(ends)),
          }),
        },
      ];
  if (!s.slot && !s.stations.some((st) => st.widthMm > 0 && st.depthMm > 0))
    return [
      {
        field: 'stations',
        value: 0,
        allowed: 'a width and depth above 0 somewhere',
        sentence: REFUSED['width-depth-everywhere'](),
      },
    ];
  return [];
}

const deepest = (s: Chase) =>
  s.stations.reduce((a, b) => (b.depthMm > a.depthMm ? b : a), s.stations[0] ?? { atMm: 0, widthMm: 1, depthMm: 1 });

export const chase: Shape<Chase> = {
  id: 'chase',
  version: 1,
  label: 'Crack, gouge or chased joint',
  seen: 'a crack, as it is or sawn open along its length',
  broke: 'crack',
  fromAbove: true,
  schema: Chase,
  blank: () => ({
    shape: 'chase',
    version: 1,
    form: 'vee',
    stations: [
      { atMm: 0, widthMm: 4, depthMm: 20 },
      { atMm: 500, widthMm: 6, depthMm: 30 },
    ],
    readWidth: unmeasured(0, 'rule'),
    readDepth: unmeasured(0, 'gauge'),
    slot: null,
  }),
  dimensions,
  runMm,
  alongMm,
  faceOutline: (s) => ({
    kind: 'rectangle',
    length: measured(runMm(s), 'tape'),
    width: measured(meanWidthMm(s), 'rule'),
  }),
  keptOpen: (s) =>
    crossingsOf(s).map(({ atMm }) => {
      const along = atMm - s.stations[0]!.atMm;
      return { atMm: along, from: [along, 0], to: [along, meanWidthMm(s)] };
    }),
  parameters: (s) => [
    {
      key: 'form',
      label: 'It runs in',
      kind: 'choice',
      value: s.form,
      options: [
        { id: 'vee', label: 'to a point' },
        { id: 'slot', label: 'as wide below' },
      ],
    },
    {
      key: 'slot',
      label: 'Sawn open',
      kind: 'choice',
      value: s.slot ? 'sawn' : 'not',
      options: [
        { id: 'not', label: 'not' },
        { id: 'sawn', label: 'a slot along it' },
      ],
    },
  ],
  lists: (s) => [
    {
      key: 'stations',
      label: 'Stations along the crack',
      columns: [
        { key: 'atMm', label: 'at', kind: 'length' },
        { key: 'widthMm', label: 'width', kind: 'length' },
        { key: 'depthMm', label: 'depth', kind: 'length' },
      ],
      rows: s.stations,
      blank: { ...(s.stations.at(-1) ?? { widthMm: 5, depthMm: 20 }), atMm: (s.stations.at(-1)?.atMm ?? 0) + 250 },
      max: 200,
    },
    crossingsList(crossingsOf(s), (s.stations[0]?.atMm ?? 0) + Math.round(runMm(s) / 2)),
  ],
  write: (s, key, value) => {
    if (key === 'slot' && typeof value === 'string')
      return {
        ...s,
        slot:
          value === 'sawn' ? (s.slot ?? { width: unmeasured(8, 'calliper'), depth: unmeasured(20, 'gauge') }) : null,
      };
    // What is typed at a station has been measured.
    if (key === 'stations')
      return {
        ...s,
        stations: value as Chase['stations'],
        readWidth: s.readWidth.text ? s.readWidth : { ...measured(0, s.readWidth.tool), text: 'read' },
        readDepth: s.readDepth.text ? s.readDepth : { ...measured(0, s.readDepth.tool), text: 'read' },
      };
    const station = /^stations\.(\d+)$/.exec(key);
    if (station && Array.isArray(value))
      return {
        ...s,
        stations: s.stations.map((st, i) =>
          i === Number(station[1])
            ? { ...st, atMm: Math.round(value[0] as number), widthMm: Math.max(0, 2 * (value[1] as number)) }
            : st,
        ),
      };
    return undefined;
  },
  problems,
  volume:
    (s) =>
    ([dw = 0, dd = 0, slotW = 0, slotD = 0]) =>
      volumeMm3(s, dw, dd, slotW, slotD) / 1000,
  working: (s) => {
    const [slotW, slotD] = s.slot ? [s.slot.width.valueMm, s.slot.depth.valueMm] : [0, 0];
    return s.stations.slice(1).map((b, i) => {
      const a = s.stations[i]!;
      const part = volumeMm3({ ...s, stations: [a, b] }, 0, 0, slotW, slotD) / 1000;
      const m = (valueMm: number) => bare(mm(valueMm));
      return line(
        WORK.stretch({ from: exactly(mm(a.atMm)), to: exactly(mm(b.atMm)) }),
        WORK[s.slot ? 'union' : 'prismatoid']({
          vee: s.form === 'vee' ? 'yes' : 'no',
          long: m(b.atMm - a.atMm),
          wide: m(a.widthMm),
          deep: m(a.depthMm),
          wideNext: m(b.widthMm),
          deepNext: m(b.depthMm),
          slotWide: m(slotW),
          slotDeep: m(slotD),
        }),
        ml(part),
      );
    });
  },
  faces: (s) => {
    check(chase, s);
    const slotW = s.slot?.width.valueMm ?? 0;
    const slotD = s.slot?.depth.valueMm ?? 0;
    let area = 0;
    let wet = 0;
    for (let i = 0; i + 1 < s.stations.length; i++) {
      const [a, b] = [s.stations[i]!, s.stations[i + 1]!];
      const length = b.atMm - a.atMm;
      const [w, d] = [Math.max(slotW, (a.widthMm + b.widthMm) / 2), Math.max(slotD, (a.depthMm + b.depthMm) / 2)];
      area += length * w;
      wet += length * (s.form === 'vee' && !s.slot ? 2 * Math.hypot(w / 2, d) : 2 * d + w);
    }
    const length = s.stations.at(-1)!.atMm - s.stations[0]!.atMm;
    return {
      planAreaMm2: area,
      wettedAreaMm2: wet,
      maxDepthMm: Math.max(slotD, ...s.stations.map((st) => st.depthMm)),
      perimeterMm: 2 * length,
      thicknessMm: area / length,
    };
  },
  section: (s) => {
    const { widthMm: w, depthMm: d } = deepest(s);
    const [sw, sd] = s.slot ? [s.slot.width.valueMm, s.slot.depth.valueMm] : [0, 0];
    const crack: Point[] =
      s.form === 'vee'
        ? [
            [w / 2, 0],
            [0, d],
            [-w / 2, 0],
          ]
        : [
            [w / 2, 0],
            [w / 2, d],
            [-w / 2, d],
            [-w / 2, 0],
          ];
    const half = Math.max(w, sw) / 2;
    const deep = Math.max(d, sd);
    const side = Math.max(deep * 0.7, half * 3);
    return drawing(
      'section where it is deepest',
      [
        block(-half, half, deep, side, deep * 0.4),
        hollow(crack),
        ...(s.slot
          ? [
              hollow([
                [-sw / 2, 0],
                [sw / 2, 0],
                [sw / 2, sd],
                [-sw / 2, sd],
              ]),
            ]
          : []),
      ],
      s.slot
        ? [
            across('slot.width', 0, sw / 2, -deep * 0.12, 'slot', 2),
            down('slot.depth', 0, sd, half + side * 0.55, 'slot'),
          ]
        : [],
    );
  },
  plan: (s) => {
    const up = s.stations.map((st) => [st.atMm, -Math.max(st.widthMm, s.slot?.width.valueMm ?? 0) / 2] as const);
    const low = s.stations
      .toReversed()
      .map((st) => [st.atMm, Math.max(st.widthMm, s.slot?.width.valueMm ?? 0) / 2] as const);
    const length = (s.stations.at(-1)?.atMm ?? 1) - (s.stations[0]?.atMm ?? 0);
    return {
      ...drawing('along the crack, from above', [
        {
          role: 'base',
          points: [
            [(s.stations[0]?.atMm ?? 0) - length * 0.03, -length * 0.12],
            [(s.stations.at(-1)?.atMm ?? 1) + length * 0.03, -length * 0.12],
            [(s.stations.at(-1)?.atMm ?? 1) + length * 0.03, length * 0.12],
            [(s.stations[0]?.atMm ?? 0) - length * 0.03, length * 0.12],
          ],
        },
        hollow([...up, ...low]),
        ...drawnCrossings(crossingsOf(s), length),
      ]),
      handles: s.stations.map((st, i) => ({
        key: `stations.${i}`,
        at: [st.atMm, st.widthMm / 2] as const,
        label: `station ${i + 1}`,
      })),
    };
  },
};
