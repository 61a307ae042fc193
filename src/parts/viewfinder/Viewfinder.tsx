'use client';

import { ChevronLeft, ChevronRight } from 'lucide-react';
import { useMemo, useState } from 'react';
import { type Frame, type Limits, needAxis, positionUnit } from '@/core/brief';
import { marginsOf, pictureOf, type PictureSides, verdictOn } from '@/core/coverage';
import type { Setup } from '@/core/gear';
import { angleOfLengthDeg, FULL_FRAME, lengthPerDistance, sideMm } from '@/core/optics';
import { Figure } from '../arithmetic';
import {
  formatAngle,
  formatCrop,
  formatFNumber,
  formatMegapixels,
  formatMetres,
  formatMm,
  formatPercent,
  marginSteps,
  partsText,
  pictureSteps,
} from '@/text';
import { IconButton } from '@/ui/Button';
import { LogSlider } from '@/ui/Slider';
import { figureOf } from './figureOf';
import { Scene } from './Scene';

const t = partsText.viewfinder;

export interface ViewfinderSetup {
  readonly key: string;
  readonly label: string;
  readonly setup: Setup;
}

/** What one setup after another sees of a frame, from any of its distances and along its zoom. */
export function Viewfinder({
  frame,
  limits,
  setups,
}: {
  frame: Frame;
  limits: Limits;
  setups: readonly ViewfinderSetup[];
}) {
  const [key, setKey] = useState<string | null>(null);
  const [at, setAt] = useState<number | null>(null);
  const [zoom, setZoom] = useState<number | null>(null);
  const index = Math.max(
    0,
    setups.findIndex((s) => s.key === key),
  );
  const shown = setups[index];
  if (!shown || frame.need.kind === 'fisheye') return null;
  const turn = (by: 1 | -1) => {
    const next = setups[(index + by + setups.length) % setups.length];
    setKey(next?.key ?? null);
    setZoom(null);
  };
  const axis = needAxis(frame.need);
  const { from, to } = axis.range;
  const position = at === null ? null : Math.min(to, Math.max(from, at));
  return (
    <div
      role="group"
      aria-label={t.viewfinder(frame.name)}
      onKeyDown={(event) => {
        if (event.target instanceof HTMLElement && event.target.role === 'slider') return;
        if (event.key === 'ArrowRight') turn(1);
        else if (event.key === 'ArrowLeft') turn(-1);
        else return;
        event.preventDefault();
      }}
    >
      <div className="flex items-center gap-1">
        {setups.length > 1 && (
          <IconButton label={t.previousSetup} onClick={() => turn(-1)}>
            <ChevronLeft size={16} aria-hidden />
          </IconButton>
        )}
        <p className="min-w-0 flex-1 text-[13px] leading-tight" aria-live="polite">
          {shown.label}
          {setups.length > 1 && <span className="text-soft">{t.of(index + 1, setups.length)}</span>}
        </p>
        {setups.length > 1 && (
          <IconButton label={t.nextSetup} onClick={() => turn(1)}>
            <ChevronRight size={16} aria-hidden />
          </IconButton>
        )}
      </div>
      <Seen
        frame={frame}
        limits={limits}
        setup={shown.setup}
        position={position}
        zoom={zoom}
        onPosition={setAt}
        onZoom={setZoom}
      />
    </div>
  );
}

function Seen({
  frame,
  limits,
  setup,
  position,
  zoom,
  onPosition,
  onZoom,
}: {
  frame: Frame;
  limits: Limits;
  setup: Setup;
  position: number | null;
  zoom: number | null;
  onPosition: (x: number) => void;
  onZoom: (focalMm: number) => void;
}) {
  const axis = needAxis(frame.need);
  const { margins, pictures, x } = useMemo(() => {
    const deciding = position ?? verdictOn(setup, frame, limits).deciding.margins.at;
    const atPosition = marginsOf(setup, frame, limits, deciding);
    const distanceM = axis.kind === 'distance' ? deciding : null;
    const seen = (focalMm: number, crop = 1) =>
      pictureOf(setup, frame, atPosition.orientation, focalMm, distanceM, crop);
    const { wideMm, longMm } = setup.focal;
    const used = Math.min(longMm, Math.max(wideMm, zoom ?? atPosition.focalUsedMm));
    return {
      margins: atPosition,
      x: deciding,
      pictures: {
        used: seen(used),
        wide: seen(wideMm),
        long: seen(longMm),
        cropped: atPosition.cropAllowed > 1.0005 ? seen(longMm, atPosition.cropAllowed) : null,
      },
    };
  }, [setup, frame, limits, position, zoom, axis.kind]);
  const figure = figureOf(frame.need);
  const { used, cropped } = pictures;
  const metres = axis.kind === 'distance';
  const words = [
    `${formatMm(used.focalMm)}, ${formatFNumber(used.fNumber)}`,
    metres
      ? t.takesIn(formatMetres(used.sides.width), formatMetres(used.sides.height))
      : t.sees(formatAngle(angleOf(used.sides.width)), formatAngle(angleOf(used.sides.height))),
    ...(used.fill === null ? [] : [t.filled(formatPercent(100 * used.fill))]),
    ...(used.blurPercent === null
      ? []
      : [t.aPointBlursToOf(behindWords(frame), formatPercent(used.blurPercent))]),
    ...(used.megapixels === null ? [] : [formatMegapixels(used.megapixels)]),
    ...(cropped
      ? [
          t.dottedTheLongEndCropped(
            formatCrop(margins.cropAllowed),
            cropped.megapixels === null ? '' : t.left(formatMegapixels(cropped.megapixels)),
          ),
        ]
      : []),
  ].join('; ');
  return (
    <>
      <Scene
        figure={figure}
        {...pictures}
        asked={askedSides(frame)}
        label={t.seenThroughTheSetup(frame.name, words)}
      />
      <p className="mt-1 text-[13px] text-soft">
        <Figure
          label={t.whatTakesIn(formatMm(used.focalMm))}
          steps={() => [
            ...pictureSteps(setup, used, metres ? x : null),
            ...marginSteps(margins, positionUnit(axis)),
          ]}
        >
          {words}.
        </Figure>
      </p>
      {metres && axis.range.to > axis.range.from && (
        <LogSlider
          label={t.distance}
          from={axis.range.from}
          to={axis.range.to}
          value={x}
          show={formatMetres}
          onChange={onPosition}
        />
      )}
      {setup.focal.longMm > setup.focal.wideMm && (
        <LogSlider
          label={t.zoom}
          from={setup.focal.wideMm}
          to={setup.focal.longMm}
          value={used.focalMm}
          show={formatMm}
          onChange={onZoom}
        />
      )}
    </>
  );
}

const angleOf = (perDistance: number) => angleOfLengthDeg(perDistance, 1);

function behindWords({ depth }: Frame): string {
  const behind = depth.blur?.behindM ?? null;
  return behind === null ? t.atInfinity : t.behind(formatMetres(behind));
}

/** The angles asked for directly, as sides of a 36×24 mm picture in the far. */
function askedSides({ need }: Frame): PictureSides[] {
  const at = (focalMm: number) => ({
    width: FULL_FRAME.widthMm / focalMm,
    height: FULL_FRAME.heightMm / focalMm,
  });
  if (need.kind === 'focal') return [at(need.fromMm), at(need.toMm)];
  if (need.kind !== 'angle') return [];
  const side = sideMm(FULL_FRAME, need.across);
  return [need.fromDeg, need.toDeg].map((deg) => at(side / lengthPerDistance(deg)));
}
