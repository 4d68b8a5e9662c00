'use client';
import { ImagePlus } from 'lucide-react';
import { useRef, useState } from 'react';
import { attachmentOf } from '@/core/record';
import { attempt } from '@/core/say';
import { outlineArea, type Point, scaleByDistance, scaleByRectangle, tracedOutline } from '@/core/void';
import { phrase } from '@/words';
import { Choice, Prose, useFormat } from '../shared/bits';
import { Dialog } from '../shared/Dialog';
import { PhotoInput, type ReadPhoto } from '../shared/PhotoInput';
import { QuantityField } from '../shared/QuantityField';
import { placeOn } from '../shared/svg-place';
import { putAttachment, useWorkspace } from '../workspace/workspace';

type Way = 'distance' | 'rectangle';
const WANTED: Record<Way, number> = { distance: 2, rectangle: 4 };

interface Props {
  readonly jobId: string;
  readonly photoId: string | null;
  readonly take: (points: readonly Point[], photoId: string) => void;
}

/** Outline from a picture: set the scale by two points or by the corners of a known rectangle, then trace the edge. */
export function PhotoTrace({ jobId, photoId, take }: Props) {
  const [open, setOpen] = useState(false);
  const kept = useWorkspace((d) => (photoId ? d.attachments.get(photoId) : undefined));
  return (
    <div className="mt-2 flex items-start gap-3">
      <button type="button" className="btn text-sm" onClick={() => setOpen(true)}>
        <ImagePlus size={16} aria-hidden="true" /> Outline from a photo…
      </button>
      {kept && (
        // biome-ignore lint/performance/noImgElement: the picture lives in this browser's database
        <img
          src={`data:${kept.type};base64,${kept.data}`}
          alt="What the outline was traced on"
          className="h-20 border"
          style={{ borderColor: 'var(--rule)' }}
        />
      )}
      <Dialog open={open} title="Outline from a photo" onClose={() => setOpen(false)} wide>
        {open && (
          <Tracing
            jobId={jobId}
            take={(points, id) => {
              take(points, id);
              setOpen(false);
            }}
          />
        )}
      </Dialog>
    </div>
  );
}

function Tracing({ jobId, take }: { jobId: string; take: Props['take'] }) {
  const format = useFormat();
  const [photo, setPhoto] = useState<ReadPhoto | null>(null);
  const [way, setWay] = useState<Way>('distance');
  const [marks, setMarks] = useState<readonly Point[]>([]);
  const [trace, setTrace] = useState<readonly Point[]>([]);
  const [length, setLength] = useState<number | null>(null);
  const [width, setWidth] = useState<number | null>(null);
  const [held, setHeld] = useState<{ list: 'marks' | 'trace'; i: number } | null>(null);
  const svg = useRef<SVGSVGElement>(null);
  const marking = marks.length < WANTED[way];
  const scale =
    !marking && length !== null && (way === 'distance' || width !== null)
      ? attempt(() =>
          way === 'distance'
            ? scaleByDistance(marks[0]!, marks[1]!, length)
            : scaleByRectangle([marks[0]!, marks[1]!, marks[2]!, marks[3]!], length, width!),
        )
      : null;
  const points = scale?.ok && trace.length >= 3 ? tracedOutline(trace, scale.value) : null;
  const area = points
    ? outlineArea({
        kind: 'polygon',
        points: points.map(([x, y]) => [x, y]),
        placed: { valueMm: 0, toleranceMm: null, tool: 'photo', text: 'placed', textSystem: 'metric', again: null },
        photoId: null,
      }).areaMm2
    : null;
  const place = (e: { clientX: number; clientY: number }): Point => placeOn(svg.current!, e);
  const put = (list: 'marks' | 'trace', i: number, at: Point) => {
    const set = list === 'marks' ? setMarks : setTrace;
    set((old) => old.map((p, k) => (k === i ? at : p)));
  };
  const dot = photo ? Math.max(photo.width, photo.height) / 90 : 8;
  return (
    <div className="flex flex-col gap-3">
      <PhotoInput
        label="Photo, taken as square to the face as it goes"
        onPhoto={(read) => {
          // What is no picture leaves the one that is traced.
          if (!read) return;
          setPhoto(read);
          setMarks([]);
          setTrace([]);
        }}
      />
      {photo && (
        <>
          <div className="grid grid-cols-3 gap-2 items-end">
            <Choice
              label="Scale by"
              options={[
                { id: 'distance', label: 'two points' },
                { id: 'rectangle', label: 'a rectangle' },
              ]}
              value={way}
              onChange={(w) => {
                setWay(w);
                setMarks([]);
              }}
            />
            <QuantityField
              kind="length"
              label={way === 'distance' ? 'Distance between the points' : 'Rectangle, first side'}
              value={length}
              onChange={(t) => setLength(t.value)}
              check={(v) => (v > 0 ? null : 'More than 0.')}
            />
            {way === 'rectangle' && (
              <QuantityField
                kind="length"
                label="Rectangle, second side"
                value={width}
                onChange={(t) => setWidth(t.value)}
                check={(v) => (v > 0 ? null : 'More than 0.')}
              />
            )}
          </div>
          <p className="font-semibold" aria-live="polite">
            {marking
              ? way === 'distance'
                ? phrase`Click the ${marks.length === 0 ? 'first' : 'second'} point of known distance.`
                : phrase`Click corner ${marks.length + 1} of the known rectangle, in order round it${marks.length === 0 ? '; its first side runs from 1 to 2' : ''}.`
              : trace.length < 3
                ? 'Now click along the edge of the void, in order round it.'
                : phrase`${trace.length} corners traced${area !== null ? phrase`, ${format('area', area).text}` : ''}. Drag a corner to mend it.`}
          </p>
          {scale && !scale.ok && (
            <p role="alert" className="text-sm" style={{ color: 'var(--stop)' }}>
              <Prose>{scale.problem.sentence}</Prose>
            </p>
          )}
          {/* biome-ignore lint/a11y/useKeyWithClickEvents: by key, a corner is added with the button below and moved with the arrows */}
          <svg
            ref={svg}
            viewBox={`0 0 ${photo.width} ${photo.height}`}
            className="w-full max-h-[56vh] touch-none"
            role="group"
            aria-label="The photo"
            style={{ cursor: 'crosshair', border: '1px solid var(--rule)' }}
            onClick={(e) => (marking ? setMarks([...marks, place(e)]) : setTrace([...trace, place(e)]))}
            onPointerMove={(e) => held && put(held.list, held.i, place(e))}
            onPointerUp={() => setHeld(null)}
          >
            <image href={`data:image/jpeg;base64,${photo.base64}`} width={photo.width} height={photo.height} />
            {marks.length > 1 && (
              <path
                d={`M${marks.map((p) => p.join(' ')).join('L')}${way === 'rectangle' && !marking ? 'Z' : ''}`}
                fill="none"
                stroke="#fff"
                strokeWidth={dot / 3}
                strokeDasharray={`${dot} ${dot / 2}`}
              />
            )}
            {trace.length > 1 && (
              <path
                d={`M${trace.map((p) => p.join(' ')).join('L')}Z`}
                fill="rgba(188,201,131,0.45)"
                stroke="#000"
                strokeWidth={dot / 3}
              />
            )}
            {(['marks', 'trace'] as const).flatMap((list) =>
              (list === 'marks' ? marks : trace).map((p, i) => (
                <circle
                  key={`${list}${i}`}
                  cx={p[0]}
                  cy={p[1]}
                  r={dot * 0.8}
                  fill={list === 'marks' ? '#fff' : '#bcc983'}
                  stroke="#000"
                  strokeWidth={dot / 4}
                  tabIndex={0}
                  role="slider"
                  aria-label={phrase`${list === 'marks' ? 'Scale point' : 'Corner'} ${i + 1}`}
                  aria-valuenow={Math.round(p[0])}
                  aria-valuetext={phrase`${Math.round(p[0])}, ${Math.round(p[1])} pixels`}
                  onClick={(e) => e.stopPropagation()}
                  onPointerDown={(e) => {
                    e.currentTarget.setPointerCapture(e.pointerId);
                    setHeld({ list, i });
                  }}
                  onKeyDown={(e) => {
                    const way = { ArrowLeft: [-2, 0], ArrowRight: [2, 0], ArrowUp: [0, -2], ArrowDown: [0, 2] }[e.key];
                    if (!way) return;
                    e.preventDefault();
                    put(list, i, [p[0] + way[0]!, p[1] + way[1]!]);
                  }}
                />
              )),
            )}
          </svg>
          <div className="flex gap-2">
            <button
              type="button"
              className="btn btn-neutral"
              disabled={!points}
              onClick={() => {
                const kept = attachmentOf(jobId, 'image/jpeg', photo.base64);
                putAttachment(kept);
                take(points!, kept.id);
              }}
            >
              Take this outline
            </button>
            <button
              type="button"
              className="btn btn-link"
              onClick={() =>
                (marking ? setMarks : setTrace)((old) => [
                  ...old,
                  [photo.width / 2 + old.length * dot * 3, photo.height / 2],
                ])
              }
            >
              put a point in the middle
            </button>
            <button
              type="button"
              className="btn btn-link"
              disabled={!trace.length}
              onClick={() => setTrace(trace.slice(0, -1))}
            >
              back one corner
            </button>
            <button type="button" className="btn btn-link" disabled={!marks.length} onClick={() => setMarks([])}>
              set the scale anew
            </button>
          </div>
          <p className="soft text-sm">The photo is kept with the job, scaled down, without place or date of its own.</p>
        </>
      )}
    </div>
  );
}
