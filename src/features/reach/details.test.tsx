import '@testing-library/jest-dom';
import { render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { solveLineup } from '@/core/lineup';
import { exact } from '@/text';
import { loadHighsSolver } from '@/solver';
import { demoFile, held } from '../../../tests/support/render';
import { reachData } from './chartData';
import type { Highlight } from './chartOption';
import { Details } from './Details';
import { ReachTable } from './ReachTable';
import { servicesOf } from './service';

jest.mock('@/session', () => ({
  ...jest.requireActual('../../../tests/support/render').sessionStandIn,
}));

const demo = demoFile();
const plain = (element: HTMLElement) => (element.textContent ?? '').replaceAll('\u202F', ' ');
beforeAll(async () => {
  held.result = solveLineup(await loadHighsSolver(), demo, { timeLimitS: 30, now: () => 0 });
});
beforeEach(() => Object.assign(held, { file: demo, edits: [] }));

describe('what is pointed at', () => {
  it('leads on while nothing is', () => {
    render(<Details highlight={null} services={[]} />);
    expect(screen.getByText(/Point at a lens/)).toBeVisible();
  });

  it('is a picture with the lenses that can and those that cannot, each with its arithmetic', async () => {
    const user = userEvent.setup();
    const frame = demo.frames.find((f) => f.id === 'f01')!;
    const services = servicesOf(demo, [frame], null);
    render(<Details highlight={{ kind: 'frame', id: 'f01' }} services={services} />);
    expect(screen.getByRole('heading', { name: 'Start line, all lanes' })).toBeVisible();
    const covered = services.filter((s) => s.shortfall === null).length;
    const unable = services.length - covered;
    expect(screen.getByRole('heading', { name: `Covers it alone (${covered})` })).toBeVisible();
    expect(screen.getByRole('heading', { name: `Can’t (${unable})` })).toBeVisible();
    const first = services.find((s) => s.shortfall !== null)!;
    const [why] = screen.getAllByRole('button', { name: /, why not$/ });
    await user.click(why!);
    const { wideMm, longMm } = first.margins.focalNeeded;
    expect(plain(await screen.findByRole('dialog'))).toContain(
      `${exact(wideMm)} to ${exact(longMm)} mm; the lens has`,
    );
  });

  it('is a lens with its pictures, which is taken or left from there', async () => {
    const user = userEvent.setup();
    const services = servicesOf(demo, demo.frames, 'k-24-70');
    const show = () => <Details highlight={{ kind: 'lens', id: 'k-24-70' }} services={services} />;
    const { rerender } = render(show());
    expect(plain(screen.getByRole('heading', { level: 2 }))).toBe('24–70 mm f/2.8');
    await user.click(screen.getByText('lock in'));
    expect(held.file.limits.lockedIn).toEqual(['k-24-70']);
    rerender(show());
    await user.click(screen.getByText('leave out'));
    expect(held.file.limits).toMatchObject({ lockedIn: [], lockedOut: ['k-24-70'] });
    await user.selectOptions(
      screen.getByLabelText('Picture looked at'),
      'Prize-giving under the awning',
    );
    expect(screen.getByLabelText('Viewfinder: Prize-giving under the awning')).toBeVisible();
  });
});

describe('the table that says what the chart says', () => {
  const data = () => reachData(demo, held.result, null);

  it('has each picture with what it asks for, and each lens, the lineup first', () => {
    render(
      <ReachTable
        data={data()}
        chosen={null}
        onChoose={() => undefined}
        onPoint={() => undefined}
      />,
    );
    const [pictures, lenses] = ['Pictures', 'Lenses'].map((name) =>
      screen.getByRole('region', { name }),
    );
    expect(within(pictures!).getAllByRole('row')).toHaveLength(data().spans.length + 1);
    expect(plain(pictures!)).toMatch(/Shell racing past, near[^°]*°/);
    const rows = within(lenses!).getAllByRole('row').slice(1).map(plain);
    const standing = rows.map((row) => row.includes('in the lineup'));
    expect(standing.filter(Boolean)).toHaveLength(held.result!.lineup.lensIds.length);
    expect(standing.lastIndexOf(true)).toBe(held.result!.lineup.lensIds.length - 1);
  });

  it('lights what is pointed at by keyboard, and keeps what is chosen', async () => {
    const user = userEvent.setup();
    const pointed: (Highlight | null)[] = [];
    const chosen: (Highlight | null)[] = [];
    const show = (now: Highlight | null) => (
      <ReachTable
        data={data()}
        chosen={now}
        onChoose={(h) => chosen.push(h)}
        onPoint={(h) => pointed.push(h)}
      />
    );
    const { rerender } = render(show(null));
    const frame = { kind: 'frame', id: 'f01' } as const;
    const button = screen.getByRole('button', { name: /Start line, all lanes/ });
    button.focus();
    expect(pointed.at(-1)).toEqual(frame);
    await user.keyboard('{Enter}');
    expect(chosen).toEqual([frame]);
    rerender(show(frame));
    expect(button).toHaveAttribute('aria-pressed', 'true');
    await user.keyboard('{Enter}');
    expect(chosen.at(-1)).toBeNull();
    button.blur();
    expect(pointed.at(-1)).toBeNull();
  });
});
