'use client';

import type { CarryAnswer } from '@/core/carry';
import {
  anyOrderSteps,
  carryText,
  changeSteps,
  counted,
  formatWeight,
  carriedWeightSteps,
  namesOf,
  orderSteps,
  plainList,
} from '@/text';
import { useFile } from '@/session';
import { Figure } from '@/parts';

const t = carryText.summary;

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
        <Figure label={t.changesOverTheWholeOuting} steps={() => changeSteps(file, plan)}>
          <strong>{counted(plan.changes, 'lensChange')}</strong>
        </Figure>{' '}
        {plan.proven ? t.overTheWholeOutingThe : t.bestFoundSoFar}
        {worst && (
          <>
            ;{' '}
            <Figure
              label={t.theMostAnyoneCarriesAt}
              steps={() => (heaviest ? carriedWeightSteps(file, heaviest) : [])}
            >
              <strong className={tooHeavy ? 'text-wrong' : ''}>
                {formatWeight(worst.weightG)}
              </strong>
            </Figure>
            {t.atTheHeaviestMoment}
            {worst.stretchId && `, ${name(worst.stretchId)}`}
            {file.outing.shooters.length > 1 && worst.shooterId && ` (${name(worst.shooterId)})`}
            {tooHeavy && t.overYour(formatWeight(limit))}
          </>
        )}
        .{thinking && <span className="text-soft">{t.planningAgain}</span>}
      </p>
      {saved > 0 && (
        <p className="text-soft">
          {t.leavingTheOrderFreeWhere}
          <Figure label={t.whatAFreeOrderSaves} steps={() => orderSteps(answer)}>
            {counted(saved, 'change')}
          </Figure>
          .
        </p>
      )}
      {changesAnyOrder < plan.changes && (
        <p className="text-soft">
          {t.withTheOrderFreeIn}
          <Figure label={t.changesWithTheOrderFree} steps={() => anyOrderSteps(answer)}>
            {changesAnyOrder}
          </Figure>
          .
        </p>
      )}
      {plan.unplanned.length > 0 && (
        <p className="text-wrong">{t.notPlanned(plainList(plan.unplanned.map(name)))}</p>
      )}
    </div>
  );
}
