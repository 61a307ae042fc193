import '@testing-library/jest-dom';
import { act, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { outing } from '@/core/brief';
import { decode, encode, fileOf, type OutingFile, type Plan } from '@/document';
import { STARTERS } from '@/document/starters';
import { setSingleKeys, singleKeysOn } from '@/ui';
import { unitsNow } from '@/text';
import { FileMenu } from './FileMenu';
import { deskOf } from '../../../tests/support/desk';
import { demoFile, held } from '../../../tests/support/render';
import { FirstOuting } from './FirstOuting';
import { OutingsDialog } from './OutingsDialog';
import { Palette } from './Palette';
import { RefusedDialog } from './RefusedDialog';
import { SettingsDialog } from './SettingsDialog';
import { StarterDialog } from './StarterDialog';
import { Tour } from './Tour';

const went: string[] = [];
const opened: { plan: Plan; said: string }[] = [];
const reopened: string[] = [];
const at = { path: '/brief', frame: null as string | null };
jest.mock('next/navigation', () => ({
  useRouter: () => ({ push: (href: string) => went.push(href) }),
  usePathname: () => at.path,
  useSearchParams: () => new URLSearchParams(at.frame ? { frame: at.frame } : {}),
}));
jest.mock('./useOpening', () => ({
  useOpening: () => ({
    openPlan: (plan: Plan, said: string) => opened.push({ plan, said }),
    reopen: async (id: string) => void reopened.push(id),
  }),
}));
const library = {
  entries: [
    { key: 'outing:one', name: 'Open one', savedAt: 0, deletedAt: null },
    { key: 'outing:two', name: 'Kept one', savedAt: Date.UTC(2027, 5, 12, 8), deletedAt: null },
  ],
  binned: [] as string[],
  list: async () => library.entries.filter((e) => !library.binned.includes(e.key)),
  textOf: async () => 'kept text',
  discard: async (key: string) => void library.binned.push(key),
};
const touring = { setState: jest.fn() };
jest.mock('@/session', () => ({
  ...jest.requireActual('../../../tests/support/render').sessionStandIn,
  useSession: () => ({
    library: async () => library,
    keeper: { outing: () => 'outing:one' },
    state: touring,
  }),
  isSeason: () => false,
  download: (name: string, text: string) => went.push(`${name}: ${text}`),
}));

beforeEach(() => {
  Object.assign(held, { file: demoFile(), result: null, edits: [], desk: null });
  for (const list of [went, opened, reopened]) list.length = 0;
  Object.assign(at, { path: '/brief', frame: null });
});
// jsdom has none of them: the palette scrolls and measures, the theme asks the system.
beforeAll(() => {
  globalThis.matchMedia ??= () =>
    ({ matches: false, addEventListener: () => undefined }) as unknown as MediaQueryList;
  Element.prototype.scrollIntoView = () => undefined;
  globalThis.ResizeObserver ??= class {
    observe() {}
    unobserve() {}
    disconnect() {}
  };
});

const nothing = () => undefined;

describe('the palette', () => {
  const actions = [{ label: 'Export this outing', run: jest.fn() }];
  const show = () => {
    const closed = jest.fn();
    const { unmount } = render(<Palette open onOpenChange={closed} actions={actions as never} />);
    return { user: userEvent.setup(), closed, unmount };
  };

  it('finds places, pictures and gear by name, and goes there', async () => {
    for (const [text, name, href] of [
      ['oarl', 'Oarlock, close up', '/brief?frame=f08'],
      ['400 mm', '400 mm f/2.8', '/shelf?kind=lenses&item=k-400'],
      ['carry', 'Carry', '/carry'],
    ] as const) {
      const { user, closed, unmount } = show();
      await user.type(screen.getByRole('combobox'), text);
      await user.click(screen.getByRole('option', { name }));
      expect(went.at(-1)).toBe(href);
      expect(closed).toHaveBeenCalledWith(false);
      unmount();
    }
  });

  it('changes the way of choosing and runs actions', async () => {
    const { user } = show();
    const input = screen.getByRole('combobox');
    await user.type(input, 'small fast');
    await user.keyboard('{Enter}');
    expect(held.file.limits.lensKinds).toBe('primes');
    await user.clear(input);
    await user.type(input, 'export this');
    await user.keyboard('{Enter}');
    expect(actions[0]!.run).toHaveBeenCalled();
  });
});

it('says when nothing has the name', async () => {
  render(<Palette open onOpenChange={nothing} actions={[]} />);
  await userEvent.setup().type(screen.getByRole('combobox'), 'zzzz');
  expect(await screen.findByText('Nothing has that name.')).toBeVisible();
});

describe('the outings of the browser', () => {
  it('are opened, duplicated, exported, and deleted with a way back', async () => {
    const user = userEvent.setup();
    render(<OutingsDialog open onOpenChange={nothing} />);
    const [open, kept] = await screen.findAllByRole('listitem');
    expect(open).toHaveTextContent('open now');
    expect(kept).toHaveTextContent(/saved 12 Jun 2027/);
    await user.click(within(open!).getByRole('button', { name: 'Duplicate' }));
    expect(opened[0]?.plan.outing.name).toBe(`${held.file.outing.name}, copy`);
    await user.click(within(kept!).getByRole('button', { name: 'Open' }));
    expect(reopened).toEqual(['outing:two']);
    await user.click(within(kept!).getByRole('button', { name: 'Export Kept one' }));
    expect(went).toEqual(['Kept one.armreach.json: kept text']);
    await user.click(within(kept!).getByRole('button', { name: 'Delete Kept one' }));
    expect(await screen.findAllByRole('listitem')).toHaveLength(1);
  });
});

describe('a start from nothing', () => {
  it('waits for a lens, names what it cannot read, and leads to the lineup', async () => {
    const user = userEvent.setup();
    render(<FirstOuting open onOpenChange={nothing} />);
    const start = screen.getByRole('button', { name: 'Show me which lenses to take' });
    expect(start).toBeDisabled();
    await user.type(screen.getByLabelText('Lens 1'), 'a zoom');
    expect(screen.getByText(/Give a range and an f-number/)).toBeVisible();
    expect(start).toBeDisabled();
    await user.clear(screen.getByLabelText('Lens 1'));
    await user.type(screen.getByLabelText('Lens 1'), '18–55 f/3.5–5.6');
    await user.type(screen.getByLabelText('Lens 2'), '50 f/1.8');
    await user.click(screen.getByRole('button', { name: 'One more lens' }));
    await user.type(screen.getByLabelText('Lens 4'), '70-300 mm f/4.5-6.3');
    await user.selectOptions(screen.getByLabelText('Its sensor'), '17.3 × 13 mm, crop 2');
    await user.selectOptions(
      screen.getByLabelText('What you are going to photograph'),
      'Wedding by phases',
    );
    await user.click(start);
    const [{ plan }] = opened as [{ plan: Plan; said: string }];
    const { gear } = held.desk!.shelf;
    expect(gear.lenses.map((l) => [l.focal.wideMm, l.focal.longMm])).toEqual([
      [18, 55],
      [50, 50],
      [70, 300],
    ]);
    expect(gear.bodies[0]?.sensor).toMatchObject({ widthMm: 17.3, heightMm: 13 });
    expect(plan.stretches.find((s) => s.name === 'Ceremony')?.allowed.flash).toBe(false);
    const file = fileOf({ ...held.desk!, plan });
    expect(file.shelf.lenses).toHaveLength(3);
    expect(decode(encode(file)).ok).toBe(true);
    expect(went).toEqual(['/lineup']);
  });

  it('says what of the shelf comes along, and leaves it where it is on request', async () => {
    const user = userEvent.setup();
    const desk = deskOf(demoFile());
    held.desk = { ...desk, shelf: { ...desk.shelf, gear: demoFile().shelf } };
    render(<FirstOuting open onOpenChange={nothing} />);
    await user.type(screen.getByLabelText('Lens 1'), '30 f/1.4 410g');
    await user.click(
      screen.getByRole('checkbox', { name: /^Bring what is on your shelf as well/ }),
    );
    await user.click(screen.getByRole('button', { name: 'Show me which lenses to take' }));
    const [{ plan }] = opened as [{ plan: Plan; said: string }];
    const { lenses, bodies } = fileOf({ ...held.desk!, plan }).shelf;
    expect(lenses.map((l) => [l.focal.wideMm, l.weightG, l.ownership])).toContainEqual([
      30,
      410,
      'owned',
    ]);
    expect(lenses.filter((l) => l.ownership === 'owned')).toHaveLength(1);
    expect(bodies.filter((b) => b.ownership === 'owned')).toHaveLength(1);
  });
});

describe('the starter briefs', () => {
  it('are all there, each with its pictures', async () => {
    const user = userEvent.setup();
    const chosen: OutingFile[] = [];
    render(<StarterDialog open onOpenChange={nothing} onChoose={(f) => chosen.push(f)} />);
    expect(screen.getAllByRole('listitem')).toHaveLength(STARTERS.length);
    await user.click(screen.getByRole('button', { name: /^Night sky/ }));
    expect(chosen[0]?.frames.some((f) => f.light.stars !== null)).toBe(true);
    expect(outing.safeParse(chosen[0]?.outing).success).toBe(true);
  });

  it('ask for twice by the cameras that are on the shelf', async () => {
    const user = userEvent.setup();
    const twiceWith = async (cameras: number) => {
      const desk = deskOf(demoFile());
      const { shelf } = demoFile();
      const gear = { ...shelf, bodies: shelf.bodies.slice(0, cameras) };
      held.desk = { ...desk, shelf: { ...desk.shelf, gear } };
      const chosen: OutingFile[] = [];
      const { unmount } = render(
        <StarterDialog open onOpenChange={nothing} onChoose={(f) => chosen.push(f)} />,
      );
      await user.click(screen.getByRole('button', { name: /^Wedding by phases/ }));
      unmount();
      return chosen[0]!.frames.filter((f) => f.twice !== null).length;
    };
    expect(await twiceWith(1)).toBe(0);
    expect(await twiceWith(2)).toBeGreaterThan(0);
  });
});

describe('a file that was not opened', () => {
  it('is named with every place that is wrong, and what was open stays', async () => {
    const user = userEvent.setup();
    const refused = decode(
      encode({ ...held.file, frames: [{ ...held.file.frames[0]!, want: 'x' as never }] }),
    );
    const closed = jest.fn();
    if (refused.ok) throw new Error('it should not have been read');
    render(<RefusedDialog name="bad.json" refusal={refused.error} onClose={closed} />);
    const dialog = screen.getByRole('dialog');
    expect(dialog).toHaveTextContent('bad.json');
    expect(dialog).toHaveTextContent('frames[0].want');
    expect(dialog).toHaveTextContent('Your outing is as it was.');
    await user.click(within(dialog).getAllByRole('button', { name: 'Close' }).at(-1)!);
    expect(closed).toHaveBeenCalled();
  });
});

describe('the settings', () => {
  it('change units and theme, and what is usually wanted', async () => {
    const user = userEvent.setup();
    render(<SettingsDialog open onOpenChange={nothing} />);
    await user.click(screen.getByText('feet and ounces'));
    expect(unitsNow()).toBe('imperial');
    await user.click(screen.getByText('metres and grams'));
    expect(unitsNow()).toBe('metric');
    await user.click(screen.getByText('night'));
    expect(document.documentElement.dataset.theme ?? document.documentElement.className).toMatch(
      /night/,
    );
    await user.selectOptions(screen.getByLabelText('Prices'), 'used');
    expect(held.desk?.settings).toMatchObject({ units: 'metric', limits: { priceBasis: 'used' } });
    await user.selectOptions(screen.getByLabelText('Selection style'), 'small fast primes');
    expect(held.desk?.settings.limits).toMatchObject({
      lensKinds: 'primes',
      order: ['speed', 'weight', 'price'],
    });
  });
});

test('keys pressed by themselves can be turned off, and the others stay', async () => {
  const user = userEvent.setup();
  const { unmount } = render(<SettingsDialog open onOpenChange={nothing} />);
  const keys = screen.getByLabelText(/Single-key shortcuts/);
  expect(keys).toBeChecked();
  await user.click(keys);
  expect(singleKeysOn()).toBe(false);
  unmount();
  render(<FileMenu />);
  await user.keyboard('2');
  expect(went).toEqual([]);
  await user.keyboard('{Control>}k{/Control}');
  expect(await screen.findByRole('dialog')).toBeVisible();
  await user.keyboard('{Escape}');
  setSingleKeys(true);
  await user.keyboard('2');
  expect(went).toHaveLength(1);
});

describe('the way through', () => {
  it('goes on when a step is done, and is left at any time', async () => {
    jest.useFakeTimers();
    const { rerender } = render(<Tour onStart={nothing} />);
    const region = screen.getByRole('region', { name: 'Tour' });
    expect(region).toHaveTextContent('1 of 5');
    at.frame = 'f01';
    rerender(<Tour onStart={nothing} />);
    expect(region).toHaveTextContent('Done.');
    act(() => void jest.advanceTimersByTime(800));
    expect(region).toHaveTextContent('2 of 5');
    held.file = { ...held.file, frames: held.file.frames.slice(1) };
    rerender(<Tour onStart={nothing} />);
    act(() => void jest.advanceTimersByTime(800));
    expect(region).toHaveTextContent('3 of 5');
    jest.useRealTimers();
    const user = userEvent.setup();
    await user.click(screen.getByRole('button', { name: 'Go there' }));
    expect(went).toEqual(['/reach']);
    await user.click(screen.getByRole('button', { name: 'End the tour' }));
    expect(touring.setState).toHaveBeenCalledWith({ firstVisit: false, touring: false });
  });

  it('ends by offering a start of one’s own', async () => {
    const user = userEvent.setup();
    const started = jest.fn();
    render(<Tour onStart={started} />);
    for (let i = 0; i < 5; i += 1) await user.click(screen.getByRole('button', { name: 'Next' }));
    await user.click(screen.getByRole('button', { name: 'Start from nothing' }));
    expect(started).toHaveBeenCalled();
  });
});
