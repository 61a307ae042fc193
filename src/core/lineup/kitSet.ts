const WORD_BITS = 32;

/** A set of kits by their number, one bit each: thousands of cells over thousands of kits stay small. */
export class KitSet {
  private constructor(private readonly words: Uint32Array) {}

  static empty(kitCount: number): KitSet {
    return new KitSet(new Uint32Array(Math.ceil(kitCount / WORD_BITS)));
  }

  static of(kitCount: number, kits: Iterable<number>): KitSet {
    const set = KitSet.empty(kitCount);
    for (const kit of kits) set.add(kit);
    return set;
  }

  add(kit: number): void {
    const word = kit >>> 5;
    this.words[word] = (this.words[word] ?? 0) | (1 << (kit & 31));
  }

  delete(kit: number): void {
    const word = kit >>> 5;
    this.words[word] = (this.words[word] ?? 0) & ~(1 << (kit & 31));
  }

  has(kit: number): boolean {
    return (((this.words[kit >>> 5] ?? 0) >>> (kit & 31)) & 1) === 1;
  }

  copy(): KitSet {
    return new KitSet(this.words.slice());
  }

  /** The kits that are in both. */
  and(other: KitSet): KitSet {
    return new KitSet(this.words.map((word, i) => word & (other.words[i] ?? 0)));
  }

  isWithin(other: KitSet): boolean {
    return this.words.every((word, i) => (word & ~(other.words[i] ?? 0)) === 0);
  }

  meets(other: KitSet): boolean {
    return this.words.some((word, i) => (word & (other.words[i] ?? 0)) !== 0);
  }

  get isEmpty(): boolean {
    return this.words.every((word) => word === 0);
  }

  get size(): number {
    let bits = 0;
    for (let word of this.words) for (; word !== 0; word &= word - 1) bits += 1;
    return bits;
  }

  /** Numbers of its kits, upwards. */
  *[Symbol.iterator](): Generator<number> {
    for (const [i, bits] of this.words.entries()) {
      for (let word = bits; word !== 0; word &= word - 1) {
        yield i * WORD_BITS + (31 - Math.clz32(word & -word));
      }
    }
  }

  /** The same text for equal sets. */
  get key(): string {
    return this.words.join();
  }
}
