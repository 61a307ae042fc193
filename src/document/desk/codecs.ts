import type * as z from 'zod';
import type { Result } from '@/core/result';
import { migrate, VERSIONS } from '../migrations';
import { type DocumentKind, readText, type Refusal, writeText } from '../reading';
import { EMPTY_OUTING } from '../emptyOuting';
import { salvaged } from '../salvage';
import {
  DEFAULT_SETTINGS,
  EMPTY_SHELF,
  type PersonalShelf,
  personalShelf,
  type Settings,
  settings,
} from './personal';
import { planAlone } from './newPlan';
import { type Plan, plan } from './plan';

/** How one kind of document is written as text and read again. */
export interface Codec<T> {
  readonly read: (text: string) => Result<T, Refusal>;
  readonly write: (value: T) => string;
  /** What can be read of a text that cannot be read as a whole; null for nothing. */
  readonly salvage: (text: string) => T | null;
}

const HEAD = new Set(['format', 'version']);

/** The text of a schema's values, with its head first. */
function codecOf<T extends object>(
  document: DocumentKind,
  schema: z.ZodType<T> & { readonly shape: Readonly<Record<string, unknown>> },
  usual: T,
): Codec<T> {
  const format = `armreach-${document}`;
  const version = VERSIONS[document];
  const withoutHead = (value: unknown, of: number) =>
    Object.fromEntries(
      Object.entries(migrate(document, value, of) as object).filter(([key]) => !HEAD.has(key)),
    );
  const whole = { document, format, version, schema, migrate: withoutHead };
  return {
    read: (text) => readText(text, whole),
    salvage: (text) => {
      try {
        const value = JSON.parse(text) as { readonly version?: unknown };
        return salvaged(withoutHead(value, Number(value.version) || version), schema, usual);
      } catch {
        return null;
      }
    },
    // In the order of the schema, so that one state has one text however it came about.
    write: (value) =>
      writeText({
        format,
        version,
        ...Object.fromEntries(Object.keys(schema.shape).map((key) => [key, value[key as keyof T]])),
      }),
  };
}

/** An outing's own part, as it is stored in the browser; where it cannot be read, an empty one. */
export const planCodec: Codec<Plan> = codecOf(
  'plan',
  plan,
  planAlone(EMPTY_OUTING, DEFAULT_SETTINGS),
);

/** The person's shelf, as it is stored and exported. */
export const shelfCodec: Codec<PersonalShelf> = codecOf('shelf', personalShelf, EMPTY_SHELF);

/** The person's settings, as they are stored and exported. */
export const settingsCodec: Codec<Settings> = codecOf('settings', settings, DEFAULT_SETTINGS);
