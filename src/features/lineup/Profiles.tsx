'use client';

import { useMemo, useState } from 'react';
import { type ProfileKey, profileOf, PROFILES, withProfile } from '@/core/brief';
import type { LineupQuestion, LineupResult } from '@/core/lineup';
import {
  itemsText,
  buySteps,
  counted,
  moneyWithin,
  formatPercent,
  weightWithin,
  idsIn,
  stackName,
  lineupText,
  namesOf,
  priceSteps,
  PROFILE_NAMES,
  type Step,
  wantsSteps,
  weightSteps,
} from '@/text';
import { type OutingFile, setLimits } from '@/document';
import { useEdit, useBackground, useBegun, useFile } from '@/session';
import { Button, Looking } from '@/ui';
import { StateMark, Figure } from '@/parts';
import { Answer } from './Answer';
import { CompareButton } from './CompareScores';
import { compareProfiles, type ProfileAnswer } from '@/workers/backgroundClient';

const t = lineupText.styles;

const FIRST: readonly ProfileKey[] = [
  'fewestLightest',
  'oneZoomNeverChange',
  'constantZooms',
  'smallFastPrimes',
  'twoBodiesNeverChange',
];

/** What people who choose differently would take, side by side: lineups as columns, pictures as rows. */
export function Profiles({ question }: { question: LineupQuestion }) {
  const [keys, setKeys] = useState<readonly ProfileKey[]>(FIRST);
  const { state, start, stop } = useBackground<readonly ProfileAnswer[]>(question);
  const turn = (key: ProfileKey) =>
    setKeys(PROFILES.map((p) => p.key).filter((k) => keys.includes(k) !== (k === key)));
  const begin = () => {
    if (keys.length > 0) start((report) => compareProfiles(question, keys, report));
  };
  const asked = useMemo(() => ({ question, keys }), [question, keys]);
  useBegun(begin, asked);
  return (
    <section aria-label={t.stylesSideBySide}>
      {state.kind === 'found' && <Answer>{answerText(state.found)}</Answer>}
      <fieldset className="mb-3 flex flex-wrap gap-x-5">
        <legend className="sr-only">{t.stylesToCompare}</legend>
        {PROFILES.map(({ key }) => (
          <label key={key} className="flex min-h-7 pointer-coarse:min-h-[44px] items-center gap-2">
            <input type="checkbox" checked={keys.includes(key)} onChange={() => turn(key)} />
            {PROFILE_NAMES[key]}
          </label>
        ))}
      </fieldset>
      {keys.length === 0 && <p>{t.chooseSome}</p>}
      {keys.length > 0 && state.kind === 'idle' && <Button onClick={begin}>{t.compareThem}</Button>}
      {state.kind === 'looking' && (
        <Looking label={t.workingOutEachStyle} done={state.done} onStop={stop} />
      )}
      {state.kind === 'failed' && (
        <p className="text-wrong">{t.couldntWorkThemOut(state.message)}</p>
      )}
      {keys.length > 0 && state.kind === 'found' && <SideBySide answers={state.found} />}
    </section>
  );
}

/** How many of them cover every must, and with how many lenses. */
function answerText(answers: readonly ProfileAnswer[]): string {
  const full = answers
    .map(({ result }) => result)
    .filter(
      ({ status, totals }) => status !== 'impossible' && totals.musts.got === totals.musts.of,
    );
  const lenses = full.map(({ totals }) => totals.lenses);
  return t.coverMusts(
    full.length,
    answers.length,
    t.lensesFromTo(Math.min(...lenses), Math.max(...lenses)),
  );
}

function SideBySide({ answers }: { answers: readonly ProfileAnswer[] }) {
  const file = useFile();
  const edit = useEdit();
  const name = namesOf(file);
  const current = profileOf(file.limits);
  return (
    <div
      className="relative overflow-x-auto"
      tabIndex={0}
      role="region"
      aria-label={t.lineupsSideBySide}
    >
      <table className="w-full border-collapse text-[13px]" data-testid="profiles">
        <thead>
          <tr className="border-b border-ink text-left align-bottom">
            <th scope="col" className="py-1 pr-4 text-[12px] font-normal text-soft">
              {t.picture}
            </th>
            {answers.map(({ key, result }) => (
              <th key={key} scope="col" className="min-w-36 py-1 pr-4 align-top font-normal">
                <span className="block font-semibold">{PROFILE_NAMES[key]}</span>
                {result.lineup.lensIds.map((id) => (
                  <span key={id} className="block text-got">
                    {name(id)}
                  </span>
                ))}
                <span className="block text-soft">
                  {result.status === 'impossible'
                    ? t.limitsConflict
                    : itemsText(result.lineup, result.totals.lenses)}
                </span>
                <span className="block">
                  <CompareButton what={{ style: key }} name={PROFILE_NAMES[key]} />
                </span>
                {current !== key && (
                  <Button
                    aria-label={t.useTheStyle(PROFILE_NAMES[key])}
                    onClick={() => edit(setLimits(withProfile(file.limits, key)))}
                  >
                    {t.useThisStyle}
                  </Button>
                )}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {file.frames.map((frame) => (
            <tr key={frame.id} className="border-b border-hair align-top">
              <th scope="row" className="py-1 pr-4 text-left font-normal">
                {frame.name}
              </th>
              {answers.map(({ key, result }) => (
                <td key={key} className="py-1 pr-4">
                  <Made result={result} frameId={frame.id} name={name} />
                </td>
              ))}
            </tr>
          ))}
          {TOTALS.map(({ label, text, steps }) => (
            <tr key={label} className="border-b border-hair">
              <th scope="row" className="py-1 pr-4 text-left font-normal text-soft">
                {label}
              </th>
              {answers.map(({ key, result }) => (
                <td key={key} className="py-1 pr-4 font-semibold">
                  {steps ? (
                    <Figure
                      label={`${label}, ${PROFILE_NAMES[key]}`}
                      steps={() =>
                        steps({ ...file, limits: withProfile(file.limits, key) }, result)
                      }
                    >
                      {text(result, file.outing.currency)}
                    </Figure>
                  ) : (
                    text(result, file.outing.currency)
                  )}
                </td>
              ))}
            </tr>
          ))}
        </tbody>
      </table>
    </div>
  );
}

interface Total {
  readonly label: string;
  readonly text: (r: LineupResult, currency: string) => string;
  /** The arithmetic behind it, where there is any. */
  readonly steps?: (file: OutingFile, r: LineupResult) => Step[];
}

const TOTALS: readonly Total[] = [
  { label: t.lenses, text: ({ totals }) => counted(totals.lenses, 'lens') },
  { label: t.musts, text: ({ totals }) => t.of(totals.musts.got, totals.musts.of) },
  {
    label: t.wants,
    text: ({ totals }) =>
      t.of2(totals.wants.got, totals.wants.of, formatPercent(totals.wants.sharePercent)),
    steps: wantsSteps,
  },
  {
    label: t.weight,
    text: ({ totals }) => weightWithin(totals.weightG, totals.weightErrorG),
    steps: (file, r) => weightSteps(file, idsIn(r), r.bodies),
  },
  {
    label: t.price,
    text: ({ totals }, currency) => moneyWithin(totals.price, totals.priceError, currency),
    steps: (file, r) => priceSteps(file, idsIn(r)),
  },
  {
    label: t.toBuy,
    text: ({ totals }, currency) => moneyWithin(totals.toBuy, totals.toBuyError, currency),
    steps: (file, r) => buySteps(file, idsIn(r)),
  },
  {
    label: t.certainty,
    text: ({ status }) =>
      ({
        proven: 'proven',
        'best-found': t.bestFoundSoFar,
        impossible: '–',
        unverified: t.notSure,
      })[status],
  },
];

function Made({
  result,
  frameId,
  name,
}: {
  result: LineupResult;
  frameId: string;
  name: (id: string) => string;
}) {
  const standing = result.frames.find((f) => f.frameId === frameId);
  if (!standing) return null;
  const [cover] = standing.covers;
  return (
    <>
      <StateMark state={standing.state} />{' '}
      {standing.state !== 'lost' && cover && stackName(cover, name)}
    </>
  );
}
