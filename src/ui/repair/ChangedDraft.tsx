'use client';
import { placeName, type RepairView } from '@/core/record';
import { joined, phrase } from '@/words';
import { TONES } from '../shared/Notice';
import { SavingButton } from '../shared/SavingButton';
import { usePrefs } from '../workspace/prefs';
import { replan, takeChangesBack } from '../workspace/workspace';

/** More changed places than that are counted, not listed. */
const LISTED = 5;

/** A draft that was changed under the work: said, with the two ways on. */
export function ChangedDraft({ whole }: { whole: RepairView }) {
  const role = usePrefs((p) => p.role);
  const { changes, draft } = whole;
  if (!changes.length) return null;
  const places = [...new Set(changes.map((c) => placeName(c.path, draft)))];
  const more = places.length - LISTED;
  return (
    <section
      aria-label="Changed since work began"
      className={`alert ${TONES.caution} no-print px-3 py-2 flex-wrap items-center gap-y-1.5`}
    >
      <p className="flex-1 min-w-[16rem]">
        <strong>Changed since work began, and not worked by:</strong>
        {phrase` ${joined(places.slice(0, LISTED), ', ')}${more > 0 ? phrase` and ${more} more` : ''}. The work goes on by the plan it began with.`}
      </p>
      <SavingButton className="btn text-sm" onSave={() => replan(draft.id, role)}>
        Plan anew from here
      </SavingButton>
      <button type="button" className="btn text-sm" onClick={() => takeChangesBack(draft.id)}>
        Take the changes back
      </button>
    </section>
  );
}
