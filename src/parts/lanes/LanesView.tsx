'use client';

import Link from 'next/link';
import { type CSSProperties, useMemo } from 'react';
import { carryText, formatWeight, plainList } from '@/text';
import type { Lane, LaneBar, LaneLoad, Lanes as Drawn } from './lanes';

const t = carryText.lanes;

const place = (from: number, to: number): CSSProperties => ({
  left: `${from}%`,
  width: `${to - from}%`,
});

/** Patterns that tell setups apart without a colour, one a lens in the order in which they are met. */
const PATTERNS = [
  'none',
  'repeating-linear-gradient(45deg, var(--hair) 0 1px, transparent 1px 6px)',
  'radial-gradient(var(--edge) 1px, transparent 1.3px) 0 0 / 7px 7px',
  'repeating-linear-gradient(0deg, var(--hair) 0 1px, transparent 1px 5px)',
  'repeating-linear-gradient(90deg, var(--hair) 0 1px, transparent 1px 6px)',
  'repeating-linear-gradient(-45deg, var(--edge) 0 1px, transparent 1px 9px)',
] as const;
const WEIGHT_PX = 52;
/** So that the highest has room for its figure. */
const HEADROOM = 1.4;

/** The day at a glance: a lane a camera, what is on it when, what is in whose bag and what it weighs. */
export function LanesView({
  day,
  name,
  limit,
  hrefOf,
}: {
  day: Drawn;
  name: (id: string) => string;
  /** Where a stretch is told in words; without it their names lead nowhere. */
  hrefOf?: HrefOf;
  /** The most that anyone should carry, g; null for none. */
  limit: number | null;
}) {
  const patterns = useMemo(() => patternsOf(day), [day]);
  const most = Math.max(limit ?? 0, ...day.loads.flatMap((l) => l.steps.map((s) => s.weightG)), 1);
  return (
    <section
      aria-label={t.lanes}
      data-testid="lanes"
      className="relative overflow-x-auto"
      tabIndex={0}
    >
      <div className="grid min-w-[40rem] grid-cols-[7rem_minmax(0,1fr)] items-center gap-x-2 max-sm:min-w-0 max-sm:grid-cols-[4rem_minmax(0,1fr)]">
        <span />
        <Head day={day} name={name} hrefOf={hrefOf} />
        {day.lanes.map((lane) => (
          <LaneRow key={lane.bodyId} {...{ day, lane, name, patterns }} />
        ))}
        {day.loads.map((load) => (
          <LoadRows key={load.shooterId} {...{ day, load, name, limit, most }} />
        ))}
      </div>
      <SmallLegend day={day} name={name} patterns={patterns} />
      <p className="mt-1 text-[12px] text-soft">{t.legend}</p>
    </section>
  );
}

interface SmallLegendProps {
  readonly day: Drawn;
  readonly name: Namer;
  readonly patterns: ReadonlyMap<string, string>;
}

/** What a phone has no room for on the lanes: the stretches by number, the setups by pattern. */
function SmallLegend({ day, name, patterns }: SmallLegendProps) {
  return (
    <div className="mt-2 grid grid-cols-2 gap-x-4 text-[12px] sm:hidden">
      <ol className="list-inside list-decimal">
        {day.stretches.map((s) => (
          <li key={s.stretchId}>{s.stretchId === null ? t.whole : name(s.stretchId)}</li>
        ))}
      </ol>
      <ul>
        {[...patterns].map(([stack, pattern]) => (
          <li key={stack} className="mb-1 flex items-center gap-2">
            <span
              aria-hidden
              className="h-4 w-8 shrink-0 border border-ink"
              style={{ background: `${pattern}, var(--sheet)` }}
            />
            {stack.split('+').map(name).join(' + ')}
          </li>
        ))}
      </ul>
    </div>
  );
}

type Namer = (id: string) => string;
type HrefOf = (stretchId: string | null) => string;

function patternsOf({ lanes }: Drawn): ReadonlyMap<string, string> {
  const stacks = lanes.flatMap((lane) => lane.bars.map((bar) => bar.pieceIds.join('+')));
  return new Map([...new Set(stacks)].map((stack, i) => [stack, PATTERNS[i % PATTERNS.length]!]));
}

/** Stretches over the lanes; those without change shaded through all of them. */
function Head({ day, name, hrefOf }: { day: Drawn; name: Namer; hrefOf: HrefOf | undefined }) {
  return (
    <div className="relative h-9 border-b border-ink text-[12px] pointer-coarse:h-[44px]">
      {day.stretches.map((s, i) => {
        const look = `absolute inset-y-0 overflow-hidden border-l border-hair px-1 leading-tight ${s.mayChange ? '' : 'bg-chosen font-semibold'}`;
        const said = (
          <>
            <span className="sm:hidden">{i + 1}</span>
            <span className="block overflow-hidden text-ellipsis whitespace-nowrap max-sm:sr-only">
              {s.stretchId === null ? t.whole : name(s.stretchId)}
            </span>
            {!s.mayChange && (
              <span className="block overflow-hidden font-normal text-ellipsis whitespace-nowrap max-sm:sr-only">
                {t.noChange}
              </span>
            )}
          </>
        );
        return hrefOf ? (
          <Link
            key={s.stretchId}
            prefetch={false}
            href={hrefOf(s.stretchId)}
            className={`${look} hover:bg-chosen`}
            style={place(s.from, s.to)}
          >
            {said}
          </Link>
        ) : (
          <span key={s.stretchId} className={look} style={place(s.from, s.to)}>
            {said}
          </span>
        );
      })}
    </div>
  );
}

interface LaneRowProps {
  readonly day: Drawn;
  readonly lane: Lane;
  readonly name: Namer;
  readonly patterns: ReadonlyMap<string, string>;
}

function LaneRow({ day, lane, name, patterns }: LaneRowProps) {
  return (
    <>
      <span className="text-[13px] leading-tight">
        <b>{name(lane.bodyId)}</b>
        <span className="block text-[12px] text-soft">
          {lane.placed ? t.placed : lane.shooterId ? name(lane.shooterId) : ''}
        </span>
      </span>
      <div className="relative h-10 border-b border-hair" data-lane={lane.bodyId}>
        <Shades day={day} />
        {lane.bars.map((bar) => (
          <Bar
            key={`${bar.from} ${bar.pieceIds.join()}`}
            bar={bar}
            text={bar.pieceIds.map(name).join(' + ')}
            body={name(lane.bodyId)}
            pattern={patterns.get(bar.pieceIds.join('+')) ?? 'none'}
          />
        ))}
      </div>
    </>
  );
}

function Shades({ day }: { day: Drawn }) {
  return day.stretches.map((s) =>
    s.mayChange ? null : (
      <span
        key={s.stretchId}
        className="absolute inset-y-0 bg-chosen"
        style={place(s.from, s.to)}
      />
    ),
  );
}

interface BarProps {
  readonly bar: LaneBar;
  readonly text: string;
  readonly body: string;
  readonly pattern: string;
}

function Bar({ bar, text, body, pattern }: BarProps) {
  const label = bar.isChange ? t.changed(text, body) : t.on(text, body);
  return (
    <span
      role="img"
      title={label}
      aria-label={label}
      className="absolute inset-y-1 flex items-center overflow-hidden border border-ink text-[12px] leading-tight"
      style={{ ...place(bar.from, bar.to), background: `${pattern}, var(--sheet)` }}
      data-change={bar.isChange}
    >
      {bar.isChange && <span aria-hidden className="mr-0.5 h-full w-1.5 shrink-0 bg-ink" />}
      <span className="overflow-hidden bg-sheet px-1 text-ellipsis whitespace-nowrap max-sm:hidden">
        {text}
      </span>
    </span>
  );
}

interface LoadRowsProps {
  readonly day: Drawn;
  readonly load: LaneLoad;
  readonly name: Namer;
  readonly limit: number | null;
  readonly most: number;
}

/** What is in a shooter's bag, and below it the weight with its limit. */
function LoadRows({ day, load, name, limit, most }: LoadRowsProps) {
  const who = load.shooterId ? name(load.shooterId) : t.you;
  const y = (g: number) => (100 * g) / (HEADROOM * most);
  return (
    <>
      <span className="text-[12px] leading-tight text-soft max-sm:hidden">{t.bagOf(who)}</span>
      <div className="relative h-10 border-b border-hair text-[11px] leading-tight max-sm:hidden">
        {load.steps.map((s) => (
          <span
            key={s.stretchId}
            className="absolute inset-y-0.5 overflow-hidden border-l border-hair px-1"
            style={place(s.from, s.to)}
            title={plainList(s.bag.map(name))}
          >
            {s.bag.length === 0 ? '–' : plainList(s.bag.map(name))}
            {day.stretches
              .find((one) => one.stretchId === s.stretchId)
              ?.handovers.filter((h) => h.to === load.shooterId)
              .map((h) => (
                <b key={h.id} className="block">
                  {t.handed(name(h.id))}
                </b>
              ))}
          </span>
        ))}
      </div>
      <span className="text-[12px] leading-tight text-soft">{t.weightOf(who)}</span>
      <div
        className="relative border-b border-ink"
        style={{ height: WEIGHT_PX }}
        data-load={load.shooterId ?? ''}
      >
        {limit !== null && (
          <span
            className="absolute inset-x-0 border-t-2 border-dashed border-wrong text-right text-[11px] leading-none text-wrong"
            style={{ bottom: `${y(limit)}%` }}
          >
            {t.limit(formatWeight(limit))}
          </span>
        )}
        {load.steps.map((s) => (
          <span
            key={s.stretchId}
            className={`absolute bottom-0 border-t-2 bg-chosen ${limit !== null && s.weightG > limit ? 'border-wrong' : 'border-ink'}`}
            style={{ ...place(s.from, s.to), height: `${y(s.weightG)}%` }}
            data-weight={Math.round(s.weightG)}
          >
            <span className="absolute bottom-full left-1 text-[11px] leading-tight whitespace-nowrap max-sm:left-0 max-sm:text-[9px]">
              {formatWeight(s.weightG)}
            </span>
          </span>
        ))}
      </div>
    </>
  );
}
