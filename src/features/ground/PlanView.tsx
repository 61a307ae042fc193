'use client';

import { type KeyboardEvent, type PointerEvent, useRef } from 'react';
import type { Ground, Point } from '@/core/ground';
import { formatMetres, groundText } from '@/text';
import { type DrawingProps, PlanDrawing } from './PlanDrawing';
import { type Scale, snapped, WAYS } from './scale';
import { joinedWith, keyOf, pointsOf, type Thing, thingsOf, withPoint, withPoints } from './things';

/** What the arrow keys move by, m: and with Shift. */
const STEP_M = { coarse: 1, fine: 0.1 } as const;
/** Movement that makes a press a drag, px. */
const DRAG_PX = 3;

export interface PlanHandlers {
  readonly selected: string | null;
  readonly onSelect: (key: string | null) => void;
  /** A press on the bare ground: one's own place. */
  readonly onPlace: (place: Point) => void;
  /** Puts the points of a thing elsewhere. */
  readonly onMove: (moved: Thing) => void;
  /** A thing as it is dragged; it is put where it was dragged last when it is let go. */
  readonly onDrag: (moved: Thing) => void;
  readonly onRemove: (thing: Thing) => void;
  /** Moves what is shown by so many pixels. */
  readonly onPan: (dx: number, dy: number) => void;
}

/** The plan to scale; everything on it is dragged, or moved by the arrow keys. */
export function PlanView({
  label,
  drawing,
  ...handlers
}: PlanHandlers & {
  readonly label: string;
  readonly drawing: Omit<DrawingProps, 'selected'>;
}) {
  const { ground, scale, size } = drawing;
  const { selected } = handlers;
  const drag = useDrag(ground, scale, handlers);
  return (
    <svg
      width={size.width}
      height={size.height}
      role="group"
      aria-label={label}
      data-testid="plan"
      className="block touch-none bg-sheet select-none"
      onPointerDown={drag.pan}
    >
      <PlanDrawing
        {...drawing}
        selected={selected}
        bodyOf={drag.body}
        handles={thingsOf(ground).map((thing) => (
          <Handles
            key={keyOf(thing)}
            {...{ thing, scale, drag }}
            isSelected={keyOf(thing) === selected}
          />
        ))}
      />
    </svg>
  );
}

/** The points of a thing: all can be reached by keyboard, those of what is selected are seen. */
function Handles({
  thing,
  scale,
  drag,
  isSelected,
}: {
  readonly thing: Thing;
  readonly scale: Scale;
  readonly drag: ReturnType<typeof useDrag>;
  readonly isSelected: boolean;
}) {
  return pointsOf(thing).map((p, i) => (
    <circle
      key={i}
      cx={scale.x(p.xM)}
      cy={scale.y(p.yM)}
      r={isSelected ? 6 : 11}
      role="button"
      tabIndex={0}
      aria-label={groundText.plan.handle(
        thing.of.name,
        i + 1,
        formatMetres(p.xM),
        formatMetres(p.yM),
      )}
      aria-pressed={isSelected}
      className="cursor-grab outline-offset-2 focus-visible:stroke-[var(--ink)]"
      fill={isSelected ? 'var(--sheet)' : 'transparent'}
      stroke={isSelected ? 'var(--ink)' : 'transparent'}
      strokeWidth={1.5}
      {...drag.point(thing, i)}
    />
  ));
}

/** Pressing, dragging and the arrow keys. */
function useDrag(ground: Ground, scale: Scale, handlers: PlanHandlers) {
  const start = useRef<{ readonly x: number; readonly y: number; moved: boolean } | null>(null);
  const others = (thing: Thing) =>
    thingsOf(ground)
      .filter((other) => keyOf(other) !== keyOf(thing))
      .flatMap((other) => [...pointsOf(other)]);
  const track = (
    event: PointerEvent<SVGElement>,
    thing: Thing | null,
    onMove: (dx: number, dy: number) => void,
    onDrop: () => void = () => undefined,
  ) => {
    if (event.button !== 0) return;
    event.stopPropagation();
    const element = event.currentTarget;
    element.setPointerCapture(event.pointerId);
    start.current = { x: event.clientX, y: event.clientY, moved: false };
    const move = (next: globalThis.PointerEvent) => {
      const from = start.current;
      if (!from) return;
      const [dx, dy] = [next.clientX - from.x, next.clientY - from.y];
      if (!from.moved && Math.hypot(dx, dy) < DRAG_PX) return;
      from.moved = true;
      onMove(dx, dy);
    };
    const end = () => {
      const hasMoved = start.current?.moved ?? false;
      start.current = null;
      element.removeEventListener('pointermove', move);
      element.removeEventListener('pointerup', end);
      element.removeEventListener('pointercancel', end);
      if (hasMoved) return onDrop();
      handlers.onSelect(thing ? keyOf(thing) : null);
      if (thing) return;
      const box = element.getBoundingClientRect();
      handlers.onPlace(scale.at(event.clientX - box.left, event.clientY - box.top));
    };
    element.addEventListener('pointermove', move);
    element.addEventListener('pointerup', end);
    element.addEventListener('pointercancel', end);
  };
  const movedBy = (p: Point, dx: number, dy: number): Point =>
    scale.at(scale.x(p.xM) + dx, scale.y(p.yM) + dy);
  /** Tells how far it was dragged since it was told last. */
  const drag = (
    event: PointerEvent<SVGElement>,
    thing: Thing | null,
    onDrag: (dx: number, dy: number) => void,
  ) => {
    let last = { dx: 0, dy: 0 };
    track(event, thing, (dx, dy) => {
      onDrag(dx - last.dx, dy - last.dy);
      last = { dx, dy };
    });
  };
  /** Tells where a thing is dragged to, and where it is let go. */
  const carry = (
    event: PointerEvent<SVGElement>,
    thing: Thing,
    to: (dx: number, dy: number) => Thing,
  ) => {
    let last = thing;
    track(
      event,
      thing,
      (dx, dy) => handlers.onDrag((last = to(dx, dy))),
      () => handlers.onMove(last),
    );
  };
  return {
    pan: (event: PointerEvent<SVGElement>) => drag(event, null, handlers.onPan),
    /** Dragging a thing moves all of it; closed ground, which is large, only once it is selected. */
    body: (thing: Thing) => ({
      className: 'cursor-pointer',
      onPointerDown: (event: PointerEvent<SVGElement>) => {
        const points = pointsOf(thing);
        const [first] = points;
        const isLoose = thing.kind !== 'closed' || keyOf(thing) === handlers.selected;
        if (!isLoose || !first) return drag(event, thing, handlers.onPan);
        carry(event, thing, (dx, dy) => {
          const to = snapped(movedBy(first, dx, dy), [], scale);
          const [x, y] = [to.xM - first.xM, to.yM - first.yM];
          return withPoints(
            thing,
            points.map((p) => ({ xM: round(p.xM + x), yM: round(p.yM + y) })),
          );
        });
      },
    }),
    point: (thing: Thing, index: number) => ({
      onPointerDown: (event: PointerEvent<SVGElement>) => {
        const place = pointsOf(thing)[index]!;
        const fixed = others(thing);
        const joined = joinedWith(thing, index);
        carry(event, thing, (dx, dy) =>
          withPoint(thing, index, snapped(movedBy(place, dx, dy), fixed, scale, joined)),
        );
      },
      onFocus: () => handlers.onSelect(keyOf(thing)),
      onKeyDown: (event: KeyboardEvent<SVGElement>) => {
        const step = event.shiftKey ? STEP_M.fine : STEP_M.coarse;
        const way = WAYS[event.key];
        const place = pointsOf(thing)[index]!;
        if (way) {
          event.preventDefault();
          const [xM, yM] = [place.xM + way[0] * step, place.yM + way[1] * step].map(round);
          handlers.onMove(withPoint(thing, index, { xM: xM!, yM: yM! }));
        } else if (event.key === 'Delete' || event.key === 'Backspace') {
          event.preventDefault();
          handlers.onRemove(thing);
        }
      },
    }),
  };
}

const round = (m: number) => Number(m.toFixed(2));
