import type { Frame, FrameId, Limits } from '@/core/brief';
import { type Kit, kitKey } from '@/core/gear';
import type { Cell, Covering } from './cells';
import type { MipModel, MipRow, MipSession, MipSolver } from './mipSolver';
import { type Aim, AIM_TOLERANCE, aimsOf } from './objective';
import type { Reduced } from './reduce';
import { kitPieces, type Piece } from './selectable';

export interface Choice {
  /** Ids of the pieces taken, in the order of ids. */
  readonly taken: readonly string[];
  /** null when proven; else the aim at which time ran out and the best value still open. */
  readonly open: {
    readonly aim: Aim['name'];
    readonly value: number;
    readonly bound: number;
  } | null;
}

/** The columns of the covering model: pieces, then kits of two pieces, then frames. */
interface Columns {
  readonly pieces: readonly Piece[];
  readonly pieceAt: ReadonlyMap<string, number>;
  readonly pairs: readonly Kit[];
  readonly kitAt: ReadonlyMap<string, number>;
  readonly frameAt: ReadonlyMap<FrameId, number>;
  readonly count: number;
}

/**
 * The best lineup by the aims in their order, each solved to the optimum and then held while the
 * next is improved.
 *
 * @returns null when the locked-in pieces and the limits cannot be met together
 */
export function choose(
  solver: MipSolver,
  covering: Covering,
  reduced: Reduced,
  pieces: readonly Piece[],
  frames: readonly Frame[],
  limits: Limits,
  timeLimitS: number,
): Choice | null {
  const cells = [...reduced.cells.values()].flat();
  const columns = columnsOf(covering, cells, pieces);
  const session = solver.open(modelOf(covering, cells, columns, limits));
  try {
    return solveAims(session, columns, aimsOf(frames, limits), timeLimitS);
  } finally {
    session.close();
  }
}

/**
 * The kits that a cell's row needs: a lens that makes the cell bare also stands for its kits with a
 * converter, since they hold the lens too.
 */
function rowKits(cell: Cell, covering: Covering): Kit[] {
  const kits = [...cell.kits].flatMap((i) => covering.kits[i] ?? []);
  const bare = new Set(kits.filter((kit) => kit.converterId === null).map((kit) => kit.lensId));
  return kits.filter((kit) => kit.converterId === null || !bare.has(kit.lensId));
}

function columnsOf(covering: Covering, cells: readonly Cell[], all: readonly Piece[]): Columns {
  const used = new Set(cells.flatMap((cell) => rowKits(cell, covering).flatMap(kitPieces)));
  const pieces = all.filter((p) => p.lockedIn || used.has(p.id));
  const pairs = new Map(
    cells.flatMap((cell) =>
      rowKits(cell, covering)
        .filter((kit) => kit.converterId !== null)
        .map((kit) => [kitKey(kit), kit] as const),
    ),
  );
  const frameIds = [...new Set(cells.map((cell) => cell.frameId))].sort();
  const kitsFrom = pieces.length;
  const framesFrom = kitsFrom + pairs.size;
  return {
    pieces,
    pieceAt: new Map(pieces.map((p, i) => [p.id, i])),
    pairs: [...pairs.values()],
    kitAt: new Map([...pairs.keys()].map((key, i) => [key, kitsFrom + i])),
    frameAt: new Map(frameIds.map((id, i) => [id, framesFrom + i])),
    count: framesFrom + frameIds.length,
  };
}

function modelOf(
  covering: Covering,
  cells: readonly Cell[],
  columns: Columns,
  limits: Limits,
): MipModel {
  const pieceColumn = (id: string) => at(columns.pieceAt, id);
  const rows: MipRow[] = [];
  for (const kit of columns.pairs) {
    const column = at(columns.kitAt, kitKey(kit));
    for (const id of kitPieces(kit)) {
      rows.push({
        lower: 0,
        upper: Infinity,
        columns: [pieceColumn(id), column],
        coefficients: [1, -1],
      });
    }
  }
  for (const cell of cells) {
    const makers = rowKits(cell, covering).map((kit) =>
      kit.converterId === null ? pieceColumn(kit.lensId) : at(columns.kitAt, kitKey(kit)),
    );
    rows.push({
      lower: 0,
      upper: Infinity,
      columns: [...makers, at(columns.frameAt, cell.frameId)],
      coefficients: [...makers.map(() => 1), -1],
    });
  }
  rows.push(...limitRows(columns.pieces, limits));
  const isPiece = (i: number) => i < columns.pieces.length;
  const indices = Array.from({ length: columns.count }, (_, i) => i);
  return {
    columnCount: columns.count,
    lower: indices.map((i) => (columns.pieces[i]?.lockedIn ? 1 : 0)),
    upper: indices.map(() => 1),
    integer: indices.map(isPiece),
    rows,
  };
}

function limitRows(pieces: readonly Piece[], limits: Limits): MipRow[] {
  const row = (upper: number, cost: (p: Piece) => number): MipRow => {
    const counted = pieces.map((p, i) => [i, cost(p)] as const).filter(([, c]) => c !== 0);
    return {
      lower: -Infinity,
      upper,
      columns: counted.map(([i]) => i),
      coefficients: counted.map(([, c]) => c),
    };
  };
  return [
    ...(limits.maxLenses === null
      ? []
      : [row(limits.maxLenses, (p) => (p.kind === 'lens' ? 1 : 0))]),
    ...(limits.maxLineupWeightG === null
      ? []
      : [row(limits.maxLineupWeightG, (p) => p.weightG ?? 0)]),
  ];
}

function solveAims(
  session: MipSession,
  columns: Columns,
  aims: readonly Aim[],
  timeLimitS: number,
): Choice | null {
  let values: readonly number[] | null = null;
  for (const aim of aims) {
    const costs = costsOf(aim, columns);
    if (costs.every((c) => c === 0) && values !== null) continue;
    const outcome = session.minimise(costs, timeLimitS);
    if (outcome.kind === 'infeasible') return null;
    if (outcome.kind === 'time-limit') {
      return {
        taken: takenOf(columns, outcome.values ?? values),
        open: { aim: aim.name, value: outcome.objective, bound: outcome.bound },
      };
    }
    values = outcome.values;
    session.addRow(heldRow(costs, outcome.objective));
  }
  return { taken: takenOf(columns, values), open: null };
}

/** Frames count as lost unless got, so a frame's cost is subtracted where its column is 1. */
function costsOf(aim: Aim, columns: Columns): number[] {
  const costs = columns.pieces.map((p, order) => aim.pieceCost(p, order));
  costs.push(...Array.from(columns.kitAt, () => 0));
  for (const id of columns.frameAt.keys()) {
    const cost = aim.frameCost(id);
    costs.push(cost === 0 ? 0 : -cost);
  }
  return costs;
}

function heldRow(costs: readonly number[], best: number): MipRow {
  const columns = costs.flatMap((c, i) => (c === 0 ? [] : [i]));
  return {
    lower: -Infinity,
    upper: best + AIM_TOLERANCE * Math.max(1, Math.abs(best)),
    columns,
    coefficients: columns.map((i) => costs[i] ?? 0),
  };
}

function takenOf(columns: Columns, values: readonly number[] | null): string[] {
  return columns.pieces
    .filter((p, i) => (values ? (values[i] ?? 0) > 0.5 : p.lockedIn))
    .map((p) => p.id);
}

function at<K, V>(map: ReadonlyMap<K, V>, key: K): V {
  const value = map.get(key);
  if (value === undefined) throw new Error(`no entry for ${String(key)}`);
  return value;
}
