import { type Frame, type Need, SUBJECTS, type SubjectKey } from '@/core/brief';
import { subjectSides } from '@/core/coverage';

/** The drawings that stand for subjects. */
export type FigureKind =
  | 'bust'
  | 'person'
  | 'people'
  | 'crowd'
  | 'bird'
  | 'largeBird'
  | 'smallMammal'
  | 'animal'
  | 'shell'
  | 'boat'
  | 'vehicle'
  | 'smallAircraft'
  | 'aircraft'
  | 'hall'
  | 'front'
  | 'hands'
  | 'ring'
  | 'fitting'
  | 'tool'
  | 'flower'
  | 'insect'
  | 'plate'
  | 'disc'
  | 'skyline'
  | 'thing';

/** A subject to be drawn, in the units of the picture's sides. */
export interface Figure {
  readonly kind: FigureKind;
  readonly width: number;
  readonly height: number;
}

const KINDS: Readonly<Record<SubjectKey, FigureKind>> = {
  headAndShoulders: 'bust',
  standingPerson: 'person',
  couple: 'people',
  groupOfTen: 'people',
  crowd: 'crowd',
  smallBird: 'bird',
  largeBird: 'largeBird',
  smallMammal: 'smallMammal',
  largeMammal: 'animal',
  rowingShell: 'shell',
  boat: 'boat',
  vehicle: 'vehicle',
  smallAircraft: 'smallAircraft',
  largeAircraft: 'aircraft',
  hall: 'hall',
  buildingFront: 'front',
  hands: 'hands',
  ring: 'ring',
};

/** Width over height of each drawing where only one side is given. Common practice, no source. */
const SHAPES: Readonly<Record<FigureKind, number>> = {
  bust: 0.9,
  person: 0.33,
  people: 1.5,
  crowd: 4,
  bird: 1.2,
  largeBird: 1.13,
  smallMammal: 1.4,
  animal: 1.47,
  shell: 10,
  boat: 2.7,
  vehicle: 3,
  smallAircraft: 3.33,
  aircraft: 3.75,
  hall: 2.5,
  front: 1.6,
  hands: 1.4,
  ring: 1.5,
  fitting: 1.2,
  tool: 1.2,
  flower: 1,
  insect: 1.4,
  plate: 1.6,
  disc: 1,
  skyline: 6,
  thing: 1.5,
};

/** What is this narrow at infinity is drawn as a disc, radians: the moon, the sun. */
const DISC_WIDTH = 0.02;
/** People as tall as this stand in a row as wide as the subject, m. */
const PERSON_M = 1.8;

/** The drawing that suits a frame's subject; null where no subject is given. */
export function figureOf({
  name,
  need,
  subject,
}: Pick<Frame, 'name' | 'need' | 'subject'>): Figure | null {
  const sides = subjectSides(need);
  if (sides === null) return null;
  const { width, height } = sides;
  const general = kindOf(need, subject, width, height);
  const kind = GENERAL.has(general) ? (smallThing(name) ?? general) : general;
  if ((kind === 'people' || kind === 'crowd') && height === null)
    return { kind, width: width ?? 1, height: Math.min(PERSON_M, width ?? PERSON_M) };
  return {
    kind,
    width: width ?? (height ?? 1) * SHAPES[kind],
    height: height ?? (width ?? 1) / SHAPES[kind],
  };
}

/** Kinds that stand for many small things. */
const GENERAL: ReadonlySet<FigureKind> = new Set(['ring', 'thing']);

/** Small things by the words that name them. */
const SMALL_THINGS: readonly (readonly [FigureKind, RegExp])[] = [
  ['flower', /\b(flowers?|blossoms?|bloom|orchids?|petals?|bouquet|garland)\b/i],
  ['insect', /\b(insects?|bees?|beetles?|butterfl(y|ies)|dragonfl(y|ies)|moths?|spiders?)\b/i],
  ['plate', /\b(plates?|food|dish(es)?|cakes?|meal|bread|table)\b/i],
  ['tool', /\b(tools?|hammers?|chisels?|wrench|saw|brush(es)?)\b/i],
  ['fitting', /\b(oarlocks?|fittings?|hinges?|latch|bolts?|shackles?|cleats?|handles?|valves?)\b/i],
];

const smallThing = (name: string): FigureKind | undefined =>
  SMALL_THINGS.find(([, words]) => words.test(name))?.[0];

const isNarrow = (width: number | null, height: number | null) =>
  Math.max(width ?? 0, height ?? 0) < DISC_WIDTH;

/** Whether a need is of a disc in the sky. */
export function isDisc(need: Need): boolean {
  const sides = need.kind === 'far' ? subjectSides(need) : null;
  return sides !== null && isNarrow(sides.width, sides.height);
}

function kindOf(
  need: Need,
  subject: Frame['subject'],
  width: number | null,
  height: number | null,
): FigureKind {
  if (need.kind === 'far') return isNarrow(width, height) ? 'disc' : 'skyline';
  if (subject !== null) return KINDS[subject];
  const known = SUBJECTS.find((s) => s.widthM === width && s.heightM === height);
  if (known) return KINDS[known.key];
  if (width === null) return (height ?? 0) > 0.9 ? 'person' : 'thing';
  if (height === null) return width > 4 ? 'shell' : 'people';
  if (height > 1.4 && height < 2.6) return width < 1 ? 'person' : 'people';
  if (width > 4) return height > 3 ? 'front' : 'boat';
  return width < 0.1 ? 'ring' : 'thing';
}
