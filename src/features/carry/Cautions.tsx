import type { Caution } from '@/core/carry';
import { formatWeight } from '@/text';

const WORDS: Readonly<Record<Caution['code'], (weight: string) => string>> = {
  'sun-in-finder': () =>
    'Never look at the sun through an optical finder with a long lens; use the screen.',
  'loose-overhead': () =>
    'Nothing loose in open aircraft or over people; tether it, and mount remote cameras only as the venue’s rigger allows.',
  animals: () => 'Keep the distance that the park or the law sets, and more when the animal stirs.',
  'flash-animals': () => 'No flash at nests, nor at animals of the night.',
  backwards: () => 'Do not walk or run backwards with a camera without somebody to guide you.',
  lifting: (weight) =>
    `${weight} is more than most can bear for a day: share it, or leave something.`,
  'heavy-lens': (weight) =>
    `A setup of ${weight} is not held by hand for more than minutes; use a support, and lift it with both hands.`,
  lithium: () => 'When flying, spare lithium batteries go into the cabin, by the carrier’s rules.',
  law: () => 'Airfields, railways, roads, waterways and drones: local law and permits decide.',
};

/** What to take care of on this outing; local rules come before it. */
export function Cautions({ cautions }: { cautions: readonly Caution[] }) {
  if (cautions.length === 0) return null;
  return (
    <section aria-labelledby="cautions">
      <h2 id="cautions" className="text-lg">
        Take care
      </h2>
      <ul className="max-w-prose">
        {cautions.map((c) => (
          <li key={c.code} className="border-b border-hair py-1">
            {WORDS[c.code](c.weightG === null ? '' : formatWeight(c.weightG))}
            {c.for.length > 0 && (
              <span className="block text-[13px] text-soft">{c.for.join(', ')}</span>
            )}
          </li>
        ))}
      </ul>
      <p className="mt-1 text-[13px] text-soft">
        Local rules, and those who are licensed for the place, come first.
      </p>
    </section>
  );
}
