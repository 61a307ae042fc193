/** What is said by parts. */
export const partsText = {
  score: {
    isNew: (lens: string) => `● ${lens}`,
  },
  stateMark: {
    coveredByCropping: 'covered by cropping',
    coveredOnce: 'covered once, not twice',
    tooSlow: 'too slow',
    notCovered: 'not covered',
    leftOut: 'left out',
  },
  readFile: {
    reading: (name: string) => `Reading ${name}…`,
    cancel: 'Cancel',
  },
  underWay: {
    cancel: 'Cancel',
  },
  dialog: {
    close: 'Close',
  },
  cells: {
    mustBeANumberSuch: 'must be a number, such as 12 or 2.5',
  },
  fields: {
    whichOfTwo: (typed: string, decimals: number, whole: number) =>
      `${typed} can be ${decimals} or ${whole}: write ${decimals} or ${whole}`,
    yes: 'yes',
    no: 'no',
    unknown: 'unknown',
  },
};
