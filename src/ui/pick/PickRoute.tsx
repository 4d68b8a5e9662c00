'use client';
import { useRoute } from '../shared/route';
import { PickPage } from './PickPage';

/** What the address names. */
export function PickRoute() {
  const { jobId } = useRoute();
  return <PickPage key={jobId} jobId={jobId} />;
}
