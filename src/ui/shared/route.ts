'use client';
import { usePathname } from 'next/navigation';

/** What an address names. Pages are built once for every job; which one is meant is read from the address itself. */
export interface Route {
  readonly jobId: string;
  readonly repairId: string;
  readonly stage: string;
  readonly sheetId: string;
}

const decoded = (part: string | undefined): string => {
  try {
    return decodeURIComponent(part ?? '');
  } catch {
    // An address broken by hand names nothing that is here.
    return part ?? '';
  }
};

/** @example routeOf('/job/a/b/mix') // { jobId: 'a', repairId: 'b', stage: 'mix', … } */
export function routeOf(path: string): Route {
  const [, kind, first, second, third] = path.split('/');
  return {
    jobId: kind === 'job' ? decoded(first) : '',
    repairId: kind === 'job' ? decoded(second) : '',
    stage: kind === 'job' ? decoded(third) : '',
    sheetId: kind === 'shelf' ? decoded(first) : '',
  };
}

export const useRoute = (): Route => routeOf(usePathname());
