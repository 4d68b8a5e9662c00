import type { Method } from '../method';
import { checked } from '../steps';
import { anchor } from './anchor';
import { mortarPatch } from './mortar-patch';
import { plateBond } from './plate-bond';
import { pouredCollar } from './poured-collar';

/** The table of methods. Adding one touches its file, its test and one line here. */
export const METHODS: readonly Method[] = [anchor, mortarPatch, plateBond, pouredCollar].map(checked);

export const methodOf = (id: string): Method | undefined => METHODS.find((method) => method.id === id);
