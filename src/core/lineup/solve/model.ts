import type { FrameId } from '@/core/brief';
import { type Body, type BodyId, kitPieces } from '@/core/gear';
import { AT_EASE, type Pace } from '@/core/pace';
import type { OccasionCells } from '../presolve/segments';
import type { Field, Target } from '../problem/problem';
import { type Hand, handsByStretch } from '../problem/assignments';
import { type Maker, neededMakers } from '../problem/candidates';
import type { MipModel, MipRow } from './mipSolver';
import type { Reduced } from '../presolve/presolve';
import type { Piece } from '../problem/selectable';

/** What a row of the model stands for; limits and demands can be named when they fight. */
export type RowGroup =
  | { readonly kind: 'structure' }
  | { readonly kind: 'cell'; readonly frameId: FrameId }
  | { readonly kind: 'maxLenses' | 'maxLineupWeightG' | 'maxCarriedWeightG' | 'maxSpend' }
  | { readonly kind: 'handWeight' | 'handBodies'; readonly hand: Hand };

/** The covering model with the meaning of its columns. */
export interface CoveringModel {
  readonly mip: MipModel;
  readonly groups: readonly RowGroup[];
  /** Pieces: the first columns, in order. */
  readonly pieces: readonly Piece[];
  readonly targets: readonly { readonly target: Target<OccasionCells>; readonly column: number }[];
  /** All that is asked for, also what nothing can make. */
  readonly asked: readonly Pick<Target, 'frame' | 'layer'>[];
  /** Lenses beyond the bodies of a hand. */
  readonly changes: readonly { readonly hand: Hand; readonly column: number }[];
  /** Setups that stay on their bodies for a stretch. */
  readonly fixed: readonly { readonly maker: Maker; readonly column: number }[];
  readonly held: readonly {
    readonly hand: Hand;
    readonly pieceId: string;
    readonly column: number;
  }[];
  /** Bodies that come along, in the order of ids, where they are chosen. */
  readonly along: readonly { readonly body: Body; readonly column: number }[];
  /** Lenses that a body bears in turn, and the first of them, which is no change. */
  readonly turns: readonly { readonly column: number; readonly first: boolean }[];
  readonly bodies: readonly {
    readonly hand: Hand;
    readonly bodyId: BodyId;
    readonly column: number;
  }[];
}

/**
 * The covering model of a reduced field.
 *
 * A piece comes along (x), is carried in a hand (h ≤ x, in one hand of a stretch), a body is in a
 * hand (b), a kit is used in a hand and on a body (y ≤ what it takes); where setups are fixed, a body
 * bears one kit and a piece serves one. A cell is made when one of its makers is used, an occasion
 * when all its cells are, a frame when one of its occasions is. Twice covered: each cell has two
 * makers that share no body and no piece, or two shooters of one stretch cover it each. Covered by
 * people: each of those named does, or any two, in one stretch. Where bodies are chosen, each that is
 * in a hand comes along.
 */
export function modelOf(field: Field, reduced: Reduced, pace: Pace = AT_EASE): CoveringModel {
  return new ModelBuilder(field, reduced).build(pace);
}

/** Combinations of cells of one frame that are looked at for rows that only tighten. */
const MOST_COMBINATIONS = 24;

const NO_GROUP: RowGroup = { kind: 'structure' };

class ModelBuilder {
  private readonly lower: number[] = [];
  private readonly upper: number[] = [];
  private readonly integer: boolean[] = [];
  private readonly rows: MipRow[] = [];
  private readonly groups: RowGroup[] = [];
  private readonly pieces: readonly Piece[];
  private readonly pieceAt: ReadonlyMap<string, number>;
  private readonly heldAt = new Map<string, { hand: Hand; pieceId: string; column: number }>();
  private readonly bodyAt = new Map<string, { hand: Hand; bodyId: BodyId; column: number }>();
  private readonly fixedAt = new Map<number, { maker: Maker; column: number }>();
  private readonly targets: { target: Target<OccasionCells>; column: number }[] = [];
  private readonly changes: { hand: Hand; column: number }[] = [];
  private readonly makers: readonly Maker[];
  private readonly stretches: readonly (readonly Hand[])[];
  private readonly along = new Map<BodyId, { body: Body; column: number }>();
  private readonly turns: { column: number; first: boolean }[] = [];
  /** By body, the columns that say that it bears a lens at some time. */
  private readonly bearing = new Map<BodyId, Map<string, number>>();

  constructor(
    private readonly field: Field,
    private readonly reduced: Reduced,
  ) {
    this.makers = field.makers;
    this.stretches = handsByStretch(field.hands);
    const used = new Set<string>();
    for (const target of reduced.targets)
      for (const { cells } of target.occasions)
        for (const cell of cells)
          for (const i of neededMakers(cell.makers, this.makers)) {
            const maker = this.makers[i];
            if (maker) for (const id of kitPieces(maker.kit)) used.add(id);
          }
    this.pieces = reduced.pieces.filter((p) => reduced.forced.has(p.id) || used.has(p.id));
    this.pieceAt = new Map(
      this.pieces.map((p) => [p.id, this.column(reduced.forced.has(p.id) ? 1 : 0, 1, true)]),
    );
    if (!field.tied) return;
    const lockedIn = new Set<string>(field.limits.lockedIn);
    for (const body of [...field.choice.bodies].sort((a, b) => (a.id < b.id ? -1 : 1)))
      this.along.set(body.id, {
        body,
        column: this.column(lockedIn.has(body.id) ? 1 : 0, 1, true),
      });
  }

  build(pace: Pace): CoveringModel {
    for (const target of this.reduced.targets) {
      pace();
      this.addTarget(target);
    }
    this.fixSetups();
    this.shareHands();
    this.bringBodies();
    this.countChanges();
    this.limit();
    return {
      mip: {
        columnCount: this.lower.length,
        lower: this.lower,
        upper: this.upper,
        integer: this.integer,
        rows: this.rows,
      },
      groups: this.groups,
      pieces: this.pieces,
      targets: this.targets,
      asked: this.field.targets,
      changes: this.changes,
      fixed: [...this.fixedAt.values()],
      held: [...this.heldAt.values()],
      along: [...this.along.values()],
      turns: this.turns,
      bodies: [...this.bodyAt.values()],
    };
  }

  private column(lower: number, upper: number, integer: boolean): number {
    this.lower.push(lower);
    this.upper.push(upper);
    this.integer.push(integer);
    return this.lower.length - 1;
  }

  private row(
    lower: number,
    upper: number,
    entries: readonly (readonly [number, number])[],
    group: RowGroup = NO_GROUP,
  ): void {
    this.rows.push({
      lower,
      upper,
      columns: entries.map(([column]) => column),
      coefficients: entries.map(([, coefficient]) => coefficient),
    });
    this.groups.push(group);
  }

  /** small ≤ large */
  private atMost(small: number, large: number): void {
    this.row(0, Infinity, [
      [large, 1],
      [small, -1],
    ]);
  }

  /** share · what ≤ the sum of the others */
  private impliedBy(what: number, others: readonly number[], group: RowGroup, share = 1): void {
    this.row(0, Infinity, [...others.map((o) => [o, 1] as const), [what, -share]], group);
  }

  private addTarget(target: Target<OccasionCells>): void {
    const twice = target.occasions.some((o) => o.twice);
    const people = target.layer === 'base' && target.frame.twice?.by === 'people';
    const column = this.column(0, 1, true);
    const group: RowGroup = { kind: 'cell', frameId: target.frame.id };
    this.targets.push({ target, column });
    const [only] = target.occasions;
    if (target.occasions.length === 1 && only && !twice && !people) {
      for (const cell of only.cells) this.impliedBy(column, this.makerColumns(cell.makers), group);
      return;
    }
    if (people) return this.addByPeople(target, column, group);
    const ways = new Map<string | null, number[]>();
    for (const occasion of target.occasions) {
      const { stretchId } = occasion.occasion;
      const columns = this.coverOccasion(occasion, group);
      ways.set(stretchId, [...(ways.get(stretchId) ?? []), ...columns]);
    }
    this.needALens(column, target, group);
    if (!twice) return this.impliedBy(column, [...ways.values()].flat(), group);
    const stretches = [...ways.values()].map((columns) => {
      const inStretch = this.column(0, 1, true);
      this.impliedBy(inStretch, columns, group, 2);
      return inStretch;
    });
    this.impliedBy(column, stretches, group);
  }

  /** In one stretch each person who is named covers it from her own place, or any two do. */
  private addByPeople(
    { frame, occasions }: Target<OccasionCells>,
    column: number,
    group: RowGroup,
  ): void {
    const named = frame.twice?.by === 'people' ? frame.twice.shooterIds : [];
    const stretches = new Map<string | null, Map<string | null, number[]>>();
    for (const covered of occasions) {
      const { stretchId, hands } = covered.occasion;
      const byPerson = stretches.get(stretchId) ?? new Map<string | null, number[]>();
      stretches.set(stretchId, byPerson);
      const person = hands[0]?.shooterId ?? null;
      const columns = this.coverOccasion(covered, group);
      byPerson.set(person, [...(byPerson.get(person) ?? []), ...columns]);
    }
    const ways = [...stretches.values()].map((byPerson) => {
      const inStretch = this.column(0, 1, true);
      if (named.length === 0) this.impliedBy(inStretch, [...byPerson.values()].flat(), group, 2);
      for (const id of named) this.impliedBy(inStretch, byPerson.get(id) ?? [], group);
      return inStretch;
    });
    this.impliedBy(column, ways, group);
  }

  /**
   * Whichever way a frame comes about, one of the lenses that make its cells there comes along.
   * Implied, but it keeps the relaxation from counting half a lens once for each way.
   */
  private needALens(column: number, { occasions }: Target<OccasionCells>, group: RowGroup): void {
    const combined = occasions.reduce((count, { cells }) => count * cells.length, 1);
    if (combined > MOST_COMBINATIONS) return;
    let combinations: ReadonlySet<number>[] = [new Set()];
    for (const { cells } of occasions) {
      const lenses = cells.map((cell) => this.lensColumns(cell.makers));
      combinations = combinations.flatMap((before) =>
        lenses.map((more) => new Set([...before, ...more])),
      );
    }
    for (const lenses of combinations) this.impliedBy(column, [...lenses], group);
  }

  private lensColumns(numbers: readonly number[]): Set<number> {
    return new Set(numbers.map((i) => this.pieceColumn(this.makers[i]!.kit.lensId)));
  }

  /** Columns for an occasion: that it is covered, and, where asked, that it is covered once more. */
  private coverOccasion({ cells, twice }: OccasionCells, group: RowGroup): number[] {
    const once = this.column(0, 1, false);
    for (const cell of cells) this.impliedBy(once, this.makerColumns(cell.makers), group);
    if (!twice) return [once];
    const again = this.column(0, 1, true);
    this.atMost(again, once);
    for (const cell of cells) this.coverTwice(again, neededMakers(cell.makers, this.makers), group);
    return [once, again];
  }

  /**
   * Two makers of the cell, used at once: no body and no piece serves both. That at least one of
   * them does without each part is implied, but keeps the relaxation from covering by halves.
   */
  private coverTwice(again: number, numbers: readonly number[], group: RowGroup): void {
    const users = new Map<string, number[]>();
    /** By the column that a part has in one hand, or by the part itself where it has none. */
    const usersOf = new Map<number | string, number[]>();
    const add = <Key>(to: Map<Key, number[]>, key: Key, column: number) => {
      const known = to.get(key);
      if (known) known.push(column);
      else to.set(key, [column]);
    };
    const chosen = numbers.map((i) => {
      const maker = this.makers[i]!;
      const column = this.column(0, 1, true);
      if (maker.hand?.fixedSetups) this.atMost(column, this.fixedColumn(i));
      else this.bears(maker, column);
      const parts = kitPieces(maker.kit).map(
        (id, p) => [id, this.resourcesOf(maker)[p] ?? null] as const,
      );
      const body = maker.hand?.choosesBodies ? (this.resourcesOf(maker).at(-1) ?? null) : null;
      for (const [id, most] of [...parts, [`body ${maker.bodyId}`, body] as const]) {
        add(users, id, column);
        add(usersOf, most ?? id, column);
      }
      return column;
    });
    for (const [most, columns] of usersOf) {
      if (typeof most === 'number') this.sumAtMost(columns, most);
      else if (columns.length > 1) this.sumAtMostOne(columns);
    }
    for (const columns of users.values()) {
      if (columns.length <= 1) continue;
      const using = new Set(columns);
      this.impliedBy(
        again,
        chosen.filter((c) => !using.has(c)),
        group,
      );
    }
    this.impliedBy(again, chosen, group, 2);
  }

  /**
   * The columns of which one is to be 1 for a cell to be made. One maker is enough, so what needs
   * several things gets a column for this cell alone, and of those that share a thing no more than
   * one counts: that keeps the relaxation from making a cell by halves of many kits.
   */
  private makerColumns(numbers: readonly number[]): number[] {
    const columns = new Set<number>();
    const users = new Map<number, number[]>();
    for (const i of neededMakers(numbers, this.makers)) {
      const maker = this.makers[i]!;
      const resources = maker.hand?.fixedSetups ? [this.fixedColumn(i)] : this.resourcesOf(maker);
      const [only] = resources;
      if (resources.length === 1 && only !== undefined) {
        columns.add(only);
        continue;
      }
      const column = this.column(0, 1, false);
      columns.add(column);
      this.bears(maker, column);
      for (const r of resources) users.set(r, [...(users.get(r) ?? []), column]);
    }
    for (const [resource, using] of users) this.sumAtMost(using, resource);
    return [...columns];
  }

  private sumAtMost(columns: readonly number[], most: number): void {
    this.row(0, Infinity, [[most, 1], ...columns.map((c) => [c, -1] as const)]);
  }

  private sumAtMostOne(columns: readonly number[]): void {
    this.row(
      -Infinity,
      1,
      columns.map((c) => [c, 1]),
    );
  }

  /** The column that says a setup stays on its body for the whole stretch. */
  private fixedColumn(number: number): number {
    const known = this.fixedAt.get(number);
    if (known) return known.column;
    const maker = this.makers[number]!;
    const column = this.column(0, 1, true);
    for (const resource of this.resourcesOf(maker)) this.atMost(column, resource);
    this.bears(maker, column);
    this.fixedAt.set(number, { maker, column });
    return column;
  }

  private resourcesOf({ kit, hand, bodyId }: Maker): number[] {
    const pieces = kitPieces(kit).map((id) =>
      hand?.choosesPieces ? this.heldColumn(hand, id) : this.pieceColumn(id),
    );
    return hand?.choosesBodies && bodyId !== null
      ? [...pieces, this.bodyColumn(hand, bodyId)]
      : pieces;
  }

  /** What uses a lens on a body: the body bears it at some time. Only where bodies are chosen. */
  private bears({ bodyId, kit }: Maker, user: number): void {
    if (!this.field.tied || bodyId === null) return;
    const lenses = this.bearing.get(bodyId) ?? new Map<string, number>();
    this.bearing.set(bodyId, lenses);
    let column = lenses.get(kit.lensId);
    if (column === undefined) {
      column = this.column(0, 1, true);
      lenses.set(kit.lensId, column);
      this.turns.push({ column, first: false });
    }
    this.atMost(user, column);
  }

  /** A body in a hand, or bearing a lens, comes along; the first lens that it bears is no change. */
  private bringBodies(): void {
    for (const { bodyId, column } of this.bodyAt.values()) {
      const along = this.along.get(bodyId);
      if (along) this.atMost(column, along.column);
    }
    for (const [bodyId, lenses] of this.bearing) {
      const along = this.along.get(bodyId);
      if (!along) continue;
      const first = this.column(0, 1, true);
      this.turns.push({ column: first, first: true });
      this.sumAtMost([first], along.column);
      this.impliedBy(first, [...lenses.values()], NO_GROUP);
    }
  }

  private pieceColumn(id: string): number {
    const column = this.pieceAt.get(id);
    if (column === undefined) throw new Error(`no column for the piece ${id}`);
    return column;
  }

  private heldColumn(hand: Hand, pieceId: string): number {
    const key = `${hand.index} ${pieceId}`;
    const known = this.heldAt.get(key);
    if (known) return known.column;
    const column = this.column(0, 1, true);
    this.heldAt.set(key, { hand, pieceId, column });
    const piece = this.pieces[this.pieceColumn(pieceId)];
    if (hand.maxWeightG !== null && piece?.weightG === null)
      this.row(0, 0, [[column, 1]], { kind: 'handWeight', hand });
    return column;
  }

  private bodyColumn(hand: Hand, bodyId: BodyId): number {
    const key = `${hand.index} ${bodyId}`;
    const known = this.bodyAt.get(key);
    if (known) return known.column;
    const column = this.column(0, 1, true);
    this.bodyAt.set(key, { hand, bodyId, column });
    const body = this.field.choice.bodies.find((b) => b.id === bodyId);
    if (hand.maxWeightG !== null && body?.weightG === null)
      this.row(0, 0, [[column, 1]], { kind: 'handWeight', hand });
    return column;
  }

  /** Where setups are fixed, a body bears one kit and a piece is part of one. */
  private fixSetups(): void {
    const users = new Map<string, number[]>();
    for (const { maker, column } of this.fixedAt.values()) {
      for (const part of [...kitPieces(maker.kit), `body ${maker.bodyId}`]) {
        const key = `${maker.hand?.index} ${part}`;
        users.set(key, [...(users.get(key) ?? []), column]);
      }
    }
    for (const columns of users.values()) if (columns.length > 1) this.sumAtMostOne(columns);
  }

  /** In one stretch a piece and a body are in one hand; a hand has so many bodies and weight. */
  private shareHands(): void {
    for (const hands of this.stretches) {
      const inStretch = new Set(hands);
      const held = columnsBy(
        [...this.heldAt.values()].filter((h) => inStretch.has(h.hand)),
        'pieceId',
      );
      for (const [id, columns] of held)
        this.row(0, Infinity, [[this.pieceColumn(id), 1], ...columns.map((c) => [c, -1] as const)]);
      const bodies = columnsBy(
        [...this.bodyAt.values()].filter((b) => inStretch.has(b.hand)),
        'bodyId',
      );
      for (const columns of bodies.values())
        if (columns.length > 1)
          this.row(
            -Infinity,
            1,
            columns.map((c) => [c, 1]),
          );
      for (const hand of hands) this.boundHand(hand);
    }
  }

  private boundHand(hand: Hand): void {
    const bodies = [...this.bodyAt.values()].filter((b) => b.hand === hand);
    if (bodies.length > hand.inHand)
      this.row(
        -Infinity,
        hand.inHand,
        bodies.map((b) => [b.column, 1]),
        { kind: 'handBodies', hand },
      );
    if (hand.maxWeightG === null) return;
    const weights = [...this.heldAt.values()]
      .filter((h) => h.hand === hand)
      .map((h) => [h.column, this.pieces[this.pieceColumn(h.pieceId)]?.weightG ?? 0] as const);
    const bodyWeight = new Map(this.field.choice.bodies.map((b) => [b.id, b.weightG ?? 0]));
    this.row(
      -Infinity,
      hand.maxWeightG,
      [...weights, ...bodies.map((b) => [b.column, bodyWeight.get(b.bodyId) ?? 0] as const)],
      { kind: 'handWeight', hand },
    );
  }

  /** Lenses carried in a hand beyond its bodies: so many changes there are at the least. */
  private countChanges(): void {
    if (!this.field.limits.order.includes('changes')) return;
    const lenses = new Set(this.pieces.filter((p) => p.kind === 'lens').map((p) => p.id));
    for (const hand of this.field.hands) {
      if (hand.fixedSetups) continue;
      const held = [...this.heldAt.values()].filter(
        (h) => h.hand === hand && lenses.has(h.pieceId),
      );
      if (held.length <= hand.inHand) continue;
      const column = this.column(0, this.pieces.length, true);
      this.changes.push({ hand, column });
      this.row(-hand.inHand, Infinity, [[column, 1], ...held.map((h) => [h.column, -1] as const)]);
    }
  }

  private limit(): void {
    const { limits, packedG } = this.field;
    const most = (
      kind: 'maxLenses' | 'maxLineupWeightG' | 'maxCarriedWeightG' | 'maxSpend',
      upper: number | null,
      cost: (p: Piece) => number,
      bodies = false,
    ) => {
      if (upper === null) return;
      const pieces = this.pieces.map((p, i) => [i, cost(p)] as const);
      const along = [...this.along.values()].map((a) => [a.column, a.body.weightG ?? 0] as const);
      const entries = [...pieces, ...(bodies ? along : [])].filter(([, c]) => c !== 0);
      this.row(-Infinity, upper, entries, { kind });
    };
    most('maxLenses', limits.maxLenses, (p) => (p.kind === 'lens' ? 1 : 0));
    const weight = (p: Piece) => p.weightG ?? 0;
    most('maxLineupWeightG', limits.maxLineupWeightG, weight, limits.countBodies);
    const { maxCarriedWeightG } = limits;
    most(
      'maxCarriedWeightG',
      maxCarriedWeightG === null ? null : maxCarriedWeightG - packedG,
      weight,
      true,
    );
    most('maxSpend', limits.maxSpend, (p) => p.spend ?? 0);
  }
}

function columnsBy<K extends string, T extends { readonly column: number } & Record<K, string>>(
  items: readonly T[],
  by: K,
): Map<string, number[]> {
  const groups = new Map<string, number[]>();
  for (const item of items) groups.set(item[by], [...(groups.get(item[by]) ?? []), item.column]);
  return groups;
}
