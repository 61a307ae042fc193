import { z } from 'zod';
import { frame, limits, outing, packing, stretch } from '@/core/brief';
import { isAway, itemsOf, shelf } from '@/core/gear';
import { FILE_VERSION } from './migrations';
import { MAX_FRAMES, MAX_STRETCHES, ties } from './desk/plan';

export const FILE_FORMAT = 'armreach';

/** The outing as stored, exported and posted: one JSON document. */
export const outingFile = z
  .strictObject({
    format: z.literal(FILE_FORMAT),
    version: z.literal(FILE_VERSION),
    outing,
    stretches: z.array(stretch).max(MAX_STRETCHES),
    frames: z.array(frame).max(MAX_FRAMES),
    shelf,
    limits,
    packing,
    /** How it hangs together with the shelf and settings of the person it comes from. */
    ties: ties.nullable(),
  })
  .superRefine((file, context) => {
    for (const { path, message } of brokenReferences(file))
      context.addIssue({ code: 'custom', path: [...path], message });
  });
export type OutingFile = z.infer<typeof outingFile>;

interface Broken {
  readonly path: readonly (string | number)[];
  readonly message: string;
}
type Identified = readonly { readonly id: string }[];

/** Ids used twice, and names of things that the file does not hold. */
function brokenReferences(file: {
  readonly outing: z.infer<typeof outing>;
  readonly stretches: readonly z.infer<typeof stretch>[];
  readonly frames: readonly z.infer<typeof frame>[];
  readonly shelf: z.infer<typeof shelf>;
  readonly limits: z.infer<typeof limits>;
  readonly packing: z.infer<typeof packing>;
}): Broken[] {
  const { shooters } = file.outing;
  const ids = (items: Identified) => new Set<string>(items.map((item) => item.id));
  const shooterIds = ids(shooters);
  const stretchIds = ids(file.stretches);
  const bodies = ids(file.shelf.bodies);
  const lockedOut = new Set(file.limits.lockedOut);
  const items = itemsOf(file.shelf);
  const things = ids(items);
  const away = ids(items.filter((item) => isAway(item.ownership)));
  const unknown = (
    list: readonly string[],
    known: ReadonlySet<string>,
    path: readonly (string | number)[],
    what: string,
  ): Broken[] =>
    list.flatMap((id, i) =>
      known.has(id) ? [] : [{ path: [...path, i], message: `no ${what} ${id}` }],
    );
  return [
    ...duplicateIds(shooters, ['outing', 'shooters']),
    ...duplicateIds(file.stretches, ['stretches']),
    ...duplicateIds(file.frames, ['frames']),
    ...file.stretches.flatMap(({ hands }, i) =>
      hands.flatMap((hand, j) => {
        const path = ['stretches', i, 'hands', j];
        return [
          ...(shooterIds.has(hand.shooterId)
            ? []
            : [{ path: [...path, 'shooterId'], message: `no shooter ${hand.shooterId}` }]),
          ...(hands.findIndex((other) => other.shooterId === hand.shooterId) < j
            ? [{ path: [...path, 'shooterId'], message: `${hand.shooterId} is here twice` }]
            : []),
          ...unknown(hand.bodyIds, bodies, [...path, 'bodyIds'], 'body'),
        ];
      }),
    ),
    ...file.frames.flatMap((f, i) => [
      ...unknown(f.stretchIds, stretchIds, ['frames', i, 'stretchIds'], 'stretch'),
      ...unknown(f.shooterIds, shooterIds, ['frames', i, 'shooterIds'], 'shooter'),
      ...(f.twice?.by === 'people'
        ? unknown(f.twice.shooterIds, shooterIds, ['frames', i, 'twice', 'shooterIds'], 'shooter')
        : []),
      ...f.views.flatMap((v, j) =>
        shooterIds.has(v.shooterId)
          ? []
          : [
              {
                path: ['frames', i, 'views', j, 'shooterId'],
                message: `no shooter ${v.shooterId}`,
              },
            ],
      ),
    ]),
    ...unknown(file.packing.anyOrder, stretchIds, ['packing', 'anyOrder'], 'stretch'),
    ...file.limits.spares.flatMap(({ bodyId }, i): Broken[] =>
      bodies.has(bodyId)
        ? []
        : [{ path: ['limits', 'spares', i, 'bodyId'], message: `no body ${bodyId}` }],
    ),
    ...duplicateIds(file.packing.compartments, ['packing', 'compartments']),
    ...duplicateIds(file.packing.things, ['packing', 'things']),
    ...unknown(file.limits.lockedIn, things, ['limits', 'lockedIn'], 'thing on the shelf called'),
    ...file.limits.lockedIn.flatMap((id, i) =>
      lockedOut.has(id)
        ? [
            {
              path: ['limits', 'lockedIn', i],
              message: `${id} is locked in and locked out at once`,
            },
          ]
        : [],
    ),
    ...file.limits.lockedIn.flatMap((id, i) =>
      away.has(id)
        ? [
            {
              path: ['limits', 'lockedIn', i],
              message: `${id} is in repair or lent out and cannot be locked in`,
            },
          ]
        : [],
    ),
    ...unknown(file.limits.lockedOut, things, ['limits', 'lockedOut'], 'thing on the shelf called'),
  ];
}

function duplicateIds(items: Identified, path: readonly string[]): Broken[] {
  const seen = new Set<string>();
  return items.flatMap(({ id }, i) => {
    if (seen.has(id)) return [{ path: [...path, i, 'id'], message: `the id ${id} is used twice` }];
    seen.add(id);
    return [];
  });
}
