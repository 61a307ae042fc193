/** What is said by the three ways to start, on a first visit alone. */
export const threeWaysText = {
  waysIn: 'Ways in',
  lookAtTheDemo: 'Look at the demo',
  demoAnswer: (items: string) => `The demo’s lineup: ${items}`,
  choosing: 'Choosing the lenses…',
  showMeAround: 'Show me around',
  gotIt: 'Got it',
  startFromPhotographs: 'Start from my photographs',
  readsHow: 'A folder is enough: we read how each picture was taken.',
  startedForPhotographs: 'Started an outing of your own.',
  startFromNothing: 'Start from nothing',
  typeThem: 'Type your lenses, choose what you photograph.',
};
