'use client';

import Link from 'next/link';
import { isAway } from '@/core/gear';
import type { Frame } from '@/core/brief';
import type {
  Freeing,
  FrameResult,
  KeptOut,
  LensOut,
  LineupQuestion,
  LineupResult,
  WayOut,
} from '@/core/lineup';
import {
  formatCrop,
  formatDistances,
  formatIso,
  LIMIT_TEXTS,
  OWNERSHIPS,
  stackName,
  lineupText,
  namesOf,
  positionTexts,
  plainList,
  shortfallText,
  WANTS,
  listOf,
  anyOf,
  ONCE_REASONS,
} from '@/text';
import { freeFrame, type OutingFile } from '@/document';
import { useEdit, useFile } from '@/session';
import { Button } from '@/ui';
import { useFreeings } from './useVerdicts';
import { type FrameState as MarkedState, StateMark, viewHref } from '@/parts';
import { memberText } from './ConflictText';

const t = lineupText.notGot;

/** The pictures that the lineup leaves, with the nearest miss and what it lacks. */
export function NotGot({
  result,
  question,
  most = Infinity,
}: {
  result: LineupResult;
  question: LineupQuestion;
  /** Pictures told here; the rest stands in the view of all pictures. */
  most?: number;
}) {
  const file = useFile();
  const name = namesOf(file);
  const hasLenses = file.shelf.lenses.length > 0;
  const lost = result.frames.filter((f) => f.state === 'lost' || f.state === 'once');
  if (lost.length === 0) return null;
  return (
    <section aria-labelledby="not-got">
      <h2 id="not-got" className="mb-1 text-lg">
        {lost.some((f) => f.state === 'once') ? t.notCoveredAsAsked : t.notCovered}
      </h2>
      <ul>
        {lost.slice(0, most).map((frame) => (
          <li key={frame.frameId} className="border-b border-hair py-1.5">
            <StateMark state={stateOf(frame)} />{' '}
            <span className="font-semibold">{name(frame.frameId)}</span>{' '}
            <span className="text-soft">{WANTS[frame.want]}</span>
            <span className="block text-[13px]">
              {frame.kept === null
                ? whyNot(frame, result, hasLenses, name)
                : keptText(frame, frame.kept, file, name)}
            </span>
            <WaysOut frame={frame} result={result} question={question} name={name} />
          </li>
        ))}
      </ul>
      {lost.length > most && (
        <Link prefetch={false} className="underline" href={viewHref('/lineup', 'pictures')}>
          {lineupText.lineupPage.andMoreNotCovered(lost.length - most)}
        </Link>
      )}
    </section>
  );
}

/** What would free a lost must, each by a click; undone as any edit. */
function WaysOut({
  frame,
  result,
  question,
  name,
}: {
  frame: FrameResult;
  result: LineupResult;
  question: LineupQuestion;
  name: (id: string) => string;
}) {
  const ways = useFreeings(question, result, frame);
  const edit = useEdit();
  const { currency } = useFile().outing;
  const wanted = question.frames.find((f) => f.id === frame.frameId);
  return (
    <span className="mt-1 flex flex-wrap gap-2 print:hidden">
      {ways.map((way) => (
        <Button key={JSON.stringify(way)} onClick={() => edit(freeFrame(way, frame.frameId))}>
          {freeingText(way, wanted, name, currency)}
        </Button>
      ))}
      <Link
        prefetch={false}
        className="self-center text-[13px] underline"
        href={`/brief?frame=${encodeURIComponent(frame.frameId)}`}
      >
        {t.changeThePicture}
      </Link>
      {frame.impossible.length > 0 && (
        <Link prefetch={false} className="self-center text-[13px] underline" href="/next">
          {t.seeWhatWouldHelp}
        </Link>
      )}
    </span>
  );
}

function freeingText(
  way: Freeing,
  frame: Frame | undefined,
  name: (id: string) => string,
  currency: string,
): string {
  switch (way.kind) {
    case 'limit':
      return t.raiseTo(LIMIT_TEXTS[way.key].label, LIMIT_TEXTS[way.key].figure(way.to, currency));
    case 'changes':
      return t.allowChanges(way.stretchId === null ? null : name(way.stretchId));
    case 'source':
      return t.allowGear(OWNERSHIPS[way.source]);
    case 'unlock':
      return t.freeLens(name(way.lensId));
    case 'iso':
      return t.acceptIso(formatIso(way.to));
    case 'crop':
      return t.acceptCrop(formatCrop(way.to));
    case 'distance': {
      const need = frame?.need.kind === 'subject' ? frame.need : { fromM: 1, toM: 1 };
      return t.moveTo(formatDistances(need.fromM * way.times, need.toM * way.times));
    }
  }
}

function stateOf({ state, nearest }: FrameResult): MarkedState {
  return state === 'lost' && nearest?.shortfall?.code === 'too-slow' ? 'slow' : state;
}

function whyNot(
  frame: FrameResult,
  result: LineupResult,
  hasLenses: boolean,
  name: (id: string) => string,
): string {
  return frame.once === null ? whyLost(frame, result, hasLenses, name) : ONCE_REASONS[frame.once];
}

/** What keeps the lenses out that would cover a wanted picture. */
function whyOut(reasons: readonly LensOut['reason'][]): string {
  if (reasons.includes('earns-too-little')) return t.noLensAddsEnoughOf;
  return t.yourLimitsLeaveNoRoom;
}

/** What keeps a must lost, in terms of its stretch, and each way out. */
function keptText(
  frame: FrameResult,
  { members, waysOut }: KeptOut,
  file: OutingFile,
  name: (id: string) => string,
): string {
  const { stretches, outing, shelf } = file;
  const { frameId } = frame;
  const cameras = shelf.bodies.filter(
    (b) => !isAway(b.ownership) && b.ownership !== 'wished',
  ).length;
  const reasons = members.flatMap((m) => {
    if (m.kind === 'frame') return m.frameId === frameId ? [] : [t.youAlsoWant(name(m.frameId))];
    if (m.kind !== 'noChange') return [memberText(m, name, outing.currency)];
    const stretch = stretches.find((s) => s.id === m.stretchId);
    if (!stretch) return [t.lensesCantBeChanged];
    return [
      stretch.allowed.bags
        ? t.lensesCantBeChangedIn(stretch.name, cameras)
        : t.bagsArentAllowedSoLenses(stretch.name),
    ];
  });
  const ways = waysOut.map((w) => wayText(w, name, outing.currency));
  const because = listOf([...reasons, ...partsCovered(frame, name)]);
  const help = ways.join('; or ');
  if (frame.state === 'once')
    return help ? t.coveredOnceBecauseButHelped(because, help) : t.coveredOnceBecause(because);
  return help ? t.leftOutBecauseButHelped(because, help) : t.leftOutBecause(because);
}

/** What the lineup covers of a picture that it loses. */
function partsCovered(
  { covers, missing, unit }: FrameResult,
  name: (id: string) => string,
): string[] {
  const parts = covers.filter((c) => c.code === 'part');
  const places = positionTexts(unit, [...parts.map((c) => c.ranges), missing]);
  return parts.map((c, i) => t.coversOnly(stackName(c, name), places[i] ?? ''));
}

function wayText(way: WayOut, name: (id: string) => string, currency: string): string {
  const where = 'stretchId' in way && way.stretchId !== null ? name(way.stretchId) : null;
  switch (way.kind) {
    case 'raise':
      return t.changeThisLimit(memberText(way.member, name, currency));
    case 'changes':
      return t.allowALensChange(where);
    case 'body':
      return t.oneMoreCamera(where, listOf(way.stacks.map((s) => stackName(s, name))));
    case 'without':
      return t.giveUp(anyOf(way.frameIds.map(name)));
  }
}

/** Lenses named before the rest is only counted. */
const NAMED = 4;

function whyLost(
  frame: FrameResult,
  { lensesOut, notes }: LineupResult,
  hasLenses: boolean,
  name: (id: string) => string,
): string {
  if (frame.noStation !== null) return t.noStation[frame.noStation];
  const [places = ''] = positionTexts(frame.unit, [frame.impossible]);
  const miss = frame.nearest;
  const setup = miss ? t.on(stackName(miss, name), name(miss.bodyId)) : '';
  if (frame.impossible.length === 0) {
    const covered = lensesOut.filter(
      (l) => l.makes.includes(frame.frameId) && l.reason !== 'source',
    );
    const who = covered.slice(0, NAMED).map((l) => name(l.lensId));
    return t.but(
      who.length > 0
        ? covered.length > NAMED
          ? t.andMoreCouldCoverIt(plainList(who), covered.length - NAMED)
          : t.couldCoverIt(plainList(who))
        : t.yourGearCouldCoverIt,
      frame.want === 'bonus' ? t.aBonusNeverAddsA : whyOut(covered.map((l) => l.reason)),
    );
  }
  if (!miss) {
    if (notes.every((n) => n.code !== 'no-lenses')) return t.noneOfYourLensesFits;
    return lineupText.noLens(hasLenses);
  }
  const lack = miss.shortfall ? shortfallText(miss.shortfall) : t.coversIt;
  return frame.unit === 'm' ? t.nearestAndNothingAt(setup, lack, places) : t.nearest(setup, lack);
}
