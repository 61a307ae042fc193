'use client';

import { lineupText, namesOf } from '@/text';
import { useAnswer } from '@/session';
import { Ranges } from '@/parts';
import { Score } from './Score';
import { Sharing } from './Sharing';
import { LimitsPanel } from './LimitsPanel';
import { Headline, LineupTable } from './LineupTable';
import { Matrix } from './Matrix';
import { NotGot } from './NotGot';
import { OutTable } from './OutTable';
import { ProofText } from './ProofText';
import { OtherLineups } from './OtherLineups';
import { Profiles } from './Profiles';
import { RoomForError } from './RoomForError';
import { WorthKnowing } from './WorthKnowing';

const t = lineupText.lineupPage;

export function LineupPage() {
  const { result, question } = useAnswer();
  return (
    <div className="grid gap-x-8 gap-y-6 pt-4 lg:grid-cols-[minmax(0,1fr)_17rem]">
      <div className="min-w-0 space-y-8">
        {result && question ? (
          <>
            <Headline result={result} />
            {result.status !== 'impossible' && <Score result={result} />}
            <LineupTable result={result} />
            {result.status !== 'impossible' && <ProofText result={result} />}
            <NotGot result={result} question={question} />
            {result.totals.lenses > 0 && <RoomForError question={question} result={result} />}
            <Matrix result={result} question={question} />
            <Sharing result={result} />
            <Ranges result={result} name={namesOf(question)} />
            <div className="space-y-8 print:hidden">
              <WorthKnowing question={question} />
              <Profiles question={question} />
              <OtherLineups question={question} result={result} />
            </div>
            <OutTable result={result} />
          </>
        ) : (
          <p className="text-soft">{t.workingOutTheLineup}</p>
        )}
      </div>
      <aside aria-label={t.limits} className="print:hidden lg:sticky lg:top-2 lg:self-start">
        <LimitsPanel />
      </aside>
    </div>
  );
}
