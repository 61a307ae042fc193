'use client';

import { X } from 'lucide-react';
import { type ReactNode, useMemo, useRef } from 'react';
import { type Beside, besideKey, type Column, MOST_BESIDE, sideBySide } from '@/core/compare';
import { formatKey, mountableSetups } from '@/core/gear';
import type { Interval } from '@/core/intervals';
import { download, useAnswer, useFile, useKnownGear, useSelection } from '@/session';
import { besideText, formatFocalRange } from '@/text';
import { Button, IconButton, Menu, SelectField, standalonePng, standaloneSvg } from '@/ui';
import { GapText, OverlapText } from '@/parts';
import { BandsChart } from './BandsChart';
import { addressOf, besideOf } from './chosen';
import { columnName } from './columnName';
import { FiguresTable } from './FiguresTable';
import { PicturesOf } from './PicturesOf';

const t = besideText;

const rangesOf = (all: readonly { readonly range: Interval }[]) =>
  all.map(({ range }) => formatFocalRange(range.from, range.to));

/** Two to six lenses: where they leave holes, where they double, and what tells them apart. */
export function BesidePage() {
  const { frames, limits, outing } = useFile();
  const shelf = useKnownGear();
  const { result } = useAnswer();
  const [address, setAddress] = useSelection('lenses');
  const [format, setFormat] = useSelection('format');
  const chosen = useMemo(() => besideOf(address), [address]);
  const sides = useMemo(
    () => sideBySide(shelf, chosen, frames, limits, format),
    [shelf, chosen, frames, limits, format],
  );
  const box = useRef<HTMLDivElement>(null);
  const { columns, gaps, overlaps } = sides;
  const name = (key: string) => {
    const column = columns.find((c) => c.key === key);
    return column ? columnName(column) : key;
  };
  const formats = useMemo(
    () => [...new Set(shelf.bodies.map((b) => formatKey(b.sensor)))],
    [shelf.bodies],
  );
  const lineup = (result?.lineup.lensIds ?? []).slice(0, MOST_BESIDE);
  return (
    <div className="space-y-5 pt-4">
      <div className="flex flex-wrap items-end justify-between gap-3">
        <h1 className="text-xl">{t.title}</h1>
        {columns.length > 0 && <Ways svg={() => box.current?.querySelector('svg') ?? null} />}
      </div>
      <Chosen columns={columns} chosen={chosen} onChange={(next) => setAddress(addressOf(next))}>
        {lineup.length > 1 && (
          <Button
            onClick={() =>
              setAddress(addressOf(lineup.map((lensId) => ({ lensId, converterId: null }))))
            }
          >
            {t.theLineup}
          </Button>
        )}
        {columns.length > 0 && formats.length > 1 && (
          <div className="w-40">
            <SelectField
              label={t.onCamera}
              value={format ?? ''}
              options={[
                ['', t.everyFormat] as const,
                ...formats.map((key) => [key, t.format(key)] as const),
              ]}
              onChange={(key) => setFormat(key === '' ? null : key)}
            />
          </div>
        )}
      </Chosen>
      {columns.length === 0 && <p className="max-w-prose">{t.hint}</p>}
      {columns.length === 1 && <p>{t.one}</p>}
      {columns.length > 1 && (
        <p className="text-lg" data-testid="beside-answer">
          {t.answer(rangesOf(gaps), rangesOf(overlaps))}
        </p>
      )}
      {columns.length > 0 && (
        <>
          <div ref={box}>
            <BandsChart sides={sides} />
          </div>
          {columns.length > 1 && (
            <div className="grid gap-8 md:grid-cols-2">
              <section aria-label={t.gapsTitle}>
                <h2 className="mb-1 text-lg">{t.gapsTitle}</h2>
                {gaps.length === 0 && <p>{t.noGap}</p>}
                <ul className="space-y-1">
                  {gaps.map((gap) => (
                    <li key={gap.range.from} className="border-b border-hair pb-1">
                      <GapText gap={gap} />
                    </li>
                  ))}
                </ul>
              </section>
              <section aria-label={t.overlapsTitle}>
                <h2 className="mb-1 text-lg">{t.overlapsTitle}</h2>
                {overlaps.length === 0 && <p>{t.noOverlap}</p>}
                <ul className="space-y-1">
                  {overlaps.map((o) => (
                    <li key={`${o.lensIds} ${o.range.from}`} className="border-b border-hair pb-1">
                      <OverlapText of={o} name={name} />
                    </li>
                  ))}
                </ul>
              </section>
            </div>
          )}
          <FiguresTable columns={columns} currency={outing.currency} />
          {frames.length > 0 && columns.length > 1 && <PicturesOf sides={sides} />}
        </>
      )}
    </div>
  );
}

/** What stands side by side, each to be taken away, and what may be added. */
function Chosen({
  columns,
  chosen,
  onChange,
  children,
}: {
  readonly columns: readonly Column[];
  readonly chosen: readonly Beside[];
  readonly onChange: (chosen: readonly Beside[]) => void;
  readonly children: ReactNode;
}) {
  const options = useOptions(columns);
  const isFull = columns.length >= MOST_BESIDE;
  return (
    <div className="flex flex-wrap items-end gap-2 print:hidden">
      {columns.map((column) => (
        <span
          key={column.key}
          className="flex min-h-7 pointer-coarse:min-h-[44px] items-center border border-edge bg-sheet pl-2"
        >
          {columnName(column)}
          <IconButton
            label={t.remove(columnName(column))}
            onClick={() => onChange(chosen.filter((c) => besideKey(c) !== column.key))}
          >
            <X size={14} aria-hidden />
          </IconButton>
        </span>
      ))}
      {isFull ? (
        <span className="text-soft">{t.full(MOST_BESIDE)}</span>
      ) : (
        <div className="w-60">
          <SelectField
            label={t.add}
            value=""
            options={[['', t.choose] as const, ...options]}
            onChange={(key) => {
              const [added] = besideOf(key);
              if (added) onChange([...chosen, added]);
            }}
          />
        </div>
      )}
      {children}
    </div>
  );
}

/** What may be added: those chosen with what goes behind them, then the shelf, what is owned first. */
function useOptions(columns: readonly Column[]): readonly (readonly [string, string])[] {
  const shelf = useKnownGear();
  return useMemo(() => {
    const taken = new Set<string>(columns.map((c) => c.key));
    const lenses = new Set<string>(columns.map((c) => c.lens.id));
    const nameOf = new Map<string, string>(
      [...shelf.lenses, ...shelf.converters].map((i) => [i.id, i.name]),
    );
    const behind = new Map(
      mountableSetups({ ...shelf, lenses: shelf.lenses.filter((l) => lenses.has(l.id)) }).flatMap(
        ({ lensId, converterId, tubeId }) => {
          if (converterId === null || tubeId !== null) return [];
          const name = t.withBehind(nameOf.get(lensId) ?? '', nameOf.get(converterId) ?? '');
          return [[besideKey({ lensId, converterId }), name] as const];
        },
      ),
    );
    const rest = shelf.lenses
      .toSorted((a, b) => Number(b.ownership === 'owned') - Number(a.ownership === 'owned'))
      .map((l) => [l.id as string, l.name] as const);
    return [...behind, ...rest].filter(([key]) => !taken.has(key));
  }, [shelf, columns]);
}

/** Print, and the chart as a file. */
function Ways({ svg }: { readonly svg: () => SVGSVGElement | null }) {
  const save = async (as: 'svg' | 'png') => {
    const drawn = svg();
    if (!drawn) return;
    if (as === 'svg') download('side-by-side.svg', standaloneSvg(drawn), 'image/svg+xml');
    else download('side-by-side.png', await standalonePng(drawn, '--paper'), 'image/png');
  };
  return (
    <span className="print:hidden">
      <Menu
        trigger={<Button>{t.save}</Button>}
        groups={[
          [
            { label: t.asSvg, hint: '.svg', onSelect: () => void save('svg') },
            { label: t.asPng, hint: '.png', onSelect: () => void save('png') },
          ],
          [{ label: t.print, onSelect: () => window.print() }],
        ]}
      />
    </span>
  );
}
