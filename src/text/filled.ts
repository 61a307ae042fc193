/** A sentence with parts that the page draws: links, figures that open, names in bold. */
export type Filled<Part> = readonly (string | Part)[];

/** Writes a sentence as one, with places that the page fills: filled`Tell ${name} where.` */
export function filled<Part>(
  texts: TemplateStringsArray,
  ...parts: readonly (string | Part)[]
): Filled<Part> {
  return texts.flatMap((text, i) => [text, ...parts.slice(i, i + 1)]);
}
