'use client';

import { type HandAsPlanned, handsAsPlanned } from '@/core/carry';
import type { LineupResult } from '@/core/lineup';
import { lineupText, namesOf, plainList } from '@/text';
import { useCarryPlan, useFile } from '@/session';

const t = lineupText.sharing;

/** Stretch by stretch, what is in whose hands, where that is part of the choice. */
export function Sharing({ result }: { result: LineupResult }) {
  const isChosen = result.hands.some(
    (h) => h.bodyIds !== null || h.pieceIds !== null || h.fixed !== null,
  );
  return isChosen ? <Planned /> : null;
}

function Planned() {
  const name = namesOf(useFile());
  const { answer, thinking, problem } = useCarryPlan();
  const plan = thinking || problem !== null ? null : answer?.plan;
  return (
    <section aria-labelledby="hands">
      <h2 id="hands" className="mb-1 text-lg">
        {t.whoTakesWhat}
      </h2>
      {!plan && <p className="text-soft">{problem ?? t.planning}</p>}
      <ul>
        {(plan ? handsAsPlanned(plan) : []).map((assignment) => (
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
  { bodyIds, pieceIds: itemIds, fixed }: HandAsPlanned,
  name: (id: string) => string,
): string {
  if (bodyIds.length === 0) return t.nothingPlannedHere;
  if (fixed !== null)
    return fixed
      .map((f) => t.withNotChanged(name(f.bodyId), f.pieceIds.map(name).join(' + ')))
      .join('; ');
  return `${plainList(bodyIds.map(name))}: ${plainList(itemIds.map(name))}`;
}
