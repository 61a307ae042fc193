import {
  type Frame,
  frameId,
  type Need,
  NOTHING_SPECIAL,
  type Output,
  SUBJECTS,
} from '@/core/brief';
import { freshId } from './freshId';
import type { ShotLine } from './formats/shotList';

const SUBJECT: Extract<Need, { kind: 'subject' }> = {
  kind: 'subject',
  widthM: null,
  heightM: 1.8,
  fromM: 4,
  toM: 8,
  fill: { min: 0.5, max: 0.9 },
  orientation: 'either',
  footing: 'free',
};

/** A starting need of each kind, for when the kind of a frame is changed. */
export const STARTING_NEEDS: Readonly<Record<Need['kind'], Need>> = {
  subject: SUBJECT,
  far: {
    kind: 'far',
    widthDeg: 60,
    heightDeg: null,
    fill: { min: 0.85, max: 1 },
    orientation: 'landscape',
  },
  focal: { kind: 'focal', fromMm: 24, toMm: 70, footing: 'held', atM: null },
  fisheye: { kind: 'fisheye', coverage: 'full-frame' },
  angle: {
    kind: 'angle',
    fromDeg: 84,
    toDeg: 34,
    across: 'diagonal',
    footing: 'held',
    atM: null,
  },
};

export const STARTING_OUTPUTS: Readonly<Record<Output['kind'], Output>> = {
  uncropped: { kind: 'uncropped' },
  pixels: { kind: 'pixels', longPx: 3000, shortPx: 2000, cut: false },
  print: { kind: 'print', longMm: 300, shortMm: 200, dpi: 300, cut: true },
};

/** Blur that is seen as such, of what is some way behind the subject. Common practice, no source. */
const STARTING_BLUR = { behindM: 8, percent: 1 };

/** A first state that already makes sense: one standing person in cloudy light. */
export function newFrame(frames: readonly Frame[], name: string): Frame {
  return freshFrame(new Set<string>(frames.map((f) => f.id)), name);
}

function freshFrame(taken: ReadonlySet<string>, name: string): Frame {
  return {
    id: frameId.parse(freshId('frame', taken)),
    name,
    want: 'want',
    sharePercent: null,
    need: SUBJECT,
    distanceKnown: true,
    stretchIds: [],
    shooterIds: [],
    views: [],
    standpoints: [],
    subject: 'standingPerson',
    twice: null,
    depth: { sharp: null, blur: null },
    special: NOTHING_SPECIAL,
    light: {
      source: { kind: 'ev', ev100: 13 },
      isoCeiling: null,
      longestTimeS: null,
      shortestTimeS: null,
      support: 'hand',
      movement: null,
      stars: null,
      flash: null,
    },
    output: STARTING_OUTPUTS.pixels,
    note: '',
  };
}

/**
 * Frames from the lines of a shot list: a standing person in cloudy light where the line says no more. What
 * has a size of its own, a room or a ring, is no person.
 */
export function framesOfLines(lines: readonly ShotLine[], frames: readonly Frame[]): Frame[] {
  const added: Frame[] = [];
  const taken = new Set<string>(frames.map((f) => f.id));
  for (const { name, want, fromM, toM, ...words } of lines) {
    const { scene, subject, longestTimeS, sharePercent, blur } = words;
    const fresh = freshFrame(taken, name);
    taken.add(fresh.id);
    const { widthM, heightM } = SUBJECTS.find((s) => s.key === subject) ?? SUBJECT;
    const sized = { ...SUBJECT, widthM, heightM };
    const need = fromM === null || toM === null ? sized : { ...sized, fromM, toM };
    const light = {
      ...fresh.light,
      ...(scene && { source: { kind: 'scene' as const, scene } }),
      ...(longestTimeS && { longestTimeS }),
    };
    added.push({
      ...fresh,
      want,
      need,
      light,
      distanceKnown: fromM !== null,
      sharePercent,
      depth: { ...fresh.depth, blur: blur ? STARTING_BLUR : null },
      subject: subject ?? fresh.subject,
    });
  }
  return added;
}

export function copyOfFrame(frame: Frame, frames: readonly Frame[], name: string): Frame {
  const taken = new Set<string>(frames.map((f) => f.id));
  return {
    ...frame,
    id: frameId.parse(freshId(frame.id, taken)),
    name: name.slice(0, 120),
  };
}
