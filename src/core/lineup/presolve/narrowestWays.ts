import type { Target } from '../problem/problem';
import { BitSet } from '@/core/bitSet';
import { essentialSegments, type OpportunitySegments } from './segments';

/**
 * A target by fewer and narrower ways that any candidates make as they made the ones before. Opportunities
 * of one segment are one, since any candidate of any of them is enough. What makes that one by itself
 * counts in no other segment, and an opportunity of which a segment is left without candidates says
 * nothing more. Of the others, one that another beats is left out: whatever makes it makes the other too,
 * since each segment of the other has all the candidates of one of its own; of two alike the first stays.
 * Where who covers a frame counts, or that it is covered twice, every opportunity stays as it is. Where
 * setups stay on their bodies for a stretch, or people at their stations, ways aren't joined: which of
 * several as good hangs there, or who makes it from where, is no aim, and follows from the ways.
 *
 * @param candidateCount above every number of a candidate
 */
export function narrowestWays(
  target: Target<OpportunitySegments>,
  candidateCount: number,
): Target<OpportunitySegments> {
  const { opportunities, frame } = target;
  const countsWho = target.layer === 'base' && frame.twice?.by === 'people';
  if (opportunities.length < 2 || countsWho || opportunities.some((o) => o.needsBackup))
    return target;
  const isFixed = opportunities.some(({ opportunity }) =>
    opportunity.assignments.some((a) => a.fixedSetups || a.stationId !== null),
  );
  const one = isFixed ? null : ofOneSegment(opportunities, candidateCount);
  if (one === null) return { ...target, opportunities: unbeaten(opportunities, candidateCount) };
  const left = opportunities
    .filter(({ segments }) => segments.length > 1)
    .flatMap((o) => without(one.enough, o, candidateCount));
  const narrower = {
    ...target,
    opportunities: [one.opportunity, ...unbeaten(left, candidateCount)],
  };
  // What is down to one segment joins them.
  return left.some(({ segments }) => segments.length === 1)
    ? narrowestWays(narrower, candidateCount)
    : narrower;
}

/** The opportunities of one segment as one; null where there are none. */
function ofOneSegment(opportunities: readonly OpportunitySegments[], candidateCount: number) {
  const single = opportunities.filter(({ segments }) => segments.length === 1);
  const [first] = single;
  if (!first) return null;
  const all = single.flatMap(({ segments }) => segments[0]!.candidates);
  const enough = BitSet.of(candidateCount, all);
  const segment = { ...first.segments[0]!, candidates: enough.members() };
  return { enough, opportunity: { ...first, segments: [segment] } };
}

/** An opportunity without candidates that are enough by themselves elsewhere; none where a segment has no others. */
function without(
  enough: BitSet,
  opportunity: OpportunitySegments,
  candidateCount: number,
): OpportunitySegments[] {
  const segments = opportunity.segments.map((segment) => ({
    ...segment,
    candidates: segment.candidates.filter((c) => !enough.has(c)),
  }));
  return segments.some(({ candidates }) => candidates.length === 0)
    ? []
    : [{ ...opportunity, segments: essentialSegments(segments, candidateCount) }];
}

function unbeaten(
  opportunities: readonly OpportunitySegments[],
  candidateCount: number,
): OpportunitySegments[] {
  const asked = opportunities.map(({ segments }) =>
    segments.map(({ candidates }) => BitSet.of(candidateCount, candidates)),
  );
  const beats = (one: number, other: number) =>
    asked[one]!.every((segment) => asked[other]!.some((narrower) => narrower.isWithin(segment)));
  const kept: number[] = [];
  for (const at of opportunities.keys()) {
    if (kept.some((other) => beats(other, at))) continue;
    const left = kept.filter((other) => !beats(at, other));
    kept.splice(0, kept.length, ...left, at);
  }
  return kept.map((at) => opportunities[at]!);
}
