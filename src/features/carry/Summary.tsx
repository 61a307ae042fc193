'use client';

import type { CarryAnswer } from '@/core/carry';
import {
  anyOrderSteps,
  changeSteps,
  formatCount,
  formatWeight,
  handWeightSteps,
  namesOf,
  orderSteps,
} from '@/text';
import { useFile } from '@/session';
import { Figure } from '@/parts';

/** The whole plan in a few lines: changes, the heaviest moment, what order is worth. */
export function Summary({ answer, thinking }: { answer: CarryAnswer; thinking: boolean }) {
  const file = useFile();
  const name = namesOf(file);
  const { plan, changesInOrder, changesAnyOrder } = answer;
  const { worst } = plan;
  const limit = file.packing.maxWeightG;
  const tooHeavy = limit !== null && worst !== null && worst.weightG > limit;
  const heaviest = plan.stretches
    .find((s) => s.stretchId === worst?.stretchId)
    ?.hands.find((h) => h.shooterId === worst?.shooterId);
  const saved = changesInOrder - plan.changes;
  return (
    <div className="max-w-prose" role="status" aria-live="polite">
      <p className="text-base">
        <Figure label="Changes over the whole outing" steps={() => changeSteps(file, plan)}>
          <strong>{formatCount(plan.changes, 'lens change', 'lens changes')}</strong>
        </Figure>{' '}
        {plan.proven ? 'over the whole outing, the fewest possible' : 'best found so far'}
        {worst && (
          <>
            ;{' '}
            <Figure
              label="The most that anyone carries at once"
              steps={() => (heaviest ? handWeightSteps(file, heaviest) : [])}
            >
              <strong className={tooHeavy ? 'text-wrong' : ''}>
                {formatWeight(worst.weightG)}
              </strong>
            </Figure>{' '}
            at the heaviest moment
            {worst.stretchId && `, ${name(worst.stretchId)}`}
            {file.outing.shooters.length > 1 && worst.shooterId && ` (${name(worst.shooterId)})`}
            {tooHeavy && `, over your ${formatWeight(limit)}`}
          </>
        )}
        .{thinking && <span className="text-soft"> Planning anew…</span>}
      </p>
      {saved > 0 && (
        <p className="text-soft">
          Leaving the order free where you allow it saves{' '}
          <Figure label="What the free order saves" steps={() => orderSteps(answer)}>
            {formatCount(saved, 'change', 'changes')}
          </Figure>
          .
        </p>
      )}
      {changesAnyOrder < plan.changes && (
        <p className="text-soft">
          With the order free in every stretch it would take{' '}
          <Figure
            label="Changes with the order free in every stretch"
            steps={() => anyOrderSteps(answer)}
          >
            {changesAnyOrder}
          </Figure>
          .
        </p>
      )}
      {plan.unplanned.length > 0 && (
        <p className="text-wrong">Not planned: {plan.unplanned.map(name).join(', ')}.</p>
      )}
    </div>
  );
}
