'use client';

import { type ReactNode, useDeferredValue, useState } from 'react';
import type { Frame } from '@/core/brief';
import {
  AS_DESCRIBED,
  type Change,
  type Fragile,
  type HowWrong,
  type LineupQuestion,
  type LineupResult,
  type Slack,
  WAYS,
} from '@/core/lineup';
import {
  anyOf,
  formatPercent,
  formatStops,
  itemsText,
  lineupText,
  listOf,
  namesOf,
  shortfallText,
  weightWithin,
  workspaceText,
} from '@/text';
import { useBackground, useBegun, useFile } from '@/session';
import { LogSlider, SelectField, TableHead } from '@/ui';
import { StateMark } from '@/parts';
import { findRoom, type RoomAnswer } from '@/workers/backgroundClient';
import { useTurnsOut } from './useVerdicts';

const t = lineupText.room;

interface Asked {
  readonly question: LineupQuestion;
  readonly result: LineupResult;
}

type Room = ReturnType<typeof useRoom>;

/** How wrong light, distances and speeds may be before the lineup loses a picture; worked out for each answer. */
export function useRoom(question: LineupQuestion | null, result: LineupResult | null) {
  const { state, start } = useBackground<RoomAnswer>(result);
  useBegun(() => {
    if (question && result && result.totals.lenses > 0)
      start((report) => findRoom(question, result, report));
  }, result);
  return state;
}

/** The pictures that are lost soonest, and what would still cover them. */
export function FragilePictures({ question, room }: { question: LineupQuestion; room: Room }) {
  const name = namesOf(useFile());
  return (
    <section aria-labelledby="room">
      <h2 id="room" className="mb-1 text-lg">
        {t.title}
      </h2>
      <Awaited room={room}>
        {({ all, fragile, without }) => (
          <div className="space-y-2">
            {without && <p>{reserveText(question, without)}</p>}
            {!all.complete && <p>{t.onlySome}</p>}
            {fragile.length === 0 && all.complete && <p>{t.nothingFragile}</p>}
            <ul>
              {fragile.map((f) => (
                <li key={f.frameId} className="border-b border-hair py-1">
                  {fragileText(f, name)}
                </li>
              ))}
            </ul>
          </div>
        )}
      </Awaited>
    </section>
  );
}

/** Each picture's room, and one picture whose light, distance and speed can be moved. */
export function RoomForError({ question, result, room }: Asked & { readonly room: Room }) {
  const name = namesOf(useFile());
  return (
    <section aria-label={t.title}>
      <Awaited room={room}>
        {({ all, fragile }) => (
          <div className="space-y-3">
            <WhatIf question={question} result={result} first={fragile[0]?.frameId ?? null} />
            <details>
              <summary className="cursor-pointer text-[13px] text-soft">{t.allPictures}</summary>
              <AllPictures frames={all.frames} name={name} />
            </details>
          </div>
        )}
      </Awaited>
    </section>
  );
}

function Awaited({
  room,
  children,
}: {
  readonly room: Room;
  readonly children: (found: RoomAnswer) => ReactNode;
}) {
  if (room.kind === 'failed') return <p className="text-wrong">{t.couldnt(room.message)}</p>;
  if (room.kind !== 'found') return <p className="text-soft">{t.working}</p>;
  return children(room.found);
}

function reserveText({ limits }: LineupQuestion, without: LineupResult): string {
  const { lightStops, distancePercent } = limits.reserve;
  const { totals, lineup } = without;
  const kept = listOf([
    ...(lightStops > 0 ? [t.stopsOfLight(formatStops(lightStops))] : []),
    ...(distancePercent > 0 ? [t.percentOfDistance(formatPercent(distancePercent))] : []),
  ]);
  const musts = workspaceText.standingLine.of(
    totals.musts.got,
    totals.musts.of,
    workspaceText.standingLine.musts,
    totals.musts.once,
  );
  const weight = weightWithin(totals.weightG, totals.weightErrorG);
  return `${t.inReserve(kept)} ${t.without(itemsText(lineup, totals.lenses), weight, musts)}`;
}

/** How much that is, in its own unit. */
function amountText({ way, holds }: Slack): string {
  switch (way) {
    case 'darker':
      return formatStops(holds.stopsLess);
    case 'nearer':
      return formatPercent(100 * (1 - holds.distance));
    case 'farther':
      return moreText(holds.distance);
    case 'faster':
      return moreText(holds.speed);
  }
}

/** Up to twice as much in percent, beyond that as so many times. */
const moreText = (times: number) =>
  times < 2 ? formatPercent(100 * (times - 1)) : t.times(String(Number(times.toPrecision(2))));

/** Rounds to nothing: any change at all is too much. */
const isNone = ({ usualErrors }: Slack) => usualErrors < 0.05;

/** Lenses named before the rest is left out. */
const NAMED = 2;

function fragileText({ frameId, slack, instead }: Fragile, name: (id: string) => string): string {
  const lost = isNone(slack)
    ? t.lostIfAny[slack.way](name(frameId))
    : t.lostIf[slack.way](name(frameId), amountText(slack));
  const lenses = instead.slice(0, NAMED).map(name);
  return `${lost}; ${lenses.length > 0 ? t.wouldThenCover(anyOf(lenses)) : t.nothingWould}.`;
}

function AllPictures({
  frames,
  name,
}: {
  frames: readonly HowWrong[];
  name: (id: string) => string;
}) {
  return (
    <table className="mt-1 border-collapse">
      <TableHead heads={[t.picture, ...WAYS.map((way) => t.ways[way])]} />
      <tbody>
        {frames.map(({ frameId, slacks }) => (
          <tr key={frameId} className="border-b border-hair">
            <th scope="row" className="py-1 pr-6 text-left font-normal">
              {name(frameId)}
            </th>
            {WAYS.map((way) => {
              const slack = slacks.find((s) => s.way === way);
              return (
                <td key={way} className="py-1 pr-6 whitespace-nowrap">
                  {slack ? amountText(slack) : '–'}
                </td>
              );
            })}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

/** How far the sliders go, as quotients of what is described. */
const LIGHT = [1 / 16, 4] as const;
const DISTANCE = [1 / 3, 3] as const;
const SPEED = [1 / 4, 8] as const;

/** One picture with its light, distance and speed to move, and what becomes of it. */
function WhatIf({ question, result, first }: Asked & { first: string | null }) {
  const frames = question.frames;
  const [chosen, setChosen] = useState<string | null>(null);
  const [change, setChange] = useState<Change>(AS_DESCRIBED);
  const frame = frames.find((f) => f.id === (chosen ?? first)) ?? frames[0];
  if (!frame) return null;
  return (
    <fieldset className="max-w-xl border-y border-hair py-2">
      <legend className="text-[12px] text-soft">{t.whatIf}</legend>
      <SelectField
        label={t.picture}
        value={frame.id as string}
        options={frames.map((f) => [f.id as string, f.name] as const)}
        onChange={(id) => {
          setChosen(id);
          setChange(AS_DESCRIBED);
        }}
      />
      {frame.light.source.kind !== 'none' && (
        <LogSlider
          wide
          label={t.light}
          from={LIGHT[0]}
          to={LIGHT[1]}
          value={2 ** -change.stopsLess}
          show={(times) => lightText(-Math.log2(times))}
          onChange={(times) => setChange({ ...change, stopsLess: -Math.log2(times) })}
        />
      )}
      <LogSlider
        wide
        label={t.distance}
        from={DISTANCE[0]}
        to={DISTANCE[1]}
        value={change.distance}
        show={distanceText}
        onChange={(distance) => setChange({ ...change, distance })}
      />
      {frame.light.movement !== null && (
        <LogSlider
          wide
          label={t.speed}
          from={SPEED[0]}
          to={SPEED[1]}
          value={change.speed}
          show={(times) => t.times(String(Number(times.toPrecision(2))))}
          onChange={(speed) => setChange({ ...change, speed })}
        />
      )}
      <Becomes question={question} result={result} frame={frame} change={change} />
    </fieldset>
  );
}

const NEARLY_NONE = 0.005;

function lightText(stopsLess: number): string {
  if (Math.abs(stopsLess) < NEARLY_NONE) return t.asDescribed;
  return stopsLess > 0 ? t.stopsLess(formatStops(stopsLess)) : t.stopsMore(formatStops(stopsLess));
}

function distanceText(times: number): string {
  if (Math.abs(times - 1) < NEARLY_NONE) return t.asDescribed;
  return times < 1
    ? t.percentNearer(formatPercent(100 * (1 - times)))
    : t.percentFarther(formatPercent(100 * (times - 1)));
}

function Becomes({ question, result, frame, change }: Asked & { frame: Frame; change: Change }) {
  const name = namesOf(useFile());
  const { got, shortfall, instead } = useTurnsOut(
    question,
    result,
    frame,
    useDeferredValue(change),
  );
  const lenses = instead.slice(0, NAMED).map(name);
  return (
    <p role="status" className="pt-1">
      <StateMark state={got ? 'clear' : 'lost'} />{' '}
      {got ? t.stillCovered : t.notCovered(shortfall ? shortfallText(shortfall) : '')}
      {!got && lenses.length > 0 && ` ${t.wouldCover(anyOf(lenses))}`}
    </p>
  );
}
