'use client';

import { zodResolver } from '@hookform/resolvers/zod';
import { deepEqual } from 'fast-equals';
import { type ReactNode, useLayoutEffect, useRef } from 'react';
import {
  type FieldValues,
  FormProvider,
  get,
  useController,
  useForm,
  useFormContext,
  useFormState,
} from 'react-hook-form';
import type * as z from 'zod';
import { Choice, KnownField, NumberField, SelectField, TextArea, TextField } from './fields';
import { plainMessage } from '@/text';

interface EntityFormProps<T extends FieldValues> {
  readonly schema: z.ZodType<T>;
  readonly value: T;
  /** Called with every valid state; what is not valid stays in the form, with its message. */
  readonly onValid: (value: T, field: string) => void;
  readonly label: string;
  readonly children: ReactNode;
}

/**
 * A form over one stored thing: valid changes go out at once, undo and redo come back in. What is
 * typed is either sent or still in its field: a change from outside takes over only the fields that it
 * changes, and the form listens from the moment it can be typed into.
 */
export function EntityForm<T extends FieldValues>({
  schema,
  value,
  onValid,
  label,
  children,
}: EntityFormProps<T>) {
  const form = useForm<T, unknown, T>({
    defaultValues: value as never,
    resolver: zodResolver(schema as never, { error: plainMessage }) as never,
    mode: 'onChange',
  });
  const sent = useRef<T>(value);
  const valid = useRef(true);
  const latest = useRef({ schema, onValid });
  useLayoutEffect(() => {
    latest.current = { schema, onValid };
  });

  useLayoutEffect(() => {
    const before = sent.current;
    sent.current = value;
    if (deepEqual(before, value)) return;
    const next = takenOver(form.getValues(), before, value) as T;
    valid.current = latest.current.schema.safeParse(next).success;
    form.reset(next);
    if (!valid.current) void form.trigger();
  }, [form, value]);

  useLayoutEffect(
    () =>
      form.subscribe({
        formState: { values: true },
        callback: ({ values, name, type }) => {
          if (name === undefined && type === undefined) return;
          const parsed = latest.current.schema.safeParse(values);
          // A change in one field can mend or break another: then the whole form is looked at.
          if (!parsed.success || !valid.current) void form.trigger();
          valid.current = parsed.success;
          if (!parsed.success) return;
          sent.current = parsed.data;
          latest.current.onValid(parsed.data, name ?? '');
        },
      }),
    [form],
  );

  return (
    <FormProvider {...(form as never as ReturnType<typeof useForm>)}>
      <form aria-label={label} onSubmit={(event) => event.preventDefault()} noValidate>
        {children}
      </form>
    </FormProvider>
  );
}

/** What is typed, with all that was changed outside: `before` to `after`. */
function takenOver(typed: unknown, before: unknown, after: unknown): unknown {
  if (deepEqual(before, after)) return typed;
  if (!isFields(typed) || !isFields(before) || !isFields(after)) return after;
  return Object.fromEntries(
    Object.keys(after).map((key) => [key, takenOver(typed[key], before[key], after[key])]),
  );
}

const isFields = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null && !Array.isArray(value);

function useField(name: string) {
  const { field } = useController({ name });
  const { errors } = useFormState({ name });
  const error = get(errors, name) as { message?: string; root?: { message?: string } } | undefined;
  return {
    value: field.value as unknown,
    onChange: field.onChange as (value: unknown) => void,
    error: error?.message ?? error?.root?.message,
  };
}

interface NamedControl {
  readonly name: string;
  readonly label: string;
  readonly hint?: string;
  readonly quiet?: boolean;
}

export function FormNumber({
  name,
  scale = 1,
  show,
  ...rest
}: NamedControl & {
  unit?: string;
  wideUnit?: boolean;
  placeholder?: string;
  scale?: number;
  show?: (value: number) => string;
}) {
  const { value, onChange, error } = useField(name);
  const stored = value as number | null;
  const shown = stored === null || stored === undefined ? null : tidy(stored * scale);
  return (
    <NumberField
      {...rest}
      {...(show ? { show } : {})}
      error={error}
      value={shown}
      onChange={(next) => onChange(next === null ? null : tidy(next / scale))}
    />
  );
}

/** Takes off what scaling by 100 and back adds in the last digits. */
function tidy(value: number): number {
  return Number.isFinite(value) ? Number(value.toPrecision(14)) : value;
}

export function FormText({
  name,
  nullable: mayBeNone = false,
  ...rest
}: NamedControl & {
  type?: 'text' | 'date' | 'time';
  list?: readonly string[];
  nullable?: boolean;
}) {
  const { value, onChange, error } = useField(name);
  const nullable = mayBeNone || rest.type === 'date' || rest.type === 'time';
  return (
    <TextField
      {...rest}
      error={error}
      value={(value as string | null) ?? ''}
      onChange={(next) => onChange(nullable && next === '' ? null : next)}
    />
  );
}

export function FormTextArea({ name, ...rest }: NamedControl) {
  const { value, onChange, error } = useField(name);
  return <TextArea {...rest} error={error} value={value as string} onChange={onChange} />;
}

export function FormSelect<T extends string>({
  name,
  ...rest
}: NamedControl & { options: readonly (readonly [T, string])[] }) {
  const { value, onChange, error } = useField(name);
  return <SelectField {...rest} error={error} value={value as T} onChange={onChange} />;
}

export function FormChoice<T extends string>({
  name,
  label,
  options,
}: NamedControl & { options: readonly (readonly [T, string])[] }) {
  const { value, onChange } = useField(name);
  return <Choice label={label} options={options} value={value as T} onChange={onChange} />;
}

export function FormKnown({ name, ...rest }: NamedControl) {
  const { value, onChange, error } = useField(name);
  return <KnownField {...rest} error={error} value={value as boolean | null} onChange={onChange} />;
}

/** Sets a field of the open form and has it looked at. */
export function useFormSet(): (name: string, value: unknown) => void {
  const { setValue } = useFormContext();
  return (name, value) => setValue(name, value, { shouldValidate: true, shouldDirty: true });
}
