import type { Target } from '../problem/problem';
import { BitSet } from './bitSet';
import type { OpportunitySegments } from './segments';

/**
 * A target without the opportunities that another beats: whatever makes one of those makes the other too,
 * since each segment of the other has all the candidates of one of its own. Of two alike the first
 * stays. Where who covers a frame counts, or that it is covered twice, every opportunity stays.
 *
 * @param candidateCount above every number of a candidate
 */
export function unbeaten(
  target: Target<OpportunitySegments>,
  candidateCount: number,
): Target<OpportunitySegments> {
  const { opportunities, frame } = target;
  const countsWho = target.layer === 'base' && frame.twice?.by === 'people';
  if (opportunities.length < 2 || countsWho || opportunities.some((o) => o.needsBackup))
    return target;
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
  return { ...target, opportunities: kept.map((at) => opportunities[at]!) };
}
