import { exactly, type Message, ml, mm, percent, texts } from '../say';
import type { Notice } from './shape';

/** So much of the base is scanned round a void, mm. */
const BESIDE_MM = 20;

const FOUND = texts('scan-found', {
  curved: 'The face round the void is curved',
  hidden: 'The scan sees no bottom in places',
  overhang: 'Overhangs in the scan',
  rim: 'The void runs off the scan',
  others: '{count, plural, one {# more hollow} other {# more hollows}} in the scan',
  unused: 'Much of the scan is of other things',
});
const WHY = texts('scan-found.why', {
  curved:
    'Under a flat face it holds {flat}; a curved one lies closer to what was scanned, and under it it holds {curved}.',
  hidden:
    'Over {share} of the void nothing was seen: it is open behind, or hidden from the scanner. Depth there is taken from round about.',
  overhang: 'About {share} of the void lies under an overhang, which a depth map cannot hold.',
  rim: 'Sound base is seen round {share} of it; elsewhere the edge of the scan is taken as its edge.',
  others: 'Only the largest is measured.',
  unused: '{share} of its points lie neither on the face nor in the void.',
});
const TODO = texts('scan-found.todo', {
  curved: 'Choose curved and measure the scan again.',
  hidden: 'Look whether the back is open; scan from another side, or read those depths by hand.',
  overhang: 'Cut the overhang away, or add what lies under it as a shape of its own.',
  rim: 'Right for a broken edge; else scan again with {beside} of base all round.',
  others: 'Draw the rim by hand to take another, or scan them one by one.',
  unused: 'Cut the scan to the damaged face if the depth map looks odd.',
});

/** What was found in a scan beside its void: shares of the void or of the points, 0 to 1. */
interface Found {
  /** Under a curved face, mL; where a flat one was asked for. */
  readonly curvedMl?: number | undefined;
  readonly hiddenShare: number;
  readonly overhangShare: number;
  readonly rimSeen: number;
  readonly drawn: boolean;
  readonly otherHollows: number;
  readonly unusedShare: number;
}

/** What a scan shows of itself that whoever uses it should look at. @param volumeMl of the void in it */
export function noticesOf(found: Found, volumeMl: number): readonly Notice[] {
  const share = (of: number) => percent(of * 100, 2);
  const told = (id: keyof typeof FOUND, severity: Notice['severity'], why: Message, title = FOUND[id]()): Notice => ({
    id,
    severity,
    title,
    why,
    todo: TODO[id](),
  });
  const out: Notice[] = [];
  if (found.curvedMl !== undefined && Math.abs(found.curvedMl - volumeMl) > 0.02 * volumeMl)
    out.push(told('curved', 'caution', WHY.curved({ flat: ml(volumeMl), curved: ml(found.curvedMl) })));
  if (found.hiddenShare > 0.02) out.push(told('hidden', 'caution', WHY.hidden({ share: share(found.hiddenShare) })));
  if (found.overhangShare > 0.01)
    out.push(told('overhang', 'caution', WHY.overhang({ share: share(found.overhangShare) })));
  if (found.rimSeen < 0.9 && !found.drawn)
    out.push({
      ...told('rim', 'caution', WHY.rim({ share: share(found.rimSeen) })),
      todo: TODO.rim({ beside: exactly(mm(BESIDE_MM)) }),
    });
  if (found.otherHollows > 0)
    out.push(told('others', 'note', WHY.others(), FOUND.others({ count: found.otherHollows })));
  if (found.unusedShare > 0.1) out.push(told('unused', 'note', WHY.unused({ share: share(found.unusedShare) })));
  return out;
}
