'use client';
import { Check, X } from 'lucide-react';
import { type Colour, type ColourTrial, LOOK_TABLE, LOOKS } from '@/core/mix';
import { joined, phrase } from '@/words';
import { useFormat } from '../shared/bits';

const SAID = { true: 'fits', false: 'is off', null: 'not looked at' } as const;

/**
 * The trials as they lie on a board, each with its number, its recipe and how it was judged; one of them is open below.
 */
export function TrialBoard({
  colour,
  open,
  choose,
}: {
  colour: Colour;
  open: string | undefined;
  choose: (id: string) => void;
}) {
  return (
    <ol aria-label="Trials on the board" className="grid grid-cols-[repeat(auto-fill,minmax(8.25rem,1fr))] gap-2">
      {colour.trials.map((t) => (
        <li key={t.id} className="min-w-0">
          <button
            type="button"
            aria-pressed={open === t.id}
            data-testid="trial"
            className="w-full h-full p-2 text-left flex flex-col gap-1 cursor-pointer"
            style={{ border: open === t.id ? '3px solid var(--ink)' : '1px solid var(--rule)' }}
            onClick={() => choose(t.id)}
          >
            <span className="flex justify-between items-baseline gap-2">
              <strong className="text-lg leading-none truncate">{t.name}</strong>
              <span className="text-sm">
                {joined(
                  [colour.chosen === t.id && 'taken', colour.veins?.trial === t.id && 'veins'].filter(Boolean),
                  ', ',
                )}
              </span>
            </span>
            <Rows trial={t} />
            <Judged trial={t} />
          </button>
        </li>
      ))}
    </ol>
  );
}

/** What is in it, by mass. */
function Rows({ trial }: { trial: ColourTrial }) {
  const format = useFormat();
  return (
    <span className="grid grid-cols-[minmax(0,1fr)_auto] gap-x-2 text-sm leading-snug">
      {[{ name: trial.of, massG: trial.inG }, ...trial.tints].map((row, i) => (
        <span key={`${i} ${row.name}`} className="contents">
          <span className="truncate">{row.name}</span>
          <span className="fig text-right">{format('mass', row.massG).text}</span>
        </span>
      ))}
    </span>
  );
}

/** Wet and dry in two columns, by day and by lamp in two rows: a tick, a cross, or nothing yet. */
function Judged({ trial }: { trial: ColourTrial }) {
  return (
    <span
      className="mt-auto pt-1 grid grid-cols-[auto_1fr_1fr] gap-x-2 text-sm leading-tight items-center"
      style={{ borderTop: '1px solid var(--hair)' }}
    >
      <span />
      {LOOK_TABLE.surfaces.map((surface) => (
        <span key={surface} aria-hidden="true" className="text-center soft">
          {surface}
        </span>
      ))}
      {LOOK_TABLE.rows.map(({ light, looks }) => (
        <span key={light} className="contents">
          <span aria-hidden="true" className="soft">
            {light}
          </span>
          {looks.map((look) => {
            const fits = trial.judged[look];
            return (
              <span key={look} className="flex justify-center min-h-5 items-center">
                <span className="sr-only">{phrase`${LOOKS[look]}: ${SAID[`${fits}`]}; `}</span>
                {fits === null ? (
                  <span aria-hidden="true">–</span>
                ) : fits ? (
                  <Check size={17} strokeWidth={3} aria-hidden="true" />
                ) : (
                  <X size={17} strokeWidth={3} aria-hidden="true" />
                )}
              </span>
            );
          })}
        </span>
      ))}
    </span>
  );
}
