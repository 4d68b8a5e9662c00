import type { ElementType } from 'react';
import * as runtime from 'react/jsx-runtime';
import { spokenLanguage, translated } from './tongue';

/**
 * The elements of a page, their words in the language spoken: what is written into a tag of HTML or SVG is looked up
 * whole as it is drawn, and so are the labels a tag carries. Written once here, no view has to remember it.
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

function inWords(props: Props): Props {
  const over: Record<string, unknown> = { ...props };
  if ('children' in props) over.children = told(props.children);
  for (const name of READ) if (typeof props[name] === 'string') over[name] = translated(props[name]);
  return over;
}

type Make = (type: ElementType, props: Props, key?: string) => ReturnType<typeof runtime.jsx>;
const spokenIn =
  (make: Make): Make =>
  (type, props, key) =>
    make(type, typeof type === 'string' && spokenLanguage() !== 'en' ? inWords(props) : props, key);

export const jsx = spokenIn(runtime.jsx as Make);
export const jsxs = spokenIn(runtime.jsxs as Make);
