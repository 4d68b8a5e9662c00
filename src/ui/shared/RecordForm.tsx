'use client';
import { type ComponentType, lazy, type ReactNode, Suspense } from 'react';
import type * as z from 'zod';

export type FormValues = Readonly<Record<string, string | undefined>>;

export interface FormField<N extends string = string> {
  readonly name: N;
  readonly label: string;
  /** Said where it is missing or too short. */
  readonly missing: string;
  /** Lines of a longer text. */
  readonly rows?: number;
  /** It is kept under this name from the first keystroke, until it is taken in. */
  readonly kept?: string;
  readonly placeholder?: string;
}

export interface RecordFormProps<V extends FormValues> {
  /** Made of the schemas of what is recorded. */
  readonly schema: z.ZodType<V, V>;
  readonly start: V;
  readonly fields: readonly FormField<string & keyof V>[];
  /** What speaks against values that are sound by themselves. */
  readonly check?: (values: V) => { readonly field: string & keyof V; readonly sentence: string } | undefined;
  readonly act: ReactNode;
  /** Stands between the fields and the press. */
  readonly children?: ReactNode;
  readonly disabled?: boolean | undefined;
  readonly className?: string;
  /** The press stands beside the last field. */
  readonly row?: boolean;
  /** Classes of the press. */
  readonly tone?: string;
  /** Done when it is on disk: until then it cannot be pressed again, and says so. */
  readonly onSave: (values: V) => Promise<unknown>;
}

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
