import { DEFAULT_LIMITS } from '@/core/brief';
import type { OutingFile } from '../outingFile';
import { same } from './join';
import { NO_GEAR, type Settings, USUAL_LIMITS, usualKey } from './personal';
import { type Plan, USUAL_TIES } from './plan';
import type { Desk } from './view';

/** Longest name of an outing. */
const LONGEST_NAME = 120;

/**
 * The plan of a new outing with the person's shelf and settings; limits that it sets by itself are
 * its own. Someone whose shelf is still empty may go on with the gear of the outing that is open.
 */
export function newPlan(
  file: Pick<OutingFile, 'outing' | 'stretches' | 'frames' | 'limits' | 'packing' | 'ground'>,
  { plan, shelf }: Pick<Desk, 'plan' | 'shelf'>,
  lendsGear = true,
): Plan {
  const { outing, stretches, frames, limits, packing, ground } = file;
  const changed = USUAL_LIMITS.filter((key) => !same(limits[key], DEFAULT_LIMITS[key]));
  const without = new Set<string>(changed);
  const lends = lendsGear && shelf.gear.lenses.length === 0;
  return {
    outing,
    stretches,
    frames,
    limits,
    packing,
    ground,
    ties: { ...USUAL_TIES, usual: USUAL_TIES.usual.filter((key) => !without.has(key)) },
    arranged: lends ? plan.arranged : [],
    alone: lends ? plan.alone : NO_GEAR,
  };
}

/** The plan of a file whose gear is all of this outing alone: nothing of it is on anyone's shelf. */
export function planAlone(file: OutingFile, settings: Settings): Plan {
  const { outing, stretches, frames, limits, packing, ground, shelf } = file;
  const usual = usualKey.options.filter((key) =>
    key === 'currency'
      ? outing.currency === settings.currency
      : same(limits[key], settings.limits[key]),
  );
  const ties = { ...USUAL_TIES, usual };
  return { outing, stretches, frames, limits, packing, ground, ties, arranged: [], alone: shelf };
}

/** A plan under its name with an ending, for a copy beside it. */
export function copyOf(plan: Plan, ending: string): Plan {
  const name = `${plan.outing.name}, ${ending}`.slice(0, LONGEST_NAME);
  return { ...plan, outing: { ...plan.outing, name } };
}
