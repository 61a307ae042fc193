import type { LineupResult, Proof } from '@/core/lineup';
import { counted } from './counts';

/** The proof in a sentence or two; null where there is none to tell. */
export function proofWords(proof: Proof, totals: LineupResult['totals']): string | null {
  if (proof.kind === 'none') return null;
  const count = proof.witnesses.length;
  const lenses = counted(totals.lenses, 'lens');
  const locked =
    proof.lockedIn === 0 ? '' : `${counted(proof.lockedIn, 'lensIs')} taken whatever happens. `;
  const twice = proof.witnesses.filter((w) => w.lenses === 2).length;
  const apart = count > 1 ? apartWords(count, proof.lockedIn) + twiceWords(twice) : '';
  if (proof.kind === 'search') {
    const bound =
      count > 1 ? `${locked}${apart}: that alone needs ${counted(proof.bound, 'lens')}. ` : locked;
    return `${bound}All lineups of fewer than ${counted(totals.pieces, 'piece')} that get as much are ruled out by exact search.`;
  }
  if (count > 1) return `${locked}${apart}, so fewer than ${lenses} cannot get them.`;
  if (count === 0) return `${locked}Nothing is taken besides.`;
  const needed = proof.witnesses[0]?.lenses === 2 ? 'two at once' : 'one';
  return proof.lockedIn === 0
    ? `This picture needs ${needed === 'one' ? 'a lens, and one is' : 'two lenses at once, and they are'} enough for all that is got.`
    : `${locked}This picture needs ${needed} besides.`;
}

/** Pictures covered twice stand for two lenses each. */
function twiceWords(twice: number): string {
  return twice === 0 ? '' : `, and ${twice} of them ${twice === 1 ? 'needs' : 'need'} two at once`;
}

function apartWords(count: number, lockedIn: number): string {
  if (lockedIn === 0) return `No two of these ${count} can be made with the same lens`;
  const besides = lockedIn === 1 ? 'it does' : 'they do';
  return `Of the pictures that ${besides} not make, no two of these ${count} can be made with the same lens`;
}
