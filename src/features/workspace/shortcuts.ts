/** Every key that does something anywhere, as listed on `?`. */
export const PLACES = [
  ['/brief', 'Brief'],
  ['/shelf', 'Shelf'],
  ['/reach', 'Reach'],
  ['/lineup', 'Lineup'],
  ['/carry', 'Carry'],
] as const;

export const SHORTCUTS: readonly (readonly [string, string])[] = [
  ['Ctrl K', 'find anything: a place, a picture, a piece of gear, an action'],
  [`1 to ${PLACES.length}`, `go to ${PLACES.map(([, name]) => name).join(', ')}`],
  ['Ctrl Z', 'undo'],
  ['Ctrl Shift Z', 'redo'],
  ['?', 'this list'],
  ['← →', 'in the viewfinder: the setup before and the next'],
  ['Tab, Enter', 'on the tables of Reach: choose a picture or a lens'],
  ['Space, arrows', 'on a picture’s handle in Brief: lift it and move it'],
];
