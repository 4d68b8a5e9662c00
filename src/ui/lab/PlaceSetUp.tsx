'use client';
import type { Job, Piece } from '@/core/plan';
import { phrase } from '@/words';
import { BaseFields } from '../inspect/BaseFields';
import { SurroundingsFields } from '../inspect/SurroundingsFields';
import { ClimateFields } from '../job/ClimateFields';
import { Heading } from '../shared/bits';
import { QuantityField } from '../shared/QuantityField';

/** A place as it is tried: its weather, its base, where the packs are kept, how long placing takes. */
export interface LabPlace {
  readonly job: Job;
  readonly base: Piece['base'];
  /** null follows the air. */
  readonly materialC: number | null;
  readonly placeMin: number;
  /** Mixing begins; null takes the best start. */
  readonly startMs: number | null;
}

export function PlaceSetUp({ place, set }: { place: LabPlace; set: (over: Partial<LabPlace>) => void }) {
  const { base } = place;
  const change = (over: Partial<LabPlace['base']>) => set({ base: { ...base, ...over } });
  return (
    <>
      <Heading>The place</Heading>
      <ClimateFields job={place.job} write={(climate) => set({ job: { ...place.job, climate } })} />
      <div className="grid grid-cols-2 gap-2">
        <BaseFields base={base} change={change} />
        <QuantityField
          kind="temperature"
          label="Packs kept at"
          value={place.materialC}
          placeholder="as the air"
          onChange={(t) => set({ materialC: t.value })}
          onClear={() => set({ materialC: null })}
          check={(v) =>
            v >= -20 && v <= 60
              ? null
              : phrase`${v.toFixed(0)} °C is beyond any store. Is it in °F? Write it with its unit.`
          }
        />
        <QuantityField
          kind="duration"
          label="Placing takes"
          value={place.placeMin}
          onChange={(t) => set({ placeMin: t.value })}
          check={(v) => (v > 0 && v <= 1440 ? null : 'More than 0, at most a day.')}
        />
      </div>
      <SurroundingsFields base={base} change={change} />
    </>
  );
}
