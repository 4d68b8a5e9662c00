/** How wet a face may be, the driest first. */
export const WETNESS = ['bone dry', 'wiped damp', 'saturated, no puddles'] as const;
export type Wetness = (typeof WETNESS)[number];

/** Whether water is brought to a face before anything goes on it. */
export const isWetted = (wetness: Wetness): boolean => wetness !== WETNESS[0];
