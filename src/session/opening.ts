import {
  type Codec,
  decode,
  DEFAULT_SETTINGS,
  type Desk,
  EMPTY_SHELF,
  type OutingFile,
  planAlone,
  planCodec,
  settingsCodec,
  shelfCodec,
} from '@/document';
import {
  allOutings,
  type BrowserHost,
  hasLeftBehind,
  hasOldStorage,
  type Keeper,
  named,
  openPersonal,
  openPlanOrNewer,
  type OutingKey,
  type Personal,
  type RecordKey,
  recordAt,
} from '@/document/live';
import { refusalText, sessionText } from '@/text';
import { lastOpen, rememberOpen } from './whichOuting';

const DEMO_ADDRESS = '/api/demo';
/** The demo that a first visit opens, one for all tabs. */
const FIRST_DEMO: OutingKey = 'outing:demo';
/** Set once something is stored: an answer at once, to be relied on only for haste. */
const STORED = named('arm-reach-stored');

const TEXTS: Readonly<Record<'settings' | 'shelf', unknown>> = {
  settings: settingsCodec,
  shelf: shelfCodec,
};
const textOfKey = (key: RecordKey) =>
  (key === 'settings' || key === 'shelf' ? TEXTS[key] : planCodec) as Codec<unknown>;

/** What was found to open. */
export interface Found {
  readonly opened: boolean;
  readonly personal?: Personal;
  readonly restored?: boolean;
  /** Names of outings that only a newer Arm Reach can read. */
  readonly passedOver?: readonly string[];
  readonly refused?: unknown;
}

/** Opens what is stored: what this tab had open, else what was opened last, else the newest. */
export async function openStored(
  host: BrowserHost,
  keeper: Keeper,
  isWanted: () => boolean,
): Promise<Found> {
  if (await hasOldStorage(host)) await (await import('@/document/old')).takeOverOldStorage(host);
  if (hasLeftBehind()) await (await import('@/document/old')).takeLeftBehind(host, textOfKey);
  const personal = await openPersonal(host);
  const { shelf, settings, seen } = personal;
  const tried = new Set<OutingKey>();
  /** Outings that only a newer Arm Reach can read: another is opened. */
  const newer = new Set<OutingKey>();
  const tryOpen = async (key: OutingKey) => {
    if (tried.has(key)) return false;
    tried.add(key);
    const stored = await openPlanOrNewer(host, key);
    if (stored === 'newer') newer.add(key);
    if (stored === 'newer' || stored === null || !isWanted()) return false;
    keeper.open(
      key,
      { plan: stored.value, shelf, settings },
      new Map([...seen, [key, stored.seen]]),
    );
    rememberOpen(key);
    return stored.restored ? 'restored' : true;
  };
  const found = async (keys: readonly OutingKey[]) => {
    for (const key of keys) {
      const opened = await tryOpen(key);
      if (opened !== false) return opened;
    }
    return false;
  };
  const opened =
    (await found(await notDeleted(host, lastOpen()))) ||
    (await found((await allOutings(host)).filter((e) => e.deletedAt === null).map((e) => e.key)));
  const restored = opened === 'restored' || personal.restored;
  const entries = newer.size > 0 ? await allOutings(host) : [];
  const passedOver = entries.filter(({ key }) => newer.has(key)).map(({ name }) => name);
  return { opened: opened !== false, personal, restored, passedOver };
}

async function notDeleted(host: BrowserHost, keys: readonly OutingKey[]): Promise<OutingKey[]> {
  const records = await Promise.all(keys.map((key) => recordAt(host.stores, key)));
  return keys.filter((_, i) => records[i]?.deletedAt === null);
}

/** Opens the demo beside what is stored. */
export async function openDemo(
  keeper: Keeper,
  file: OutingFile,
  { personal }: Found,
): Promise<void> {
  const { shelf, settings } = personal ?? { shelf: EMPTY_SHELF, settings: DEFAULT_SETTINGS };
  const seen = personal?.seen ?? new Map();
  const plan = planAlone(file, settings);
  const desk: Desk = { plan, shelf, settings };
  keeper.open(
    FIRST_DEMO,
    desk,
    new Map([...seen, [FIRST_DEMO, { revision: 0, value: { ...plan } }]]),
  );
  rememberOpen(FIRST_DEMO);
}

/** Whether nothing seems to be stored yet. */
export function seemsEmpty(): boolean {
  try {
    return localStorage.getItem(STORED) === null;
  } catch {
    return true;
  }
}

/** Remembers that something is stored. */
export function markStored(): void {
  try {
    localStorage.setItem(STORED, 'yes');
  } catch {
    // Without it the next visit only takes a little longer.
  }
}

/**
 * The demo outing.
 *
 * @throws Error, in words, where the server doesn't give it
 */
export async function fetchDemo(): Promise<OutingFile> {
  const response = await fetch(DEMO_ADDRESS);
  if (!response.ok) throw new Error(sessionText.session.theDemoOutingCouldNot(response.status));
  const read = decode(await response.text());
  if (!read.ok) throw new Error(refusalText(read.error));
  return read.value;
}
