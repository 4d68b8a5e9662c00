'use client';
import { useState } from 'react';
import {
  answerTo,
  OPENS_AGAIN,
  signsOf,
  TROUBLES,
  type Trouble,
  type TroubleEffect,
  troublesHere,
} from '@/core/method';
import { ADVICE, saidOf } from '@/core/method/troubles/advice';
import {
  type Anew,
  inRounds,
  likePlaces,
  type PlannedStep,
  pieceName,
  placedSoFar,
  placesLacking,
  usuallyAnew,
  usuallyStays,
} from '@/core/plan';
import { batchBefallen, doingAt, type PassView, passesBefallen, passesOn, type RepairView } from '@/core/record';
import { joined, phrase } from '@/words';
import { Choice, useFormat } from '../shared/bits';
import { Dialog } from '../shared/Dialog';
import { QuantityField, type Typed } from '../shared/QuantityField';
import { SavingButton } from '../shared/SavingButton';
import { useNow } from '../workspace/now';
import { usePrefs } from '../workspace/prefs';
import { record } from '../workspace/record';
import { HandsLeft, HowMany, handsNow, Until, WhatStays, WhichAnew } from './trouble-fields';

interface Props {
  readonly open: boolean;
  /** What it is, where that is known already. */
  readonly known?: string | null;
  readonly onClose: () => void;
  readonly whole: RepairView;
  /** What comes next: troubles of its moment come first. */
  readonly step: PlannedStep | undefined;
  readonly role: string;
  readonly zone: string;
}

/** Something went wrong: what to do now comes first, then a new plan from here. */
export function TroubleDialog({ open, known = null, onClose, whole, step, role, zone }: Props) {
  const [id, setId] = useState<string | null>(known);
  const [passId, setPassId] = useState<string | null>(null);
  const passes = passesBefallen(whole, step);
  const at = passes.find((p) => p.repair.passId === passId) ?? passes[0]!;
  const trouble = TROUBLES.find((t) => t.id === id);
  const close = () => {
    setId(null);
    setPassId(null);
    onClose();
  };
  return (
    <Dialog open={open} title="Something went wrong" onClose={close}>
      {passes.length > 1 && (
        <div className="mb-3 [&_[role=radio]]:min-h-[44px]">
          <Choice
            label="Which pass"
            options={whole.passes
              .filter((p) => passes.includes(p))
              .map((p) => ({
                id: p.repair.passId,
                label: pieceName(p.repair, whole.passes.indexOf(p)),
                own: p.repair.passName.trim() !== '',
              }))}
            value={at.repair.passId}
            onChange={setPassId}
          />
        </div>
      )}
      {trouble ? (
        <Met
          key={`${at.repair.passId} ${trouble.id}`}
          trouble={trouble}
          at={at}
          above={passesOn(whole, at.repair.passId).map((p) => pieceName(p.repair, whole.passes.indexOf(p)))}
          role={role}
          zone={zone}
          onDone={close}
          onElse={() => setId(null)}
        />
      ) : (
        <Which at={at} step={step} onChoose={setId} />
      )}
    </Dialog>
  );
}

/** Which trouble: those of this method at this moment, then the rest. */
function Which({
  at,
  step,
  onChoose,
}: Pick<Props, 'step'> & { readonly at: PassView; readonly onChoose: (id: string) => void }) {
  // Behind the last step there are the tests.
  const doing = step ? doingAt(at, step) : 'test';
  const { now, other, foreign } = troublesHere(TROUBLES, at.plan.method!, at.plan.sheet, doing);
  const list = (troubles: readonly Trouble[]) => (
    <div className="flex flex-col gap-2">
      {troubles.map((t) => (
        <button
          key={t.id}
          type="button"
          className="btn min-h-14 text-left !justify-start flex-col !items-start !gap-0"
          onClick={() => onChoose(t.id)}
        >
          <span className="text-lg leading-tight">{t.label}</span>
          <span className="soft text-sm font-normal">{ADVICE[t.id]!.signs}</span>
        </button>
      ))}
    </div>
  );
  const folded = (what: string, troubles: readonly Trouble[]) =>
    troubles.length > 0 && (
      <details>
        <summary className="min-h-[44px] flex items-center cursor-pointer font-semibold">{what}</summary>
        {list(troubles)}
      </details>
    );
  return (
    <div className="flex flex-col gap-3" data-testid="troubles">
      {list(now)}
      {folded('At another moment of this work', other)}
      {folded('Of other kinds of work', foreign)}
    </div>
  );
}

/** Answers that take more material. */
const MIXES: ReadonlySet<TroubleEffect> = new Set(['redo-batch', 'more-material', 'redo-pass']);

/** What to do now, large; what becomes of material and plan. */
function Met({
  trouble,
  at,
  above,
  role,
  zone,
  onDone,
  onElse,
}: Pick<Props, 'role' | 'zone'> & {
  at: PassView;
  /** What lies on it already. */
  above: readonly string[];
  trouble: Trouble;
  onDone: () => void;
  onElse: () => void;
}) {
  const format = useFormat();
  const signs = signsOf(trouble, at.plan.method!);
  // Where it can show one thing alone, nobody is asked which.
  const [sign, setSign] = useState<string | null>(signs?.length === 1 ? signs[0]!.id : null);
  const system = usePrefs((p) => p.system);
  const count = trouble.ofPart ? (at.plan.piece.void?.count ?? 1) : 1;
  const [part, setPart] = useState(0);
  const like = likePlaces(at.plan);
  const typedMl = (ml: number): Typed => ({ value: ml, text: format('volume', ml).text, system });
  const [missing, setMissing] = useState<Typed | null>(
    // As much as one part takes; whoever knows better types over it.
    like && trouble.ofPart ? typedMl(like.eachMl) : null,
  );
  // What is pressed hole by hole is told by holes.
  const holes = inRounds(at.plan) ? like : null;
  const [lacking, setLacking] = useState(1);
  const [chosen, setAnew] = useState<Anew | null>(null);
  const [left, setLeft] = useState(Math.max(1, handsNow(at) - 1));
  const nowMs = useNow(60_000);
  // As far as it had come when this was opened; whoever sees its mark types over it.
  const [soFar] = useState(() => placedSoFar(at.plan, at.actuals, nowMs));
  const [stays, setStays] = useState(() => soFar && usuallyStays(soFar));
  const choose = (found: string | null) => {
    setSign(found);
    setAnew(null);
  };
  const answer = answerTo(trouble, sign);
  const { batches, mix } = at.plan;
  const batch = batchBefallen(at, answer);
  const needsBatch = answer?.effect === 'redo-batch' && batch === null;
  const lacks = answer?.effect === 'more-material' && holes ? placesLacking(holes, lacking) : null;
  const needsAmount = answer?.effect === 'more-material' && !missing && !lacks;
  // What is left of the kits is a reserve where more is mixed.
  const spareMl = mix && MIXES.has(answer?.effect ?? 'none') && !mix.kits.leftIsMixed ? mix.kits.leftMl : null;
  // Of several like places it may be some that are made anew.
  const some = answer?.effect === 'redo-pass' && batch !== null && !like?.layered && like;
  const anew = some ? (chosen ?? usuallyAnew(some, answer)) : null;
  const advice = ADVICE[trouble.id]!;
  const said = answer && saidOf(advice, sign);
  const told = said && [
    ['The material', said.material],
    ['The plan', said.after ?? answer.waitsFor],
    [
      'On it',
      OPENS_AGAIN.has(answer.effect) && above.length ? phrase`${joined(above, ', ')}: done again as well.` : null,
    ],
    [
      'Reserve',
      said.reserve &&
        `${said.reserve}${
          spareMl !== null && spareMl > 1 ? phrase`; planned to be left: ${format('volume', spareMl).text}` : ''
        }`,
    ],
    ['Into the record', advice.keeps],
  ];
  return (
    <div className="flex flex-col gap-3">
      <h3 className="font-bold text-lg">
        {trouble.label}
        {answer ? ': now' : ''}
      </h3>
      {signs && !sign && (
        <>
          <p>{phrase`${advice.signs} What does it show?`}</p>
          {signs.map((s) => (
            <button key={s.id} type="button" className="btn min-h-14 text-lg" onClick={() => choose(s.id)}>
              {s.sign}
            </button>
          ))}
        </>
      )}
      {answer && (
        <>
          {said?.means && <p className="font-semibold">{said.means}</p>}
          <ol className="list-decimal pl-6 text-lg leading-snug">
            {said!.now.map((n) => (
              <li key={n}>{n}</li>
            ))}
          </ol>
          {trouble.until && <Until at={at} kinds={trouble.until} zone={zone} />}
          {count > 1 && (
            <Choice
              label="Which part"
              options={Array.from({ length: count }, (_, i) => ({ id: String(i), label: phrase`part ${i + 1}` }))}
              value={String(part)}
              onChange={(id) => setPart(Number(id))}
            />
          )}
          {answer.effect === 'redo-pass' && batch !== null && like?.layered && (
            <p>
              {phrase`All ${like.count} are planned anew. Is it one of them alone, make that a repair of its own, and leave the others.`}
            </p>
          )}
          {some && <WhichAnew of={some} value={anew!} onChange={setAnew} />}
          {lacks && (
            <HowMany
              label={phrase`How many of the ${holes!.count} places`}
              value={lacking}
              least={1}
              most={holes!.count}
              onChange={setLacking}
            />
          )}
          {answer.effect === 'more-material' && !lacks && (
            <QuantityField
              kind="volume"
              label="How much is missing"
              value={missing?.value ?? null}
              typed={missing ?? undefined}
              onChange={setMissing}
              check={(v) => (v > 0 ? null : 'More than 0.')}
            />
          )}
          {answer.keepsPlaced && soFar && <WhatStays of={soFar} onChange={setStays} />}
          {answer.effect === 'fewer-hands' && <HandsLeft at={at} zone={zone} left={left} onLeft={setLeft} />}
          {needsBatch && <p role="alert">No batch has been begun yet, so there is none to mix again.</p>}
          <dl className="grid grid-cols-[max-content_1fr] gap-x-4 gap-y-1">
            {told!.map(
              ([what, text]) =>
                text && (
                  <div key={what} className="contents">
                    <dt className="soft">{what}</dt>
                    <dd>{text}</dd>
                  </div>
                ),
            )}
          </dl>
          <SavingButton
            className="btn btn-neutral min-h-14 justify-center text-lg"
            disabled={needsBatch || needsAmount}
            onSave={async () => {
              await record(
                at.repair,
                {
                  kind: 'trouble',
                  trouble: trouble.id,
                  ...(sign ? { sign } : {}),
                  batch: batch === null ? null : Math.min(batch, batches.length - 1),
                  missingMl: missing?.value ?? null,
                  ...anew,
                  ...lacks,
                  ...(answer.keepsPlaced && stays ? { placed: stays } : {}),
                  ...(count > 1 ? { part } : {}),
                  ...(answer.effect === 'fewer-hands' ? { handsLeft: left } : {}),
                },
                role,
              );
              onDone();
            }}
          >
            {answer.effect === 'none' ? 'Record it' : 'Record it and plan from now'}
          </SavingButton>
        </>
      )}
      <button type="button" className="btn btn-link self-start" onClick={sign ? () => choose(null) : onElse}>
        {sign ? 'another sign' : 'something else'}
      </button>
    </div>
  );
}
