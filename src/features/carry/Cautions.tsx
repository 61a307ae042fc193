import type { Caution } from '@/core/carry';
import { carryText, formatWeight, plainList } from '@/text';

const t = carryText.cautions;

const WORDS: Readonly<Record<Caution['code'], (weight: string) => string>> = {
  'sun-in-finder': () => t.neverLookAtTheSun,
  'loose-overhead': () => t.noLooseGearInOpen,
  animals: () => t.keepTheDistanceThePark,
  'flash-animals': () => t.noFlashAtNestsOr,
  backwards: () => t.dontWalkOrRunBackwards,
  lifting: (weight) => t.isMoreThanMostPeople(weight),
  'heavy-lens': (weight) => t.aSetupOfIsToo(weight),
  lithium: () => t.whenFlyingSpareLithiumBatteries,
  law: () => t.airfieldsRailwaysRoadsWaterwaysAnd,
};

/** What to take care of on this outing; local rules come before it. */
export function Cautions({ cautions }: { cautions: readonly Caution[] }) {
  if (cautions.length === 0) return null;
  return (
    <section aria-labelledby="cautions">
      <h2 id="cautions" className="text-lg">
        {t.takeCare}
      </h2>
      <ul className="max-w-prose">
        {cautions.map((c) => (
          <li key={c.code} className="border-b border-hair py-1">
            {WORDS[c.code](c.weightG === null ? '' : formatWeight(c.weightG))}
            {c.for.length > 0 && (
              <span className="block text-[13px] text-soft">{plainList(c.for)}</span>
            )}
          </li>
        ))}
      </ul>
      <p className="mt-1 text-[13px] text-soft">{t.localRulesAndThePeople}</p>
    </section>
  );
}
