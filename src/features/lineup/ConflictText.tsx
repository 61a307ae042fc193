'use client';

import type { ConflictMember, LimitConflict } from '@/core/lineup';
import { formatCount, formatMoney, formatWeight, namesOf } from '@/text';
import { useFile } from '@/session';

/** The limits and pictures that cannot be had together, each with what would free the others. */
export function ConflictText({ conflict }: { conflict: LimitConflict }) {
  const file = useFile();
  const name = namesOf(file);
  return (
    <div className="mb-3 max-w-prose" data-testid="conflict">
      <p className="text-wrong">
        These limits conflict. Give up any one of them and the others can be met:
      </p>
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
      ? [m.stretchId, m.shooterId].flatMap((id) => (id === null ? [] : [name(id)])).join(', ')
      : '';
  const needed = (text: string | null) => (text === null ? '' : `; ${text} would do`);
  switch (m.kind) {
    case 'frame':
      return `the picture ${name(m.frameId)}`;
    case 'lockedIn':
      return `what is locked in: ${m.ids.map(name).join(', ')}`;
    case 'maxLenses':
      return `at most ${formatCount(m.allowed, 'lens', 'lenses')}${needed(m.needed === null ? null : String(m.needed))}`;
    case 'maxLineupWeightG':
      return `at most ${formatWeight(m.allowed)}${needed(m.needed === null ? null : formatWeight(m.needed))}`;
    case 'maxCarriedWeightG':
      return `at most ${formatWeight(m.allowed)} carried in all${needed(m.needed === null ? null : formatWeight(m.needed))}`;
    case 'maxSpend':
      return `at most ${formatMoney(m.allowed, currency)} to spend${needed(m.needed === null ? null : formatMoney(m.needed, currency))}`;
    case 'handWeight':
      return `at most ${formatWeight(m.allowed)} carried in ${place}${needed(m.needed === null ? null : formatWeight(m.needed))}`;
    case 'handBodies':
      return `${formatCount(m.allowed, 'body', 'bodies')} in hand in ${place}${needed(m.needed === null ? null : String(m.needed))}`;
    case 'noChange':
      return `no change of lens${place === '' ? '' : ` in ${place}`}`;
  }
}
