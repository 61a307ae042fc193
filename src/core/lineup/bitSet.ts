const WORD_BITS = 32;

/** A set of numbers from 0 on, one bit each: thousands of cells over thousands of makers stay small. */
export class BitSet {
  private constructor(private readonly words: Uint32Array) {}

  static empty(size: number): BitSet {
    return new BitSet(new Uint32Array(Math.ceil(size / WORD_BITS)));
  }

  static of(size: number, members: Iterable<number>): BitSet {
    const set = BitSet.empty(size);
    for (const member of members) set.add(member);
    return set;
  }

  add(member: number): void {
    const word = member >>> 5;
    this.words[word] = (this.words[word] ?? 0) | (1 << (member & 31));
  }

  delete(member: number): void {
    const word = member >>> 5;
    this.words[word] = (this.words[word] ?? 0) & ~(1 << (member & 31));
  }

  has(member: number): boolean {
    return (((this.words[member >>> 5] ?? 0) >>> (member & 31)) & 1) === 1;
  }

  copy(): BitSet {
    return new BitSet(this.words.slice());
  }

  /** What is in both. */
  and(other: BitSet): BitSet {
    return new BitSet(this.words.map((word, i) => word & (other.words[i] ?? 0)));
  }

  isWithin(other: BitSet): boolean {
    for (let i = 0; i < this.words.length; i += 1)
      if ((this.words[i]! & ~(other.words[i] ?? 0)) !== 0) return false;
    return true;
  }

  meets(other: BitSet): boolean {
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

  /** Its members, upwards. */
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
