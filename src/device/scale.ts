/** What a scale says: grams on the pan since it was last tared, or that it is gone. */
export type ScaleReading =
  | { readonly kind: 'reading'; readonly grams: number; readonly stable: boolean; readonly atMs: number }
  | { readonly kind: 'lost'; readonly lastGrams: number; readonly atMs: number };

/** A scale beside the pot. Real ones and the one that ships look the same from here. */
export interface Scale {
  readonly name: string;
  readonly stepG: number;
  /** Calls back with every reading until it is let go. */
  listen(onReading: (reading: ScaleReading) => void): () => void;
  tare(): void;
}
