'use client';

import { ArrowDown, ArrowUp, Copy, Trash2 } from 'lucide-react';
import dynamic from 'next/dynamic';
import { memo, useCallback, useDeferredValue, useMemo, useState } from 'react';
import { ev100AsGiven, type Frame, type FrameId } from '@/core/brief';
import type { FrameResult } from '@/core/lineup';
import { briefText, copyName, lightText, namesOf, needText, stackName, WANTS } from '@/text';
import { copyOfFrame, moveFrame, putFrame, removeFrame, removeFrames } from '@/document';
import {
  useAnswer,
  useEdit,
  useFileNow,
  useFilePart,
  useFrameResults,
  useHistory,
  useOnceAnswered,
} from '@/session';
import { Button, IconButton, InView, notify } from '@/ui';
import { StateMark } from '@/parts';
import { lostText } from './lostText';
import { type Taken, useTaken } from './useTaken';

const t = briefText.frameList;

// Drawn after the list that is read first.
const Photo = dynamic(() => import('@/parts/scene').then((m) => m.Photo), { ssr: false });
const SunlightWords = dynamic(() => import('./SunlightWords').then((m) => m.SunlightWords), {
  ssr: false,
});
// Not before a row is changed where it stands.
const FrameCells = dynamic(() => import('./FrameCells').then((m) => m.FrameCells), { ssr: false });
const WantCells = dynamic(() => import('./FrameCells').then((m) => m.WantCells), { ssr: false });
// Not before a hand comes near, or there is nothing else to do.
const Sorting = dynamic(() => import('./Sorting').then((m) => m.Sorting), { ssr: false });

const SORTING_AFTER_MS = 1000;

interface FrameListProps {
  readonly selected: string | null;
  readonly onSelect: (id: string | null) => void;
  /** Changed in its own cells. */
  readonly editing: boolean;
}

type Namer = (id: string) => string;

/** The frames as a shot list; a row opens in the editor beside it, or is changed where it stands. */
export function FrameList(props: FrameListProps) {
  // The list follows when there is time, so that typing in the editor never waits for it.
  const frames = useDeferredValue(useFilePart((file) => file.frames));
  const { result, error } = useAnswer();
  const results = useDeferredValue(useFrameResults());
  const answered = useDeferredValue(result !== null || error !== null);
  return <SortedFrames {...props} {...{ frames, results, answered }} />;
}

const SortedFrames = memo(function SortedFrames({
  frames,
  results,
  answered,
  ...row
}: FrameListProps & {
  readonly frames: readonly Frame[];
  readonly results: readonly FrameResult[] | undefined;
  readonly answered: boolean;
}) {
  const [body, setBody] = useState<HTMLElement | null>(null);
  const [near, setNear] = useState(false);
  const [chosen, setChosen] = useState<ReadonlySet<FrameId>>(new Set());
  const edit = useEdit();
  const { undo } = useHistory();
  const choose = useCallback((id: FrameId, on: boolean) => {
    setChosen(
      (before) => new Set([...before].filter((other) => other !== id).concat(on ? id : [])),
    );
  }, []);
  const idle = useOnceAnswered(SORTING_AFTER_MS);
  const shelf = useFilePart((file) => file.shelf);
  const name = useMemo(
    () => namesOf({ shelf, stretches: [], frames: [], outing: { shooters: [] } }),
    [shelf],
  );
  const byFrame = useMemo(() => new Map(results?.map((f) => [f.frameId, f])), [results]);
  const taken = useTaken();
  return (
    <div
      className="relative overflow-x-auto"
      tabIndex={0}
      role="region"
      aria-label={t.shotList}
      onPointerOver={() => setNear(true)}
      onFocus={() => setNear(true)}
    >
      <table
        className={`w-full border-collapse sm:min-w-[34rem] ${row.editing ? 'min-w-[34rem]' : 'max-sm:block'}`}
      >
        <thead className={row.editing ? '' : 'max-sm:sr-only'}>
          <tr className="border-b border-ink text-left text-[12px] text-soft">
            <th scope="col" className="w-8 py-1 font-normal">
              {row.editing && <span className="sr-only">{t.chosen(chosen.size)}</span>}№
            </th>
            <th scope="col" className="min-w-52 py-1 font-normal">
              {t.picture}
            </th>
            <th scope="col" className="w-16 py-1 font-normal">
              {t.want}
            </th>
            <th scope="col" className="w-56 py-1 font-normal">
              {t.coveredBy}
            </th>
            <th scope="col" className="w-30 py-1">
              <span className="sr-only">{t.actions}</span>
            </th>
          </tr>
        </thead>
        <tbody ref={setBody} className={row.editing ? '' : 'max-sm:block'}>
          {frames.map((frame, i) => (
            <FrameRow
              key={frame.id}
              frame={frame}
              number={i + 1}
              isLast={i === frames.length - 1}
              result={byFrame.get(frame.id)}
              answered={answered}
              taken={taken.get(frame.id)}
              name={name}
              isSelected={frame.id === row.selected}
              editing={row.editing}
              isChosen={chosen.has(frame.id)}
              onChoose={choose}
              onSelect={row.onSelect}
            />
          ))}
        </tbody>
      </table>
      {(near || idle) && body && <Sorting frames={frames} body={body} />}
      {row.editing && chosen.size > 0 && (
        <p className="mt-2">
          <Button
            look="strong"
            onClick={() => {
              edit(removeFrames(chosen));
              notify(t.deleted(chosen.size), { action: { label: t.undo, onClick: undo } });
              setChosen(new Set());
            }}
          >
            <Trash2 size={14} aria-hidden />
            {t.deleteThem(chosen.size)}
          </Button>
        </p>
      )}
    </div>
  );
});

interface FrameRowProps {
  readonly frame: Frame;
  readonly number: number;
  readonly isLast: boolean;
  readonly result: FrameResult | undefined;
  /** The answer goes before the tables of the sky. */
  readonly answered: boolean;
  readonly taken: Taken | undefined;
  readonly name: Namer;
  readonly isSelected: boolean;
  readonly editing: boolean;
  /** Among those to be deleted together. */
  readonly isChosen: boolean;
  readonly onChoose: (id: FrameId, on: boolean) => void;
  readonly onSelect: (id: string | null) => void;
}

const FrameRow = memo(function FrameRow({
  frame,
  number,
  isLast,
  result,
  answered,
  taken,
  name,
  isSelected,
  editing,
  isChosen,
  onChoose,
  onSelect,
}: FrameRowProps) {
  return (
    <tr
      className={`group border-b border-hair align-top ${editing ? '' : 'max-sm:grid max-sm:grid-cols-[2rem_4.5rem_1fr]'} data-dragging:relative data-dragging:z-10 data-dragging:bg-chosen ${isSelected ? 'bg-chosen' : 'hover:bg-sheet'}`}
    >
      <td className="py-1 text-soft max-sm:row-span-2">
        <span className="relative block min-h-7 pointer-coarse:min-h-[44px] w-7">
          {number}
          <span data-sort={frame.id} />
        </span>
        {editing && (
          <input
            type="checkbox"
            aria-label={t.choose(frame.name)}
            checked={isChosen}
            onChange={(event) => onChoose(frame.id, event.target.checked)}
          />
        )}
      </td>
      <td className="py-0.5 pr-3 max-sm:col-span-2 max-sm:pt-1.5">
        {editing ? (
          <FrameCells frame={frame} />
        ) : (
          <button
            type="button"
            aria-pressed={isSelected}
            className="flex items-start gap-3 text-left"
            onClick={() => onSelect(isSelected ? null : frame.id)}
          >
            <Thumbnail frame={frame} taken={taken} />
            <span>
              <span className="font-semibold">{frame.name}</span>
              <span className="block text-[13px] leading-tight text-soft">
                {needText(frame.need)}
              </span>
              <span className="block text-[13px] leading-tight text-soft">
                {lightWords(frame.light, answered)}
              </span>
            </span>
          </button>
        )}
      </td>
      <td className="py-1 pr-2">
        {editing ? (
          <WantCells frame={frame} />
        ) : (
          <>
            {WANTS[frame.want]}
            {frame.sharePercent !== null && (
              <span className="block text-[12px] text-soft">{frame.sharePercent} %</span>
            )}
          </>
        )}
      </td>
      <td className="py-1 pr-2">
        {frame.distanceKnown ? (
          result && <Made result={result} name={name} />
        ) : (
          <span className="text-wrong">
            <StateMark state="lost" /> {t.needsADistance}
          </span>
        )}
      </td>
      <td
        className={`py-1 text-right whitespace-nowrap max-sm:col-span-2 max-sm:col-start-2 max-sm:text-left ${isSelected || editing ? '' : 'max-sm:hidden'}`}
      >
        <RowActions
          frame={frame}
          isFirst={number === 1}
          isLast={isLast}
          isSelected={isSelected}
          onSelect={onSelect}
        />
      </td>
    </tr>
  );
});

function lightWords(light: Frame['light'], answered: boolean) {
  if (light.source.kind !== 'sun') return lightText(light, ev100AsGiven(light.source));
  return answered && <SunlightWords light={light} />;
}

/** The picture in small, as the lineup takes it; open where it is lost. */
function Thumbnail({ frame, taken }: { frame: Frame; taken: Taken | undefined }) {
  const limits = useFilePart((file) => file.limits);
  const box = 'block w-21 shrink-0 aspect-3/2';
  return taken?.setup ? (
    <InView className={box}>
      <Photo frame={frame} setup={taken.setup} limits={limits} className="w-full" />
    </InView>
  ) : (
    <span aria-hidden className={`${box} border border-dashed border-edge`} />
  );
}

/** Moves, doubles or removes a frame. */
function RowActions({
  frame,
  isFirst,
  isLast,
  isSelected,
  onSelect,
}: {
  readonly frame: Frame;
  readonly isFirst: boolean;
  readonly isLast: boolean;
  readonly isSelected: boolean;
  readonly onSelect: (id: string | null) => void;
}) {
  const edit = useEdit();
  const fileNow = useFileNow();
  return (
    <span className="opacity-60 group-focus-within:opacity-100 group-hover:opacity-100">
      <IconButton
        label={t.moveUp(frame.name)}
        disabled={isFirst}
        onClick={() => edit(moveFrame(frame.id, -1))}
      >
        <ArrowUp size={14} aria-hidden />
      </IconButton>
      <IconButton
        label={t.moveDown(frame.name)}
        disabled={isLast}
        onClick={() => edit(moveFrame(frame.id, 1))}
      >
        <ArrowDown size={14} aria-hidden />
      </IconButton>
      <IconButton
        label={t.duplicate(frame.name)}
        onClick={() => {
          const copy = copyOfFrame(frame, fileNow().frames, copyName(frame.name));
          edit(putFrame(copy, frame.id));
          onSelect(copy.id);
        }}
      >
        <Copy size={14} aria-hidden />
      </IconButton>
      <IconButton
        label={t.deleteIt(frame.name)}
        onClick={() => {
          edit(removeFrame(frame.id));
          if (isSelected) onSelect(null);
        }}
      >
        <Trash2 size={14} aria-hidden />
      </IconButton>
    </span>
  );
}

/** The state of a frame and what makes it, or what it lacks. */
function Made({ result, name }: { result: FrameResult; name: Namer }) {
  if (result.state === 'lost') {
    const lack = result.nearest?.shortfall;
    return (
      <span className="text-wrong">
        <StateMark state={lack?.code === 'too-slow' ? 'slow' : 'lost'} /> {lostText(result)}
      </span>
    );
  }
  const whole = result.covers.filter((c) => c.code === 'clear' || c.code === 'crop');
  const shown = whole.length > 0 ? whole.slice(0, 1) : result.covers;
  return (
    <span>
      <StateMark state={result.state} />{' '}
      {t.oneAfterAnother([...new Set(shown.map((c) => stackName(c, name)))])}
    </span>
  );
}
