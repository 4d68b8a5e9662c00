'use client';
import dynamic from 'next/dynamic';
import type { ComboProps } from './ComboBox';

const Combo = dynamic(() => import('./ComboBox'), {
  ssr: false,
  loading: () => <div className="h-14" aria-busy="true" />,
});

/** A field with a list that narrows as one types; the value stands there while the list is still being fetched. */
export function ComboField(of: ComboProps) {
  return (
    <div className={of.className}>
      <Combo {...of} className="" />
    </div>
  );
}
