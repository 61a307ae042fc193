'use client';

import type { AssignmentOutcome, LineupResult } from '@/core/lineup';
import { lineupText, namesOf, plainList } from '@/text';
import { useFile } from '@/session';

const t = lineupText.sharing;

/** Stretch by stretch, what is in whose hands, where that is part of the choice. */
export function Sharing({ result }: { result: LineupResult }) {
  const name = namesOf(useFile());
  const told = result.hands.filter(
    (h) => h.bodyIds !== null || h.pieceIds !== null || h.fixed !== null,
  );
  if (told.length === 0) return null;
  return (
    <section aria-labelledby="hands">
      <h2 id="hands" className="mb-1 text-lg">
        {t.oneWayToShareThe}
      </h2>
      <ul>
        {told.map((assignment) => (
          <li
            key={`${assignment.stretchId} ${assignment.shooterId}`}
            className="border-b border-hair py-1"
          >
            <span className="font-semibold">
              {plainList(
                [assignment.stretchId, assignment.shooterId].flatMap((id) =>
                  id === null ? [] : [name(id)],
                ),
              ) || t.theWholeOuting}
            </span>
            <span className="block text-[13px]">{assignmentText(assignment, name)}</span>
          </li>
        ))}
      </ul>
    </section>
  );
}

function assignmentText(
  { bodyIds, pieceIds: itemIds, fixed }: AssignmentOutcome,
  name: (id: string) => string,
): string {
  if (fixed !== null) {
    const setups = fixed.map((f) =>
      t.withNotChanged(name(f.bodyId), f.pieceIds.map(name).join(' + ')),
    );
    return setups.length > 0 ? setups.join('; ') : t.nothingNeededHere;
  }
  const bodies = bodyIds === null ? [] : [`${plainList(bodyIds.map(name)) || t.noCamera}`];
  const items =
    itemIds === null ? [] : [itemIds.length > 0 ? plainList(itemIds.map(name)) : t.noLensNeeded];
  return [...bodies, ...items].join(': ');
}
