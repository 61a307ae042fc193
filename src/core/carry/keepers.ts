/** Sets compared for one picture; beyond it those that cost more stand together as one that asks for nothing. */
const MOST_COMPARED = 150_000;

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
  /** For each number of pictures left, the sets in a row, those with fewer changes first: changes, then the words. */
  private readonly rows: Int32Array[];
  private readonly words: number;

  /** @param wanted for each picture, in order, the stacks of which one is to be on */
  constructor(
    wanted: readonly (readonly number[])[],
    private readonly cameraCount: number,
    stackCount: number,
  ) {
    this.words = Math.ceil(stackCount / 32);
    let kept: readonly Keep[] = [{ stacks: new Int32Array(this.words), size: 0, changes: 0 }];
    this.rows = [this.rowOf(kept)];
    for (const stacks of wanted.toReversed()) {
      kept = this.lean(kept.flatMap((keep) => this.before(keep, stacks)));
      this.rows.push(this.rowOf(kept));
    }
  }

  /** Changes that the last pictures of the row ask for at the least, with these stacks on. */
  least(pictures: number, on: readonly number[]): number {
    const { words } = this;
    const row = this.rows[pictures]!;
    const has = new Int32Array(words);
    for (const stack of on) has[stack >> 5]! |= 1 << (stack & 31);
    let least = Infinity;
    for (let at = 0; at < row.length; at += words + 1) {
      let changes = row[at]!;
      // The others begin with as many.
      if (changes >= least) break;
      for (let word = 0; word < words; word += 1)
        changes += bitsIn(row[at + 1 + word]! & ~has[word]!);
      if (changes < least) least = changes;
    }
    return least;
  }

  /** What is to be on before a picture, for a set to be on after it. */
  private before(keep: Keep, stacks: readonly number[]): readonly Keep[] {
    if (stacks.some((stack) => isIn(keep.stacks, stack))) return [keep];
    if (keep.size < this.cameraCount)
      return stacks.map((stack) => ({
        ...keep,
        stacks: exchanged(keep.stacks, stack),
        size: keep.size + 1,
      }));
    return membersOf(keep.stacks).flatMap((off) =>
      stacks.map((stack) => ({
        stacks: exchanged(exchanged(keep.stacks, off), stack),
        size: keep.size,
        changes: keep.changes + 1,
      })),
    );
  }

  /** Without those that another can be completed to for no more. */
  private lean(keeps: readonly Keep[]): readonly Keep[] {
    const byStacks = new Map<string, Keep>();
    for (const keep of keeps) {
      const name = keep.stacks.join();
      const known = byStacks.get(name);
      if (!known || keep.changes < known.changes) byStacks.set(name, keep);
    }
    const ordered = [...byStacks.values()].sort((a, b) => a.changes - b.changes || a.size - b.size);
    const kept: Keep[] = [];
    let compared = 0;
    for (const keep of ordered) {
      if (compared > MOST_COMPARED) {
        const none = { stacks: new Int32Array(this.words), size: 0, changes: keep.changes };
        return [...kept.filter(({ changes }) => changes < keep.changes), none];
      }
      let isNeedless = false;
      for (const other of kept) {
        // Two that are not alike differ by one at the least, or by what one has more.
        const apart = other.size < keep.size ? 0 : Math.max(1, other.size - keep.size);
        if (other.changes + apart > keep.changes) continue;
        compared += 1;
        isNeedless = other.changes + missing(other.stacks, keep.stacks) <= keep.changes;
        if (isNeedless) break;
      }
      if (!isNeedless) kept.push(keep);
    }
    return kept;
  }

  private rowOf(keeps: readonly Keep[]): Int32Array {
    return Int32Array.from(keeps.flatMap(({ changes, stacks }) => [changes, ...stacks]));
  }
}

const isIn = (stacks: Int32Array, stack: number) =>
  (stacks[stack >> 5]! & (1 << (stack & 31))) !== 0;

function exchanged(stacks: Int32Array, stack: number): Int32Array {
  const now = stacks.slice();
  now[stack >> 5]! ^= 1 << (stack & 31);
  return now;
}

function membersOf(stacks: Int32Array): number[] {
  const members: number[] = [];
  for (let stack = 0; stack < 32 * stacks.length; stack += 1)
    if (isIn(stacks, stack)) members.push(stack);
  return members;
}

/** How many of one set are not in another. */
function missing(stacks: Int32Array, from: Int32Array): number {
  let count = 0;
  for (let word = 0; word < stacks.length; word += 1) count += bitsIn(stacks[word]! & ~from[word]!);
  return count;
}

/** How many bits of a word are set, summed in pairs, fours and bytes. */
function bitsIn(word: number): number {
  const pairs = word - ((word >>> 1) & 0x55555555);
  const fours = (pairs & 0x33333333) + ((pairs >>> 2) & 0x33333333);
  return Math.imul((fours + (fours >>> 4)) & 0x0f0f0f0f, 0x01010101) >>> 24;
}
