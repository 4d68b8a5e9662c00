'use client';
import { Plus, Trash2 } from 'lucide-react';
import type { Piece } from '@/core/plan';
import { placesIn } from '@/core/void';
import { phrase } from '@/words';
import { Heading } from '../shared/bits';
import { QuantityField } from '../shared/QuantityField';
import { useRowKeys } from '../shared/use-row-keys';
import { changePass } from '../workspace/workspace';

/** Pauses in pressing that are known beforehand: a move, a stair, a break. They decide how many mixers it takes. */
export function Stops({ repair, holes }: { repair: Piece; holes: boolean }) {
  const { stops } = repair;
  const keys = useRowKeys(stops);
  const places = repair.void ? placesIn(repair.void) : 1;
  if (places < 2) return null;
  const write = (next: Piece['stops']) => changePass(repair, (r) => ({ ...r, stops: next }), 'stops');
  const at = (i: number, over: Partial<Piece['stops'][number]>) =>
    write(stops.map((s, k) => (k === i ? { ...s, ...over } : s)));
  return (
    <>
      <Heading aside="a move, a stair, a break">Pauses known beforehand</Heading>
      {stops.map((s, i) => (
        <div key={keys[i]} className="grid grid-cols-[1fr_1fr_auto] gap-2 items-end mb-1.5">
          <QuantityField
            kind="count"
            label={holes ? 'After hole' : 'After part'}
            value={s.after}
            check={(v) =>
              Number.isInteger(v) && v >= 1 && v < places ? null : phrase`A number from 1 to ${places - 1}.`
            }
            onChange={(t) => at(i, { after: t.value })}
          />
          <QuantityField
            kind="duration"
            label="Pause"
            value={s.minutes}
            check={(v) => (v > 0 && v <= 1440 ? null : 'More than nothing, up to a day.')}
            onChange={(t) => at(i, { minutes: t.value })}
          />
          <button
            type="button"
            className="btn"
            aria-label={phrase`Remove the pause after hole ${s.after}`}
            onClick={() => write(stops.filter((_, k) => k !== i))}
          >
            <Trash2 size={17} aria-hidden="true" />
          </button>
        </div>
      ))}
      <button
        type="button"
        className="btn btn-link text-sm"
        onClick={() =>
          write([...stops, { after: Math.max(1, Math.min(places - 1, Math.floor(places / 2))), minutes: 10 }])
        }
      >
        <Plus size={15} aria-hidden="true" /> a pause
      </button>
    </>
  );
}
