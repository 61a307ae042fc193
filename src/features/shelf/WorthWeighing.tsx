'use client';

import { useEffect, useState } from 'react';
import { FIGURES, ITEM_SCHEMAS } from '@/core/gear';
import type { UnknownFigure, WorthKnowing } from '@/core/lineup';
import { putItem, TELLING } from '@/document';
import { useEditGear, useFileNow, useKnownGear, useFile } from '@/session';
import { Button, CellNumber, CellSelect, Dialog } from '@/ui';
import { counted, FIGURE_NAMES, firstProblemText, MEASURE_UNITS, shelfText } from '@/text';
import { findWorthKnowing } from '@/workers/backgroundClient';

const t = shelfText.worthWeighing;

type WorthState =
  | { readonly kind: 'looking'; readonly done: number }
  | { readonly kind: 'found'; readonly found: WorthKnowing }
  | { readonly kind: 'failed'; readonly message: string };

/** The fewest unknown figures that could change the lineup, each filled in where it stands. */
export function WorthWeighing({ onClose }: { onClose: () => void }) {
  const fileNow = useFileNow();
  const [round, setRound] = useState(0);
  const [state, setState] = useState<WorthState>({ kind: 'looking', done: 0 });
  useEffect(
    () =>
      findWorthKnowing(fileNow(), {
        progress: (done) =>
          setState((now) => (now.kind === 'looking' ? { kind: 'looking', done } : now)),
        done: (found) => setState({ kind: 'found', found }),
        failed: (message) => setState({ kind: 'failed', message }),
      }),
    // eslint-disable-next-line react-hooks/exhaustive-deps -- what is filled in must not start it again
    [round],
  );
  const again = () => {
    setState({ kind: 'looking', done: 0 });
    setRound(round + 1);
  };
  return (
    <Dialog
      wide
      open
      onOpenChange={(isOpen) => !isOpen && onClose()}
      title={t.worthWeighing}
      description={t.theUnknownFiguresThatCould}
    >
      {state.kind === 'looking' && (
        <p role="status">{t.tryingWhatTheUnknownFigures(Math.round(100 * state.done))}</p>
      )}
      {state.kind === 'failed' && <p className="text-wrong">{t.couldntWorkItOut(state.message)}</p>}
      {state.kind === 'found' && <Found found={state.found} onAgain={again} />}
    </Dialog>
  );
}

function Found({ found, onAgain }: { found: WorthKnowing; onAgain: () => void }) {
  const { figures, together, unknown, complete } = found;
  const listed = figures.length > 0 ? figures : together;
  return (
    <div className="space-y-3">
      <p>
        {unknown === 0 && t.everyFigureThatCountsIs}
        {unknown > 0 &&
          listed.length === 0 &&
          t.unknownButNoneCanChange(counted(unknown, 'figureIs'))}
        {figures.length > 0 &&
          t.ofUnknownFiguresCouldChange(
            figures.length,
            unknown,
            figures.length > 1 ? t.eachByItself : '',
          )}
        {together.length > 0 && t.noneOfUnknownFiguresCould(unknown)}
        {!complete && <> {t.notAllOfThemCould}</>}
      </p>
      <ul>
        {listed.map((figure) => (
          <Row key={`${figure.itemId}.${figure.field}`} figure={figure} />
        ))}
      </ul>
      <p className="flex justify-end">
        <Button onClick={onAgain}>{t.lookAgain}</Button>
      </p>
    </div>
  );
}

const YES_NO = { unknown: t.unknown, yes: t.yes, no: t.no } as const;

function Row({ figure: { kind, itemId, field } }: { figure: UnknownFigure }) {
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
    <li className="grid grid-cols-[1fr_10rem_9rem] items-center gap-3 border-b border-hair py-1">
      <span className="truncate font-semibold">{item.name}</span>
      <span>{name}</span>
      {measure === 'flag' ? (
        <CellSelect
          label={t.of(name, item.name)}
          value={value === null ? 'unknown' : value ? 'yes' : 'no'}
          options={YES_NO}
          take={(next) => put(next === 'unknown' ? null : next === 'yes')}
        />
      ) : (
        <CellNumber
          label={t.of(name, item.name)}
          value={value as number | null}
          unit={measure === 'money' ? outing.currency : MEASURE_UNITS[measure]}
          placeholder={t.unknown}
          take={put}
        />
      )}
    </li>
  );
}
