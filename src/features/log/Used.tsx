'use client';

import dynamic from 'next/dynamic';
import Link from 'next/link';
import { useCallback, useMemo, useState } from 'react';
import { countingRange } from '@/core/gear';
import {
  type Assigned,
  type Distribution,
  type GearSeen,
  KEPT_FROM,
  lensKey,
  type LensUsed,
  type Log,
  NO_NAME,
  type Usage,
} from '@/core/log';
import { cropFactor } from '@/core/optics';
import { useFilePart, usePhotographs } from '@/session';
import {
  digits,
  formatFNumber,
  formatFocalRange,
  formatMonth,
  formatPercent,
  logText,
} from '@/text';
import { viewHref } from '@/parts';
import { TableHead } from '@/ui';
import type { UsedBesides } from '@/workers/logClient';
import { type Bar, Bars, Strip } from './Bars';
import { GearOffer } from './GearOffer';
import { cameraName, lensSeenName } from './names';
import { NoneHere } from './NoneHere';
import { useAsked } from './useAsked';
import { Working } from './Working';
import type { LogWork } from './useLogWork';
import { useOutingAnswer } from './useOutingAnswer';
import type { LensBand } from './usedChart';

const t = logText.used;

const UsedChart = dynamic(() => import('./UsedChart'), {
  ssr: false,
  loading: () => <p className="h-72 p-4 text-soft">{t.drawing}</p>,
});

/** What was used: along the axis of angle of view, by lens, and by exposure. */
export function Used({ work }: { work: LogWork }) {
  const { log } = usePhotographs(work.keeper);
  const limits = useFilePart((file) => file.limits);
  const { view } = work;
  const question = useCallback(
    (of: { used: (view: LogWork['view']) => Promise<Usage> }) => of.used(view),
    [view],
  );
  const besides = useCallback(
    (of: { usedBesides: (v: typeof view, l: typeof limits) => Promise<UsedBesides> }) =>
      of.usedBesides(view, limits),
    [view, limits],
  );
  const asked = useAsked<Usage>(work.keeper, log, question);
  const { value: usage, thinking } = asked;
  const more = useAsked<UsedBesides>(work.keeper, log, usage === null ? null : besides).value;
  if (usage === null || asked.error !== null) return <Working asked={asked} />;
  if (usage.count === 0) return <NoneHere work={work} />;
  const isNew = more !== null && isStrange(more.gear, usage.count);
  const offer = more && <GearOffer work={work} gear={more.gear} />;
  return (
    <div className="space-y-8" aria-busy={thinking}>
      {isNew && offer}
      <Distributed log={log} work={work} usage={usage} onlyBy={more?.onlyBy ?? NOTHING_YET} />
      {!isNew && offer}
      {work.ofOuting && <ByOuting work={work} />}
    </div>
  );
}

/** Whether most was made with cameras that aren't on the shelf: then the offer of gear comes first. */
const isStrange = ({ cameras }: GearSeen, photographs: number) =>
  2 * cameras.reduce((sum, { count }) => sum + count, 0) > photographs;

const NOTHING_YET: ReadonlyMap<string, number> = new Map();

function Distributed({
  log,
  work,
  usage,
  onlyBy,
}: {
  log: Log;
  work: LogWork;
  usage: Usage;
  onlyBy: ReadonlyMap<string, number>;
}) {
  const [pointed, setPointed] = useState<number | null>(null);
  const used = usage.lenses;
  const bands = useMemo(
    () => used.map((l, i) => bandOf(log, work, l, i === pointed)),
    [log, work, used, pointed],
  );
  return (
    <section aria-labelledby="used" className="space-y-6">
      <div>
        <h2 id="used" className="text-lg">
          {t.title}
        </h2>
        <div className="border-y border-hair bg-sheet">
          <UsedChart
            all={usage.angles}
            lit={pointed === null ? null : (used[pointed]?.angles ?? null)}
            bands={bands}
            description={t.chart(usage.count, used.length)}
            onPoint={setPointed}
          />
        </div>
        <p className="mt-1 flex flex-wrap gap-x-6 text-[12px] text-soft">
          <Key fill="var(--got-wash)">{t.legendAll}</Key>
          <Key fill="var(--got)">{t.legendKept}</Key>
          <span>{t.focalBelow}</span>
          <span>{t.upright((100 * usage.portrait) / Math.max(1, usage.count))}</span>
          {usage.angles.unknown > 0 && <span>{t.angleUnknown(usage.angles.unknown)}</span>}
        </p>
      </div>
      <LensTable log={log} usage={usage} bands={bands} onlyBy={onlyBy} onPoint={setPointed} />
      <Others log={log} usage={usage} />
    </section>
  );
}

function Key({ fill, children }: { fill: string; children: string }) {
  return (
    <span className="inline-flex items-center gap-1.5">
      <svg width="14" height="10" aria-hidden>
        <rect x="0.5" y="0.5" width="13" height="9" fill={fill} stroke="var(--got)" />
      </svg>
      {children}
    </span>
  );
}

function bandOf(log: Log, { view }: LogWork, used: LensUsed, lit: boolean): LensBand {
  const { lens } = used;
  const name = lens?.name ?? lensSeenName(log, used.seen[0] ?? 0);
  const spec = used.seen.map((i) => log.lenses[i]?.specification).find((s) => s);
  const body = view.shelf.bodies.find((b) => b.mount === lens?.mount);
  if (lens !== null) {
    const { wideMm, longMm } = countingRange(lens);
    const crop = body ? cropFactor(body.sensor) : 1;
    return { name, lit, fromMm: wideMm * crop, toMm: longMm * crop };
  }
  const [from, to] = middleOf(used.angles, 0) ?? [spec?.wideMm ?? 50, spec?.longMm ?? 50];
  return { name, lit, fromMm: from, toMm: to };
}

/** Focal lengths that the middle of a distribution lies between, a share left out at either end. */
function middleOf(
  { from, perOctave, counts }: Distribution,
  left: number,
): [number, number] | null {
  const all = counts.reduce((sum, c) => sum + c, 0);
  if (all === 0) return null;
  let sum = 0;
  let [first, last] = [0, counts.length];
  counts.forEach((c, i) => {
    if (sum <= left * all) first = i;
    if (sum < (1 - left) * all) last = i + 1;
    sum += c;
  });
  return [from * 2 ** (first / perOctave), from * 2 ** (last / perOctave)];
}

/** Share of a lens's photographs that its usual range leaves out at either end. */
const TAIL = 0.1;

/** Where most of a lens's photographs are, no wider than the lens: bins reach over its ends. */
function usualOf({ lens, angles }: LensUsed, band: LensBand | undefined) {
  const usual = middleOf(angles, TAIL);
  if (usual === null || !band) return usual;
  // On whatever camera a fixed focal length was used, it was at nothing else.
  if (lens !== null && lens.focal.wideMm === lens.focal.longMm)
    return [band.fromMm, band.toMm] as const;
  return [Math.max(usual[0], band.fromMm), Math.min(usual[1], band.toMm)] as const;
}

function LensTable({
  log,
  usage,
  bands,
  onlyBy,
  onPoint,
}: {
  log: Log;
  usage: Usage;
  bands: readonly LensBand[];
  onlyBy: ReadonlyMap<string, number>;
  onPoint: (lens: number | null) => void;
}) {
  const percent = (n: number) => formatPercent((100 * n) / Math.max(1, usage.count));
  const most = Math.max(1, ...usage.lenses.map((l) => l.count));
  const nameless = usage.lenses.find(({ lens, seen: [first] }) => {
    const seen = lens === null ? log.lenses[first ?? -1] : undefined;
    return seen !== undefined && lensKey(seen) === NO_NAME;
  });
  return (
    <div className="relative overflow-x-auto" tabIndex={0} role="region" aria-label={t.byLens}>
      <table className="w-full border-collapse">
        <caption className="sr-only">{t.byLens}</caption>
        <TableHead
          heads={[
            t.lens,
            { text: t.share, width: 'w-1/3' },
            { text: t.photographs, isRight: true, isSecond: true },
            { text: t.rated, isRight: true, isSecond: true },
            { text: t.onlyThis, isRight: true },
            { text: t.range, isRight: true, isSecond: true },
          ]}
        />
        <tbody>
          {usage.lenses.map((l, i) => {
            const only = l.lens === null ? undefined : onlyBy.get(l.lens.id);
            const usual = usualOf(l, bands[i]);
            return (
              <tr
                key={l.seen[0]}
                className="border-b border-hair hover:bg-chosen"
                onMouseEnter={() => onPoint(i)}
                onMouseLeave={() => onPoint(null)}
              >
                <th scope="row" className="min-w-32 py-1 pr-4 text-left font-normal">
                  {l.lens?.name ?? lensSeenName(log, l.seen[0] ?? 0)}
                </th>
                <td className="py-1 pr-4">
                  <span className="flex items-center gap-2">
                    <span className="w-14 text-right whitespace-nowrap tabular-nums">
                      {percent(l.count)}
                    </span>
                    <Strip share={l.count / most} kept={l.kept / Math.max(1, l.count)} />
                  </span>
                </td>
                <td className="py-1 pr-4 text-right tabular-nums max-sm:hidden">
                  {digits(l.count, 0)}
                </td>
                <td className="py-1 pr-4 text-right tabular-nums max-sm:hidden">
                  {digits(l.kept, 0)}
                </td>
                <td className="py-1 pr-4 text-right tabular-nums">
                  {only === undefined ? '–' : percent(only)}
                </td>
                <td className="py-1 text-right whitespace-nowrap tabular-nums max-sm:hidden">
                  {usual === null
                    ? '–'
                    : formatFocalRange(Math.round(usual[0]), Math.round(usual[1]))}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
      <p className="mt-1 max-w-prose text-[12px] text-soft">{t.onlyNote}</p>
      {nameless && (
        <p className="mt-1">
          {logText.nameless.tellNone(nameless.count)}{' '}
          <Link prefetch={false} className="underline" href={viewHref('/log', 'photographs')}>
            {logText.nameless.say}
          </Link>
        </p>
      )}
    </div>
  );
}

function Others({ log, usage }: { log: Log; usage: Usage }) {
  const headings = (what: string) => [what, t.share, t.photographs] as const;
  return (
    <div className="grid items-start gap-x-10 gap-y-6 sm:grid-cols-2 lg:grid-cols-3">
      <Bars
        title={t.fNumber}
        headings={headings(t.fNumber)}
        bars={barsOf(usage.fNumbers, formatFNumber)}
      />
      <Bars
        title={t.iso}
        headings={headings(t.iso)}
        bars={barsOf(usage.isos, (iso) => t.isoOf(roundIso(iso)))}
      />
      <Bars title={t.time} headings={headings(t.time)} bars={barsOf(usage.times, t.timeOf)} />
      <Bars
        title={t.byCamera}
        headings={headings(t.camera)}
        bars={usage.cameras.map((c) => ({
          label: cameraName(log, c.key),
          count: c.count,
          kept: c.kept,
        }))}
      />
      <Bars
        title={t.byMonth}
        headings={headings(t.month)}
        bars={usage.months.map((m) => ({
          label: formatMonth(m.key),
          count: m.count,
          kept: m.kept,
        }))}
      />
    </div>
  );
}

/** By stretch and by shooter, where the photographs of one outing are looked at. */
function ByOuting({ work }: { work: LogWork }) {
  const { log } = usePhotographs(work.keeper);
  const { value } = useOutingAnswer(work);
  if (value === null) return null;
  const { stretches, outing } = work.outing;
  const { assigned } = value.against;
  const barOf = (label: string, of: readonly Assigned[]): Bar[] => {
    const kept = of.filter((a) => (log.numbers.rating[a.photo] ?? NaN) >= KEPT_FROM).length;
    return of.length === 0 ? [] : [{ label, count: of.length, kept }];
  };
  const byStretch = [...stretches, null].flatMap((s) =>
    barOf(
      s?.name ?? t.noStretch,
      assigned.filter((a) => (a.stretch?.id ?? null) === (s?.id ?? null)),
    ),
  );
  const byShooter = [...outing.shooters, null].flatMap((s) =>
    barOf(
      s?.name ?? t.noShooter,
      assigned.filter((a) => a.shooterId === (s?.id ?? null)),
    ),
  );
  return (
    <div className="grid items-start gap-x-10 gap-y-6 sm:grid-cols-2">
      <Bars title={t.byStretch} headings={[t.stretch, t.share, t.photographs]} bars={byStretch} />
      {outing.shooters.length > 1 && (
        <Bars title={t.byShooter} headings={[t.shooter, t.share, t.photographs]} bars={byShooter} />
      )}
    </div>
  );
}

/** Whole stops of ISO from 100. */
const roundIso = (iso: number) => 100 * 2 ** Math.round(Math.log2(iso / 100));

/** The bins of a distribution that hold anything, by the value in their middle. */
function barsOf(
  { from, perOctave, counts, keptCounts }: Distribution,
  label: (middle: number) => string,
): Bar[] {
  return counts.flatMap((count, i) =>
    count === 0
      ? []
      : [{ label: label(from * 2 ** ((i + 0.5) / perOctave)), count, kept: keptCounts[i] ?? 0 }],
  );
}
