import type { Ground, Point } from '@/core/ground';
import { GROUND_KINDS, type GroundKind, type OnGround } from '@/document';

/** A thing on the plan with the list that it is in. */
export type Thing = {
  [K in GroundKind]: { readonly kind: K; readonly of: OnGround[K] };
}[GroundKind];

/** How the address names what is selected. */
export const keyOf = ({ kind, of }: Thing): string => `${kind}:${of.id}`;

export function thingsOf(ground: Ground): Thing[] {
  return GROUND_KINDS.flatMap((kind) => ground[kind].map((of) => ({ kind, of }) as Thing));
}

export function thingAt(ground: Ground, key: string | null): Thing | null {
  return thingsOf(ground).find((thing) => keyOf(thing) === key) ?? null;
}

export const pointsOf = (thing: Thing): readonly Point[] =>
  thing.kind === 'stations' ? [thing.of.at] : thing.of.points;

/** A thing with its points elsewhere. */
export function withPoints(thing: Thing, points: readonly Point[]): Thing {
  const [first] = points;
  if (thing.kind === 'stations')
    return first ? { ...thing, of: { ...thing.of, at: first } } : thing;
  return { ...thing, of: { ...thing.of, points: [...points] } } as Thing;
}

/** A thing with one of its points elsewhere. */
export function withPoint(thing: Thing, index: number, place: Point): Thing {
  return withPoints(
    thing,
    pointsOf(thing).map((p, i) => (i === index ? place : p)),
  );
}

/** The points that lines join a point of a thing with. */
export function joinedWith(thing: Thing, index: number): readonly Point[] {
  const points = pointsOf(thing);
  const beside = [points[index - 1], points[index + 1]];
  if (thing.kind === 'closed' && index === 0) beside.push(points.at(-1));
  if (thing.kind === 'closed' && index === points.length - 1) beside.push(points[0]);
  return beside.flatMap((p) => p ?? []);
}

/** Fewest points that a thing of its kind has; one that stands at a point has exactly one. */
export function fewestPoints(thing: Thing): number {
  if (thing.kind === 'closed') return 3;
  return isAtPoint(thing) ? 1 : 2;
}

export function isAtPoint(thing: Thing): boolean {
  return (
    thing.kind === 'stations' ||
    (thing.kind === 'subjects' && thing.of.kind === 'point') ||
    (thing.kind === 'obstacles' && (thing.of.kind === 'pillar' || thing.of.kind === 'tree'))
  );
}
