import type { FrameId } from '@/core/brief';
import { type BodyId, stackItemIds } from '@/core/gear';
import { AT_EASE, type Pace } from '@/core/pace';
import type { OpportunitySegments } from '../presolve/segments';
import type { Opportunity } from '../problem/opportunities';
import type { Problem, Target } from '../problem/problem';
import { type Assignment, assignmentsByStretch, eitherOr } from '../problem/assignments';
import { type Candidate, neededCandidates } from '../problem/candidates';
import type { MipModel, MipRow } from './mipSolver';
import type { Presolved } from '../presolve/presolve';
import type { SelectableItem, WeighedBody } from '../problem/item';
import { isFirst } from '../problem/aims';
import { type SumLimit, sumLimits } from '../problem/limitRules';

/** What a row of the model stands for; limits and demands can be named when they fight. */
export type RowGroup =
  | { readonly kind: 'structure' }
  | { readonly kind: 'cell'; readonly frameId: FrameId }
  | { readonly kind: SumLimit }
  | { readonly kind: 'handWeight' | 'handBodies'; readonly assignment: Assignment };

/** The covering model with the meaning of its columns. */
export interface CoveringModel {
  readonly mip: MipModel;
  readonly groups: readonly RowGroup[];
  /** Items: the first columns, in order. */
  readonly items: readonly SelectableItem[];
  readonly targets: readonly {
    readonly target: Target<OpportunitySegments>;
    readonly column: number;
  }[];
  /** All that is asked for, also what nothing can make. */
  readonly asked: readonly Pick<Target, 'frame' | 'layer'>[];
  /** Lenses beyond the bodies of an assignment. */
  readonly changes: readonly { readonly assignment: Assignment; readonly column: number }[];
  /** Setups that stay on their bodies for a stretch. */
  readonly fixed: readonly { readonly candidate: Candidate; readonly column: number }[];
  readonly held: readonly {
    readonly assignment: Assignment;
    readonly itemId: string;
    readonly column: number;
  }[];
  /** Bodies that come along, in the order of ids, where they are chosen or may not be there. */
  readonly along: readonly { readonly body: WeighedBody; readonly column: number }[];
  /** Lenses that a body bears in turn, and the first of them, which is no change. */
  readonly turns: readonly { readonly column: number; readonly first: boolean }[];
  readonly bodies: readonly {
    readonly assignment: Assignment;
    readonly bodyId: BodyId;
    readonly column: number;
  }[];
}

/**
 * The covering model of a reduced field.
 *
 * An item comes along (x), is carried in an assignment (h ≤ x, in one assignment of a stretch), a body is in a
 * hand (b), a stack is used in an assignment and on a body (y ≤ what it takes); where setups are fixed, a body
 * bears one stack and an item serves one. A segment is made when one of its candidates is used, an opportunity
 * when all its segments are, a frame when one of its opportunities is. Twice covered: each segment has two
 * candidates that share no body and no item, or two shooters of one stretch cover it each. Covered by
 * people: each of those named does, or any two, in one stretch. Where bodies are chosen, each that is
 * in an assignment comes along.
 */
export function modelOf(
  problem: Problem,
  presolved: Presolved,
  pace: Pace = AT_EASE,
): CoveringModel {
  return new ModelBuilder(problem, presolved).build(pace);
}

/** An opportunity with its columns: that it is covered, and, where asked, that it is once more. */
interface Covered {
  readonly opportunity: Opportunity;
  readonly columns: readonly [number, ...number[]];
}

/** Combinations of segments of one frame that are looked at for rows that only tighten. */
const MOST_COMBINATIONS = 24;

const NO_GROUP: RowGroup = { kind: 'structure' };

class ModelBuilder {
  private readonly lower: number[] = [];
  private readonly upper: number[] = [];
  private readonly integer: boolean[] = [];
  private readonly rows: MipRow[] = [];
  private readonly groups: RowGroup[] = [];
  private readonly items: readonly SelectableItem[];
  private readonly itemAt: ReadonlyMap<string, number>;
  private readonly heldAt = new Map<
    string,
    { assignment: Assignment; itemId: string; column: number }
  >();
  private readonly bodyAt = new Map<
    string,
    { assignment: Assignment; bodyId: BodyId; column: number }
  >();
  private readonly fixedAt = new Map<number, { candidate: Candidate; column: number }>();
  private readonly targets: { target: Target<OpportunitySegments>; column: number }[] = [];
  private readonly changes: { assignment: Assignment; column: number }[] = [];
  private readonly candidates: readonly Candidate[];
  private readonly stretches: readonly (readonly Assignment[])[];
  private readonly along = new Map<BodyId, { body: WeighedBody; column: number }>();
  private readonly turns: { column: number; first: boolean }[] = [];
  /** By body, the columns that say that it bears a lens at some time. */
  private readonly bearing = new Map<BodyId, Map<string, number>>();

  constructor(
    private readonly problem: Problem,
    private readonly presolved: Presolved,
  ) {
    this.candidates = problem.candidates;
    this.stretches = assignmentsByStretch(problem.assignments);
    const used = new Set<string>();
    for (const target of presolved.targets)
      for (const { segments } of target.opportunities)
        for (const segment of segments)
          for (const i of neededCandidates(segment.candidates, this.candidates)) {
            const candidate = this.candidates[i];
            if (candidate) for (const id of stackItemIds(candidate.stack)) used.add(id);
          }
    this.items = presolved.items.filter((p) => presolved.forced.has(p.id) || used.has(p.id));
    this.itemAt = new Map(
      this.items.map((p) => [p.id, this.column(presolved.forced.has(p.id) ? 1 : 0, 1, true)]),
    );
    const { tied, openBodies } = problem;
    const lockedIn = new Set<string>(problem.limits.lockedIn);
    const chosen = problem.choice.bodies.filter(({ id }) => tied || openBodies.has(id));
    for (const body of chosen.sort((a, b) => (a.id < b.id ? -1 : 1)))
      this.along.set(body.id, {
        body,
        column: this.column(lockedIn.has(body.id) ? 1 : 0, 1, true),
      });
  }

  build(pace: Pace): CoveringModel {
    for (const target of this.presolved.targets) {
      pace();
      this.addTarget(target);
    }
    this.fixSetups();
    this.shareAssignments();
    this.holdStations();
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
      items: this.items,
      targets: this.targets,
      asked: this.problem.targets,
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

  private addTarget(target: Target<OpportunitySegments>): void {
    const needsBackup = target.opportunities.some((o) => o.needsBackup);
    const people = target.layer === 'base' && target.frame.twice?.by === 'people';
    const column = this.column(0, 1, true);
    const group: RowGroup = { kind: 'cell', frameId: target.frame.id };
    if (target.layer === 'single') this.backUp(target.frame.id, column);
    const orElse = target.layer === 'usualFocus' ? [this.notGot(target.frame.id)] : [];
    this.targets.push({ target, column });
    const [only] = target.opportunities;
    if (target.opportunities.length === 1 && only && !needsBackup && !people) {
      for (const segment of only.segments) {
        const columns = this.candidateColumns(segment.candidates);
        this.impliedBy(column, [...columns, ...orElse], group);
      }
      return;
    }
    if (people) return this.addByPeople(target, column, group);
    const ways = new Map<string | null, Covered[]>();
    for (const opportunity of target.opportunities) {
      const { stretchId } = opportunity.opportunity;
      const covered = {
        opportunity: opportunity.opportunity,
        columns: this.coverOpportunity(opportunity, group),
      };
      ways.set(stretchId, [...(ways.get(stretchId) ?? []), covered]);
    }
    this.needALens(column, orElse, target, group);
    if (!needsBackup) {
      const columns = [...ways.values()].flat().flatMap((covered) => covered.columns);
      return this.impliedBy(column, [...columns, ...orElse], group);
    }
    const stretches = [...ways.values()].map((covered) => {
      const inStretch = this.column(0, 1, true);
      this.impliedBy(inStretch, this.atOneStation(covered, group), group, 2);
      return inStretch;
    });
    this.impliedBy(column, stretches, group);
  }

  /**
   * The columns that count on some opportunities of a stretch: nobody is at two stations at once, so that
   * what one shooter covers once from several of them counts once.
   */
  private atOneStation(all: readonly Covered[], group: RowGroup): number[] {
    const counted: number[] = [];
    const byShooter = new Map<string | null, number[]>();
    for (const { opportunity, columns } of all) {
      const [once, ...again] = columns;
      const { stationId, assignments } = opportunity;
      counted.push(...again);
      if (stationId === null) counted.push(once);
      else {
        const shooterId = assignments[0]?.shooterId ?? null;
        byShooter.set(shooterId, [...(byShooter.get(shooterId) ?? []), once]);
      }
    }
    for (const columns of byShooter.values()) counted.push(this.anyOf(columns, group));
    return counted;
  }

  /** A column that is 1 where one of some is. */
  private anyOf(columns: readonly number[], group: RowGroup): number {
    const [only] = columns;
    if (columns.length === 1 && only !== undefined) return only;
    const any = this.column(0, 1, false);
    this.impliedBy(any, columns, group);
    return any;
  }

  /** What is covered twice is covered once: implied, but it keeps the relaxation from the contrary. */
  private backUp(frameId: FrameId, single: number): void {
    const base = this.targets.find(
      ({ target }) => target.layer === 'base' && target.frame.id === frameId,
    );
    if (base) this.atMost(base.column, single);
  }

  /** A column that may be 1 where a frame isn't got even once; the aims before keep it from being given up. */
  private notGot(frameId: FrameId): number {
    const column = this.column(0, 1, false);
    const first = this.targets.find(({ target }) => target.frame.id === frameId && isFirst(target));
    if (first) this.sumAtMostOne([column, first.column]);
    return column;
  }

  /** In one stretch each person who is named covers it from her own place, or any two do. */
  private addByPeople(
    { frame, opportunities }: Target<OpportunitySegments>,
    column: number,
    group: RowGroup,
  ): void {
    const named = frame.twice?.by === 'people' ? frame.twice.shooterIds : [];
    const stretches = new Map<string | null, Map<string | null, number[]>>();
    for (const covered of opportunities) {
      const { stretchId, assignments } = covered.opportunity;
      const byPerson = stretches.get(stretchId) ?? new Map<string | null, number[]>();
      stretches.set(stretchId, byPerson);
      const person = assignments[0]?.shooterId ?? null;
      const columns = this.coverOpportunity(covered, group);
      byPerson.set(person, [...(byPerson.get(person) ?? []), ...columns]);
    }
    const ways = [...stretches.values()].map((byPerson) => {
      const inStretch = this.column(0, 1, true);
      const people = () => [...byPerson.values()].map((columns) => this.anyOf(columns, group));
      if (named.length === 0) this.impliedBy(inStretch, people(), group, 2);
      for (const id of named) this.impliedBy(inStretch, byPerson.get(id) ?? [], group);
      return inStretch;
    });
    this.impliedBy(column, ways, group);
  }

  /**
   * Whichever way a frame comes about, one of the lenses that make its segments there comes along.
   * Implied, but it keeps the relaxation from counting half a lens once for each way.
   */
  private needALens(
    column: number,
    orElse: readonly number[],
    { opportunities }: Target<OpportunitySegments>,
    group: RowGroup,
  ): void {
    const combined = opportunities.reduce((count, { segments }) => count * segments.length, 1);
    if (combined > MOST_COMBINATIONS) return;
    let combinations: ReadonlySet<number>[] = [new Set()];
    for (const { segments } of opportunities) {
      const lenses = segments.map((segment) => this.lensColumns(segment.candidates));
      combinations = combinations.flatMap((before) =>
        lenses.map((more) => new Set([...before, ...more])),
      );
    }
    for (const lenses of combinations) this.impliedBy(column, [...lenses, ...orElse], group);
  }

  private lensColumns(numbers: readonly number[]): Set<number> {
    return new Set(numbers.map((i) => this.itemColumn(this.candidates[i]!.stack.lensId)));
  }

  /** Columns for an opportunity: that it is covered, and, where asked, that it is covered once more. */
  private coverOpportunity(
    { segments, needsBackup }: OpportunitySegments,
    group: RowGroup,
  ): Covered['columns'] {
    const once = this.column(0, 1, false);
    for (const segment of segments)
      this.impliedBy(once, this.candidateColumns(segment.candidates), group);
    if (!needsBackup) return [once];
    const again = this.column(0, 1, true);
    this.atMost(again, once);
    for (const segment of segments)
      this.coverWithBackup(again, neededCandidates(segment.candidates, this.candidates), group);
    return [once, again];
  }

  /**
   * Two candidates of the segment, used at once: no body and no item serves both. That at least one of
   * them does without each part is implied, but keeps the relaxation from covering by halves.
   */
  private coverWithBackup(again: number, numbers: readonly number[], group: RowGroup): void {
    const users = new Map<string, number[]>();
    /** By the column that a part has in one assignment, or by the part itself where it has none. */
    const usersOf = new Map<number | string, number[]>();
    const add = <Key>(to: Map<Key, number[]>, key: Key, column: number) => {
      const known = to.get(key);
      if (known) known.push(column);
      else to.set(key, [column]);
    };
    const chosen = numbers.map((i) => {
      const candidate = this.candidates[i]!;
      const column = this.column(0, 1, true);
      if (candidate.assignment?.fixedSetups) this.atMost(column, this.fixedColumn(i));
      else this.bears(candidate, column);
      const parts = stackItemIds(candidate.stack).map(
        (id, p) => [id, this.resourcesOf(candidate)[p] ?? null] as const,
      );
      const body = this.bodyResource(candidate.assignment, candidate.bodyId);
      for (const [id, most] of [...parts, [`body ${candidate.bodyId}`, body] as const]) {
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
   * The columns of which one is to be 1 for a segment to be made. One candidate is enough, so what needs
   * several things gets a column for this segment alone, and of those that share a thing no more than
   * one counts: that keeps the relaxation from making a segment by halves of many stacks.
   */
  private candidateColumns(numbers: readonly number[]): number[] {
    const columns = new Set<number>();
    const users = new Map<number, number[]>();
    for (const i of neededCandidates(numbers, this.candidates)) {
      const candidate = this.candidates[i]!;
      const resources = candidate.assignment?.fixedSetups
        ? [this.fixedColumn(i)]
        : this.resourcesOf(candidate);
      const [only] = resources;
      if (resources.length === 1 && only !== undefined) {
        columns.add(only);
        continue;
      }
      const column = this.column(0, 1, false);
      columns.add(column);
      this.bears(candidate, column);
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
    const candidate = this.candidates[number]!;
    const column = this.column(0, 1, true);
    for (const resource of this.resourcesOf(candidate)) this.atMost(column, resource);
    this.bears(candidate, column);
    this.fixedAt.set(number, { candidate, column });
    return column;
  }

  private resourcesOf({ stack, assignment, bodyId }: Candidate): number[] {
    const items = stackItemIds(stack).map((id) =>
      assignment?.choosesItems ? this.heldColumn(assignment, id) : this.itemColumn(id),
    );
    const body = this.bodyResource(assignment, bodyId);
    return body === null ? items : [...items, body];
  }

  /** The column of a body where it matters which: in an assignment, or whether it is there at all. */
  private bodyResource(assignment: Assignment | null, bodyId: BodyId | null): number | null {
    if (bodyId === null) return null;
    if (assignment?.choosesBodies) return this.bodyColumn(assignment, bodyId);
    return this.problem.openBodies.has(bodyId) ? (this.along.get(bodyId)?.column ?? null) : null;
  }

  /** What uses a lens on a body: the body bears it at some time. Only where bodies are chosen. */
  private bears({ bodyId, stack }: Candidate, user: number): void {
    if (!this.problem.tied || bodyId === null) return;
    const lenses = this.bearing.get(bodyId) ?? new Map<string, number>();
    this.bearing.set(bodyId, lenses);
    let column = lenses.get(stack.lensId);
    if (column === undefined) {
      column = this.column(0, 1, true);
      lenses.set(stack.lensId, column);
      this.turns.push({ column, first: false });
    }
    this.atMost(user, column);
  }

  /** A body in an assignment, or bearing a lens, comes along; the first lens that it bears is no change. */
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

  private itemColumn(id: string): number {
    const column = this.itemAt.get(id);
    if (column === undefined) throw new Error(`no column for the piece ${id}`);
    return column;
  }

  private heldColumn(assignment: Assignment, itemId: string): number {
    const key = `${assignment.index} ${itemId}`;
    const known = this.heldAt.get(key);
    if (known) return known.column;
    const column = this.column(0, 1, true);
    this.heldAt.set(key, { assignment, itemId, column });
    return column;
  }

  private bodyColumn(assignment: Assignment, bodyId: BodyId): number {
    const key = `${assignment.index} ${bodyId}`;
    const known = this.bodyAt.get(key);
    if (known) return known.column;
    const column = this.column(0, 1, true);
    this.bodyAt.set(key, { assignment, bodyId, column });
    return column;
  }

  /** Where setups are fixed, a body bears one stack and an item is part of one. */
  private fixSetups(): void {
    const users = new Map<string, number[]>();
    for (const { candidate, column } of this.fixedAt.values()) {
      for (const part of [...stackItemIds(candidate.stack), `body ${candidate.bodyId}`]) {
        const key = `${candidate.assignment?.index} ${part}`;
        users.set(key, [...(users.get(key) ?? []), column]);
      }
    }
    for (const columns of users.values()) if (columns.length > 1) this.sumAtMostOne(columns);
  }

  /** In one stretch an item and a body are in one assignment; an assignment has so many bodies and weight. */
  private shareAssignments(): void {
    for (const assignments of this.stretches) {
      const inStretch = new Set(assignments);
      const columnsByItem = columnsBy(
        [...this.heldAt.values()].filter((h) => inStretch.has(h.assignment)),
        'itemId',
      );
      for (const [id, columns] of columnsByItem)
        this.row(0, Infinity, [[this.itemColumn(id), 1], ...columns.map((c) => [c, -1] as const)]);
      const bodies = columnsBy(
        [...this.bodyAt.values()].filter((b) => inStretch.has(b.assignment)),
        'bodyId',
      );
      for (const columns of bodies.values())
        if (columns.length > 1)
          this.row(
            -Infinity,
            1,
            columns.map((c) => [c, 1]),
          );
      for (const assignment of assignments) this.boundAssignment(assignment);
    }
  }

  private boundAssignment(assignment: Assignment): void {
    const bodies = [...this.bodyAt.values()].filter((b) => b.assignment === assignment);
    if (bodies.length > assignment.bodiesAtOnce)
      this.row(
        -Infinity,
        assignment.bodiesAtOnce,
        bodies.map((b) => [b.column, 1]),
        { kind: 'handBodies', assignment },
      );
    if (assignment.maxWeightG === null) return;
    const weights = [...this.heldAt.values()]
      .filter((h) => h.assignment === assignment)
      .map((h) => [h.column, this.items[this.itemColumn(h.itemId)]?.weightG ?? 0] as const);
    const bodyWeight = new Map(this.problem.choice.bodies.map((b) => [b.id, b.weightG]));
    this.row(
      -Infinity,
      assignment.maxWeightG,
      [...weights, ...bodies.map((b) => [b.column, bodyWeight.get(b.bodyId) ?? 0] as const)],
      { kind: 'handWeight', assignment },
    );
  }

  /** Who doesn't move holds one station: only there is anything in hand. */
  private holdStations(): void {
    for (const group of eitherOr(this.problem.assignments)) {
      const columns = group.map((assignment) => {
        const column = this.column(0, 1, true);
        const inHand = [...this.heldAt.values(), ...this.bodyAt.values()];
        for (const used of inHand)
          if (used.assignment === assignment) this.atMost(used.column, column);
        return column;
      });
      this.sumAtMostOne(columns);
    }
  }

  /** Lenses carried in an assignment beyond its bodies: so many changes there are at the least. */
  private countChanges(): void {
    if (!this.problem.limits.order.includes('changes')) return;
    const lenses = new Set(this.items.filter((p) => p.kind === 'lens').map((p) => p.id));
    for (const assignment of this.problem.assignments) {
      if (assignment.fixedSetups) continue;
      const heldLenses = [...this.heldAt.values()].filter(
        (h) => h.assignment === assignment && lenses.has(h.itemId),
      );
      if (heldLenses.length <= assignment.bodiesAtOnce) continue;
      const column = this.column(0, this.items.length, true);
      this.changes.push({ assignment, column });
      this.row(-assignment.bodiesAtOnce, Infinity, [
        [column, 1],
        ...heldLenses.map((h) => [h.column, -1] as const),
      ]);
    }
  }

  /** What is packed as soon as one of its pictures is got: a column for each, with its weight. */
  private loads(): (readonly [number, number])[] {
    return this.problem.loads.flatMap(({ weightG, frameIds }) => {
      const asking = this.targets.filter(
        ({ target }) =>
          (target.layer === 'base' || target.layer === 'single') &&
          frameIds.includes(target.frame.id),
      );
      if (asking.length === 0) return [];
      const packed = this.column(0, 1, false);
      for (const { column } of asking) this.atMost(column, packed);
      return [[packed, weightG] as const];
    });
  }

  private limit(): void {
    const { limits } = this.problem;
    for (const { key, rule, most } of sumLimits(limits)) {
      const items = this.items.map((p, i) => [i, rule.of(p) ?? 0] as const);
      const bodies = rule.countsBodies(limits) ? [...this.along.values()] : [];
      const along = bodies.map((a) => [a.column, a.body.weightG] as const);
      const loads = rule.countsLoads ? this.loads() : [];
      const entries = [...items, ...along, ...loads].filter(([, cost]) => cost !== 0);
      this.row(-Infinity, most - rule.besides(this.problem), entries, { kind: key });
    }
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
