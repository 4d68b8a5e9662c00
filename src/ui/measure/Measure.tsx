'use client';
import { ENGINES, liftsMm, liftsOf, settingIn } from '@/core/method';
import { pieceName, sectionInPlace, whoseThickness } from '@/core/plan';
import { attempt } from '@/core/say';
import {
  boreOf,
  isScanned,
  kindOf,
  MOST_SHAPES,
  measured,
  type Drawing as Plan,
  type PlanOutline,
  placesIn,
  settingOutDrawing,
  toolAt,
  voidPlan,
  voidProblems,
} from '@/core/void';
import { phrase } from '@/words';
import type { StageProps } from '../repair/stage-props';
import { Answer, Choice, Prose, useFormat, useSay, Working } from '../shared/bits';
import { Drawing } from '../shared/Drawing';
import { pageIn } from '../shared/drawing-fit';
import { ToolLearned } from '../shared/LearnedHere';
import { Schools, Settings } from '../shared/Schools';
import { StageFindings, StillNeeds } from '../shared/StageFindings';
import { holds } from '../shared/stage-answer';
import { useNarrow } from '../shared/use-narrow';
import { useSize } from '../shared/use-width';
import { usePrefs } from '../workspace/prefs';
import { changePass } from '../workspace/workspace';
import { addShape, movePoint, pullDimension, pullThickness, writeShape } from './edit';
import { HoleBySheet } from './HoleBySheet';
import { fresh, look, type Page, useDraft, useLookAt } from './look';
import { PhotoTrace } from './PhotoTrace';
import { ScanPanel } from './ScanPanel';
import { SettingOutFields } from './SettingOutFields';
import { ShapeFields } from './ShapeFields';
import { ShapePicker } from './ShapePicker';
import { ShapesHere } from './ShapesHere';
import { TakenHere } from './TakenHere';
import { VoidFields } from './VoidFields';

const TEXTURES = ['hardening', 'gelled', 'liquid'];

/** The frame of the drawing before it is laid out, px. */
const FRAME = { width: 730, height: 260 };
/** Kept free at the right of it for the other view; on a phone there is none, px. */
const BESIDE = 252;

/** The void drawn to scale; what is round can be pulled. */
function Sheet({ at }: StageProps) {
  const { plan } = at;
  const { repair, v } = useDraft(at);
  const format = useFormat();
  const says = useSay();
  const now = useLookAt(repair);
  const [frame, size] = useSize(FRAME);
  const narrow = useNarrow();
  if (!plan.method) return null;
  if (!repair.void && repair.takes.from !== 'own')
    return (
      <p className="p-5">
        It lies on what another pass leaves, and is measured there. Give it a void of its own, beside, to measure it
        here.
      </p>
    );
  if (!repair.void || now.adding)
    return (
      <>
        {repair.void && (
          <button type="button" className="btn btn-link m-3 mb-0" onClick={() => look({ ...now, adding: false })}>
            back to the drawing
          </button>
        )}
        <ShapePicker
          method={plan.method}
          base={repair.base.material}
          first={!repair.void}
          choose={(id) => {
            addShape(repair, id);
            // The new one is the last, however many the others come to.
            look({ ...fresh(repair.id), index: MOST_SHAPES });
          }}
        />
      </>
    );
  const { index, cut, rim } = now;
  // The pass that is drawn as it is drafted this moment, the others as they are planned.
  const inOrder = at.whole.passes.map((p, i) => ({
    piece: p.repair.passId === repair.passId ? repair : p.plan.piece,
    name: pieceName(p.repair, i),
  }));
  const shape = repair.void.shapes[index]!;
  const kind = kindOf(shape);
  const drawable = attempt(() => ({
    section: sectionInPlace(inOrder, repair.passId, index, cut),
    plan: voidPlan(repair.void!, index, cut),
  }));
  if (!drawable.ok)
    return (
      <p className="p-5">
        <Prose>{drawable.problem.sentence}</Prose>
      </p>
    );
  const page: Page =
    now.page === 'setting' && !repair.settingOut ? 'section' : (now.page ?? (kind.fromAbove ? 'plan' : 'section'));
  const dims = kind.dimensions(shape);
  const open = dims.some((d) => d.measured.text === '');
  const { takes } = repair;
  const values = {
    ...Object.fromEntries(dims.map((d) => [d.key, d.measured.valueMm])),
    // Over what was left low the shape holds the mean: as thick as it was typed is what is drawn.
    ...(takes.from === 'face' ? { thickness: takes.thickness.valueMm } : {}),
  };
  // Of a face that is measured at another pass only the thickness is this one’s.
  const pullable = takes.from === 'own' || page !== 'plan';
  const scanning = isScanned(shape);
  const withRim: Plan = {
    ...drawable.value.plan,
    handles: [
      ...(drawable.value.plan.handles ?? []),
      ...rim.map((p, i) => ({ key: `rim.${i}`, at: p, label: phrase`rim ${i + 1}` })),
    ],
    outlines: [...drawable.value.plan.outlines, ...(rim.length > 1 ? [{ role: 'level' as const, points: rim }] : [])],
  };
  const { section } = drawable.value;
  const stands = plan.context ? (plan.method.standsIn?.(plan.context, shape, section) ?? []) : [];
  const pages: Record<Page, Plan | null> = {
    section: { ...section, outlines: [...section.outlines, ...stands] },
    plan: withRim,
    setting: repair.settingOut
      ? settingOutDrawing(repair.settingOut, placesIn(repair.void), boreOf(repair.void)?.acrossMm ?? 40)
      : null,
  };
  const other: Page = page === 'section' ? (repair.settingOut && plan.method.setsOut ? 'setting' : 'plan') : 'section';
  const lifts =
    plan.context && ENGINES[plan.method.engine].inLifts && page === 'section' && repair.void.shapes.length === 1
      ? liftsOf(plan.context)
      : 0;
  const depth = v?.faces.maxDepthMm ?? 0;
  const layers = lifts > 0 && plan.context ? layersOf(liftsMm(plan.context), depth, format) : undefined;
  const crown = page === 'section' && plan.context?.effects.level === 'crown' ? settingIn(plan.context, 'crown') : 0;
  const settingValues: Readonly<Record<string, number>> = repair.settingOut
    ? {
        along: repair.settingOut.along.valueMm,
        from: repair.settingOut.from.valueMm,
        spacing: repair.settingOut.spacing.valueMm,
      }
    : {};
  return (
    <div className="absolute inset-0 flex flex-col">
      <div ref={frame} className="relative flex-1 min-h-0">
        <Drawing
          drawing={pages[page]!}
          base={repair.base.material}
          {...pageIn(size)}
          free={narrow ? 0 : BESIDE}
          layers={layers}
          crownMm={crown}
          values={page === 'setting' ? settingValues : values}
          onDrag={
            pullable
              ? (key, mm) =>
                  page === 'setting'
                    ? changePass(
                        repair,
                        (r) =>
                          r.settingOut && key in settingValues
                            ? {
                                ...r,
                                settingOut: {
                                  ...r.settingOut,
                                  [key]: {
                                    ...r.settingOut[key as 'along'],
                                    valueMm: mm,
                                    text: `${Number(mm.toFixed(1))} mm`,
                                    textSystem: 'metric',
                                  },
                                },
                              }
                            : r,
                        `setting:${key}`,
                      )
                    : pullThickness(repair, key, mm) || pullDimension(repair, index, shape, key, mm)
              : undefined
          }
          onMove={(key, p) =>
            key.startsWith('rim.')
              ? look({ ...now, rim: rim.map((q, i) => (`rim.${i}` === key ? p : q)) })
              : movePoint(repair, index, key, p)
          }
          onCut={(share) => look({ ...now, cut: share })}
          onPlace={scanning && page === 'plan' && !open ? (p) => look({ ...now, rim: [...rim, p] }) : undefined}
          unmeasured={open}
        />
        {!narrow && (
          <button
            type="button"
            className="absolute right-3 bottom-2 w-60 h-36 paper cursor-pointer"
            aria-label={phrase`Enlarge: ${says(pages[other]!.title)}`}
            onClick={() => look({ ...now, page: other })}
          >
            <Drawing drawing={pages[other]!} base={repair.base.material} width={240} height={144} small bare />
          </button>
        )}
      </div>
      <div className="flex items-center gap-3 px-3 py-2 no-print">
        <Choice
          label="Drawn"
          hideLabel
          options={(['section', 'plan', ...(repair.settingOut ? (['setting'] as const) : [])] as Page[]).map((id) => ({
            id,
            label: { section: 'section', plan: 'from above', setting: 'setting out' }[id],
          }))}
          value={page}
          onChange={(id) => look({ ...now, page: id })}
        />
        <p className="soft text-sm leading-tight hidden sm:block">{phrase`${repair.base.material}, ${format('length', repair.base.thicknessMm).text} thick · ${
          pullable
            ? 'pull what is round or square, or use the arrow keys on it'
            : 'measured at the pass it lies on; its thickness is pulled in the section'
        }`}</p>
      </div>
    </div>
  );
}

/** Lifts as they are drawn, from the floor up, the last of the textures in the top one. */
function layersOf(thick: readonly number[], depthMm: number, format: ReturnType<typeof useFormat>) {
  // A crown stands above the depth, a recess is left empty below the face.
  const scale = Math.min(1, depthMm / thick.reduce((a, b) => a + b, 0));
  let top = depthMm;
  return thick.map((own, i) => {
    const toMm = top;
    top = Math.max(0, top - own * scale);
    return {
      fromMm: top,
      toMm,
      texture:
        thick.length === 1
          ? ('liquid' as const)
          : (TEXTURES[Math.max(0, 3 - thick.length) + Math.min(i, 2)] ?? 'liquid'),
      label: phrase`lift ${i + 1} · ${format('length', own).text}`,
    };
  });
}

function Side({ view, at }: StageProps) {
  const { plan } = at;
  const { repair, v } = useDraft(at);
  const format = useFormat();
  const now = useLookAt(repair);
  const system = usePrefs((p) => p.system);
  // What it takes from another pass is measured there.
  const taken = repair.takes.from !== 'own';
  if (!repair.void)
    return (
      <>
        <Answer over="the void holds" digits="—" beside="not measured yet" />
        {/* Whoever pressed “a void of its own” finds the way back where he left it. */}
        {at.whole.draft.chain[0] !== repair.passId && <TakenHere whole={at.whole} id={repair.passId} shapes={[]} />}
        <StageFindings at={at} zone={view.job.zone} stage="measure" />
        <StillNeeds texts={plan.open.measure} />
      </>
    );
  const { index, rim } = now;
  const { shapes } = repair.void;
  const shape = shapes[index]!;
  const problems = voidProblems(repair.void);
  const byArea = plan.method?.params?.byCoverage === true;
  const soaks = plan.method?.params?.toRefusal === true;
  const shown = !v ? null : byArea ? holds({ ...plan, void: v }, system) : format('volume', v.nominalMl);
  const problemAt = (key: string) => problems.find((p) => p.field === `shapes.${index}.${key}`)?.sentence ?? null;
  const wholeProblem = (key: string) => problems.find((p) => p.field === key)?.sentence ?? null;
  const outline: PlanOutline | null = 'outline' in shape ? shape.outline : null;
  return (
    <>
      <Answer
        over={
          byArea
            ? 'to be covered'
            : soaks
              ? 'estimated to drink'
              : placesIn(repair.void) > 1
                ? phrase`the ${placesIn(repair.void)} voids hold`
                : 'the void holds'
        }
        digits={shown?.digits ?? '—'}
        unit={shown?.unit}
        beside={
          byArea && v ? (
            'how much that takes is the sheet’s to say'
          ) : v ? (
            <>
              between <strong className="fig">{format('volume', v.p5Ml).digits}</strong> and{' '}
              <strong className="fig">{format('volume', v.p95Ml).text}</strong>
              {v.decides && (
                <span className="block">{phrase`${soaks && /thickness/.test(v.decides.key) ? 'what it drinks' : v.decides.label.toLowerCase()} decides ${Math.round(v.decides.share * 100)} % of that`}</span>
              )}
            </>
          ) : (
            'waits for its dimensions'
          )
        }
      />
      {v?.decides && <ToolLearned tool={toolAt(shapes, v.decides.key)} />}
      {taken ? (
        <TakenHere whole={at.whole} id={repair.passId} shapes={shapes} />
      ) : (
        <>
          <ShapesHere
            of={repair}
            measured={repair.void!}
            index={index}
            choose={(i) => look({ ...fresh(repair.id), index: i })}
            add={() => look({ ...now, adding: true })}
          />
          {isScanned(shape) && (
            <ScanPanel
              of={repair}
              index={index}
              shape={shape}
              rim={rim}
              setRim={(next) => look({ ...now, page: 'plan', rim: next })}
            />
          )}
          <HoleBySheet of={repair} index={index} shape={shape} sheet={plan.sheet} />
          {!(isScanned(shape) && shape.read.text === '') && (
            <ShapeFields
              soaks={soaks}
              thickBy={
                plan.method && 'thickness' in shape
                  ? whoseThickness(plan.method, plan.sheet, shape.thickness, shape.shape)
                  : null
              }
              shape={shape}
              shareOf={(key) => v?.shares.find((s) => s.key === `shapes.${index}.${key}`)?.share ?? 0}
              problemAt={problemAt}
              write={(key, value) => writeShape(repair, index, key, value)}
            />
          )}
          {outline && (
            <PhotoTrace
              jobId={view.job.id}
              photoId={outline.kind === 'polygon' ? outline.photoId : null}
              take={(points, photoId) =>
                writeShape(repair, index, 'outline', {
                  kind: 'polygon',
                  points: points.map(([x, y]) => [x, y]),
                  placed: { ...measured(0, 'photo'), text: 'placed' },
                  photoId,
                })
              }
            />
          )}
        </>
      )}
      {!taken && <VoidFields of={repair} v={repair.void} problemAt={wholeProblem} />}
      <Schools at={at} stage="measure" />
      <Settings at={at} stage="measure" />
      {plan.method?.setsOut && (
        <SettingOutFields repairId={repair.id} value={repair.settingOut} count={placesIn(repair.void)} />
      )}
      <StillNeeds texts={plan.open.measure} />
      <StageFindings at={at} zone={view.job.zone} stage="measure" />
      {v && <Working title={phrase`how ${shown!.text} comes about`} lines={v.working} />}
    </>
  );
}

export const Measure = { Sheet, Side };
