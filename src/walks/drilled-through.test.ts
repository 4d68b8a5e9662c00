import { methodOf } from '@/core/method';
import { type GateId, type Job, pieceOf, READY_CHAINS, type Repair, withPiece } from '@/core/plan';
import { withChain } from '@/core/plan/ready-chains';
import { voidOf } from '@/core/void';
import { freshJob, freshRepair } from '@/ui/workspace/fresh';
import { at, drawnShape, printedPlan, ZONE } from './made';
import { type Paper, typed } from './papers';

/**
 * A post end soaked, rods set into it, and a cap lowered onto them. The holes of the rods go through the soaked face
 * into the wood: they wait until it has set, and a weekend between the two takes nothing away.
 */
const FRIDAY = at('2027-05-14T07:00');
const SOAK = (times: string): Paper => ['liquid-resin', '2:1 by weight', '1 kg, 0.5 kg', `use-by 40 min${times}`];
const RODS: Paper = ['anchor-pack', '10:1 by volume', '300 mL, 30 mL', 'use-by 5 min, load 1 h'];
const CAP: Paper = ['paste', '1:1 by weight', '1 kg, 1 kg', 'use-by 30 min, release 8 h, load 72 h'];
const chain = READY_CHAINS.find((c) => c.id === 'timber-cap')!;

const planned = (soak: Paper, { gate, from = FRIDAY }: { gate?: GateId; from?: number } = {}) => {
  const job: Job = {
    ...freshJob(from),
    zone: ZONE,
    startFrom: from,
    climate: { kind: 'constant', tempC: 18, humidityPct: 60 },
    workingHours: { fromHour: 7, toHour: 12, days: [1, 2, 3, 4, 5] },
  };
  const sheets = [soak, RODS, CAP].map((paper, i) => ({ ...typed(paper, from), id: `sheet-${i}` }));
  const begun = withChain(freshRepair(job.id, chain.first.method, 1, from, 'timber'), chain);
  const repair = begun.chain.reduce<Repair>((r, id, i) => {
    const piece = pieceOf(r, id);
    const method = methodOf(piece.method.id)!;
    return withPiece(r, {
      ...piece,
      gate: i === 1 ? (gate ?? piece.gate) : piece.gate,
      void: voidOf(drawnShape(method)),
      sheetId: sheets[i]!.id,
      kitId: sheets[i]!.kits[0]!.id,
      answers: Object.fromEntries(method.questions.map((q) => [q.id, q.wants])),
    });
  }, begun);
  return printedPlan({ job, repairs: [repair], sheets }, from).repairs[0]!;
};
type Plan = ReturnType<typeof planned>;
const ofRods = (p: Plan) => p.steps.filter((s) => s.pass === 'p2');
const drills = (p: Plan) => ofRods(p).find((s) => s.id === 'prep:drill')!;
const soaked = (p: Plan) => p.steps.find((s) => s.pass === 'p1' && s.id === 'b1:coat')!;
const abrades = (p: Plan) => ofRods(p).some((s) => /abrade/i.test(s.title));
const window = SOAK(', recoat-from 4 h, recoat-until 12 h');

test('nobody washes or abrades a soaked face to drill through it, however long it has stood', () => {
  const p = planned(window);
  expect(p.stop).toBeNull();
  // Begun on a Friday morning of five hours: the rods come on Monday, long after the window.
  expect(Date.parse(drills(p).from!) - Date.parse(soaked(p).to!)).toBeGreaterThan(48 * 3_600_000);
  expect(abrades(p)).toBe(false);
  // Taken as a coat of it, as it was, the weekend did ask for that.
  expect(abrades(planned(window, { gate: 'window' }))).toBe(true);
});
test('neither marks nor drills wet wood: all that is done on it waits until it has set', () => {
  const p = planned(window, { from: at('2027-05-10T07:00') });
  const set = p.milestones.find((m) => m.pass === 'p1' && m.kind === 'recoat-from')!;
  for (const s of ofRods(p)) expect(Date.parse(s.from!)).toBeGreaterThanOrEqual(Date.parse(set.plans!));
});
test.each([
  ['sandable', 'grind or sand'],
  ['load', 'full load'],
  ['full-cure', 'full cure'],
])('a sheet that prints %s alone is waited for by that, and it is said', (kind, words) => {
  const p = planned(SOAK(`, ${kind} 20 h`));
  expect(p.stop).toBeNull();
  const until = p.milestones.find((m) => m.pass === 'p1' && m.kind === kind)!;
  expect(Date.parse(ofRods(p)[0]!.from!)).toBeGreaterThanOrEqual(Date.parse(until.plans!));
  const said = p.findings.find((f) => f.id === 'p2/instead-below:recoat-from')!;
  expect(said.why).toContain(words);
});
test('a sheet that tells nothing but its pot: what is missing is no wait of nought, and is asked for once', () => {
  const p = planned(SOAK(''));
  expect(p.stop).not.toBeNull();
  // The cap on the rods stops for the same time of the soak; nobody is asked for it twice.
  expect(p.findings.filter((f) => f.severity === 'stop').map((f) => f.id)).toEqual(['p2/no-time:recoat-from']);
  expect(ofRods(p).some((s) => s.stage === 'mix')).toBe(false);
});
