/** One step of a piece of arithmetic: inputs and formula, the exact result, and what it rests on. */
export interface Step {
  readonly name: string;
  readonly formula: string;
  readonly result: string;
  readonly source: string;
}
