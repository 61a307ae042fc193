'use client';

import { MOST_NEXT_OUTINGS, nextSettings } from '@/document';
import { NEXT_AFTER } from '@/core/next';
import { EntityForm, FormChoice, FormNumber, Tick } from '@/ui';
import { nextText } from '@/text';
import type { NextWork, OutingChoice } from './useNextWork';

const t = nextText.outings;

/** Which outings are asked about, how often each happens, and how things are bought and sold. */
export function OutingsAndTerms({ work }: { work: NextWork }) {
  const { settings, choices, change } = work;
  return (
    <details className="border-y border-hair py-2">
      <summary className="cursor-pointer font-semibold">{t.title}</summary>
      <div className="mt-2 grid gap-x-10 gap-y-4 md:grid-cols-3">
        {(['saved', 'starter'] as const).map((of) => (
          <Choices key={of} work={work} of={of} choices={choices.filter((c) => c.of === of)} />
        ))}
        <EntityForm
          label={t.title}
          schema={nextSettings}
          value={settings}
          onValid={(next, field) => change(next, `next ${field}`)}
        >
          <div className="space-y-3">
            <FormChoice
              name="buy"
              label={t.buyAt}
              options={[
                ['new', t.new],
                ['used', t.used],
              ]}
            />
            <FormNumber name="resalePercent" label={t.resale} unit="%" />
            <FormChoice
              name="after"
              label={t.after}
              options={NEXT_AFTER.map((key) => [key, t.afterOptions[key]] as const)}
            />
            <p className="text-[12px] text-soft">{nextText.page.nobodysGear}</p>
          </div>
        </EntityForm>
      </div>
    </details>
  );
}

/** Over what a purchase counts; while that is one outing, what else one may photograph in a year, each added by a press. */
export function OutingsInSight({ work }: { work: NextWork }) {
  const { choices, choose, names } = work;
  const chosen = choices.filter((c) => c.timesAYear !== null);
  const others = names.length > 1 ? [] : choices.filter((c) => c.timesAYear === null);
  return (
    <div className="space-y-1" data-testid="next-outings">
      <p>
        {t.countsOver(chosen.map((c) => t.often(c.name, c.timesAYear ?? 1)))}{' '}
        {others.length > 0 && <span className="text-soft">{t.alsoYours}</span>}
      </p>
      <ul className="flex flex-wrap gap-1.5">
        {others.map((c) => (
          <li key={`${c.of} ${c.key}`}>
            <button
              type="button"
              className="min-h-7 pointer-coarse:min-h-[44px] border border-edge px-2 text-[13px] hover:bg-chosen"
              onClick={() => choose(c, 1)}
            >
              {t.add(c.name)}
            </button>
          </li>
        ))}
      </ul>
    </div>
  );
}

function Choices({
  work: { choose, names },
  of,
  choices,
}: {
  work: NextWork;
  of: OutingChoice['of'];
  choices: readonly OutingChoice[];
}) {
  const isFull = names.length >= MOST_NEXT_OUTINGS;
  return (
    <fieldset className="min-w-0">
      <legend className="text-[12px] text-soft">{of === 'saved' ? t.saved : t.planned}</legend>
      <ul>
        {choices.map((c) => (
          <li key={c.key} className="flex items-center justify-between gap-3">
            <Tick
              label={c.isOpen ? `${c.name} (${t.isOpen})` : c.name}
              on={c.timesAYear !== null}
              onChange={(on) => (!on || !isFull) && choose(c, on ? 1 : null)}
            />
            {c.timesAYear !== null && <Times choice={c} onChange={(n) => choose(c, n)} />}
          </li>
        ))}
      </ul>
      {isFull && <p className="text-[12px] text-soft">{t.most(MOST_NEXT_OUTINGS)}</p>}
    </fieldset>
  );
}

function Times({ choice, onChange }: { choice: OutingChoice; onChange: (n: number) => void }) {
  return (
    <EntityForm
      label={t.timesOf(choice.name)}
      schema={nextSettings.shape.outings.element}
      value={{ of: choice.of, key: choice.key, timesAYear: choice.timesAYear ?? 1 }}
      onValid={({ timesAYear }) => onChange(timesAYear)}
    >
      <div className="w-32">
        <FormNumber
          quiet
          name="timesAYear"
          label={t.timesOf(choice.name)}
          unit={t.aYear}
          wideUnit
        />
      </div>
    </EntityForm>
  );
}
