'use client';
import { useRoute } from '../shared/route';
import { LogPage } from './LogPage';

/** What the address names. */
export function LogRoute() {
  const { jobId } = useRoute();
  return <LogPage key={jobId} jobId={jobId} />;
}
