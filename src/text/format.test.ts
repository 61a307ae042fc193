import fc from 'fast-check';
import {
  dayText,
  formatAngle,
  formatCrop,
  formatDistances,
  formatEv,
  formatFNumber,
  formatFocalRange,
  formatIso,
  formatMegapixels,
  formatMetres,
  formatMm,
  formatMoney,
  isCropped,
  moneySign,
  formatPercent,
  formatShutter,
  formatStops,
  formatWeight,
  toldApart,
} from './format';
import { counted } from './en/counts';
import { positionTexts, shortfallText } from './en/words';
import { applyUnits } from './units';

const plain = (text: string) => text.replaceAll('\u202F', ' ');
afterEach(() => applyUnits('metric'));

describe('figures as photographers read them', () => {
  it.each([
    [formatMm(50), '50 mm'],
    [formatMm(8.25), '8.3 mm'],
    [formatFocalRange(24, 70), '24–70 mm'],
    [formatFocalRange(300, 300), '300 mm'],
    [formatFNumber(5.657), 'f/5.6'],
    [formatFNumber(1.414), 'f/1.4'],
    [formatAngle(46.79), '47°'],
    [formatAngle(6.19), '6.2°'],
    [formatShutter(1 / 250), '1/250 s'],
    [formatShutter(1 / 1000), '1/1000 s'],
    [formatShutter(2.5), '2.5 s'],
    [formatEv(-3.4), 'EV −3.4'],
    [formatIso(812), 'ISO 810'],
    [formatIso(16_240), 'ISO 16000'],
    [formatStops(-1), '1 stop'],
    [formatStops(0.46), '0.5 stops'],
    [formatCrop(1.4142), '1.41×'],
    [String(isCropped(1.0049)), 'false'],
    [String(isCropped(1.0051)), 'true'],
    [moneySign('EUR'), '€'],
    [moneySign('JPY'), 'JP¥'],
    [moneySign('no currency'), 'no currency'],
    [formatMegapixels(11.52), '11.5 MP'],
    [formatPercent(4.46), '4.5 %'],
    [formatPercent(63.7), '64 %'],
    // Neither is all said of what isn't, nor none of something.
    [formatPercent(99.5), '99.5 %'],
    [formatPercent(99.98), '99.9 %'],
    [formatPercent(99.4), '99 %'],
    [formatPercent(100), '100 %'],
    [formatPercent(100 - 1e-9), '100 %'],
    [formatPercent(0.04), 'under 0.1 %'],
    [formatPercent(0.06), '0.1 %'],
    [formatPercent(0), '0 %'],
    [counted(1, 'lens'), '1 lens'],
    [counted(4.5, 'item'), '4.5 items'],
    [formatMoney(3790, 'EUR'), '€3,790'],
    [formatDistances(60, 90), '60–90 m'],
    [formatDistances(0.15, 0.6), '15 cm–60 cm'],
    [formatWeight(655), '655 g'],
    [formatWeight(2328), '2.33 kg'],
    [formatMoney(5, 'XQQQ'), '5 XQQQ'],
    [formatMoney(12, 'no currency'), '12 no currency'],
    [dayText('2027-06-12'), 'Saturday, 12 June 2027'],
  ])('%s', (text, expected) => {
    expect(plain(text)).toBe(expected);
  });

  it('are never without a unit, whatever the number', () => {
    const any = fc.double({ min: 1e-3, max: 1e6, noNaN: true });
    fc.assert(
      fc.property(any, fc.constantFrom('metric' as const, 'imperial' as const), (value, units) => {
        applyUnits(units);
        for (const text of [formatMm, formatMetres, formatWeight, formatPercent, formatAngle].map(
          (format) => plain(format(value)),
        ))
          expect(text).toMatch(/^(under )?[\d.,]+( ?)(mm|cm|m|in|ft|mi|g|kg|oz|lb|%|°)$/);
      }),
      { seed: 91, numRuns: 200 },
    );
  });
});

describe('figures that are nearly alike', () => {
  it('are told apart by as many digits as it takes', () => {
    expect(toldApart(formatPercent, 60.4, 60)).toEqual(['60.4\u202F%', '60\u202F%']);
    expect(toldApart(formatPercent, 70, 60)).toEqual(['70\u202F%', '60\u202F%']);
    expect(toldApart(formatMm, 50, 50)).toEqual(['50\u202Fmm', '50\u202Fmm']);
    const [covered, missing] = positionTexts('m', [
      [{ from: 0.603, to: 0.9 }],
      [{ from: 0.6, to: 0.603 }],
    ]).map(plain);
    expect([covered, missing]).toEqual(['60.3 cm–90 cm', '60 cm–60.3 cm']);
    const text = shortfallText({ code: 'too-close', byM: 0.003, nearestM: 0.603 });
    expect(plain(text)).toBe('too close by 0.3 cm: usable from 60.3 cm');
  });
});
