import { ev100OfSource, type Frame, type Stretch, type SubjectKey } from '@/core/brief';
import { equivalentRange, type LineupQuestion } from '@/core/lineup';
import { setupOfStack } from '@/core/gear';
import { HEAVY_SETUP_G } from './packingList';
import type { CarryPlan, CarryQuestion, CarryStretch } from './plan';

/** A caution, and the frames or stretches that call for it. Local rules come before all of them. */
export interface Caution {
  readonly code:
    | 'sun-in-finder'
    | 'loose-overhead'
    | 'animals'
    | 'flash-animals'
    | 'backwards'
    | 'lifting'
    | 'heavy-lens'
    | 'lithium'
    | 'law';
  /** Names of the frames or stretches that call for it. */
  readonly for: readonly string[];
  /** Weight that calls for it, g; null where none does. */
  readonly weightG: number | null;
  /** The stretches in which it applies, in the order of the plan; null stands for the whole outing, none for the way there. */
  readonly stretchIds: readonly CarryStretch['stretchId'][];
}

/** Longer than this, on the 36×24 mm frame, the sun in a finder hurts at once. Common practice, no source. */
const LONG_MM = 200;
const DAYLIGHT_EV100 = 12;
/** The most that people call bearable for a day, g; heavier lenses than that below are not held. Common practice, no source. */
const BEARABLE_G = 7000;

/** Words in places, names and notes that call for a caution. */
const WORDS: readonly (readonly [Caution['code'], RegExp])[] = [
  [
    'loose-overhead',
    /\b(aircraft|helicopter|balloon|glider|catwalk|rigg\w*|balcony|gallery|overhead)\b/i,
  ],
  ['law', /\b(airfield|airport|railway|rail|station|road|bridge|drone|harbour|port|border)\b/i],
];

/** Subjects for which the distance that a park or law sets is to be kept. */
const ANIMALS: ReadonlySet<SubjectKey | null> = new Set([
  'smallBird',
  'largeBird',
  'smallMammal',
  'largeMammal',
]);
/** Subjects over which nothing loose may be, or that are under aviation law. */
const AIRCRAFT: ReadonlySet<SubjectKey | null> = new Set(['smallAircraft', 'largeAircraft']);

/** The cautions that an outing and its plan call for, gravest first. */
export function cautionsFor(question: CarryQuestion, plan: CarryPlan): Caution[] {
  const { frames, stretches } = question;
  /** A caution for frames and stretches, where there are any: it applies where they are made, or are. */
  const caution = (
    code: Caution['code'],
    ofFrames: readonly Frame[],
    ofStretches: readonly Stretch[] = [],
  ): Caution | null => {
    const those = [...ofStretches, ...ofFrames];
    if (those.length === 0) return null;
    const ids = new Set<string>(those.map(({ id }) => id));
    return {
      code,
      for: those.map(({ name }) => name),
      weightG: null,
      stretchIds: plan.stretches
        .filter(
          (s) =>
            (s.stretchId !== null && ids.has(s.stretchId)) ||
            s.hands.some((h) => h.doings.some((d) => d.kind === 'frame' && ids.has(d.frameId))),
        )
        .map((s) => s.stretchId),
    };
  };
  const animals = frames.filter((f) => ANIMALS.has(f.subject));
  const aircraft = frames.filter((f) => AIRCRAFT.has(f.subject));
  const long = frames.filter(
    (f) =>
      (ev100OfSource(f.light.source) ?? 0) >= DAYLIGHT_EV100 &&
      longestMadeWith(f, question, plan) >= LONG_MM,
  );
  const liftedG = Math.max(
    0,
    ...plan.stretches.flatMap((s) => s.hands.map((h) => h.weights.inHandG)),
  );
  const days = new Set(stretches.flatMap((s) => s.day ?? [])).size;
  const all: (Caution | null)[] = [
    caution('sun-in-finder', long),
    ...WORDS.map(([code, words]) =>
      caution(
        code,
        code === 'law' ? aircraft : [],
        stretches.filter((s) => words.test(`${s.name} ${s.place} ${s.note}`)),
      ),
    ),
    caution('animals', animals),
    caution(
      'flash-animals',
      animals.filter((f) => f.light.flash !== null),
    ),
    caution(
      'backwards',
      frames.filter((f) => f.need.kind === 'subject' && f.need.footing === 'flowing'),
    ),
    plan.worst !== null && plan.worst.weightG >= BEARABLE_G
      ? {
          code: 'lifting',
          for: [],
          weightG: plan.worst.weightG,
          stretchIds: [plan.worst.stretchId],
        }
      : null,
    liftedG >= HEAVY_SETUP_G
      ? {
          code: 'heavy-lens',
          for: [],
          weightG: liftedG,
          stretchIds: plan.stretches
            .filter((s) => s.hands.some((h) => h.weights.inHandG >= HEAVY_SETUP_G))
            .map((s) => s.stretchId),
        }
      : null,
    days > 1 ? { code: 'lithium', for: [], weightG: null, stretchIds: [] } : null,
  ];
  return all.filter((c) => c !== null);
}

/** Longest focal length, on the 36×24 mm frame, that a frame is planned with. */
function longestMadeWith(
  { id }: Frame,
  { shelf }: Pick<LineupQuestion, 'shelf'>,
  plan: CarryPlan,
): number {
  const lengths = plan.stretches.flatMap((s) =>
    s.hands.flatMap((h) =>
      h.doings.flatMap((d) =>
        d.kind === 'frame' && d.frameId === id
          ? d.with.map(({ bodyId, pieceIds: itemIds }) => {
              const find = <T extends string>(of: readonly { readonly id: T }[]) =>
                of.find((x) => itemIds.includes(x.id))?.id ?? null;
              const lensId = find(shelf.lenses);
              if (lensId === null) return 0;
              const setup = setupOfStack(shelf, {
                bodyId,
                lensId,
                adapterId: find(shelf.adapters),
                converterId: find(shelf.converters),
                tubeId: find(shelf.tubes),
              });
              return setup ? equivalentRange(setup).to : 0;
            })
          : [],
      ),
    ),
  );
  return Math.max(0, ...lengths);
}
