import { VERSIONS } from './migrations';
import { DEFAULT_LIMITS, DEFAULT_PACKING, outingId } from '@/core/brief';
import { EMPTY_GROUND } from '@/core/ground';
import { FILE_FORMAT, type OutingFile } from './outingFile';

/** An outing with nothing in it yet; who starts one names it. */
export const EMPTY_OUTING: OutingFile = {
  format: FILE_FORMAT,
  version: VERSIONS.outing,
  outing: {
    id: outingId.parse('outing'),
    name: '–',
    place: '',
    firstDay: null,
    lastDay: null,
    currency: 'EUR',
    shooters: [],
    note: '',
    genre: null,
    lessons: '',
  },
  frames: [],
  stretches: [],
  shelf: { mounts: [], bodies: [], lenses: [], converters: [], tubes: [], adapters: [] },
  limits: DEFAULT_LIMITS,
  packing: DEFAULT_PACKING,
  ground: EMPTY_GROUND,
  ties: null,
};
