'use client';

import { useId, useState } from 'react';
import { doubtOf, inOwnUnits, partsText, readTyped } from '@/text';

const t = partsText.cells;

const BOX =
  'min-h-6 border border-edge bg-sheet px-1 aria-[invalid=true]:border-2 aria-[invalid=true]:border-wrong';

/** Figures that a person's own units are shown with. */
const OWN_DIGITS = 4;

interface CellProps<T> {
  /** Spoken; the column's head is what is seen. */
  readonly label: string;
  readonly value: T;
  /** Takes a value over, or says what is wrong with it. */
  readonly take: (value: T) => string | null;
}

/** What stands in a cell while it is typed in, and what is wrong with it. */
interface Typed {
  readonly text: string;
  readonly problem: string | null;
}

const NOT_A_NUMBER = t.mustBeANumberSuch;

/** One figure changed in a table; what is not valid stays in the cell, with why, until it is. */
export function CellNumber({
  label,
  value,
  take,
  unit,
  placeholder,
  width = 'w-20',
}: CellProps<number | null> & { unit?: string; placeholder?: string; width?: string }) {
  const local = inOwnUnits(unit);
  const factor = local?.factor ?? 1;
  const shown =
    value === null
      ? ''
      : String(factor === 1 ? value : Number((value * factor).toPrecision(OWN_DIGITS)));
  const read = (text: string) => {
    const number = readTyped(text);
    return number === undefined
      ? (doubtOf(text) ?? NOT_A_NUMBER)
      : take(number === null ? null : number / factor);
  };
  return (
    <span className="inline-flex items-center gap-1 whitespace-nowrap">
      <CellBox
        label={label}
        shown={shown}
        read={read}
        width={width}
        inputMode="decimal"
        placeholder={placeholder}
      />
      {unit && <span>{local?.unit ?? unit}</span>}
    </span>
  );
}

/** Words changed in a table. */
export function CellText({ label, value, take }: CellProps<string>) {
  return <CellBox label={label} shown={value} read={take} width="w-full" />;
}

function CellBox({
  label,
  shown,
  read,
  width,
  ...rest
}: {
  readonly label: string;
  readonly shown: string;
  readonly read: (text: string) => string | null;
  readonly width: string;
  readonly inputMode?: 'decimal';
  readonly placeholder?: string | undefined;
}) {
  const [typed, setTyped] = useState<Typed | null>(null);
  const id = useId();
  const problem = typed?.problem ?? null;
  return (
    <span className={`relative inline-block ${width}`}>
      <input
        {...rest}
        aria-label={label}
        aria-invalid={problem !== null}
        aria-describedby={problem === null ? undefined : id}
        autoComplete="off"
        className={`w-full ${BOX}`}
        value={typed?.text ?? shown}
        onChange={(e) => setTyped({ text: e.target.value, problem: read(e.target.value) })}
        onBlur={() => problem === null && setTyped(null)}
      />
      {problem !== null && (
        <span
          id={id}
          className="absolute top-full left-0 z-10 border border-wrong bg-sheet px-1 text-[12px] whitespace-nowrap text-wrong"
        >
          {problem}
        </span>
      )}
    </span>
  );
}

/** One of a few, changed in a table. */
export function CellSelect<K extends string>({
  label,
  value,
  take,
  options,
}: {
  readonly label: string;
  readonly value: K;
  readonly take: (value: K) => void;
  readonly options: Readonly<Record<K, string>>;
}) {
  const keys = Object.keys(options) as K[];
  return (
    <select
      aria-label={label}
      className={BOX}
      value={value}
      onChange={(e) => {
        const chosen = keys.find((key) => key === e.target.value);
        if (chosen) take(chosen);
      }}
    >
      {keys.map((key) => (
        <option key={key} value={key}>
          {options[key]}
        </option>
      ))}
    </select>
  );
}
