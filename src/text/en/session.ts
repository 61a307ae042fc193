/** What is said by session. */
export const sessionText = {
  backups: {
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
