'use client';

import type { LineupQuestion, WorthKnowing as Found } from '@/core/lineup';
import { useBackground } from '@/session';
import { Button, Looking } from '@/ui';
import { FigureRow } from './FigureRow';
import { counted, lineupText } from '@/text';
import { findWorthKnowing } from '@/workers/backgroundClient';

const t = lineupText.worthKnowing;

/** The fewest unknown figures that could change the lineup, each filled in where it stands; looked for when asked. */
export function WorthKnowing({ question }: { question: LineupQuestion }) {
  const { state, start, stop } = useBackground<Found>(question);
  return (
    <section aria-labelledby="worth">
      <h2 id="worth" className="mb-1 text-lg">
        {t.worthWeighing}
      </h2>
      {state.kind === 'idle' && (
        <p className="flex flex-wrap items-center gap-3">
          {t.theUnknownFiguresThatCould}
          <Button onClick={() => start((report) => findWorthKnowing(question, report))}>
            {t.findThem}
          </Button>
        </p>
      )}
      {state.kind === 'looking' && (
        <Looking label={t.tryingWhatTheUnknownFigures} done={state.done} onStop={stop} />
      )}
      {state.kind === 'failed' && <p className="text-wrong">{t.couldntWorkItOut(state.message)}</p>}
      {state.kind === 'found' && <Figures found={state.found} />}
    </section>
  );
}

function Figures({ found: { figures, together, unknown, complete } }: { found: Found }) {
  const listed = figures.length > 0 ? figures : together;
  return (
    <div className="space-y-3">
      <p>
        {unknown === 0 && t.everyFigureThatCountsIs}
        {unknown > 0 &&
          listed.length === 0 &&
          t.unknownButNoneCanChange(counted(unknown, 'figureIs'))}
        {figures.length > 0 &&
          t.ofUnknownFiguresCouldChange(
            figures.length,
            unknown,
            figures.length > 1 ? t.eachByItself : '',
          )}
        {together.length > 0 && t.noneOfUnknownFiguresCould(unknown)}
        {!complete && <> {t.notAllOfThemCould}</>}
      </p>
      <ul>
        {listed.map((figure) => (
          <FigureRow key={`${figure.itemId}.${figure.field}`} figure={figure} />
        ))}
      </ul>
    </div>
  );
}
