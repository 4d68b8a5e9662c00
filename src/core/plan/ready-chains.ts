import { type Method, methodOf } from '../method';
import type { BaseMaterial } from '../system';
import { type BrokeId, SHAPES } from '../void';
import { withNext } from './chain';
import type { ReadyChain } from './ready-rows';
import { type Piece, pieceOf, type Repair, withPiece } from './repair';

export { READY_CHAINS, type ReadyChain, usuallyOn } from './ready-rows';

/** What a repair is begun with: one method, or several passes that commonly lie on one another. */
export interface Beginning {
  readonly methodId: string;
  readonly chain: ReadyChain | null;
}

const methodsOf = (chain: ReadyChain): readonly Method[] =>
  [chain.first, ...chain.next].map(({ method }) => methodOf(method)!);

/** What a chain may be done on: what all its passes may. */
export const basesOf = (chain: ReadyChain): readonly BaseMaterial[] => {
  const [first, ...others] = methodsOf(chain);
  return first!.bases.filter((b) => others.every((m) => m.bases.includes(b)));
};

/** Whether a method begins with something broken of that sort. */
export const mends = (method: Method, broke: BrokeId): boolean =>
  method.shapes.some((id) => SHAPES[id].broke === broke);

/** Methods that mend that sort of thing, those that are first of all done for it in front. */
export const mendersOf = (broke: BrokeId, of: readonly Method[]): readonly Method[] => {
  const rank = (m: Method) => m.shapes.findIndex((id) => SHAPES[id].broke === broke);
  return of.filter((m) => rank(m) >= 0).sort((a, b) => rank(a) - rank(b));
};

/** Whether a chain begins with something broken of that sort. */
export const chainMends = (chain: ReadyChain, broke: BrokeId): boolean => mends(methodsOf(chain)[0]!, broke);

/**
 * The further passes of a ready-made chain put on a repair that begins with its first method; nothing of them is chosen
 * or measured yet.
 * @throws Refusal where the base bears one of its methods not
 */
export function withChain(repair: Repair, chain: ReadyChain): Repair {
  const begun = pieceOf(repair);
  const { name: passName, schools = {} } = chain.first;
  const named: Piece = { ...begun, passName, schools: { ...begun.schools, ...schools } };
  return chain.next.reduce(
    (r, row) => {
      const longer = withNext(r, methodOf(row.method)!, null, row);
      return withPiece(longer, { ...pieceOf(longer, longer.chain.at(-1)!), passName: row.name });
    },
    withPiece(repair, named),
  );
}
