'use client';
import { useEffect } from 'react';
import { create } from 'zustand';
import { factorsLearned, type Lessons, lessonsOf } from '@/core/learn';
import { methodOf } from '@/core/method';
import { type RepairView, viewJob } from '@/core/record';
import { bundleOf } from '@/store/state';
import { idle } from './idle';
import { usePrefs } from './prefs';
import { clock, stateNow, useWorkspace } from './workspace';

const useKept = create<{ readonly lessons: Lessons | null; readonly of: unknown }>(() => ({ lessons: null, of: null }));

/** Views of the jobs that anything happened in, of each as long as its record and drafts stay the same. */
const seen = new Map<string, { readonly key: readonly unknown[]; readonly views: readonly RepairView[] }>();

/** Reads all records. Only jobs in which something happened are planned. */
function read(): Lessons {
  const now = stateNow();
  const worked = new Set(now.events.filter((e) => e.body.kind === 'started').map((e) => e.jobId));
  const views = [...worked].flatMap((jobId): readonly RepairView[] => {
    const bundle = bundleOf(now, jobId);
    if (!bundle) return [];
    const key = [bundle.job, bundle.events.length, ...bundle.repairs];
    const known = seen.get(jobId);
    if (known && known.key.length === key.length && known.key.every((k, i) => k === key[i])) return known.views;
    try {
      const made = viewJob(bundle, clock.now()).repairs;
      seen.set(jobId, { key, views: made });
      return made;
    } catch {
      // A job that cannot be planned is told where it is shown; it teaches nothing.
      return [];
    }
  });
  return lessonsOf(views, now.events);
}

/** What this crew’s records say; null until they are read, which never keeps a page waiting. */
export function useLessons(): Lessons | null {
  const events = useWorkspace((d) => d.events);
  const ready = useWorkspace((d) => d.ready);
  const lessons = useKept((k) => k.lessons);
  useEffect(() => {
    if (!ready || useKept.getState().of === events) return;
    return idle(() => {
      if (useKept.getState().of !== events) useKept.setState({ lessons: read(), of: events });
    });
  }, [events, ready]);
  return lessons;
}

/** The figures a new repair of a method begins with: Grenko’s, or the crew’s own where that was chosen. */
export function settingsFromRecords(methodId: string): Readonly<Record<string, number>> {
  if (!usePrefs.getState().learn) return {};
  const method = methodOf(methodId);
  return method ? factorsLearned(useKept.getState().lessons ?? read(), method) : {};
}
