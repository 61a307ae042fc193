import type { Frame, FrameId, Limits } from '@/core/brief';
import { coversAlone } from '@/core/coverage';
import {
  apertureEnds,
  type BodyId,
  type Converter,
  formatKey,
  type Lens,
  type LensId,
  mountableSetups,
  type Setup,
  type Shelf,
} from '@/core/gear';
import type { Interval } from '@/core/intervals';
import { equivalentRange, type Gap, gapsOf, type Overlap, overlapsOf } from '@/core/lineup';

/** Most lenses that stand side by side. */
export const MOST_BESIDE = 6;

/** A lens, or one with a converter behind it, as a link names it. */
export interface Beside {
  readonly lensId: string;
  readonly converterId: string | null;
}

/** A lens on one format that it is used on. */
export interface Band {
  readonly formatKey: string;
  /** Crop factor of the part of the sensor that is used. */
  readonly cropFactor: number;
  readonly bodyIds: readonly BodyId[];
  /** Focal lengths on the 36×24 mm frame by diagonal, mm. */
  readonly range: Interval;
}

/** One of the lenses that stand side by side, with what is behind it. */
export interface Column {
  /** Tells it from the others: the id of its lens, and of its converter. */
  readonly key: LensId;
  readonly lens: Lens;
  readonly converter: Converter | null;
  /** Weight with what is behind it, g; null where a part of it isn't known. */
  readonly weightG: number | null;
  /** Largest magnification with what is behind it; null where that isn't known. */
  readonly maxMagnification: number | null;
  /** Widest f-numbers at its wide and long ends with what is behind it. */
  readonly fNumbers: readonly [wide: number, long: number];
  /** Focal lengths with what is behind it, mm. */
  readonly focal: Lens['focal'];
  /** One for each format, the largest first; empty where no camera takes it. */
  readonly bands: readonly Band[];
}

/** Lenses side by side: what they reach together, where they double, and which pictures are whose. */
export interface SideBySide {
  readonly columns: readonly Column[];
  /** Holes between them on the formats that they are used on. */
  readonly gaps: readonly Gap[];
  readonly overlaps: readonly Overlap[];
  /** Pictures that only one of them covers, alone, on whichever camera. */
  readonly onlyBy: ReadonlyMap<LensId, readonly FrameId[]>;
  /** Pictures that all of them cover, and that none of them does. */
  readonly byAll: readonly FrameId[];
  readonly byNone: readonly FrameId[];
}

/** Between a lens and what is behind it: no id has it, and no address changes it. */
export const BEHIND = '~';

export const besideKey = ({ lensId, converterId }: Beside): string =>
  converterId === null ? lensId : `${lensId}${BEHIND}${converterId}`;

/**
 * Lenses side by side, in the order asked; what is not on the shelf, or doesn't go together, is left out.
 *
 * @param frames pictures that they are held against; none where there is nothing wanted
 * @param format the format of the cameras that count, by its key; null for all
 */
export function sideBySide(
  shelf: Shelf,
  asked: readonly Beside[],
  frames: readonly Frame[],
  limits: Limits,
  format: string | null = null,
): SideBySide {
  const lenses = shelf.lenses.filter(({ id }) => asked.some(({ lensId }) => lensId === id));
  const setups = mountableSetups({ ...shelf, lenses }).filter(
    ({ sensor }) => format === null || formatKey(sensor) === format,
  );
  const found = asked.flatMap((beside) => columnOf(shelf, beside, setups) ?? []);
  const all = found.flatMap(({ column, own }) =>
    // Each stands for itself, with what is behind it as a part of it.
    own.map((setup): Setup => ({ ...setup, lensId: column.key, converterId: null })),
  );
  const lensOf = new Map(
    found.map(({ column }) => [
      column.key,
      {
        ...column.lens,
        id: column.key,
        weightG: column.weightG,
        maxMagnification: column.maxMagnification,
      },
    ]),
  );
  const madeBy = frames.map((frame) => ({
    frame,
    keys: found
      .filter(({ own }) => coversAlone(own, frame, limits))
      .map(({ column }) => column.key),
  }));
  const idsOf = (is: (keys: readonly LensId[]) => boolean) =>
    madeBy.filter(({ keys }) => is(keys)).map(({ frame }) => frame.id);
  return {
    columns: found.map(({ column }) => column),
    gaps: gapsOf(all, [], new Map(), limits),
    overlaps: overlapsOf(all, lensOf),
    onlyBy: new Map(
      found.map(({ column: { key } }) => [
        key,
        idsOf((keys) => found.length > 1 && keys.length === 1 && keys[0] === key),
      ]),
    ),
    byAll: idsOf((keys) => keys.length === found.length),
    byNone: idsOf((keys) => keys.length === 0),
  };
}

function columnOf(shelf: Shelf, beside: Beside, setups: readonly Setup[]) {
  const lens = shelf.lenses.find((l) => l.id === beside.lensId);
  const converter = shelf.converters.find((c) => c.id === beside.converterId) ?? null;
  if (!lens || (beside.converterId !== null && !converter?.lensIds.includes(lens.id))) return null;
  const own = setups.filter(
    (s) =>
      s.lensId === lens.id &&
      s.converterId === (converter?.id ?? null) &&
      s.tubeId === null &&
      !s.builtIn,
  );
  const [first] = own;
  const factor = converter?.factor ?? 1;
  const focal = {
    wideMm: lens.focal.wideMm * factor,
    longMm: lens.focal.longMm * factor,
  };
  const column: Column = {
    key: besideKey(beside) as LensId,
    lens,
    converter,
    weightG: sum(lens.weightG, converter === null ? 0 : converter.weightG),
    maxMagnification: first?.maxMagnification ?? lens.maxMagnification,
    fNumbers: first
      ? [first.fNumberAt(first.focal.wideMm), first.fNumberAt(first.focal.longMm)]
      : apertureEnds(lens.apertures),
    focal: first?.focal ?? focal,
    bands: bandsOf(own),
  };
  return { column, own };
}

const sum = (a: number | null, b: number | null) => (a === null || b === null ? null : a + b);

/** A band for each format, the largest sensor first. */
function bandsOf(setups: readonly Setup[]): Band[] {
  const bands = new Map<string, Band>();
  for (const setup of setups) {
    const key = formatKey(setup.sensor);
    const known = bands.get(key);
    bands.set(key, {
      formatKey: key,
      cropFactor: setup.cropFactor,
      bodyIds: [...new Set([...(known?.bodyIds ?? []), setup.bodyId])],
      range: equivalentRange(setup),
    });
  }
  return [...bands.values()].sort((a, b) => a.cropFactor - b.cropFactor);
}
