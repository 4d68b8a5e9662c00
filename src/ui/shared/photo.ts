'use client';
import { phrase } from '@/words';

/** Larger than that no camera’s photo is: it would fill the memory before it is made smaller. */
const MOST_BYTES = 40_000_000;

/** Why a file was not taken as a photo. */
export const photoFault = (file: File): string =>
  file.size > MOST_BYTES
    ? phrase`“${file.name}” has ${(file.size / 1e6).toFixed(0)} MB; up to ${MOST_BYTES / 1e6} MB can be taken. Take it at a lower resolution.`
    : phrase`“${file.name}” is no picture this browser can open.`;

/** Longest side a photo is kept at, px; drawn anew it also loses where and when it was taken. */
const LONGEST = 1600;

/**
 * A photo scaled down and written anew as a JPEG, without the data that came with it. @throws when the file is no
 * picture
 */
export async function readPhoto(file: File): Promise<{ base64: string; width: number; height: number }> {
  if (file.size > MOST_BYTES) throw new RangeError(photoFault(file));
  const bitmap = await createImageBitmap(file);
  const k = Math.min(1, LONGEST / Math.max(bitmap.width, bitmap.height));
  const canvas = document.createElement('canvas');
  canvas.width = Math.round(bitmap.width * k);
  canvas.height = Math.round(bitmap.height * k);
  canvas.getContext('2d')!.drawImage(bitmap, 0, 0, canvas.width, canvas.height);
  bitmap.close();
  return { base64: canvas.toDataURL('image/jpeg', 0.82).split(',')[1]!, width: canvas.width, height: canvas.height };
}
