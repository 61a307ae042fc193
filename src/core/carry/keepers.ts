/** Sets compared for one picture; beyond it those that cost more stand together as one that asks for nothing. */
const MOST_COMPARED = 150_000;
/** Below it each set of stacks has a number of its own. */
export const LARGEST_NUMBER = 2 ** 53;

/** Stacks to have on the cameras, 32 bits a word, and the changes that are then still to come. */
interface Keep {
  readonly stacks: Int32Array;
  readonly size: number;
  readonly changes: number;
}

/**
 * For pictures made in order: what pays to have on the cameras before each. Changes still to come are
 * then the least, over these sets, of those that follow it and of what of it is not on. Found from the
 * last picture back: a set that has no part in a picture takes up a stack that has, and where all cameras
 * bear something that is wanted later, one of those is put on again.
 */
export class Keepers {
  /** For each number of pictures left, the sets, those with fewer changes first. */
  private readonly rows: readonly Row[];
  private readonly words: number;
  /** Filled anew for each question. */
  private readonly has: Int32Array;
  /** For each number of pictures left, what has been asked: states that differ in who has what ask the same. */
  private readonly known: readonly Map<number, number>[];

  /** @param wanted for each picture, in order, the stacks of which one is to be on */
  constructor(
    wanted: readonly (readonly number[])[],
    private readonly cameraCount: number,
    private readonly stackCount: number,
  ) {
    this.words = Math.ceil(stackCount / 32);
    this.has = new Int32Array(this.words);
    let row = this.lean([this.nothing(0)]);
    const rows = [row];
    for (const stacks of wanted.toReversed()) {
      row = this.before(row.keeps, stacks);
      rows.push(row);
    }
    this.rows = rows;
    this.known = rows.map(() => new Map());
  }

  /** Changes that the last pictures of the row ask for at the least, with these stacks on, upwards. */
  least(pictures: number, on: readonly number[]): number {
    const known = this.known[pictures]!;
    let name = 0;
    for (const stack of on) name = name * (this.stackCount + 1) + stack + 1;
    const before = known.get(name);
    if (before !== undefined) return before;
    this.has.fill(0);
    for (const stack of on) add(this.has, stack);
    const least = this.rows[pictures]!.least(this.has);
    if (name < LARGEST_NUMBER) known.set(name, least);
    return least;
  }

  /** What is to be on before a picture, for the sets to be on after it. */
  private before(keeps: readonly Keep[], stacks: readonly number[]): Row {
    const has = this.nothing(0).stacks;
    for (const stack of stacks) add(has, stack);
    const isServed = (keep: Keep) => keep.stacks.some((word, at) => (word & has[at]!) !== 0);
    const rooms = this.lean(keeps.filter((k) => !isServed(k)).flatMap((keep) => this.rooms(keep)));
    return this.lean([
      ...keeps.filter(isServed),
      ...rooms.keeps.flatMap((room) => stacks.map((stack) => withStack(room, stack))),
    ]);
  }

  /** A set with room for one more: where there is none, one comes off and is put on again. */
  private rooms(keep: Keep): readonly Keep[] {
    if (keep.size < this.cameraCount) return [keep];
    return membersOf(keep.stacks).map((off) => without(keep, off));
  }

  /** Without those that another can be completed to for no more. */
  private lean(keeps: readonly Keep[]): Row {
    const byStacks = new Map<string, Keep>();
    for (const keep of keeps) {
      const name = String.fromCharCode(...new Uint16Array(keep.stacks.buffer));
      const known = byStacks.get(name);
      if (!known || keep.changes < known.changes) byStacks.set(name, keep);
    }
    const ordered = [...byStacks.values()].sort((a, b) => a.changes - b.changes || a.size - b.size);
    const row = new Row(ordered.length, this.words);
    for (const keep of ordered) {
      if (row.compared > MOST_COMPARED) return row.upTo(this.nothing(keep.changes));
      row.add(keep);
    }
    return row;
  }

  private nothing(changes: number): Keep {
    return { stacks: new Int32Array(this.words), size: 0, changes };
  }
}

/** Sets with the changes still to come where they are on, those with fewer first, none needless. */
class Row {
  readonly keeps: Keep[] = [];
  /** Sets compared so far, to leave out the needless ones. */
  compared = 0;
  /** The same in a row: changes, size, then the words. */
  private readonly flat: Int32Array;
  private readonly each: number;

  constructor(most: number, words: number) {
    this.each = 2 + words;
    this.flat = new Int32Array(most * this.each);
  }

  /** Adds a set of no fewer changes than those before, unless one of them can be completed to it for no more. */
  add(keep: Keep): void {
    if (!this.isNeedless(keep)) this.put(keep);
  }

  /** Those with fewer changes than another set, and that set. */
  upTo(last: Keep): Row {
    const kept = this.keeps.filter(({ changes }) => changes < last.changes);
    const row = new Row(kept.length + 1, last.stacks.length);
    for (const keep of [...kept, last]) row.put(keep);
    return row;
  }

  /** Changes that are still to come at the least, with these stacks on. */
  least(has: Int32Array): number {
    const { flat, each } = this;
    const end = this.keeps.length * each;
    let least = Infinity;
    for (let at = 0; at < end; at += each) {
      // The others begin with as many.
      if (flat[at]! >= least) break;
      least = Math.min(least, flat[at]! + this.missing(at, has));
    }
    return least;
  }

  private isNeedless({ changes, size, stacks }: Keep): boolean {
    const { flat, each } = this;
    const end = this.keeps.length * each;
    for (let at = 0; at < end; at += each) {
      const spare = changes - flat[at]!;
      const more = flat[at + 1]! - size;
      // Two that are not alike differ by one at the least, or by what one has more.
      if (spare < more || (more === 0 && spare === 0)) continue;
      this.compared += 1;
      if (this.missing(at, stacks) <= spare) return true;
    }
    return false;
  }

  /** How many of a set are not among these. */
  private missing(at: number, among: Int32Array): number {
    let count = 0;
    for (let word = 0; word < among.length; word += 1)
      count += bitsIn(this.flat[at + 2 + word]! & ~among[word]!);
    return count;
  }

  private put(keep: Keep): void {
    this.flat.set([keep.changes, keep.size, ...keep.stacks], this.keeps.length * this.each);
    this.keeps.push(keep);
  }
}

function membersOf(stacks: Int32Array): number[] {
  const members: number[] = [];
  for (let stack = 0; stack < 32 * stacks.length; stack += 1)
    if ((stacks[stack >> 5]! & (1 << (stack & 31))) !== 0) members.push(stack);
  return members;
}

function withStack({ stacks, size, changes }: Keep, stack: number): Keep {
  const now = stacks.slice();
  add(now, stack);
  return { stacks: now, size: size + 1, changes };
}

/** A set of which one comes off, to be put on again. */
function without({ stacks, size, changes }: Keep, stack: number): Keep {
  const now = stacks.slice();
  now[stack >> 5]! &= ~(1 << (stack & 31));
  return { stacks: now, size: size - 1, changes: changes + 1 };
}

function add(stacks: Int32Array, stack: number): void {
  stacks[stack >> 5]! |= 1 << (stack & 31);
}

/** How many bits of a word are set, summed in pairs, fours and bytes. */
function bitsIn(word: number): number {
  const pairs = word - ((word >>> 1) & 0x55555555);
  const fours = (pairs & 0x33333333) + ((pairs >>> 2) & 0x33333333);
  return Math.imul((fours + (fours >>> 4)) & 0x0f0f0f0f, 0x01010101) >>> 24;
}
