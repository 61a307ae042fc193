import { counted } from './counts';

/** What is said by keeping. */
export const keepingText = {
  restore: {
    text: (file: string, why: string) => `${file}: ${why}`,
    backupToRestore: 'Backup to restore',
    restoreABackup: 'Restore a backup…',
    itIsntAZipOr: 'it isn’t a zip, or it is damaged.',
    itIsntABackupOf: 'it isn’t a backup of Arm Reach: contents.json or shelf.json is missing.',
    itUnpacksToMoreThan: (value: number) => `it unpacks to more than ${value} MB.`,
    notHere: 'not here',
    theSameAsHere: 'the same as here',
    differsFromTheOneHere: 'differs from the one here',
    keepBoth: 'keep both',
    useTheBackups: 'use the backup’s',
    keepTheOneHere: 'keep the one here',
    restored: (count: string) => `Restored ${count}.`,
    whatTheyReplacedIsUnder: 'What they replaced is under Earlier versions.',
    notRestoredItCantBe: 'Not restored: it can’t be saved.',
    nothingWasReplaced: 'Nothing was replaced.',
    restoreABackup2: 'Restore a backup',
    hereIsWhatItHolds:
      'Here is what it holds, next to what you have. Whatever it replaces can be restored.',
    cantBeReadAndIs: (file: string, message: string) =>
      `${file} can’t be read and is left out: ${message}`,
    outingsInTheBackup: 'Outings in the backup',
    yourShelfIsEmptySo: 'Your shelf is empty, so the backup’s is used.',
    addItsPhotographs: (count: string) =>
      `Add its ${count}, and what was said of them, to those here`,
    photographsAreDamaged: 'the photographs are not whole.',
    isDamaged: 'it isn’t as it was written.',
    isThereTwice: (file: string) =>
      `${file} is in the zip more than once; the last one is shown here.`,
    stopped: (restored: number, of: number) =>
      `Stopped: ${restored} of ${counted(of, 'outing')} restored.`,
    ended: (restored: number, of: number) =>
      `${restored} of ${counted(of, 'outing')} restored. The rest can’t be saved.`,
    stop: 'Stop',
    useTheBackupsSettings: 'Use the backup’s settings',
    cancel: 'Cancel',
    restoring: 'Restoring…',
    restore: 'Restore',
    saved: (value: string, value2: string) => `saved ${value}, ${value2}`,
    saved2: (value: string) => `, saved ${value}`,
    whatToDoWith: (name: string) => `What to do with ${name}`,
  },
  room: {
    storageInThisBrowser: 'Storage in this browser',
    looking: 'Looking…',
    thisBrowserDoesntSayHow: 'This browser doesn’t say how much room there is.',
    usedLeftTheApplicationItself: (count: string, count2: string) =>
      `${count} used, ${count2} left, the application itself included.`,
    storageUsed: 'Storage used',
    theBrowserHasPromisedTo:
      'The browser has promised to keep your data, even when the disk fills up.',
    theBrowserMayClearYour: 'The browser may clear your data when the disk fills up.',
    askItToKeepYour: 'Ask it to keep your data',
    gb: (value: string) => `${value} GB`,
    mb: (value: string) => `${value} MB`,
    kb: (value: number) => `${value} kB`,
  },
  storagePage: {
    backupAndStorage: 'Backup and storage',
    couldntMakeTheBackup: 'Couldn’t make the backup.',
    exportTheOpenOutingInstead: 'Export the open outing instead.',
    backup: 'Backup',
    oneZipWithAllOutings:
      'One zip with everything this browser keeps: all outings with their earlier versions, your shelf, your settings, and what the Log knows of your photographs. The photographs themselves are not in it. Any program can read the files.',
    packing: 'Packing…',
    notPacked: 'No backup was saved.',
    saveABackup: 'Save a backup',
    thisBrowserCantWriteInto:
      'This browser can’t write into a folder by itself, so save a backup now and then.',
    keepABackupInA: 'Keep a backup in a folder…',
    itIsWrittenAgainWithin: 'It is written again within half a minute after you change something.',
    theBrowserNeedsYourPermission: (folder: string | null) =>
      `The browser needs your permission again for the folder ${folder}.`,
    couldntWriteTheBackupIn: (folder: string | null) => `Couldn’t write the backup in ${folder}.`,
    aBackupIsKeptIn: (folder: string | null, writtenAt: string | null) =>
      `A backup is kept in ${folder}${writtenAt === null ? '' : `, last written ${writtenAt}`}.`,
    allow: 'Allow',
    stop: 'Stop',
    bin: 'Bin',
    emptyDeletedOutingsStayHere: (value: number) =>
      `Empty. Deleted outings stay here for ${value} days.`,
    deletedLeft: (value: string, count: string) => `deleted ${value}; ${count} left`,
    isBackUnderOutings: (name: string) => `${name} is back under Outings.`,
    restore: 'Restore',
    deleteForGood: 'Delete for good',
    discardedTheUnreadableData: 'Discarded the unreadable data.',
    undo: 'Undo',
    unreadableDataSetAside: 'Unreadable data, set aside',
    download: 'Download',
    discard: 'Discard',
  },
  versionsPage: {
    thisOuting: 'this outing',
    myShelf: 'my shelf',
    earlierVersions: 'Earlier versions',
    versionsOf: 'Versions of',
    aVersionIsKeptWhenever:
      'A version is kept whenever you pause for a minute, and every five minutes while you work: the last 30, and one a day for 60 days. Restoring one can be undone.',
    restoredTheEarlierVersion: 'Restored the earlier version.',
    undo: 'Undo',
    opened: (name: string) => `Opened ${name}.`,
    restore: 'Restore',
    openAsACopy: 'Open as a copy',
    exportIt: 'Export',
    restoredTheEarlierShelf: 'Restored the earlier shelf.',
    readingTheVersions: 'Reading the versions…',
    now: 'Now',
    noEarlierVersionYetThe:
      'No earlier version yet. The first is kept as soon as you change something saved.',
    sinceThen: (told: string) => `Since then: ${told}.`,
    cantBeRead: 'can’t be read',
    theOldestOneKept: 'the oldest one kept',
    close: 'Close',
    view: 'View',
    lockedInLeftOut: (count: number, count2: number) => `${count} locked in, ${count2} left out`,
    convertersTubesAdapters: (count: number, count2: number, count3: number) =>
      `${count} converters, ${count2} tubes, ${count3} adapters`,
    none: 'none',
    andMore: (list: string, more: number) => `${list} and ${more} more`,
  },
};
