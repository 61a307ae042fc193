import { readPhotoTable } from '@/document/formats/photoTable';
import { fileOf, planCodec, settingsCodec, shelfCodec } from '@/document';
import { season } from './season';
import type { Result } from '@/core/result';

const whole = <T>(read: Result<T, { readonly code: string }>): T => {
  if (!read.ok) throw new Error(JSON.stringify(read.error));
  return read.value;
};

describe('a made-up photographer’s year', () => {
  const { shelf, settings, outings, photographs } = season();
  const desk = {
    shelf: whole(shelfCodec.read(shelf)),
    settings: whole(settingsCodec.read(settings)),
  };
  const files = outings.map(({ text }) => fileOf({ ...desk, plan: whole(planCodec.read(text)) }));

  it('has a shelf of her own, and outings that have no gear besides it', () => {
    const owned = desk.shelf.gear.lenses.filter((l) => l.ownership === 'owned');
    expect(owned.length).toBeGreaterThan(5);
    expect(desk.shelf.gear.lenses.some((l) => l.ownership === 'wished' && l.priceNew)).toBe(true);
    for (const file of files) expect(file.shelf).toEqual(desk.shelf.gear);
  });

  it('counts each of its outings for what to buy next', () => {
    const counted = desk.settings.next.outings.map(({ key }) => key);
    expect(counted).toEqual(outings.slice(0, 4).map(({ key }) => key));
  });

  it('has learnt from an outing of the kind of the one that is planned', () => {
    const [planned] = files;
    const former = files.filter((f) => f.outing.lessons !== '');
    expect(former.map((f) => f.outing.genre)).toEqual([planned!.outing.genre]);
  });

  it('has one outing that nobody moves in, told from its plan', () => {
    const [hall] = files;
    expect(hall!.stretches.find((s) => s.stays)?.hands).toHaveLength(3);
    expect(hall!.frames.filter((f) => f.standpoints.length > 0).length).toBeGreaterThan(4);
  });

  it('has photographs of a year, of an outing only where one was photographed', () => {
    const read = readPhotoTable(photographs);
    if (read.code !== 'read') throw new Error(read.code);
    expect(read.photos.length).toBeGreaterThan(10_000);
    const on = ({ outing: { firstDay, lastDay } }: (typeof files)[number]) =>
      read.photos.filter(({ takenMs }) => {
        const day = new Date(takenMs!).toISOString().slice(0, 10);
        return day >= firstDay! && day <= lastDay!;
      }).length;
    expect(files.map(on)).toEqual([0, expect.any(Number), 0, 0, 0]);
    expect(on(files[1]!)).toBeGreaterThan(600);
  });
});
