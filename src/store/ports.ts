import type { Journal } from './journal';
import type { Store } from './store';

/** The workspace's own time. */
export interface WorkspaceClock {
  /** Epoch ms. */
  now(): number;
  /** By how much the device's clock has jumped ahead of it, ms; 0 while they agree. */
  aheadMs(): number;
}

export interface WorkspacePorts {
  readonly clock: WorkspaceClock;
  /** Opens the database; called again when it was lost. */
  readonly store: (onBlocked: () => void) => Promise<Store>;
  readonly ids: {
    /** A name nobody else has. */
    readonly make: () => string;
    /** The browser and, after a full stop, this tab of it: no two tabs number their events alike. */
    readonly device: string;
  };
  readonly journal: Journal;
  /** Runs `call` after a while. @returns a way to stop it */
  readonly later?: (call: () => void, ms: number) => () => void;
}
