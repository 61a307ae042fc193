import { counted } from './counts';

/** What is said by brief. */
export const briefText = {
  briefPage: {
    lastTime: (outing: string) => `Last time, on ${outing}:`,
    daysFromTo: (days: readonly string[]) => days.join(' to '),
    opening: 'Opening…',
    picturesWanted: 'Pictures wanted',
    lookAt: 'Look at them as',
    list: 'List',
    sheet: 'Sheet',
    done: 'Done',
    editHere: 'Edit here',
    pasteAShotList: 'Paste a shot list',
    newPicture: 'New picture',
    addAPicture: 'Add a picture',
    noPicturesYetAddThe:
      'No pictures yet. Add the ones you want from this outing: what must fit, how far away, in what light. The lenses follow from that.',
    chosenPicture: 'Chosen picture',
    noLocationOrDateYet: 'No location or date yet',
    editOuting: 'Edit outing',
  },
  quickAdd: {
    title: 'Add a picture of an everyday kind',
    what: 'What',
    howFar: 'How far, m',
    example: '4–8',
    add: 'Add',
    noDistance: 'Enter a distance in metres, such as 6 or 4–8.',
  },
  frameList: {
    needsADistance: 'needs a distance',
    choose: (picture: string) => `Choose ${picture}`,
    chosen: (count: number) => `${counted(count, 'picture')} chosen`,
    undo: 'Undo',
    deleteThem: (count: number) => `Delete ${counted(count, 'picture')}`,
    deleted: (count: number) => `Deleted ${counted(count, 'picture')}.`,
    oneAfterAnother: (setups: readonly string[]) => setups.join(', then '),
    pressSpaceToPickUp:
      'Press Space to pick up the picture, the arrow keys to move it, Space to drop it, Escape to cancel.',
    pickedUp: (name: string) => `Picked up ${name}.`,
    position: (number: number) => `Position ${number}.`,
    droppedAtPosition: (name: string, number: number) => `Dropped ${name} at position ${number}.`,
    staysWhereItWas: (name: string) => `${name} stays where it was.`,
    shotList: 'Shot list',
    picture: 'Picture',
    want: 'Want',
    coveredBy: 'Covered by',
    actions: 'Actions',
    moveNowNumber: (name: string, number: number) => `Move ${name}, now number ${number}`,
    moveUp: (name: string) => `Move ${name} up`,
    moveDown: (name: string) => `Move ${name} down`,
    duplicate: (name: string) => `Duplicate ${name}`,
    deleteIt: (name: string) => `Delete ${name}`,
    noLensCoversIt: 'no lens covers it',
    noStation: { hidden: 'hidden', nobody: 'no place to stand' },
    leftOut: 'left out',
  },
  day: {
    theDay: 'The day at a glance',
    selectOne: 'Select a picture to see and edit it.',
    picture: (number: number, name: string) => `Picture ${number}: ${name}`,
  },
  stretches: {
    stretches: 'Stretches',
    addAStretch: 'Add a stretch',
    oneStretchWithEverythingAt:
      'One stretch, with everything at hand. Add stretches where something changes: no lens changes, rain, fewer cameras in hand, or two shooters sharing the gear.',
    dragABarToMove:
      'Drag a bar to move it, or its end to change its length. Keyboard: ← → and Shift ← →, Enter to open.',
    newStretch: 'New stretch',
  },
  timeline: {
    to: (name: string, from: string, to: string) => `${name}, ${from} to ${to}`,
  },
};
