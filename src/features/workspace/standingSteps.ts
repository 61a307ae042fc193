import type { LineupResult } from '@/core/lineup';
import type { OutingFile } from '@/document';
import { buySteps, idsIn, priceSteps, wantsSteps, weightSteps } from '@/text';

/** The arithmetic behind the figures of the standing line. */
export const wants = (file: OutingFile, result: LineupResult) => wantsSteps(file, result);
export const weight = (file: OutingFile, result: LineupResult) =>
  weightSteps(file, idsIn(result), result.bodies);
export const price = (file: OutingFile, result: LineupResult) => priceSteps(file, idsIn(result));
export const buy = (file: OutingFile, result: LineupResult) => buySteps(file, idsIn(result));
