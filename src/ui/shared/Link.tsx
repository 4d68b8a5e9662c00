'use client';
import NextLink from 'next/link';
import type { ComponentProps, MouseEvent } from 'react';
import { translated } from '@/words';
import { pageOf } from '../../../routes.mjs';

/** Whether an address is served by the very page that is shown: then only what is read from the address changes. */
const samePage = (href: string): boolean => {
  const to = new URL(href, location.href);
  return to.origin === location.origin && to.hash === '' && pageOf(to.pathname) === pageOf(location.pathname);
};

/** Pressed to be followed here, and not to be opened beside. */
const isPlain = (e: MouseEvent): boolean => e.button === 0 && !e.metaKey && !e.ctrlKey && !e.shiftKey && !e.altKey;

/**
 * A way to another view. Nothing is fetched before it is taken: the whole application is kept for working offline, and
 * of two dozen ways on a page at most one is. Between the stages of a repair nothing is fetched at all.
 */
export const Link = ({ title, onClick, ...props }: ComponentProps<typeof NextLink>) => (
  <NextLink
    prefetch={false}
    {...props}
    {...(title ? { title: translated(title) } : {})}
    onClick={(e) => {
      onClick?.(e);
      const { href } = props;
      if (e.defaultPrevented || !isPlain(e) || props.target || typeof href !== 'string' || !samePage(href)) return;
      e.preventDefault();
      history.pushState(null, '', href);
      scrollTo(0, 0);
    }}
  />
);
