import '@testing-library/jest-dom';
import { fireEvent, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { readFileSync } from 'node:fs';
import { PLAIN_STRETCH, stretch as stretchSchema, type Stretch } from '@/core/brief';
import { decode } from '@/document';
import { held } from '../../../tests/support/render';
import { ShootersDialog } from './ShootersDialog';
import { StretchDialog } from './StretchDialog';
import { Stretches } from './Stretches';
import { stretchText } from '@/text';
import { Timeline } from './Timeline';

jest.mock('@/session', () => ({
  ...jest.requireActual('../../../tests/support/render').sessionStandIn,
}));

const read = decode(readFileSync('tests/fixtures/released/outing-5.json', 'utf8'));
const demo = read.ok ? read.value : (null as never);
beforeEach(() => Object.assign(held, { file: demo, result: null, edits: [] }));

const stretchOf = (id: string): Stretch => held.file.stretches.find((s) => s.id === id)!;
const plainStretch = (change: Partial<Stretch> = {}) =>
  stretchSchema.parse({ id: 's', name: 'S', ...PLAIN_STRETCH, ...change });

describe('what is particular about a stretch', () => {
  it.each([
    ['nothing', {}, ''],
    ['weather and change', { weather: ['wet'], changes: false }, 'rain or spray, no lens changes'],
    [
      'what is not let in',
      { allowed: { flash: false, support: false, bags: false } },
      'no flash, no tripod or other support, no bags',
    ],
    [
      'hands and their limits',
      {
        hands: ['one', 'two'].map((shooterId, i) => ({
          shooterId,
          bodyIds: [],
          bodies: i === 0 ? 1 : null,
          maxWeightG: i === 0 ? null : 2500,
        })),
      },
      '2 shooters, 1 camera, 2.50\u202Fkg',
    ],
  ])('is %s', (_, change, text) => {
    expect(stretchText(plainStretch(change as Partial<Stretch>))).toBe(text);
  });
});

describe('the dialog of a stretch', () => {
  const show = (id: string) => {
    const dialog = () => <StretchDialog stretch={stretchOf(id)} onClose={closed} />;
    const closed = jest.fn();
    const shown = render(dialog());
    return { user: userEvent.setup(), closed, again: () => shown.rerender(dialog()) };
  };

  it('takes over what is allowed, each by itself', async () => {
    const { user, again } = show('boathouse');
    for (const [label, name] of [
      ['flash', 'flash'],
      ['tripod or other support', 'support'],
      ['bags', 'bags'],
    ] as const) {
      await user.click(screen.getByLabelText(label));
      expect(stretchOf('boathouse').allowed[name]).toBe(false);
      again();
    }
    expect(screen.getByText(/Without a bag/)).toBeVisible();
    await user.click(screen.getByLabelText('changing lenses'));
    expect(stretchOf('boathouse').changes).toBe(false);
    await user.click(screen.getByLabelText('flash'));
    expect(stretchOf('boathouse').allowed.flash).toBe(true);
  });

  it('takes over who is there, with which bodies and how much', async () => {
    const { user, again } = show('prizes');
    await user.click(screen.getByLabelText('Second shooter'));
    again();
    await user.type(screen.getByLabelText('Cameras in hand'), '1');
    await user.type(screen.getByLabelText('Carries at most'), '1800');
    again();
    await user.click(screen.getByLabelText('P5'));
    expect(stretchOf('prizes').hands).toEqual([
      { shooterId: 'second', bodyIds: ['p5'], bodies: 1, maxWeightG: 1800 },
    ]);
    again();
    await user.click(screen.getByLabelText('Second shooter'));
    expect(stretchOf('prizes').hands).toEqual([]);
  });

  it('keeps a name that is gone in its field, and the old one in the outing', async () => {
    const { user } = show('heats');
    const name = screen.getByLabelText('Name');
    await user.clear(name);
    expect(name).toHaveAttribute('aria-invalid', 'true');
    expect(stretchOf('heats').name).toBe('Heats from the bridge');
    await user.type(name, 'Heats');
    expect(stretchOf('heats').name).toBe('Heats');
  });

  it('removes the stretch, and frames forget it', async () => {
    const { user, closed } = show('launch');
    await user.click(screen.getByRole('button', { name: 'Delete this stretch' }));
    expect(closed).toHaveBeenCalled();
    expect(held.file.stretches.some((s) => s.id === 'launch')).toBe(false);
    expect(held.file.frames.some((f) => f.stretchIds.some((id) => id === 'launch'))).toBe(false);
  });
});

describe('the time line', () => {
  const bar = (name: RegExp) => screen.getByRole('button', { name });

  it('has a bar for each stretch, day by day, that says all of it when pointed at', () => {
    render(<Timeline onOpen={() => undefined} about={stretchText} />);
    expect(screen.getAllByRole('button')).toHaveLength(demo.stretches.length);
    expect(screen.getByText('Sunday, 13 June 2027', { exact: false })).toBeVisible();
    expect(bar(/^In the launch/)).toHaveAttribute(
      'title',
      expect.stringMatching(/^In the launch, 09:00–10:30; rain or spray, no lens changes, no bags/),
    );
  });

  it('moves and lengthens by keyboard in quarters of an hour, and opens', () => {
    const opened = jest.fn();
    const { rerender } = render(<Timeline onOpen={opened} about={stretchText} />);
    fireEvent.keyDown(bar(/^Prize-giving/), { key: 'ArrowRight' });
    expect(stretchOf('prizes')).toMatchObject({ fromTime: '16:45' });
    rerender(<Timeline onOpen={opened} about={stretchText} />);
    const until = stretchOf('prizes').toTime;
    fireEvent.keyDown(bar(/^Prize-giving/), { key: 'ArrowLeft', shiftKey: true });
    expect(stretchOf('prizes').fromTime).toBe('16:45');
    expect(stretchOf('prizes').toTime! < until!).toBe(true);
    fireEvent.keyDown(bar(/^Prize-giving/), { key: 'Enter' });
    expect(opened).toHaveBeenCalledWith('prizes');
  });
});

describe('the stretches of an outing', () => {
  it('are explained where there are none, and one is added', async () => {
    const user = userEvent.setup();
    held.file = { ...demo, stretches: [], frames: [] };
    const { rerender } = render(<Stretches />);
    expect(screen.getByText(/One stretch, with everything at hand/)).toBeVisible();
    await user.click(screen.getByRole('button', { name: 'Add a stretch' }));
    expect(held.file.stretches).toHaveLength(1);
    expect(stretchSchema.safeParse(held.file.stretches[0]).success).toBe(true);
    rerender(<Stretches />);
    expect(await screen.findByRole('dialog', { name: 'New stretch' })).toBeVisible();
  });
});

describe('the shooters', () => {
  it('are added, named and removed, unless the outing names them', async () => {
    const user = userEvent.setup();
    const { rerender } = render(<ShootersDialog onClose={() => undefined} />);
    const again = () => rerender(<ShootersDialog onClose={() => undefined} />);
    expect(
      screen.getByRole('button', { name: 'Second shooter is used in the outing' }),
    ).toBeDisabled();
    await user.click(screen.getByRole('button', { name: 'Add a shooter' }));
    again();
    const list = screen.getByRole('list');
    expect(within(list).getAllByRole('listitem')).toHaveLength(3);
    const name = screen.getByLabelText('Shooter 3');
    fireEvent.change(name, { target: { value: 'On the umpire’s boat' } });
    expect(held.file.outing.shooters[2]?.name).toBe('On the umpire’s boat');
    fireEvent.change(name, { target: { value: '  ' } });
    expect(held.file.outing.shooters[2]?.name).toBe('On the umpire’s boat');
    again();
    await user.click(screen.getByRole('button', { name: 'Delete On the umpire’s boat' }));
    expect(held.file.outing.shooters).toHaveLength(2);
  });
});
