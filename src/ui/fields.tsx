'use client';

import { type ReactNode, useId, useState } from 'react';
import { doubtOf, inOwnUnits, partsText, readTyped } from '@/text';

const t = partsText.fields;

const BOX =
  'min-h-7 pointer-coarse:min-h-[44px] w-full border border-edge bg-sheet px-1.5 py-0.5 aria-[invalid=true]:border-wrong aria-[invalid=true]:border-2';

interface FieldProps {
  readonly label: string;
  readonly error?: string | undefined;
  readonly hint?: string;
  /** The label is said only to those who can't see what it stands beside. */
  readonly quiet?: boolean;
}

/** A label over its control, with the error beneath; the control gets its ids from here. */
export function Field({
  label,
  error,
  hint,
  quiet = false,
  children,
}: FieldProps & {
  children: (ids: {
    id: string;
    'aria-invalid': boolean;
    'aria-describedby': string | undefined;
  }) => ReactNode;
}) {
  const id = useId();
  const described = error ? `${id}-error` : hint ? `${id}-hint` : undefined;
  return (
    <div className="min-w-0">
      <label htmlFor={id} className={quiet ? 'sr-only' : 'block text-[12px] text-soft'}>
        {label}
      </label>
      {children({ id, 'aria-invalid': error !== undefined, 'aria-describedby': described })}
      {error ? (
        <p id={`${id}-error`} className="text-[12px] text-wrong">
          {error}
        </p>
      ) : (
        hint && (
          <p id={`${id}-hint`} className="text-[12px] text-soft">
            {hint}
          </p>
        )
      )}
    </div>
  );
}

interface NumberFieldProps extends FieldProps {
  readonly value: number | null;
  readonly unit?: string;
  /** The unit is a word or two. */
  readonly wideUnit?: boolean;
  readonly placeholder?: string;
  /** Given null for an empty field, NaN for what is not a number. */
  readonly onChange: (value: number | null) => void;
  readonly show?: (value: number) => string;
}

/** A number with its unit. What is typed stays as typed, whether or not it can be used. */
export function NumberField({
  value,
  unit,
  wideUnit = false,
  placeholder,
  onChange,
  show = String,
  ...field
}: NumberFieldProps) {
  const [typed, setTyped] = useState<string | null>(null);
  const local = inOwnUnits(unit);
  const factor = local?.factor ?? 1;
  const inOwn = (ours: number) => (local ? Number((ours * factor).toPrecision(4)) : ours);
  const fromOwn = (read: number | null | undefined) =>
    read === null || read === undefined ? read : read / factor;
  const shown = value === null || Number.isNaN(value) ? '' : show(inOwn(value));
  const current = typed !== null && sameNumber(fromOwn(readTyped(typed)), value) ? typed : shown;
  const doubt = typed === null || current !== typed ? null : doubtOf(typed);
  return (
    <Field {...field} {...(doubt === null ? {} : { error: doubt })}>
      {(ids) => (
        <span className="relative block">
          <input
            {...ids}
            className={`${BOX} ${unit ? (wideUnit ? 'pr-14' : 'pr-9') : ''}`}
            inputMode="decimal"
            autoComplete="off"
            placeholder={placeholder}
            value={current}
            onChange={(event) => {
              setTyped(event.target.value);
              const read = fromOwn(readTyped(event.target.value));
              onChange(read === undefined ? NaN : read);
            }}
            onBlur={() => {
              if (!Number.isNaN(value)) setTyped(null);
            }}
          />
          {unit && (
            <span className="pointer-events-none absolute inset-y-0 right-1.5 flex items-center text-[12px] text-soft">
              {local?.unit ?? unit}
            </span>
          )}
        </span>
      )}
    </Field>
  );
}

function sameNumber(read: number | null | undefined, value: number | null): boolean {
  if (read === undefined) return value !== null && Number.isNaN(value);
  if (read === null || value === null) return read === value;
  return Math.abs(read - value) <= 1e-12 * Math.abs(value);
}

export function TextField({
  value,
  onChange,
  type = 'text',
  list,
  placeholder,
  ...field
}: FieldProps & {
  value: string;
  onChange: (value: string) => void;
  type?: 'text' | 'date' | 'time';
  list?: readonly string[];
  placeholder?: string;
}) {
  const listId = useId();
  return (
    <Field {...field}>
      {(ids) => (
        <>
          <input
            {...ids}
            type={type}
            className={BOX}
            value={value}
            list={list ? listId : undefined}
            placeholder={placeholder}
            autoComplete="off"
            onChange={(e) => onChange(e.target.value)}
          />
          {list && (
            <datalist id={listId}>
              {list.map((option) => (
                <option key={option} value={option} />
              ))}
            </datalist>
          )}
        </>
      )}
    </Field>
  );
}

export function TextArea({
  value,
  onChange,
  rows = 2,
  placeholder,
  ...field
}: FieldProps & {
  value: string;
  onChange: (value: string) => void;
  rows?: number;
  placeholder?: string;
}) {
  return (
    <Field {...field}>
      {(ids) => (
        <textarea
          {...ids}
          rows={rows}
          placeholder={placeholder}
          className={BOX}
          value={value}
          onChange={(e) => onChange(e.target.value)}
        />
      )}
    </Field>
  );
}

export function SelectField<T extends string>({
  value,
  options,
  onChange,
  ...field
}: FieldProps & {
  value: T;
  options: readonly (readonly [T, string])[];
  onChange: (value: T) => void;
}) {
  return (
    <Field {...field}>
      {(ids) => (
        <select
          {...ids}
          className={BOX}
          value={value}
          onChange={(e) => onChange(e.target.value as T)}
        >
          {options.map(([key, text]) => (
            <option key={key} value={key}>
              {text}
            </option>
          ))}
        </select>
      )}
    </Field>
  );
}

/** Yes, no, or not known. */
export function KnownField({
  value,
  onChange,
  ...field
}: FieldProps & { value: boolean | null; onChange: (value: boolean | null) => void }) {
  const key = value === null ? 'unknown' : value ? 'yes' : 'no';
  return (
    <SelectField
      {...field}
      value={key}
      options={[
        ['yes', t.yes],
        ['no', t.no],
        ['unknown', t.unknown],
      ]}
      onChange={(next) => onChange(next === 'unknown' ? null : next === 'yes')}
    />
  );
}

/** A few choices side by side, one of them on. */
export function Choice<T extends string>({
  label,
  value,
  options,
  onChange,
}: {
  label: string;
  value: T;
  options: readonly (readonly [T, string])[];
  onChange: (value: T) => void;
}) {
  const name = useId();
  return (
    <fieldset className="min-w-0">
      <legend className="text-[12px] text-soft">{label}</legend>
      <div className="flex border border-edge">
        {options.map(([key, text]) => (
          <label
            key={key}
            className="flex min-h-7 pointer-coarse:min-h-[44px] flex-1 cursor-pointer items-center justify-center px-2 py-0.5 text-center has-[:checked]:bg-ink has-[:checked]:text-sheet has-[:focus-visible]:outline-2 has-[:focus-visible]:outline-offset-2 has-[:focus-visible]:outline-ink"
          >
            <input
              type="radio"
              name={name}
              className="sr-only"
              checked={key === value}
              onChange={() => onChange(key)}
            />
            {text}
          </label>
        ))}
      </div>
    </fieldset>
  );
}

/** Something that is so or not; what belongs to it shows when it is. */
export function Tick({
  label,
  on,
  onChange,
  hidden = false,
  children,
}: {
  label: string;
  /** Said only to those who can't see what it stands beside. */
  hidden?: boolean;
  on: boolean;
  onChange: (on: boolean) => void;
  children?: ReactNode;
}) {
  return (
    <div className="space-y-1">
      <label className="flex min-h-7 pointer-coarse:min-h-[44px] items-center gap-2">
        <input type="checkbox" checked={on} onChange={(e) => onChange(e.target.checked)} />
        <span className={hidden ? 'sr-only' : ''}>{label}</span>
      </label>
      {on && children}
    </div>
  );
}
