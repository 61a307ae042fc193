import { busy } from './busy.mjs';

/** What is said by host. */
export const hostText = {
  lineup: {
    usage: (command: string, seconds: number) =>
      `Usage: npm run --silent ${command} -- FILE.armreach.json [--seconds ${seconds}]\n`,
    cannotRead: (path: string, more: string) => `Cannot read ${path}: ${more}\n`,
    sWereNotEnoughAllow: (path: string, timeLimitS: number) =>
      `${path}: ${timeLimitS} s were not enough. Allow more with --seconds.\n`,
  },
  next: {
    usage: (asks: string, afters: string, seconds: number) =>
      `Usage: npm run --silent next -- FILE.armreach.json… [--times 12,1,…] [--ask ${asks}]
  [--budget MONEY] [--step-budget MONEY] [--steps N] [--spend] [--money MONEY]
  [--rent MONEY_A_DAY --days N --years N] [--buy new|used] [--resale PERCENT]
  [--after ${afters.replaceAll(',', '|')}] [--seconds ${seconds}]
`,
    badOptions: (fields: readonly string[]) =>
      `These options can’t be read, or are out of range: ${fields.join(', ')}.\n`,
    timesForEach: (files: number, times: number) =>
      `--times must give one number for each file: ${files} files, ${times} numbers.\n`,
  },
  lineupPost: {
    requestsFromPagesOfOther: 'Requests from pages of other origins are refused.',
    postTheOutingAsApplication: 'Post the outing as application/json.',
    sendTheOutingAsIt: 'Send the outing as it is, or as gzip.',
    theOutingIsLargerThan: 'The outing is larger than 8 MB.',
    theGzipOfTheOuting: 'The gzip of the outing is damaged.',
    secondsMustBeANumber: (value: number, value2: number) =>
      `seconds must be a number above 0 and at most ${value}, such as ?seconds=${value2}.`,
    tooManyOutingsAreBeing: busy.message,
    theAnswerWasNotReady: 'The answer was not ready in time. Allow more time, or leave gear out.',
    theAnswerCouldNotBe:
      'The answer could not be worked out; it may need more memory than there is.',
    theRequestWasCancelled: 'The request was cancelled.',
  },
  lineupReply: {
    sWereNotEnoughTo: (timeLimitS: string) =>
      `${timeLimitS} s were not enough to compare so much gear and so many pictures. Allow more time, or leave gear out.`,
  },
};
