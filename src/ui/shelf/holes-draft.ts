import { cleaningText, rodsText, type SheetRevision } from '@/core/system';

/** What a sheet says of holes, as it is typed. */
export interface HolesDraft {
  /** Rods with their holes and depths, one a line. */
  readonly rods: string;
  readonly cleaning: string;
  /** Silent, excluded, or allowed with every wait so many times as long. */
  readonly wetHoles: '' | 'no' | 'yes';
  readonly wetTimes: string;
}

export const NO_HOLES: HolesDraft = { rods: '', cleaning: '', wetHoles: '', wetTimes: '' };

export const holesDraft = ({ holes }: SheetRevision): HolesDraft =>
  holes
    ? {
        rods: holes.printed || rodsText(holes.rods),
        cleaning: cleaningText(holes.cleaning),
        wetHoles: holes.wet === null ? '' : holes.wet === 'no' ? 'no' : 'yes',
        wetTimes: holes.wet === null || holes.wet === 'no' ? '' : String(holes.wet.times),
      }
    : NO_HOLES;
