'use client';
import { type countedPart, saidAs } from '@/core/mix';
import { phrase } from '@/words';
import { useFormat, useSay } from '../shared/bits';

/**
 * What is still to be poured of a part: by the scale, with what that shall show where something stands on it already;
 * and by the marks of a cup, the strokes or drops, where that is what it is measured with, as Mix says it.
 */
export function PourTarget({
  remainG,
  scaleShowsG,
  counted,
}: {
  remainG: number;
  /** Null where nothing stands on the scale yet, or each part has its own cup. */
  scaleShowsG: number | null;
  /** All of the part; null where it is weighed. */
  counted: ReturnType<typeof countedPart>;
}) {
  const format = useFormat();
  const says = useSay();
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
      {counted && (
        <strong className="text-2xl">{phrase`${counted.unit === 'mL' ? 'by the cup' : 'counted'} ${says(saidAs(counted))} in all`}</strong>
      )}
    </p>
  );
}
