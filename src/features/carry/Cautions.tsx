import { TriangleAlert } from 'lucide-react';
import type { CarryPlan, Caution } from '@/core/carry';
import { useFile } from '@/session';
import { carryText, formatWeight, namesOf, plainList } from '@/text';

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

/** What to take care of here; local rules come before it. */
export function Cautions({
  cautions,
  here = null,
}: {
  readonly cautions: readonly Caution[];
  /** The stretch that it is told in: the others are named. */
  readonly here?: string | null;
}) {
  const name = namesOf(useFile());
  if (cautions.length === 0) return null;
  return (
    <section aria-label={t.safety} className="mt-2 border-l-2 border-ink pl-3">
      <p className="flex items-center gap-1.5 font-semibold">
        <TriangleAlert size={15} aria-hidden />
        {t.safety}
      </p>
      <ul className="max-w-prose">
        {cautions.map((c) => {
          const others = c.stretchIds.flatMap((id) =>
            id === null || id === here ? [] : [name(id)],
          );
          const told = [...c.for, ...(others.length > 0 ? [t.alsoIn(plainList(others))] : [])];
          return (
            <li key={c.code} className="py-0.5">
              {WORDS[c.code](c.weightG === null ? '' : formatWeight(c.weightG))}
              {told.length > 0 && <span className="text-[13px] text-soft"> {plainList(told)}</span>}
            </li>
          );
        })}
      </ul>
      <p className="text-[13px] text-soft">{t.localRulesAndThePeople}</p>
    </section>
  );
}

/** Each caution where it first applies: by the place of that stretch in the plan, and what applies in none. */
export function cautionsByStretch(cautions: readonly Caution[], plan: CarryPlan) {
  const firstOf = (c: Caution) =>
    plan.stretches.findIndex((s) => c.stretchIds.some((id) => id === s.stretchId));
  return {
    at: (index: number) => cautions.filter((c) => firstOf(c) === index),
    elsewhere: cautions.filter((c) => firstOf(c) < 0),
  };
}
