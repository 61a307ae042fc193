import { aLens } from '../../../tests/support/gear';
import {
  gearFromDatabase,
  LENS_COLUMNS,
  LENS_CSV_TEMPLATE,
  mergeDatabases,
  readLensCsv,
  readLensfun,
  writeLensCsv,
} from './index';

const NONE = new Set<string>();

describe('lens tables', () => {
  const lenses = [
    aLens('a', 24, 105, [4, 5.6], {
      measured: { wideMm: 24.5, longMm: 103 },
      sealed: false,
      weightG: null,
    }),
    aLens('b', 15, 15, 2.8, {
      projection: 'equisolid',
      name: '=SUM(1;2)',
      maker: 'Quillmar, Ltd "Q"',
      autofocus: null,
    }),
  ];

  it('come back as they went out, formulas and quotes included', () => {
    const text = writeLensCsv(lenses);
    expect(text.split('\n')[0]).toBe(LENS_COLUMNS.join(','));
    expect(text).toContain("'=SUM");
    expect(readLensCsv(text, NONE)).toEqual({ lenses, issues: [] });
  });

  it('read the template, semicolons, decimal commas and a byte-order mark', () => {
    expect(readLensCsv(LENS_CSV_TEMPLATE, NONE)).toMatchObject({
      lenses: [{ id: 'invented-24-105-mm-f-4-5-6' }],
      issues: [],
    });
    const table =
      '\uFEFFname;mount;wide_mm;long_mm;f_numbers;weight_g\nZoom;M;24;70;2.8-4;512,5\nPrime;M;50;;f/1.8;\n';
    expect(readLensCsv(table, NONE)).toMatchObject({
      issues: [],
      lenses: [
        { weightG: 512.5, apertures: [{ fNumber: 2.8 }, { focalMm: 70, fNumber: 4 }] },
        {
          weightG: null,
          focal: { wideMm: 50, longMm: 50 },
          apertures: [{ focalMm: 50, fNumber: 1.8 }],
        },
      ],
    });
  });

  it('report what cannot be read by line and column, and keep the rest', () => {
    const table =
      'name,mount,wide_mm,long_mm,f_numbers,ownership\nGood,M,50,50,2,owned\nBad,M,70,24,2.8,owned\nWorse,M,fifty,,fast,mine\n';
    const { lenses: read, issues } = readLensCsv(table, NONE);
    expect(read.map((l) => l.name)).toEqual(['Good']);
    expect(issues).toContainEqual({
      line: 3,
      column: 'long_mm',
      problem: { code: 'field', problem: { rule: 'long-end-shorter' } },
    });
    expect(issues).toContainEqual({
      line: 4,
      column: 'wide_mm',
      problem: { code: 'not-a-number', got: 'fifty' },
    });
    expect(readLensCsv('name,weight\nx,1\n', NONE).issues.map((i) => i.column)).toEqual([
      'mount',
      'wide_mm',
      'f_numbers',
    ]);
  });
});

describe('the open lens database', () => {
  const file = (version: string, body: string) =>
    `<?xml version="1.0"?><lensdatabase version="${version}">${body}</lensdatabase>`;
  const LENS = `<lens><maker>Quillmar</maker><maker lang="en">Quillmar Optics</maker><model>Zoom 24-70mm f/2.8-4</model><mount>Quillmar K</mount><mount>Tessendorn T</mount><cropfactor>1.0</cropfactor>
    <calibration><distortion model="ptlens" focal="24" real-focal="24.6" a="0" b="0" c="0"/><distortion model="ptlens" focal="70" real-focal="68.2" a="0" b="0" c="0"/></calibration></lens>`;
  const read = (xml: string) => {
    const result = readLensfun(xml);
    if (!result.ok) throw new Error(result.error.code);
    return result.value;
  };

  it('gives lenses of both versions, with the real focal lengths of version 2 as the measured range', () => {
    const { lenses } = read(file('2', LENS));
    expect(lenses).toEqual([
      {
        maker: 'Quillmar',
        model: 'Zoom 24-70mm f/2.8-4',
        mounts: ['Quillmar K', 'Tessendorn T'],
        focal: { wideMm: 24, longMm: 70 },
        measured: { wideMm: 24.6, longMm: 68.2 },
        apertures: [
          { focalMm: 24, fNumber: 2.8 },
          { focalMm: 70, fNumber: 4 },
        ],
        projection: 'rectilinear',
      },
    ]);
    expect(read(file('1', LENS)).lenses).toHaveLength(1);
  });

  it.each([
    ['Old 2,8/35 Flektor', [35, 35, 2.8]],
    ['Old 2.8-3.5/25-45', [25, 45, 2.8]],
    ['TF16-55mmF2.8 W', [16, 55, 2.8]],
    ['K-F 28-80mm 1:3.5-5.6', [28, 80, 3.5]],
  ])('reads ranges and f-numbers from a name like %s', (model, [wide, long, f]) => {
    const [lens] = read(
      file('1', `<lens><model>${model}</model><mount>K</mount><cropfactor>1</cropfactor></lens>`),
    ).lenses;
    expect([lens?.focal.wideMm, lens?.focal.longMm, lens?.apertures[0]?.fNumber]).toEqual([
      wide,
      long,
      f,
    ]);
  });

  it('takes mounts with what they accept, cameras with their crop factor, and passes over built-in lenses', () => {
    const xml = file(
      '1',
      `<mount><name>Quillmar K</name><compat>Old Screw</compat></mount>
      <camera><maker>Quillmar</maker><model>K9</model><mount>Quillmar K</mount><cropfactor>1.5</cropfactor></camera>
      <camera><maker>Pip</maker><model>Pocket</model><mount>pipPocket</mount><cropfactor>6</cropfactor></camera>
      <lens><model>Standard</model><mount>pipPocket</mount><cropfactor>6</cropfactor></lens>
      <lens><model>Nameless</model><mount>Quillmar K</mount><cropfactor>1</cropfactor></lens>`,
    );
    const database = mergeDatabases([read(xml), read(file('1', LENS))]);
    expect(database).toMatchObject({
      mounts: [{ name: 'Quillmar K', accepts: ['Old Screw'] }],
      cameras: [{ model: 'K9', cropFactor: 1.5 }],
      fixedLenses: 1,
    });
    expect(database.skipped).toEqual([{ name: 'Nameless', reason: 'no-focal-length' }]);
    const gear = gearFromDatabase(
      database,
      {
        mounts: new Set(['Quillmar K']),
        cameras: database.cameras,
        lenses: database.lenses,
        compatibility: false,
      },
      NONE,
    );
    expect(gear.lenses).toMatchObject([{ mount: 'Quillmar K', weightG: null, minFocusM: null }]);
    expect(gear.bodies[0]?.sensor).toEqual({
      widthMm: 24,
      heightMm: 16,
      pixelsWide: null,
      pixelsHigh: null,
    });
    expect(gear.mounts).toEqual([{ name: 'Quillmar K', accepts: [] }]);
  });

  it('refuses what is no such database, and says why', () => {
    expect(readLensfun('<a><b></a>')).toMatchObject({ ok: false, error: { code: 'not-xml' } });
    expect(readLensfun('<other/>')).toMatchObject({ ok: false, error: { code: 'not-lensfun' } });
    expect(readLensfun(file('9', ''))).toMatchObject({
      ok: false,
      error: { code: 'unknown-version' },
    });
  });
});
