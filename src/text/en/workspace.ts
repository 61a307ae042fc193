import { counted } from './counts';

/** What is said by workspace. */
export const workspaceText = {
  fileMenu: {
    wasNotOpened: (name: string, message: string) => `${name} was not opened: ${message}`,
    opened: (name: string) => `Opened ${name}.`,
    outingFileToOpen: 'Outing file to open',
    started: (name: string) => `Started: ${name}.`,
    outing: 'Outing',
  },
  firstOuting: {
    orFromPhotographs: 'No typing: read it from a folder of your photographs',
    myCamera: 'My camera',
    hereIsYourOutingEvery: 'Here is your outing; every figure in it can be changed.',
    startFromNothing: 'Start from nothing',
    oneCameraAFewLenses:
      'One camera, a few lenses, and what you are going to photograph. All of it can be changed later.',
    yourCamera: 'Your camera',
    itsSensor: 'Its sensor',
    yourLensesAsTheyAre: 'Your lenses, as they are named: 18–55 mm f/3.5–5.6, or 50 f/1.8',
    lens: (value: number) => `Lens ${value}`,
    giveARangeAndAn: 'Give a range and an f-number, such as 18–55 f/3.5–5.6',
    oneMoreLens: 'One more lens',
    whatYouAreGoingTo: 'What you are going to photograph',
    showMeWhichLensesTo: 'Show me which lenses to take',
  },
  threeWays: {
    waysIn: 'Ways in',
    lookAtTheDemo: 'Look at the demo',
    demoAnswer: (items: string) => `The demo’s lineup: ${items}`,
    choosing: 'Choosing the lenses…',
    showMeAround: 'Show me around',
    gotIt: 'Got it',
    startFromPhotographs: 'Start from my photographs',
    readsHow: 'A folder is enough: it reads how they were taken.',
    startFromNothing: 'Start from nothing',
    typeThem: 'Type your lenses, choose what you photograph.',
  },
  header: {
    allOutings: 'All outings',
    savedHere: 'Saved here',
    saving: 'Saving…',
    notSavedNoRoomLeft: 'Not saved: no room left',
    notSavedTheBrowserRefuses: 'Not saved: the browser refuses',
    notSavedReloadForThe: 'Not saved: reload for the newer Arm Reach',
    armReach: 'Arm Reach',
    pages: 'Pages',
    undoCtrlZ: 'Undo (Ctrl Z)',
    redoCtrlShiftZ: 'Redo (Ctrl Shift Z)',
    lightTheme: 'Light theme',
    nightTheme: 'Night theme',
  },
  keptOffline: {
    aNewerArmReachIs: 'A newer Arm Reach is ready.',
    yourEditsAreSavedFirst: 'Your edits are saved first.',
    update: 'Update',
  },
  notices: {
    gotIt: 'Got it',
    thisBrowserHasNoRoom:
      'This browser has no room left, so your edits aren’t being saved. You can go on working: they stay in this tab. Export the outing, or make room under Backup and storage.',
    thisBrowserDoesntLetArm:
      'This browser doesn’t let Arm Reach store anything, so your edits aren’t being saved. You can go on working: they stay in this tab. Export the outing before you close it.',
    anotherTabRunsANewer:
      'Another tab runs a newer Arm Reach, so this tab no longer saves. Export the outing if it has edits you need, then reload.',
    exportThisOuting: 'Export this outing',
    reload: 'Reload',
    backupAndStorage: 'Backup and storage',
    youChangedTheSameThing: (name: string) =>
      `You changed the same thing here and in another tab. What was saved first stays; this tab’s outing is kept as “${name}” under Outings.`,
    youChangedTheSameItem:
      'You changed the same item of your shelf here and in another tab. What was saved first stays; this tab’s shelf is kept under Earlier versions.',
    thisOutingWasDeletedIn:
      'This outing was deleted in another tab. It is in the bin; your next edit brings it back.',
    whatWasStoredLastCant:
      'What was stored last can’t be read as a whole. What can be read of it is open, or its newest version. The whole text is kept under Backup and storage.',
    aStoredTextCantBe: 'A stored text can’t be read and is set aside',
    storedTextsCantBeRead: (count: number) =>
      `${count} stored texts can’t be read and are set aside`,
    downloadItToFixIt: (more: string, reason: string) =>
      `${more}: ${reason} Download it to fix it, then open the file again.`,
    downloadIt: 'Download it',
    themAll: 'them all',
    see: (more: string) => `See ${more}`,
  },
  openFileDialog: {
    opened: (name: string) => `Opened ${name}.`,
    open: (name: string) => `Open ${name}`,
    theFileCarriesItsOwn:
      'The file carries its own gear. Nothing on your shelf is replaced unless you say so.',
    itsPricesAreInYours: (currency: string, currency2: string) =>
      `Its prices are in ${currency}, yours in ${currency2}: they aren’t converted.`,
    cancel: 'Cancel',
    openTheOuting: 'Open the outing',
  },
  outingMenu: {
    outing: 'Outing',
  },
  outingsDialog: {
    deleted: (name: string) => `Deleted ${name}.`,
    itStaysInTheBin: 'It stays in the bin for 30 days.',
    undo: 'Undo',
    cantBeReadItsText: (name: string) =>
      `${name} can’t be read. Its text is under Backup and storage.`,
    opened: (name: string) => `Opened ${name}.`,
    outings: 'Outings',
    keptInThisBrowserA: 'Kept in this browser. A backup keeps them safe beyond it.',
    openNow: 'open now',
    saved: (value: string) => `saved ${value}`,
    duplicate: 'Duplicate',
    open: 'Open',
    exportIt: (name: string) => `Export ${name}`,
    deleteIt: (name: string) => `Delete ${name}`,
    deletedOutingsAndBackups: 'Deleted outings and backups',
  },
  pageError: {
    thereIsANewerArm: 'There is a newer Arm Reach',
    thisPageCantBeShown: 'This page can’t be shown',
    thisPageNeedsAPart:
      'This page needs a part that the server has replaced. Your edits are saved; reload to update.',
    somethingInItFailedYour: (message: string) =>
      `Something in it failed: ${message} Your outing is as it was. Save it as a file to be on the safe side, then try again.`,
    savedAsAFile: 'Saved as a file.',
    thereIsNoOutingTo: 'There is no outing to save.',
    itCantBeSaved: (more: string) => `It can’t be saved: ${more}`,
    saveMyOutingAsA: 'Save my outing as a file',
    tryAgain: 'Try again',
    reload: 'Reload',
    goOnWithoutSaving: 'Go on without saving',
  },
  palette: {
    pages: 'Pages',
    pictures: 'Pictures',
    gear: 'Gear',
    selectionStyle: 'Selection style',
    actions: 'Actions',
    undo: 'Undo',
    redo: 'Redo',
    findAnything: 'Find anything',
    findAPageAPicture: 'Find a page, a picture, a lens, an action',
    nothingHasThatName: 'Nothing has that name.',
  },
  refusedDialog: {
    theFileWasNotOpened: 'The file was not opened',
    yourOutingIsAsIt: (name: string, message: string) =>
      `${name}: ${message} Your outing is as it was.`,
    close: 'Close',
  },
  settingsDialog: {
    light: 'light',
    night: 'night',
    asTheSystem: 'as the system',
    metresAndGrams: 'metres and grams',
    feetAndOunces: 'feet and ounces',
    settings: 'Settings',
    usedForEveryOutingThat:
      'Used for every outing that doesn’t set its own. Files always hold metres and grams; lenses stay in mm.',
    units: 'Units',
    theme: 'Theme',
    singleKeyShortcutsAndThe: 'Single-key shortcuts (? and the numbers)',
    usualLimits: 'Usual limits',
    whatYouUsuallyWant: 'What you usually want',
    selectionStyle: 'Selection style',
    myOwn: 'my own',
    currency: 'Currency',
    threeLettersSuchAsEur: 'three letters, such as EUR',
  },
  shortcutsDialog: {
    keys: 'Keys',
    everythingWorksWithoutAMouse: 'Everything works without a mouse; these are the shortcuts.',
  },
  standingLine: {
    currentResult: 'Current result',
    sWerentEnoughToCompare: (seconds: number) =>
      `${seconds} s weren’t enough to compare so much gear and so many pictures. Filter the gear or split the outing.`,
    couldntWorkOutTheLineup: (error: string) => `Couldn’t work out the lineup: ${error}`,
    noLineupMeetsTheLimits: 'No lineup meets the limits',
    musts: 'musts',
    wants: 'wants',
    shareOfTheWantedPictures: 'Share of the wanted pictures',
    ofThosePictures: (percent: string) => `${percent} of those pictures`,
    weightOfTheLineup: 'Weight of the lineup',
    weight: (known: string | null, unknown: number, inAll: string | null) => {
      const lineup =
        unknown === 0
          ? known
          : known === null
            ? 'weight unknown'
            : `${known} and ${counted(unknown, 'item')} of unknown weight`;
      return inAll === null ? lineup : `${lineup}, ${inAll} carried in all`;
    },
    priceUnknown: 'price unknown',
    priceOfTheLineup: 'Price of the lineup',
    whatThereIsToBuy: 'What there is to buy or rent',
    toSpend: (money: string) => `${money} to spend`,
    fewestPossibleProven: 'fewest possible (proven)',
    bestFoundSoFar: 'best found so far',
    limitsConflict: 'limits conflict',
    notCertainSomeWeightsAre:
      'not certain: some weights are unknown, or the load is over its limit',
    no: (label: string) => `no ${label}`,
    of: (got: number, of: number, label: string) => `${got} of ${of} ${label}`,
    noLensOnYourShelf: (name: string) => `${name}: no lens on your shelf covers it`,
    excludedByYourLimits: (name: string) => `${name}: excluded by your limits`,
    thinkingThisIsStillThe: 'Thinking… this is still the answer from before your change',
    thinking: 'Thinking…',
  },
  starterDialog: {
    startFromABrief: 'Start from a brief',
    typicalPicturesDistancesAndLight:
      'Typical pictures, distances and light: change anything. Your shelf stays as it is.',
  },
  tour: {
    briefListsThePicturesYou:
      'Brief lists the pictures you want. Choose one and see it through the viewfinder.',
    changeSomethingHowMuchYou:
      'Change something: how much you want it, or how far away it is. The result above updates at once.',
    reachShowsEveryLensBy:
      'Reach shows every lens by angle of view and light. Choose a picture: the lenses that cover it light up.',
    lineupSaysWhichLensesTo:
      'Lineup says which lenses to take, and why fewer aren’t enough. Leave one out and see what happens.',
    carrySaysWhatGoesOn: 'Carry says what goes on which camera, and what to pack.',
    tour: 'Tour',
    of: (value: number, count: number) => `${value} of ${count}`,
    done: 'Done.',
    goThere: 'Go there',
    next: 'Next',
    endTheTour: 'End the tour',
    thatsTheTourUndoPuts:
      'That’s the tour. Undo puts the demo back as it was. Now try your own outing.',
    startFromNothing: 'Start from nothing',
  },
  workspace: {
    skipToContent: 'Skip to content',
    thisBrowsersStorageHasntAnswered:
      'This browser’s storage hasn’t answered yet. Wait a little longer, or look around without saving: what is stored stays as it is.',
    theOutingCantBeOpened: (problem: string) => `The outing can’t be opened: ${problem}`,
    openingTheOuting: 'Opening the outing…',
    notChanged: (fieldPath: string, message: string) => `Not changed: ${fieldPath} ${message}.`,
    moreFieldsAreWrongAs: (count: number) => `${count} more fields are wrong as well.`,
    thereIsANewerArm: 'There is a newer Arm Reach.',
    yourEditsAreSavedReload: 'Your edits are saved; reload to update.',
    reload: 'Reload',
  },
  shortcuts: {
    brief: 'Brief',
    shelf: 'Shelf',
    reach: 'Reach',
    lineup: 'Lineup',
    carry: 'Carry',
    log: 'Log',
    next: 'Next',
    ctrlK: 'Ctrl K',
    findAnythingAPageA: 'find anything: a page, a picture, an item, an action',
    n1To: (count: number) => `1 to ${count}`,
    goTo: (list: string) => `go to ${list}`,
    ctrlZ: 'Ctrl Z',
    undo: 'undo',
    ctrlShiftZ: 'Ctrl Shift Z',
    redo: 'redo',
    thisList: 'this list',
    inTheViewfinderPreviousAnd: 'in the viewfinder: previous and next setup',
    tabEnter: 'Tab, Enter',
    onTheTablesOfReach: 'on the tables of Reach: choose a picture or a lens',
    spaceArrows: 'Space, arrows',
    onAPicturesHandleIn: 'on a picture’s handle in Brief: pick it up and move it',
  },
  useOpening: {
    notOpenedTheOpenOuting: 'Not opened: the open outing can’t be saved.',
    exportItFirstThenNothing: 'Export it first; then nothing is lost.',
    notOpenedWhatIsStored: 'Not opened: what is stored can’t be read.',
    itIsKeptAsIt: 'It is kept as it is, under Backup and storage.',
    theOutingBeforeIsKept: 'The outing before is kept under Outings.',
    goBack: 'Go back',
    opened: (name: string) => `Opened ${name}.`,
    openedTheDemoOuting: 'Opened the demo outing.',
    couldntOpenTheDemo: 'Couldn’t open the demo.',
  },
  useOutingActions: {
    allOutings: 'All outings…',
    openAFile: 'Open a file…',
    exportThisOuting: 'Export this outing',
    newFromOneCamera: 'New, from one camera…',
    newFromAStarterBrief: 'New from a starter brief…',
    newAndEmpty: 'New and empty',
    newOuting: 'New outing',
    startedANewOutingWith: 'Started a new outing with your shelf.',
    theDemoOuting: 'The demo outing',
    showMeAround: 'Show me around',
    earlierVersions: 'Earlier versions',
    backupAndStorage: 'Backup and storage',
    settings: 'Settings…',
    keys: 'Keys…',
  },
};
