'use client';
import { Camera } from 'lucide-react';
import { useId, useMemo, useState } from 'react';
import { SHOWS, type Shows } from '@/core/plan';
import { phrase } from '@/words';
import { Heading, OnOff } from '../shared/bits';
import { shortWhen } from '../shared/when';
import { useWorkspace } from '../workspace/workspace';
import { PhotoDialog } from './PhotoForm';
import { captionOf, type Photo, pairsIn, photosOf, srcOf } from './photos-of';

interface Props {
  readonly repairId: string;
  readonly zone: string;
  readonly nowMs: number;
  readonly role: string;
  readonly first: Shows;
}

/** The photographs of a repair, two of them laid on one another where there is a pair. */
export function Photos({ repairId, zone, nowMs, role, first }: Props) {
  const events = useWorkspace((d) => d.events);
  const attachments = useWorkspace((d) => d.attachments);
  const photos = useMemo(() => photosOf(events, attachments, repairId), [events, attachments, repairId]);
  const [taking, setTaking] = useState(false);
  const pairs = pairsIn(photos);
  return (
    <section aria-label="Photographs" data-testid="photos">
      <Heading>Photographs</Heading>
      {pairs.map(([under, over]) => (
        <Compared key={`${under.id} ${over.id}`} under={under} over={over} />
      ))}
      {photos.length > 0 && (
        <ul className="grid grid-cols-2 sm:grid-cols-3 gap-2 mt-2">
          {photos.map((p) => (
            <li key={p.id}>
              {/* biome-ignore lint/performance/noImgElement: the picture lives in this browser's database */}
              <img src={srcOf(p)} alt={captionOf(p)} loading="lazy" className="w-full aspect-[4/3] object-cover" />
              <p className="text-sm leading-tight mt-0.5">
                {captionOf(p) || 'of a note'} <span className="soft">{shortWhen(p.atMs, zone, nowMs)}</span>
              </p>
            </li>
          ))}
        </ul>
      )}
      <button type="button" className="btn mt-2" onClick={() => setTaking(true)}>
        <Camera size={18} aria-hidden="true" /> Take a photograph…
      </button>
      <PhotoDialog
        // Opened anew it asks anew.
        key={String(taking)}
        open={taking}
        onClose={() => setTaking(false)}
        repairId={repairId}
        role={role}
        first={first}
      />
    </section>
  );
}

/** One photograph over another, uncovered by a slider; a side that is the mirror of the other may be turned over. */
export function Compared({ under, over }: { readonly under: Photo; readonly over: Photo }) {
  const [share, setShare] = useState(50);
  const [mirrored, setMirrored] = useState(false);
  const id = useId();
  const names = [under, over].map((p) => SHOWS[p.shows!]) as [string, string];
  const picture = 'absolute inset-0 w-full h-full object-contain';
  return (
    <figure className="mt-2" data-testid="compared">
      <div className="relative w-full h-60 md:h-64 paper overflow-hidden">
        {/* biome-ignore lint/performance/noImgElement: the picture lives in this browser's database */}
        <img src={srcOf(under)} alt={captionOf(under)} className={picture} />
        <div className="absolute inset-0" style={{ clipPath: `inset(0 0 0 ${share}%)` }}>
          {/* biome-ignore lint/performance/noImgElement: the picture lives in this browser's database */}
          <img
            src={srcOf(over)}
            alt={captionOf(over)}
            className={picture}
            style={{ background: 'var(--paper)', transform: mirrored ? 'scaleX(-1)' : undefined }}
          />
        </div>
        <span
          aria-hidden="true"
          className="absolute inset-y-0 w-0.5"
          style={{ left: `${share}%`, background: 'var(--ink)' }}
        />
      </div>
      <label htmlFor={id} className="flex justify-between text-sm mt-1">
        <span>{names[0]}</span>
        <span>{names[1]}</span>
      </label>
      <input
        id={id}
        type="range"
        min={0}
        max={100}
        value={share}
        aria-label={phrase`How far ${names[1]} is covered by ${names[0]}`}
        className="w-full min-h-[44px]"
        onChange={(e) => setShare(Number(e.target.value))}
      />
      <OnOff label={phrase`Turn “${names[1]}” over, as in a mirror`} on={mirrored} onChange={setMirrored} />
    </figure>
  );
}
