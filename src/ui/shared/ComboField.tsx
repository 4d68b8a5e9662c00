'use client';
import { lazy, Suspense } from 'react';
import type { ComboProps } from './ComboBox';

const Combo = lazy(() => import('./ComboBox'));

/** A field with a list that narrows as one types; the value stands there while the list is still being fetched. */
export const ComboField = (of: ComboProps) => (
  <Suspense
    fallback={
      <div aria-busy="true">
        <span className="block mb-0.5">{of.label}</span>
        <p className="input fig font-semibold">{of.value}</p>
      </div>
    }
  >
    <Combo {...of} />
  </Suspense>
);
