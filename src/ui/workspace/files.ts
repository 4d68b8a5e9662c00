'use client';

/** Offers a text as a file. */
export const saveText = (name: string, text: string, type: string): void => save(name, new Blob([text], { type }));
/** Offers bytes as a file. */
export const saveBytes = (name: string, bytes: Uint8Array, type: string): void =>
  save(name, new Blob([bytes as BlobPart], { type }));

/** Offers what is made already as a file. */
export const saveBlob = (name: string, blob: Blob): void => save(name, blob);

function save(name: string, blob: Blob): void {
  const url = URL.createObjectURL(blob);
  const link = document.createElement('a');
  link.href = url;
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), 10_000);
}

/** Names that a system keeps for itself. */
const RESERVED = /^(con|prn|aux|nul|com\d|lpt\d)$/;

/**
 * A file name from a title: letters, digits and dashes, not too long for any system, and none that one keeps for
 * itself.
 */
export function fileName(title: string, ending: string): string {
  const plain = title
    .normalize('NFC')
    .toLowerCase()
    .replace(/[^\p{L}\p{N}]+/gu, '-')
    .replace(/^-|-$/g, '');
  // Counted in bytes, as systems do: a letter of another script takes up to four.
  let name = '';
  for (const letter of plain) if (new TextEncoder().encode(name + letter).length <= 120) name += letter;
  name = name.replace(/-$/, '');
  return `${!name ? 'job' : RESERVED.test(name) ? `job-${name}` : name}.${ending}`;
}
