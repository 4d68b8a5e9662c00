import { createStore } from 'zustand/vanilla';
import { browserOf } from '@/core/record';
import { createDrafts } from './drafts';
import { createKeeping } from './keeping';
import type { WorkspacePorts } from './ports';
import { createRecording } from './recording';
import { EMPTY, type WorkspaceState } from './state';
import { createUpkeep } from './upkeep';

const laterByTimer = (call: () => void, ms: number) => {
  const timer = setTimeout(call, ms);
  return () => clearTimeout(timer);
};

export type Workspace = ReturnType<typeof createWorkspace>;

/**
 * The ground that the interface stands on: what is kept, what has been typed, and every way to act on it. Drafts show
 * at once and are written behind; an event shows when it is on disk.
 */
export function createWorkspace({ later = laterByTimer, ...given }: WorkspacePorts) {
  const ports = { ...given, later };
  const { clock, ids } = ports;
  const state = createStore<WorkspaceState>(() => EMPTY);
  const keeping = createKeeping(state, ports);
  const drafts = createDrafts(state, clock, keeping);
  return {
    state,
    clock,
    ids,
    /** The browser this workspace stands in. */
    browser: browserOf(ids.device),
    ...keeping,
    ...drafts,
    ...createRecording(state, ports, keeping, drafts),
    ...createUpkeep(state, ids, keeping, drafts),
  };
}
