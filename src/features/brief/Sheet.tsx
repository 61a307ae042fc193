'use client';

import { Printer } from 'lucide-react';
import { useEffect, useMemo, useRef, useState } from 'react';
import type { Frame } from '@/core/brief';
import { download, useFilePart } from '@/session';
import { Button, Choice, pngOfSvg } from '@/ui';
import { StateMark } from '@/parts';
import { type From, Photo, shotAt } from '@/parts/scene';
import { briefFormText, formatFNumber, formatMm, namesOf, stackName, WANTS } from '@/text';
import { byStretch } from './byStretch';
import { lostText } from './lostText';
import { sheetSvg } from './saveSheet';
import { type Taken, useTaken } from './useTaken';

const t = briefFormText.sheet;

/** The wanted pictures as the lineup takes them, by stretch: a shot list to look at and to print. */
export function Sheet({ onSelect }: { onSelect: (id: string) => void }) {
  const frames = useFilePart((file) => file.frames);
  const stretches = useFilePart((file) => file.stretches);
  const name = useFilePart((file) => file.outing.name);
  const taken = useTaken();
  const [from, setFrom] = useState<From>('middle');
  const sheet = useRef<HTMLDivElement>(null);
  const ready = usePortions(frames.length);
  const groups = useMemo(() => byStretch(frames, stretches), [frames, stretches]);
  const save = async (kind: 'svg' | 'png') => {
    if (sheet.current === null) return;
    const { svg, size } = sheetSvg(sheet.current, name);
    if (kind === 'svg') download(`${name}.svg`, svg, 'image/svg+xml');
    else download(`${name}.png`, await pngOfSvg(svg, size), 'image/png');
  };
  return (
    <div className="space-y-4">
      <div className="flex flex-wrap items-end justify-between gap-3 print:hidden">
        <div className="w-72">
          <Choice
            label={t.takenFrom}
            value={from}
            options={[
              ['near', t.near],
              ['middle', t.middle],
              ['far', t.far],
            ]}
            onChange={setFrom}
          />
        </div>
        <span className="flex gap-2">
          <Button onClick={() => window.print()}>
            <Printer size={14} aria-hidden />
            {t.print}
          </Button>
          <Button onClick={() => void save('svg')}>{t.saveSvg}</Button>
          <Button onClick={() => void save('png')}>{t.savePng}</Button>
        </span>
      </div>
      <div ref={sheet} data-testid="sheet" className="space-y-5 print:space-y-2">
        {groups.map(({ key, title, frames: of }) => (
          <section key={key} aria-label={title}>
            <h2 data-title className="border-b border-ink text-base print:break-after-avoid">
              {title}
            </h2>
            <ul className="mt-2 grid grid-cols-2 gap-x-4 gap-y-3 sm:grid-cols-3 lg:grid-cols-4 print:grid-cols-5 print:gap-x-2 print:gap-y-1">
              {of.map((frame) => (
                <Cell
                  key={frame.id}
                  frame={frame}
                  number={1 + frames.indexOf(frame)}
                  taken={taken.get(frame.id)}
                  isReady={frames.indexOf(frame) < ready}
                  from={from}
                  onSelect={onSelect}
                />
              ))}
            </ul>
          </section>
        ))}
      </div>
    </div>
  );
}

/** Pictures that are drawn at once: so many that typing never waits. */
const PORTION = 2;

/** How many of some pictures may be drawn by now; more in each frame. */
function usePortions(count: number): number {
  const [ready, setReady] = useState(PORTION);
  useEffect(() => {
    if (ready >= count) return;
    const timer = setTimeout(() => setReady(ready + PORTION));
    return () => clearTimeout(timer);
  }, [ready, count]);
  return ready;
}

interface CellProps {
  readonly frame: Frame;
  readonly number: number;
  readonly taken: Taken | undefined;
  /** It is its turn to be drawn. */
  readonly isReady: boolean;
  readonly from: From;
  readonly onSelect: (id: string) => void;
}

function Cell({ frame, number, taken, isReady, from, onSelect }: CellProps) {
  const limits = useFilePart((file) => file.limits);
  const { with: withIt, numbers } = useWords(frame, taken, from);
  const isLost = taken?.result.state === 'lost';
  return (
    <li
      data-cell={frame.id}
      data-state={taken?.result.state ?? ''}
      className="min-w-0 print:break-inside-avoid"
    >
      <button type="button" className="block w-full text-left" onClick={() => onSelect(frame.id)}>
        {taken?.setup && !isLost && !isReady ? (
          <span className="block aspect-3/2 w-full border border-hair" />
        ) : taken?.setup && !isLost ? (
          <Photo frame={frame} setup={taken.setup} limits={limits} from={from} className="w-full" />
        ) : (
          <span className="flex aspect-3/2 w-full items-center justify-center border-2 border-dashed border-edge p-2 text-center text-[13px]">
            {taken ? lostText(taken.result) : ''}
          </span>
        )}
        <span className="mt-1 block font-semibold" data-line>
          <span className="text-soft">{number}</span> {frame.name}
        </span>
      </button>
      <p className="text-[12px]" data-line>
        {taken && <StateMark state={taken.result.state} />} {withIt}
      </p>
      <p className="text-[12px] text-soft" data-line>
        {numbers}
      </p>
    </li>
  );
}

/** With what a picture is taken, and its figures. */
function useWords(frame: Frame, taken: Taken | undefined, from: From) {
  const shelf = useFilePart((file) => file.shelf);
  const limits = useFilePart((file) => file.limits);
  return useMemo(() => {
    if (!taken?.cover || !taken.setup || taken.result.state === 'lost')
      return { with: taken ? lostText(taken.result) : '', numbers: WANTS[frame.want] };
    const name = namesOf({ shelf, stretches: [], frames: [], outing: { shooters: [] } });
    const shot = shotAt(taken.setup, frame, limits, from);
    const { setup } = taken;
    const focal = shot?.picture.focalMm ?? setup.focal.wideMm;
    const fNumber = shot?.fNumber ?? setup.fNumberAt(focal);
    return {
      with: stackName(taken.cover, name),
      numbers: `${formatMm(focal)}, ${formatFNumber(fNumber)} · ${WANTS[frame.want]}`,
    };
  }, [frame, taken, from, shelf, limits]);
}
