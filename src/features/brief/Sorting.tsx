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
import { CSS as DragCss } from '@dnd-kit/utilities';
import { memo, useId, useLayoutEffect, useMemo, useState, useSyncExternalStore } from 'react';
import { createPortal } from 'react-dom';
import type { Frame } from '@/core/brief';
import { placeFrame } from '@/document';
import { useEdit } from '@/session';
import { briefText } from '@/text';

const t = briefText.frameList;

interface SortingProps {
  readonly frames: readonly Frame[];
  /** The rows' own body; each row has a cell marked with the picture's id. */
  readonly body: HTMLElement;
}

/**
 * Handles that move the pictures of a list. They are laid into rows that stand already, so that
 * these neither wait for them nor are made anew when they come.
 */
export function Sorting({ frames, body }: SortingProps) {
  const edit = useEdit();
  const cells = useCells(body);
  // The same list for as long as the order is the same, so that an edit redraws one handle.
  const order = JSON.stringify(frames.map((f) => f.id));
  const ids = useMemo(() => JSON.parse(order) as string[], [order]);
  const id = useId();
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
      <SortableContext items={ids} strategy={verticalListSortingStrategy}>
        {frames.map((frame, i) => (
          <Handle
            key={frame.id}
            id={frame.id}
            name={frame.name}
            number={i + 1}
            cell={cells.get(frame.id) ?? null}
          />
        ))}
      </SortableContext>
    </DndContext>
  );
}

/** Lies over the number of a picture and moves its row. */
const Handle = memo(function Handle({
  id,
  name,
  number,
  cell,
}: {
  readonly id: string;
  readonly name: string;
  readonly number: number;
  readonly cell: HTMLElement | null;
}) {
  const { attributes, listeners, setNodeRef, setActivatorNodeRef, ...drag } = useSortable({
    id,
  });
  const { transform, transition, isDragging } = drag;
  const row = cell?.closest('tr') ?? null;
  useLayoutEffect(() => setNodeRef(row), [row, setNodeRef]);
  useLayoutEffect(() => {
    if (row) show(row, { moved: DragCss.Translate.toString(transform), transition, isDragging });
  }, [row, transform, transition, isDragging]);
  return (
    cell &&
    createPortal(
      <button
        type="button"
        ref={setActivatorNodeRef}
        {...attributes}
        {...listeners}
        aria-label={t.moveNowNumber(name, number)}
        className="absolute inset-0 cursor-grab touch-none"
      />,
      cell,
    )
  );
});

/** Shows how far a row is dragged. */
function show(
  row: HTMLElement,
  drag: {
    readonly moved: string | undefined;
    readonly transition: string | undefined;
    readonly isDragging: boolean;
  },
): void {
  row.style.transform = drag.moved ?? '';
  row.style.transition = drag.transition ?? '';
  row.toggleAttribute('data-dragging', drag.isDragging);
}

/** By picture the marked cell of its row, as rows come and go. */
function useCells(body: HTMLElement): ReadonlyMap<string, HTMLElement> {
  const [cells] = useState(() => new CellStore(body));
  return useSyncExternalStore(cells.subscribe, cells.now);
}

class CellStore {
  private cells: ReadonlyMap<string, HTMLElement>;

  constructor(private readonly body: HTMLElement) {
    this.cells = this.found();
  }

  readonly now = () => this.cells;

  readonly subscribe = (changed: () => void) => {
    const look = () => {
      this.cells = this.found();
      changed();
    };
    const observer = new MutationObserver(look);
    observer.observe(this.body, { childList: true });
    look();
    return () => observer.disconnect();
  };

  private found() {
    const marked = [...this.body.querySelectorAll<HTMLElement>('[data-sort]')];
    return new Map(marked.map((cell) => [cell.dataset.sort ?? '', cell]));
  }
}
