import { type Body, bodyId, type Lens, lensId, type Mount } from '@/core/gear';
import { FULL_FRAME, sideMm } from '@/core/optics';
import { freshId } from '../freshId';
import { UNKNOWN_BODY, UNKNOWN_ITEM, UNKNOWN_LENS } from '../newGear';
import type { DatabaseCamera, DatabaseLens, LensDatabase } from './lensfun';

/** What was chosen from a database. */
export interface DatabaseChoice {
  readonly mounts: ReadonlySet<string>;
  readonly cameras: readonly DatabaseCamera[];
  readonly lenses: readonly DatabaseLens[];
  /** Take over which chosen mounts accept which; the database does not tell where an adapter is needed. */
  readonly compatibility: boolean;
}

export interface DatabaseGear {
  readonly mounts: Mount[];
  readonly bodies: Body[];
  readonly lenses: Lens[];
}

/** Crop factors about 2 belong to 4:3 sensors; the database does not tell a camera's aspect. */
const FOUR_THIRDS_CROP = { min: 1.85, max: 2.15 };

/**
 * Turns chosen entries into gear. A lens sold for several mounts becomes one lens for each chosen
 * mount. Weight, price, close focus, pixels and image circle stay unknown: the database has none.
 */
export function gearFromDatabase(
  database: LensDatabase,
  choice: DatabaseChoice,
  taken: ReadonlySet<string>,
): DatabaseGear {
  const ids = new Set(taken);
  const fresh = (name: string) => {
    const id = freshId(name, ids);
    ids.add(id);
    return id;
  };
  return {
    mounts: database.mounts
      .filter((m) => choice.mounts.has(m.name))
      .map((m) => ({
        name: m.name,
        accepts: choice.compatibility ? m.accepts.filter((other) => choice.mounts.has(other)) : [],
      })),
    bodies: choice.cameras.map((camera) =>
      bodyFrom(camera, fresh(`${camera.maker} ${camera.model}`)),
    ),
    lenses: choice.lenses.flatMap((lens) =>
      lens.mounts
        .filter((mount) => choice.mounts.has(mount))
        .map((mount) => lensFrom(lens, mount, fresh(`${lens.maker} ${lens.model} ${mount}`))),
    ),
  };
}

function bodyFrom(camera: DatabaseCamera, id: string): Body {
  const fourThirds =
    camera.cropFactor > FOUR_THIRDS_CROP.min && camera.cropFactor < FOUR_THIRDS_CROP.max;
  const aspect = fourThirds ? 4 / 3 : 3 / 2;
  const diagonal = sideMm(FULL_FRAME, 'diagonal') / camera.cropFactor;
  const heightMm = diagonal / Math.hypot(aspect, 1);
  return {
    id: bodyId.parse(id),
    name: camera.model.slice(0, 120),
    maker: camera.maker.slice(0, 80),
    ...UNKNOWN_ITEM,
    mount: camera.mount,
    sensor: {
      widthMm: round(heightMm * aspect),
      heightMm: round(heightMm),
      pixelsWide: null,
      pixelsHigh: null,
    },
    ...UNKNOWN_BODY,
  };
}

function lensFrom(lens: DatabaseLens, mount: string, id: string): Lens {
  return {
    id: lensId.parse(id),
    name: lens.model.slice(0, 120),
    maker: lens.maker.slice(0, 80),
    ...UNKNOWN_ITEM,
    mount,
    focal: lens.focal,
    measured: lens.measured,
    apertures: [...lens.apertures],
    projection: lens.projection,
    ...UNKNOWN_LENS,
  };
}

const round = (mm: number) => Math.round(mm * 100) / 100;
