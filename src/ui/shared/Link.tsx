import NextLink from 'next/link';
import type { ComponentProps } from 'react';
import { translated } from '@/words';

/**
 * A way to another view. Nothing is fetched before it is taken: the whole application is kept for working offline, and
 * of two dozen ways on a page at most one is.
 */
export const Link = ({ title, ...props }: ComponentProps<typeof NextLink>) => (
  <NextLink prefetch={false} {...props} {...(title ? { title: translated(title) } : {})} />
);
