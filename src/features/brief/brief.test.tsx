import '@testing-library/jest-dom';
import { act, fireEvent, render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { frame } from '@/core/brief';
import { type LineupResult, solveLineup } from '@/core/lineup';
import { loadHighsSolver } from '@/solver';
import { demoFile, held } from '../../../tests/support/render';
import { FrameEditor } from './FrameEditor';
import { FrameList } from './FrameList';
import { copyOfFrame, newFrame, STARTING_NEEDS, STARTING_OUTPUTS } from '@/document';

jest.mock('@/session', () => ({
  ...jest.requireActual('../../../tests/support/render').sessionStandIn,
}));

const demo = demoFile();
/** Changes a field and lets the form look itself over. */
const change = (field: HTMLElement, value: string) =>
  act(async () => void fireEvent.change(field, { target: { value } }));

const tick = (label: string) => act(async () => void fireEvent.click(screen.getByLabelText(label)));

let result: LineupResult;
beforeAll(async () => {
  result = solveLineup(await loadHighsSolver(), demo, { timeLimitS: 30, now: () => 0 });
});
beforeEach(() => Object.assign(held, { file: demo, result, edits: [] }));

const plain = (element: HTMLElement) => (element.textContent ?? '').replaceAll('\u202F', ' ');
const frameOf = (id: string) => held.file.frames.find((f) => f.id === id)!;

describe('new frames', () => {
  it('are valid from the start, of every kind of need and output', async () => {
    const fresh = newFrame(demo.frames, 'New');
    for (const need of Object.values(STARTING_NEEDS)) {
      for (const output of Object.values(STARTING_OUTPUTS)) {
        expect(frame.safeParse({ ...fresh, need, output }).success).toBe(true);
      }
    }
  });

  it('get ids of their own, copies too', async () => {
    const first = newFrame([], 'New');
    const second = newFrame([first], 'New');
    expect(new Set([first.id, second.id, copyOfFrame(first, [first, second], 'New').id]).size).toBe(
      3,
    );
    expect(copyOfFrame(first, [], 'x'.repeat(130)).name).toHaveLength(120);
  });
});

describe('the shot list', () => {
  const row = (name: string) => screen.getByRole('row', { name: new RegExp(name) });

  it('reads like one: picture, need, light, want, and what makes it', async () => {
    render(<FrameList editing={false} selected={null} onSelect={() => undefined} />);
    expect(screen.getAllByRole('row')).toHaveLength(demo.frames.length + 1);
    for (const words of [
      '12 m wide at 15–40 m, coming towards you, filling 50–90 %',
      'EV 13, 1/1600 s, hand-held',
    ])
      expect(plain(row('Shell racing past'))).toContain(words);
    expect(plain(row('Prize-giving'))).toContain('90 mm f/2.8 macro');
    expect(within(row('Moon over')).getByRole('img')).toHaveAccessibleName('not covered');
    expect(plain(row('Moon over'))).toContain('left out');
    expect(within(row('far reach')).getByRole('img')).toHaveAccessibleName('covered by cropping');
  });

  it('moves, duplicates and removes', async () => {
    const user = userEvent.setup();
    const selected: (string | null)[] = [];
    render(<FrameList editing={false} selected={null} onSelect={(id) => selected.push(id)} />);
    expect(screen.getByRole('button', { name: 'Move Start line, all lanes up' })).toBeDisabled();
    await user.click(screen.getByRole('button', { name: 'Move Start line, all lanes down' }));
    expect(held.file.frames.slice(0, 2).map((f) => f.id)).toEqual(['f02', 'f01']);
    await user.click(screen.getByRole('button', { name: 'Duplicate Oarlock, close up' }));
    expect(selected).toEqual(['f08-2']);
    expect(frameOf('f08-2').name).toBe('Oarlock, close up, copy');
    await user.click(screen.getByRole('button', { name: 'Delete Oarlock, close up' }));
    expect(held.file.frames.some((f) => f.id === 'f08')).toBe(false);
  });

  it('is changed in its own cells, a valid change at once, the other kept to be mended', async () => {
    const user = userEvent.setup();
    const show = () => <FrameList editing selected={null} onSelect={() => undefined} />;
    const { rerender } = render(show());
    const cell = (label: string) => screen.getByLabelText(`${label}, Shell racing past, near`);
    const type = async (label: string, text: string) => {
      await user.clear(cell(label));
      await user.type(cell(label), text);
      rerender(show());
    };
    await screen.findByLabelText('Farthest in m, Shell racing past, near');
    await screen.findByLabelText('Want, Shell racing past, near');
    await type('Farthest in m', '52,5');
    expect(frameOf('f02').need).toMatchObject({ fromM: 15, toM: 52.5 });
    await type('Nearest in m', '60');
    expect(cell('Nearest in m')).toHaveAttribute('aria-invalid', 'true');
    expect(cell('Nearest in m')).toHaveValue('60');
    expect(frameOf('f02').need).toMatchObject({ fromM: 6, toM: 52.5 });
    await type('Fills at most in %', '85');
    expect(frameOf('f02').need).toMatchObject({ fill: { min: 0.5, max: 0.85 } });
    await user.selectOptions(cell('Position'), 'held');
    await user.selectOptions(cell('Want'), 'bonus');
    await type('Share in %', '12');
    expect(frameOf('f02')).toMatchObject({ want: 'bonus', sharePercent: 12 });
    expect(frameOf('f02').need).toMatchObject({ footing: 'held' });
    expect(held.edits).toContain('f02.share');
  });
});

describe('the editor of a frame', () => {
  const edit = (id: string) => render(<FrameEditor frame={frameOf(id)} />);

  it('shows how the frame stands, and with what to spare', async () => {
    edit('f03');
    expect(plain(document.body)).toMatch(
      /Covered by cropping24–240 mm f\/4–6\.3 on .*: 150–260 m \(crop 1\.3/,
    );
    expect(plain(document.body)).toMatch(/spare light of/);
  });

  it('fills the size from the picker and knows it again', async () => {
    edit('f10');
    expect(screen.getByLabelText('Subject')).toHaveDisplayValue('couple');
    await change(screen.getByLabelText('Subject'), 'largeMammal');
    expect(frameOf('f10').need).toMatchObject({ widthM: 2.2, heightM: 1.5 });
    await change(screen.getByLabelText('Width'), '2,4');
    expect(frameOf('f10').need).toMatchObject({ widthM: 2.4 });
    expect(screen.getByLabelText('Subject')).toHaveDisplayValue('large mammal');
    expect(frameOf('f10').subject).toBe('largeMammal');
  });

  it('shows fill in percent and times as fractions, and stores shares and seconds', async () => {
    edit('f10');
    expect(screen.getByLabelText('Fills from')).toHaveValue('50');
    await change(screen.getByLabelText('Fills from'), '55');
    expect(frameOf('f10').need).toMatchObject({ fill: { min: 0.55, max: 0.9 } });
    expect(screen.getByLabelText('Longest time')).toHaveValue('1/200');
    await change(screen.getByLabelText('Longest time'), '1/320');
    expect(frameOf('f10').light.longestTimeS).toBeCloseTo(1 / 320, 12);
    await change(screen.getByLabelText('Longest time'), '');
    expect(frameOf('f10').light.longestTimeS).toBeNull();
  });

  it('takes light as EV, from a scene, as lux, by the sun, or none', async () => {
    edit('f10');
    const source = () => frameOf('f10').light.source;
    await change(screen.getByLabelText('EV at ISO 100'), '-3.7');
    expect(source()).toEqual({ kind: 'ev', ev100: -3.7 });
    await change(screen.getByLabelText('Light'), 'scene');
    await change(screen.getByLabelText('Scene'), 'fullSun');
    expect(source()).toEqual({ kind: 'scene', scene: 'fullSun' });
    await change(screen.getByLabelText('Light'), 'lux');
    await change(screen.getByLabelText('On the subject'), '250');
    expect(source()).toEqual({ kind: 'lux', lux: 250 });
    await change(screen.getByLabelText('Light'), 'sun');
    await change(screen.getByLabelText('Latitude, north'), '60');
    expect(source()).toMatchObject({ kind: 'sun', latitudeDeg: 60 });
    expect(screen.getByText(/the sun is/)).toBeInTheDocument();
    await change(screen.getByLabelText('Light'), 'none');
    expect(source()).toEqual({ kind: 'none' });
    expect(screen.queryByLabelText('Longest time')).toBeNull();
  });

  it('takes movement, flash, depth and special wishes, and drops what a far need cannot have', async () => {
    edit('f10');
    await tick('It moves');
    expect(frameOf('f10').light.movement).toMatchObject({ speedMps: 1.5 });
    await tick('Flash may be used');
    await change(screen.getByLabelText('Guide number at ISO 100'), '40');
    expect(frameOf('f10').light.flash).toEqual({ guideNumberM: 40 });
    await change(screen.getByLabelText('Must be sharp in depth'), 'rows');
    await tick('Blur behind');
    await tick('Needs autofocus');
    await change(screen.getByLabelText('Backup'), 'bodies');
    expect(frameOf('f10')).toMatchObject({
      depth: { sharp: { kind: 'rows' }, blur: { behindM: 5 } },
      special: { autofocus: true },
      twice: { by: 'bodies' },
    });
    await change(screen.getByLabelText('Described by'), 'far');
    expect(frameOf('f10').depth).toEqual({ sharp: null, blur: null });
  });

  it('changes what is given, and asks for what that needs', async () => {
    edit('f10');
    await change(screen.getByLabelText('Described by'), 'angle');
    expect(frameOf('f10').need.kind).toBe('angle');
    await change(screen.getByLabelText('Across the'), 'height');
    expect(frameOf('f10').need).toMatchObject({ kind: 'angle', across: 'height' });
    await change(screen.getByLabelText('Described by'), 'far');
    expect(screen.queryByText('Position')).toBeNull();
    await change(screen.getByLabelText('Used for'), 'print');
    await change(screen.getByLabelText('Resolution'), '240');
    expect(frameOf('f10').output).toEqual({
      cut: true,
      kind: 'print',
      longMm: 300,
      shortMm: 200,
      dpi: 240,
    });
  });

  it('keeps absurd numbers out of the outing and says why', async () => {
    edit('f10');
    for (const absurd of ['0', '1e9', '-2', 'near']) {
      await change(screen.getByLabelText('Farthest'), absurd);
      expect(screen.getByLabelText('Farthest')).toHaveValue(absurd);
      expect(frameOf('f10').need).toMatchObject({ toM: 12 });
      expect(
        await screen.findByText(/must be at|not a number|must not be|Too|Invalid/),
      ).toBeVisible();
    }
    await change(screen.getByLabelText('Farthest'), '14');
    expect(frameOf('f10').need).toMatchObject({ toM: 14 });
  });

  it('names edits by field, so that they are undone together', async () => {
    edit('f10');
    await change(screen.getByLabelText('Picture'), 'Prizes');
    expect(held.edits.at(-1)).toBe('f10.name');
  });
});
