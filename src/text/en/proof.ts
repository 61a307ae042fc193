import type { LineupResult, Proof } from '@/core/lineup';
import { counted } from './counts';

/** The proof in a sentence or two; null where there is none to tell. */
export function proofText(proof: Proof, totals: LineupResult['totals']): string | null {
  if (proof.kind === 'none') return null;
  const { lockedIn, witnesses } = proof;
  const locked = lockedIn === 0 ? '' : `${counted(lockedIn, 'lensIs')} locked in. `;
  const isSeveral = witnesses.length > 1;
  if (proof.kind === 'search') {
    const alone = isSeveral
      ? `${apartText(proof)}: that alone needs ${counted(proof.bound, 'lens')}. `
      : '';
    return `${locked}${alone}An exact search ruled out every lineup of fewer than ${counted(totals.pieces, 'item')} that covers as much.`;
  }
  if (isSeveral)
    return `${locked}${apartText(proof)}, so fewer than ${counted(totals.lenses, 'lens')} can’t cover them.`;
  const [only] = witnesses;
  if (!only) return `${locked}Nothing else is needed.`;
  const needsTwo = only.lenses === 2;
  if (lockedIn > 0)
    return `${locked}This picture needs ${needsTwo ? 'two more lenses' : 'one more lens'}.`;
  return needsTwo
    ? 'This picture needs two lenses at once, and they are enough for everything covered.'
    : 'This picture needs a lens, and one is enough for everything covered.';
}

/** Pictures of which no two share a lens; those that need a backup stand for two lenses each. */
function apartText({ lockedIn, witnesses }: Exclude<Proof, { kind: 'none' }>): string {
  const count = witnesses.length;
  const backups = witnesses.filter((w) => w.lenses === 2).length;
  const besides =
    lockedIn === 0
      ? `No lens covers two of these ${count} pictures`
      : `Of the pictures ${lockedIn === 1 ? 'it doesn’t' : 'they don’t'} cover, no other lens covers two of these ${count}`;
  if (backups === 0) return besides;
  return `${besides}, and ${backups} of them ${backups === 1 ? 'needs' : 'need'} two at once`;
}
