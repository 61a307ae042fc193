import hallFile from '../../demo/hall.armreach.json';
import regattaFile from '../../demo/regatta.armreach.json';
import { dayAfter } from '@/core/brief';
import { mapShelf, type Ownership, type Shelf, type Source } from '@/core/gear';
import {
  decodeValue,
  DEFAULT_NEXT,
  DEFAULT_SETTINGS,
  EMPTY_SHELF,
  type OutingFile,
  planCodec,
  type Settings,
  settingsCodec,
  shelfCodec,
  takenIn,
} from '@/document';
import { type Season, simulatedYear } from '@/document/simulated';
import { outingFromStarter, STARTERS, type StarterKey } from '@/document/starters';
import { seasonText, STARTER_TEXTS } from '@/text';

/** The regatta of the demo, a year before: it is over and photographed. */
const BEFORE_DAYS = -364;

/** What she has for each step of buying. */
const STEP_BUDGET = 1400;

let made: Season | null = null;

/** The year, made when it is first asked for; the same one every time. */
export const season = (): Season => (made ??= makeSeason());

function makeSeason(): Season {
  const regatta = daysLater(outingOf(regattaFile), BEFORE_DAYS);
  const hall = outingOf(hallFile);
  const of = (starter: StarterKey, day: string, name: string, place: string) =>
    onDay(fromStarter(starter, hall.shelf), day, name, place);
  const outings = [
    { id: 'season-hall', file: hall, timesAYear: 3 },
    { id: 'season-regatta', file: regatta, timesAYear: 2 },
    {
      id: 'season-reeds',
      file: of('far-wildlife', '2026-04-18', seasonText.reeds, seasonText.reedsPlace),
      timesAYear: 6,
    },
    {
      id: 'season-stars',
      file: of('night-sky', '2026-10-10', seasonText.stars, seasonText.starsPlace),
      timesAYear: 4,
    },
    { id: 'season-rite', file: formerRite(hall.shelf), timesAYear: null },
  ];
  const settings: Settings = {
    ...DEFAULT_SETTINGS,
    next: {
      ...DEFAULT_NEXT,
      stepBudget: STEP_BUDGET,
      outings: outings.flatMap(({ id, timesAYear }) =>
        timesAYear === null ? [] : { of: 'saved', key: `outing:${id}`, timesAYear },
      ),
    },
  };
  let shelf = EMPTY_SHELF;
  const plans = outings.map(({ id, file }) => {
    const taken = takenIn(file, { shelf, settings }, ({ mine, theirs }) =>
      mine ? 'mine' : sourceOf(theirs.ownership),
    );
    shelf = taken.shelf;
    return { id, plan: taken.plan };
  });
  return {
    shelf: shelfCodec.write(shelf),
    settings: settingsCodec.write(settings),
    outings: plans.map(({ id, plan }, i) => ({
      key: `outing:${id}`,
      name: plan.outing.name,
      savedAt: Date.parse(`${plan.outing.firstDay ?? hall.outing.firstDay}T12:00:00Z`) - i,
      text: planCodec.write(plan),
    })),
    photographs: simulatedYear(
      regatta,
      outings.map(({ file }) => file),
    ),
  };
}

/** What she can borrow; what else others have she can only wish for. */
const BORROWED: ReadonlySet<string> = new Set(['k2r', 'a-k-t']);

/** An outing with her gear. */
const hers = (file: OutingFile): OutingFile => ({
  ...file,
  shelf: mapShelf(file.shelf, (items) =>
    items.map((item) =>
      item.ownership === 'borrowed' && !BORROWED.has(item.id)
        ? { ...item, ownership: 'wished' }
        : item,
    ),
  ),
});

/** Where a thing comes from: what is away for a while is her own all the same. */
const sourceOf = (ownership: Ownership): Source =>
  ownership === 'in-repair' || ownership === 'lent-out' ? 'owned' : ownership;

function outingOf(value: unknown): OutingFile {
  const read = decodeValue(value);
  if (!read.ok) throw new Error(read.error.code);
  return hers(read.value);
}

function fromStarter(key: StarterKey, shelf: Shelf): OutingFile {
  const starter = STARTERS.find((s) => s.key === key)!;
  return outingFromStarter(starter, STARTER_TEXTS[key], { shelf, currency: 'EUR' });
}

/** A rite of the year before, of which only what it taught is of use now. */
function formerRite(shelf: Shelf): OutingFile {
  const file = onDay(
    fromStarter('wedding', shelf),
    '2026-09-05',
    seasonText.rite,
    seasonText.ritePlace,
  );
  return { ...file, outing: { ...file.outing, lessons: seasonText.riteLessons } };
}

const onDay = (file: OutingFile, day: string, name: string, place: string): OutingFile => ({
  ...file,
  outing: { ...file.outing, name, place, firstDay: day, lastDay: day },
  stretches: file.stretches.map((s) => ({ ...s, day })),
});

/** An outing so many days later; before, where they are negative. */
function daysLater(file: OutingFile, days: number): OutingFile {
  const later = (day: string | null) => (day === null ? null : dayAfter(day, days));
  return {
    ...file,
    outing: {
      ...file.outing,
      firstDay: later(file.outing.firstDay),
      lastDay: later(file.outing.lastDay),
    },
    stretches: file.stretches.map((s) => ({ ...s, day: later(s.day) })),
  };
}
