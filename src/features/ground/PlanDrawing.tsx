import { memo, type ReactNode, type SVGProps, useId } from 'react';
import type { Ground, Point } from '@/core/ground';
import { type Scale, stepM } from './scale';
import { ClosedShape, Marks, Names, ObstacleShape, StationMark, SubjectShape } from './shapes';
import { Hatch, type NameAsked } from '@/ui';
import { keyOf, pointsOf, type Thing, thingsOf } from './things';
import { UnderlayPicture } from './Underlay';

/** Room that a name needs, px. */
const ROOM_PX = 130;

/** What a drawing of the plan shows. */
export interface DrawingProps {
  readonly ground: Ground;
  readonly scale: Scale;
  readonly size: { readonly width: number; readonly height: number };
  readonly selected: string | null;
  /** What is drawn beneath obstacles and marks: bands, wedges. */
  readonly beneath?: ReactNode;
  /** What is drawn over them: measured lines. */
  readonly over?: ReactNode;
  /** Said under a station: who holds it. */
  readonly noteOf: (stationId: string) => string | null;
  readonly isOpen: (stationId: string) => boolean;
  /** What is photographed; null for nothing. */
  readonly aim: Point | null;
}

/** What a drawing does when it is pressed; nothing on paper. */
type BodyOf = (thing: Thing) => SVGProps<SVGGElement>;
const STILL: BodyOf = () => ({});

/** The plan to scale, for the drawing that it stands in: first what lies beneath. */
export function PlanDrawing({
  bodyOf = STILL,
  handles,
  ...of
}: DrawingProps & { readonly bodyOf?: BodyOf; readonly handles?: ReactNode }) {
  const { ground, scale, size, beneath, over, selected, noteOf, isOpen, aim } = of;
  const things = thingsOf(ground);
  const hatch = useId();
  const drawn = (kind: Thing['kind']) =>
    things.flatMap((thing) =>
      thing.kind === kind ? (
        <g
          key={keyOf(thing)}
          {...bodyOf(thing)}
          opacity={thing.kind === 'stations' && !isOpen(thing.of.id) ? 0.35 : 1}
        >
          <ThingShape {...{ thing, scale, hatch }} isSelected={keyOf(thing) === selected} />
        </g>
      ) : (
        []
      ),
    );
  return (
    <>
      <Hatch id={hatch} />
      {ground.underlay && <UnderlayPicture underlay={ground.underlay} scale={scale} />}
      <Grid widthM={ground.widthM} heightM={ground.heightM} scale={scale} />
      {drawn('closed')}
      {beneath}
      {drawn('obstacles')}
      {drawn('subjects')}
      {over}
      {drawn('stations')}
      <Names
        names={namesAsked(things, scale, { selected, noteOf, aim, rightPx: size.width })}
        size={size}
      />
      {handles}
      <Marks ground={ground} scale={scale} size={size} />
    </>
  );
}

function ThingShape({
  thing: { kind, of },
  hatch,
  ...how
}: {
  readonly thing: Thing;
  readonly hatch: string;
  readonly scale: Scale;
  readonly isSelected: boolean;
}) {
  switch (kind) {
    case 'closed':
      return <ClosedShape of={of} hatch={hatch} {...how} />;
    case 'obstacles':
      return <ObstacleShape of={of} {...how} />;
    case 'subjects':
      return <SubjectShape of={of} {...how} />;
    case 'stations':
      return <StationMark of={of} {...how} />;
  }
}

interface Naming {
  readonly selected: string | null;
  readonly noteOf: (stationId: string) => string | null;
  readonly aim: Point | null;
  readonly rightPx: number;
}

/** What is written on the plan, what matters most first; of what stands in the way only what is selected. */
function namesAsked(
  things: readonly Thing[],
  scale: Scale,
  { selected, noteOf, aim, rightPx }: Naming,
): NameAsked[] {
  const named = things.filter((t) => t.kind !== 'obstacles' || keyOf(t) === selected);
  return named.flatMap((thing) => {
    const [at] = pointsOf(thing).toSorted((a, b) => a.xM - b.xM);
    if (!at) return [];
    const [x, y] = [scale.x(at.xM), scale.y(at.yM)];
    const note = thing.kind === 'stations' ? noteOf(thing.of.id) : null;
    const towards = thing.kind === 'stations' && aim !== null && aim.xM > at.xM;
    return {
      key: keyOf(thing),
      lines: note === null ? [thing.of.name] : [thing.of.name, note],
      ...{ x, y, gap: 11 },
      bold: thing.kind === 'stations' || keyOf(thing) === selected,
      isBefore: (towards && x > ROOM_PX) || x > rightPx - ROOM_PX,
      isAbove: pointsOf(thing).length > 1,
    };
  });
}

/** Metres as on squared paper. */
const Grid = memo(
  ({ widthM, heightM, scale }: Pick<Ground, 'widthM' | 'heightM'> & { readonly scale: Scale }) => {
    const step = stepM(scale, 22);
    const lines = (most: number) =>
      Array.from({ length: Math.floor(most / step) + 1 }, (_, i) => i * step);
    const [left, right] = [scale.x(0), scale.x(widthM)];
    const [top, bottom] = [scale.y(heightM), scale.y(0)];
    return (
      <g aria-hidden>
        <path
          d={[
            ...lines(widthM).map((x) => `M${scale.x(x)} ${top}V${bottom}`),
            ...lines(heightM).map((y) => `M${left} ${scale.y(y)}H${right}`),
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
  },
);
Grid.displayName = 'Grid';
