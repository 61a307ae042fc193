'use client';

import { useMemo } from 'react';
import { type ProfileKey, PROFILES, withProfile } from '@/core/brief';
import { itemsWithoutBodies } from '@/core/gear';
import type { LineupQuestion, LineupResult } from '@/core/lineup';
import { type OutingFile, takeLineup } from '@/document';
import { MiniScore, scoreOf } from '@/parts/score';
import { useAnswerTo, useFile, useSelection } from '@/session';
import {
  about,
  formatWeight,
  itemsText,
  lineupText,
  moneyWithin,
  namesOf,
  plainList,
  PROFILE_NAMES,
  weightWithin,
} from '@/text';
import { Button } from '@/ui';

const t = lineupText.compare;

/** Width of a score and of its names, px. */
const WIDTH = 960;
const NAMES = 150;
/** In the address: the style of this key, not items. */
const STYLE = 'style:';

/** The button that lays a lineup, or a style's, over the one in sight. */
export function CompareButton({
  what,
  name,
}: {
  readonly what: { readonly itemIds: readonly string[] } | { readonly style: ProfileKey };
  readonly name: string;
}) {
  const [shown, show] = useSelection('with');
  const key = 'style' in what ? `${STYLE}${what.style}` : what.itemIds.join();
  return (
    <Button
      aria-label={t.compareWith(name)}
      aria-pressed={shown === key}
      disabled={key === ''}
      onClick={() => show(shown === key ? null : key)}
    >
      {t.compare}
    </Button>
  );
}

/** Two lineups as scores on one axis, one above the other, with what changes marked. */
export function CompareScores({ now }: { readonly now: LineupResult }) {
  const file = useFile();
  const [shown, show] = useSelection('with');
  const asked = useMemo(() => askedBy(file, shown), [file, shown]);
  const { result, isOld, hasFailed } = useAnswerTo(asked);
  const other = isOld ? null : result;
  const isPossible = other !== null && other.status !== 'impossible';
  if (shown === null || asked === null) return null;
  return (
    <section
      aria-label={t.title}
      data-testid="two-scores"
      className="mb-6 space-y-3 border-y border-ink py-3"
    >
      <div className="flex items-start justify-between gap-4">
        <h2 className="text-lg">
          {isPossible
            ? differenceText(now, other, file)
            : other
              ? t.impossible
              : hasFailed
                ? t.failed
                : t.working}
        </h2>
        <Button onClick={() => show(null)}>{t.close}</Button>
      </div>
      {isPossible && (
        <>
          <p className="text-[13px] text-soft">{t.legend}</p>
          <Both now={now} other={other} title={titleOf(shown, file)} />
        </>
      )}
    </section>
  );
}

function Both({
  now,
  other,
  title,
}: {
  readonly now: LineupResult;
  readonly other: LineupResult;
  readonly title: string;
}) {
  const file = useFile();
  const name = namesOf(file);
  const plot = WIDTH - NAMES - 10;
  const own = scoreOf(now, file, plot);
  const beside = scoreOf(other, file, plot, own);
  const sides = [
    [t.now, scoreOf(now, file, plot, beside), now, other],
    [title, beside, other, now],
  ] as const;
  return sides.map(([head, score, result, against]) => (
    <figure key={head}>
      <figcaption className="text-[13px]">
        <b>{head}</b> <span className="text-soft">{totalsText(result, file)}</span>
      </figcaption>
      <MiniScore
        score={score}
        name={name}
        label={t.scoreOf(head)}
        width={WIDTH}
        names={NAMES}
        isNew={(id) => against.lineup.lensIds.every((other) => other !== id)}
        isLost={(id) => isCovered(result, id) && !isCovered(against, id)}
      />
    </figure>
  ));
}

const isCovered = ({ frames }: LineupResult, id: string) =>
  frames.some((f) => f.frameId === id && f.state !== 'lost');

/** What is asked beside the outing: its style changed, or these items and no others. */
function askedBy(file: OutingFile, shown: string | null): LineupQuestion | null {
  if (shown === null) return null;
  const style = styleOf(shown);
  if (style) return { ...file, limits: withProfile(file.limits, style) };
  const known = new Set<string>(itemsWithoutBodies(file.shelf).map(({ id }) => id));
  const ids = shown.split(',').filter((id) => known.has(id));
  return ids.length > 0 ? takeLineup(ids)(file) : null;
}

const styleOf = (shown: string) =>
  PROFILES.find(({ key }) => shown === `${STYLE}${key}`)?.key ?? null;

function titleOf(shown: string, file: OutingFile): string {
  const style = styleOf(shown);
  return style ? PROFILE_NAMES[style] : plainList(shown.split(',').map(namesOf(file)));
}

function totalsText({ lineup, totals, status }: LineupResult, { outing }: OutingFile): string {
  return plainList([
    itemsText(lineup, totals.lenses),
    weightWithin(totals.weightG, totals.weightErrorG),
    moneyWithin(totals.price, totals.priceError, outing.currency),
    ...(status === 'best-found' ? [lineupText.styles.bestFoundSoFar] : []),
  ]);
}

/** What the other lineup loses and covers besides, and how much it weighs and costs more. */
function differenceText(now: LineupResult, other: LineupResult, file: OutingFile): string {
  const name = namesOf(file);
  const only = (a: LineupResult, b: LineupResult) =>
    a.frames
      .filter((f) => isCovered(a, f.frameId) && !isCovered(b, f.frameId))
      .map((f) => name(f.frameId));
  const grams = other.totals.weightG - now.totals.weightG;
  return t.difference(
    only(now, other),
    only(other, now),
    grams === 0
      ? ''
      : t.weight(
          about(
            formatWeight(Math.abs(grams)),
            now.totals.weightErrorG + other.totals.weightErrorG > 0,
          ),
          grams > 0,
        ),
  );
}
