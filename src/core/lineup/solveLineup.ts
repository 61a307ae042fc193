import type { Frame, FrameId, Limits } from '@/core/brief';
import { demandOf } from '@/core/coverage';
import type { ConverterId, LensId, Setup, Shelf } from '@/core/gear';
import { coveringOf } from './cells';
import { choose } from './choose';
import { framesGot, isAtHand } from './evaluate';
import { frameResult } from './frames';
import { lensesIn, lensesOut } from './lenses';
import type { MipSolver } from './mipSolver';
import { wantSharesPercent } from './objective';
import { proofOf } from './proof';
import type { LineupQuestion } from './question';
import { reduce } from './reduce';
import { gapsOf, overlapsOf } from './ranges';
import { type Conflict, type LineupResult, type Note, RESULT_VERSION, type Totals } from './result';
import { type Piece, type Selectable, selectable } from './selectable';

export interface SolveOptions {
  /** Time that one aim's search may take, s; past it the best found is given with its bound. */
  readonly timeLimitS: number;
  /** A clock in ms; core has none of its own. */
  readonly now: () => number;
}

/** The fewest lenses that get the frames, with the proof, the reasons and the totals. */
export function solveLineup(
  solver: MipSolver,
  { frames, shelf, limits }: LineupQuestion,
  { timeLimitS, now }: SolveOptions,
): LineupResult {
  const started = now();
  const choice = selectable(shelf, limits);
  const covering = coveringOf(choice.setups, frames, limits);
  const reduced = reduce(covering, choice.pieces);
  const modelled = now();
  const chosen = choose(solver, covering, reduced, choice.pieces, frames, limits, timeLimitS);
  const taken = new Set(chosen?.taken ?? limits.lockedIn);
  const lensIds = idsOf<LensId>(choice.pieces, 'lens', taken);
  const got = framesGot(covering, taken);
  const proven = chosen !== null && chosen.open === null;
  const wanted = new Set(
    [...got].filter((id) => frames.some((f) => f.id === id && f.want !== 'bonus')),
  );
  const proof =
    chosen === null
      ? ({ kind: 'none' } as const)
      : proofOf(
          solver,
          { covering, reduced, pieces: choice.pieces },
          wanted,
          { lensCount: lensIds.length, proven },
          timeLimitS,
        );
  const solved = now();
  const carried = choice.setups.filter((s) => isAtHand(s, taken));
  const lensById = new Map(shelf.lenses.map((l) => [l.id, l]));
  return {
    format: 'armreach-lineup',
    version: RESULT_VERSION,
    status: chosen === null ? 'impossible' : proven ? 'proven' : 'best-found',
    lineup: { lensIds, converterIds: idsOf<ConverterId>(choice.pieces, 'converter', taken) },
    frames: frames.map((f) =>
      frameResult(f, covering, choice.setups, taken, got.has(f.id), limits),
    ),
    proof,
    gaps: gapsOf(carried, frames, got, limits),
    overlaps: overlapsOf(carried, lensById),
    lensesIn: lensesIn(lensIds, covering, taken, got),
    lensesOut: lensesOut({ shelf, frames, limits, choice, covering, taken, got }),
    totals: totalsOf(frames, shelf, choice, taken, got),
    notes: notesOf(frames, choice, limits),
    conflicts: chosen === null ? conflictsOf(choice.pieces, limits) : [],
    open: chosen?.open ?? null,
    timing: { modelMs: modelled - started, solveMs: solved - modelled, totalMs: now() - started },
  };
}

function idsOf<Id extends string>(
  pieces: readonly Piece[],
  kind: Piece['kind'],
  taken: ReadonlySet<string>,
): Id[] {
  return pieces.filter((p) => p.kind === kind && taken.has(p.id)).map((p) => p.id as Id);
}

function totalsOf(
  frames: readonly Frame[],
  shelf: Shelf,
  choice: Selectable,
  taken: ReadonlySet<string>,
  got: ReadonlySet<FrameId>,
): Totals {
  const pieces = choice.pieces.filter((p) => taken.has(p.id));
  const wished = new Set<string>(
    [...shelf.lenses, ...shelf.converters].filter((i) => i.ownership === 'wished').map((i) => i.id),
  );
  const sum = (values: readonly (number | null)[]) =>
    values.reduce<number>((a, b) => a + (b ?? 0), 0);
  const count = (want: Frame['want']) => {
    const of = frames.filter((f) => f.want === want);
    return { got: of.filter((f) => got.has(f.id)).length, of: of.length };
  };
  const shares = wantSharesPercent(frames);
  return {
    lenses: pieces.filter((p) => p.kind === 'lens').length,
    pieces: sum(pieces.map((p) => p.pieces)),
    weightG: sum(pieces.map((p) => p.weightG)),
    weightUnknown: pieces.filter((p) => p.weightG === null).map((p) => p.id),
    price: sum(pieces.map((p) => p.price)),
    priceUnknown: pieces.filter((p) => p.price === null).map((p) => p.id),
    toBuy: sum(pieces.filter((p) => wished.has(p.id)).map((p) => p.price)),
    musts: count('must'),
    wants: {
      ...count('want'),
      sharePercent: sum([...shares].map(([id, share]) => (got.has(id) ? share : 0))),
    },
    bonus: count('bonus'),
  };
}

function notesOf(frames: readonly Frame[], choice: Selectable, limits: Limits): Note[] {
  const bodies = bodiesWithoutPixels(choice.setups, frames, limits);
  const has = (kind: Piece['kind']) => choice.pieces.some((p) => p.kind === kind);
  return [
    ...(choice.weightUnknown.length > 0
      ? [{ code: 'weight-unknown' as const, ids: choice.weightUnknown }]
      : []),
    ...(bodies.length > 0 ? [{ code: 'pixels-unknown' as const, ids: bodies }] : []),
    ...(frames.length === 0 ? [{ code: 'no-frames' as const }] : []),
    ...(!has('lens') ? [{ code: 'no-lenses' as const }] : []),
    ...(has('lens') && choice.setups.length === 0 ? [{ code: 'no-bodies' as const }] : []),
  ];
}

function bodiesWithoutPixels(
  setups: readonly Setup[],
  frames: readonly Frame[],
  limits: Limits,
): string[] {
  const one = new Map(setups.map((s) => [s.bodyId, s]));
  return [...one].flatMap(([id, s]) =>
    frames.some((f) => demandOf(s, f, limits).pixelsUnknown) ? [id] : [],
  );
}

/** The locked-in pieces are all that can break a limit, since losing a frame never does. */
function conflictsOf(pieces: readonly Piece[], limits: Limits): Conflict[] {
  const locked = pieces.filter((p) => p.lockedIn);
  const lenses = locked.filter((p) => p.kind === 'lens');
  const weight = locked.reduce((sum, p) => sum + (p.weightG ?? 0), 0);
  const ids = (of: readonly Piece[]) => of.map((p) => p.id);
  return [
    ...(limits.maxLenses !== null && lenses.length > limits.maxLenses
      ? [
          {
            limit: 'maxLenses' as const,
            allowed: limits.maxLenses,
            needed: lenses.length,
            ids: ids(lenses),
          },
        ]
      : []),
    ...(limits.maxLineupWeightG !== null && weight > limits.maxLineupWeightG
      ? [
          {
            limit: 'maxLineupWeightG' as const,
            allowed: limits.maxLineupWeightG,
            needed: weight,
            ids: ids(locked),
          },
        ]
      : []),
  ];
}
