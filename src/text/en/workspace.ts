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
  header: {
    allOutings: 'All outings',
    savedHere: 'Saved here',
    saving: 'Saving…',
    notSavedNoRoomLeft: 'Not saved: no room left',
    notSavedTheStorageIsSilent: 'Not saved yet: the storage doesn’t answer',
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
    theStorageDoesntAnswer:
      'This browser’s storage doesn’t answer, so your latest edits aren’t saved yet. Arm Reach keeps trying, and they stay in this tab. Export the outing before you close it.',
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
    newerOuting: (names: string) =>
      `Another outing is open: ${names} was saved by a newer Arm Reach, which this one can’t read. Reload to get the newer one.`,
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
    of: (got: number, of: number, label: string, once: number) =>
      `${got} of ${of} ${label}${once === 0 ? '' : `, ${once} more once instead of twice`}`,
    noLensOnYourShelf: (name: string) => `${name}: no lens on your shelf covers it`,
    excludedByYourLimits: (name: string) => `${name}: excluded by your limits`,
    thinkingThisIsStillThe: 'Thinking… this is still the answer from before your change',
    thinking: 'Thinking…',
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
    notOpenedItIsNewer: 'Not opened: a newer Arm Reach saved it, which this one can’t read.',
    itIsKeptReload: 'It is kept as it is. Reload to get the newer Arm Reach.',
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
