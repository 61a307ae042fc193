'use client';

import type { Stretch } from '@/core/brief';
import { useAnswer, useFile, useFrameResults, useSelection } from '@/session';
import { dayText, groundText, plainList, timesText } from '@/text';
import { usePrinting } from '@/ui';
import { PlanDrawing } from './PlanDrawing';
import { scaleOf, wholeOf } from './scale';
import { SightLines } from './SightLines';
import { holdersOf, isOpenIn, noteOf, StationUses, usesOf } from './StretchStand';
import { SunArrow, SunShadows } from './SunShadows';
import { usePicture } from './usePicture';
import { useSun } from './useSun';
import { aimOf } from './Wedges';

/** The plan on paper, px: as broad as A4 lets it, and no higher than leaves room for who stands where. */
const WIDTH_PX = 680;
const MOST_HIGH_PX = 620;

/** One sheet for each stretch in which a station is of use: the plan, the stations, and who holds what. */
export function PrintedSheets() {
  const { stretches, ground } = useFile();
  const { result } = useAnswer();
  const standings = useFrameResults() ?? [];
  if (!usePrinting()) return null;
  const used = stretches.filter(
    ({ id }) => usesOf(ground, standings, holdersOf(result, id), id).length > 0,
  );
  return (
    <div data-testid="printed-sheets">
      {(used.length === 0 ? [null] : used).map((stretch) => (
        <SheetOf key={stretch?.id ?? ''} stretch={stretch} />
      ))}
    </div>
  );
}

function SheetOf({ stretch }: { readonly stretch: Stretch | null }) {
  const { ground, outing } = useFile();
  const { result } = useAnswer();
  const [frameKey] = useSelection('frame');
  const chosen = usePicture(frameKey, 'best');
  const sun = useSun(ground, stretch);
  const size = {
    width: WIDTH_PX,
    height: Math.min(MOST_HIGH_PX, (WIDTH_PX * ground.heightM) / ground.widthM + 52),
  };
  const scale = scaleOf(ground, size, wholeOf(ground));
  const stretchId = stretch?.id ?? null;
  const standings = useFrameResults() ?? [];
  const isMadeHere = standings.some(
    (s) => s.frameId === chosen?.frame.id && s.covers.some((c) => c.stretchId === stretchId),
  );
  const picture = isMadeHere ? chosen : null;
  return (
    <section className="break-after-page last:break-after-auto">
      <h2 className="text-lg">{stretch ? `${outing.name}: ${stretch.name}` : outing.name}</h2>
      {stretch && (
        <p>
          {plainList(
            [stretch.day === null ? '' : dayText(stretch.day), timesText(stretch)].filter(Boolean),
          )}
          {'. '}
          {stretch.stays ? groundText.answer.nobodyMoves : groundText.answer.mayWalk}
        </p>
      )}
      <svg width={size.width} height={size.height} className="my-2 block">
        <PlanDrawing
          {...{ ground, scale, size }}
          selected={null}
          aim={picture && aimOf(picture.subject)}
          isOpen={(id) => isOpenIn(ground, id, stretch)}
          noteOf={noteOf(outing.shooters, holdersOf(result, stretchId))}
          beneath={sun && <SunShadows {...{ ground, sun: sun.now, scale }} />}
          over={
            <>
              {sun && <SunArrow {...{ sun: sun.now, size }} northDeg={ground.northDeg} />}
              {picture && (
                <SightLines
                  picture={picture}
                  stations={ground.stations.filter((s) => isOpenIn(ground, s.id, stretch))}
                  scale={scale}
                />
              )}
            </>
          }
        />
      </svg>
      <StationUses stretchId={stretchId} />
    </section>
  );
}
