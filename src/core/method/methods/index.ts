import type { Method } from '../method';
import { checked } from '../steps';
import { anchor } from './anchor';
import { barrierCoat } from './barrier-coat';
import { fairingSkin } from './fairing-skin';
import { fittingBuild } from './fitting-build';
import { fittingTack } from './fitting-tack';
import { mortarPatch } from './mortar-patch';
import { plateBond } from './plate-bond';
import { pouredCollar } from './poured-collar';

/** The table of methods. Adding one touches its file, its test and one line here. */
export const METHODS: readonly Method[] = [
  anchor,
  mortarPatch,
  plateBond,
  pouredCollar,
  fittingTack,
  fittingBuild,
  fairingSkin,
  barrierCoat,
].map(checked);

export const methodOf = (id: string): Method | undefined => METHODS.find((method) => method.id === id);
