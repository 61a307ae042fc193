/** The parts of piexifjs that write Exif; it ships no types. Texts are strings of bytes. */
declare module 'piexifjs' {
  type Rational = readonly [number, number];
  type Value = string | number | Rational | readonly Rational[];
  export type Ifd = Readonly<Record<number, Value>>;
  const piexif: {
    readonly TAGS: Record<'Image' | 'Exif', Record<number, { name: string; type: string }>>;
    dump(data: { readonly '0th'?: Ifd; readonly Exif?: Ifd }): string;
    insert(exif: string, jpeg: string): string;
  };
  export default piexif;
}
