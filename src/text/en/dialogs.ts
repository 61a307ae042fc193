/** What is said by what opens over a page; apart from what stands there first. */
export const dialogText = {
  firstOuting: {
    megapixels: 'Megapixels',
    usualMegapixels: 'usual: 24',
    unknownMegapixels: 'unknown',
    orFromPhotographs: 'No typing: read it from a folder of your photographs',
    myCamera: 'My camera',
    hereIsYourOutingEvery: 'Here is your outing; every figure in it can be changed.',
    startFromNothing: 'Start from nothing',
    oneCameraAFewLenses:
      'One camera, a few lenses, and what you are going to photograph. All of it can be changed later.',
    yourCamera: 'Your camera',
    itsSensor: 'Its sensor',
    yourLensesAsTheyAre:
      'Your lenses, as they are named: 18–55 mm f/3.5–5.6, or 50 f/1.8. A converter or a tube too: 1.4x converter, tube 16mm',
    lens: (value: number) => `Lens ${value}`,
    giveARangeAndAn: 'Give a range and an f-number, such as 18–55 f/3.5–5.6, or 1.4x converter',
    oneMoreLens: 'One more lens',
    whatYouAreGoingTo: 'What you are going to photograph',
    whatIsOnYourShelf: (lenses: string, cameras: string) =>
      `Bring what is on your shelf as well: ${lenses}, ${cameras}`,
    showMeWhichLensesTo: 'Show me which lenses to take',
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
  palette: {
    pages: 'Pages',
    viewOf: (page: string, view: string) => `${page}: ${view}`,
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
};
