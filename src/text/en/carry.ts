import { filled } from '../filled';

/** What is said by carry. */
export const carryText = {
  lanes: {
    lanes: 'The day, camera by camera',
    whole: 'The whole outing',
    noChange: 'no lens changes',
    placed: 'placed',
    you: 'you',
    bagOf: (who: string) => `Bag: ${who}`,
    weightOf: (who: string) => `Weight: ${who}`,
    handed: (item: string) => `${item} handed over`,
    limit: (weight: string) => `limit ${weight}`,
    on: (setup: string, camera: string) => `${setup} on ${camera}`,
    changed: (setup: string, camera: string) => `Lens change: ${setup} on ${camera}`,
    legend:
      'A bar is the setup on that camera, a thick edge a lens change, shading means no lens changes. Select a stretch to read its plan.',
  },
  bag: {
    theBag: 'The bag',
    giveTheInnerSizesOf:
      'Give the inner sizes of your bag beside the plan to see whether everything fits.',
    packingTheBag: 'Packing the bag…',
    couldntPackTheBag: (problem: string) => `Couldn’t pack the bag: ${problem}`,
    sizeEstimated: (list: string) => `Size estimated: ${list}.`,
    sizeUnknownNotDrawn: (list: string) => `Size unknown, not drawn: ${list}.`,
    whyDoesntFitAnyCompartment: (name: string) => `Why ${name} doesn’t fit any compartment`,
    doesntFitAnyCompartment: 'doesn’t fit any compartment',
    howFullTheBagIs: 'How full the bag is',
    tooBig: <Figure>(name: string, why: Figure) => filled`${name} ${why}.`,
    moreThanTheBagHolds: <Figure>(share: Figure) =>
      filled`It’s more than the bag holds: ${share} of its room.`,
    everythingFits: <Figure>(share: Figure) =>
      filled`Everything with a known size fits, as drawn, and takes up ${share} of the room.`,
    couldntFitEverything: <Figure>(list: string, share: Figure) =>
      filled`Couldn’t fit everything; left over: ${list}. The rest takes up ${share} of the room. Round lenses count as boxes, so it may still work: try it.`,
    empty: 'empty',
    fromAbove: (name: string, value: string) => `${name}, from above: ${value}`,
    onTop: 'on top',
    high: (name: string, mm: string, mm2: string, mm3: string) =>
      `${name}, ${mm} × ${mm2}, ${mm3} high`,
  },
  carryPage: {
    couldntPlanTheDay: (problem: string) => `Couldn’t plan the day: ${problem}`,
    planningTheDay: 'Planning the day…',
    nothingToCarryYet: <Link>(brief: Link, shelf: Link) =>
      filled`Nothing to carry yet: list your pictures in ${brief}, and add gear that covers them to the ${shelf}. The plan follows.`,
    brief: 'Brief',
    shelf: 'Shelf',
    theDayStretchByStretch: 'The day, stretch by stretch',
    print: 'Print',
    iCarriedThis: 'I carried this',
    carriedOn: (day: string) => `Carried: kept on ${day}`,
    exportIt: 'Export',
    stretchesAsACalendar: 'Stretches as a calendar',
    packingListAsCsv: 'Packing list as CSV',
    packingListAsMarkdown: 'Packing list as Markdown',
    carrying: 'Carrying',
  },
  cautions: {
    neverLookAtTheSun:
      'Never look at the sun through an optical finder with a long lens; use the screen.',
    noLooseGearInOpen:
      'No loose gear in open aircraft or over people: tether it, and mount remote cameras only as the venue’s rigger allows.',
    keepTheDistanceThePark:
      'Keep the distance the park or the law sets, and more if the animal reacts.',
    noFlashAtNestsOr: 'No flash at nests or on nocturnal animals.',
    dontWalkOrRunBackwards: 'Don’t walk or run backwards with a camera unless someone guides you.',
    isMoreThanMostPeople: (weight: string) =>
      `${weight} is more than most people can carry all day: share it, or leave something behind.`,
    aSetupOfIsToo: (weight: string) =>
      `A setup of ${weight} is too heavy to hand-hold for more than a few minutes: use a support, and lift it with both hands.`,
    whenFlyingSpareLithiumBatteries:
      'When flying, spare lithium batteries go in your cabin baggage; follow the airline’s rules.',
    airfieldsRailwaysRoadsWaterwaysAnd:
      'Airfields, railways, roads, waterways and drones: local law and permits decide.',
    takeCare: 'Safety',
    localRulesAndThePeople: 'Local rules and the people in charge there come first.',
  },
  packingView: {
    packingList: 'Packing list',
    ofPacked: (done: number, count: number) => `${done} of ${count} packed`,
    oftenForgotten: 'Often forgotten',
  },
  planSettings: {
    fewerChanges: 'fewer changes',
    lessWeight: 'less weight',
    prefer: 'Prefer',
    otherPreference: (prefer: 'changes' | 'weight', other: string, now: string) =>
      `If you prefer ${prefer === 'changes' ? 'less weight' : 'fewer changes'}: ${other}; now: ${now}.`,
    picturesInAnyOrder: 'Pictures in any order',
    packing: 'Packing',
    picturesExpected: 'Pictures expected',
    batteryLossInTheCold: 'Battery loss in the cold',
    carryAtMost: 'Carry at most',
    noLimit: 'no limit',
    emptyBag: 'Empty bag',
    unknown: 'unknown',
    leaveTheRestIn: 'Leave the rest in',
    everyNight: 'every night',
    notAtAll: 'not at all',
    fromAPowerBank: 'from a power bank',
    charging: 'Charging',
    spareCards: 'Spare cards',
    oneOfEachKind: 'one of each kind',
    oneForEachCamera: 'one for each camera',
    chargesItHolds: 'Charges it holds',
    aBattery: 'A battery',
    aCard: 'A card',
    tripod: 'Tripod',
    monopod: 'Monopod',
    aFilterOrRing: 'A filter or ring',
    flash: 'Flash',
    rainOrDustCover: 'Rain or dust cover',
    headlamp: 'Headlamp',
    powerBank: 'Power bank',
    weightsOfSmallItems: 'Weights of small items',
    atMost: (weight: string) => `, ${weight} at most`,
    bag: 'Bag',
    thisOutingsOwn: 'this outing’s own',
    compartment: 'Compartment',
    bagInnerSizes: 'Bag, inner sizes',
    deleteIt: (name: string) => `Delete ${name}`,
    width: 'Width',
    height: 'Height',
    depth: 'Depth',
    addACompartment: 'Add a compartment',
    newThing: 'New thing',
    yourOwnThings: 'Your own things',
    thing: 'Thing',
    weight: 'Weight',
    addAThing: 'Add a thing',
  },
  stretchPlan: {
    nothing: 'nothing',
    theWholeOuting: 'The whole outing',
    next: 'next',
    noLensChanges: 'no lens changes',
    putOn: (setup: string) => `put on ${setup}`,
    beforehand: (list: string) => `Before this stretch: ${list}.`,
    to: (name: string, more: string) => `${name} to ${more}`,
    handedOver: (list: string) => `Handed over: ${list}.`,
    eitherOfYouCanTake: (list: string) => `Either of you can take: ${list}.`,
    theCar: 'the car',
    staysIn: (value: string, list: string) => `Stays in ${value}: ${list}.`,
    withoutALens: (name: string) => `${name} without a lens`,
    on: (list: string, name: string) => `${list} on ${name}`,
    from: (distances: string) => `, from ${distances},`,
    fromStation: (station: string, distances: string) => `, from ${station} (${distances}),`,
    you: 'You',
    atTheStart: 'At the start',
    nothingInHand: 'nothing in hand',
    inTheBag: 'In the bag',
    weight: 'Weight',
    weightCarriedBy: (more: string) => `Weight carried by ${more}`,
    inAllInHand: (weight: string, weight2: string) => `${weight} in all: ${weight2} in hand`,
    onTheShoulder: (weight: string) => `, ${weight} on the shoulder`,
    inTheBag2: (weight: string) => `, ${weight} in the bag`,
    weightOfUnknown: (list: string) => `; weight of ${list} estimated`,
    noPictureIsPlannedHere: 'No picture is planned here.',
    inThisOrder: 'In this order',
    change: (setup: string) => `Change: ${setup}`,
    withIt: (list: string) => `with ${list}`,
    duringIt: (count: string) => `${count} during this stretch`,
  },
  summary: {
    changesOverTheWholeOuting: 'Changes over the whole outing',
    changes: <Figure>(changes: Figure, proven: boolean) =>
      proven
        ? filled`${changes} over the whole outing, the fewest possible.`
        : filled`${changes}, best found so far.`,
    changesAndWeight: <Figure>(changes: Figure, proven: boolean, weight: Figure, moment: string) =>
      proven
        ? filled`${changes} over the whole outing, the fewest possible; ${weight} ${moment}.`
        : filled`${changes}, best found so far; ${weight} ${moment}.`,
    atTheHeaviestMoment: (where: readonly string[], limit: string | null) => {
      const moment = ['at the heaviest moment', ...where].join(', ');
      return limit === null ? moment : `${moment}, over your ${limit}`;
    },
    theMostAnyoneCarriesAt: 'The most anyone carries at once',
    planningAgain: 'Planning again…',
    freeOrderSaves: <Figure>(changes: Figure) =>
      filled`Shooting in any order, where you allow it, saves ${changes}.`,
    whatAFreeOrderSaves: 'What a free order saves',
    freeOrderWouldTake: <Figure>(changes: Figure) =>
      filled`If every stretch could be shot in any order: ${changes}.`,
    changesWithTheOrderFree: 'Lens changes with every stretch shot in any order',
    notPlanned: (list: string) => `Not planned: ${list}.`,
  },
  whatIf: {
    nothing: 'nothing',
    doesThePlanStillWork: 'Does the plan still work?',
    whatIf: 'What if',
    iStartAnHourLate: 'I start an hour late',
    itRains: 'it rains',
    breaks: (name: string) => `${name} breaks`,
    planItAgain: 'Plan it again',
    planningWithWhatIsLeft: 'Planning with what is left…',
    itWorksWhatYouCarry: 'It works: what you carry still covers everything.',
    lost: (list: string, count: string) => `Lost: ${list} (${count}).`,
    theWholeOuting: 'The whole outing',
    withIt: (name: string, list: string) => `${name} with ${list}`,
  },
  exports: {
    notInTheCalendarBecause: (list: string) =>
      `Not in the calendar, because they have no date: ${list}.`,
  },
};
