'use client';

import { useState } from 'react';
import type { CarryPlan } from '@/core/carry';
import type { AgainstPlan, FrameHad } from '@/core/log';
import { deviceKey, type Log } from '@/core/log';
import type { Shelf } from '@/core/gear';
import { setPacking } from '@/document';
import { useAnswer, useEdit, useFile, usePhotographs } from '@/session';
import { Button, notify, TableHead } from '@/ui';
import { carriedNow, StateMark } from '@/parts';
import {
  dayText,
  digits,
  formatMoment,
  formatPercent,
  formatWeight,
  logText,
  namesOf,
  plainList,
} from '@/text';
import type { OutingAnswer } from '@/workers/logClient';
import { Given } from './Given';
import { cameraName, lensSeenName } from './names';
import { NoneHere } from './NoneHere';
import type { LogWork } from './useLogWork';
import { useOutingAnswer } from './useOutingAnswer';
import { usePlanned } from './usePlanned';
import { Working } from './Working';

const t = logText.against;

/** The photographs of the outing that is open, against what was planned for it. */
export function Against({ work }: { work: LogWork }) {
  const asked = useOutingAnswer(work);
  const { value } = asked;
  const { frames } = work.outing;
  if (!work.ofOuting)
    return work.hasDays ? (
      <Button look="strong" onClick={() => work.setOf('outing')}>
        {logText.page.photographsOf(work.outing.outing.name)}
      </Button>
    ) : (
      <p>{logText.page.noneHere}</p>
    );
  if (frames.length === 0) return <p className="max-w-prose">{t.noFrames}</p>;
  if (value === null || asked.error !== null) return <Working asked={asked} />;
  if (value.against.count === 0) return <NoneHere work={work} />;
  return <Held work={work} answer={value} />;
}

function Held({ work, answer }: { work: LogWork; answer: OutingAnswer }) {
  const { against } = answer;
  return (
    <div className="space-y-8">
      <Clocks work={work} answer={answer} />
      <section aria-labelledby="against" className="space-y-2">
        <h2 id="against" className="text-lg">
          {t.title}
        </h2>
        <p role="status" className="max-w-prose">
          {t.summary(against.count, against.outside.length, against.missed.length)}
        </p>
        <WhatWasCarried />
        <FrameTable work={work} against={against} />
        <p className="max-w-prose text-[12px] text-soft">{t.howGiven}</p>
      </section>
      <div className="grid gap-8 lg:grid-cols-2">
        <Lenses work={work} against={against} />
        <Changes work={work} against={against} />
      </div>
      <section aria-labelledby="outside" className="space-y-2">
        <h2 id="outside" className="text-lg">
          {t.outsideTitle}
        </h2>
        {against.outside.length === 0 ? (
          <p>{t.outsideNone}</p>
        ) : (
          <Given work={work} photos={against.outside} frameId={null} />
        )}
      </section>
    </div>
  );
}

/** Which plan photographs are held against, and the way to keep it or to let it go. */
function WhatWasCarried() {
  const file = useFile();
  const edit = useEdit();
  const { result } = useAnswer();
  const { carried, changes } = usePlanned();
  const name = namesOf(file);
  const keep = () =>
    result && edit(setPacking({ carried: carriedNow(result, changes, new Date()) }));
  return (
    <p className="flex max-w-prose flex-wrap items-center gap-x-3 text-[13px] text-soft">
      {carried
        ? t.heldCarried(dayText(carried.day), plainList(carried.itemIds.map(name)))
        : t.heldNow}
      {carried ? (
        <Button look="quiet" onClick={() => edit(setPacking({ carried: null }))}>
          {t.letGo}
        </Button>
      ) : (
        result && (
          <Button look="quiet" onClick={keep}>
            {t.iCarriedThis}
          </Button>
        )
      )}
    </p>
  );
}

function Clocks({ work, answer }: { work: LogWork; answer: OutingAnswer }) {
  const { log, marks } = usePhotographs(work.keeper);
  const { offset } = logText.clock;
  if (answer.clocks.length === 0) return null;
  const off = (seconds: number) => (seconds >= 0 ? t.slow : t.fast)(offset(seconds));
  return (
    <section aria-labelledby="clocks" className="border-l-2 border-ink pl-3">
      <h2 id="clocks" className="text-lg">
        {t.clockTitle}
      </h2>
      {answer.clocks.map((c) => {
        const camera = log.cameras[c.camera];
        if (!camera) return null;
        const name = cameraName(log, c.camera);
        return (
          <div key={c.camera} className="flex flex-wrap items-center gap-3">
            <p className="max-w-prose">
              {t.clockOff(name, off(c.offsetS), c.inside, c.insideNow, c.count)}{' '}
              <span className="text-soft">{t.clockRange(offset(c.fromS), offset(c.toS))}</span>
            </p>
            <Button
              onClick={() => {
                const before = marks;
                const key = deviceKey(camera);
                const seconds = (marks.clocks[key] ?? 0) + c.offsetS;
                void work.keeper.mark((m) => ({ ...m, clocks: { ...m.clocks, [key]: seconds } }));
                notify(t.clockSet(name, offset(seconds)), {
                  action: {
                    label: t.undo,
                    onClick: () => void work.keeper.mark((m) => ({ ...m, clocks: before.clocks })),
                  },
                });
              }}
            >
              {t.setClock}
            </Button>
          </div>
        );
      })}
    </section>
  );
}

/** Columns, and whether a phone has room for them. */
const HEADINGS = [
  [t.picture, true],
  [t.expected, false],
  [t.had, true],
  [t.photographs, true],
  [t.rated, false],
  [t.cropped, false],
  [t.withLens, false],
] as const;

function FrameTable({ work, against }: { work: LogWork; against: AgainstPlan }) {
  const file = useFile();
  const { log } = usePhotographs(work.keeper);
  const name = namesOf(file);
  const names = groupNames(log, work.view.shelf, against);
  const [opened, setOpened] = useState<string | null>(null);
  const most = Math.max(
    1,
    ...against.frames.map((f) => Math.max(f.hadPercent, f.expectedPercent ?? 0)),
  );
  return (
    <div className="relative overflow-x-auto" tabIndex={0} role="region" aria-label={t.pictures}>
      <table className="w-full border-collapse" data-testid="against">
        <caption className="sr-only">{t.title}</caption>
        <TableHead heads={HEADINGS.map(([text, onPhone]) => ({ text, isSecond: !onPhone }))} />
        <tbody>
          {against.frames.map((f) => (
            <FrameRow
              key={f.frameId}
              row={f}
              name={name(f.frameId)}
              isMissed={against.missed.includes(f.frameId)}
              most={most}
              lenses={plainList(f.lenses.map(({ group }) => names[group] ?? ''))}
              opened={opened === f.frameId}
              onOpen={() => setOpened(opened === f.frameId ? null : f.frameId)}
            />
          ))}
        </tbody>
      </table>
      {opened !== null && (
        <section aria-label={t.photosOf(name(opened))} className="mt-3 border-l border-hair pl-3">
          <h3 className="font-semibold">{t.photosOf(name(opened))}</h3>
          <Given
            work={work}
            photos={against.assigned.filter((a) => a.frameId === opened).map((a) => a.photo)}
            frameId={opened}
          />
        </section>
      )}
    </div>
  );
}

interface FrameRowProps {
  readonly row: FrameHad;
  readonly name: string;
  readonly isMissed: boolean;
  readonly most: number;
  readonly lenses: string;
  readonly opened: boolean;
  readonly onOpen: () => void;
}

function FrameRow({ row, name, isMissed, most, lenses, opened, onOpen }: FrameRowProps) {
  return (
    <tr className="border-b border-hair">
      <th scope="row" className="min-w-36 py-1 pr-4 text-left font-normal">
        <span className="flex items-center gap-2">
          <StateMark
            state={isMissed ? 'lost' : row.count === 0 ? 'out' : 'clear'}
            {...(isMissed ? { label: t.missed } : {})}
          />
          <button
            type="button"
            className="text-left underline decoration-hair underline-offset-2"
            aria-expanded={opened}
            aria-label={t.showPhotos(name)}
            onClick={onOpen}
          >
            {name}
          </button>
        </span>
      </th>
      <td className="py-1 pr-4 tabular-nums max-sm:hidden">
        {row.expectedPercent === null ? '–' : formatPercent(row.expectedPercent)}
      </td>
      <td className="py-1 pr-4">
        <span className="flex items-center gap-2">
          <span className="w-12 tabular-nums">{formatPercent(row.hadPercent)}</span>
          <ShareBar
            had={row.hadPercent / most}
            expected={row.expectedPercent === null ? null : row.expectedPercent / most}
          />
        </span>
      </td>
      <td className="py-1 pr-4 tabular-nums">{digits(row.count, 0)}</td>
      <td className="py-1 pr-4 tabular-nums max-sm:hidden">{digits(row.kept, 0)}</td>
      <td className="py-1 pr-4 tabular-nums max-sm:hidden">{digits(row.cropped, 0)}</td>
      <td className="py-1 text-[13px] max-sm:hidden">{lenses}</td>
    </tr>
  );
}

/** The share that was had as a bar, the one expected as a line across it. */
function ShareBar({ had, expected }: { had: number; expected: number | null }) {
  return (
    <svg
      viewBox="0 0 100 10"
      preserveAspectRatio="none"
      aria-hidden
      className="block h-3 w-28 max-sm:w-14"
    >
      <rect x="0" y="2" width={100 * had} height="6" fill="var(--got)" />
      {expected !== null && (
        <line
          x1={100 * expected}
          x2={100 * expected}
          y1="0"
          y2="10"
          stroke="var(--ink)"
          strokeWidth="2"
          vectorEffect="non-scaling-stroke"
        />
      )}
    </svg>
  );
}

/** What the lenses of an answer are called, by their group. */
function groupNames(log: Log, shelf: Shelf, { lenses }: AgainstPlan): readonly string[] {
  return lenses.map(
    ({ lensId, seen }) =>
      shelf.lenses.find((l) => l.id === lensId)?.name ?? lensSeenName(log, seen),
  );
}

function Lenses({ work, against }: { work: LogWork; against: AgainstPlan }) {
  const { log } = usePhotographs(work.keeper);
  const { shelf } = work.view;
  const names = groupNames(log, shelf, against);
  const unused = against.unused.flatMap((id) => shelf.lenses.find((l) => l.id === id) ?? []);
  return (
    <section aria-labelledby="carried" className="space-y-1">
      <h2 id="carried" className="text-lg">
        {t.lensesTitle}
      </h2>
      <ul>
        {unused.map((lens) => (
          <li key={lens.id}>
            {lens.weightG === null
              ? t.neverUsedUnknown(lens.name)
              : t.neverUsed(lens.name, formatWeight(lens.weightG))}
          </li>
        ))}
        {against.unplanned.map(({ group, count }) => (
          <li key={group}>{t.notPlanned(names[group] ?? '', count)}</li>
        ))}
      </ul>
      {unused.length + against.unplanned.length === 0 && <p>{t.allUsed}</p>}
      <p className="max-w-prose text-[12px] text-soft">{t.planNote}</p>
    </section>
  );
}

/** Changes listed before the rest is only counted. */
const LISTED = 12;

/** What is to be put on when, by the plan: before a stretch or during it. */
function plannedChanges({ stretches }: CarryPlan) {
  return stretches.flatMap(({ stretchId, before, hands }) => [
    ...before.map((on) => ({ stretchId, on })),
    ...hands.flatMap(({ doings }) =>
      doings.flatMap((d) => (d.kind === 'put' && d.isChange ? [{ stretchId, on: d.on }] : [])),
    ),
  ]);
}

function Changes({ work, against }: { work: LogWork; against: AgainstPlan }) {
  const { log } = usePhotographs(work.keeper);
  const [all, setAll] = useState(false);
  const names = groupNames(log, work.view.shelf, against);
  const name = namesOf(useFile());
  const { plan, changes } = usePlanned();
  const shown = all ? against.changes : against.changes.slice(0, LISTED);
  return (
    <section aria-labelledby="changes" className="space-y-1">
      <h2 id="changes" className="text-lg">
        {t.changesTitle}
      </h2>
      <p>{t.changes(against.changes.length, changes)}</p>
      {plan !== null && plan.changes > 0 && (
        <ul className="text-[13px]" aria-label={t.plannedChanges}>
          {plannedChanges(plan).map(({ stretchId, on }, i) => (
            <li key={i}>
              {t.plannedChange(
                stretchId === null ? null : name(stretchId),
                name(on.bodyId),
                plainList(on.pieceIds.map(name)),
              )}
            </li>
          ))}
        </ul>
      )}
      <ol className="text-[13px]">
        {shown.map((c) => (
          <li key={c.photo}>
            {t.change(
              formatMoment(c.takenMs),
              cameraName(log, c.camera),
              names[c.fromGroup] ?? '',
              names[c.toGroup] ?? '',
            )}
          </li>
        ))}
      </ol>
      {against.changes.length > shown.length && (
        <Button look="quiet" onClick={() => setAll(true)}>
          {t.allChanges(against.changes.length)}
        </Button>
      )}
    </section>
  );
}
