import { nanoid } from 'nanoid';
import { BASE_PROPERTIES, ONLY_AIR, usualAir } from '@/core/climate';
import { METHODS } from '@/core/method';
import { FIRST_CHOICES, FIRST_OF_CHAIN, type Job, type Repair, repairOf, UNCOUNTED, USUAL_SCALE_G } from '@/core/plan';
import type { BaseMaterial } from '@/core/system';
import type { UnitSystem } from '@/core/units';

/** A new job as it starts out: tomorrow is not assumed, the site's zone is this browser's until it is set. */
export function freshJob(nowMs: number, system: UnitSystem = 'metric'): Job {
  return {
    record: 'job',
    version: 1,
    id: nanoid(12),
    name: '',
    place: '',
    zone: Intl.DateTimeFormat().resolvedOptions().timeZone || 'UTC',
    wantedAt: null,
    startFrom: Math.ceil(nowMs / 3_600_000) * 3_600_000,
    workingHours: { fromHour: 7, toHour: 17, days: [1, 2, 3, 4, 5] },
    doneBy: '',
    atHand: UNCOUNTED,
    climate: usualAir(system),
    createdAt: nowMs,
    updatedAt: nowMs,
    closedAt: null,
    sample: false,
  };
}

/**
 * A new repair of a method: nothing measured, nothing answered, nothing chosen.
 * @param madeOf what was said it is made of; what the method is usually done on where it is not done on that
 */
export function freshRepair(
  jobId: string,
  methodId: string,
  order: number,
  nowMs: number,
  madeOf: BaseMaterial | null = null,
): Repair {
  const method = METHODS.find((m) => m.id === methodId)!;
  const material = madeOf && method.bases.includes(madeOf) ? madeOf : method.bases[0]!;
  return repairOf({
    ...FIRST_OF_CHAIN,
    record: 'repair',
    version: 4,
    id: nanoid(12),
    jobId,
    order,
    name: '',
    place: '',
    method: { id: method.id, version: method.version },
    base: {
      material,
      thicknessMm: BASE_PROPERTIES[material].usualMm,
      back: BASE_PROPERTIES[material].usualBack,
      exposure: 'sheltered',
      surroundings: ONLY_AIR,
      known: [],
      castOn: null,
    },
    answers: {},
    void: null,
    settingOut: null,
    sheetId: null,
    kitId: null,
    schools: {},
    settings: {},
    materialC: null,
    scaleStepG: USUAL_SCALE_G,
    ...FIRST_CHOICES,
    reserve: true,
    plannedStart: null,
    serves: null,
    safety: { class: method.review ? 'review' : 'plain', why: '' },
    updatedAt: nowMs,
  });
}
