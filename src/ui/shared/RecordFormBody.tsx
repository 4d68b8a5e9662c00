'use client';
import { zodResolver } from '@hookform/resolvers/zod';
import { type ReactNode, useEffect, useId, useRef } from 'react';
import { type Control, type DefaultValues, type Path, type Resolver, useController, useForm } from 'react-hook-form';
import type * as z from 'zod';
import { phrase } from '@/words';
import { useTyped } from '../workspace/typing';
import { Prose } from './bits';
import { useSlow } from './use-slow';

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
  /** It is on disk, and nothing of it is kept as being typed any more. */
  readonly onDone?: () => void;
}

/** The form itself, fetched when the first is asked for. */
export default function RecordFormBody<V extends FormValues>({
  schema,
  start,
  fields,
  check,
  act,
  disabled,
  className,
  row,
  tone = 'btn btn-neutral',
  children,
  onSave,
  onDone,
}: RecordFormProps<V>) {
  /**
   * A text is what stands in it, not the blanks around it. The casts: form and schema library name the same values each
   * in types of its own.
   */
  const resolver: Resolver<V> = async (typed, context, options) => {
    const values = Object.fromEntries(Object.entries(typed).map(([name, text]) => [name, text?.trim()])) as V;
    const read = await zodResolver(schema, {
      error: (issue) =>
        issue.code === 'too_big'
          ? phrase`Up to ${Number(issue.maximum)} characters; these are ${String(issue.input).length}.`
          : (fields.find((f) => f.name === issue.path?.[0])?.missing ?? ''),
    })(values, context, options as never);
    const objection = Object.keys(read.errors).length ? undefined : check?.(values);
    if (!objection) return read as Awaited<ReturnType<Resolver<V>>>;
    return { values: {}, errors: { [objection.field]: { type: 'check', message: objection.sentence } } } as never;
  };
  const { control, handleSubmit, formState, reset } = useForm<V>({
    resolver,
    mode: 'onTouched',
    defaultValues: start as DefaultValues<V>,
  });
  const busy = formState.isSubmitting;
  const slow = useSlow(busy);
  const forget = useRef(new Map<string, () => void>());
  const submit = handleSubmit(async (values) => {
    await onSave(values);
    for (const letGo of forget.current.values()) letGo();
    reset(start as DefaultValues<V>);
    onDone?.();
  });
  const press = (
    <button type="submit" className={tone} disabled={disabled || busy} aria-busy={busy || undefined}>
      {slow ? 'saving…' : act}
    </button>
  );
  return (
    <form noValidate className={className} onSubmit={(e) => void submit(e)}>
      {fields.map((field) => (
        <Field
          key={field.name}
          control={control}
          of={field}
          forget={forget.current}
          beside={row && field === fields.at(-1) ? press : null}
        />
      ))}
      {children && <div className="flex flex-col items-start mb-2">{children}</div>}
      {!row && press}
    </form>
  );
}

/** A text with what is wrong with it under it; one that is kept outlives the page until it is taken in. */
function Field<V extends FormValues>({
  control,
  of,
  forget,
  beside,
}: {
  control: Control<V>;
  of: FormField<string & keyof V>;
  /** What lets go of a kept text, by field. */
  forget: Map<string, () => void>;
  /** Stands at the end of its line. */
  beside: ReactNode;
}) {
  const id = useId();
  const { field, fieldState } = useController({ control, name: of.name as unknown as Path<V> });
  const element = useRef<HTMLElement>(null);
  const kept = useTyped(of.kept ?? '', element);
  if (of.kept) forget.set(of.name, () => kept.type(null));
  const value = (of.kept ? (kept.text ?? '') : field.value) as string;
  const { onChange } = field;
  // What was typed before the page was left is read like what is typed now.
  useEffect(() => {
    if (of.kept) onChange(kept.text ?? '');
  }, [of.kept, kept.text, onChange]);
  const fault = fieldState.error?.message;
  const common = {
    id,
    name: field.name,
    value,
    placeholder: of.placeholder,
    ref: (to: HTMLElement | null) => {
      element.current = to;
      field.ref(to);
    },
    'data-typed': of.kept,
    'aria-invalid': fault ? (true as const) : undefined,
    'aria-describedby': fault ? `${id}-say` : undefined,
    onBlur: field.onBlur,
    onChange: (e: { currentTarget: { value: string } }) => {
      const text = e.currentTarget.value;
      if (of.kept) kept.type(text || null);
      else onChange(text);
    },
  };
  return (
    <div className="mb-2">
      <label htmlFor={id}>{of.label}</label>
      <div className="flex items-stretch gap-2">
        {of.rows ? (
          <textarea className="textarea" rows={of.rows} {...common} />
        ) : (
          <input className="input" autoComplete="off" {...common} />
        )}
        {beside}
      </div>
      {fault && (
        <p id={`${id}-say`} role="alert" className="text-sm mt-1.5" style={{ color: 'var(--stop)' }}>
          <Prose>{fault}</Prose>
        </p>
      )}
    </div>
  );
}
