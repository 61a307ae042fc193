/** What is said where a page failed; apart, so that nothing else is loaded for it. */
export const pageErrorText = {
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
};
