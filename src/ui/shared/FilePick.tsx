'use client';
import type { ReactNode } from 'react';
import { useDropzone } from 'react-dropzone';

/**
 * A file chosen with a press, or dropped on it. Of what kind it may be is only proposed to the chooser: what it is not
 * is told by whoever reads it.
 */
export function FilePick({
  name,
  accept,
  camera,
  disabled,
  className = 'btn',
  onFile,
  children,
}: {
  /** What the field is called. */
  readonly name: string;
  /** Endings and types that are proposed, as a browser's own field takes them. */
  readonly accept: string;
  /** On a phone its camera is opened. */
  readonly camera?: boolean;
  readonly disabled?: boolean;
  readonly className?: string;
  readonly onFile: (file: File) => void;
  readonly children: ReactNode;
}) {
  const { getRootProps, getInputProps, open, isDragActive } = useDropzone({
    multiple: false,
    noClick: true,
    noKeyboard: true,
    // The window takes files as well: one that was dropped here is not for it.
    noDragEventsBubbling: true,
    disabled,
    onDrop: ([file]) => file && onFile(file),
  });
  return (
    <span {...getRootProps({ role: undefined, className: `inline-flex ${isDragActive ? 'drop-here' : ''}` })}>
      <button type="button" className={className} disabled={disabled} onClick={open}>
        {children}
      </button>
      {/* Reached by the press alone: heard twice it would be two things. */}
      <input
        {...getInputProps({
          'aria-label': name,
          accept,
          capture: camera ? 'environment' : undefined,
          style: { display: 'none' },
        })}
      />
    </span>
  );
}
