'use client';
import { useRoute } from '../shared/route';
import { CardPage } from './CardPage';

/** What the address names. */
export function CardRoute() {
  const { jobId } = useRoute();
  return <CardPage key={jobId} jobId={jobId} />;
}
