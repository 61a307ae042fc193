import type { Lesson } from '@/core/log';
import { digits, formatPercent, formatWeight } from '../format';
import { listOf, plainList } from '../lists';
import { counted } from './counts';

/** Whole stops of exposure time as they are marked, from 1/16,000 s. */
const MARKED_TIMES = [16_000, 8000, 4000, 2000, 1000, 500, 250, 125, 60, 30, 15, 8, 4, 2];

/** The marked whole stop nearest to a time, s. */
function markedTime(timeS: number): string {
  const stop = Math.round(Math.log2(timeS));
  const below = MARKED_TIMES[MARKED_TIMES.length + stop];
  return stop < 0
    ? `1/${below ?? digits(1 / timeS, 0)} s`
    : `${[1, 2, 4, 8, 15, 30][stop] ?? digits(timeS, 0)} s`;
}

const many = (n: number) => digits(n, 0);

/** All that the Log page says. */
export const logText = {
  page: {
    log: 'Log',
    opening: 'Opening your photographs…',
    cantOpen:
      'Your photographs can’t be opened: the browser’s storage doesn’t answer. Reload the page.',
    inAll: (photographs: number, days: string) =>
      days === ''
        ? counted(photographs, 'photograph')
        : `${counted(photographs, 'photograph')}, ${days}`,
    lookAt: 'Look at',
    allPhotographs: 'All photographs',
    photographsOf: (outing: string) => `Photographs of ${outing}`,
    outingsOfTheKind: (n: number) => `${counted(n, 'outing')} of this kind`,
    keptOnly: 'Only rated ones',
    views: 'Views of the log',
    used: 'Used',
    against: 'Against the plan',
    hindsight: 'Hindsight',
    frames: 'New pictures',
    lessons: 'Lessons',
    photographs: 'Photographs',
    noneHere: 'None of your photographs were taken on the days of this outing.',
    waitsFor: (day: string) =>
      `This outing is on ${day}. Photographs taken then are held against its plan here.`,
    haveSome: 'These outings have photographs:',
    hasSome: (outing: string, count: string) => `${outing}: ${count}`,
    lookAtAll: 'Look at all of them',
    working: 'Working it out…',
    cancelled: 'Cancelled.',
    workItOut: 'Work it out',
    failed: (why: string) => `Couldn’t work it out: ${why}`,
    full: 'There is no room in this browser for all your photographs. They stay until you close this tab; export them as a table.',
    damaged:
      'What was stored of your photographs can’t be read as a whole. What can be read is here; all of it is kept under Backup and storage.',
    seeIt: 'See it',
    silent:
      'This browser’s storage doesn’t answer, so your photographs aren’t kept yet. They stay until you close this tab.',
    refused:
      'This browser doesn’t let Arm Reach keep your photographs. They stay until you close this tab.',
  },
  add: {
    addPhotographs: 'Add photographs',
    whatYourPhotographsTell:
      'Open a folder or a memory card. Arm Reach reads how each picture was taken: camera, lens, focal length, exposure. The pictures themselves stay where they are, and nothing leaves this computer.',
    openFolder: 'Open a folder…',
    chooseFiles: 'Choose files…',
    importTable: 'Import a table…',
    dropHere: 'Or drop a folder or files here.',
    withPlace: 'Read the location too',
    trySimulated: 'No card at hand? Try a simulated one:',
    simulatedCard: 'Card of the regatta',
    simulatedArchive: 'A year of pictures',
    files: 'Photographs',
    folder: 'Folder of photographs',
    table: 'Table of photographs',
    reading: (done: number, files: number) => `Reading ${many(done)} of ${counted(files, 'file')}…`,
    looking: 'Looking for files…',
    readingTable: 'Reading the table…',
    cancel: 'Cancel',
    nothingFound: 'There are no files in it.',
    result: (c: {
      readonly added: number;
      readonly known: number;
      readonly noData: number;
      readonly damaged: number;
      readonly notYet: readonly string[];
      readonly notPhotos: number;
      readonly cancelled: boolean;
    }) =>
      `${c.cancelled ? 'Stopped. ' : ''}${counted(c.added, 'photograph')} added. ${plainList(
        [
          c.known > 0 ? `${many(c.known)} already known` : '',
          c.noData > 0 ? `${many(c.noData)} without data` : '',
          c.damaged > 0 ? `${many(c.damaged)} damaged` : '',
          c.notYet.length > 0
            ? `${many(c.notYet.length)} of a kind that can’t be read yet (${[...new Set(c.notYet)].sort().join(', ')})`
            : '',
          c.notPhotos > 0
            ? `${many(c.notPhotos)} ${c.notPhotos === 1 ? 'isn’t a photograph' : 'aren’t photographs'}`
            : '',
        ].filter((part) => part !== ''),
      )}`.trim(),
    tableProblem: {
      'not-a-table':
        'This is neither a CSV nor a JSON table. Write one with: exiftool -csv -r FOLDER.',
      'no-source-file':
        'The table has no SourceFile column, so its photographs can’t be told apart.',
      'not-read': 'The table can’t be read: it is too large, or it is damaged.',
    },
  },
  gear: {
    notOnShelf: 'Not on your shelf yet',
    fromPhotographs: 'Your photographs name gear that isn’t on your shelf. Add what you own.',
    addChosen: (n: number) =>
      n === 0 ? 'Add to the shelf' : `Add ${counted(n, 'item')} to the shelf`,
    added: (n: number) =>
      `Added ${counted(n, 'item')} to your shelf. Anything the photographs don’t show is left unknown.`,
    undo: 'Undo',
    noSensor: 'Your photographs don’t give its sensor size. Add it by hand on Shelf.',
    asUsed: 'Range and f-number as used; the file doesn’t state them.',
    photographs: (n: number) => counted(n, 'photograph'),
    is: 'It is',
    notMine: 'not mine',
    sensor: (w: number, h: number) => `${digits(w, 1)} × ${digits(h, 1)} mm`,
    mountOf: (make: string) => (make === '' ? 'Unknown mount' : `${make} mount`),
    camera: 'Camera',
    lensName: (wide: number, long: number, fWide: number, fLong: number) =>
      `${wide === long ? digits(wide, 1) : `${digits(wide, 1)}–${digits(long, 1)}`} mm f/${digits(fWide, 1)}${fLong === fWide ? '' : `–${digits(fLong, 1)}`}`,
  },
  used: {
    title: 'What you used',
    chart: (photographs: number, lenses: number) =>
      `Photographs by angle of view, ${counted(photographs, 'photograph')}, with the ranges of ${counted(lenses, 'lens')} below`,
    drawing: 'Drawing…',
    legendAll: 'all',
    legendKept: 'rated',
    focalBelow: 'Focal length below for 36 × 24 mm, angle of view above.',
    angleUnknown: (n: number) =>
      `Left out here because their files don’t give an angle of view: ${counted(n, 'photograph')}.`,
    lens: 'Lens',
    share: 'Share',
    photographs: 'Photographs',
    rated: 'Rated',
    onlyThis: 'Only this lens could',
    range: 'Mostly at',
    camera: 'Camera',
    month: 'Month',
    fNumber: 'F-number',
    iso: 'ISO',
    time: 'Exposure time',
    unknownLens: 'unknown lens',
    unknownCamera: 'unknown camera',
    upright: (percent: number) => `${formatPercent(percent)} portrait`,
    isoOf: (iso: number) => `ISO ${iso}`,
    timeOf: markedTime,
    byStretch: 'By stretch',
    byShooter: 'By shooter',
    stretch: 'Stretch',
    shooter: 'Shooter',
    noStretch: 'between stretches',
    noShooter: 'not said',
    byLens: 'By lens',
    byCamera: 'By camera',
    byMonth: 'By month',
    onlyNote:
      'What only this lens could: photographs that none of the other lenses you used would have made, at the same exposure time and within your ISO ceiling and crop.',
  },
  against: {
    title: 'Against the plan',
    pictures: 'Pictures, planned and taken',
    noFrames:
      'This outing lists no pictures. Add some on Brief, or make them from your photographs under New pictures.',
    picture: 'Picture',
    expected: 'Expected',
    had: 'Taken',
    photographs: 'Photographs',
    rated: 'Rated',
    cropped: 'To crop',
    withLens: 'With',
    missed: 'missed',
    summary: (count: number, outside: number, missed: number) =>
      `${counted(count, 'photograph')}: ${many(count - outside)} of the pictures you wanted, ${many(outside)} of something else. ${
        missed === 0 ? 'Nothing was missed.' : `${counted(missed, 'picture')} missed.`
      }`,
    howGiven:
      'Each photograph goes to the picture it fits best by time, place and framing. Correct it where that’s wrong.',
    lensesTitle: 'Lenses',
    neverUsed: (name: string, weight: string) => `${name} was carried and never used (${weight}).`,
    neverUsedUnknown: (name: string) => `${name} was carried and never used.`,
    notPlanned: (name: string, n: number) => `${name} wasn’t planned: ${counted(n, 'photograph')}.`,
    planNote:
      'The plan is the lineup as it stands now. Lock in what you carried on Lineup, so that later edits don’t change it.',
    allUsed: 'Every planned lens was used, and no other.',
    changesTitle: 'Lens changes',
    changes: (made: number, planned: number | null) =>
      planned === null
        ? `${counted(made, 'lensChange')} made.`
        : `${counted(made, 'lensChange')} made, ${many(planned)} planned.`,
    change: (when: string, camera: string, from: string, to: string) =>
      `${when}, ${camera}: ${from} → ${to}`,
    plannedChanges: 'Planned lens changes',
    heldNow:
      'Held against the lineup as it is now. If you carried it, keep it: later edits change nothing then.',
    heldCarried: (day: string, items: string) =>
      `Held against what you carried, kept on ${day}: ${items}.`,
    iCarriedThis: 'I carried this',
    letGo: 'Hold against the lineup as it is now',
    plannedChange: (stretch: string | null, camera: string, items: string) =>
      `Planned${stretch === null ? '' : ` in ${stretch}`}, ${camera}: → ${items}`,
    allChanges: (n: number) => `Show all ${many(n)}`,
    outsideTitle: 'Something else',
    outsideNone: 'Every photograph is one of the pictures you wanted.',
    photosOf: (name: string) => `Photographs of ${name}`,
    showPhotos: (name: string) => `Show the photographs of ${name}`,
    belongsTo: (file: string) => `${file} is`,
    somethingElse: 'something else',
    byHand: 'by hand',
    more: (n: number) => `… and ${counted(n, 'photograph')} more`,
    clockTitle: 'Clocks',
    clockOff: (camera: string, by: string, inside: number, now: number, count: number) =>
      `The ${camera}’s clock seems ${by}. Correcting it puts ${many(inside)} of ${counted(count, 'photograph')} inside a stretch, up from ${many(now)}.`,
    clockRange: (from: string, to: string) =>
      `Any correction from ${from} to ${to} works equally well.`,
    setClock: 'Correct it',
    clockSet: (camera: string, by: string) => `Added ${by} to the ${camera}’s clock.`,
    undo: 'Undo',
    slow: (time: string) => `${time} slow`,
    fast: (time: string) => `${time} fast`,
  },
  clock: {
    offset: (seconds: number) => {
      const all = Math.abs(Math.round(seconds));
      const [hours, minutes, rest] = [
        Math.floor(all / 3600),
        Math.floor((all % 3600) / 60),
        all % 60,
      ];
      const parts = [
        hours > 0 ? `${hours} h` : '',
        minutes > 0 ? `${minutes} min` : '',
        rest > 0 && hours === 0 ? `${rest} s` : '',
      ].filter((part) => part !== '');
      return parts.length === 0 ? '0 s' : parts.join(' ');
    },
  },
  hindsight: {
    title: 'Which lenses would have been enough',
    intro:
      'A photograph counts when a lens frames the same angle, or a wider one within your crop, and is as fast, or slower with an ISO within your ceiling at the same exposure time.',
    from: 'Choose from',
    owned: 'What I have',
    withWished: 'Wished things too',
    atLeast: 'Enough means',
    points: 'Most photographs for each number of lenses',
    lenses: 'Lenses',
    wouldHaveMade: 'Would have made',
    which: 'Which',
    lostWithout: 'Lost without it',
    proven: 'most possible (proven)',
    notProven: (bound: number) => `best found so far; at most ${many(bound)}`,
    enough: (names: readonly string[], percent: number, of: number) =>
      `${listOf(names)} would have been enough for ${formatPercent(percent)} of your ${counted(of, 'photograph')}.`,
    notEnough: (percent: number) =>
      `No lenses here would have taken ${formatPercent(percent)} of them.`,
    unmade: (n: number) => `None of them could have taken ${counted(n, 'photograph')}.`,
    unknown: (n: number) =>
      `Not counted because their files don’t give an angle of view: ${counted(n, 'photograph')}.`,
    chart: (n: number) => `Photographs that one to ${many(n)} lenses could have taken`,
    nothing: 'Nothing on the shelf would have made any of them. Add your gear first.',
    percent: (n: number) => formatPercent(n),
    lost: (name: string, share: string) => `${name}: ${share}`,
  },
  frames: {
    title: 'Pictures from your photographs',
    intro: 'Photographs that are alike in angle and light. Take those that you will want again.',
    groups: 'Groups of photographs that are alike',
    group: 'Photographs',
    share: 'Share',
    focal: 'Focal length',
    light: 'Light',
    stretch: 'Stretch',
    anyTime: 'outside the stretches',
    name: (focal: string, stretch: string) =>
      stretch === '' ? `At ${focal}` : `${stretch}, ${focal}`,
    nameOf: (name: string) => `Name of ${name}`,
    take: (n: number) =>
      n === 0 ? 'Add to the outing' : `Add ${counted(n, 'picture')} to the outing`,
    taken: (n: number) => `Added ${counted(n, 'picture')}. They are on Brief.`,
    undo: 'Undo',
    none: 'There are too few photographs that are alike.',
    unknownLight: 'unknown',
    choose: (name: string) => `Add ${name}`,
  },
  shares: {
    title: 'Shares from an earlier outing',
    intro:
      'How often each picture was really taken on an outing like this one. Pictures of the same name take its share.',
    outing: 'Outing',
    none: 'No other outing has photographs in the log yet.',
    picture: 'Picture',
    now: 'Expected now',
    then: 'Taken then',
    use: (n: number) => (n === 0 ? 'Use its shares' : `Use ${counted(n, 'share')}`),
    used: (n: number) =>
      `${counted(n, 'picture')} now ${n === 1 ? 'uses' : 'use'} that outing’s shares.`,
    undo: 'Undo',
    noneAlike: 'No picture of this outing has the name of one of that outing.',
  },
  lessons: {
    title: 'Lessons',
    none: 'Nothing stands out yet. Twenty photographs are needed at least.',
    figures: 'Figures',
    figuresOf: (lesson: string) => `Figures: ${lesson}`,
    notesOn: (outing: string) => `On ${outing}`,
    notes: 'Your notes',
    notesHint: 'Kept with this outing, and shown when you begin the next one like it.',
  },
  manage: {
    title: 'Your photographs',
    by: 'By',
    folder: 'folder',
    day: 'day',
    camera: 'camera',
    noTime: 'without a time',
    topFolder: 'no folder',
    remove: (name: string) => `Remove ${name} from the log`,
    removed: (n: number) =>
      `Removed ${counted(n, 'photograph')} from the log. The files are untouched.`,
    undo: 'Undo',
    count: (n: number) => counted(n, 'photograph'),
    exportTable: 'Export as a table',
    clocks: 'Clocks',
    clockOf: (camera: string) => `Add to the clock of ${camera}`,
    seconds: 's',
    gear: 'Cameras and lenses',
    isOnShelf: (name: string) => `${name} is`,
    none: 'none on the shelf',
    found: (name: string) => `${name} (recognised)`,
  },
  nameless: {
    madeWith: (camera: string) => `Lenses you use on ${camera}`,
    why: (photographs: number) =>
      `${counted(photographs, 'photograph')} from this camera ${photographs === 1 ? 'names' : 'name'} no lens: its name may stand in the maker’s notes alone, which aren’t read. Say once which lenses you used; each photograph goes to the one that has its focal length and f-number.`,
    could: (lens: string, photographs: number) => `${lens}, possible for ${many(photographs)}`,
    noneFits: 'No lens on your shelf has their focal lengths.',
    told: (told: number, of: number) =>
      told === of
        ? `All ${many(of)} are told apart.`
        : `${many(told)} of ${many(of)} are told apart; the rest could be of several of these lenses, or of none.`,
    tellNone: (photographs: number) =>
      `${counted(photographs, 'photograph')} ${photographs === 1 ? 'names' : 'name'} no lens.`,
    say: 'Say which lenses you used',
  },
} as const;

/** A lesson in a sentence. */
export function lessonText(lesson: Lesson, name: (id: string) => string, seen: string): string {
  switch (lesson.code) {
    case 'never-used':
      return lesson.weightG === null
        ? `${name(lesson.lensId)} never left the bag.`
        : `${name(lesson.lensId)} never left the bag; it weighs ${formatWeight(lesson.weightG)}.`;
    case 'hardly-used':
      return lesson.weightG === null
        ? `${name(lesson.lensId)} made ${many(lesson.count)} of ${counted(lesson.of, 'photograph')}.`
        : `${name(lesson.lensId)} made ${many(lesson.count)} of ${counted(lesson.of, 'photograph')}; it weighs ${formatWeight(lesson.weightG)}.`;
    case 'workhorse':
      return `${lesson.lensId === null ? seen : name(lesson.lensId)} made ${formatPercent(lesson.percent)} of the photographs.`;
    case 'kept-by':
      return `${name(lesson.lensId)} made ${formatPercent(lesson.percent)} of those you rated, but only ${formatPercent(lesson.usedPercent)} of all.`;
    case 'enough':
      return `${listOf(lesson.itemIds.map(name))} would have made ${formatPercent(lesson.percent)} of them; you ${lesson.planned ? 'carried' : 'used'} ${counted(lesson.carried, 'lens')}.`;
    case 'one-end':
      return `${name(lesson.lensId)} was at its ${lesson.end === 'wide' ? 'wide' : 'long'} end for ${formatPercent(lesson.percent)} of its photographs.`;
    case 'missed':
      return `Missed: ${listOf(lesson.frameIds.map(name))}.`;
    case 'outside':
      return `${many(lesson.count)} of ${counted(lesson.of, 'photograph')} are of something you hadn’t listed.`;
    case 'more-changes':
      return `You changed lenses ${many(lesson.made)} times; the plan needed ${many(lesson.planned)}.`;
  }
}
