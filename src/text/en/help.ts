import { counted } from './counts';
import type { HelpTopic } from './helpTopics';

/** All that the help says. */
export const helpText = {
  others: 'All of the help',
  topics: {
    want: [
      'List the pictures, not the lenses. For each picture say what has to fit, how far away it is, and how much of the frame it may fill.',
      '“Fixed spot” means you can’t move, so every distance must be covered. “Free to move” means one distance is enough. “Coming towards you” means one lens has to follow it all the way.',
      'A must decides which lenses come along. A want counts by its share of your pictures. A bonus never adds a lens.',
      'Add light, shutter speed, depth or blur only where they matter: each one rules lenses out.',
    ],
    choice: [
      'First as few musts lost as possible, then your wanted pictures against the number of items, then fewest items, then weight and price or your own order.',
      '“Proven” means the search was finished: no lineup does better. Often the reason can be seen: no two of the doubly ringed pictures can be covered by the same lens, so fewer lenses can’t do it.',
      'When time runs out, the result is called “best found so far”, with what may still be in it.',
      'An unknown weight or price is never taken as zero.',
    ],
    reading: [
      'Angle of view runs across the page: wide on the left, long on the right, the same on Reach, Lineup and Log.',
      'On the score a line is a lens and a note a picture. Filled: only this lens covers it. Open: another one does too. Dashed: it covers a part.',
      'Solid line: the lens by itself. Dashed: with a converter. Dotted: by cropping.',
      'On Carry a lane is a camera and a bar the setup on it; “The day and the bag” shows one.',
      'On Reach, faster lenses are higher. A picture is covered where bands of the lineup pass over all of it, at its level or above.',
    ],
    day: [
      'Below are each person’s bag and what it weighs, with your limit.',
      'Select a stretch to read its plan: what to put on before it, in which order to work, what stays behind.',
      'How much you lift and carry is up to you: the figures help you keep to it.',
    ],
    data: [
      'Everything stays in this browser: outings, shelf, settings and what was read from your photographs. Nothing is sent anywhere, and the pictures themselves are never copied.',
      'The location in photographs is read only if you ask for it.',
      'Export an outing to share it. Save a backup now and then under Backup and storage: clearing the browser’s data deletes what is here.',
      'It works without a network once it has been opened.',
    ],
  } satisfies Readonly<Record<HelpTopic, readonly string[]>>,
  marks: {
    clear: 'covered',
    crop: 'covered by cropping',
    once: 'once instead of twice',
    slow: 'too slow',
    lost: 'not covered',
    out: 'left out',
  },
  worked: {
    label: 'A worked example, from wish to proof',
    wish: '1. The wishes',
    wishes: (faceM: string) =>
      `A whole room 9 m wide, a group of 2 m, both from 5 m, and a face from ${faceM}. Each fills half of the picture or more, uncropped. Move the face:`,
    distance: 'The face',
    covers: '2. What each lens covers',
    picture: 'Picture',
    lens: (name: string, focalRange: string) => `${name} ${focalRange}`,
    choice: '3. The choice',
    take: (lenses: string, musts: string) => `Take the ${lenses}: ${musts} covered.`,
    musts: (got: number, of: number) =>
      got === of ? `all ${of} pictures` : `${got} of ${of} pictures`,
    nothing: (lack: string) => `No lens covers the face: ${lack}.`,
    score: (lenses: number) => `The choice as a score: ${counted(lenses, 'lens')}`,
    proof: '4. The proof',
    working: 'Choosing…',
  },
  example: {
    room: 'The whole room',
    group: 'The group',
    face: 'The face',
    near: 'nearest',
    middle: 'middle',
    far: 'farthest',
    picture: 'A person between 4 and 12 m, through the same lens',
    score: 'Three lenses, five pictures; three of them prove that three lenses are needed',
    chart:
      'Three bands of lenses by focal length and f-number; one picture lies under a band and is covered, one lies above all of them',
    coveredPicture: 'group in daylight: covered',
    tooDark: 'dancers at night: too slow',
    wide: 'wide zoom',
    normal: 'standard zoom',
    long: 'long zoom',
    camera: 'Camera',
    second: 'Second camera',
    you: 'You',
    morning: 'Morning',
    boat: 'Boat',
    evening: 'Evening',
    browser: 'this browser',
    files: 'files you export',
    nothing: 'nothing goes out',
    data: 'Your data: in the browser, out only as files that you export',
  },
};
