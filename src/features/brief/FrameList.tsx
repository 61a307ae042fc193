'use client';

import {
  closestCenter,
  DndContext,
  type DragEndEvent,
  KeyboardSensor,
  PointerSensor,
  type UniqueIdentifier,
  useSensor,
  useSensors,
} from '@dnd-kit/core';
import {
  SortableContext,
  sortableKeyboardCoordinates,
  useSortable,
  verticalListSortingStrategy,
} from '@dnd-kit/sortable';
import { CSS } from '@dnd-kit/utilities';
import { ArrowDown, ArrowUp, Copy, Trash2 } from 'lucide-react';
import dynamic from 'next/dynamic';
import { memo, useDeferredValue, useId, useMemo } from 'react';
import type { Frame } from '@/core/brief';
import type { FrameResult } from '@/core/lineup';
import { briefText, copyName, namesOf, needText, stackName, WANTS } from '@/text';
import { copyOfFrame, moveFrame, placeFrame, putFrame, removeFrame } from '@/document';
import { useAnswer, useEdit, useFileNow, useFilePart } from '@/session';
import { IconButton, InView } from '@/ui';
import { StateMark } from '@/parts';
import { FrameCells, WantCells } from './FrameCells';
import { lostText } from './lostText';
import { type Taken, useTaken } from './useTaken';

const t = briefText.frameList;

// Drawn after the list that is read first.
const Photo = dynamic(() => import('@/parts/scene').then((m) => m.Photo), { ssr: false });
const LightWords = dynamic(() => import('./LightWords').then((m) => m.LightWords), { ssr: false });

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
  const results = useDeferredValue(useAnswer().result?.frames);
  return <SortedFrames {...props} frames={frames} results={results} />;
}

const SortedFrames = memo(function SortedFrames({
  frames,
  results,
  ...row
}: FrameListProps & {
  readonly frames: readonly Frame[];
  readonly results: readonly FrameResult[] | undefined;
}) {
  const edit = useEdit();
  const id = useId();
  const shelf = useFilePart((file) => file.shelf);
  const name = useMemo(
    () => namesOf({ shelf, stretches: [], frames: [], outing: { shooters: [] } }),
    [shelf],
  );
  const byFrame = useMemo(() => new Map(results?.map((f) => [f.frameId, f])), [results]);
  const taken = useTaken();
  // The same list for as long as the order is the same, so that an edit redraws one row.
  const order = JSON.stringify(frames.map((f) => f.id));
  const ids = useMemo(() => JSON.parse(order) as string[], [order]);
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const called = (frameId: UniqueIdentifier) =>
    frames.find((f) => f.id === frameId)?.name ?? String(frameId);
  const numberOf = (frameId: UniqueIdentifier) => 1 + frames.findIndex((f) => f.id === frameId);
  const drop = ({ active, over }: DragEndEvent) => {
    if (over && over.id !== active.id)
      edit(placeFrame(active.id as Frame['id'], over.id as Frame['id']));
  };
  return (
    <DndContext
      id={id}
      sensors={sensors}
      collisionDetection={closestCenter}
      onDragEnd={drop}
      accessibility={{
        screenReaderInstructions: {
          draggable: t.pressSpaceToPickUp,
        },
        announcements: {
          onDragStart: ({ active }) => t.pickedUp(called(active.id)),
          onDragOver: ({ over }) => (over ? t.position(numberOf(over.id)) : undefined),
          onDragEnd: ({ active, over }) =>
            over ? t.droppedAtPosition(called(active.id), numberOf(over.id)) : undefined,
          onDragCancel: ({ active }) => t.staysWhereItWas(called(active.id)),
        },
      }}
    >
      <div className="relative overflow-x-auto" tabIndex={0} role="region" aria-label={t.shotList}>
        <table className="w-full min-w-[34rem] border-collapse">
          <thead>
            <tr className="border-b border-ink text-left text-[12px] text-soft">
              <th scope="col" className="w-8 py-1 font-normal">
                №
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
          <tbody>
            <SortableContext items={ids} strategy={verticalListSortingStrategy}>
              {frames.map((frame, i) => (
                <FrameRow
                  key={frame.id}
                  frame={frame}
                  number={i + 1}
                  isLast={i === frames.length - 1}
                  result={byFrame.get(frame.id)}
                  taken={taken.get(frame.id)}
                  name={name}
                  isSelected={frame.id === row.selected}
                  editing={row.editing}
                  onSelect={row.onSelect}
                />
              ))}
            </SortableContext>
          </tbody>
        </table>
      </div>
    </DndContext>
  );
});

interface FrameRowProps {
  readonly frame: Frame;
  readonly number: number;
  readonly isLast: boolean;
  readonly result: FrameResult | undefined;
  readonly taken: Taken | undefined;
  readonly name: Namer;
  readonly isSelected: boolean;
  readonly editing: boolean;
  readonly onSelect: (id: string | null) => void;
}

const FrameRow = memo(function FrameRow({
  frame,
  number,
  isLast,
  result,
  taken,
  name,
  isSelected,
  editing,
  onSelect,
}: FrameRowProps) {
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({
    id: frame.id,
  });
  return (
    <tr
      ref={setNodeRef}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      className={`group border-b border-hair align-top ${isSelected || isDragging ? 'bg-chosen' : 'hover:bg-sheet'}`}
    >
      <td className="py-1 pl-0 text-soft">
        <button
          type="button"
          {...attributes}
          {...listeners}
          aria-label={t.moveNowNumber(frame.name, number)}
          className="min-h-7 min-w-7 cursor-grab touch-none text-left"
        >
          {number}
        </button>
      </td>
      <td className="py-1.5 pr-3">
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
              <span className="block text-[13px] text-soft">
                {needText(frame.need)}
                <LightWords light={frame.light} />
              </span>
            </span>
          </button>
        )}
      </td>
      <td className="py-1.5 pr-2">
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
      <td className="py-1.5 pr-2">{result && <Made result={result} name={name} />}</td>
      <td className="py-1 text-right whitespace-nowrap">
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

/** The picture in small, as the lineup takes it; open where it is lost. */
function Thumbnail({ frame, taken }: { frame: Frame; taken: Taken | undefined }) {
  const limits = useFilePart((file) => file.limits);
  const box = 'block w-18 shrink-0 aspect-3/2';
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
