import type { Frame, Limits } from '@/core/brief';
import { coveredPositions } from '@/core/coverage';
import { LENS_FIGURES, type Setup } from '@/core/gear';
import { focusDistanceMm } from '@/core/optics';
import type { Choice } from '../solve/choose';
import type { SetupsByAssignment } from './evaluate';
import type { Problem } from '../problem/problem';
import type { LineupQuestion } from '../problem/question';
import type { Note } from './result';
import { type BeyondLimit, sumLimits } from '../problem/limitRules';

const MM_PER_M = 1000;
const BEYOND: readonly BeyondLimit[] = ['too-thick'];

/** What is locked in although a limit on each lens would leave it out. */
function lockedBeyond({ choice }: Problem, limit: BeyondLimit): string[] {
  return choice.items.flatMap((p) =>
    p.lockedIn && choice.beyond.get(p.id) === limit ? [p.id] : [],
  );
}

/**
 * What was left out, or could not be checked, under a limit on weight because nobody knows what it
 * weighs: of the whole, what is locked in included, or of what an assignment carries.
 */
function weightsUnknown(problem: Problem, choice: Choice): string[] {
  const { items, bodies, unknown } = problem.choice;
  const limited = problem.assignments.filter((assignment) => assignment.maxWeightG !== null);
  const unweighed = (all: readonly { readonly id: string; readonly weightG: number | null }[]) =>
    all.filter((item) => item.weightG === null).map((item) => item.id);
  const carried = new Set<string>(limited.flatMap((assignment) => assignment.bodyIds));
  return [
    ...new Set([
      ...(unknown.get('weight-unknown') ?? []),
      ...unverifiedWeights(problem, choice),
      ...unweighed(bodies.filter((b) => carried.has(b.id))),
      ...(limited.length > 0 ? unweighed(items) : []),
    ]),
  ];
}

/** What comes along, locked in, under a limit on weight that cannot be checked for it. */
export function unverifiedWeights({ choice: all, limits }: Problem, choice: Choice): string[] {
  const weighing = sumLimits(limits).filter(({ rule }) => rule.resource === 'weightG');
  if (weighing.length === 0) return [];
  const taken = new Set(choice.taken);
  const along = new Set<string>(choice.along ?? []);
  const bodiesCount = weighing.some(({ rule }) => rule.countsBodies(limits));
  return [
    ...all.items.filter((p) => taken.has(p.id)),
    ...(bodiesCount ? all.bodies.filter((b) => along.has(b.id)) : []),
  ]
    .filter((item) => item.weightG === null)
    .map((item) => item.id);
}

/** The least that the largest magnification of a lens may be, where nobody knows it. */
const [, LEAST_MAGNIFICATION] = LENS_FIGURES.maxMagnification.ends;

/**
 * Whether a setup covers a picture so near that a lens of its focal length may not focus there, and
 * neither its closest focus nor its largest magnification is known.
 */
function restsOnCloseFocus(setup: Setup, frame: Frame, limits: Limits): boolean {
  const { need } = frame;
  if (need.kind !== 'subject' || setup.minFocusM !== null || setup.maxMagnification !== null)
    return false;
  const { longMm } = setup.focal;
  const nearestM = Math.min(need.fromM, ...frame.views.map((v) => v.fromM));
  const surelyM = focusDistanceMm(longMm, LEAST_MAGNIFICATION) / MM_PER_M;
  return nearestM < surelyM && coveredPositions(setup, frame, limits).length > 0;
}

/** What the answer rests on that is not known, and what is missing for any answer. */
export function notesOf(
  { frames, shelf }: LineupQuestion,
  problem: Problem,
  choice: Choice,
  setupsOf: SetupsByAssignment,
  pixelsUnknown: readonly string[],
): Note[] {
  const used = problem.assignments.flatMap((assignment) => setupsOf(assignment));
  const asked = (wish: (f: Frame) => boolean) => frames.some(wish);
  const among = (setups: readonly Setup[], unknown: (s: Setup) => boolean) =>
    [...new Set(setups.filter(unknown).map((s) => s.lensId))].sort();
  const wet = problem.assignments.some((h) => h.wet) || asked((f) => f.special.sealed);
  const named: {
    code: Exclude<Note['code'], `no-${string}` | 'reasons-cut'>;
    ids: readonly string[];
  }[] = [
    { code: 'weight-unknown', ids: weightsUnknown(problem, choice) },
    ...[...problem.choice.unknown].flatMap(([code, ids]) =>
      code === 'weight-unknown' ? [] : [{ code, ids }],
    ),
    ...BEYOND.map((code) => ({ code, ids: lockedBeyond(problem, code) })),
    { code: 'pixels-unknown', ids: pixelsUnknown },
    {
      code: 'autofocus-unknown',
      ids: asked((f) => f.special.autofocus) ? among(used, (s) => s.autofocus === null) : [],
    },
    {
      code: 'thread-unknown',
      ids: asked((f) => f.special.frontFilter) ? among(used, (s) => s.takesFilter === null) : [],
    },
    {
      code: 'shift-unknown',
      ids: asked((f) => f.special.perspectiveControl) ? among(used, (s) => s.shift === null) : [],
    },
    {
      code: 'smallest-aperture-unknown',
      ids: asked((f) => f.depth.sharp !== null)
        ? among(used, (s) => s.smallestFNumber === null)
        : [],
    },
    {
      code: 'closest-focus-unknown',
      ids: among(used, (s) =>
        frames.some((f) => choice.got.has(f.id) && restsOnCloseFocus(s, f, problem.limits)),
      ),
    },
    {
      code: 'sealing-unknown',
      ids: wet ? among(problem.choice.setups, (s) => s.sealed === null) : [],
    },
  ];
  const hasLenses = problem.choice.items.some((p) => p.kind === 'lens');
  return [
    ...named.filter(({ ids }) => ids.length > 0),
    ...(frames.length === 0 ? [{ code: 'no-frames' as const }] : []),
    ...(!hasLenses ? [{ code: 'no-lenses' as const }] : []),
    ...(hasLenses && problem.choice.setups.length === 0 && shelf.lenses.length > 0
      ? [{ code: 'no-bodies' as const }]
      : []),
  ];
}
