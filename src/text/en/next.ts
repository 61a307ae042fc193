import type { GoalName, HeldWhy, System, Worth } from '@/core/next';
import { digits, formatMoney, formatPercent, formatWeight } from '../format';
import { listOf, plainList } from '../lists';
import { counted } from './counts';

/** Something that happens less often than once a year is said by the years that it takes. */
const yearsFor = (n: number) => counted(Math.round((1 / n) * 10) / 10, 'year');
const times = (n: number) =>
  n === 1 ? 'once a year' : n < 1 ? `once in ${yearsFor(n)}` : `${digits(n, 1)} times a year`;
const mustsAYear = (n: number) => {
  const many = Math.abs(n);
  return many < 1
    ? `${signed('1 must', n)} in ${yearsFor(many)}`
    : `${signed(digits(many, 1), n)} ${many === 1 ? 'must' : 'musts'} a year`;
};
const signed = (text: string, value: number) => `${value < 0 ? '−' : '+'}${text}`;

/** All that the Next page says. */
export const nextText = {
  page: {
    next: 'Next',
    intro: 'Where your next money does most, over all the outings you choose.',
    views: 'Questions about your gear',
    missing: 'Missing',
    step: 'One step',
    buy: 'Buy',
    sell: 'Sell',
    swap: 'Swap',
    rent: 'Rent',
    over: (outings: number, aYear: number) =>
      `Over ${counted(outings, 'outing')}, ${counted(aYear, 'time')} a year`,
    working: 'Working it out',
    stopped: 'Stopped.',
    workItOut: 'Work it out',
    failed: (why: string) => `Couldn’t work it out: ${why}`,
    outOfTime:
      'Time ran out before anything was found. Choose fewer outings, or fewer wished items.',
    nothingWished:
      'Nothing on your shelf is marked as wished, so there is nothing to compare. Add what you are thinking of on Shelf and set it to Wished, or see what is missing.',
    seeMissing: 'See what is missing',
    toShelf: 'Go to Shelf',
    noOutings: 'Choose at least one outing.',
    camerasNamed: (outings: readonly string[]) =>
      `A new camera isn’t used on ${listOf(outings)}: every stretch there says which cameras each shooter has.`,
    nobodysGear:
      'Gear of an open outing that isn’t on your shelf counts too. Nothing is looked up: every price is your own.',
  },
  missing: {
    title: 'Which kind of lens is missing?',
    intro:
      'Asked without your wishes: of all ranges and f-numbers that lenses are made with, the fewest kinds that get the most of your pictures, then the least demanding.',
    all: 'Nothing is missing: your gear covers all of it.',
    none: 'No kind of lens that is made would get more of these pictures. Lineup says for each lost picture what stands in its way.',
    found: (kinds: readonly string[], worth: string) =>
      `${listOf(kinds)} ${kinds.length === 1 ? 'is' : 'are'} missing: ${worth}.`,
    kind: (range: string, fNumbers: string, isMacro: boolean) =>
      `${range} ${fNumbers}${isMacro ? ' macro' : ''}`,
    onMount: (mount: string) => `on ${mount}`,
    pictures: (names: readonly string[], outing: string | null) =>
      outing === null ? listOf(names) : `${outing}: ${listOf(names)}`,
    enough: (range: string, isPrime: boolean, fNumber: string) =>
      isPrime
        ? `As long as it has ${range}, ${fNumber} is enough.`
        : `As long as it reaches ${range}, ${fNumber} is enough.`,
    slower: (fNumbers: string, names: readonly string[]) =>
      `At ${fNumbers} it gets all of that but ${listOf(names)}.`,
    usually: (price: string | null, weight: string) =>
      price === null ? `Usually about ${weight}.` : `Usually about ${price} new and ${weight}.`,
    wish: 'Wish for one',
    wished: (name: string) => `${name} is on your shelf as a wish`,
    wishedHow: (hasPrice: boolean) =>
      hasPrice
        ? 'Its price, weight and closest focus are what is usual. Put in the real ones once you know the lens.'
        : 'Its weight and closest focus are what is usual. Put in the real ones, and a price, once you know the lens.',
    undo: 'Undo',
    entries: (count: number) => `${counted(count, 'lens')} in the open lens database would do`,
    noEntries: 'No lens in the open lens database has this mount and would do.',
    proven: (looked: number) =>
      `Proven over ${looked} kinds that are made for your mounts: no fewer get as much, nor less demanding ones.`,
    chart: (kinds: number) =>
      `Your lenses and ${counted(kinds, 'missingKind')}, along focal length`,
    axis: 'focal length for 36 × 24 mm',
    yours: 'yours',
    needed: 'missing, the part that is needed',
    cameras: 'What a camera would add',
    change: {
      iso: (camera: string) => `One stop more ISO on ${camera}`,
      stabiliser: (camera: string) => `A stabiliser of 5 stops in ${camera}`,
      second: (camera: string) => `A second ${camera}`,
    },
    camerasNone:
      'Neither a stop of ISO, nor a stabiliser, nor a second camera would get a picture more by itself.',
  },
  outings: {
    title: 'Outings and terms',
    saved: 'Your outings',
    planned: 'Planned, from a starter brief',
    countsOver: (outings: readonly string[]) =>
      outings.length === 0
        ? 'No outing counts yet.'
        : `What you buy counts over ${listOf(outings)}.`,
    often: (name: string, aYear: number) => `${name} (${times(aYear)})`,
    alsoYours: 'What else do you photograph in a year?',
    add: (name: string) => `+ ${name}`,
    timesOf: (name: string) => `Times a year: ${name}`,
    include: (name: string) => `Include ${name}`,
    isOpen: 'open now',
    aYear: 'a year',
    buyAt: 'You buy',
    new: 'new',
    used: 'used',
    resale: 'Resale, % of used price',
    after: 'After the pictures, what counts?',
    afterOptions: {
      money: 'Least money',
      items: 'Fewer items, then money',
      weight: 'Less weight, then money',
    },
    timesError: 'Give a number above 0, at most 366.',
    resaleError: 'Give a percentage from 0 to 100.',
    most: (n: number) => `At most ${digits(n, 0)} outings at once.`,
  },
  worth: {
    musts: mustsAYear,
    twice: (n: number) => `${mustsAYear(n)} covered twice`,
    wants: (percent: number) =>
      `${signed(formatPercent(Math.abs(percent)), percent)} of the wanted pictures`,
    items: (n: number) =>
      n < 0 ? `${counted(-n, 'item')} fewer to carry` : `${counted(n, 'item')} more to carry`,
    weight: (g: number) => `${formatWeight(Math.abs(g))} ${g < 0 ? 'lighter' : 'heavier'}`,
    nothing: 'nothing by itself',
    carrying: (itemsOnAverage: string) => `${itemsOnAverage} to carry on average`,
    weighing: (weightOnAverage: string) => `${weightOnAverage} on average`,
    all: 'Nothing to buy: your gear covers all of it.',
    got: (musts: number, mustsOf: number, onlyOnce: number, wants: string) =>
      [
        `${digits(musts, 1)} of ${digits(mustsOf, 1)} musts a year`,
        ...(onlyOnce > 1e-6 ? [`${digits(onlyOnce, 1)} of them once instead of twice`] : []),
        `${wants} of the wanted pictures`,
      ].join(', '),
    unproven: 'Best found so far: time ran out.',
  },
  money: {
    free: 'nothing',
    unknown: 'price unknown',
    notAll: (known: string, names: readonly string[]) =>
      `${known}, and ${listOf(names)} at an unknown price`,
    gain: (money: string) => `you gain ${money}`,
  },
  step: {
    title: 'What one thing would add',
    table: 'Wished items, best first',
    intro:
      'Everything you wish for, each by itself. Net cost is its price less what you could then sell.',
    chart: (n: number) =>
      `${counted(n, 'wishedItem')} by net cost, across, and what it adds, upwards. The table below says the same.`,
    across: 'net cost',
    adds: 'Adds over the year',
    item: 'Item',
    priceNew: 'New',
    priceUsed: 'Used',
    unneeded: 'Then you could sell',
    net: 'Net cost',
    none: 'None of it adds anything by itself. Two together may: see Buy.',
    best: (name: string, adds: string, net: string | null) =>
      net === null ? `${name} adds most: ${adds}.` : `${name} adds most: ${adds}, for ${net} net.`,
    changes: (n: number) =>
      n > 0
        ? `${counted(n, 'lensChange')} fewer a year`
        : `${counted(-n, 'lensChange')} more a year`,
    nothingToSell: 'nothing more',
    sellAnyhow: (names: readonly string[], money: string) =>
      `Whatever you buy, ${counted(names.length, 'item')} can go for ${money} without losing a picture: see Sell.`,
    notAsked: (names: readonly string[]) => `Time ran out before ${listOf(names)}.`,
    byOuting: 'Where',
    inOuting: (name: string, n: number) => `${name}, ${times(n)}`,
  },
  buy: {
    title: 'Buy once, or one item at a time',
    budget: 'To spend at once',
    noLimit: 'no limit',
    stepBudget: 'To spend at each step',
    steps: 'Steps',
    saves: 'Carry leftover money to the next step',
    once: 'Buy once',
    path: 'One item at a time',
    chart:
      'Money spent, across, and what you cover of a year’s pictures, upwards: a staircase for one item at a time, a dashed line for buying at once.',
    now: 'now',
    musts: 'Musts a year',
    wants: 'Wanted pictures',
    spent: 'spent',
    onceBuys: (names: readonly string[], money: string) =>
      names.length === 0
        ? 'Buy nothing: no set within this budget adds anything.'
        : `Buy ${listOf(names)} for ${money}.`,
    proven: 'No set within this budget covers more (proven).',
    pathProven: 'No other order covers more along the way (proven).',
    bestFound: (what: string) => `Best found so far: ${what}`,
    freed: (names: readonly string[], money: string) =>
      `Then ${listOf(names)} can go, for ${money}.`,
    step: (n: number) => `Step ${digits(n, 0)}`,
    wait: 'Nothing yet: the money is saved.',
    noStep: 'Buy nothing: no item within these steps adds anything.',
    stairEnds: 'After that, nothing within these steps adds more.',
    stepHead: 'Step',
    buys: 'Buy',
    total: 'Spent',
    gets: 'What you cover then',
    compared: 'In the end',
    afterResale: (cost: string, resale: string, net: string) =>
      `${cost}, less ${resale} when you sell it all again: ${net}`,
    resaleUnknown: (cost: string, names: readonly string[]) =>
      `${cost}; what ${listOf(names)} would bring in is unknown`,
    equalAfter: (n: number) =>
      `After ${counted(n, 'step')}, one item at a time covers as much as buying at once.`,
    neverEqual: 'In these steps, one item at a time doesn’t cover as much as buying at once.',
    priceUnknown: (names: readonly string[]) =>
      `Left out because the price is unknown: ${listOf(names)}.`,
    budgetError: 'Give an amount from 0, or leave it empty for no limit.',
    stepError: 'Give an amount from 0.',
    stepsError: (most: number) => `Give a whole number from 1 to ${digits(most, 0)}.`,
  },
  sell: {
    title: 'What can go',
    table: 'Owned items, and what is lost without each',
    intro:
      'Sold together without losing a must or a wanted picture of these outings, and without carrying more items for them.',
    canGo: (names: readonly string[], money: string) => `${listOf(names)} can go, for ${money}.`,
    onlyLens: (lens: string, pictures: readonly string[]) =>
      `Then only ${lens} covers ${listOf(pictures)}: nothing of yours stands in if it breaks.`,
    onlyCamera: (camera: string) => `${camera} is then your only camera.`,
    pictureIn: (picture: string, outing: string) => `${picture} (${outing})`,
    nothing: 'Nothing can go without losing a picture.',
    proven: 'Nothing that can go brings in more (proven).',
    spare:
      'A second camera is an insurance. Tick “Keep” for anything you want as a spare, or for its own sake.',
    item: 'Item',
    brings: 'Brings in',
    without: 'Without it alone',
    used: 'Last 365 days',
    keep: 'Keep',
    keepIt: (name: string) => `Keep ${name}`,
    goes: 'can go',
    oneOf: 'nothing lost: another item does the same',
    photographs: (n: number) => counted(n, 'photograph'),
    notUsed: 'not used',
    noLog: '—',
    why: {
      kept: 'you keep it',
      'locked-in': 'locked in on an outing',
      spare: 'a spare on an outing',
      named: 'named in a stretch',
    } satisfies Readonly<Record<HeldWhy, string>>,
    lost: 'lost',
    fitted: 'Cameras and lenses that an outing names or locks in aren’t sold.',
  },
  swap: {
    title: 'Sell these, buy that',
    money: 'You can add',
    best: 'Best exchanges',
    nothing: 'Keep everything: no exchange covers more.',
    sells: 'Sell',
    buys: 'Buy',
    inTheEnd: 'In the end',
    covers: 'Covers a year',
    systems: 'Another system as a whole',
    systemsIntro: 'You sell every other camera, and whatever no longer fits anything.',
    mount: (mount: string) => `${mount} mount`,
    format: (format: string) => `${format.replace('x', ' × ')} mm`,
    outOfReach: 'not within the money',
    stays: (why: readonly string[]) => `not as a whole: ${listOf(why)}`,
    everythingElse: 'nothing',
    cut: 'Time ran out before everything was looked at.',
    proven: 'proven',
    moneyError: 'Give an amount from 0.',
  },
  rent: {
    title: 'Rent, borrow or buy',
    item: 'Item',
    outing: 'For',
    perDay: 'Rent per day',
    days: 'Days each time',
    years: 'Years until you sell it',
    rent: (money: string) => `Renting: ${money} in all. Borrowing: nothing.`,
    buy: (money: string) => `Buying and selling again: ${money}.`,
    buyUnknown: 'Buying and selling again: unknown until price and used price are known.',
    cheaper: {
      rent: 'Renting costs less.',
      buy: 'Buying costs less.',
      same: 'Both cost the same.',
    },
    breakEven: (days: number, now: number) =>
      `Buying pays from ${counted(days, 'day')} a year; you need it on ${counted(now, 'day')}.`,
    adds: (adds: string) => `On this outing it adds ${adds}.`,
    chart:
      'Cost over the days a year: renting rises with each day, buying and selling again stays.',
    daysAYear: 'days a year',
    renting: 'renting',
    buying: 'buying and selling again',
    needsNumbers: 'Give the rent per day, the days and the years.',
  },
  open: (goal: GoalName, gap: number, yearOutings: number, currency: string) =>
    ({
      musts: `up to ${counted(Math.ceil(gap), 'moreMust')} a year may be possible.`,
      once: `up to ${counted(Math.ceil(gap), 'musts')} a year more may be covered twice.`,
      wants: `up to ${formatPercent(gap / Math.max(1, yearOutings))} more of the wanted pictures may be possible.`,
      items: `up to ${counted(gap, 'item')} a year fewer may do.`,
      weight: `it may do with up to ${formatWeight(gap)} a year less.`,
      money: `it may come out up to ${formatMoney(gap, currency)} better.`,
      unknown: 'there may be an answer without the unknown price.',
      things: 'more items might be sellable.',
      order: 'another set may do as well.',
    })[goal],
  systemName: (system: System) =>
    system.by === 'mount' ? nextText.swap.mount(system.mount) : nextText.swap.format(system.format),
};

/** How many outings a year there are, and how many of them with wanted pictures. */
export interface YearOutings {
  readonly all: number;
  readonly wanting: number;
}

/** What something adds, in words. */
export function worthText(
  { musts, once, sharePercent, items, weightG }: Worth,
  year: YearOutings,
): string {
  const { worth } = nextText;
  const share = year.wanting > 0 ? sharePercent / year.wanting : 0;
  const [fewer, lighter] = [items / year.all, weightG / year.all];
  const got = [
    Math.abs(musts) > 1e-6 ? worth.musts(musts) : '',
    Math.abs(once) > 1e-6 ? worth.twice(-once) : '',
    Math.abs(share) >= 0.05 ? worth.wants(share) : '',
  ].filter(Boolean);
  const carried = [
    Math.abs(fewer) >= 0.05 ? worth.items(fewer) : '',
    Math.abs(lighter) >= 1 ? worth.weight(lighter) : '',
  ].filter(Boolean);
  if (got.length > 0) return plainList([...got, ...carried]);
  return carried.length > 0 && (fewer < 0 || lighter < 0) ? plainList(carried) : worth.nothing;
}

/** A sum of which a part may not be known. */
export function costText(
  { known, unknown }: { readonly known: number; readonly unknown: readonly string[] },
  currency: string,
  name: (id: string) => string,
): string {
  const { money } = nextText;
  if (unknown.length === 0) return formatMoney(known, currency);
  if (known === 0) return money.unknown;
  return money.notAll(formatMoney(known, currency), unknown.map(name));
}
