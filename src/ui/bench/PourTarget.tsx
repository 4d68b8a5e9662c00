'use client';
import { phrase } from '@/words';
import { useFormat } from '../shared/bits';

/**
 * What is still to be poured of a part: by the scale, with what that shall show where something stands on it already;
 * and by the cup, where that is what it is measured with.
 */
export function PourTarget({
  remainG,
  scaleShowsG,
  cupMl,
}: {
  remainG: number;
  /** Null where nothing stands on the scale yet, or each part has its own cup. */
  scaleShowsG: number | null;
  /** All of the part; null where it is weighed. */
  cupMl: number | null;
}) {
  const format = useFormat();
  const left = format('mass', remainG);
  return (
    <p className="flex items-baseline gap-3 flex-wrap">
      <strong className="fig text-6xl font-extrabold leading-none" data-testid="target">
        {left.digits}
      </strong>
      <span className="text-2xl">{left.unit}</span>
      {scaleShowsG !== null && (
        <span className="soft">{phrase`the scale shall show ${format('mass', scaleShowsG).text} in all`}</span>
      )}
      {cupMl !== null && (
        <span className="soft">{phrase`by the cup ${format('volume', cupMl).text} of it in all`}</span>
      )}
    </p>
  );
}
