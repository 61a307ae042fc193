import { addressOf, createSelection } from './selection';

/** What is selected when the router shows an address. */
function selected(steps: readonly (readonly ['set' | 'shows', string])[]) {
  const selection = createSelection();
  let router = 'a';
  return steps.map(([step, address]) => {
    if (step === 'set') selection.set(router, address);
    else {
      router = address;
      selection.shows(address);
    }
    return addressOf(selection.store.getState(), router);
  });
}

test('what is selected counts at once, whatever the router still shows', () => {
  expect(
    selected([
      ['set', 'b'],
      ['set', 'c'],
      ['shows', 'b'],
      ['shows', 'c'],
    ]),
  ).toEqual(['b', 'c', 'c', 'c']);
});

test('where the router goes on its own, it is followed, back to what was too', () => {
  expect(
    selected([
      ['set', 'b'],
      ['shows', 'b'],
      ['shows', 'a'],
      ['set', 'b'],
      ['shows', 'elsewhere'],
      ['shows', 'a'],
    ]),
  ).toEqual(['b', 'b', 'a', 'b', 'elsewhere', 'a']);
});

test('a choice taken back before the router saw it leaves nothing behind', () => {
  expect(
    selected([
      ['set', 'b'],
      ['set', 'a'],
      ['shows', 'b'],
    ]),
  ).toEqual(['b', 'a', 'b']);
});
