'use client';

import type { LineupResult, Reason } from '@/core/lineup';
import { piecesOf } from '@/core/gear';
import { lockOf, setLock } from '@/document';
import {
  behindText,
  formatCount,
  formatFNumber,
  formatFocalRange,
  formatMm,
  formatMoney,
  formatWeight,
  namesOf,
  OWNERSHIPS,
} from '@/text';
import { useEdit, useFile } from '@/session';
import { Button } from '@/ui';
import { ConflictText } from './ConflictText';

/** What is taken, with what each lens alone makes possible. */
export function LineupTable({ result }: { result: LineupResult }) {
  const file = useFile();
  const name = namesOf(file);
  const { lensIds, converterIds, tubeIds, adapterIds } = result.lineup;
  const behindIds = new Set<string>([...converterIds, ...tubeIds, ...adapterIds]);
  const lenses = lensIds
    .flatMap((id) => file.shelf.lenses.filter((l) => l.id === id))
    .sort((a, b) => a.focal.wideMm - b.focal.wideMm);
  const behind = piecesOf(file.shelf).filter((p) => behindIds.has(p.id));
  const only = new Map(result.lensesIn.map((l) => [l.lensId, l.onlyIt]));
  return (
    <section aria-labelledby="taken">
      <div className="mb-2 flex items-start justify-between gap-3">
        <h1 id="taken" className="text-xl">
          {headline(result)}
        </h1>
        <span className="print:hidden">
          <Button onClick={() => window.print()}>Print</Button>
        </span>
      </div>
      {result.conflict && <ConflictText conflict={result.conflict} />}
      <Notes result={result} name={name} />
      {lenses.length > 0 && (
        <div
          className="relative overflow-x-auto"
          tabIndex={0}
          role="region"
          aria-label="What is taken"
        >
          <table className="w-full border-collapse">
            <thead>
              <tr className="border-b border-ink text-left text-[12px] text-soft">
                {['Take', 'Range', 'Weight', 'Price', 'Only it makes'].map((h) => (
                  <th key={h} scope="col" className="py-1 pr-4 font-normal">
                    {h}
                  </th>
                ))}
                <th scope="col">
                  <span className="sr-only">Actions</span>
                </th>
              </tr>
            </thead>
            <tbody>
              {lenses.map((l) => (
                <tr key={l.id} className="border-b border-hair align-top">
                  <th scope="row" className="min-w-36 py-1.5 pr-4 text-left font-semibold text-got">
                    {l.name}
                    <span className="block text-[12px] font-normal text-soft">
                      {[
                        l.maker,
                        l.mount !== l.maker ? l.mount : '',
                        l.ownership === 'owned' ? '' : OWNERSHIPS[l.ownership],
                      ]
                        .filter((t) => t !== '')
                        .join(', ')}
                    </span>
                  </th>
                  <td className="py-1.5 pr-4 whitespace-nowrap">
                    {formatFocalRange(l.focal.wideMm, l.focal.longMm)}
                    <span className="block text-[12px] text-soft">
                      {formatFNumber(l.apertures[0]?.fNumber ?? 0)}
                    </span>
                  </td>
                  <td className="py-1.5 pr-4 whitespace-nowrap">
                    {l.weightG === null ? 'not known' : formatWeight(l.weightG)}
                  </td>
                  <td className="py-1.5 pr-4 whitespace-nowrap">
                    {l.priceNew === null
                      ? 'not known'
                      : formatMoney(l.priceNew, file.outing.currency)}
                  </td>
                  <td className="min-w-56 py-1.5 pr-4">{onlyText(only.get(l.id), name)}</td>
                  <td className="py-1 text-right">
                    <LockButtons id={l.id} name={l.name} />
                  </td>
                </tr>
              ))}
              {behind.map((c) => (
                <tr key={c.id} className="border-b border-hair">
                  <th scope="row" className="py-1.5 pr-4 text-left font-semibold text-got">
                    {c.name}
                  </th>
                  <td className="py-1.5 pr-4">
                    {'lengthMm' in c && c.lengthMm !== null
                      ? formatMm(c.lengthMm)
                      : 'factor' in c
                        ? `${c.factor}×`
                        : ''}
                  </td>
                  <td className="py-1.5 pr-4">
                    {c.weightG === null ? 'not known' : formatWeight(c.weightG)}
                  </td>
                  <td className="py-1.5 pr-4">
                    {c.priceNew === null
                      ? 'not known'
                      : formatMoney(c.priceNew, file.outing.currency)}
                  </td>
                  <td />
                  <td className="py-1 text-right">
                    <LockButtons id={c.id} name={c.name} />
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
    </section>
  );
}

/** What only one lens covers; null where time ran out before that was known. */
function onlyText(ids: readonly string[] | null | undefined, name: (id: string) => string): string {
  if (ids === null) return 'not worked out in time';
  return (ids ?? []).map(name).join(', ') || 'nothing: the others cover it all';
}

function headline({ status, totals, lineup }: LineupResult): string {
  if (status === 'impossible') return 'No lineup keeps to these limits';
  if (totals.lenses === 0) return 'No lens is needed yet';
  const behind = behindText(lineup);
  const all = totals.musts.got === totals.musts.of && totals.wants.got === totals.wants.of;
  return `${formatCount(totals.lenses, 'lens', 'lenses')}${behind} ${all ? 'get every picture that counts' : 'get as much as can be got'}`;
}

const REASONS: Readonly<Record<Reason, string>> = {
  kept: 'what keeps each lost must out',
  conflict: 'which limits conflict',
  'only-it': 'what only one lens covers',
  'lenses-out': 'why lenses are left out',
  nearest: 'the nearest miss of lost pictures',
  ranges: 'gaps and overlaps',
};

function Notes({ result, name }: { result: LineupResult; name: (id: string) => string }) {
  const texts = result.notes.map((note) => {
    switch (note.code) {
      case 'weight-unknown':
        return `A weight limit is set, and the weight of ${listed(note.ids.map(name))} is not known, so they cannot be taken. Give their weights on the shelf, or drop the limit.`;
      case 'pixels-unknown':
        return `The pixels of ${listed(note.ids.map(name))} are not known, so no cropping is counted there.`;
      case 'price-unknown':
        return `Money is limited, and the price of ${listed(note.ids.map(name))} is not known, so they cannot be taken. Give their prices on the shelf, or drop the limit.`;
      case 'autofocus-unknown':
        return `Whether ${listed(note.ids.map(name))} focus by themselves is not known; it is taken that they do.`;
      case 'thread-unknown':
        return `Whether ${listed(note.ids.map(name))} take a front filter is not known; it is taken that they do.`;
      case 'shift-unknown':
        return `Whether ${listed(note.ids.map(name))} shift is not known; it is taken that they do.`;
      case 'smallest-aperture-unknown':
        return `How far ${listed(note.ids.map(name))} stop down is not known; it is taken that it is enough.`;
      case 'sealing-unknown':
        return `Sealing of ${listed(note.ids.map(name))} is not known, so they are not used in the wet.`;
      case 'reasons-cut':
        return `Time ran out before everything could be explained. Missing or incomplete: ${listed(note.ids.map((id) => REASONS[id]))}.`;
      case 'no-frames':
        return 'No picture is listed yet. Say in Brief what you want to bring home.';
      case 'no-lenses':
        return 'No lens may be chosen: the shelf is empty, or whose gear may be used leaves nothing.';
      case 'no-bodies':
        return 'No lens fits a body that comes along.';
    }
  });
  return texts.map((text) => (
    <p key={text} className="mb-2 max-w-prose">
      {text}
    </p>
  ));
}

function listed(names: readonly string[]): string {
  return names.length > 6
    ? `${names.slice(0, 6).join(', ')} and ${names.length - 6} more`
    : names.join(', ');
}

/** Lock a piece of the lineup in, or leave it at home and see at once what then. */
function LockButtons({ id, name }: { id: string; name: string }) {
  const { limits } = useFile();
  const edit = useEdit();
  const lock = lockOf(limits, id);
  return (
    <span className="whitespace-nowrap">
      <Button
        look="quiet"
        aria-pressed={lock === 'in'}
        aria-label={`Always take ${name}`}
        onClick={() => edit(setLock(id, lock === 'in' ? 'free' : 'in'))}
      >
        {lock === 'in' ? 'Always taken' : 'Always take'}
      </Button>
      <Button
        look="quiet"
        aria-label={`Leave ${name} at home`}
        onClick={() => edit(setLock(id, 'out'))}
      >
        Leave
      </Button>
    </span>
  );
}
