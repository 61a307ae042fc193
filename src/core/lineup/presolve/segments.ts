import type { Frame, FrameId } from '@/core/brief';
import { clearlyBelow, type Interval, type IntervalSet } from '@/core/intervals';
import { BitSet } from '@/core/bitSet';
import type { Opportunity } from '../problem/opportunities';
import { isOfOneItem, type OpportunityPositions } from '../problem/positions';

/**
 * A part of a frame that one candidate either makes or not: a run of distances at which as few candidates
 * are able as anywhere near, or the whole of a frame that asks for one place or one setup. Runs
 * beside it at which more candidates are able are implied by it and left out.
 */
export interface Segment {
  readonly frameId: FrameId;
  readonly range: Interval;
  /** Numbers of the candidates that make it, upwards. */
  readonly candidates: readonly number[];
}

/** An opportunity with its segments; a segment without candidates cannot be made by anything. */
export interface OpportunitySegments {
  readonly opportunity: Opportunity;
  readonly segments: readonly Segment[];
  /** Two lenses on two bodies are asked for. */
  readonly needsBackup: boolean;
}

/**
 * Cuts an opportunity into the segments that imply all others.
 *
 * @param allowed for each candidate whether it may be used
 */
export function segmentsOf(
  { opportunity, needsBackup, axis, positions }: OpportunityPositions,
  allowed: readonly boolean[],
): OpportunitySegments {
  return { opportunity, needsBackup, segments: cut(opportunity.frame, axis, positions, allowed) };
}

/** The segments of a part of an axis, or of all of it. */
export function cut(
  frame: Frame,
  axis: Interval,
  positions: ReadonlyMap<number, IntervalSet>,
  allowed: readonly boolean[],
): Segment[] {
  if (isOfOneItem(frame)) {
    const candidates = [...positions.keys()].filter((number) => allowed[number]);
    return [{ frameId: frame.id, range: axis, candidates: upwards(candidates) }];
  }
  const runs = leanestRuns(axis, positions, allowed);
  return essentialSegments(
    runs.map((run) => ({ frameId: frame.id, ...run })),
    allowed.length,
  );
}

const upwards = (numbers: readonly number[]) => Array.from(Int32Array.from(numbers).sort());

interface CoverageChange {
  readonly at: number;
  readonly opens: boolean;
  readonly candidate: number;
}

/**
 * Walks along the axis from change to change and keeps each run after candidates have fallen away and
 * before others come in. Able intervals are closed, so the candidates able at an end include those of
 * the open runs beside it, and the runs alone decide. Changes nearer than rounding are one.
 */
function leanestRuns(
  axis: Interval,
  positions: ReadonlyMap<number, IntervalSet>,
  allowed: readonly boolean[],
): { range: Interval; candidates: number[] }[] {
  const now = BitSet.empty(allowed.length);
  const changes: CoverageChange[] = [];
  for (const [candidate, set] of positions) {
    if (!allowed[candidate]) continue;
    for (const { from, to } of set) {
      const inside = clearlyBelow(axis.from, to) && clearlyBelow(from, axis.to);
      if (!inside || !clearlyBelow(from, to)) continue;
      if (!clearlyBelow(axis.from, from)) now.add(candidate);
      else if (clearlyBelow(from, axis.to)) changes.push({ at: from, opens: true, candidate });
      if (clearlyBelow(to, axis.to)) changes.push({ at: to, opens: false, candidate });
    }
  }
  changes.sort((a, b) => a.at - b.at || Number(b.opens) - Number(a.opens));
  const runs: { range: Interval; candidates: number[] }[] = [];
  let leanSince: number | null = axis.from;
  let i = 0;
  while (i < changes.length) {
    const at = changes[i]?.at ?? axis.to;
    const group: CoverageChange[] = [];
    for (let next = changes[i]; next && !clearlyBelow(at, next.at); next = changes[i]) {
      group.push(next);
      i += 1;
    }
    if (group.some((c) => c.opens) && leanSince !== null) {
      runs.push({ range: { from: leanSince, to: at }, candidates: now.members() });
      leanSince = null;
    }
    for (const c of group) if (c.opens) now.add(c.candidate);
    for (const c of group) if (!c.opens) now.delete(c.candidate);
    if (group.some((c) => !c.opens)) leanSince = at;
  }
  if (leanSince !== null)
    runs.push({ range: { from: leanSince, to: axis.to }, candidates: now.members() });
  return runs;
}

/**
 * The segments of one opportunity that imply the others: a segment is implied by one with fewer candidates.
 *
 * @param candidateCount above every number of a candidate
 */
export function essentialSegments(segments: readonly Segment[], candidateCount: number): Segment[] {
  if (segments.length === 1) return [...segments];
  const bySize = [...segments].sort((a, b) => a.candidates.length - b.candidates.length);
  const kept: { segment: Segment; candidates: BitSet }[] = [];
  for (const segment of bySize) {
    const candidates = BitSet.of(candidateCount, segment.candidates);
    if (!kept.some((other) => other.candidates.isWithin(candidates)))
      kept.push({ segment, candidates });
  }
  return kept.map(({ segment }) => segment).sort((a, b) => a.range.from - b.range.from);
}
