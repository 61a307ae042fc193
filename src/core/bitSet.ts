const WORD_BITS = 32;
const WORD_SHIFT = BigInt(WORD_BITS);

/** A set of numbers from 0 on, one bit each: thousands of segments over thousands of candidates stay small. */
export class BitSet {
  private constructor(private readonly words: Int32Array) {}

  /** @param size above every member */
  static empty(size: number): BitSet {
    return new BitSet(new Int32Array(Math.ceil(size / WORD_BITS)));
  }

  static of(size: number, members: readonly number[]): BitSet {
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
    return ((this.words[member >>> 5] ?? 0) & (1 << (member & 31))) !== 0;
  }

  addAll(other: BitSet): void {
    for (let i = 0; i < this.words.length; i += 1) this.words[i]! |= other.words[i]!;
  }

  deleteAll(other: BitSet): void {
    for (let i = 0; i < this.words.length; i += 1) this.words[i]! &= ~other.words[i]!;
  }

  /** Makes it all that a whole number has no bit for, up to the end of its last word. */
  fillWithout(bits: bigint): void {
    let rest = bits;
    for (let i = 0; i < this.words.length; i += 1, rest >>= WORD_SHIFT)
      this.words[i] = ~Number(BigInt.asIntN(WORD_BITS, rest));
  }

  /** Its least member; -1 where it is empty. */
  first(): number {
    for (let i = 0; i < this.words.length; i += 1) {
      const word = this.words[i]!;
      if (word !== 0) return i * WORD_BITS + (31 - Math.clz32(word & -word));
    }
    return -1;
  }

  isWithin(other: BitSet): boolean {
    for (let i = 0; i < this.words.length; i += 1)
      if ((this.words[i]! & ~(other.words[i] ?? 0)) !== 0) return false;
    return true;
  }

  get size(): number {
    let bits = 0;
    for (let word of this.words) for (; word !== 0; word &= word - 1) bits += 1;
    return bits;
  }

  /** Its members, upwards. */
  members(): number[] {
    const members: number[] = [];
    for (let i = 0; i < this.words.length; i += 1) {
      for (let word = this.words[i]!; word !== 0; word &= word - 1)
        members.push(i * WORD_BITS + (31 - Math.clz32(word & -word)));
    }
    return members;
  }
}
