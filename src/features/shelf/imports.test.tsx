import '@testing-library/jest-dom';
import { render, screen, within } from '@testing-library/react';
import userEvent from '@testing-library/user-event';
import { demoFile, held } from '../../../tests/support/render';
import { CsvImport } from './CsvImport';
import { LensfunImport } from './LensfunImport';

jest.mock('@/session', () => ({
  ...jest.requireActual('../../../tests/support/render').sessionStandIn,
  useSession: () => ({ document: { undo: () => undefined } }),
  download: () => undefined,
}));

beforeEach(() => Object.assign(held, { file: demoFile(), result: null, edits: [] }));

/** jsdom's files have no text(). */
function fileOf(name: string, text: string): File {
  return Object.assign(new File([text], name), { text: async () => text });
}

const DATABASE = `<lensdatabase version="1">
  <mount><name>Alder A</name><compat>Birch B</compat></mount><mount><name>Birch B</name></mount>
  <camera><maker>Alder</maker><model>One</model><mount>Alder A</mount><cropfactor>2</cropfactor></camera>
  <lens><maker>Alder</maker><model>20mm f/2</model><mount>Alder A</mount><cropfactor>2</cropfactor></lens>
  <lens><maker>Alder</maker><model>Long 100-300mm f/4-5.6</model><mount>Alder A</mount><mount>Birch B</mount><cropfactor>2</cropfactor></lens>
  <lens><maker>Alder</maker><model>Riddle</model><mount>Birch B</mount><cropfactor>2</cropfactor></lens>
</lensdatabase>`;

describe('the open lens database', () => {
  const openWith = async (...files: File[]) => {
    const user = userEvent.setup();
    render(<LensfunImport open onClose={() => undefined} />);
    await user.upload(screen.getByLabelText('Database files'), files);
    return user;
  };

  it('is read, chosen from by mount, and taken over with nothing made up', async () => {
    const user = await openWith(fileOf('a.xml', DATABASE));
    expect(
      await screen.findByText(
        /Read 2 lenses, 1 camera and 2 mounts; skipped 0 built into cameras and 1/,
      ),
    ).toBeVisible();
    expect(screen.getByText(/Riddle: no focal length given/)).toBeInTheDocument();
    const [mounts, cameras, lenses] = ['Mounts', 'Cameras', 'Lenses'].map((name) =>
      within(screen.getByRole('group', { name })),
    );
    expect(lenses!.getByText('Choose a mount first')).toBeVisible();
    await user.click(mounts!.getByRole('checkbox', { name: 'Alder A' }));
    await user.click(cameras!.getByRole('checkbox'));
    await user.click(lenses!.getByRole('button', { name: 'All' }));
    await user.click(screen.getByRole('button', { name: 'Add 1 camera and 2 lenses' }));
    const added = held.file.shelf.lenses.slice(demoFile().shelf.lenses.length);
    expect(added).toMatchObject([
      { name: '20mm f/2', mount: 'Alder A', weightG: null, priceNew: null, minFocusM: null },
      { name: 'Long 100-300mm f/4-5.6', mount: 'Alder A', focal: { wideMm: 100, longMm: 300 } },
    ]);
    expect(held.file.shelf.bodies.at(-1)).toMatchObject({
      name: 'One',
      sensor: { widthMm: 17.31, heightMm: 12.98, pixelsWide: null },
    });
    expect(held.file.shelf.mounts.at(-1)).toEqual({ name: 'Alder A', accepts: [] });
  });

  it('takes compatibility over only when asked, and only among chosen mounts', async () => {
    const user = await openWith(fileOf('a.xml', DATABASE));
    await screen.findByText(/Read 2 lenses/);
    await user.click(
      within(screen.getByRole('group', { name: 'Mounts' })).getByRole('button', { name: 'All' }),
    );
    await user.click(
      within(screen.getByRole('group', { name: 'Lenses' })).getByRole('button', { name: 'All' }),
    );
    await user.click(screen.getByRole('checkbox', { name: /mounts accept which/ }));
    await user.click(screen.getByRole('button', { name: 'Add 0 cameras and 3 lenses' }));
    expect(held.file.shelf.mounts.find((m) => m.name === 'Alder A')).toEqual({
      name: 'Alder A',
      accepts: ['Birch B'],
    });
  });

  it('says which of many files cannot be read, and reads the others', async () => {
    await openWith(
      fileOf('good.xml', DATABASE),
      fileOf('bad.xml', '<lensdatabase>'),
      fileOf('other.xml', '<html></html>'),
    );
    expect(await screen.findByText(/bad\.xml: The file is not well-formed XML/)).toBeVisible();
    expect(screen.getByText(/other\.xml: The file has no <lensdatabase>/)).toBeVisible();
    expect(screen.getByText(/Read 2 lenses/)).toBeVisible();
  });
});

describe('a table of lenses', () => {
  it('tells what replaces a lens on the shelf, and adds nothing until it is told to', async () => {
    const user = userEvent.setup();
    let closed = 0;
    render(<CsvImport open onClose={() => (closed += 1)} />);
    const table =
      'id,name,mount,wide_mm,f_numbers\nk-50,My fifty,Quillmar K,50,1.7\n,Other,Quillmar K,x,2\n';
    await user.upload(screen.getByLabelText('CSV table of lenses'), fileOf('lenses.csv', table));
    expect(
      await screen.findByText(
        /1 lens can be added; 1 of them replace lenses with the same id; 1 cell needs fixing/,
      ),
    ).toBeVisible();
    expect(screen.getByText('line 3, wide_mm')).toBeVisible();
    expect(held.file.shelf.lenses.find((l) => l.id === 'k-50')?.name).toBe('50 mm f/1.8');
    await user.click(screen.getByRole('button', { name: 'Add 1 lens' }));
    expect(held.file.shelf.lenses.find((l) => l.id === 'k-50')?.name).toBe('My fifty');
    expect(closed).toBe(1);
  });
});
