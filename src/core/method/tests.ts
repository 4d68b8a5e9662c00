/** How a place is tested by hand, and what counts. */
export interface TestKind {
  readonly label: string;
  readonly how: string;
  readonly counts: string;
  /**
   * It says that the material has set: asked before anything at all is let onto it, and worth nothing before its time.
   */
  readonly proves?: 'set';
  /** It can still be done through what was laid over it. */
  readonly through?: true;
  /** Asked where the repair answers a notice alone: there is nobody else to say it. */
  readonly ofNotice?: true;
}

/** The table of tests by hand. */
export const TEST_KINDS = {
  nail: {
    label: 'by nail',
    how: 'A thumbnail pressed in hard at three places: the thickest, the coldest, the last that was placed.',
    counts: 'No mark at any of them; one mark and it is not set.',
    proves: 'set',
  },
  touch: {
    label: 'by touch',
    how: 'A dry, clean finger laid on, not rubbed.',
    counts: 'Nothing comes off and nothing holds the finger.',
    proves: 'set',
  },
  cup: {
    label: 'what was left over',
    how: 'The ball or cup that was kept, cut or pressed in its middle.',
    counts: 'Hard right through. It proves ratio and mixing; how far the place itself is, the nail says there.',
    through: true,
  },
  smear: {
    label: 'the smear beside it',
    how: 'A smear of its own thickness on a like base, that lay beside it all the time; a thumbnail pressed in hard. Not the cup: that heats itself and sets before a thin line.',
    counts: 'No mark. Was none kept: a probe at the bead that shows all round, at its coldest place.',
    proves: 'set',
    through: true,
  },
  tap: {
    label: 'by tapping',
    how: 'A coin or the handle of a hammer, a hand’s breadth apart, edges first; once beside it for the sound of the base.',
    counts: 'It rings as its base does; a dull place larger than a coin is a failure, and is outlined.',
    through: true,
  },
  level: {
    label: 'straightedge and fingertip',
    how: 'The straightedge laid both ways and turned, a fingertip across every edge.',
    counts: 'No light under it, no step that catches.',
  },
  look: {
    label: 'by looking',
    how: 'Under a lamp held flat along it, from two sides.',
    counts: 'One place that is not as asked is enough to say no.',
  },
  function: {
    label: 'in use',
    how: 'Worked or read as in the dry trial, by the same hand or the same instrument.',
    counts: 'As in the dry trial, at each place.',
    through: true,
  },
  twin: {
    label: 'by its twin or template',
    how: 'The template, or the sound twin, held against it.',
    counts: 'It lies without a gap, and nothing has to be forced.',
  },
  colour: {
    label: 'colour beside its neighbour',
    how: 'Dry and wet, by day and by lamp, from where it is looked at.',
    counts: 'It is not found at once by somebody who does not know where it is.',
  },
  probe: {
    label: 'by awl',
    how: 'An awl pressed in where it went in before.',
    counts: 'It stops at the surface.',
    proves: 'set',
    through: true,
  },
  outside: {
    label: 'by whoever asked for it',
    how: 'The person who wrote the notice sees it, or the photograph after, and says so.',
    counts: 'Their word, with its date; nobody answers for them.',
    ofNotice: true,
  },
} as const satisfies Readonly<Record<string, TestKind>>;
export type TestKindId = keyof typeof TEST_KINDS;

/** A test of a method: what is asked at the place, and how it is found out. */
export interface MethodTest {
  readonly id: string;
  readonly kind: TestKindId;
  readonly ask: string;
  /** What it is compared with: a question asked beforehand, without whose yes it says nothing. */
  readonly against?: string;
}

/** The kind of a test, with all that it may have. */
export const kindOfTest = ({ kind }: MethodTest): TestKind => TEST_KINDS[kind];

/**
 * Tests of a method that are still possible.
 * @param o.covered another pass lies on its face; o.noticed the repair answers a notice
 */
export const testsUnder = (
  method: { readonly tests: readonly MethodTest[] },
  { covered, noticed }: { readonly covered: boolean; readonly noticed: boolean },
): readonly MethodTest[] =>
  method.tests.filter((t) => {
    const { through, ofNotice } = kindOfTest(t);
    return (!covered || through) && (!ofNotice || noticed);
  });
