import localforage from 'localforage';
import { sourceOf } from '@/core/gear';
import { decode } from '../codec';
import {
  type Compared,
  DEFAULT_SETTINGS,
  EMPTY_SHELF,
  type PersonalShelf,
  planCodec,
  settingsCodec,
  shelfCodec,
  takenIn,
  type Taking,
  usualTaking,
} from '../desk';
import type { OutingFile } from '../outingFile';
import { setAside } from './aside';
import type { KeyValue } from './keyValue';
import { OLD_DATABASE, OLD_DONE, OLD_KEPT } from './oldPlaces';
import type { Host, OutingKey, RecordKey, StoredRecord } from './stored';
import { keepVersion } from './versions';

/**
 * What this browser stored before each outing had a record of its own: the open outing under one key,
 * the others under theirs, and each with a shelf of its own. It is read, and left as it is.
 */
const OUTING = 'outing:';
/** The outing that came with the application; its gear is nobody's. */
const DEMO_OUTING = 'lantern-regatta';

type Old = Pick<KeyValue, 'get' | 'keys'>;

/** Takes over what an earlier version stored, once; a kill in between loses and doubles nothing. */
export async function takeOverOldStorage(host: Host): Promise<void> {
  await takeOver(host, oldStore(), localStorage.getItem(OLD_KEPT));
  await host.stores.records.set(OLD_DONE, host.now());
}

function oldStore(): Old {
  const db = localforage.createInstance({ name: OLD_DATABASE, storeName: 'outings' });
  return { get: (key) => db.getItem(key), keys: () => db.keys() };
}

interface OldText {
  readonly key: OutingKey;
  readonly text: string;
  readonly savedAt: number;
}

/** The open outing first: its figures are the newest, so they are the shelf's. */
export async function takeOver(host: Host, old: Old, kept: string | null): Promise<void> {
  const aside = await old.get<{ text: string; reason: string }>('set-aside');
  if (aside) await setAside(host, { what: 'outing', name: 'Outing', ...aside });
  const openKey: OutingKey = `outing:${(await old.get<string>('open-id')) ?? 'first'}`;
  let shelf: PersonalShelf = EMPTY_SHELF;
  const files: (OldText & { readonly file: OutingFile })[] = [];
  for (const one of await oldTexts(old, openKey, kept)) {
    const read = decode(one.text);
    if (!read.ok)
      await setAside(host, {
        what: one.key,
        name: 'Outing',
        text: one.text,
        reason: { code: 'refused', refusal: read.error },
      });
    else if (files.some((f) => f.key === one.key))
      await keepVersion(
        host.stores.versions,
        one.key,
        recordOf(host, one, read.value, shelf, 0),
        one.savedAt,
        true,
      );
    else files.push({ ...one, file: read.value });
  }
  for (const { file } of files)
    shelf = takenIn(file, { shelf, settings: DEFAULT_SETTINGS }, takingFor(file)).shelf;
  const [newest] = files;
  if (!newest) return;
  const currency = newest.file.outing.currency;
  const units = localStorage.getItem('arm-reach-units') === 'imperial' ? 'imperial' : 'metric';
  const settings = { ...DEFAULT_SETTINGS, currency, units } as const;
  await putOnce(host, 'settings', 'Settings', settingsCodec.write(settings));
  await putOnce(host, 'shelf', 'Shelf', shelfCodec.write(shelf));
  for (const one of files) {
    const record = recordOf(host, one, one.file, shelf, 1);
    await putOnce(host, one.key, record.name, record.text, one.savedAt);
  }
}

/** The texts of outings in the order in which they count: of one that stands twice the newer first. */
async function oldTexts(old: Old, openKey: OutingKey, kept: string | null): Promise<OldText[]> {
  const entries = (await old.get<readonly { id: string; savedAt: number }[]>('library')) ?? [];
  const savedAt = new Map(entries.map((e) => [`${OUTING}${e.id}`, e.savedAt]));
  const newest = Math.max(1, ...savedAt.values());
  const open = [kept, await old.get<string>('current-outing')].flatMap((text) =>
    text === null ? [] : [{ key: openKey, text, savedAt: newest + 1 }],
  );
  const others: OldText[] = [];
  for (const key of await old.keys()) {
    const text = key.startsWith(OUTING) ? await old.get<string>(key) : null;
    if (text !== null) others.push({ key: key as OutingKey, text, savedAt: savedAt.get(key) ?? 1 });
  }
  return [...open, ...others.sort((a, b) => b.savedAt - a.savedAt)];
}

/** Gear comes onto the shelf as it stood in the outing; the demo's is nobody's. */
function takingFor(file: OutingFile): (compared: Compared) => Taking {
  if (file.outing.id === DEMO_OUTING) return usualTaking;
  return (compared) => {
    return compared.mine ? usualTaking(compared) : sourceOf(compared.theirs.ownership);
  };
}

function recordOf(
  host: Host,
  { savedAt }: OldText,
  file: OutingFile,
  shelf: PersonalShelf,
  revision: number,
): StoredRecord {
  const { plan } = takenIn(file, { shelf, settings: DEFAULT_SETTINGS });
  return {
    revision,
    stateId: host.newId(),
    name: file.outing.name,
    createdAt: savedAt,
    savedAt,
    deletedAt: null,
    text: planCodec.write(plan),
  };
}

async function putOnce(
  host: Host,
  key: RecordKey,
  name: string,
  text: string,
  savedAt = host.now(),
) {
  await host.lock(key, async () => {
    if ((await host.stores.records.get(key)) !== null) return;
    const record: StoredRecord = {
      revision: 1,
      stateId: host.newId(),
      name,
      createdAt: savedAt,
      savedAt,
      deletedAt: null,
      text,
    };
    await host.stores.records.set(key, record);
  });
}
