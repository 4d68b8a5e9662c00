import type { RepairView } from '@/core/record';
import { alikeRuns, facesOf, kindOf, type VoidShape } from '@/core/void';
import { phrase } from '@/words';
import { TakesFields } from '../repair/TakesFields';
import { Heading, useFormat } from '../shared/bits';

/** How large a face is across, in the reader's units: round ones by their diameter. */
function useAcross(): (shape: VoidShape) => string {
  const format = useFormat();
  return (shape) => {
    const outline = 'outline' in shape ? shape.outline : null;
    if (!outline || outline.kind === 'polygon') return format('area', facesOf(shape).planAreaMm2).text;
    const [long, wide] = [outline.length.valueMm, outline.width.valueMm].map((v) => format('length', v).text);
    return outline.kind === 'ellipse' && long === wide ? `Ø ${long}` : phrase`${long} × ${wide}`;
  };
}

/** A void that is measured at another pass: which, how thick, and the faces that come of it. */
export function TakenHere({ whole, id, shapes }: { whole: RepairView; id: string; shapes: readonly VoidShape[] }) {
  const format = useFormat();
  const across = useAcross();
  return (
    <section aria-label="What it covers" className="flex flex-col gap-2">
      <TakesFields whole={whole} id={id} />
      {shapes.length > 0 && <Heading aside="measured at the pass below">What it covers</Heading>}
      <ul className="text-sm">
        {alikeRuns(shapes).map((run) => {
          const shape = shapes[run[0]!]!;
          const open = kindOf(shape)
            .dimensions(shape)
            .some((d) => d.measured.text === '');
          if (open) return <li key={run[0]}>not measured yet</li>;
          return (
            <li key={run[0]} className="flex justify-between">
              <span>
                {run.length > 1 ? `${run.length} × ` : ''}
                {across(shape)}
              </span>
              <span className="fig">
                {'thickness' in shape ? phrase`${format('length', shape.thickness.valueMm).text} on the mean` : ''}
              </span>
            </li>
          );
        })}
      </ul>
    </section>
  );
}
