import { type Frame, frame } from '@/core/brief';
import {
  ITEM_KINDS,
  ITEM_SCHEMAS,
  type ItemKind,
  type Mount,
  mount,
  type Shelf,
  SHELF_LIMITS,
} from '@/core/gear';
import { MAX_FRAMES } from './desk/plan';
import { type FieldIssue, issuesOf, TELLING } from './problems';

/** Why something is not taken. */
export type LeftOutProblem =
  | { readonly code: 'field'; readonly issue: FieldIssue }
  | {
      readonly code: 'too-many-pictures' | 'too-many-items' | 'too-many-mounts';
      readonly most: number;
    }
  | { readonly code: 'id-taken'; readonly id: string };

/** Something that is not taken, and why. */
export interface LeftOut {
  readonly name: string;
  readonly problem: LeftOutProblem;
}

/** What of a paste or an import can be kept, and what cannot. */
export interface Fitting<T> {
  readonly taken: T;
  readonly left: readonly LeftOut[];
}

interface Named {
  readonly id: string;
  readonly name: string;
}

/** Frames that can be added to those that are there. */
export function fittingFrames(
  present: readonly Frame[],
  added: readonly Frame[],
): Fitting<readonly Frame[]> {
  const room = MAX_FRAMES - present.length;
  const left: LeftOut[] = [];
  const taken: Frame[] = [];
  for (const one of added) {
    const problem = problemOf(frame, one);
    if (problem) left.push({ name: one.name, problem });
    else if (taken.length >= room)
      left.push({ name: one.name, problem: { code: 'too-many-pictures', most: MAX_FRAMES } });
    else taken.push(one);
  }
  return { taken, left };
}

/** Gear that can be added to a shelf: what has the id of an item of its kind takes its place. */
export function fittingGear(shelf: Shelf, added: Partial<Shelf>): Fitting<Partial<Shelf>> {
  const left: LeftOut[] = [];
  const taken: Partial<Record<keyof Shelf, unknown[]>> = {};
  const kindOf = new Map<string, ItemKind>();
  for (const kind of ITEM_KINDS)
    for (const { id } of shelf[kind] as readonly Named[]) kindOf.set(id, kind);
  for (const kind of ITEM_KINDS) {
    let room = SHELF_LIMITS[kind] - shelf[kind].length;
    const good: Named[] = [];
    for (const item of (added[kind] ?? []) as readonly Named[]) {
      const isNew = !kindOf.has(item.id);
      const problem: LeftOutProblem | null =
        problemOf(ITEM_SCHEMAS[kind], item) ??
        (!isNew && kindOf.get(item.id) !== kind
          ? { code: 'id-taken', id: item.id }
          : isNew && room <= 0
            ? { code: 'too-many-items', most: SHELF_LIMITS[kind] }
            : null);
      if (problem !== null) {
        left.push({ name: item.name, problem });
        continue;
      }
      if (isNew) room -= 1;
      kindOf.set(item.id, kind);
      good.push(item);
    }
    if (added[kind]) taken[kind] = good;
  }
  if (added.mounts) taken.mounts = fittingMounts(shelf.mounts, added.mounts, left);
  return { taken: taken as Partial<Shelf>, left };
}

function fittingMounts(
  present: readonly Mount[],
  added: readonly Mount[],
  left: LeftOut[],
): Mount[] {
  const names = new Set(present.map((m) => m.name));
  return added.filter((one) => {
    const problem: LeftOutProblem | null =
      problemOf(mount, one) ??
      (names.has(one.name) || names.size < SHELF_LIMITS.mounts
        ? null
        : { code: 'too-many-mounts', most: SHELF_LIMITS.mounts });
    if (problem !== null) left.push({ name: one.name, problem });
    else names.add(one.name);
    return problem === null;
  });
}

/** The first field that is not as it must be; null when all is. */
function problemOf(
  schema: typeof frame | typeof mount | (typeof ITEM_SCHEMAS)[ItemKind],
  of: unknown,
): LeftOutProblem | null {
  const parsed = schema.safeParse(of, TELLING);
  const [issue] = parsed.success ? [] : issuesOf(parsed.error);
  return issue ? { code: 'field', issue } : null;
}

/** Everything of some gear, for counting. */
export function countOf(gear: Partial<Shelf>): number {
  return ITEM_KINDS.reduce((sum, kind) => sum + (gear[kind]?.length ?? 0), 0);
}
