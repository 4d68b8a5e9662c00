import { type SheetRevision, systemKind } from '../system';
import { type Batch, massOf } from './mix-ask';

type Kitted = Pick<Batch, 'kits'>;

/** How many vessels a batch is mixed in: whole packets are kneaded one after the other, each in its own film. */
export const vesselsOf = (sheet: Pick<SheetRevision, 'kind'>, { kits }: Kitted): number =>
  systemKind(sheet.kind).ownBag && kits !== null ? Math.max(1, kits) : 1;

/** What stands in one of them, g: no more than that heats itself. */
export const vesselMassG = (sheet: Pick<SheetRevision, 'kind'>, batch: Kitted & Pick<Batch, 'massG'>): number =>
  massOf(batch.massG) / vesselsOf(sheet, batch);

/** How long a batch is mixed, minutes; a sheet that says nothing is stirred a minute all the same. */
export const mixingMin = (sheet: Pick<SheetRevision, 'kind' | 'mixMin'>, batch: Kitted): number =>
  (sheet.mixMin || 1) * vesselsOf(sheet, batch);
