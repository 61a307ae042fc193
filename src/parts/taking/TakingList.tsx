'use client';

import type { Compared, Taking } from '@/document';
import { FIELD_NAMES, fieldText, panelText } from '@/text';

const words = panelText.takingList;

const BOX = 'min-h-7 pointer-coarse:min-h-[44px] border border-edge bg-sheet px-1';

const KNOWN: readonly (readonly [Taking, string])[] = [
  ['mine', words.keepMine],
  ['theirs', words.takeTheirs],
  ['both', words.keepBothTheirsInThis],
];
const FRESH: readonly (readonly [Taking, string])[] = [
  ['alone', words.useInThisOutingOnly],
  ['owned', words.addToMyShelfI],
  ['wished', words.addToMyShelfWished],
];
const TO_SHELF = FRESH.slice(1);

export type Choices = ReadonlyMap<string, Taking>;

interface TakingListProps {
  readonly compared: readonly Compared[];
  readonly choices: Choices;
  readonly onChange: (choices: Choices) => void;
  /** There is no outing: what is new comes onto the shelf or stays out. */
  readonly shelfOnly?: boolean;
  /** Currencies of the prices here and there. */
  readonly currencies: { readonly mine: string; readonly theirs: string };
}

/** What a file brings, beside what is on the shelf: each thing is decided by the person. */
export function TakingList({
  compared,
  choices,
  onChange,
  currencies,
  shelfOnly = false,
}: TakingListProps) {
  const other = compared.filter((c) => c.mine !== null && c.differing.length > 0);
  const fresh = compared.filter((c) => c.mine === null);
  const alike = compared.length - other.length - fresh.length;
  const set = (entries: readonly Compared[], taking: Taking) =>
    onChange(new Map([...choices, ...entries.map((c) => [c.theirs.id, taking] as const)]));
  const known = shelfOnly ? KNOWN.slice(0, 2) : KNOWN;
  const ways = shelfOnly ? TO_SHELF : FRESH;
  return (
    <div
      className="max-h-[55vh] space-y-4 overflow-auto"
      tabIndex={0}
      role="group"
      aria-label={words.gearInTheFile}
    >
      {other.length > 0 && (
        <section>
          <Heading text={words.onYourShelfWithOther(other.length)}>
            <All label={words.allWithOtherFigures} ways={known} onChange={(t) => set(other, t)} />
          </Heading>
          <ul>
            {other.map((c) => (
              <li key={c.theirs.id} className="border-b border-hair py-2">
                <Row compared={c} ways={known} choices={choices} onChange={(t) => set([c], t)} />
                <table className="mt-1 text-[13px]">
                  <thead>
                    <tr className="text-left text-soft">
                      <th className="w-40 pr-4 font-normal">{words.figure}</th>
                      <th className="w-48 pr-4 font-normal">{words.mine}</th>
                      <th className="font-normal">{words.inTheFile}</th>
                    </tr>
                  </thead>
                  <tbody>
                    {c.differing.map((field) => (
                      <tr key={field}>
                        <td className="pr-4">{FIELD_NAMES[field] ?? field}</td>
                        <td className="pr-4">
                          {fieldText(field, valueOf(c.mine, field), currencies.mine)}
                        </td>
                        <td>{fieldText(field, valueOf(c.theirs, field), currencies.theirs)}</td>
                      </tr>
                    ))}
                  </tbody>
                </table>
              </li>
            ))}
          </ul>
        </section>
      )}
      {fresh.length > 0 && (
        <section>
          <Heading text={words.notOnYourShelf(fresh.length)}>
            <All label={words.everythingNew} ways={ways} onChange={(t) => set(fresh, t)} />
          </Heading>
          <ul>
            {fresh.map((c) => (
              <li key={c.theirs.id} className="border-b border-hair py-1">
                <Row compared={c} ways={ways} choices={choices} onChange={(t) => set([c], t)} />
              </li>
            ))}
          </ul>
        </section>
      )}
      {alike > 0 && <p className="text-soft">{words.theSameOnYourShelf(alike)}</p>}
    </div>
  );
}

const valueOf = (item: Compared['mine'], field: string): unknown =>
  (item as unknown as Readonly<Record<string, unknown>> | null)?.[field];

function Heading({ text, children }: { text: string; children: React.ReactNode }) {
  return (
    <div className="flex flex-wrap items-center justify-between gap-2 border-b border-ink pb-1">
      <h3 className="font-semibold">{text}</h3>
      {children}
    </div>
  );
}

function All({
  label,
  ways,
  onChange,
}: {
  label: string;
  ways: readonly (readonly [Taking, string])[];
  onChange: (taking: Taking) => void;
}) {
  return (
    <select
      aria-label={label}
      value=""
      className={BOX}
      onChange={(e) => e.target.value !== '' && onChange(e.target.value as Taking)}
    >
      <option value="">{words.allOfThese}</option>
      {ways.map(([key, text]) => (
        <option key={key} value={key}>
          {text}
        </option>
      ))}
    </select>
  );
}

function Row({
  compared: { theirs },
  ways,
  choices,
  onChange,
}: {
  compared: Compared;
  ways: readonly (readonly [Taking, string])[];
  choices: Choices;
  onChange: (taking: Taking) => void;
}) {
  return (
    <div className="flex flex-wrap items-center justify-between gap-2">
      <span className="min-w-0">
        <span className="font-semibold">{theirs.name}</span>{' '}
        <span className="text-soft">{theirs.maker}</span>
      </span>
      <select
        aria-label={words.whatToDoWith(theirs.name)}
        value={choices.get(theirs.id) ?? ways[0]?.[0]}
        className={BOX}
        onChange={(e) => onChange(e.target.value as Taking)}
      >
        {ways.map(([key, text]) => (
          <option key={key} value={key}>
            {text}
          </option>
        ))}
      </select>
    </div>
  );
}
