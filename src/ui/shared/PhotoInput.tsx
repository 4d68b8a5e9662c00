'use client';
import { useState } from 'react';
import { photoFault, readPhoto } from './photo';

export type ReadPhoto = Awaited<ReturnType<typeof readPhoto>> & { readonly name: string };

/** A picture chosen or taken, made smaller and stripped; what is none is told below. */
export function PhotoInput({
  label,
  camera = false,
  onPhoto,
}: {
  label: string;
  /** On a phone its camera is opened. */
  camera?: boolean;
  /** null where none is chosen, or what was chosen is no picture. */
  onPhoto: (photo: ReadPhoto | null) => void;
}) {
  const [fault, setFault] = useState<string | null>(null);
  return (
    <>
      <label className="block">
        {label}
        <input
          type="file"
          accept="image/*"
          capture={camera ? 'environment' : undefined}
          className="input"
          onChange={async (e) => {
            const file = e.target.files?.[0];
            if (!file) return onPhoto(null);
            try {
              onPhoto({ ...(await readPhoto(file)), name: file.name });
              setFault(null);
            } catch {
              onPhoto(null);
              setFault(photoFault(file));
            }
          }}
        />
      </label>
      {fault && (
        <p role="alert" className="text-sm" style={{ color: 'var(--stop)' }}>
          {fault}
        </p>
      )}
    </>
  );
}
