import { XMLBuilder } from 'fast-xml-parser';
import { ev100OfSource, type Frame, isInSight, type Stretch } from '@/core/brief';
import { type Body, type Lens, widestFNumber } from '@/core/gear';
import { cropFactor, lengthPerDistance } from '@/core/optics';
import type { OutingFile } from '../outingFile';
import { jpegOf, type Shot } from './jpeg';
import { type Chances, chances, toThird } from './random';

/** A file on the simulated card. */
export interface CardFile {
  readonly path: string;
  readonly bytes: Uint8Array<ArrayBuffer>;
}

/** What the simulated photographer meant, to check what is made of the files. */
export interface Intent {
  readonly path: string;
  /** The wanted picture; null for none of them. */
  readonly frameId: string | null;
}

export interface SimulatedCard {
  readonly files: readonly CardFile[];
  readonly intents: readonly Intent[];
}

/** How the simulated day went: what was photographed with what, and how often. */
interface Habit {
  readonly frameId: string;
  readonly bodyId: string;
  readonly lensId: string;
  readonly photos: number;
}

/** The regatta as it was made: one wanted picture missed (the oarlock), one planned lens never taken out. */
const HABITS: readonly Habit[] = [
  { frameId: 'f01', bodyId: 't20', lensId: 't-16-55', photos: 46 },
  { frameId: 'f02', bodyId: 't20', lensId: 't-16-55', photos: 62 },
  { frameId: 'f03', bodyId: 'k1', lensId: 'k-70-300', photos: 84 },
  { frameId: 'f04', bodyId: 'k1', lensId: 'k-70-300', photos: 58 },
  { frameId: 'f05', bodyId: 't20', lensId: 't-16-55', photos: 40 },
  { frameId: 'f06', bodyId: 't20', lensId: 't-10-24', photos: 18 },
  { frameId: 'f07', bodyId: 't20', lensId: 't-16-55', photos: 34 },
  { frameId: 'f09', bodyId: 't20', lensId: 't-16-55', photos: 48 },
  { frameId: 'f10', bodyId: 't20', lensId: 't-16-55', photos: 44 },
  { frameId: 'f11', bodyId: 'k1', lensId: 'k-50', photos: 52 },
  { frameId: 'f12', bodyId: 't20', lensId: 't-10-24', photos: 22 },
  { frameId: 'f13', bodyId: 't20', lensId: 't-16-55', photos: 38 },
  { frameId: 'f14', bodyId: 'k1', lensId: 'k-70-300', photos: 18 },
  { frameId: 'f15', bodyId: 'k1', lensId: 'k-50', photos: 34 },
  { frameId: 'f16', bodyId: 't20', lensId: 't-10-24', photos: 16 },
  { frameId: 'f17', bodyId: 'k1', lensId: 'k-70-300', photos: 6 },
];

const SEED = 20_270_612;
const ZONE = '+02:00';
/** One camera's clock is behind. */
const SLOW_CLOCK = { bodyId: 't20', byMs: 4 * 60_000 } as const;
/** Folders of the two cards. */
const FOLDERS: Readonly<Record<string, string>> = { k1: 'DCIM/101RIVER', t20: 'DCIM/100RIVER' };
/** Photographs of none of the wanted pictures: breakfast, a dog, the road home. */
const OUTSIDE_PHOTOS = 14;
const DAMAGED_FILES = 5;

/** A moment with what was photographed in it, before files get their numbers. */
interface Taken {
  readonly atMs: number;
  readonly bodyId: string;
  readonly frameId: string | null;
  readonly shot: Shot;
}

/** The card of the demo outing, made on the spot: the same files every time. */
export function simulatedCard(demo: OutingFile): SimulatedCard {
  const random = chances(SEED);
  const taken = [
    ...HABITS.flatMap((habit) => photosOf(habit, demo, random)),
    ...outsidePhotos(demo, random),
  ].sort((a, b) => a.atMs - b.atMs || (a.bodyId < b.bodyId ? -1 : 1));
  const numbers = new Map<string, number>();
  const files: CardFile[] = [];
  const intents: Intent[] = [];
  for (const { bodyId, frameId, shot } of taken) {
    const number = (numbers.get(bodyId) ?? 100) + 1;
    numbers.set(bodyId, number);
    const path = `${FOLDERS[bodyId] ?? 'DCIM'}/RIV_${String(number).padStart(4, '0')}.JPG`;
    files.push({ path, bytes: jpegOf(shot) });
    intents.push({ path, frameId });
  }
  return { files: [...files, ...damaged(files, random), ...besides(files)], intents };
}

/** Files that a card lost: cut short, or with bytes changed where their data stand. */
function damaged(files: readonly CardFile[], random: Chances): CardFile[] {
  return Array.from({ length: DAMAGED_FILES }, (_, i) => {
    const { bytes } = files[random.whole(0, files.length - 1)] ?? { bytes: new Uint8Array(0) };
    const path = `DCIM/100RIVER/LOST${String(i + 1).padStart(4, '0')}.JPG`;
    if (i % 2 === 0) return { path, bytes: bytes.slice(0, random.whole(16, 60)) };
    const changed = bytes.slice();
    changed.fill(0xff, 12, 60);
    return { path, bytes: changed };
  });
}

const utf8 = new TextEncoder();

/** What a raw developer writes beside a file. */
const RATED = new XMLBuilder({ ignoreAttributes: false, attributeNamePrefix: '@' }).build({
  'x:xmpmeta': {
    '@xmlns:x': 'adobe:ns:meta/',
    'rdf:RDF': {
      '@xmlns:rdf': 'http://www.w3.org/1999/02/22-rdf-syntax-ns#',
      'rdf:Description': {
        '@xmlns:xmp': 'http://ns.adobe.com/xap/1.0/',
        '@xmp:Rating': '5',
        '@xmp:Label': 'Print',
      },
    },
  },
});

/** What else lies on a card: a list that the camera keeps, and ratings beside two files. */
function besides(files: readonly CardFile[]): CardFile[] {
  const rated = files.filter((_, i) => i === 20 || i === 300);
  return [
    { path: 'MISC/AUTPRINT.MRK', bytes: utf8.encode('[HDR]\r\nGEN REV = 01.10\r\n') },
    ...rated.map(({ path }) => ({
      path: path.replace(/\.JPG$/, '.xmp'),
      bytes: utf8.encode(RATED),
    })),
  ];
}

/** The photographs of one wanted picture, in bursts over the stretches that it belongs to. */
function photosOf(habit: Habit, demo: OutingFile, random: Chances): Taken[] {
  const frame = demo.frames.find((f) => f.id === habit.frameId);
  const body = demo.shelf.bodies.find((b) => b.id === habit.bodyId);
  const lens = demo.shelf.lenses.find((l) => l.id === habit.lensId);
  if (!frame || !body || !lens) return [];
  const stretches = demo.stretches.filter(
    (s) => frame.stretchIds.includes(s.id) || (frame.stretchIds.length === 0 && s.changes),
  );
  const taken: Taken[] = [];
  while (taken.length < habit.photos) {
    const stretch = stretches[random.whole(0, stretches.length - 1)];
    if (!stretch) return taken;
    const there = fromThere(frame, stretch);
    const view = viewOf(there, body, lens, random);
    const start = momentIn(stretch, random);
    const burst = Math.min(random.whole(1, 5), habit.photos - taken.length);
    for (let i = 0; i < burst; i += 1) {
      const atMs = start + i * random.whole(250, 1800);
      const shot = shotOf({ atMs, view, frame: there, body, lens }, random);
      taken.push({ atMs, bodyId: body.id, frameId: frame.id, shot });
    }
  }
  return taken;
}

/** A frame as it is from the first station that sees it in a stretch, where it is measured. */
function fromThere(frame: Frame, { id }: Stretch): Frame {
  const { need } = frame;
  const from = frame.standpoints.find(
    (s) => isInSight(frame, s) && (s.stretchIds.length === 0 || s.stretchIds.includes(id)),
  );
  return from && need.kind === 'subject'
    ? { ...frame, need: { ...need, fromM: from.fromM, toM: from.toM } }
    : frame;
}

const EARLY_SHARE = 0.12;
const EARLY_MS = 5 * 60_000;

function momentIn({ day, fromTime, toTime }: Stretch, random: Chances): number {
  const from = Date.parse(`${day}T${fromTime}:00Z`);
  const to = Date.parse(`${day}T${toTime}:00Z`);
  // The first minutes of everything are photographed most.
  const last = random.share() < EARLY_SHARE ? from + EARLY_MS : to - 10_000;
  return Math.round(random.between(from, last));
}

interface View {
  readonly focalMm: number;
  readonly subjectM: number | null;
  readonly upright: boolean;
}

/** How the photographer framed it: a distance, a fill, and the focal length that follows. */
function viewOf({ need }: Frame, body: Body, lens: Lens, random: Chances): View {
  const { wideMm, longMm } = lens.focal;
  const { widthMm, heightMm } = body.sensor;
  const within = (mm: number) => Math.min(longMm, Math.max(wideMm, mm));
  if (need.kind === 'subject') {
    const upright =
      need.orientation === 'portrait' || (need.orientation === 'either' && random.share() < 0.6);
    const [across, up] = upright ? [heightMm, widthMm] : [widthMm, heightMm];
    const subjectM = random.ratioBetween(need.fromM, need.toM);
    const fill = random.between(need.fill.min, need.fill.max);
    const magnification = Math.min(
      need.widthM === null ? Infinity : (fill * across) / (1000 * need.widthM),
      need.heightM === null ? Infinity : (fill * up) / (1000 * need.heightM),
    );
    const focal = (1000 * subjectM * magnification) / (1 + magnification) ** 2;
    return { focalMm: within(focal), subjectM, upright };
  }
  if (need.kind === 'far' && need.widthDeg !== null) {
    const fill = random.between(need.fill.min, need.fill.max);
    const focal = (fill * widthMm) / lengthPerDistance(need.widthDeg);
    return { focalMm: within(focal), subjectM: null, upright: false };
  }
  if (need.kind === 'angle') {
    const side =
      need.across === 'width'
        ? widthMm
        : need.across === 'height'
          ? heightMm
          : Math.hypot(widthMm, heightMm);
    const angle = random.between(need.toDeg, need.fromDeg);
    return { focalMm: within(side / lengthPerDistance(angle)), subjectM: null, upright: false };
  }
  return { focalMm: within(random.ratioBetween(wideMm, longMm)), subjectM: null, upright: false };
}

interface Made {
  readonly atMs: number;
  readonly view: View;
  readonly frame: Frame;
  readonly body: Body;
  readonly lens: Lens;
}

/** The exposure follows from the light, a little off, at a time that suits the picture. */
function shotOf({ atMs, view, frame, body, lens }: Made, random: Chances): Shot {
  const ev = random.around(ev100OfSource(frame.light.source) ?? 12, 0.5);
  const widest = widestFNumber(lens.apertures, view.focalMm);
  const stopsDown = ev > 9 ? random.between(0, 2) : 0;
  const fNumber = Math.round(10 * widest * 2 ** (stopsDown / 2)) / 10;
  const longest = frame.light.longestTimeS ?? 1 / 60;
  // By day the time follows from ISO 200; in poor light the longest time is used and the ISO follows.
  const timeS = toThird(Math.min(longest, (fNumber * fNumber) / (2 * 2 ** ev)));
  const iso = Math.round(
    Math.max(100, Math.min(12_800, toThird((100 * fNumber * fNumber) / (timeS * 2 ** ev)))),
  );
  return {
    clockMs: atMs - (body.id === SLOW_CLOCK.bodyId ? SLOW_CLOCK.byMs : 0),
    zone: ZONE,
    body: { make: body.maker, model: body.name, serial: `${body.id.toUpperCase()}-0417` },
    lens: {
      make: lens.maker,
      model: lens.name,
      range: [
        lens.focal.wideMm,
        lens.focal.longMm,
        widestFNumber(lens.apertures, lens.focal.wideMm),
        widestFNumber(lens.apertures, lens.focal.longMm),
      ],
    },
    focalMm: Math.round(view.focalMm * 10) / 10,
    equivalentMm: view.focalMm * cropFactor(body.sensor),
    fNumber,
    timeS,
    iso,
    // Lenses tell the distance only roughly, and not all of them.
    subjectM:
      view.subjectM === null || random.share() < 0.4
        ? null
        : view.subjectM * 2 ** random.around(0, 0.15),
    widthPx: body.sensor.pixelsWide ?? 6000,
    heightPx: body.sensor.pixelsHigh ?? 4000,
    upright: view.upright,
    rating: random.share() < 0.22 ? random.whole(1, 5) : 0,
  };
}

/** Photographs that nobody had planned, between and beside the stretches. */
function outsidePhotos(demo: OutingFile, random: Chances): Taken[] {
  const body = demo.shelf.bodies.find((b) => b.id === 'k1');
  const lens = demo.shelf.lenses.find((l) => l.id === 'k-50');
  const [day] = demo.stretches.flatMap((s) => s.day ?? []);
  const [frame] = demo.frames;
  if (!body || !lens || day === undefined || !frame) return [];
  const times = ['07:40', '12:42', '16:20', '19:10'];
  return Array.from({ length: OUTSIDE_PHOTOS }, (_, i) => {
    const atMs = Date.parse(`${day}T${times[i % times.length]}:00Z`) + random.whole(0, 300_000);
    const view: View = {
      focalMm: 50,
      subjectM: random.ratioBetween(0.6, 4),
      upright: random.share() < 0.5,
    };
    const shot = shotOf({ atMs, view, frame, body, lens }, random);
    return { atMs, bodyId: body.id, frameId: null, shot };
  });
}
