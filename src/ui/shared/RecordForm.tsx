'use client';
import { type ComponentType, lazy, Suspense } from 'react';
import type { FormValues, RecordFormProps } from './RecordFormBody';

const Body = lazy(() => import('./RecordFormBody'));

/**
 * A form of a few texts that go into the record together. Each is read when it is left, what is wrong stands under it,
 * and a press with something amiss leads to the first of it.
 */
export function RecordForm<V extends FormValues>(of: RecordFormProps<V>) {
  const Form = Body as unknown as ComponentType<RecordFormProps<V>>;
  return (
    <Suspense fallback={null}>
      <Form {...of} />
    </Suspense>
  );
}
