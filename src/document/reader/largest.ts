import type { ReaderKind } from './readers';

/** Largest input of each kind, bytes: several times what the largest valid one has. */
export const LARGEST: Readonly<Record<ReaderKind, number>> = {
  outing: 30_000_000,
  shelf: 30_000_000,
  lensCsv: 10_000_000,
  lensfun: 10_000_000,
  gearLines: 1_000_000,
  shotList: 1_000_000,
  backup: 300_000_000,
  packing: Infinity,
  photoTable: 300_000_000,
  places: 10_000_000,
};
