'use client';
import { type Piece, SEATS, type SeatId } from '@/core/plan';
import { placeNames } from '@/core/void';
import { own, phrase } from '@/words';
import { Own } from '@/words/jsx-runtime';
import { changePass } from '../workspace/workspace';

const ORDER: readonly SeatId[] = ['sound', 'painted', 'rusted', 'cracked'];
/** How a seat is drawn: word, hatch and the crack itself, never colour alone. */
const LOOK: Readonly<Record<SeatId, { readonly fill: string; readonly crack?: string }>> = {
  sound: { fill: 'url(#tx-metal)' },
  painted: { fill: 'var(--leaf)' },
  rusted: { fill: 'url(#tx-hot)' },
  cracked: { fill: 'var(--stop-bg)', crack: 'M4 3 l7 5 l-3 4 l13 5' },
};

/**
 * A small map of the seats of like plates, as they stand: left and right, from the front to the rear. A press on one
 * says what it was found to be.
 */
export function SeatMap({ repair }: { repair: Piece }) {
  const names = repair.void ? placeNames(repair.void) : [];
  const count = names.length;
  if (count < 2) return null;
  const turn = (n: number) => {
    const now = repair.seats[n];
    // Round through what it may be, and back to not looked at.
    const next = now === undefined ? ORDER[0] : ORDER[ORDER.indexOf(now) + 1];
    changePass(repair, (r) => {
      const { [n]: _was, ...others } = r.seats;
      return { ...r, seats: next === undefined ? others : { ...others, [n]: next } };
    });
  };
  const looked = Object.keys(repair.seats).filter((n) => Number(n) <= count).length;
  return (
    <section aria-label="Seats" className="mt-3" data-testid="seats">
      <h3 className="font-bold">
        {phrase`The ${count} seats, from the front: left, right `}
        <span className="soft font-normal text-sm">{phrase`${looked} of ${count} looked at; press one to say what it is`}</span>
      </h3>
      <ol className="grid grid-cols-2 gap-1.5 mt-1 max-w-[26rem]">
        {Array.from({ length: count }, (_, i) => i + 1).map((n) => {
          const found = repair.seats[n];
          const name = names[n - 1] || String(n);
          const look = found && LOOK[found];
          return (
            <li key={n}>
              <button
                type="button"
                className="btn w-full justify-start"
                aria-label={phrase`Seat ${own(name)}: ${found ? SEATS[found].label : 'not looked at'}`}
                title={found ? SEATS[found].means : undefined}
                onClick={() => turn(n)}
              >
                <svg width="26" height="20" viewBox="0 0 26 20" aria-hidden="true">
                  <rect
                    x="1"
                    y="1"
                    width="24"
                    height="18"
                    fill={look?.fill ?? 'none'}
                    stroke="var(--ink)"
                    strokeDasharray={found ? undefined : '3 3'}
                  />
                  {look?.crack && <path d={look.crack} fill="none" stroke="var(--stop)" strokeWidth="2" />}
                </svg>
                <span>
                  <Own>{name}</Own>{' '}
                  <span className={found ? '' : 'soft font-normal'}>
                    {found ? SEATS[found].label : 'not looked at'}
                  </span>
                </span>
              </button>
            </li>
          );
        })}
      </ol>
    </section>
  );
}
