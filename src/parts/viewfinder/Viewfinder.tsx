'use client';

import { ChevronLeft, ChevronRight } from 'lucide-react';
import { useMemo, useState } from 'react';
import { type Frame, type Limits, needAxis, positionUnit } from '@/core/brief';
import { marginsOf, pictureOf, type PictureSides, shotOf, verdictOn } from '@/core/coverage';
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
  panelText,
  pictureSteps,
} from '@/text';
import { IconButton } from '@/ui/Button';
import { LogSlider } from '@/ui/Slider';
import { Photo } from '../scene';
import { Scene } from './Scene';

const t = panelText.viewfinder;

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
  if (!shown) return null;
  if (frame.need.kind === 'fisheye')
    return (
      <Photo
        frame={frame}
        setup={shown.setup}
        limits={limits}
        label={t.viewfinder(frame.name)}
        className="w-full"
      />
    );
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
          {setups.length > 1 && (
            <span className="text-soft"> · {t.of(index + 1, setups.length)}</span>
          )}
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
  const { margins, pictures, shot, x } = usePictures(frame, limits, setup, position, zoom);
  const { used } = pictures;
  const metres = axis.kind === 'distance';
  const words = seenWords(frame, pictures, margins.cropAllowed, metres);
  return (
    <>
      <Scene
        frame={frame}
        shot={shot}
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

/** What the setup sees from a position: as zoomed, at both ends, and cropped as far as allowed. */
function usePictures(
  frame: Frame,
  limits: Limits,
  setup: Setup,
  position: number | null,
  zoom: number | null,
) {
  return useMemo(() => {
    const x = position ?? verdictOn(setup, frame, limits).deciding.margins.at;
    const margins = marginsOf(setup, frame, limits, x);
    const distanceM = needAxis(frame.need).kind === 'distance' ? x : null;
    const seen = (focalMm: number, crop = 1) =>
      pictureOf(setup, frame, margins.orientation, focalMm, distanceM, crop);
    const { wideMm, longMm } = setup.focal;
    const usedMm = Math.min(longMm, Math.max(wideMm, zoom ?? margins.focalUsedMm));
    const cropped = margins.cropAllowed > 1.0005 ? seen(longMm, margins.cropAllowed) : null;
    const pictures = { used: seen(usedMm), wide: seen(wideMm), long: seen(longMm), cropped };
    return { margins, x, pictures, shot: shotOf(setup, frame, limits, x, usedMm) };
  }, [setup, frame, limits, position, zoom]);
}

type Pictures = ReturnType<typeof usePictures>['pictures'];

/** @param metres whether the frame is at a distance, so that what is taken in has a size */
function seenWords(
  frame: Frame,
  { used, cropped }: Pictures,
  cropAllowed: number,
  metres: boolean,
): string {
  const { width, height } = used.sides;
  const words = [
    `${formatMm(used.focalMm)}, ${formatFNumber(used.fNumber)}`,
    metres
      ? t.takesIn(formatMetres(width), formatMetres(height))
      : t.sees(formatAngle(angleOf(width)), formatAngle(angleOf(height))),
  ];
  if (used.fill !== null) words.push(t.filled(formatPercent(100 * used.fill)));
  if (used.blurPercent !== null)
    words.push(t.aPointBlursToOf(behindWords(frame), formatPercent(used.blurPercent)));
  if (used.megapixels !== null) words.push(formatMegapixels(used.megapixels));
  if (cropped) {
    const left = cropped.megapixels === null ? '' : t.left(formatMegapixels(cropped.megapixels));
    words.push(t.dottedTheLongEndCropped(formatCrop(cropAllowed), left));
  }
  return words.join('; ');
}

const angleOf = (perDistance: number) => angleOfLengthDeg(perDistance, 1);

function behindWords({ depth }: Frame): string {
  const behind = depth.blur?.behindM ?? null;
  return behind === null ? t.atInfinity : t.behind(formatMetres(behind));
}

/** The angles asked for directly, as sides of a 36×24 mm picture at infinity. */
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
