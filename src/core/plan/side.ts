import { z } from 'zod';

/** The side of a face, seen from above, at which whoever works on it leaves. */
export const SIDES = { right: 'right end', left: 'left end', top: 'far side', bottom: 'near side' } as const;
export type Side = keyof typeof SIDES;
export const Side = z.enum(Object.keys(SIDES) as [Side, ...Side[]]);
