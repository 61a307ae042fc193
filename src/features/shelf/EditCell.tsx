'use client';

import { ITEM_SCHEMAS, type Source, SOURCES } from '@/core/gear';
import { type Kind, putItem, TELLING } from '@/document';
import { useEditGear, useFile, useKnownGear } from '@/session';
import { CellNumber, CellSelect } from '@/ui';
import { firstProblemText, OWNERSHIPS, shelfText, usualText, moneySign } from '@/text';
import { EDITABLE } from './rows';

const t = shelfText.editCell;

const sources = Object.fromEntries(SOURCES.map((s) => [s, OWNERSHIPS[s]])) as Record<
  Source,
  string
>;

type EditableColumn = keyof typeof EDITABLE | 'ownership';

export function isEditable(column: string): column is EditableColumn {
  return column in EDITABLE || column === 'ownership';
}

const LABELS = {
  weight: t.weight,
  price: t.newPrice,
  used: t.usedPrice,
} as const;

/** One figure of an item, or whose it is, changed in the table. */
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
  const { outing } = useFile();
  const shelf = useKnownGear();
  const edit = useEditGear();
  const item = shelf[kind].find((i) => i.id === id);
  if (!item) return null;
  const put = (change: Record<string, unknown>): string | null => {
    const parsed = ITEM_SCHEMAS[kind].safeParse({ ...item, ...change }, TELLING);
    if (!parsed.success) return firstProblemText(parsed.error);
    edit(putItem(kind, parsed.data as never), `${id}.${column}`);
    return null;
  };
  if (column === 'ownership')
    return (
      <CellSelect
        label={t.ownership(name)}
        value={item.ownership as Source}
        options={sources}
        take={(value) => put({ ownership: value })}
      />
    );
  return (
    <CellNumber
      label={`${LABELS[column]}, ${name}`}
      value={item[EDITABLE[column]]}
      unit={column === 'weight' ? 'g' : moneySign(outing.currency)}
      placeholder={usualText(shelf, outing.currency, id, EDITABLE[column]) ?? t.unknown}
      take={(value) => put({ [EDITABLE[column]]: value })}
    />
  );
}
