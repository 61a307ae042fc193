/**
 * A number written plainly, as on a command line or in an address: decimals behind a point, no other base,
 * no grouping.
 *
 * @returns NaN for anything else
 */
export function plainNumber(text: string): number {
  return /^[+-]?(?:\d+(?:\.\d*)?|\.\d+)(?:e[+-]?\d+)?$/i.test(text.trim()) ? Number(text) : NaN;
}

const DIGITS_IN_A_SCRIPT = 10;

/** Digits of any script as those of ASCII: each script has its ten in a row. Source: Unicode, category Nd. */
function withPlainDigits(text: string): string {
  return text.replace(/\p{Nd}/gu, (digit) => {
    const code = digit.codePointAt(0) ?? 0;
    let zero = code;
    while (code - zero < DIGITS_IN_A_SCRIPT - 1 && /\p{Nd}/u.test(String.fromCodePoint(zero - 1)))
      zero -= 1;
    return String(code - zero);
  });
}

/** What stands between groups of three digits and is never a decimal mark: spaces, apostrophes, ٬. */
const GROUPING = /(?<=\d)[\s\u00A0\u2009\u202F'’\u066C](?=\d{3}(?!\d))/gu;

/** Digits in groups of three behind commas, or behind points; decimals behind the other mark. */
const IN_COMMAS = /^[+-]?[1-9]\d{0,2}(?:,\d{3})+(?:\.\d*)?$/;
const IN_POINTS = /^[+-]?[1-9]\d{0,2}(?:\.\d{3})+(?:,\d*)?$/;
const isOneMark = (text: string) => text.replace(/[^.,]/g, '').length === 1;

/** The two numbers that one mark before three digits may mean; null for what means one or none. */
export function twoReadings(text: string): readonly [number, number] | null {
  const typed = plainly(text);
  if (!isOneMark(typed) || !(IN_COMMAS.test(typed) || IN_POINTS.test(typed))) return null;
  return [plainNumber(typed.replace(',', '.')), plainNumber(typed.replace(/[.,]/, ''))];
}

/** With digits of ASCII, a point for ٫, and without what only groups. */
const plainly = (text: string) =>
  withPlainDigits(text.trim()).replace('\u066B', '.').replace('\u2212', '-').replace(GROUPING, '');

/**
 * Reads what a person types as a number: digits of any script, a decimal comma or point, groups of three
 * behind commas, points, spaces or apostrophes, and fractions such as 1/250.
 *
 * One mark before three digits may be either. 1.250 is read as decimals, and 1,250 as a thousand and more,
 * where the language has decimal points; where it has decimal commas nobody can tell.
 *
 * @param decimalComma whether decimals begin behind a comma in the person's language
 * @returns null for nothing, undefined for what is no number or may be one of two
 */
export function readNumber(text: string, decimalComma: boolean): number | null | undefined {
  const typed = plainly(text);
  if (typed === '') return null;
  if (twoReadings(typed) !== null)
    return decimalComma ? undefined : plainNumber(typed.replace(',', ''));
  if (IN_COMMAS.test(typed)) return plainNumber(typed.replaceAll(',', ''));
  if (IN_POINTS.test(typed)) return plainNumber(typed.replaceAll('.', '').replace(',', '.'));
  const [whole, over, ...more] = typed.replaceAll(',', '.').split('/').map(plainNumber);
  const value = over === undefined ? whole : whole! / over;
  return more.length === 0 && value !== undefined && Number.isFinite(value) ? value : undefined;
}
