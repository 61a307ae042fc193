'use client';

import type { ReactNode } from 'react';
import type { CarryAnswer } from '@/core/carry';
import {
  anyOrderSteps,
  carryText,
  changeSteps,
  counted,
  aboutWeight,
  formatWeight,
  carriedWeightSteps,
  namesOf,
  orderSteps,
  plainList,
} from '@/text';
import { useFile } from '@/session';
import { Figure } from '@/parts';
import { Sentence } from '@/ui';

const t = carryText.summary;

type Worst = NonNullable<CarryAnswer['plan']['worst']>;

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
  const changes = (
    <Figure label={t.changesOverTheWholeOuting} steps={() => changeSteps(file, plan)}>
      <strong>{counted(plan.changes, 'lensChange')}</strong>
    </Figure>
  );
  const weight = ({ weightG }: Worst) => (
    <Figure
      label={t.theMostAnyoneCarriesAt}
      steps={() => (heaviest ? carriedWeightSteps(file, heaviest) : [])}
    >
      <strong className={tooHeavy ? 'text-wrong' : ''}>
        {aboutWeight(weightG, (heaviest?.weights.unknown.length ?? 0) > 0)}
      </strong>
    </Figure>
  );
  const moment = ({ stretchId, shooterId }: Worst) => {
    const who = file.outing.shooters.length > 1 && shooterId ? [name(shooterId)] : [];
    return t.atTheHeaviestMoment(
      [...(stretchId ? [name(stretchId)] : []), ...who],
      tooHeavy ? formatWeight(limit) : null,
    );
  };
  return (
    <div className="max-w-prose" role="status" aria-live="polite">
      <p className="text-base">
        <Sentence
          parts={
            worst
              ? t.changesAndWeight<ReactNode>(changes, plan.proven, weight(worst), moment(worst))
              : t.changes(changes, plan.proven)
          }
        />{' '}
        {thinking && <span className="text-soft">{t.planningAgain}</span>}
      </p>
      {saved > 0 && (
        <p className="text-soft">
          <Sentence
            parts={t.freeOrderSaves(
              <Figure label={t.whatAFreeOrderSaves} steps={() => orderSteps(answer)}>
                {counted(saved, 'lensChange')}
              </Figure>,
            )}
          />
        </p>
      )}
      {changesAnyOrder < plan.changes && (
        <p className="text-soft">
          <Sentence
            parts={t.freeOrderWouldTake(
              <Figure label={t.changesWithTheOrderFree} steps={() => anyOrderSteps(answer)}>
                {counted(changesAnyOrder, 'lensChange')}
              </Figure>,
            )}
          />
        </p>
      )}
      {plan.unplanned.length > 0 && (
        <p className="text-wrong">{t.notPlanned(plainList(plan.unplanned.map(name)))}</p>
      )}
    </div>
  );
}
