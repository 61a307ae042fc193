'use client';

import { memo } from 'react';
import {
  between,
  type ClosedGround,
  directionOf,
  edgesAlong,
  flatM,
  type Ground,
  type GroundSubject,
  isRound,
  type Obstacle,
  type Point,
  type Station,
} from '@/core/ground';
import { formatMetres, groundText } from '@/text';
import { DrawnWords, NAME_LINE_PX, type NameAsked, placedNames } from '@/ui';
import { pathOf } from './Bands';
import { type Scale, stepM } from './scale';

const t = groundText.plan;

interface ShapeProps<T> {
  readonly of: T;
  readonly scale: Scale;
  readonly isSelected: boolean;
}

/** The names of what is on the plan, beside their marks. */
export function Names({
  names,
  size,
}: {
  readonly names: readonly NameAsked[];
  readonly size: { readonly width: number; readonly height: number };
}) {
  return (
    <g pointerEvents="none">
      {placedNames(names, size).map(({ key, lines, atX, atY, bold, ends }) =>
        lines.map((line, i) => (
          <DrawnWords
            key={`${key} ${i}`}
            x={atX}
            y={atY + i * NAME_LINE_PX}
            bold={bold && i === 0}
            anchor={ends ? 'end' : 'start'}
            hidden
          >
            {line}
          </DrawnWords>
        )),
      )}
    </g>
  );
}

export const ClosedShape = memo(
  ({ of, scale, isSelected, hatch }: ShapeProps<ClosedGround> & { readonly hatch: string }) => (
    <path
      d={`${pathOf(of.points, scale)}Z`}
      fill={`url(#${hatch})`}
      stroke="var(--edge)"
      strokeWidth={isSelected ? 2 : 0.8}
      strokeDasharray="5 3"
    />
  ),
);
ClosedShape.displayName = 'ClosedShape';

/** Standing people from above: a head every so many metres. */
const HEAD_M = 0.6;
const MOST_HEADS = 200;

export const ObstacleShape = memo(({ of, scale, isSelected }: ShapeProps<Obstacle>) => {
  const [first] = of.points;
  if (!first) return null;
  const [x, y] = [scale.x(first.xM), scale.y(first.yM)];
  const radius = Math.max(2.5, (of.acrossM / 2) * scale.perM);
  const edge = { stroke: 'var(--ink)', strokeWidth: isSelected ? 2.2 : 1.2 };
  if (isRound(of.kind))
    return of.kind === 'pillar' ? (
      <circle cx={x} cy={y} r={radius} fill="var(--tone-4)" {...edge} />
    ) : (
      <>
        <circle
          cx={x}
          cy={y}
          r={radius}
          fill="var(--tone-1)"
          fillOpacity={0.8}
          {...edge}
          strokeDasharray="4 2.5"
        />
        <circle cx={x} cy={y} r={Math.min(3, radius)} fill="var(--ink)" />
      </>
    );
  const heads =
    of.kind === 'people'
      ? edgesAlong(of.points).flatMap(({ from, to }) => {
          const count = Math.min(MOST_HEADS, Math.max(1, Math.floor(flatM(from, to) / HEAD_M)));
          return Array.from({ length: count }, (_, i) => between(from, to, (i + 0.5) / count));
        })
      : [];
  return (
    <>
      <path
        d={pathOf(of.points, scale)}
        fill="none"
        stroke={of.kind === 'wall' ? 'var(--ink)' : 'transparent'}
        strokeWidth={Math.max(of.kind === 'wall' ? 3 : 8, of.acrossM * scale.perM)}
        strokeOpacity={isSelected ? 1 : 0.85}
      />
      {heads.map((p, i) => (
        <circle
          key={i}
          cx={scale.x(p.xM)}
          cy={scale.y(p.yM)}
          r={Math.max(1.4, 0.2 * scale.perM)}
          fill="var(--sheet)"
          {...edge}
          strokeWidth={0.9}
        />
      ))}
    </>
  );
});
ObstacleShape.displayName = 'ObstacleShape';

export const SubjectShape = memo(({ of, scale, isSelected }: ShapeProps<GroundSubject>) => {
  const at = of.points.at(-1);
  if (!at) return null;
  const [x, y] = [scale.x(at.xM), scale.y(at.yM)];
  const line = { fill: 'none', stroke: 'var(--ink)', strokeWidth: isSelected ? 2.4 : 1.6 };
  return (
    <>
      {of.kind !== 'point' && (
        <path
          d={pathOf(of.points, scale)}
          {...line}
          strokeDasharray={of.kind === 'path' ? '9 4' : undefined}
        />
      )}
      {of.kind === 'path' && (
        <path d={arrowAt(of.points, scale)} {...line} strokeDasharray="none" />
      )}
      {of.kind === 'point' && (
        <>
          <circle cx={x} cy={y} r={7} {...line} fill="var(--sheet)" />
          <circle cx={x} cy={y} r={2.2} fill="var(--ink)" />
        </>
      )}
    </>
  );
});
SubjectShape.displayName = 'SubjectShape';

/** The head of an arrow at the end of a path. */
function arrowAt(points: readonly Point[], scale: Scale): string {
  const [from, to] = [points.at(-2), points.at(-1)];
  if (!from || !to) return '';
  const [x, y] = [scale.x(to.xM), scale.y(to.yM)];
  const turn = Math.atan2(y - scale.y(from.yM), x - scale.x(from.xM));
  const wing = (by: number) => `${x - 9 * Math.cos(turn + by)} ${y - 9 * Math.sin(turn + by)}`;
  return `M${wing(0.45)}L${x} ${y}L${wing(-0.45)}`;
}

export const StationMark = memo(({ of, scale, isSelected }: ShapeProps<Station>) => {
  const [x, y] = [scale.x(of.at.xM), scale.y(of.at.yM)];
  return (
    <path
      d={`M${x} ${y - 8}L${x + 7.5} ${y + 5.5}H${x - 7.5}Z`}
      fill={isSelected ? 'var(--got)' : 'var(--ink)'}
      stroke="var(--sheet)"
      strokeWidth={1.5}
    />
  );
});
StationMark.displayName = 'StationMark';

/** Longest that the ruler is drawn, px. */
const RULER_PX = 80;

/** The ruler, and where north lies. */
export function Marks({
  ground,
  scale,
  size,
}: {
  readonly ground: Ground;
  readonly scale: Scale;
  readonly size: { readonly width: number; readonly height: number };
}) {
  const long = stepM(scale, RULER_PX / 2);
  const [x, y] = [10, size.height - 10];
  const north = directionOf(0, ground.northDeg);
  const [nx, ny] = [size.width - 24, 26];
  return (
    <g aria-hidden>
      <path
        d={`M${x} ${y - 5}V${y}H${x + long * scale.perM}V${y - 5}`}
        fill="none"
        stroke="var(--ink)"
      />
      <DrawnWords x={x + 4} y={y - 5}>
        {formatMetres(long)}
      </DrawnWords>
      <path
        d={`M${nx - 13 * north.xM} ${ny + 13 * north.yM}L${nx + 13 * north.xM} ${ny - 13 * north.yM}`}
        stroke="var(--ink)"
      />
      <circle cx={nx + 13 * north.xM} cy={ny - 13 * north.yM} r={2.5} fill="var(--ink)" />
      <DrawnWords x={nx - 4 + 22 * north.xM} y={ny + 4 - 22 * north.yM}>
        {t.north}
      </DrawnWords>
    </g>
  );
}
