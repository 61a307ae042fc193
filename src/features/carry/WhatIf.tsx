'use client';

import { useEffect, useRef, useState } from 'react';
import type { CarryQuestion, Scenario } from '@/core/carry';
import type { LineupResult } from '@/core/lineup';
import { Button, SelectField } from '@/ui';
import { carryText, counted, plainList, listOf } from '@/text';
import { playScenario, type ScenarioAnswer } from '@/workers/backgroundClient';

const t = carryText.whatIf;

type ScenarioState =
  | { readonly kind: 'idle' | 'working' }
  | { readonly kind: 'failed'; readonly message: string }
  | { readonly kind: 'done'; readonly answer: ScenarioAnswer };

/** Whether the plan still holds when something goes wrong, and what is lost. */
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
  const [shown, setHeld] = useState<{ state: ScenarioState; for: CarryQuestion | null }>({
    state: { kind: 'idle' },
    for: null,
  });
  const stop = useRef<() => void>(() => undefined);
  useEffect(() => () => stop.current(), [question]);
  const state: ScenarioState = shown.for === question ? shown.state : { kind: 'idle' };
  const breakable = [...result.lineup.lensIds, ...result.bodies];
  const play = () => {
    stop.current();
    const scenario: Scenario =
      chosen === 'late'
        ? { kind: 'late', hours: 1 }
        : chosen === 'wet'
          ? { kind: 'wet' }
          : { kind: 'breaks', id: chosen };
    const say = (next: ScenarioState) => setHeld({ state: next, for: question });
    say({ kind: 'working' });
    stop.current = playScenario(question, result, scenario, {
      progress: () => undefined,
      done: (answer) => say({ kind: 'done', answer }),
      failed: (message) => say({ kind: 'failed', message }),
    });
  };
  return (
    <section aria-labelledby="whatif" className="print:hidden">
      <h2 id="whatif" className="text-lg">
        {t.doesThePlanStillWork}
      </h2>
      <div className="flex flex-wrap items-end gap-2">
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
        <Button onClick={play}>{t.planItAgain}</Button>
      </div>
      <div role="status" aria-live="polite">
        {state.kind === 'working' && <p className="text-soft">{t.planningWithWhatIsLeft}</p>}
        {state.kind === 'failed' && <p className="text-wrong">{state.message}</p>}
        {state.kind === 'done' && <Left answer={state.answer} name={name} />}
      </div>
    </section>
  );
}

function Left({ answer, name }: { answer: ScenarioAnswer; name: (id: string) => string }) {
  const { lost, answer: again } = answer;
  return (
    <div className="mt-1 space-y-1" data-testid="whatif">
      <p>
        {lost.length === 0 ? (
          t.itWorksWhatYouCarry
        ) : (
          <span className="text-wrong">
            {t.lost(plainList(lost.map(name)), counted(lost.length, 'picture'))}
          </span>
        )}{' '}
        {counted(again.plan.changes, 'lensChange')}.
      </p>
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
