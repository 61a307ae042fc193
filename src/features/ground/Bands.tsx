'use client';

import { polygonHull } from 'd3-polygon';
import { useId } from 'react';
import { footingOf, type Footing } from '@/core/brief';
import {
  between,
  type ClosedGround,
  edgesOf,
  flatRange,
  type Ground,
  type GroundSubject,
  type Point,
  type Screen,
  shadowOf,
} from '@/core/ground';
import type { Interval } from '@/core/intervals';
import type { PictureOnPlan } from './usePicture';
import type { Scale } from './scale';

/** Points along a subject from which shadows are drawn. */
const SAMPLES = 24;

interface BandsProps {
  readonly picture: PictureOnPlan;
  readonly scale: Scale;
  readonly cameraM: number;
  readonly screens: readonly Screen[];
  readonly closed: readonly ClosedGround[];
  readonly sheet: Pick<Ground, 'widthM' | 'heightM'>;
}

/** Where one may stand: within the distances that are covered, in sight, and not on closed ground. */
export function Bands({ picture, ...of }: BandsProps) {
  const { subject, covered, frame } = picture;
  const bands = covered.flatMap((range) => flatRange(range, subject.middleM - of.cameraM) ?? []);
  // Together as if one: where bands lie over one another they are no stronger.
  return (
    <g opacity={0.22}>
      {bands.map((band) => (
        <Band
          key={`${band.from} ${band.to}`}
          {...of}
          {...{ subject, band, footing: footingOf(frame.need) }}
        />
      ))}
    </g>
  );
}

type BandProps = Omit<BandsProps, 'picture'> & {
  readonly subject: GroundSubject;
  readonly band: Interval;
  readonly footing: Footing;
};

function Band(props: BandProps) {
  const { subject, screens, footing } = props;
  const isSpread = subject.points.length > 1 && footing === 'free' && screens.length > 0;
  // Of a spread subject any part will do: each point along it has its own band, cut by its own shadows.
  return isSpread ? (
    samplesOf(subject).map((p, i) => (
      <MaskedBand key={i} {...props} subject={{ ...subject, points: [p] }} />
    ))
  ) : (
    <MaskedBand {...props} />
  );
}

function MaskedBand({ subject, band, footing, scale, sheet, cameraM, screens, closed }: BandProps) {
  const farM = Math.hypot(sheet.widthM, sheet.heightM);
  const id = useId();
  const isWhole = footing !== 'free' || subject.points.length === 1;
  const line = pathOf(subject.points, scale);
  const wide = (m: number) => 2 * Math.min(m, farM) * scale.perM;
  const stroke = { fill: 'none', strokeLinejoin: 'round', strokeLinecap: 'round' } as const;
  const shadows = shadowsOf(subject, cameraM, screens, 3 * farM);
  const all = {
    x: scale.x(0),
    y: scale.y(sheet.heightM),
    width: sheet.widthM * scale.perM,
    height: sheet.heightM * scale.perM,
  };
  return (
    <g>
      {/* All of it within reach: inside the circles about each of its corners. */}
      {[band.from, band.to].map((m, end) =>
        subject.points.map((p, i) => (
          <clipPath key={`${end} ${i}`} id={`${id}-${end}-${i}`} clipPathUnits="userSpaceOnUse">
            <circle
              cx={scale.x(p.xM)}
              cy={scale.y(p.yM)}
              r={wide(m) / 2}
              clipPath={i === 0 ? undefined : `url(#${id}-${end}-${i - 1})`}
            />
          </clipPath>
        )),
      )}
      <mask id={id} maskUnits="userSpaceOnUse" {...all}>
        {isWhole ? (
          <>
            <rect {...all} fill="white" clipPath={`url(#${id}-1-${subject.points.length - 1})`} />
            <path d={line} {...stroke} stroke="black" strokeWidth={wide(band.from)} />
          </>
        ) : (
          <>
            <path d={line} {...stroke} stroke="white" strokeWidth={wide(band.to)} />
            <rect {...all} fill="black" clipPath={`url(#${id}-0-${subject.points.length - 1})`} />
          </>
        )}
        <path
          d={shadows.map((outline) => `${pathOf(outline, scale)}Z`).join('')}
          fill="black"
          stroke="black"
          strokeWidth={0.5}
        />
        <path d={closed.map((c) => `${pathOf(c.points, scale)}Z`).join('')} fill="black" />
      </mask>
      <rect {...all} fill="var(--got)" mask={`url(#${id})`} />
    </g>
  );
}

export function pathOf(points: readonly Point[], { x, y }: Scale): string {
  const [first, ...others] = points.map((p) => `${x(p.xM).toFixed(1)} ${y(p.yM).toFixed(1)}`);
  // A line of no length has round ends only where it goes somewhere.
  return `M${first}L${others.length === 0 ? first : others.join('L')}`;
}

/**
 * From where some of a subject is hidden: the shadows that screens throw from points along it, each joined
 * with the next.
 */
function shadowsOf(
  subject: GroundSubject,
  cameraM: number,
  screens: readonly Screen[],
  farM: number,
): (readonly Point[])[] {
  const samples = samplesOf(subject).map((p) => ({ ...p, zM: subject.middleM }));
  return screens.flatMap((screen) => {
    const each = samples.map((p) => shadowOf(p, cameraM, screen, farM));
    if (each.length === 1) return each[0] ? [each[0]] : [];
    return each.slice(1).flatMap((outline, i) => {
      const corners = [...(each[i] ?? []), ...(outline ?? [])];
      const hull = polygonHull(corners.map(({ xM, yM }): [number, number] => [xM, yM]));
      return hull ? [hull.map(([xM, yM]) => ({ xM, yM }))] : [];
    });
  });
}

/** Points along a subject, its ends among them. */
function samplesOf(subject: GroundSubject): Point[] {
  const edges = edgesOf(subject);
  const [only] = subject.points;
  if (subject.points.length === 1 && only) return [only];
  const each = Math.max(2, Math.ceil(SAMPLES / edges.length));
  return edges.flatMap(({ from, to }) =>
    Array.from({ length: each + 1 }, (_, i) => between(from, to, i / each)),
  );
}
