import type { FrameId } from '@/core/brief';
import { type LensId, mountableSetups, type Setup, withItems } from '@/core/gear';
import { bestCover, type Cover, type LineupResult } from '@/core/lineup';
import type { OutingFile } from '@/document';

/** A picture on the line of a lens that can make it, or a part of it. */
export interface ScoreNote {
  readonly frameId: FrameId;
  /** Focal length on the 36×24 mm frame that it is taken at, mm. */
  readonly equivalentMm: number;
  readonly cover: Cover;
  /** Only this lens of the lineup can. */
  readonly isOnly: boolean;
  /** The proof rests on it. */
  readonly isProof: boolean;
  /** Where its dot stands, percent of the axis from the wide end: beside its place where others are near. */
  readonly shownAt: number;
  /** Row of its dot above the line, from 0. */
  readonly level: number;
}

/** A stretch of a line, mm on the 36×24 mm frame. */
export interface ScoreRange {
  readonly fromMm: number;
  readonly toMm: number;
}

export interface ScoreLine<Note = ScoreNote> {
  readonly lensId: LensId;
  readonly bare: ScoreRange;
  /** With a converter; null without one. */
  readonly converted: ScoreRange | null;
  /** Beyond the longest, by the largest crop allowed; null where none is. */
  readonly cropped: ScoreRange | null;
  readonly notes: readonly Note[];
}

export interface Score<Note = ScoreNote> {
  readonly lines: readonly ScoreLine<Note>[];
  readonly fromMm: number;
  readonly toMm: number;
}

/** How far apart dots stand, px: so far they are told by a finger. */
const APART_PX = 27;
/** How far from its place a dot may stand, in such distances; beyond it a second row begins. */
const MOST_ASIDE = 2.5;
/** How wide the axis is where nobody says, px. */
export const USUAL_PX = 660;
/** The same where it is drawn small: its dots, 12 of 224 wide, touch no other. */
export const SMALL_PX = 480;
/** No dot's middle stands nearer to an end of the axis, px. */
const EDGE_PX = 13;
/** Room at both ends of the axis, as a quotient. */
const ROOM = 1.12;

/** The lenses of a lineup that have a line: a lens that goes on no body there is reaches nothing. */
export function lensesOnScore(
  result: LineupResult,
  file: Pick<OutingFile, 'shelf' | 'limits'>,
): LensId[] {
  return result.lineup.lensIds.filter((id) => rangesOf(result, file, id) !== null);
}

/** The lineup as a score: a line a lens, a note a picture, along the axis of angle of view. */
export function scoreOf(
  result: LineupResult,
  file: Pick<OutingFile, 'shelf' | 'limits'>,
  widthPx = USUAL_PX,
  /** Another score on whose axis it lies too: the axis holds both. */
  beside?: Pick<Score, 'fromMm' | 'toMm'>,
): Score {
  const only = new Map(result.lensesIn.map((l) => [l.lensId, new Set(l.onlyIt ?? [])]));
  const proof = new Set<string>(
    result.proof.kind === 'none' ? [] : result.proof.witnesses.map((w) => w.frameId),
  );
  const drawn = result.lineup.lensIds.flatMap((lensId) => {
    const ranges = rangesOf(result, file, lensId);
    if (ranges === null) return [];
    const notes = result.frames.flatMap((frame) => {
      const cover = bestCover(frame.covers.filter((c) => c.lensId === lensId));
      if (!cover) return [];
      const { focalUsedMm, cropFactor, crop } = cover.margins;
      return [
        {
          frameId: frame.frameId,
          equivalentMm: focalUsedMm * cropFactor * crop,
          cover,
          isOnly: only.get(lensId)?.has(frame.frameId) ?? false,
          isProof: proof.has(frame.frameId),
        },
      ];
    });
    return [{ lensId, ...ranges, notes }];
  });
  const ends = drawn.flatMap((line) => [
    line.bare.fromMm,
    line.cropped?.toMm ?? line.converted?.toMm ?? line.bare.toMm,
    ...line.notes.map((n) => n.equivalentMm),
  ]);
  const fromMm = Math.min(Math.min(...ends, 50) / ROOM, beside?.fromMm ?? Infinity);
  const toMm = Math.max(Math.max(...ends, 50) * ROOM, beside?.toMm ?? 0);
  const lines = drawn
    .map((line) => ({ ...line, notes: placed(line.notes, { fromMm, toMm }, widthPx) }))
    .sort((a, b) => a.bare.fromMm - b.bare.fromMm || a.bare.toMm - b.bare.toMm);
  return { lines, fromMm, toMm };
}

/** What a lens reaches on the cameras that come along, with what of the lineup goes behind it. */
function rangesOf(
  { lineup, bodies }: LineupResult,
  { shelf, limits }: Pick<OutingFile, 'shelf' | 'limits'>,
  lensId: LensId,
): Pick<ScoreLine, 'bare' | 'converted' | 'cropped'> | null {
  const taken = new Set<string>([
    lensId,
    ...lineup.converterIds,
    ...lineup.tubeIds,
    ...lineup.adapterIds,
  ]);
  const along = new Set<string>(bodies);
  const setups = mountableSetups({
    ...withItems(shelf, ({ id }) => taken.has(id)),
    bodies: shelf.bodies.filter(({ id }) => along.has(id)),
  }).filter((s) => s.tubeId === null);
  const isConverted = (s: Setup) => s.converterId !== null || s.builtIn;
  const bare = rangeOf(setups.filter((s) => !isConverted(s)));
  if (bare === null) return null;
  const converted = rangeOf(setups.filter(isConverted));
  const longest = Math.max(bare.toMm, converted?.toMm ?? 0);
  const cropped = limits.maxCrop > 1 ? { fromMm: longest, toMm: longest * limits.maxCrop } : null;
  return { bare, converted, cropped };
}

function rangeOf(setups: readonly Setup[]): ScoreRange | null {
  if (setups.length === 0) return null;
  return {
    fromMm: Math.min(...setups.map((s) => s.focal.wideMm * s.cropFactor)),
    toMm: Math.max(...setups.map((s) => s.focal.longMm * s.cropFactor)),
  };
}

type Unplaced = Omit<ScoreNote, 'level' | 'shownAt'>;

/** Dots side by side, each as near its place as the others let it, in as few rows as keep them near. */
function placed(
  notes: readonly Unplaced[],
  axis: Pick<Score, 'fromMm' | 'toMm'>,
  widthPx: number,
): ScoreNote[] {
  const apart = (100 * APART_PX) / widthPx;
  const edge = (100 * EDGE_PX) / widthPx;
  const sorted = [...notes].sort((a, b) => a.equivalentMm - b.equivalentMm);
  const places = sorted.map((n) => placeOf(axis, n.equivalentMm));
  for (let rows = 1; ; rows += 1) {
    const shown: number[] = [];
    for (let row = 0; row < rows; row += 1) {
      const own = places.filter((_, i) => i % rows === row);
      sideBySide(own, apart, edge).forEach((at, i) => (shown[i * rows + row] = at));
    }
    const aside = Math.max(0, ...places.map((at, i) => Math.abs(at - shown[i]!)));
    if (aside <= MOST_ASIDE * apart || rows >= sorted.length)
      return sorted.map((note, i) => ({ ...note, shownAt: shown[i]!, level: i % rows }));
  }
}

/** Places at least so far apart, in order and within the axis; each group lies around its mean (pool adjacent violators). */
function sideBySide(places: readonly number[], apart: number, edge: number): number[] {
  const groups: { sum: number; count: number }[] = [];
  // Less the room of those before it, places only have to rise.
  const end = 100 - apart * (places.length - 1) - edge;
  const mean = ({ sum, count }: (typeof groups)[number]) => sum / count;
  places.forEach((at, i) => {
    groups.push({ sum: at - apart * i, count: 1 });
    for (;;) {
      const [before, last] = groups.slice(-2);
      if (!before || !last || mean(before) <= mean(last)) break;
      groups.splice(-2, 2, { sum: before.sum + last.sum, count: before.count + last.count });
    }
  });
  const starts = groups.flatMap((g) => Array.from({ length: g.count }, () => mean(g)));
  return starts.map((at, i) => Math.max(edge, Math.min(at, end)) + apart * i);
}

/** Where a focal length lies on the axis of a score, percent from its wide end. */
export function placeOf(
  { fromMm, toMm }: Pick<Score<unknown>, 'fromMm' | 'toMm'>,
  mm: number,
): number {
  return (100 * Math.log2(mm / fromMm)) / Math.log2(toMm / fromMm);
}
