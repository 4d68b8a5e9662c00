'use client';
import { useRoute } from '../shared/route';
import { TagPage } from './TagPage';

/** What the address names. */
export function TagRoute() {
  const { jobId } = useRoute();
  return <TagPage key={jobId} jobId={jobId} />;
}
