import { plainList } from '../lists';
import { counted } from './counts';

/** What is said by lineup. */
export const lineupText = {
  /** Why there is no lens to choose from. */
  noLens: (hasLenses: boolean) =>
    hasLenses ? 'Your limits leave no lens to choose from.' : 'No lens on your shelf yet.',
  conflictText: {
    theseLimitsConflictGiveUp:
      'These limits conflict. Give up any one of them and the others can be met:',
    wouldBeEnough: (text: string) => `; ${text} would be enough`,
    thePicture: (name: string) => `the picture ${name}`,
    whatYouLockedIn: (list: string) => `what you locked in: ${list}`,
    atMostCarriedIn: (weight: string, place: string, needed: string) =>
      `at most ${weight} carried in ${place}${needed}`,
    inHandIn: (count: string, place: string, needed: string) =>
      `${count} in hand in ${place}${needed}`,
    noLensChanges: 'no lens changes',
    noLensChangesIn: (place: string) => `no lens changes in ${place}`,
  },
  views: {
    label: 'Questions about the lineup',
    choice: 'Choice',
    pictures: 'Pictures',
    ranges: 'Ranges',
    styles: 'Styles',
    alternatives: 'Alternatives',
    breaks: 'If it breaks',
    out: 'Left out',
  },
  limitsPanel: {
    limits: 'Limits',
    moreLimits: 'More limits',
    areSet: (list: string) => `set: ${list}`,
    cameraMounts: 'mounts',
    cameraFormats: 'formats',
    noLimit: 'no limit',
    camerasWithTheseMounts: 'Cameras with these mounts',
    withTheseFormatsMm: 'With these formats, mm',
    selectionStyle: 'Selection style',
    myOwnLimits: 'my own limits',
    neverChangeALens: 'Never change a lens',
    camerasCountInTheWeight: 'Cameras count in the weight',
    currency: 'Currency',
    yourUsualLimitsComeFrom:
      'Your usual limits come from Settings. What you change here applies to this outing only.',
    changedForThisOuting: 'Changed for this outing',
    useMyUsual: (value: string) => `${value}: use my usual`,
    gearThatMayBeUsed: 'Gear that may be used',
    letTheLineupChoose: (name: string) => `Let the lineup choose ${name}`,
    free: 'Lineup decides',
    lockedIn: 'Locked in',
    leftOut: 'Left out',
  },
  room: {
    title: 'Room for error',
    working: 'Working out how wrong distances and light may be…',
    couldnt: (message: string) => `Couldn’t work out the room for error: ${message}`,
    inReserve: (reserve: string) => `Chosen with ${reserve} in reserve.`,
    without: (items: string, weight: string, musts: string) =>
      `Without a reserve: ${items}, ${weight}, ${musts}.`,
    stopsOfLight: (stops: string) => `${stops} of light`,
    percentOfDistance: (percent: string) => `${percent} of distance`,
    lostIf: {
      darker: (picture: string, amount: string) =>
        `${picture}: lost if it’s more than ${amount} darker`,
      nearer: (picture: string, amount: string) =>
        `${picture}: lost if it’s more than ${amount} nearer`,
      farther: (picture: string, amount: string) =>
        `${picture}: lost if it’s farther away by more than ${amount}`,
      faster: (picture: string, amount: string) =>
        `${picture}: lost if it moves faster by more than ${amount}`,
    },
    lostIfAny: {
      darker: (picture: string) => `${picture}: lost if it’s any darker`,
      nearer: (picture: string) => `${picture}: lost if it’s any nearer`,
      farther: (picture: string) => `${picture}: lost if it’s any farther away`,
      faster: (picture: string) => `${picture}: lost if it moves any faster`,
    },
    wouldThenCover: (lenses: string) => `${lenses} would then cover it`,
    nothingWould: 'no other lens of yours would then cover it',
    nothingFragile: 'No picture is lost however dark, near, far or fast it turns out.',
    onlySome: 'Time ran out before every picture was looked at.',
    allPictures: 'Room for error, picture by picture',
    picture: 'Picture',
    ways: { darker: 'Darker', nearer: 'Nearer', farther: 'Farther', faster: 'Faster' },
    whatIf: 'What if it turns out different?',
    light: 'Light',
    distance: 'Distance',
    speed: 'Speed',
    asDescribed: 'as described',
    stopsLess: (stops: string) => `${stops} less`,
    stopsMore: (stops: string) => `${stops} more`,
    percentNearer: (percent: string) => `${percent} nearer`,
    percentFarther: (percent: string) => `${percent} farther`,
    times: (times: string) => `× ${times}`,
    stillCovered: 'Still covered by the lineup.',
    notCovered: (lack: string) => (lack === '' ? 'Not covered.' : `Not covered: ${lack}.`),
    wouldCover: (lenses: string) => `${lenses} would cover it.`,
    lightReserve: 'Light reserve, stops',
    distanceReserve: 'Distance reserve, %',
    reserveHint: 'pictures stay covered if you’re that wrong',
  },
  worthKnowing: {
    worthWeighing: 'Worth weighing',
    theUnknownFiguresThatCould:
      'The unknown figures that could change this outing’s lineup. Weigh, measure or look up these first.',
    findThem: 'Find them',
    tryingWhatTheUnknownFigures: 'Trying what the unknown figures could be',
    couldntWorkItOut: (message: string) => `Couldn’t work it out: ${message}`,
    everyFigureThatCountsIs: 'Every figure that counts is known.',
    unknownButNoneCanChange: (count: string) => `${count} unknown, but none can change the lineup.`,
    eachByItself: ', each by itself',
    ofUnknownFiguresCouldChange: (count: number, unknown: number, more: string) =>
      `${count} of ${unknown} unknown figures could change it${more}:`,
    noneOfUnknownFiguresCould: (unknown: number) =>
      `None of ${unknown} unknown figures could change it by itself; these could together:`,
    notAllOfThemCould: 'Not all of them could be tried.',
  },
  figureRow: {
    unknown: 'unknown',
    yes: 'yes',
    no: 'no',
    of: (figure: string, item: string) => `${figure} of ${item}`,
  },
  lineupPage: {
    workingOutTheLineup: 'Working out the lineup…',
    limits: 'Limits',
    noPictures: 'No pictures to cover yet',
    nothingToCompare: 'Nothing to compare until there are pictures and lenses',
    covered: (covered: number, of: number, cropped: number) =>
      `${covered} of ${counted(of, 'picture')} covered${cropped > 0 ? `, ${cropped} by cropping` : ''}`,
    tryOther: 'Try other light, distances and speeds',
    andMoreNotCovered: (count: number) => `and ${count} more`,
    noLenses: 'No lens is taken, so there is no range to look at',
    ranges: (gaps: number, costing: number, overlaps: number) =>
      `${gaps === 0 ? 'No gaps' : `${counted(gaps, 'gap')}${costing > 0 ? `, ${costing} of them at the cost of a picture` : ''}`}; ${overlaps === 0 ? 'no overlaps' : counted(overlaps, 'overlap')}`,
    rangesDrawn: 'The range of each lens',
    out: (out: number, adding: number) =>
      `${counted(out, 'lensIs')} left out${adding > 0 ? `; ${adding} would add a picture` : ', and none would add a picture'}`,
    noneOut: 'No lens is left out',
  },
  score: {
    score: 'Which lens covers what',
    axis: 'angle of view, mm on 36×24',
    legend:
      'Each line is a lens, each dot a picture. Filled: only this lens covers it. Dashed: part of it. Double ring: part of the proof. Solid line: the lens; dashed: with a converter; dotted: by crop. Point at a dot to see its picture.',
    note: (picture: string, lens: string, only: boolean, proof: boolean, part: boolean) =>
      `${picture}, ${lens}${part ? ', in part' : ''}${only ? ', only this lens' : ''}${proof ? ', in the proof' : ''}`,
    take: (lens: string) => `Take ${lens} again`,
    takeAgain: 'Take it again',
    isLeftOut: (lens: string) => `${lens}: left out by you`,
    by: (setup: string, camera: string) => `${setup} on ${camera}`,
    verdict: (code: string, only: boolean, proof: boolean) =>
      [
        code === 'crop'
          ? 'Covered by cropping.'
          : code === 'part'
            ? 'Covers a part of it.'
            : 'Covered.',
        only ? 'Only this lens covers it.' : '',
        proof ? 'The proof rests on it: no two such pictures share a lens.' : '',
      ]
        .filter(Boolean)
        .join(' '),
  },
  lineupTable: {
    print: 'Print',
    theLineupAsATable: 'The lineup as a table',
    theLineup: 'The lineup',
    take: 'Take',
    range: 'Range',
    weight: 'Weight',
    price: 'Price',
    onlyThisLensCovers: 'Only this lens covers',
    actions: 'Actions',
    unknown: 'unknown',
    notWorkedOutInTime: 'not worked out in time',
    nothingTheOthersCoverIt: 'nothing: the others cover it all',
    noLineupMeetsTheseLimits: 'No lineup meets these limits',
    noLensIsNeededYet: 'No lens is needed yet',
    nothingCovers: 'Nothing you may take covers a must or a want',
    coverEveryMustAndWant: (items: string, isOne: boolean) =>
      `${items} ${isOne ? 'covers' : 'cover'} every must and want`,
    coverAsMuchAsThe: (items: string, isOne: boolean) =>
      `${items} ${isOne ? 'covers' : 'cover'} as much as your gear and limits allow`,
    whatKeepsEachLostMust: 'why each lost must isn’t covered',
    whichLimitsConflict: 'which limits conflict',
    whetherAnUnknownDecides: 'whether an unknown figure decides',
    whatOnlyOneLensCovers: 'what only one lens covers',
    whyLensesAreLeftOut: 'why lenses are left out',
    theNearestMissOfLost: 'the nearest miss of lost pictures',
    gapsAndOverlaps: 'gaps and overlaps',
    thePixelCountOfIs: (listed: string) =>
      `The pixel count of ${listed} is unknown, so cropping isn’t counted there.`,
    autofocusOfUnknownAssumedYes: (listed: string) =>
      `Autofocus of ${listed} unknown: assumed yes.`,
    frontFilterOnUnknownAssumed: (listed: string) =>
      `Front filter on ${listed} unknown: assumed yes.`,
    shiftOfUnknownAssumedYes: (listed: string) => `Shift of ${listed} unknown: assumed yes.`,
    takenThoughUnknown: (listed: string) =>
      `A limit is set, but what it asks of ${listed} is unknown: whether it is kept can’t be checked, and nobody with a limit of their own carries it.`,
    lockedInTooThick: (listed: string) => `Over your limit on diameter, but locked in: ${listed}.`,
    closestFocusUnknown: (listed: string) =>
      `Closest focus of ${listed} unknown, and such lenses usually don’t focus as near as asked. Assumed near enough: enter it here to be sure.`,
    closestFocusEstimated: (listed: string) =>
      `Closest focus of ${listed} unknown: such lenses usually focus near enough for the pictures close by. Enter it here to be sure.`,
    smallestApertureOfUnknownAssumed: (listed: string) =>
      `Smallest aperture of ${listed} unknown: assumed small enough.`,
    weightsEstimated: (listed: string) =>
      `Kept to your weight limit by estimated weights of ${listed}. Enter them here to be sure.`,
    pricesEstimated: (listed: string) =>
      `Kept to your budget by estimated prices of ${listed}. Enter them here to be sure.`,
    diametersEstimated: (listed: string) =>
      `Kept to your limit on diameter by estimated diameters of ${listed}. Enter them here to be sure.`,
    reserveImpossible: (listed: string) =>
      `Nothing you may take covers ${listed} with your reserve, so it’s planned as described.`,
    unknownDecides: {
      weight: (names: string, instead: string, below: string | null) =>
        `Decided by estimated weights: ${names} would do as well${instead === '' ? '' : ` instead of ${instead}`}${below === null ? '' : `, if together they weigh less than ${below}`}. Enter the weight here to be sure.`,
      price: (names: string, instead: string, below: string | null) =>
        `Decided by an unknown price: ${names} would do as well${instead === '' ? '' : ` instead of ${instead}`}${below === null ? '' : `, if together they cost less than ${below}`}. Enter the price here to be sure.`,
      diameter: (names: string, instead: string) =>
        `Decided by estimated diameters: ${names} might do better${instead === '' ? '' : ` instead of ${instead}`}. Enter the diameter here to be sure.`,
    },
    weatherSealingOfUnknownSo: (listed: string) =>
      `Weather sealing of ${listed}, or of the camera, unknown: under a rain cover if they aren’t sealed. Enter it here to be sure.`,
    timeRanOutBeforeEverything: (listed: string) =>
      `Time ran out before everything could be explained. Missing or incomplete: ${listed}.`,
    figuresToSettleIt: 'Figures that would settle it',
    noPicturesYetSayIn: 'No pictures yet. Say in Brief what you want to bring home.',
    noLensFitsACamera: 'No lens fits a camera you’re bringing.',
    andMore: (list: string, value: number) => `${list} and ${value} more`,
    lockIn: (name: string) => `Lock in ${name}`,
    lockedIn: 'Locked in',
    lockIn2: 'Lock in',
    leaveOut: (name: string) => `Leave out ${name}`,
    leaveOut2: 'Leave out',
  },
  looking: {
    stop: 'Stop',
  },
  matrix: {
    pictureByPicture: 'Picture by picture',
    howEachLensCoversEach: 'How each lens covers each picture',
    picture: 'Picture',
    withOn: (name: string, name2: string, name3: string) => `${name} with ${name2} on ${name3}`,
    spare: (stops: string) => `, ${stops} spare`,
    crop: (crop: string) => `crop ${crop}`,
  },
  notGot: {
    raiseTo: (limit: string, figure: string) => `${limit}: ${figure}`,
    allowChanges: (stretch: string | null) =>
      stretch === null ? 'Allow lens changes' : `Allow lens changes in ${stretch}`,
    allowGear: (ownership: string) => `Allow gear that is ${ownership}`,
    freeLens: (lens: string) => `Let the lineup choose ${lens}`,
    acceptIso: (iso: string) => `Accept ${iso}`,
    acceptCrop: (crop: string) => `Accept a crop of ${crop}`,
    moveTo: (distance: string) => `Take it from ${distance}`,
    changeThePicture: 'Change the picture',
    seeWhatWouldHelp: 'See which lens would help',
    notCovered: 'Not covered',
    noLensAddsEnoughOf: 'no lens adds enough of the wanted pictures',
    yourLimitsLeaveNoRoom: 'your limits leave no room for it',
    coveredOnceBecause: (reasons: string) => `Covered once, not twice, because ${reasons}.`,
    coveredOnceBecauseButHelped: (reasons: string, ways: string) =>
      `Covered once, not twice, because ${reasons}. What would help: ${ways}.`,
    notCoveredAsAsked: 'Not covered, or once instead of twice',
    youAlsoWant: (name: string) => `you also want ${name}`,
    bagsArentAllowedSoLenses: (stretch: string) =>
      `in ${stretch} bags aren’t allowed, so lenses can’t be changed`,
    lensesCantBeChanged: 'lenses can’t be changed',
    lensesCantBeChangedIn: (stretch: string, cameras: number) =>
      `in ${stretch} lenses can’t be changed and you have ${counted(cameras, 'camera')}`,
    coversOnly: (setup: string, places: string) => `${setup} covers only ${places}`,
    leftOutBecause: (reasons: string) => `Left out because ${reasons}.`,
    leftOutBecauseButHelped: (reasons: string, ways: string) =>
      `Left out because ${reasons}. What would help: ${ways}.`,
    changeThisLimit: (member: string) => `relax this limit: ${member}`,
    allowALensChange: (stretch: string | null) =>
      stretch === null ? 'allow a lens change' : `allow a lens change in ${stretch}`,
    oneMoreCamera: (stretch: string | null, setup: string) =>
      `one more camera${setup === '' ? '' : ` with ${setup}`}${stretch === null ? '' : ` in ${stretch}`}`,
    giveUp: (list: string) => `give up ${list}`,
    on: (setup: string, name: string) => `${setup} on ${name}`,
    couldCoverIt: (list: string) => `${list} could cover it`,
    andMoreCouldCoverIt: (list: string, more: number) => `${list} and ${more} more could cover it`,
    yourGearCouldCoverIt: 'Your gear could cover it together',
    aBonusNeverAddsA: 'a bonus never adds a lens',
    but: (more: string, more2: string) => `${more}, but ${more2}.`,
    noneOfYourLensesFits: 'None of your lenses fits a camera you can bring.',
    coversIt: 'covers it',
    nearest: (setup: string, lack: string) => `Nearest: ${setup}, ${lack}.`,
    noStation: {
      hidden:
        'Something on the ground hides it from every station. Move a station, raise the camera or shorten what stands in the way.',
      nobody:
        'Nobody who is there may stand where it can be seen. Open a station to them on Ground, or change the stretch.',
    },
    nearestAndNothingAt: (setup: string, lack: string, places: string) =>
      `Nearest: ${setup}, ${lack}. Nothing covers it at ${places}.`,
  },
  outTable: {
    leftOut: 'Left out',
    take: (name: string) => `Take ${name}`,
    take2: 'Take',
    andMoreThatCoverLess: (count: string) => `and ${count} more that cover less.`,
    noneOfThePictures: 'none of the pictures',
    onItsOwnItCovers: (value: string) => `On its own it covers: ${value}.`,
    youLeftItOut: 'you left it out',
    notHere: 'not here',
    isExcludedByYourLimits: (more: string) => `is ${more}: excluded by your limits`,
    aKindOfLensYour: 'a kind of lens your limits exclude',
    fitsNoCameraYoureBringing: 'fits no camera you’re bringing',
    addsNothingTheLineupAlready: (count: string) =>
      `adds nothing: the lineup already covers its ${count}`,
    wouldDoIfKnown: 'would do as well, but its weight or price is unknown',
    coversNoPictureOnIts: 'covers no picture on its own',
    coversOnlyWith: (behind: string, pictures: string) =>
      `covers no picture on its own; with ${behind} it covers ${pictures}`,
    coversNoneNearest: (picture: string, lack: string) =>
      `covers no picture on its own; nearest is ${picture}: ${lack}`,
    wouldAddOnlyABonus: (adds: string) => `would add only ${adds}; a bonus never adds a lens`,
    wouldAddButALimit: (adds: string) => `would add ${adds}, but a limit leaves no room for it`,
    wouldAddLessThanEach: (adds: string) => `would add ${adds}: less than each item must add`,
  },
  proofText: {
    notProvenYet: 'Not proven yet',
    timeRanOutWhileImproving: (aim: string, amount: string, amount2: string) =>
      `Time ran out while improving ${aim}, so this is the best found so far: ${amount}. Nothing below ${amount2} is possible.`,
    whyFewerArentEnough: 'Why fewer aren’t enough',
    theProofPictureByPicture: 'The proof, picture by picture',
    picturesOfWhichNoTwo: 'Pictures of which no two share a lens',
    picture: 'Picture',
    lensesThatCoverIt: 'Lenses that cover it',
    at: (list: string) => `at ${list}`,
    twoOf: (list: string) => `two of: ${list}`,
    andMore: (list: string, value: number) => `${list} and ${value} more`,
  },
  compare: {
    title: 'Two lineups, one above the other',
    compare: 'Compare',
    compareWith: (name: string) => `Compare with ${name}`,
    close: 'Close',
    working: 'Working out the other lineup…',
    impossible: 'Your limits don’t allow the other lineup',
    failed: 'Couldn’t work out the other lineup',
    now: 'This lineup',
    scoreOf: (name: string) => `Score: ${name}`,
    weight: (amount: string, isMore: boolean) => `${amount} ${isMore ? 'heavier' : 'lighter'}`,
    difference: (lost: readonly string[], gained: readonly string[], weight: string) =>
      `The other ${plainList(
        [
          lost.length > 0 ? `loses ${plainList([...lost])}` : '',
          gained.length > 0 ? `also covers ${plainList([...gained])}` : '',
          lost.length + gained.length === 0 ? 'covers the same pictures' : '',
          weight === '' ? 'and weighs the same' : `and is ${weight}`,
        ].filter(Boolean),
      )}`,
    legend:
      'A dot before a lens: only in this one. An orange ring: a picture that only this one covers.',
  },
  otherLineups: {
    nothing: 'nothing',
    otherLineups: 'Other lineups',
    nothingFound: 'With these limits there are no alternatives.',
    noneBreaks: 'Whichever lens breaks, the others still cover everything',
    allReplaceable: 'Whichever lens breaks, your shelf can replace it',
    notReplaceable: (count: number, of: number) =>
      `${count} of ${counted(of, 'lens')} can’t be fully replaced from your shelf`,
    compareAlternatives: 'Compare alternatives',
    comparingAlternatives: 'Comparing alternatives',
    couldntFindAlternatives: (message: string) => `Couldn’t find alternatives: ${message}`,
    timeRanOutThisIs: 'Time ran out; this is what was found so far.',
    noOtherLineupIsAs: 'No other lineup is as good',
    andThereAreMore: ', and there are more',
    asGood: (count: string, more: string) => `${count} as good${more}`,
    nextBestOfAnotherKind: 'Next best of another kind',
    equallyGood: 'equally good',
    whatItWouldTakeFor: 'What it would take for others',
    theOthersStillCoverEverything: 'the others still cover everything',
    takeAndStillLose: (names: string, lost: string) => `take ${names}, and still lose ${lost}`,
    nothingOnYourShelfCan: 'nothing on your shelf can replace it',
    takeInstead: (names: string) => `take ${names} instead`,
    loses: (names: string, mend: string) => `loses ${names}; ${mend}`,
  },
  styles: {
    stylesSideBySide: 'Styles side by side',
    coverMusts: (full: number, of: number, lenses: string) =>
      full === 0
        ? of === 1
          ? 'This style doesn’t cover every must'
          : `None of these ${of} styles covers every must`
        : `${full} of ${counted(of, 'style')} ${full === 1 ? 'covers' : 'cover'} every must, with ${lenses}`,
    lensesFromTo: (from: number, to: number) =>
      from === to ? counted(from, 'lens') : `${from} to ${counted(to, 'lens')}`,
    chooseSome: 'Select a style to compare.',
    stylesToCompare: 'Styles to compare',
    compareThem: 'Compare them',
    workingOutEachStyle: 'Working out each style',
    couldntWorkThemOut: (message: string) => `Couldn’t work them out: ${message}`,
    lineupsSideBySide: 'Lineups side by side',
    picture: 'Picture',
    limitsConflict: 'limits conflict',
    useTheStyle: (value: string) => `Use the style ${value}`,
    useThisStyle: 'Use this style',
    lenses: 'Lenses',
    musts: 'Musts',
    of: (got: number, of: number) => `${got} of ${of}`,
    wants: 'Wants',
    of2: (got: number, of: number, percent: string) => `${got} of ${of}, ${percent}`,
    weight: 'Weight',
    price: 'Price',
    toBuy: 'To buy',
    certainty: 'Certainty',
    bestFoundSoFar: 'best found so far',
    notSure: 'unproven',
  },
  takeButton: {
    use: (list: string) => `Use ${list}`,
    lineupApplied: 'Lineup applied.',
    noOtherLensWillBe: 'No other lens will be added.',
    undo: 'Undo',
    useThisLineup: 'Use this lineup',
  },
  tradeCurve: {
    whatMoreOrLessBuys: 'What a bigger or smaller kit gets you',
    lineupsByWeightAndWanted: (count: number) =>
      `${count} lineups by weight and wanted pictures; the table below shows the same.`,
    upShareOfTheWanted:
      'Up: share of the wanted pictures. Across: weight. The number is the item count (a converter counts ½); dashed lineups need a purchase. The diamond is the lineup above.',
    tradeOff: 'Trade-off',
    items: 'Items',
    step: 'Change from the previous lineup',
    more: (amount: string, isMore: boolean) => `${isMore ? '+' : '−'}${amount}`,
    buys: (costs: readonly string[], gained: readonly string[], lost: readonly string[]) =>
      [
        plainList([...costs]),
        [plainList([...gained]), lost.length > 0 ? `without ${plainList([...lost])}` : '']
          .filter(Boolean)
          .join('; '),
      ]
        .filter(Boolean)
        .join(': '),
    moreItems: (count: number) => `${count > 0 ? '+' : '−'}${counted(Math.abs(count), 'item')}`,
    weight: 'Weight',
    toBuy: 'To buy',
    wants: 'Wants',
    lineup: 'Lineup',
    actions: 'Actions',
    weightOf: (list: string) => `Weight of ${list}`,
    toBuyFor: (list: string) => `To buy for ${list}`,
    wantsCoveredBy: (list: string) => `Wants covered by ${list}`,
  },
};
