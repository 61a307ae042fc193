import * as z from 'zod';
import { frame, limits, outing, packing, stretch } from '@/core/brief';
import { ground } from '@/core/ground';
import { isAway, itemsOf, shelf } from '@/core/gear';
import { VERSIONS } from './migrations';
import { MAX_FRAMES, MAX_STRETCHES, ties } from './desk/plan';
import { broken, type Rule } from '@/core/rule';

export const FILE_FORMAT = 'armreach';

const parts = z.strictObject({
  format: z.literal(FILE_FORMAT),
  version: z.literal(VERSIONS.outing),
  outing,
  stretches: z.array(stretch).max(MAX_STRETCHES),
  frames: z.array(frame).max(MAX_FRAMES),
  shelf,
  limits,
  packing,
  ground,
  /** How it hangs together with the shelf and settings of the person it comes from. */
  ties: ties.nullable(),
});

/** The outing as stored, exported and posted: one JSON document. */
export const outingFile = parts.superRefine((file, context) => {
  for (const { path, rule } of brokenReferences(file))
    context.addIssue({ code: 'custom', path: [...path], ...broken(rule) });
});
export type OutingFile = z.infer<typeof outingFile>;

interface Broken {
  readonly path: Path;
  readonly rule: Rule;
}
type Path = readonly (string | number)[];
type Identified = readonly { readonly id: string }[];
type Parts = Readonly<Omit<z.infer<typeof parts>, 'format' | 'version' | 'ties'>>;

const at = (path: Path, rule: Rule): Broken => ({ path, rule });
const idsOf = (items: Identified) => new Set<string>(items.map((item) => item.id));

/** Ids used twice, and names of things that the file does not hold. */
function brokenReferences(file: Parts): Broken[] {
  const { outing: of, stretches, frames, packing: packed, ground: plan } = file;
  return [
    ...duplicateIds(of.shooters, ['outing', 'shooters']),
    ...duplicateIds(stretches, ['stretches']),
    ...duplicateIds(frames, ['frames']),
    ...duplicateIds(plan.stations, ['ground', 'stations']),
    ...duplicateIds(plan.subjects, ['ground', 'subjects']),
    ...duplicateIds(plan.obstacles, ['ground', 'obstacles']),
    ...duplicateIds(plan.closed, ['ground', 'closed']),
    ...brokenGround(file),
    ...duplicateIds(packed.compartments, ['packing', 'compartments']),
    ...duplicateIds(packed.things, ['packing', 'things']),
    ...missing(packed.anyOrder, idsOf(stretches), ['packing', 'anyOrder'], 'no-stretch'),
    ...brokenPresences(file),
    ...frames.flatMap((_, i) => brokenFrame(file, i)),
    ...brokenLocks(file),
  ];
}

/** Who may stand where and when, and which pictures are of what: a picture of one subject alone. */
function brokenGround({ outing: of, stretches, frames, ground: plan }: Parts): Broken[] {
  const shooters = idsOf(of.shooters);
  const known = idsOf(frames);
  const during = idsOf(stretches);
  const tied = new Set<string>();
  return [
    ...plan.stations.flatMap(({ shooterIds, stretchIds }, i) => {
      const path = ['ground', 'stations', i];
      return [
        ...missing(shooterIds, shooters, [...path, 'shooterIds'], 'no-shooter'),
        ...missing(stretchIds, during, [...path, 'stretchIds'], 'no-stretch'),
      ];
    }),
    ...plan.subjects.flatMap(({ frameIds }, i) => {
      const path = ['ground', 'subjects', i, 'frameIds'];
      return [
        ...missing(frameIds, known, path, 'no-frame'),
        ...frameIds.flatMap((id, j) => {
          if (tied.has(id)) return [at([...path, j], { rule: 'frame-twice', id })];
          tied.add(id);
          return [];
        }),
      ];
    }),
  ];
}

/** Who is in a stretch, and with which bodies. */
function brokenPresences({ outing: of, stretches, shelf: gear }: Parts): Broken[] {
  const shooters = idsOf(of.shooters);
  const bodies = idsOf(gear.bodies);
  return stretches.flatMap(({ hands }, i) =>
    hands.flatMap(({ shooterId, bodyIds }, j) => {
      const path = ['stretches', i, 'hands', j];
      const isAgain = hands.findIndex((other) => other.shooterId === shooterId) < j;
      return [
        ...missing([shooterId], shooters, [...path, 'shooterId'], 'no-shooter', true),
        ...(isAgain ? [at([...path, 'shooterId'], { rule: 'shooter-twice', id: shooterId })] : []),
        ...missing(bodyIds, bodies, [...path, 'bodyIds'], 'no-body'),
      ];
    }),
  );
}

/** Where, by whom and from where a frame is made. */
function brokenFrame({ outing: of, stretches, frames }: Parts, i: number): Broken[] {
  const shooters = idsOf(of.shooters);
  const path = ['frames', i];
  const { stretchIds, shooterIds, twice, views } = frames[i]!;
  return [
    ...missing(stretchIds, idsOf(stretches), [...path, 'stretchIds'], 'no-stretch'),
    ...missing(shooterIds, shooters, [...path, 'shooterIds'], 'no-shooter'),
    ...(twice?.by === 'people'
      ? missing(twice.shooterIds, shooters, [...path, 'twice', 'shooterIds'], 'no-shooter')
      : []),
    ...views.flatMap(({ shooterId }, j) =>
      missing([shooterId], shooters, [...path, 'views', j, 'shooterId'], 'no-shooter', true),
    ),
  ];
}

/** What is locked in, left out and spare. */
function brokenLocks({ limits: { lockedIn, lockedOut, spares }, shelf: gear }: Parts): Broken[] {
  const items = itemsOf(gear);
  const known = idsOf(items);
  const out = new Set(lockedOut);
  const away = idsOf(items.filter((item) => isAway(item.ownership)));
  return [
    ...spares.flatMap(({ bodyId }, i) =>
      missing([bodyId], idsOf(gear.bodies), ['limits', 'spares', i, 'bodyId'], 'no-body', true),
    ),
    ...missing(lockedIn, known, ['limits', 'lockedIn'], 'no-item'),
    ...missing(lockedOut, known, ['limits', 'lockedOut'], 'no-item'),
    ...lockedIn.flatMap((id, i) => {
      const path = ['limits', 'lockedIn', i];
      return [
        ...(out.has(id) ? [at(path, { rule: 'locked-in-and-out', id })] : []),
        ...(away.has(id) ? [at(path, { rule: 'away-locked-in', id })] : []),
      ];
    }),
  ];
}

/** Ids of a list, or a single one, that are not known. */
function missing(
  ids: readonly string[],
  known: ReadonlySet<string>,
  path: Path,
  rule: 'no-stretch' | 'no-shooter' | 'no-body' | 'no-item' | 'no-frame',
  isSingle = false,
): Broken[] {
  return ids.flatMap((id, i) =>
    known.has(id) ? [] : [at(isSingle ? path : [...path, i], { rule, id })],
  );
}

function duplicateIds(items: Identified, path: Path): Broken[] {
  const seen = new Set<string>();
  return items.flatMap(({ id }, i) => {
    if (seen.has(id)) return [at([...path, i, 'id'], { rule: 'duplicate-id', id })];
    seen.add(id);
    return [];
  });
}
