'use client';
import { startTransition, useEffect, useRef, useState } from 'react';
import {
  bodyKey,
  emptyTable,
  type HeatBody,
  type HeatTable,
  type LiftAnswer,
  type PotAnswer,
  selfHeats,
  tableOrder,
  type thickestLift,
  type VesselId,
} from '@/core/cure';
import type { Message } from '@/core/say';
import type { BaseMaterial, SheetRevision } from '@/core/system';
import { keepTable, keptTable } from '@/store/tables';
import { cellsTold, type HeatWorker, startHeatWorker } from '@/worker/heat';

/** One set-up of the lab: a pot and a lift of one system at one place. */
export interface LabAsk {
  readonly massG: number;
  readonly vessel: VesselId;
  readonly startC: number;
  readonly roomC: number;
  readonly thicknessMm: number;
  readonly base: BaseMaterial;
  readonly baseC: number;
  readonly airC: number;
}

export interface LabAnswer {
  readonly ask: LabAsk;
  readonly pot: PotAnswer;
  readonly lift: LiftAnswer;
  readonly thickest: ReturnType<typeof thickestLift>;
}

interface Running {
  readonly answer: LabAnswer | null;
  readonly busy: boolean;
  readonly sentence: Message | null;
}

/**
 * Runs pot and lift in a worker as the set-up changes: a newer ask ends an older one. What is shown meanwhile is the
 * last answer.
 */
export function useLabRun(sheet: SheetRevision | null, ask: LabAsk): Running {
  const [state, setState] = useState<Running>({ answer: null, busy: false, sentence: null });
  const key = JSON.stringify(ask);
  const latest = useRef(ask);
  latest.current = ask;
  // biome-ignore lint/correctness/useExhaustiveDependencies: the key stands for the ask
  useEffect(() => {
    if (!sheet || selfHeats(sheet)) {
      setState({ answer: null, busy: false, sentence: sheet ? selfHeats(sheet) : null });
      return;
    }
    let worker: HeatWorker | undefined;
    setState((s) => ({ ...s, busy: true }));
    // A hand that types or pulls is waited for a moment.
    const timer = setTimeout(async () => {
      worker = startHeatWorker();
      const a = latest.current;
      const lift = { base: a.base, baseC: a.baseC, airC: a.airC, startC: a.startC };
      const [pot, lifted, thick] = await Promise.all([
        worker.api.pot(sheet, { massG: a.massG, startC: a.startC, roomC: a.roomC, vessel: a.vessel }),
        worker.api.lift(sheet, { ...lift, thicknessMm: a.thicknessMm }),
        worker.api.thickest(sheet, lift),
      ]);
      worker.end();
      worker = undefined;
      const bad = [pot, lifted, thick].find((r) => !r.ok);
      if (bad && !bad.ok) setState({ answer: null, busy: false, sentence: bad.problem.sentence });
      else if (pot.ok && lifted.ok && thick.ok) {
        const answer = { ask: a, pot: pot.value, lift: lifted.value, thickest: thick.value };
        // Drawn bit by bit, so that the hand is never kept waiting.
        startTransition(() => setState({ answer, busy: false, sentence: null }));
      }
    }, 120);
    return () => {
      clearTimeout(timer);
      worker?.end();
    };
  }, [sheet, key]);
  return state;
}

/** So many processors fill a table at once: somebody looks on while it fills. */
const workersAtMost = (): number => Math.min(4, Math.max(1, navigator.hardwareConcurrency ?? 1));

/** The prepared table of a sheet revision: taken from the database, filled where it is not, kept when it is whole. */
export function useHeatTable(
  sheet: SheetRevision | null,
  of: HeatBody,
  wanted: boolean,
): { readonly table: HeatTable | null; readonly share: number; readonly stop: () => void; readonly stopped: boolean } {
  const [table, setTable] = useState<HeatTable | null>(null);
  const [stopped, setStopped] = useState(false);
  const running = useRef<readonly HeatWorker[]>([]);
  const end = () => {
    for (const worker of running.current) worker.end();
    running.current = [];
  };
  const key = bodyKey(of);
  // biome-ignore lint/correctness/useExhaustiveDependencies: the key stands for what it is of; ending needs nothing
  useEffect(() => {
    setTable(null);
    setStopped(false);
    if (!sheet || !wanted || selfHeats(sheet)) return;
    let gone = false;
    void keptTable(sheet.id, of).then(async (kept) => {
      if (gone) return;
      let now = kept ?? emptyTable(sheet.id, of);
      startTransition(() => setTable(now));
      if (now.cells.every((c) => c !== null)) return;
      const workers = Array.from({ length: workersAtMost() }, startHeatWorker);
      running.current = workers;
      const take = cellsTold((cells) => {
        if (gone) return;
        const next = [...now.cells];
        for (const [i, cell] of cells) next[i] = cell;
        now = { ...now, cells: next };
        const told = now;
        startTransition(() => setTable(told));
        if (next.every((c) => c !== null)) void keepTable(now);
      });
      const have = now.cells;
      // Dealt out in turns, so that the coarse picture is there first all the same.
      const share = (nth: number) => tableOrder(of.kind).filter((_, i) => i % workers.length === nth);
      await Promise.all(workers.map((worker, nth) => worker.api.table(sheet, of, share(nth), have, take)));
      if (!gone) end();
    });
    return () => {
      gone = true;
      end();
    };
  }, [sheet, key, wanted]);
  const done = table ? table.cells.filter((c) => c !== null).length / table.cells.length : 0;
  return {
    table,
    share: done,
    stopped,
    stop: () => {
      end();
      setStopped(true);
      if (table) void keepTable(table);
    },
  };
}
