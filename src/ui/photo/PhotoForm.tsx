'use client';
import { useState } from 'react';
import { z } from 'zod';
import { SHOWS, type Shows } from '@/core/plan';
import { attachmentOf, bodyShape } from '@/core/record';
import { Dialog } from '../shared/Dialog';
import { PhotoInput, type ReadPhoto } from '../shared/PhotoInput';
import { RecordForm } from '../shared/RecordForm';
import { record } from '../workspace/record';
import { putAttachment } from '../workspace/workspace';

interface Props {
  readonly repairId: string;
  readonly role: string;
  /** What the next photograph most likely shows. */
  readonly first: Shows;
  /** The step one stands at, where work has begun. */
  readonly step?: string | undefined;
  readonly onDone: () => void;
}

const ALL = Object.keys(SHOWS) as Shows[];

const Captioned = z.object({ caption: bodyShape('photo').caption });

/** A photograph into the record: what it shows, the picture made smaller and stripped, a word beside it. */
function PhotoForm({ repairId, role, first, step, onDone }: Props) {
  const [shows, setShows] = useState(first);
  const [photo, setPhoto] = useState<ReadPhoto | null>(null);
  return (
    <>
      <PhotoInput label="Photograph" camera onPhoto={setPhoto} />
      {photo && (
        // biome-ignore lint/performance/noImgElement: the picture lives in this browser's database
        <img src={`data:image/jpeg;base64,${photo.base64}`} alt={photo.name} className="h-40 mt-1" />
      )}
      <label className="block mt-2">
        It shows
        <select className="select" value={shows} onChange={(e) => setShows(e.target.value as Shows)}>
          {ALL.map((id) => (
            <option key={id} value={id}>
              {SHOWS[id]}
            </option>
          ))}
        </select>
      </label>
      <p className="soft text-sm my-2">It is kept smaller, without the place and date that the camera wrote into it.</p>
      <RecordForm
        schema={Captioned}
        start={{ caption: '' }}
        fields={[{ name: 'caption', label: 'A word beside it', missing: '' }]}
        tone="btn btn-neutral min-h-12"
        act="Into the record"
        disabled={!photo}
        onSave={async ({ caption }) => {
          const body = { kind: 'photo', shows, caption, ...(step ? { step } : {}) } as const;
          const event = await record(repairId, body, role);
          if (event && photo) await putAttachment(attachmentOf(event.jobId, 'image/jpeg', photo.base64, event.id));
        }}
        onDone={onDone}
      />
    </>
  );
}

export function PhotoDialog({ open, onClose, ...of }: Omit<Props, 'onDone'> & { open: boolean; onClose: () => void }) {
  return (
    <Dialog open={open} title="Photograph" onClose={onClose}>
      <PhotoForm {...of} onDone={onClose} />
    </Dialog>
  );
}
