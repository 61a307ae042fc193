'use client';

import Link from 'next/link';
import type { ReactNode } from 'react';
import type { LineupQuestion, LineupResult } from '@/core/lineup';
import { lineupText, namesOf } from '@/text';
import { useAnswer, useSelection } from '@/session';
import { Ranges, viewHref, Views } from '@/parts';
import { Answer } from './Answer';
import { CompareScores } from './CompareScores';
import { LimitsPanel } from './LimitsPanel';
import { Headline, LineupTable } from './LineupTable';
import { Matrix } from './Matrix';
import { NotGot } from './NotGot';
import { Breaks, OtherLineups, useAlternatives } from './OtherLineups';
import { OutTable } from './OutTable';
import { Profiles } from './Profiles';
import { ProofText } from './ProofText';
import { RangesDrawn } from './RangesDrawn';
import { FragilePictures, RoomForError, useRoom } from './RoomForError';
import { Score } from './Score';
import { WorthKnowing } from './WorthKnowing';

const t = lineupText.lineupPage;

/** Pictures that aren't covered, told on the first view. */
const FIRST_LOST = 3;

export function LineupPage() {
  const { result, question } = useAnswer();
  const selection = useSelection('view');
  const room = useRoom(question, result);
  const alternatives = useAlternatives(question);
  const isBare = question?.frames.length === 0 || question?.shelf.lenses.length === 0;
  /** What compares lineups, where there is something to choose from. */
  const compared = (view: ReactNode) => (isBare ? <Answer>{t.nothingToCompare}</Answer> : view);
  return (
    <div className="grid gap-x-8 gap-y-6 pt-4 lg:grid-cols-[minmax(0,1fr)_17rem]">
      <div className="min-w-0">
        {result && question ? (
          <>
            <Headline result={result} />
            <Views
              of="/lineup"
              label={lineupText.views.label}
              first="choice"
              selection={selection}
              onPaper={['choice', 'pictures', 'ranges', 'out']}
              contents={{
                choice: <Choice {...{ result, question, room }} />,
                pictures: <Pictures {...{ result, question, room }} />,
                ranges: <RangesView {...{ result, question }} />,
                styles: compared(
                  <>
                    <CompareScores now={result} />
                    <Profiles question={question} />
                  </>,
                ),
                alternatives: compared(
                  <>
                    <CompareScores now={result} />
                    <OtherLineups search={alternatives} result={result} />
                  </>,
                ),
                breaks: compared(<Breaks search={alternatives} />),
                out: <OutTable result={result} />,
              }}
            />
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

interface Asked {
  readonly result: LineupResult;
  readonly question: LineupQuestion;
}

interface WithRoom extends Asked {
  readonly room: ReturnType<typeof useRoom>;
}

/** What to take, why fewer aren't enough, and what may go wrong with it. */
function Choice({ result, question, room }: WithRoom) {
  const isPossible = result.status !== 'impossible';
  return (
    <div className="space-y-6 max-sm:space-y-4">
      {isPossible && <Score result={result} />}
      <NotGot result={result} question={question} most={FIRST_LOST} />
      <LineupTable result={result} />
      <div className="grid gap-x-8 gap-y-6 xl:grid-cols-2">
        {isPossible && <ProofText result={result} />}
        {result.totals.lenses > 0 && (
          <div>
            <FragilePictures question={question} room={room} />
            <Link
              prefetch={false}
              className="text-[13px] underline print:hidden"
              href={viewHref('/lineup', 'pictures')}
            >
              {t.tryOther}
            </Link>
          </div>
        )}
      </div>
      <div className="print:hidden">
        <WorthKnowing question={question} />
      </div>
    </div>
  );
}

/** How each lens covers each picture, and how wrong what was said of it may be. */
function Pictures({ result, question, room }: WithRoom) {
  const covered = result.frames.filter((f) => f.state !== 'lost');
  const cropped = covered.filter((f) => f.state === 'crop');
  return (
    <div className="space-y-6">
      <Answer>
        {result.frames.length === 0
          ? t.noPictures
          : t.covered(covered.length, result.frames.length, cropped.length)}
      </Answer>
      <NotGot result={result} question={question} />
      <Matrix result={result} question={question} />
      {result.totals.lenses > 0 && (
        <div className="print:hidden">
          <RoomForError {...{ question, result, room }} />
        </div>
      )}
    </div>
  );
}

/** Where the lineup's ranges leave a gap, and where two of them lie over each other. */
function RangesView({ result, question }: Asked) {
  if (result.lineup.lensIds.length === 0) return <Answer>{t.noLenses}</Answer>;
  const costing = result.gaps.filter((gap) => gap.lostFrameIds.length > 0).length;
  return (
    <div className="space-y-4">
      <Answer>{t.ranges(result.gaps.length, costing, result.overlaps.length)}</Answer>
      <RangesDrawn result={result} />
      <Ranges result={result} name={namesOf(question)} />
    </div>
  );
}
