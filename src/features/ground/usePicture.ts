'use client';

import { useMemo } from 'react';
import { concerns, footingOf, type Frame, type Limits, type Standpoint } from '@/core/brief';
import { takenItems } from '@/core/carry';
import { coveredDistances } from '@/core/coverage';
import { mountableSetups, type Setup, withItems } from '@/core/gear';
import type { GroundSubject } from '@/core/ground';
import { covers, type IntervalSet, union } from '@/core/intervals';
import type { Cover, FrameResult, LineupResult } from '@/core/lineup';
import type { OutingFile } from '@/document';
import { useAnswer, useFile, useFrameResults } from '@/session';

/** A picture on the plan: what it is of, how it stands, and from how far the lineup makes it. */
export interface PictureOnPlan {
  readonly frame: Frame;
  readonly subject: GroundSubject;
  readonly standing: FrameResult | undefined;
  /** Setups of the lineup. */
  readonly setups: readonly Setup[];
  /** Distances from which each lens of the lineup makes it, with whatever of it behind it, m. */
  readonly byLens: readonly LensReach[];
  /** The lens that is looked at; null for all of them. */
  readonly lensId: string | null;
  /** Distances from which what is looked at makes it, m. */
  readonly covered: IntervalSet;
  /** The stations that have to do with it. */
  readonly standpoints: readonly Standpoint[];
}

export interface LensReach {
  readonly lensId: string;
  readonly covered: IntervalSet;
}

/** Which lens is looked at: one, all, or the one that makes the picture. */
export type LensLookedAt = { readonly id: string } | 'all' | 'best';

/** @returns null where the picture is not on the plan */
export function usePicture(frameId: string | null, lens: LensLookedAt): PictureOnPlan | null {
  const file = useFile();
  const { result } = useAnswer();
  const standings = useFrameResults();
  const frame = file.frames.find((f) => f.id === frameId);
  const subject = file.ground.subjects.find((s) => s.frameIds.some((id) => id === frameId));
  const setups = useMemo(() => setupsOf(file, result), [file, result]);
  // Where it is does not change what covers it: dragging asks nothing anew.
  const asked = frame && JSON.stringify({ ...frame, ...PLACELESS });
  const lineup = setups.map((s) => `${s.bodyId} ${s.lensId} ${s.converterId}`).join();
  const byLens = useMemo(
    () => (asked === undefined ? [] : reachesOf(JSON.parse(asked) as Frame, setups, file.limits)),
    // eslint-disable-next-line react-hooks/exhaustive-deps -- the setups by what they are, not as objects
    [asked, lineup, file.limits],
  );
  if (!frame || !subject) return null;
  const standing = standings?.find((f) => f.frameId === frameId);
  const standpoints = frame.standpoints.filter((s) => concerns(frame, s));
  const best = standing?.covers[0]?.lensId ?? null;
  const lensId = lens === 'all' ? null : lens === 'best' ? best : lens.id;
  const covered =
    byLens.find((l) => l.lensId === lensId)?.covered ?? union(byLens.flatMap((l) => l.covered));
  return { frame, subject, standing, setups, byLens, lensId, covered, standpoints };
}

function reachesOf(frame: Frame, setups: readonly Setup[], limits: Limits): LensReach[] {
  const lensIds = [...new Set(setups.map((s) => s.lensId))];
  return lensIds.map((lensId) => ({
    lensId,
    covered: union(
      setups.filter((s) => s.lensId === lensId).flatMap((s) => coveredDistances(s, frame, limits)),
    ),
  }));
}

/** A lens of the lineup that would make a picture from a station, where the plan has none. */
export function lensFor(
  { byLens, frame }: PictureOnPlan,
  { fromM, toM }: Pick<Standpoint, 'fromM' | 'toM'>,
): string | null {
  const isFree = footingOf(frame.need) === 'free';
  const does = ({ covered }: LensReach) =>
    isFree
      ? covered.some((c) => c.from <= toM && fromM <= c.to)
      : covers(covered, { from: fromM, to: toM });
  return byLens.find(does)?.lensId ?? null;
}

const PLACELESS = { standpoints: [], views: [], name: '', note: '' };

function setupsOf({ shelf }: OutingFile, result: LineupResult | null): readonly Setup[] {
  if (!result) return [];
  const taken = new Set<string>(takenItems(result));
  const bodies = shelf.bodies.filter((b) => result.bodies.includes(b.id));
  return mountableSetups({ ...withItems(shelf, ({ id }) => taken.has(id)), bodies });
}

/** The setup that covers a picture, of some. */
export function setupOfCover(setups: readonly Setup[], cover: Cover): Setup | undefined {
  return setups.find(
    (s) =>
      s.bodyId === cover.bodyId &&
      s.lensId === cover.lensId &&
      s.adapterId === cover.adapterId &&
      s.converterId === cover.converterId &&
      s.tubeId === cover.tubeId &&
      s.builtIn === cover.builtIn,
  );
}

/** What covers a picture from a station, the best first. */
export function coversFrom(standing: FrameResult | undefined, stationId: string): readonly Cover[] {
  return standing?.covers.filter((c) => c.stationId === stationId) ?? [];
}
