'use client';

import type { ConflictMember, LimitConflict } from '@/core/lineup';
import { counted, formatWeight, LIMIT_TEXTS, lineupText, namesOf, plainList } from '@/text';
import { useFile } from '@/session';

const t = lineupText.conflictText;

/** The limits and pictures that cannot be had together, each with what would free the others. */
export function ConflictText({ conflict }: { conflict: LimitConflict }) {
  const file = useFile();
  const name = namesOf(file);
  return (
    <div className="mb-3 max-w-prose" data-testid="conflict">
      <p className="text-wrong">{t.theseLimitsConflictGiveUp}</p>
      <ul className="mt-1">
        {conflict.members.map((member) => (
          <li key={JSON.stringify(member)} className="border-b border-hair py-0.5">
            {memberText(member, name, file.outing.currency)}
          </li>
        ))}
      </ul>
    </div>
  );
}

export function memberText(
  m: ConflictMember,
  name: (id: string) => string,
  currency: string,
): string {
  const place =
    'stretchId' in m
      ? plainList([m.stretchId, m.shooterId].flatMap((id) => (id === null ? [] : [name(id)])))
      : '';
  const needed = (text: string | null) => (text === null ? '' : t.wouldBeEnough(text));
  switch (m.kind) {
    case 'frame':
      return t.thePicture(name(m.frameId));
    case 'lockedIn':
      return t.whatYouLockedIn(plainList(m.ids.map(name)));
    case 'handWeight':
      return t.atMostCarriedIn(
        formatWeight(m.allowed),
        place,
        needed(m.needed === null ? null : formatWeight(m.needed)),
      );
    case 'handBodies':
      return t.inHandIn(
        counted(m.allowed, 'body'),
        place,
        needed(m.needed === null ? null : String(m.needed)),
      );
    case 'noChange':
      return place === '' ? t.noLensChanges : t.noLensChangesIn(place);
    default: {
      const { atMost, figure } = LIMIT_TEXTS[m.kind];
      const enough = m.needed === null ? '' : t.wouldBeEnough(figure(m.needed, currency));
      return `${atMost(figure(m.allowed, currency))}${enough}`;
    }
  }
}
