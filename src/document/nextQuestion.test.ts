import { readFileSync } from 'node:fs';
import { deskOf } from '../../tests/support/desk';
import { asksTheSame, chosenOutings, decode, withTimesAYear } from './index';

const read = decode(readFileSync('demo/regatta.armreach.json', 'utf8'));
if (!read.ok) throw new Error(read.error.code);
const open = deskOf(read.value);
const other = {
  ...open.plan,
  outing: { ...open.plan.outing, name: 'Another' },
};
const sources = {
  desk: open,
  openKey: 'outing:open',
  saved: [
    { key: 'outing:other', plan: other },
    { key: 'outing:unasked', plan: open.plan },
  ],
  starter: (key: string) => (key === 'hall' ? { ...read.value, frames: [] } : null),
};

describe('what Next is asked about', () => {
  it('is each chosen outing that is still there, in the order of choosing', () => {
    const { outings, shelf } = chosenOutings(
      [
        { of: 'starter', key: 'hall', timesAYear: 2 },
        { of: 'saved', key: 'outing:other', timesAYear: 0.5 },
        { of: 'saved', key: 'outing:gone', timesAYear: 9 },
        { of: 'starter', key: 'none', timesAYear: 9 },
        { of: 'saved', key: 'outing:open', timesAYear: 1 },
      ],
      sources,
    );
    expect(outings.map((o) => [o.id, o.timesAYear, o.file.outing.name])).toEqual([
      ['starter hall', 2, read.value.outing.name],
      ['saved outing:other', 0.5, 'Another'],
      ['saved outing:open', 1, read.value.outing.name],
    ]);
    expect(shelf.lenses.map((l) => l.id)).toEqual(read.value.shelf.lenses.map((l) => l.id));
  });

  it('has so many times a year for one, and lets it go, without touching the others', () => {
    const chosen = [{ of: 'saved', key: 'a', timesAYear: 1 } as const];
    const both = withTimesAYear(chosen, { of: 'starter', key: 'a' }, 3);
    expect(both).toEqual([...chosen, { of: 'starter', key: 'a', timesAYear: 3 }]);
    expect(withTimesAYear(both, { of: 'saved', key: 'a' }, 12)).toEqual([
      { ...chosen[0], timesAYear: 12 },
      both[1],
    ]);
    expect(withTimesAYear(both, { of: 'saved', key: 'a' }, null)).toEqual([both[1]]);
  });
});

describe('two states of an outing', () => {
  it('ask the same where only what the answer does not rest on differs', () => {
    const file = read.value;
    const { packing, limits, outing } = file;
    expect(asksTheSame(file, { ...file, outing: { ...outing, name: 'Another' } })).toBe(true);
    expect(asksTheSame(file, { ...file, frames: [...file.frames] })).toBe(false);
    expect(asksTheSame(file, { ...file, stretches: [...file.stretches] })).toBe(false);
    expect(asksTheSame(file, { ...file, shelf: { ...file.shelf } })).toBe(false);
    const people = { ...outing, shooters: [...outing.shooters] };
    expect(asksTheSame(file, { ...file, outing: people })).toBe(false);
    // What is packed counts where all that is carried is limited; a tick never does.
    const heavier = { ...packing, bagWeightG: 1234 };
    const ticked = { ...packing, ticked: ['a thing'] };
    const free = { ...file, limits: { ...limits, maxCarriedWeightG: null } };
    expect(asksTheSame(free, { ...free, packing: heavier })).toBe(true);
    const bound = { ...file, limits: { ...limits, maxCarriedWeightG: 9000 } };
    expect(asksTheSame(bound, { ...bound, packing: heavier })).toBe(false);
    expect(asksTheSame(bound, { ...bound, packing: ticked })).toBe(true);
  });
});
