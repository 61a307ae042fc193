import { comparedGear, type OutingFile } from '@/document';
import type { Shelf } from '@/core/gear';

/** Whether a file has gear that isn't on the shelf, or is there with other figures: then the person is asked. */
export function hasGearInQuestion(file: OutingFile, shelf: Shelf): boolean {
  return comparedGear(file.shelf, shelf).some((c) => c.mine === null || c.differing.length > 0);
}
