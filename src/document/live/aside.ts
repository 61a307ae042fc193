import type { Refusal } from '../reading';
import type { Stores } from './keyValue';

/** What it takes of the host. */
interface Keeping {
  readonly stores: Stores;
  readonly newId: () => string;
  /** ms since 1970. */
  readonly now: () => number;
}

/** Why a text was set aside. */
export type AsideReason =
  | { readonly code: 'damaged' | 'unsaved' | 'overtaken' }
  | { readonly code: 'refused'; readonly refusal: Refusal };

/** A text that could not be read, kept until the person says otherwise. */
export interface Aside {
  /** What it was: an outing, the shelf, the settings. */
  readonly what: string;
  readonly name: string;
  readonly text: string;
  /** Earlier versions stored a sentence. */
  readonly reason: AsideReason | string;
  /** ms since 1970. */
  readonly at: number;
}
export interface AsideEntry extends Aside {
  readonly id: string;
}

/** Keeps a text that could not be read beside all that were before; the same one only once. */
export async function setAside(
  { stores, newId, now }: Keeping,
  aside: Omit<Aside, 'at'>,
): Promise<void> {
  const known = await stores.aside.entries<Aside>();
  if (known.some(([, other]) => other.text === aside.text)) return;
  await stores.aside.set(newId(), { ...aside, at: now() } satisfies Aside);
}

/** All that could not be read, oldest first. */
export async function asides({ stores }: Pick<Keeping, 'stores'>): Promise<AsideEntry[]> {
  const found = await stores.aside.entries<Aside>();
  return found.map(([id, aside]) => ({ id, ...aside })).sort((a, b) => a.at - b.at);
}
