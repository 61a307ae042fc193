import type * as z from 'zod';
import type { Result } from '@/core/result';
import { migratePlan, PLAN_VERSION, withLoans } from '../migrations';
import { type DocumentFormat, readText, type Refusal, writeText } from '../reading';
import { EMPTY_OUTING } from '../emptyOuting';
import { salvaged } from '../salvage';
import {
  DEFAULT_NEXT,
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
  { format, version }: { readonly format: string; readonly version: number },
  rest: Pick<DocumentFormat<T>, 'document' | 'migrate'>,
  schema: z.ZodType<T> & { readonly shape: Readonly<Record<string, unknown>> },
  usual: T,
): Codec<T> {
  const { migrate } = rest;
  const withoutHead = (value: unknown, of: number) =>
    Object.fromEntries(
      Object.entries(migrate(value, of) as object).filter(([key]) => !HEAD.has(key)),
    );
  const whole = { ...rest, format, version, schema, migrate: withoutHead };
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

/** In the place of what cannot be read of a plan. */
const EMPTY_PLAN = planAlone(EMPTY_OUTING, DEFAULT_SETTINGS);

/** An outing's own part, as it is stored in the browser. */
export const planCodec: Codec<Plan> = codecOf(
  { format: 'armreach-plan', version: PLAN_VERSION },
  { document: 'plan', migrate: migratePlan },
  plan,
  EMPTY_PLAN,
);

/** The person's shelf, as it is stored and exported. */
export const shelfCodec: Codec<PersonalShelf> = codecOf(
  { format: 'armreach-shelf', version: 2 },
  { document: 'shelf', migrate: shelfFrom1 },
  personalShelf,
  EMPTY_SHELF,
);

/** The person's settings, as they are stored and exported. */
export const settingsCodec: Codec<Settings> = codecOf(
  { format: 'armreach-settings', version: 2 },
  { document: 'settings', migrate: settingsFrom1 },
  settings,
  DEFAULT_SETTINGS,
);

/** 1 to 2: the gear was all there was, under `shelf`; bags and usual things come beside it. */
function shelfFrom1(value: unknown, version: number): unknown {
  if (version > 1 || typeof value !== 'object' || value === null) return value;
  const { shelf, ...rest } = value as Record<string, unknown>;
  return { ...rest, version: 2, gear: withLoans(shelf), bags: [], things: [] };
}

/** 1 to 2: what is asked on buying comes beside them. */
function settingsFrom1(value: unknown, version: number): unknown {
  if (version > 1 || typeof value !== 'object' || value === null) return value;
  return { ...value, version: 2, next: DEFAULT_NEXT };
}
