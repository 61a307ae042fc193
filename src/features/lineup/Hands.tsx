'use client';

import type { InHand, LineupResult } from '@/core/lineup';
import { namesOf } from '@/text';
import { useFile } from '@/session';

/** Stretch by stretch, what is in whose hands, where that is part of the choice. */
export function Hands({ result }: { result: LineupResult }) {
  const name = namesOf(useFile());
  const told = result.hands.filter(
    (h) => h.bodyIds !== null || h.pieceIds !== null || h.fixed !== null,
  );
  if (told.length === 0) return null;
  return (
    <section aria-labelledby="hands">
      <h2 id="hands" className="mb-1 text-lg">
        One way to share it out
      </h2>
      <ul>
        {told.map((hand) => (
          <li key={`${hand.stretchId} ${hand.shooterId}`} className="border-b border-hair py-1">
            <span className="font-semibold">
              {[hand.stretchId, hand.shooterId]
                .flatMap((id) => (id === null ? [] : [name(id)]))
                .join(', ') || 'The whole outing'}
            </span>
            <span className="block text-[13px]">{handText(hand, name)}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}

function handText({ bodyIds, pieceIds, fixed }: InHand, name: (id: string) => string): string {
  if (fixed !== null) {
    const setups = fixed.map(
      (f) => `${name(f.bodyId)} with ${f.pieceIds.map(name).join(' + ')}, not changed`,
    );
    return setups.length > 0 ? setups.join('; ') : 'nothing is needed here';
  }
  const bodies = bodyIds === null ? [] : [`${bodyIds.map(name).join(', ') || 'no body'}`];
  const pieces =
    pieceIds === null
      ? []
      : [pieceIds.length > 0 ? pieceIds.map(name).join(', ') : 'no lens needed'];
  return [...bodies, ...pieces].join(': ');
}
