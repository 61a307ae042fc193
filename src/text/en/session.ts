/** What is said by session. */
export const sessionText = {
  backups: {
    /** Lies in every backup. */
    thisIsABackupOf: `This is a backup of Arm Reach.

shelf.json      your gear, bags and usual things
settings.json   your settings
outings/        your outings, one JSON file each; each names what of the shelf may come
bin/            deleted outings that could still be brought back
photographs/    what the Log knows of your photographs: numbers column by column, lists and marks
versions/       earlier versions, gzip; contents.json says of what
set-aside/      stored texts that could not be read, as they were

Texts are JSON in UTF-8, columns are little-endian numbers: f64, f32, u32, u16 by their ending. The formats are described in docs/format.md of Arm Reach.
To restore: open Arm Reach, choose Backup and storage, then Restore a backup.
`,
    nothingIsOpenYet: 'nothing is open yet',
    notSaved: 'not saved',
    theShelfOfTheBackup: 'the shelf of the backup does not fit with what is here',
    fromTheBackup: 'from the backup',
  },
  hooks: {
    usesessionMustBeUsedInside: 'useSession must be used inside SessionProvider',
    noOutingIsOpenYet: 'no outing is open yet',
  },
  rescue: {
    theStorageDoesntAnswer: 'the storage doesn’t answer.',
  },
  session: {
    theDemoOutingCouldNot: (status: number) =>
      `The demo outing could not be fetched (${status}). Reload the page.`,
  },
};
