'use client';

import { useMemo, useState } from 'react';
import type { CarryQuestion, Scenario } from '@/core/carry';
import type { LineupResult } from '@/core/lineup';
import { useBackground, useBegun } from '@/session';
import { SelectField } from '@/ui';
import { carryText, counted, plainList, listOf } from '@/text';
import { playScenario, type ScenarioAnswer } from '@/workers/backgroundClient';

const t = carryText.whatIf;

/** Whether the plan still holds when something goes wrong, and what is lost; planned as soon as it is chosen. */
export function WhatIf({
  question,
  result,
  name,
}: {
  question: CarryQuestion;
  result: LineupResult;
  name: (id: string) => string;
}) {
  const [chosen, setChosen] = useState('late');
  const asked = useMemo(() => ({ question, chosen }), [question, chosen]);
  const { state, start } = useBackground<ScenarioAnswer>(asked);
  useBegun(
    () => start((report) => playScenario(question, result, scenarioOf(chosen), report)),
    asked,
  );
  const breakable = [...result.lineup.lensIds, ...result.bodies];
  return (
    <section aria-label={t.doesThePlanStillWork} className="print:hidden">
      <div className="w-64">
        <SelectField
          label={t.whatIf}
          value={chosen}
          options={[
            ['late', t.iStartAnHourLate],
            ['wet', t.itRains],
            ...breakable.map((id) => [id as string, t.breaks(name(id))] as const),
          ]}
          onChange={setChosen}
        />
      </div>
      <div role="status" aria-live="polite" className="mt-2">
        {state.kind === 'failed' && <p className="text-wrong">{state.message}</p>}
        {state.kind === 'found' && <Left answer={state.found} name={name} />}
        {(state.kind === 'idle' || state.kind === 'looking') && (
          <p className="text-soft">{t.planningWithWhatIsLeft}</p>
        )}
      </div>
    </section>
  );
}

function scenarioOf(chosen: string): Scenario {
  if (chosen === 'late') return { kind: 'late', hours: 1 };
  return chosen === 'wet' ? { kind: 'wet' } : { kind: 'breaks', id: chosen };
}

function Left({ answer, name }: { answer: ScenarioAnswer; name: (id: string) => string }) {
  const { lost, answer: again } = answer;
  return (
    <div className="mt-1 space-y-1" data-testid="whatif">
      <h2 className="text-lg">
        {lost.length === 0 ? (
          t.itWorksWhatYouCarry
        ) : (
          <span className="text-wrong">
            {t.lost(plainList(lost.map(name)), counted(lost.length, 'picture'))}
          </span>
        )}{' '}
        {counted(again.plan.changes, 'lensChange')}.
      </h2>
      <ul className="text-[13px]">
        {again.plan.stretches.map((s) => (
          <li key={s.stretchId} className="border-b border-hair py-0.5">
            <strong>{s.stretchId ? name(s.stretchId) : t.theWholeOuting}</strong>:{' '}
            {s.hands
              .flatMap((h) =>
                h.doings.flatMap((d) =>
                  d.kind === 'frame'
                    ? [
                        t.withIt(
                          name(d.frameId),
                          listOf(d.with.map((o) => o.pieceIds.map(name).join(' + '))),
                        ),
                      ]
                    : [],
                ),
              )
              .join('; ') || t.nothing}
          </li>
        ))}
      </ul>
    </div>
  );
}
