import { eligibleBodies, eligibleBy, type Frame } from '@/core/brief';
import { type FrameSpan, frameSpan } from '@/core/coverage';
import { type Body, type Lens, mountFits, pixelsOfSensor, type Setup, setupOf } from '@/core/gear';
import { cropFactor, FULL_FRAME } from '@/core/optics';
import {
  equivalentRange,
  framesThere,
  type Gap,
  type LineupQuestion,
  type LineupResult,
  type Overlap,
} from '@/core/lineup';
import type { FrameState } from '@/parts';

/** A point of the chart: focal length on the 36×24 mm frame, and f-number. */
export interface ReachPoint {
  readonly focalMm: number;
  readonly fNumber: number;
}

export interface Band {
  readonly lens: Lens;
  readonly bodyName: string;
  readonly standing: 'in' | 'free' | 'out';
  readonly path: readonly ReachPoint[];
  /** Beyond the long end with each converter it takes. */
  readonly converted: readonly {
    readonly name: string;
    readonly taken: boolean;
    readonly path: readonly ReachPoint[];
  }[];
  /** Beyond the long end by the largest crop allowed. */
  readonly cropped: readonly ReachPoint[];
  /** Place among bands that would cover each other, 0 first. */
  readonly lane: number;
}

export interface Span {
  readonly frame: Frame;
  readonly number: number;
  readonly span: FrameSpan;
  readonly state: FrameState;
  /** Any lens is fast enough: it stands in the row under the f-numbers. */
  readonly isAny: boolean;
  readonly lane: number;
}

export interface ReachData {
  readonly bands: readonly Band[];
  readonly spans: readonly Span[];
  readonly gaps: readonly Gap[];
  readonly overlaps: readonly Overlap[];
  /** The slowest f-number that is drawn, in stops from f/1. */
  readonly floor: number;
  /** Crop factor of the format that focal lengths are labelled for. */
  readonly labelCrop: number;
}

/** Bands nearer than this in stops, and sharing focal lengths, are drawn side by side. */
const SAME_LEVEL_STOPS = 0.45;

/** Room that a frame's number takes to either side of a short span, as a factor. */
const NUMBER_ROOM = 1.06;

/** What of it is drawn. */
export interface Shown {
  readonly lens: (lens: Lens) => boolean;
  readonly frame: (frame: Frame) => boolean;
}

const ALL: Shown = { lens: () => true, frame: () => true };

/** Everything that the chart draws. `body` is the one looked through; null takes whichever fits. */
export function reachData(
  question: LineupQuestion,
  result: LineupResult | null,
  body: Body | null,
  shown: Shown = ALL,
): ReachData {
  const { frames, shelf, limits } = question;
  const bodies = body ? [body] : eligibleBodies(shelf, limits);
  const eligible = eligibleBy(limits);
  const format = body ?? bodies[0] ?? null;
  const taken = new Set<string>([
    ...(result?.lineup.lensIds ?? []),
    ...(result?.lineup.converterIds ?? []),
  ]);
  const bands = shelf.lenses.filter(shown.lens).flatMap((lens) => {
    const fits = (b: Body) => mountFits(shelf.mounts, b.mount, lens.mount);
    const taking = bodies.find(fits);
    const mounted = taking ?? (body ? undefined : shelf.bodies.find(fits));
    if (!mounted || lens.projection !== 'rectilinear') return [];
    return [bandOf(lens, mounted, { shelf, limits }, taken, !taking || !eligible('lenses', lens))];
  });
  const states = new Map(result?.frames.map((f) => [f.frameId, f]));
  const floor = slowestShown(bands);
  const numbered = frames.map((frame, i) => ({ frame, number: i + 1 }));
  const straight = numbered.filter(
    ({ frame }) => frame.need.kind !== 'fisheye' && shown.frame(frame),
  );
  const spans = straight.map(({ frame, number }) => {
    const standing = states.get(frame.id);
    const span = frameSpan(framesThere(frame, question, bodies)[0], formatOf(format), limits);
    return {
      frame,
      number,
      span,
      state: stateOf(standing?.state, standing?.nearest?.shortfall?.code),
      isAny: levelOf(span) >= floor,
      lane: 0,
    };
  });
  return {
    bands: inLanes(bands, (b) => ({
      from: b.path[0]?.focalMm ?? 1,
      to: b.path.at(-1)?.focalMm ?? 1,
      level: stopsOf(meanFNumber(b.path)),
      first: b.standing === 'in' ? 0 : b.standing === 'free' ? 1 : 2,
    })),
    spans: inLanes(spans, (s) => ({
      from: s.span.range.from / NUMBER_ROOM,
      to: s.span.range.to * NUMBER_ROOM,
      level: s.isAny ? Infinity : levelOf(s.span),
      first: 0,
      lastLane: s.isAny ? LAST_ANY_LANE : LAST_LANE,
    })),
    floor,
    gaps: result?.gaps ?? [],
    overlaps: result?.overlaps ?? [],
    labelCrop: format ? cropFactor(format.sensor) : 1,
  };
}

/** The slowest f-number that still does for a frame, in stops from f/1, between its two ends. */
const levelOf = ({ slowest }: FrameSpan) =>
  slowest === null ? Infinity : stopsOf(Math.sqrt(slowest.wide * slowest.long));

/** Stops below the slowest band that the chart still shows; for what is slower any lens will do. */
const ROOM_STOPS = 1;

/** Where the f-numbers end, in stops from f/1. */
function slowestShown(bands: readonly Band[]): number {
  const levels = bands.flatMap((b) =>
    [...b.path, ...b.converted.filter((c) => c.taken).flatMap((c) => c.path)].map((p) =>
      stopsOf(p.fNumber),
    ),
  );
  return Math.ceil(Math.max(stopsOf(5.6), ...levels)) + ROOM_STOPS;
}

export const stopsOf = (fNumber: number) => 2 * Math.log2(fNumber);

function stateOf(
  state: Exclude<FrameState, 'slow' | 'out'> | undefined,
  lack: string | undefined,
): FrameState {
  if (state === undefined) return 'out';
  return state === 'lost' && lack === 'too-slow' ? 'slow' : state;
}

function formatOf(body: Body | null) {
  if (body === null)
    return {
      sensor: FULL_FRAME,
      pixels: null,
      stabiliserStops: 0,
      isoCeiling: null,
      pitchMm: null,
      autofocusLimitFNumber: null,
      smallestFNumber: null,
    };
  const pixels = pixelsOfSensor(body.sensor);
  return {
    sensor: body.sensor,
    pixels: pixels && { longPx: pixels.wide, shortPx: pixels.high },
    stabiliserStops: body.stabiliserStops ?? 0,
    isoCeiling: body.isoCeiling,
    pitchMm: pixels && body.sensor.widthMm / pixels.wide,
    autofocusLimitFNumber: body.autofocusLimitFNumber,
    smallestFNumber: null,
  };
}

function bandOf(
  lens: Lens,
  body: Body,
  { shelf, limits }: Pick<LineupQuestion, 'shelf' | 'limits'>,
  taken: ReadonlySet<string>,
  out: boolean,
): Band {
  const mounted = { body, adapter: null, converter: null, tube: null, lens };
  const setup = setupOf(mounted);
  const path = pathOf(setup, lens, 1);
  const end = path.at(-1) ?? { focalMm: 1, fNumber: 1 };
  return {
    lens,
    bodyName: body.name,
    standing: taken.has(lens.id) ? 'in' : out ? 'out' : 'free',
    path,
    converted: shelf.converters
      .filter((c) => c.lensIds.includes(lens.id) && mountFits(shelf.mounts, body.mount, c.mount))
      .map((c) => ({
        name: c.name,
        taken: taken.has(c.id),
        path: beyond(pathOf(setupOf({ ...mounted, converter: c }), lens, c.factor), end.focalMm),
      })),
    cropped:
      limits.maxCrop > 1
        ? [end, { focalMm: end.focalMm * limits.maxCrop, fNumber: end.fNumber }]
        : [],
    lane: 0,
  };
}

/** The widest f-number from end to end, with the points of the lens's own table between. */
function pathOf(setup: Setup, lens: Lens, factor: number): ReachPoint[] {
  const { wideMm, longMm } = setup.focal;
  const scale = equivalentRange(setup).from / wideMm;
  const between = lens.apertures
    .map((p) => p.focalMm * factor)
    .filter((f) => f > wideMm && f < longMm);
  return [...new Set([wideMm, ...between, longMm])].map((f) => ({
    focalMm: f * scale,
    fNumber: setup.fNumberAt(f),
  }));
}

/** The part of a path past a focal length. */
function beyond(path: readonly ReachPoint[], focalMm: number): ReachPoint[] {
  const after = path.filter((p) => p.focalMm > focalMm);
  const first = after[0];
  if (!first) return [];
  const starts = path.some((p) => p.focalMm <= focalMm);
  return starts ? [{ focalMm, fNumber: first.fNumber }, ...after] : after;
}

function meanFNumber(path: readonly ReachPoint[]): number {
  return Math.sqrt((path[0]?.fNumber ?? 1) * (path.at(-1)?.fNumber ?? 1));
}

interface ChartExtent {
  readonly from: number;
  readonly to: number;
  readonly level: number;
  readonly first: number;
  readonly lastLane?: number;
}

/** Beyond this, things lie upon each other: a farther lane would read as another f-number. */
const LAST_LANE = 3;
/** The same in the row where f-numbers don't count. */
const LAST_ANY_LANE = 5;

/** Gives things that share focal lengths at nearly the same level different lanes. */
function inLanes<T extends { lane: number }>(
  things: readonly T[],
  extentOf: (thing: T) => ChartExtent,
): T[] {
  const placed: { extent: ChartExtent; lane: number }[] = [];
  const order = things
    .map((thing, i) => ({ thing, i, extent: extentOf(thing) }))
    .sort((a, b) => a.extent.first - b.extent.first || a.extent.from - b.extent.from);
  const lanes = new Map<number, number>();
  for (const { i, extent } of order) {
    const near = placed.filter(
      (p) =>
        (p.extent.level === extent.level ||
          Math.abs(p.extent.level - extent.level) < SAME_LEVEL_STOPS) &&
        p.extent.from <= extent.to &&
        extent.from <= p.extent.to,
    );
    const used = new Set(near.map((p) => p.lane));
    let lane = 0;
    while (used.has(lane)) lane += 1;
    placed.push({ extent, lane });
    lanes.set(i, Math.min(lane, extent.lastLane ?? LAST_LANE));
  }
  return things.map((thing, i) => ({ ...thing, lane: lanes.get(i) ?? 0 }));
}
