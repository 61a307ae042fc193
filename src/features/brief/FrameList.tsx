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
import { useDeferredValue, useId } from 'react';
import type { Frame } from '@/core/brief';
import type { FrameResult } from '@/core/lineup';
import {
  kitName,
  moveFrame,
  namesOf,
  placeFrame,
  type OutingFile,
  putFrame,
  removeFrame,
} from '@/document';
import { useAnswer, useEdit, useFile } from '@/session';
import { IconButton, lightText, needText, shortfallWord, StateMark, WANTS } from '@/ui';
import { copyOf } from './newFrame';

interface FrameListProps {
  readonly selected: string | null;
  readonly onSelect: (id: string | null) => void;
}

/** The frames as a shot list; a row opens in the editor beside it. */
export function FrameList({ selected, onSelect }: FrameListProps) {
  // The list follows when there is time, so that typing in the editor never waits for it.
  const file = useDeferredValue(useFile());
  const { result } = useAnswer();
  const results = new Map(result?.frames.map((f) => [f.frameId, f]));
  const edit = useEdit();
  const id = useId();
  const sensors = useSensors(
    useSensor(PointerSensor, { activationConstraint: { distance: 4 } }),
    useSensor(KeyboardSensor, { coordinateGetter: sortableKeyboardCoordinates }),
  );
  const name = namesOf(file);
  const numberOf = (frameId: UniqueIdentifier) =>
    1 + file.frames.findIndex((f) => f.id === frameId);
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
          draggable:
            'Space lifts the picture, arrow keys move it, Space puts it down, Escape leaves it.',
        },
        announcements: {
          onDragStart: ({ active }) => `${name(String(active.id))} lifted.`,
          onDragOver: ({ over }) => (over ? `At place ${numberOf(over.id)}.` : undefined),
          onDragEnd: ({ active, over }) =>
            over ? `${name(String(active.id))} put at place ${numberOf(over.id)}.` : undefined,
          onDragCancel: ({ active }) => `${name(String(active.id))} left where it was.`,
        },
      }}
    >
      <div className="relative overflow-x-auto" tabIndex={0} role="region" aria-label="Shot list">
        <table className="w-full min-w-[34rem] border-collapse">
          <thead>
            <tr className="border-b border-ink text-left text-[12px] text-soft">
              <th scope="col" className="w-8 py-1 font-normal">
                №
              </th>
              <th scope="col" className="min-w-52 py-1 font-normal">
                Picture
              </th>
              <th scope="col" className="w-16 py-1 font-normal">
                Want
              </th>
              <th scope="col" className="w-56 py-1 font-normal">
                Made with
              </th>
              <th scope="col" className="w-30 py-1">
                <span className="sr-only">Actions</span>
              </th>
            </tr>
          </thead>
          <tbody>
            <SortableContext
              items={file.frames.map((f) => f.id)}
              strategy={verticalListSortingStrategy}
            >
              {file.frames.map((frame, i) => (
                <FrameRow
                  key={frame.id}
                  frame={frame}
                  number={i + 1}
                  result={results.get(frame.id)}
                  selected={frame.id === selected}
                  onSelect={onSelect}
                />
              ))}
            </SortableContext>
          </tbody>
        </table>
      </div>
    </DndContext>
  );
}

function FrameRow({
  frame,
  number,
  result,
  selected,
  onSelect,
}: {
  readonly frame: Frame;
  readonly number: number;
  readonly result: FrameResult | undefined;
  readonly selected: boolean;
  readonly onSelect: (id: string | null) => void;
}) {
  const file = useFile();
  const edit = useEdit();
  const { attributes, listeners, setNodeRef, transform, transition, isDragging } = useSortable({
    id: frame.id,
  });
  return (
    <tr
      ref={setNodeRef}
      style={{ transform: CSS.Translate.toString(transform), transition }}
      className={`group border-b border-hair align-top ${selected || isDragging ? 'bg-chosen' : 'hover:bg-sheet'}`}
    >
      <td className="py-1 pl-0 text-soft">
        <button
          type="button"
          {...attributes}
          {...listeners}
          aria-label={`Move ${frame.name}, now at place ${number}`}
          className="min-h-7 min-w-7 cursor-grab touch-none text-left"
        >
          {number}
        </button>
      </td>
      <td className="py-1.5 pr-3">
        <button
          type="button"
          aria-pressed={selected}
          className="text-left"
          onClick={() => onSelect(selected ? null : frame.id)}
        >
          <span className="font-semibold">{frame.name}</span>
          <span className="block text-[13px] text-soft">
            {needText(frame.need)}; {lightText(frame.light)}
          </span>
        </button>
      </td>
      <td className="py-1.5">
        {WANTS[frame.want]}
        {frame.sharePercent !== null && (
          <span className="block text-[12px] text-soft">{frame.sharePercent} %</span>
        )}
      </td>
      <td className="py-1.5 pr-2">{result && <Made result={result} file={file} />}</td>
      <td className="py-1 text-right whitespace-nowrap">
        <span className="opacity-60 group-focus-within:opacity-100 group-hover:opacity-100">
          <IconButton
            label={`Move ${frame.name} up`}
            disabled={number === 1}
            onClick={() => edit(moveFrame(frame.id, -1))}
          >
            <ArrowUp size={14} aria-hidden />
          </IconButton>
          <IconButton
            label={`Move ${frame.name} down`}
            disabled={number === file.frames.length}
            onClick={() => edit(moveFrame(frame.id, 1))}
          >
            <ArrowDown size={14} aria-hidden />
          </IconButton>
          <IconButton
            label={`Duplicate ${frame.name}`}
            onClick={() => {
              const copy = copyOf(frame, file.frames);
              edit(putFrame(copy, frame.id));
              onSelect(copy.id);
            }}
          >
            <Copy size={14} aria-hidden />
          </IconButton>
          <IconButton
            label={`Remove ${frame.name}`}
            onClick={() => {
              edit(removeFrame(frame.id));
              if (selected) onSelect(null);
            }}
          >
            <Trash2 size={14} aria-hidden />
          </IconButton>
        </span>
      </td>
    </tr>
  );
}

/** The state of a frame and what makes it, or what it lacks. */
function Made({ result, file }: { result: FrameResult; file: OutingFile }) {
  const name = namesOf(file);
  if (result.state === 'lost') {
    const lack = result.nearest?.shortfall;
    return (
      <span className="text-wrong">
        <StateMark state={lack?.code === 'too-slow' ? 'slow' : 'lost'} />{' '}
        {lack
          ? shortfallWord(lack.code)
          : result.impossible.length > 0
            ? 'no lens for it'
            : 'left out'}
      </span>
    );
  }
  const whole = result.covers.filter((c) => c.code === 'clear' || c.code === 'crop');
  const shown = whole.length > 0 ? whole.slice(0, 1) : result.covers;
  return (
    <span>
      <StateMark state={result.state} />{' '}
      {[...new Set(shown.map((c) => kitName(c, name)))].join(', then ')}
    </span>
  );
}
