import { type Frame, frameId } from '@/core/brief';
import { bodyId, lensId, type Lens, type Shelf } from '@/core/gear';
import type { CameraSeen, Cluster, Log, NewLens } from '@/core/log';
import { freshId } from './freshId';
import { newFrame } from './newFrame';
import { UNKNOWN_BODY, UNKNOWN_ITEM, UNKNOWN_LENS } from './newGear';
import { shelfIds } from './edits';

/** Lights that a frame can state, EV at ISO 100. */
const EV = { least: -12, most: 22 } as const;
/** Focal lengths that a frame can state, mm. */
const FOCAL = { least: 2, most: 5000 } as const;

/** A wanted picture from photographs that are alike: their angles, their darker light, their share. */
export function framesOfClusters(
  clusters: readonly { readonly cluster: Cluster; readonly name: string }[],
  frames: readonly Frame[],
): Frame[] {
  const added: Frame[] = [];
  const within = (value: number, { least, most }: { least: number; most: number }) =>
    Math.min(most, Math.max(least, value));
  for (const { cluster, name } of clusters) {
    const fresh = newFrame([...frames, ...added], name);
    const { evDark, timeS, fromMm, toMm } = cluster;
    added.push({
      ...fresh,
      id: frameId.parse(fresh.id),
      subject: null,
      sharePercent: Math.min(100, Math.max(1, Math.round(cluster.sharePercent))),
      stretchIds: cluster.stretch === null ? [] : [cluster.stretch.id],
      need: {
        kind: 'focal',
        fromMm: within(Math.round(fromMm * 10) / 10, FOCAL),
        toMm: within(Math.round(toMm * 10) / 10, FOCAL),
        footing: 'held',
        atM: null,
      },
      light: {
        ...fresh.light,
        source:
          evDark === null
            ? { kind: 'none' }
            : { kind: 'ev', ev100: within(Math.round(evDark * 10) / 10, EV) },
        longestTimeS: timeS === null ? null : Math.min(3600, Math.max(0.000005, timeS)),
      },
    });
  }
  return added;
}

/** Names that files give, as they are put on the shelf. */
export interface SeenNames {
  /** The mount of a maker's cameras, where nothing else is known of it. */
  readonly mount: (make: string) => string;
  readonly camera: string;
  readonly lens: (wideMm: number, longMm: number, fWide: number, fLong: number) => string;
}

/**
 * Gear for the shelf from what photographs tell. A lens gets the mount of the body that it was used
 * on; a camera whose sensor no file tells of can't be made.
 */
export function gearOfSeen(
  log: Log,
  chosen: { readonly cameras: readonly CameraSeen[]; readonly lenses: readonly NewLens[] },
  bodyIds: readonly (string | null)[],
  shelf: Shelf,
  names: SeenNames,
): Pick<Shelf, 'bodies' | 'lenses'> {
  const taken = shelfIds(shelf);
  const fresh = (name: string) => {
    const id = freshId(name, taken);
    taken.add(id);
    return id;
  };
  const bodies = chosen.cameras.flatMap(({ camera, sensor, pixelsWide, pixelsHigh }) => {
    const { make, model } = log.cameras[camera] ?? { make: '', model: '' };
    if (sensor === null) return [];
    const name = model || names.camera;
    return [
      {
        camera,
        body: {
          id: bodyId.parse(fresh(name)),
          ...UNKNOWN_ITEM,
          name,
          maker: make.slice(0, 80),
          mount: names.mount(make),
          sensor: { ...sensor, pixelsWide, pixelsHigh },
          ...UNKNOWN_BODY,
        },
      },
    ];
  });
  const mountOf = (camera: number): string => {
    const known = shelf.bodies.find((b) => b.id === bodyIds[camera]);
    const made = bodies.find((b) => b.camera === camera);
    return known?.mount ?? made?.body.mount ?? names.mount(log.cameras[camera]?.make ?? '');
  };
  const lenses = chosen.lenses.map((l): Lens => {
    const seen = log.lenses[l.lens];
    const name = seen?.model || names.lens(l.wideMm, l.longMm, l.fNumberWide, l.fNumberLong);
    return {
      id: lensId.parse(fresh(name)),
      ...UNKNOWN_ITEM,
      name,
      maker: (seen?.make ?? '').slice(0, 80),
      mount: mountOf(l.camera),
      focal: { wideMm: l.wideMm, longMm: l.longMm },
      measured: null,
      apertures: [
        { focalMm: l.wideMm, fNumber: l.fNumberWide },
        ...(l.longMm > l.wideMm ? [{ focalMm: l.longMm, fNumber: l.fNumberLong }] : []),
      ],
      projection: 'rectilinear',
      ...UNKNOWN_LENS,
    };
  });
  return { bodies: bodies.map(({ body }) => body), lenses };
}
