import type { ElementType } from 'react';
import * as runtime from 'react/jsx-runtime';
import { isTranslated, nameSaid, translated } from './tongue';

/**
 * The elements of a page, their words in the language spoken: what is written into an element is looked up whole as it
 * is made, and so are the labels a tag of HTML or SVG carries. Written once here, no view has to remember it.
 */
export const Fragment = runtime.Fragment;
export type { JSX } from 'react/jsx-runtime';

/** What of a tag is read or heard. */
const READ = [
  'aria-label',
  'aria-description',
  'aria-roledescription',
  'aria-valuetext',
  'alt',
  'label',
  'placeholder',
  'title',
];

type Props = Readonly<Record<string, unknown>>;

const told = (child: unknown): unknown =>
  typeof child === 'string' ? translated(child) : Array.isArray(child) ? child.map(told) : child;

function inWords(type: ElementType, props: Props): Props {
  if (type === Own || !('children' in props || typeof type === 'string')) return props;
  const over: Record<string, unknown> = { ...props };
  if ('children' in props) over.children = told(props.children);
  if (typeof type === 'string')
    for (const name of READ) if (typeof props[name] === 'string') over[name] = translated(props[name]);
  return over;
}

/** A name somebody gave, as it was given: it is no text of the product even where it reads like one. */
export const Own = ({ children }: { readonly children?: string }) =>
  children === undefined ? null : nameSaid(children);

type Make = (type: ElementType, props: Props, key?: string) => ReturnType<typeof runtime.jsx>;
const spokenIn =
  (make: Make): Make =>
  (type, props, key) =>
    make(type, isTranslated() ? inWords(type, props) : props, key);

export const jsx = spokenIn(runtime.jsx as Make);
export const jsxs = spokenIn(runtime.jsxs as Make);
