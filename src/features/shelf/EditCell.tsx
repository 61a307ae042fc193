'use client';

import { useState } from 'react';
import { adapter, body, converter, lens, ownership, tube } from '@/core/gear';
import { type Kind, putItem } from '@/document';
import { useEdit, useFile } from '@/session';
import { OWNERSHIPS, readNumber } from '@/ui';
import { EDITABLE } from './rows';

type EditableColumn = keyof typeof EDITABLE | 'ownership';

export function isEditable(column: string): column is EditableColumn {
  return column in EDITABLE || column === 'ownership';
}

const SCHEMAS = {
  lenses: lens,
  bodies: body,
  converters: converter,
  tubes: tube,
  adapters: adapter,
} as const;

/** One figure changed in the table; what is not valid stays in the cell, marked, until it is. */
export function EditCell({
  kind,
  id,
  name,
  column,
}: {
  kind: Kind;
  id: string;
  name: string;
  column: EditableColumn;
}) {
  const { shelf } = useFile();
  const edit = useEdit();
  const item = shelf[kind].find((i) => i.id === id);
  const [typed, setTyped] = useState<string | null>(null);
  if (!item) return null;
  const put = (change: Record<string, unknown>): boolean => {
    const parsed = SCHEMAS[kind].safeParse({ ...item, ...change });
    if (parsed.success) edit(putItem(kind, parsed.data as never), `${id}.${column}`);
    return parsed.success;
  };
  if (column === 'ownership')
    return (
      <select
        aria-label={`Whose, ${name}`}
        className="border border-edge bg-sheet"
        value={item.ownership}
        onChange={(e) => put({ ownership: e.target.value })}
      >
        {ownership.options.map((key) => (
          <option key={key} value={key}>
            {OWNERSHIPS[key]}
          </option>
        ))}
      </select>
    );
  const field = EDITABLE[column];
  const shown = typed ?? (item[field] === null ? '' : String(item[field]));
  const valid =
    typed === null ||
    SCHEMAS[kind].safeParse({ ...item, [field]: readNumber(typed) ?? (typed.trim() ? NaN : null) })
      .success;
  return (
    <input
      aria-label={`${column === 'weight' ? 'Weight in g' : column === 'price' ? 'New price' : 'Used price'}, ${name}`}
      aria-invalid={!valid}
      inputMode="decimal"
      className="w-20 border border-edge bg-sheet px-1 aria-[invalid=true]:border-2 aria-[invalid=true]:border-wrong"
      value={shown}
      placeholder="not known"
      onChange={(e) => {
        setTyped(e.target.value);
        const read = readNumber(e.target.value);
        if (read !== undefined) put({ [field]: read });
      }}
      onBlur={() => valid && setTyped(null)}
    />
  );
}
