'use client';
import { Camera } from 'lucide-react';
import { useState } from 'react';
import { FilePick } from './FilePick';
import { photoFault, readPhoto } from './photo';

export type ReadPhoto = Awaited<ReturnType<typeof readPhoto>> & { readonly name: string };

/** A picture chosen, taken or dropped, made smaller and stripped; what is none is told below. */
export function PhotoInput({
  label,
  camera = false,
  onPhoto,
}: {
  label: string;
  /** On a phone its camera is opened. */
  camera?: boolean;
  /** null where what was chosen is no picture. */
  onPhoto: (photo: ReadPhoto | null) => void;
}) {
  const [fault, setFault] = useState<string | null>(null);
  return (
    <>
      <FilePick
        name={label}
        accept="image/*"
        camera={camera}
        className="btn min-h-12"
        onFile={async (file) => {
          try {
            onPhoto({ ...(await readPhoto(file)), name: file.name });
            setFault(null);
          } catch {
            onPhoto(null);
            setFault(photoFault(file));
          }
        }}
      >
        <Camera size={18} aria-hidden="true" /> {label}
      </FilePick>
      {fault && (
        <p role="alert" className="text-sm" style={{ color: 'var(--stop)' }}>
          {fault}
        </p>
      )}
    </>
  );
}
