'use client';
import { Box, X } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import type { PassRef } from '@/core/plan';
import type { Said } from '@/core/say';
import { likelyUnits, SCAN_UNITS, type SurfaceForm } from '@/core/scan';
import { type Point, type Scanned, unpack } from '@/core/void';
import { joined, phrase } from '@/words';
import { type ScanWorker, startScanWorker, told } from '@/worker/scan';
import { Choice, Prose, useFormat } from '../shared/bits';
import { FilePick } from '../shared/FilePick';
import { replaceShape } from './edit';

const SAMPLES = [
  { file: 'ramp-edge.stl', label: 'spalled ramp edge' },
  { file: 'hull-gouge.ply', label: 'gouge in the hull' },
] as const;

interface Loaded {
  readonly name: string;
  readonly points: number;
  readonly triangles: number;
  readonly extent: number;
}

/** The scan being worked on, by repair: it outlives the panel, so that a rim can be drawn on the map it gave. */
const open = new Map<string, { worker: ScanWorker; loaded: Loaded }>();

/** Takes a scan in, asks what it cannot know (unit, flat or curved, which side), and measures it in a worker. */
export function ScanPanel({
  of,
  index,
  shape,
  rim,
  setRim,
}: {
  of: PassRef;
  index: number;
  shape: Scanned;
  rim: readonly Point[];
  setRim: (rim: readonly Point[]) => void;
}) {
  const format = useFormat();
  const key = `${of.id}:${of.passId}:${index}`;
  const [loaded, setLoaded] = useState<Loaded | null>(open.get(key)?.loaded ?? null);
  const [unit, setUnit] = useState<string | null>(null);
  const [surface, setSurface] = useState<SurfaceForm>(shape.found.surface);
  /** Unit of which an unlikely size was said to be meant. */
  const [meant, setMeant] = useState<string | null>(null);
  const [flip, setFlip] = useState(false);
  const [busy, setBusy] = useState<{ share: number; doing: string } | null>(null);
  const [fault, setFault] = useState<Said | null>(null);
  const alive = useRef(true);
  useEffect(() => {
    alive.current = true;
    return () => {
      alive.current = false;
    };
  }, []);
  const progress = told((share, doing) => alive.current && setBusy((b) => (b ? { share, doing } : b)));

  const stop = () => {
    open.get(key)?.worker.end();
    open.delete(key);
    setLoaded(null);
    setBusy(null);
  };
  const load = async (chosen: File) => {
    stop();
    setFault(null);
    setUnit(null);
    setBusy({ share: 0, doing: 'reading the file' });
    const worker = startScanWorker();
    const mine = { worker, loaded: { name: chosen.name, points: 0, triangles: 0, extent: 0 } };
    open.set(key, mine);
    const answer = await worker.api.load(chosen, progress);
    if (open.get(key) !== mine) return;
    setBusy(null);
    if (!answer.ok) {
      setFault(answer.sentence);
      worker.end();
      open.delete(key);
      return;
    }
    const got = { name: chosen.name, ...answer.value };
    open.set(key, { worker, loaded: got });
    setLoaded(got);
  };
  const measure = async (byHand: boolean) => {
    const mine = open.get(key);
    const scale = SCAN_UNITS.find((u) => u.id === unit);
    if (!mine || !scale) return;
    setFault(null);
    setBusy({ share: 0, doing: 'beginning' });
    const ask = {
      surface,
      flip,
      mmPerUnit: scale.mm,
      unit: scale.id,
      anySize: meant === scale.id,
      ...(byHand ? { rim: rim.map(([x, y]) => [x + shape.map.u0, y + shape.map.v0] as const) } : {}),
    };
    const answer = await mine.worker.api.measure(ask, progress);
    if (open.get(key) !== mine) return;
    setBusy(null);
    if (!answer.ok) return setFault(answer.sentence);
    setRim([]);
    replaceShape(of, index, answer.value);
  };

  const likely = loaded ? likelyUnits(loaded.extent) : [];
  /** Whether the size is one such places are scanned at, or was said to be meant. */
  const settled = unit !== null && (likely.includes(unit) || meant === unit);
  const done = shape.read.text !== '';
  return (
    <section aria-label="3-D scan" className="flex flex-col gap-2 mt-2">
      <div className="flex flex-wrap gap-2 items-center">
        <FilePick name="Scan file" accept=".stl,.ply,.obj,.xyz,.csv,.txt,.pts" onFile={(chosen) => void load(chosen)}>
          <Box size={17} aria-hidden="true" /> {done || loaded ? 'Take in another scan' : 'Take in a scan'}
        </FilePick>
        <span className="soft text-sm">STL, PLY, OBJ, or points as XYZ or CSV; it stays in this browser.</span>
      </div>
      {!done && !loaded && !busy && (
        <p className="text-sm">
          Or try a made-up one:{' '}
          {SAMPLES.map((s) => (
            <button
              key={s.file}
              type="button"
              className="btn btn-link text-sm"
              onClick={async () => {
                const answer = await fetch(`/samples/${s.file}`).catch(() => null);
                if (answer?.ok) void load(new File([await answer.blob()], s.file));
                else setFault('The made-up scan could not be fetched.');
              }}
            >
              {s.label}
            </button>
          ))}
        </p>
      )}
      {loaded && (
        <div className="flex flex-col gap-2">
          <p className="fig text-sm">
            {loaded.name} ·{' '}
            {loaded.triangles
              ? phrase`${loaded.triangles.toLocaleString('en')} triangles`
              : phrase`${loaded.points.toLocaleString('en')} points`}
          </p>
          <Choice
            label="Its numbers are in"
            options={SCAN_UNITS.map((u) => ({
              id: u.id,
              label: phrase`${u.label}: ${format('length', loaded.extent * u.mm).text}`,
            }))}
            value={unit ?? undefined}
            onChange={setUnit}
          />
          {unit === null ? (
            <p className="text-sm">
              {likely.length
                ? phrase`A file of points does not say. In ${joined(
                    likely,
                    ' or ',
                  )} the scan has a size such places are scanned at.`
                : 'In none of these units has the scan a size such places are scanned at. Look whether it is the right file.'}
            </p>
          ) : (
            !likely.includes(unit) && (
              <div className="flex flex-wrap gap-2 items-center">
                <p
                  role="alert"
                  className="text-sm font-semibold"
                  style={{ color: 'var(--stop)' }}
                >{phrase`In ${unit} the scan would be ${format('length', loaded.extent * SCAN_UNITS.find((u) => u.id === unit)!.mm).text} across${likely.length ? phrase`; ${joined(likely, ' or ')} is likelier.` : '.'}`}</p>
                {meant !== unit && (
                  <button type="button" className="btn btn-link text-sm" onClick={() => setMeant(unit)}>
                    It is that size
                  </button>
                )}
              </div>
            )
          )}
          <div className="grid grid-cols-2 gap-2">
            <Choice
              label="The face was"
              options={[
                { id: 'plane', label: 'flat' },
                { id: 'quadric', label: 'curved' },
              ]}
              value={surface}
              onChange={setSurface}
            />
            <Choice
              label="The void lies"
              options={[
                { id: 'found', label: 'as found' },
                { id: 'other', label: 'on the other side' },
              ]}
              value={flip ? 'other' : 'found'}
              onChange={(id) => setFlip(id === 'other')}
            />
          </div>
          <div className="flex gap-2 flex-wrap">
            <button
              type="button"
              className="btn btn-neutral"
              disabled={!settled || busy !== null}
              onClick={() => void measure(false)}
            >
              Find the void
            </button>
            {rim.length >= 3 && (
              <button
                type="button"
                className="btn"
                disabled={!settled || busy !== null}
                onClick={() => void measure(true)}
              >
                Measure inside the drawn rim
              </button>
            )}
            {rim.length > 0 && (
              <button type="button" className="btn btn-link" onClick={() => setRim([])}>
                drop the drawn rim
              </button>
            )}
          </div>
        </div>
      )}
      {busy && (
        <div className="flex items-center gap-3">
          <progress
            className="flex-1 h-3"
            max={1}
            value={busy.share}
            aria-label="Progress of the scan"
            style={{ accentColor: 'var(--ink)' }}
          />
          <span className="text-sm w-44">{busy.doing}</span>
          <button type="button" className="btn text-sm" onClick={stop}>
            <X size={15} aria-hidden="true" /> Cancel
          </button>
        </div>
      )}
      {fault && (
        <p role="alert" className="text-sm font-semibold" style={{ color: 'var(--stop)' }}>
          <Prose>{fault}</Prose>
        </p>
      )}
      {done && (
        <dl className="grid grid-cols-[auto_1fr] gap-x-3 text-sm">
          <dt className="soft">scan</dt>
          <dd className="fig">{phrase`${shape.source.name || 'kept with the repair'}, ${shape.source.points.toLocaleString('en')} points, read in ${shape.source.unit}`}</dd>
          <dt className="soft">deepest</dt>
          <dd className="fig">{format('length', unpack(shape).maxDepthMm).text}</dd>
          <dt className="soft">area</dt>
          <dd className="fig">{format('area', unpack(shape).areaMm2).text}</dd>
          <dt className="soft">roughness</dt>
          <dd className="fig">{format('length', shape.found.residualMm, 2).text}</dd>
          <dt className="soft">rim seen</dt>
          <dd className="fig">{shape.found.drawn ? 'drawn by hand' : `${Math.round(shape.found.rimSeen * 100)} %`}</dd>
          <dt className="soft">not used</dt>
          <dd className="fig">{phrase`${(shape.found.unusedShare * 100).toFixed(1)} % of the points`}</dd>
        </dl>
      )}
      {done && loaded && (
        <p className="soft text-sm">
          Click on the depth map to draw a rim by hand, or{' '}
          <button
            type="button"
            className="btn btn-link text-sm"
            onClick={() =>
              setRim([
                ...rim,
                [
                  shape.map.nx * shape.map.cellMm * (0.4 + 0.1 * (rim.length % 3)),
                  shape.map.ny * shape.map.cellMm * 0.5,
                ],
              ])
            }
          >
            put a point in its middle
          </button>
          and move it with the arrow keys.
        </p>
      )}
    </section>
  );
}
