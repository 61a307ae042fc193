'use client';

import { FIGURES, ITEM_SCHEMAS } from '@/core/gear';
import type { UnknownFigure } from '@/core/lineup';
import { putItem, TELLING } from '@/document';
import { useEditGear, useFile, useKnownGear } from '@/session';
import { Button, CellNumber } from '@/ui';
import { FIGURE_NAMES, firstProblemText, measureUnit, lineupText, usualText } from '@/text';

const t = lineupText.figureRow;

/** One figure of the shelf that is not known, to be typed where it counts. */
export function FigureRow({ figure: { kind, itemId, field } }: { figure: UnknownFigure }) {
  const shelf = useKnownGear();
  const { outing } = useFile();
  const edit = useEditGear();
  const item = shelf[kind].find((i) => i.id === itemId);
  if (!item) return null;
  const value = (item as unknown as Record<string, number | boolean | null>)[field] ?? null;
  const put = (next: unknown): string | null => {
    const read = ITEM_SCHEMAS[kind].safeParse({ ...item, [field]: next }, TELLING);
    if (!read.success) return firstProblemText(read.error);
    edit(putItem(kind, read.data as never), `${itemId}.${field}`);
    return null;
  };
  const name = FIGURE_NAMES[field];
  const { measure } = FIGURES[field];
  return (
    <li className="grid grid-cols-[1fr_10rem_9rem] items-center gap-x-3 border-b max-sm:grid-cols-[1fr_9rem] border-hair py-1">
      <span className="truncate font-semibold">{item.name}</span>
      <span>{name}</span>
      {measure === 'flag' ? (
        <span className="flex gap-2">
          {([true, false] as const).map((next) => (
            <Button
              key={String(next)}
              aria-label={`${t.of(name, item.name)}: ${next ? t.yes : t.no}`}
              aria-pressed={value === next}
              onClick={() => put(next)}
            >
              {next ? t.yes : t.no}
            </Button>
          ))}
        </span>
      ) : (
        <CellNumber
          label={t.of(name, item.name)}
          value={value as number | null}
          unit={measureUnit(measure, outing.currency)}
          placeholder={usualText(shelf, outing.currency, itemId, field) ?? t.unknown}
          take={put}
        />
      )}
    </li>
  );
}
