import { z } from 'zod';
import type { PartId } from '../system';

/** What the touch says of the cup kept of a batch. */
export const WITNESS_STATES = {
  kept: 'kept',
  liquid: 'still liquid',
  soft: 'soft',
  tacky: 'tacky',
  nail: 'takes a nail mark',
  hard: 'hard',
} as const;
export const WitnessState = z.enum(
  Object.keys(WITNESS_STATES) as [keyof typeof WITNESS_STATES, ...(keyof typeof WITNESS_STATES)[]],
);
export type WitnessState = z.infer<typeof WitnessState>;

/**
 * What really happened so far, as folded from the record. What is known by an id of a file stands in maps: an id may be
 * any word.
 */
export interface Actuals {
  readonly begun: ReadonlyMap<string, number>;
  readonly done: ReadonlyMap<string, number>;
  readonly readings: readonly {
    readonly channel: 'base' | 'air' | 'pot';
    readonly atMs: number;
    readonly valueC: number;
  }[];
  /** Humidity of the air, per cent. */
  readonly humidity: readonly { readonly atMs: number; readonly valuePct: number }[];
  /** Minutes of use the plan was started with: batches do not change under the hand. */
  readonly usableMin: number | null;
  readonly startedAt: number | null;
  /** Times a batch was lost and is mixed again, by batch index. */
  readonly redone: ReadonlyMap<number, number>;
  /** Volumes to top up, mL. */
  readonly topUpsMl: readonly number[];
  readonly holdRestartedAt: number | null;
  /** What was done before these instants is done again: all of the pass, or what brought the surface back and tested it. */
  readonly doneAgain: readonly { readonly atMs: number; readonly what: 'pass' | 'finish' }[];
  /** Troubles in their order, with the sign that was found. */
  readonly troubles: readonly { readonly id: string; readonly sign: string | null; readonly atMs: number }[];
  /** Times the base must be dried and checked again, with the step before which it stands. */
  readonly preparedAgain: readonly { readonly atMs: number }[];
  readonly overrides: ReadonlyMap<string, { readonly reason: string; readonly role: string; readonly atMs: number }>;
  readonly tests: ReadonlyMap<string, 'yes' | 'no'>;
  readonly released: { readonly role: string; readonly atMs: number } | null;
  /** What was poured, in order; of a batch that was thrown away nothing. */
  readonly pours: readonly {
    readonly batch: number;
    readonly part: PartId;
    readonly massG: number;
    readonly lot: string;
    readonly atMs: number;
  }[];
  /** The last word of the cup of each batch. */
  readonly witness: ReadonlyMap<number, { readonly state: WitnessState; readonly atMs: number }>;
  /** What each coat of a soak took, in order, by the face of its void. */
  readonly drunk: readonly { readonly face: number; readonly ml: number; readonly atMs: number }[];
  /** Kits taken from the shelf, by lot. */
  readonly taken: ReadonlyMap<string, number>;
  readonly reviewed: { readonly role: string; readonly atMs: number } | null;
}

/** Nothing has happened yet. */
export const NOTHING_YET: Actuals = {
  begun: new Map(),
  done: new Map(),
  readings: [],
  humidity: [],
  usableMin: null,
  startedAt: null,
  redone: new Map(),
  topUpsMl: [],
  holdRestartedAt: null,
  doneAgain: [],
  troubles: [],
  preparedAgain: [],
  overrides: new Map(),
  tests: new Map(),
  pours: [],
  witness: new Map(),
  drunk: [],
  taken: new Map(),
  released: null,
  reviewed: null,
};
