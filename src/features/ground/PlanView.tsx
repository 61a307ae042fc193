'use client';

import { type KeyboardEvent, type PointerEvent, type ReactNode, useRef } from 'react';
import type { Ground, Point } from '@/core/ground';
import { formatMetres, groundText } from '@/text';
import {
  ClosedHatch,
  ClosedShape,
  Marks,
  ObstacleShape,
  StationMark,
  SubjectShape,
} from './shapes';
import { type Scale, snapped, stepM, WAYS } from './scale';
import { UnderlayPicture } from './Underlay';
import { keyOf, pointsOf, type Thing, thingsOf, withPoint, withPoints } from './things';

/** What the arrow keys move by, m: and with Shift. */
const STEP_M = { coarse: 1, fine: 0.1 } as const;
/** Room that a name needs, px. */
const ROOM_PX = 130;
/** Movement that makes a press a drag, px. */
const DRAG_PX = 3;

export interface PlanHandlers {
  readonly selected: string | null;
  readonly onSelect: (key: string | null) => void;
  /** A press on the bare ground: one's own place. */
  readonly onPlace: (place: Point) => void;
  /** Puts the points of a thing elsewhere. */
  readonly onMove: (moved: Thing) => void;
  readonly onRemove: (thing: Thing) => void;
  /** Moves what is shown by so many pixels. */
  readonly onPan: (dx: number, dy: number) => void;
}

interface PlanViewProps extends PlanHandlers {
  readonly ground: Ground;
  readonly scale: Scale;
  readonly size: { readonly width: number; readonly height: number };
  /** What is drawn beneath obstacles and marks: bands, wedges. */
  readonly beneath: ReactNode;
  /** What is drawn over them: measured lines. */
  readonly over: ReactNode;
  /** Said under a station: who holds it. */
  readonly noteOf: (stationId: string) => string | null;
  readonly isOpen: (stationId: string) => boolean;
  /** What is photographed; null for nothing. */
  readonly aim: Point | null;
  readonly label: string;
}

/** The plan to scale; everything on it is dragged, or moved by the arrow keys. */
export function PlanView(props: PlanViewProps) {
  const { ground, scale, size, beneath, over, label, noteOf, isOpen, aim, ...handlers } = props;
  const drag = useDrag(ground, scale, handlers);
  const things = thingsOf(ground);
  const of = (kind: Thing['kind']) => things.filter((thing) => thing.kind === kind);
  const marked = (thing: Thing) => ({ isSelected: keyOf(thing) === handlers.selected });
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
      <ClosedHatch />
      {ground.underlay && <UnderlayPicture underlay={ground.underlay} scale={scale} />}
      <Grid ground={ground} scale={scale} />
      {of('closed').map((thing) => (
        <g key={keyOf(thing)} {...drag.body(thing)}>
          {thing.kind === 'closed' && (
            <ClosedShape of={thing.of} scale={scale} {...marked(thing)} />
          )}
        </g>
      ))}
      {beneath}
      {of('obstacles').map((thing) => (
        <g key={keyOf(thing)} {...drag.body(thing)}>
          {thing.kind === 'obstacles' && (
            <ObstacleShape of={thing.of} scale={scale} {...marked(thing)} />
          )}
        </g>
      ))}
      {of('subjects').map((thing) => (
        <g key={keyOf(thing)} {...drag.body(thing)}>
          {thing.kind === 'subjects' && (
            <SubjectShape of={thing.of} scale={scale} {...marked(thing)} />
          )}
        </g>
      ))}
      {over}
      {of('stations').map((thing) => (
        <g key={keyOf(thing)} {...drag.body(thing)} opacity={isOpen(thing.of.id) ? 1 : 0.35}>
          {thing.kind === 'stations' && (
            <StationMark
              of={thing.of}
              scale={scale}
              note={noteOf(thing.of.id)}
              isBefore={
                aim !== null && aim.xM > thing.of.at.xM && scale.x(thing.of.at.xM) > ROOM_PX
              }
              {...marked(thing)}
            />
          )}
        </g>
      ))}
      {things.map((thing) => (
        <Handles key={keyOf(thing)} {...{ thing, scale, drag }} {...marked(thing)} />
      ))}
      <Marks ground={ground} scale={scale} size={size} />
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

/** Metres as on squared paper. */
function Grid({ ground, scale }: { readonly ground: Ground; readonly scale: Scale }) {
  const step = stepM(scale, 22);
  const lines = (most: number) =>
    Array.from({ length: Math.floor(most / step) + 1 }, (_, i) => i * step);
  const [left, right] = [scale.x(0), scale.x(ground.widthM)];
  const [top, bottom] = [scale.y(ground.heightM), scale.y(0)];
  return (
    <g aria-hidden>
      <path
        d={[
          ...lines(ground.widthM).map((x) => `M${scale.x(x)} ${top}V${bottom}`),
          ...lines(ground.heightM).map((y) => `M${left} ${scale.y(y)}H${right}`),
        ].join('')}
        stroke="var(--hair)"
        strokeWidth={0.4}
      />
      <rect
        x={left}
        y={top}
        width={right - left}
        height={bottom - top}
        fill="none"
        stroke="var(--edge)"
      />
    </g>
  );
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
      if (hasMoved) return;
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
        track(event, thing, (dx, dy) => {
          const to = snapped(movedBy(first, dx, dy), [], scale);
          const [x, y] = [to.xM - first.xM, to.yM - first.yM];
          handlers.onMove(
            withPoints(
              thing,
              points.map((p) => ({ xM: round(p.xM + x), yM: round(p.yM + y) })),
            ),
          );
        });
      },
    }),
    point: (thing: Thing, index: number) => ({
      onPointerDown: (event: PointerEvent<SVGElement>) => {
        const place = pointsOf(thing)[index]!;
        const fixed = others(thing);
        track(event, thing, (dx, dy) =>
          handlers.onMove(withPoint(thing, index, snapped(movedBy(place, dx, dy), fixed, scale))),
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
