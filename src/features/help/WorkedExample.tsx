'use client';

import { useMemo, useState } from 'react';
import type { LineupResult } from '@/core/lineup';
import { useAnswerTo } from '@/session';
import { StateMark } from '@/parts';
import { MiniScore, scoreOf } from '@/parts/score';
import {
  formatFocalRange,
  formatMetres,
  helpText,
  listOf,
  namesOf,
  plainList,
  proofText,
  shortfallText,
} from '@/text';
import { LogSlider, TableHead } from '@/ui';
import { MOVED, workedOuting } from './examples';

const t = helpText.worked;

const NEAREST_M = 1.5;
const FARTHEST_M = 12;
const FIRST_M = 4.5;
/** Width of the score and of its names, px. */
const WIDTH = 600;
const NAMES = 110;

/** One choice from wish to proof, by the same search as every page: the reader moves a picture and sees it change. */
export function WorkedExample() {
  const [faceM, setFaceM] = useState(FIRST_M);
  const outing = useMemo(() => workedOuting(faceM), [faceM]);
  const name = namesOf(outing);
  const { result } = useAnswerTo(outing);
  return (
    <section aria-label={t.label} className="max-w-prose space-y-4 border-y border-hair py-4">
      <div>
        <h2 className="text-base">{t.wish}</h2>
        <p>{t.wishes(formatMetres(faceM))}</p>
        <LogSlider
          wide
          label={t.distance}
          from={NEAREST_M}
          to={FARTHEST_M}
          value={faceM}
          show={formatMetres}
          onChange={setFaceM}
        />
      </div>
      {result === null ? (
        <p className="text-soft">{t.working}</p>
      ) : (
        <>
          <div>
            <h2 className="text-base">{t.covers}</h2>
            <Covers outing={outing} result={result} />
          </div>
          <div>
            <h2 className="text-base">{t.choice}</h2>
            <MiniScore
              score={scoreOf(result, outing, WIDTH - NAMES)}
              name={name}
              width={WIDTH}
              names={NAMES}
              label={t.score(result.totals.lenses)}
            />
            <p role="status">
              {t.take(
                listOf(
                  outing.shelf.lenses
                    .filter((l) => result.lineup.lensIds.includes(l.id))
                    .map((l) => l.name),
                ),
                t.musts(result.totals.musts.got, result.totals.musts.of),
              )}{' '}
              {lostText(result)}
            </p>
          </div>
          <div>
            <h2 className="text-base">{t.proof}</h2>
            <p>{proofText(result.proof, result.totals)}</p>
            {result.proof.kind !== 'none' && (
              <ul className="list-inside list-disc">
                {result.proof.witnesses.map((w) => (
                  <li key={w.frameId}>
                    {name(w.frameId)}: {plainList(w.lensIds.map(name))}
                  </li>
                ))}
              </ul>
            )}
          </div>
        </>
      )}
    </section>
  );
}

function lostText({ frames }: LineupResult): string {
  const lack = frames.find((f) => f.frameId === MOVED && f.state === 'lost')?.nearest?.shortfall;
  return lack ? t.nothing(shortfallText(lack)) : '';
}

/** Which lens covers which picture by itself. */
function Covers({
  outing: { frames, shelf },
  result,
}: {
  readonly outing: ReturnType<typeof workedOuting>;
  readonly result: LineupResult;
}) {
  const covers = (lensId: string, frameId: string) =>
    result.lensesOut.some((l) => l.lensId === lensId && l.makes.some((id) => id === frameId)) ||
    result.frames.some((f) => f.frameId === frameId && f.covers.some((c) => c.lensId === lensId));
  return (
    <table className="w-full border-collapse">
      <TableHead
        heads={[
          t.picture,
          ...shelf.lenses.map((lens) =>
            t.lens(lens.name, formatFocalRange(lens.focal.wideMm, lens.focal.longMm)),
          ),
        ]}
      />
      <tbody>
        {frames.map((frame) => (
          <tr key={frame.id} className="border-b border-hair">
            <th scope="row" className="py-1 text-left font-normal">
              {frame.name}
            </th>
            {shelf.lenses.map((lens) => (
              <td key={lens.id} className="py-1">
                <StateMark state={covers(lens.id, frame.id) ? 'clear' : 'lost'} />
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
  );
}
