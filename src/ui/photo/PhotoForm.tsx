'use client';
import { useState } from 'react';
import { SHOWS, type Shows } from '@/core/plan';
import { attachmentOf } from '@/core/record';
import { Dialog } from '../shared/Dialog';
import { PhotoInput, type ReadPhoto } from '../shared/PhotoInput';
import { SavingButton } from '../shared/SavingButton';
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

/** A photograph into the record: what it shows, the picture made smaller and stripped, a word beside it. */
function PhotoForm({ repairId, role, first, step, onDone }: Props) {
  const [shows, setShows] = useState(first);
  const [caption, setCaption] = useState('');
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
      <label className="block mt-2">
        A word beside it
        <input className="input" value={caption} maxLength={300} onChange={(e) => setCaption(e.target.value)} />
      </label>
      <p className="soft text-sm mt-2">It is kept smaller, without the place and date that the camera wrote into it.</p>
      <SavingButton
        className="btn btn-neutral mt-3 min-h-12"
        disabled={!photo}
        onSave={async () => {
          const body = { kind: 'photo', shows, caption: caption.trim(), ...(step ? { step } : {}) } as const;
          const event = await record(repairId, body, role);
          if (event && photo) await putAttachment(attachmentOf(event.jobId, 'image/jpeg', photo.base64, event.id));
          onDone();
        }}
      >
        Into the record
      </SavingButton>
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
