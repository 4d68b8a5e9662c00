import type { Limits, SheetField } from '@/core/system';
import type { Kind } from '@/core/units';

export type NumberLimit = Exclude<keyof Limits, 'bases' | 'wetness' | 'preparation'>;
interface LimitField {
  readonly id: NumberLimit;
  readonly label: string;
  readonly kind: Kind;
  /** Of which sheets it decides: of all, or of those that ask for it; the others have it folded away. */
  readonly decides?: 'all' | SheetField;
}
/** The limits a sheet may set, with what kind of quantity each is. */
export const LIMIT_FIELDS: readonly LimitField[] = [
  { id: 'baseMinC', label: 'Base from', kind: 'temperature', decides: 'all' },
  { id: 'baseMaxC', label: 'Base to', kind: 'temperature', decides: 'all' },
  { id: 'airMinC', label: 'Air from', kind: 'temperature' },
  { id: 'airMaxC', label: 'Air to', kind: 'temperature' },
  { id: 'materialMinC', label: 'Material from', kind: 'temperature' },
  { id: 'materialMaxC', label: 'Material to', kind: 'temperature' },
  { id: 'cureMinC', label: 'Cures from', kind: 'temperature' },
  { id: 'fullCureMinC', label: 'Full strength from', kind: 'temperature' },
  { id: 'glassC', label: 'Glass transition', kind: 'temperature' },
  { id: 'serviceMaxC', label: 'In service to', kind: 'temperature' },
  { id: 'humidityMaxPct', label: 'Humidity up to', kind: 'percent', decides: 'humidity' },
  { id: 'dewMarginK', label: 'Above dew point by', kind: 'interval' },
  { id: 'baseAgeMinDays', label: 'Concrete from (days)', kind: 'count' },
  { id: 'moistureMaxPct', label: 'Base moisture up to', kind: 'percent' },
  { id: 'liftMinMm', label: 'Lift from', kind: 'length', decides: 'lift' },
  { id: 'liftMaxMm', label: 'Lift to', kind: 'length', decides: 'lift' },
  { id: 'grainMm', label: 'Largest grain', kind: 'length', decides: 'lift' },
  { id: 'bondMinMm', label: 'Gap or bond line from', kind: 'length', decides: 'bond' },
  { id: 'bondMaxMm', label: 'Gap or bond line to', kind: 'length', decides: 'bond' },
  { id: 'sagWallMm', label: 'Holds on a wall', kind: 'length', decides: 'sag' },
  { id: 'sagOverheadMm', label: 'Holds overhead', kind: 'length', decides: 'sag' },
];
