import { mm, percent, texts } from '../../say';
import { type Faces, facesOf, kindOf, standApart, type Void } from '../../void';
import { clear, endOfMixing, waiting, weighedOrWhole } from '../common';
import { topFaceM2 } from '../consumable';
import { type MethodContext, settingIn } from '../context';
import { broadcastSand, crackQuestions, sandSetting } from '../crack';
import { options } from '../effects';
import { filledInLifts, reworded } from '../engines';
import type { Method } from '../method';
import { tasks } from '../task';

const AMOUNT = texts('crack-mesh.amount', {
  bed: 'bed and cover of the mesh',
  'bed-by': '{run} × {wide} × {thick}',
  over: 'left on tools, pressed out',
  'over-by': '{share} of the crack, bed and cover',
});

const SAYS = texts('crack-mesh.says', {
  manner: 'As stiff as it comes from the trowel.',
  rests:
    'It ends square where a piece of mesh ends; begun against that edge, abraded and wiped, with the next piece lapped over it.',
});

/** Length of a strip by its area and the way round it, mm: exact for a rectangle. */
export function stripMm({ planAreaMm2, perimeterMm }: Pick<Faces, 'planAreaMm2' | 'perimeterMm'>): number {
  const half = perimeterMm / 2;
  return (half + Math.sqrt(Math.max(0, half * half - 4 * planAreaMm2))) / 2;
}
/** Length of each crack, mm: of what runs along a line, else of the strip it was measured as. */
function runsMm({ void: v, measured }: MethodContext): readonly number[] {
  const each = v.shapes.map((s) => kindOf(s).runMm?.(s) ?? 0);
  // What lies along the same crack has its length; cracks that stand apart have their own.
  const all = standApart(v)
    ? each.map((mm, i) => mm || stripMm(facesOf(v.shapes[i]!)))
    : [Math.max(0, ...each) || stripMm(measured.faces)];
  return Array.from({ length: v.count }, () => all).flat();
}
const sumOf = (of: readonly number[]): number => of.reduce((a, b) => a + b, 0);

/** Pieces of mesh that cover a run, each lapping over the one before. */
export function meshPieces(lengthMm: number, pieceMm: number, lapMm: number): number {
  const beyond = pieceMm - lapMm;
  return beyond > 0 ? Math.max(1, Math.ceil((lengthMm - lapMm) / beyond - 1e-9)) : 1;
}
const piecesOf = (c: MethodContext) =>
  sumOf(runsMm(c).map((mm) => meshPieces(mm, settingIn(c, 'piece'), settingIn(c, 'lap'))));
/** Width of what was measured, mm: of the widest face, where several lie on one another. */
const measuredMm = (c: MethodContext) => (topFaceM2(c) * 1e6) / sumOf(runsMm(c));
/** Whether a crack is all that was measured. */
const isCrackAlone = ({ shapes }: Void): boolean => shapes.every((s) => (kindOf(s).runMm?.(s) ?? 0) > 0);
/** Whether what the mesh lies in is reckoned from the mesh. */
const isBedUntold = (c: MethodContext): boolean => !c.bedAsMeasured && isCrackAlone(c.void);
/** Width of what it is bedded in, mm. */
const bedMm = (c: MethodContext) =>
  isBedUntold(c) ? Math.max(measuredMm(c), settingIn(c, 'meshWidth') + 2 * settingIn(c, 'margin')) : measuredMm(c);
/** Paste under and over the mesh, where nobody measured it, mL. */
const beddedMl = (c: MethodContext) =>
  isBedUntold(c) ? (sumOf(runsMm(c)) * bedMm(c) * settingIn(c, 'bed')) / 1000 : 0;
/** Mesh in all its pieces, mm. */
const meshMm = (c: MethodContext) => {
  const runs = runsMm(c);
  return sumOf(runs) + (piecesOf(c) - runs.length) * settingIn(c, 'lap');
};

/** A crack bridged by a strip of mesh in paste, covered by a skim as the next pass. */
export const crackMesh: Method = {
  id: 'crack-mesh',
  version: 1,
  label: 'Crack in a slab, bridged with mesh',
  engine: 'fill',
  does: 'A crack that does not move is filled with paste, a strip of mesh is worked in and covered; a skim may follow.',
  bases: ['concrete', 'stone'],
  shapes: ['chase', 'groove', 'filled', 'patch', 'coat'],
  blanks: { groove: { form: 'vee' } },
  laidOn: null,
  setsOut: false,
  takes: { flow: ['paste', 'mortar'], out: ['pot'], binder: ['resin', 'cement'], sand: true },
  params: { narrow: true },
  questions: crackQuestions,
  watched: 'still',
  strip: { setting: 'meshWidth', bedMm },
  schools: [
    {
      id: 'edge',
      matter: 'Edge of the paste',
      stage: 'place',
      options: options('crack-mesh.edge', [
        {
          id: 'feathered',
          label: 'feathered out',
          fits: 'only under a coat that follows',
          effect: { wantsCover: true },
          says: { edge: 'Drawn out to nothing at both edges' },
        },
        {
          id: 'cut',
          label: 'cut square into the slab',
          fits: 'where no coat follows',
          says: { edge: 'Level with the cut edges' },
        },
      ]),
      byDefault: 'feathered',
      why: 'A feathered edge without a coat over it comes up under the first wheel.',
    },
    {
      id: 'top',
      matter: 'For what follows',
      stage: 'finish',
      options: options('crack-mesh.top', [
        { id: 'rough', label: 'left rough from the trowel', fits: 'a skim inside its window' },
        {
          id: 'sanded',
          label: 'sand broadcast while it is wet',
          fits: 'a skim whenever it suits: there is no window then',
          effect: { shows: ['broadcast', 'finish:sweep'] },
        },
      ]),
      byDefault: 'rough',
      why: 'Paste that has set smooth does not take a skim.',
    },
    weighedOrWhole('crack-mesh', {
      weighed: { label: 'as much as is laid in its minutes', fits: 'tins on a scale fine enough' },
      whole: { label: 'whole kits only', fits: 'small kits' },
      why: 'A strip takes its time, and so the paste its measure.',
    }),
    endOfMixing,
    waiting,
  ],
  settings: [
    { id: 'over', label: 'Left on tools, pressed out', kind: 'percent', byDefault: 8, min: 0, max: 100, stage: 'mix' },
    { id: 'rate', label: 'Laid in a minute', kind: 'rate', byDefault: 150, min: 5, max: 20_000, stage: 'place' },
    {
      id: 'piece',
      label: 'Mesh, length of a piece',
      kind: 'length',
      byDefault: 2500,
      min: 50,
      max: 50_000,
      stage: 'place',
    },
    {
      id: 'meshWidth',
      label: 'Mesh, width',
      kind: 'length',
      byDefault: 100,
      min: 10,
      max: 2000,
      stage: 'place',
    },
    { id: 'lap', label: 'Mesh, overlap', kind: 'length', byDefault: 60, min: 0, max: 1000, stage: 'place' },
    {
      id: 'bed',
      label: 'Paste under and over the mesh, together',
      kind: 'length',
      byDefault: 3,
      min: 0.5,
      max: 50,
      stage: 'mix',
      openIn: isCrackAlone,
    },
    {
      id: 'margin',
      label: 'Paste beyond the mesh, each side',
      kind: 'length',
      byDefault: 15,
      min: 0,
      max: 500,
      stage: 'mix',
      openIn: isCrackAlone,
    },
    sandSetting,
  ],
  preparation: [
    'Gauge marks over it for days: it does not move.',
    'Opened, vacuumed to the bottom; the strip beside it ground to sound concrete.',
    'Dry to the limit of the sheet, by a moisture reading.',
    'Mesh cut to its pieces, rolled so that it lies flat.',
  ],
  mistakes: [
    'Mesh laid dry between set layers.',
    'One large pot.',
    'Bubbles under the strip.',
    'A feathered edge with no coat over it.',
  ],
  cautions: [
    'Grinding: water or extraction, breathing protection: silica.',
    'Cut mesh scratches and sensitises with the paste on it: gloves.',
  ],
  tools: ['crack-chasing wheel', 'vacuum', 'notched and flat trowel', 'shears', 'roller for bubbles'],
  tests: [
    { id: 'tap', kind: 'tap', ask: 'Does it ring sound along its whole length?' },
    { id: 'covered', kind: 'look', ask: 'Is the mesh covered all over, and nothing of it stands up?' },
  ],
  finishAnswer: 'strip covered, ready for its skim',
  review: null,
  serves: 'foot',
  rests: SAYS.rests(),
  bares: 100,
  allowances: [
    {
      id: 'bed',
      of: (c) => {
        if (!isBedUntold(c)) return null;
        const [run, wide, thick] = [sumOf(runsMm(c)), bedMm(c), settingIn(c, 'bed')];
        return {
          label: AMOUNT.bed(),
          ml: beddedMl(c),
          expression: AMOUNT['bed-by']({ run: mm(run), wide: mm(wide), thick: mm(thick) }),
        };
      },
    },
    {
      id: 'over',
      of: (c) => ({
        label: AMOUNT.over(),
        ml: ((c.measured.nominalMl + beddedMl(c)) * settingIn(c, 'over')) / 100,
        expression: AMOUNT['over-by']({ share: percent(settingIn(c, 'over')) }),
      }),
    },
  ],
  says: { manner: SAYS.manner() },
  gaps: { pieces: piecesOf, mesh: (c) => mm(meshMm(c)), meshWidth: (c) => mm(settingIn(c, 'meshWidth')) },
  consumes: [
    {
      id: 'mesh',
      what: 'mesh in a strip',
      unit: 'm',
      why: 'along the crack, with the overlaps of its pieces',
      of: (c) => meshMm(c) / 1000,
    },
    { ...broadcastSand, of: (c) => (settingIn(c, 'sand') * bedMm(c) * sumOf(runsMm(c))) / 1e6 },
  ],
  tasks: [
    ...tasks('crack-mesh', [
      {
        task: 'prep:chase',
        throws: 'dust',
        role: 'prepare',
        title: 'Open the crack, grind the strip, vacuum',
        detail: 'To the width and depth measured; the strip sound and clean as wide as the paste goes.',
        confirm: 'Open, sound and clean',
        work: { fixed: 10, per: { 'strip m2': 60 } },
      },
      {
        task: 'prep:cut',
        role: 'set-out',
        title: 'Cut the mesh: {pieces, plural, one {# piece} other {# pieces}}, {mesh} in all',
        detail: '{meshWidth} wide, laps counted in; rolled against its bend.',
        confirm: 'Cut and flat',
        work: { fixed: 3, per: { place: 2 } },
      },
      {
        task: 'prep:check',
        block: 'first',
        role: 'prepare',
        title: '{face, select, dry {Dry?} damp {Wipe it damp.} other {Wet it, puddles out.}} Read the base',
        detail: 'Its face {asked}.',
        confirm: '{face, select, dry {Dry} other {As wet as asked}} and read',
        work: { fixed: 5 },
        hold: true,
      },
    ]),
    ...clear,
    ...reworded('crack-mesh', filledInLifts, {
      place: {
        title:
          'Paste, mesh, paste{several, select, yes {, batch {n}} other {}}{along, select, yes {, {reach}} other {}}',
        detail: 'Fill the crack, bed the strip without a bubble, cover it wet in wet. {edge}.',
        confirm: 'Mesh in, covered',
      },
    }),
    ...tasks('crack-mesh', [
      {
        task: 'broadcast',
        role: 'close',
        block: 'work',
        ofLast: true,
        optional: true,
        title: 'Broadcast dry sand to refusal',
        detail: 'While it is wet, until it takes no more.',
        confirm: 'It takes no more',
        work: { fixed: 5, per: { 'strip m2': 3 } },
      },
      {
        task: 'hold:leave',
        role: 'hold',
        block: 'work',
        title: 'Bar it off, clean up',
        detail: 'No foot on it: a heel goes through to the mesh.',
        confirm: 'Barred off',
        work: { fixed: 5 },
      },
      {
        task: 'finish:sweep',
        throws: 'dust',
        onFace: 'always',
        role: 'finish',
        block: 'finish',
        optional: true,
        title: 'Sweep the loose sand off',
        detail: 'Once it has set.',
        confirm: 'Swept',
        work: { fixed: 5 },
        waits: { for: 'foot', on: 'last' },
      },
    ]),
  ],
};
