/**
 * A field's path as people know it: the name of the nearest thing that has one, then the rest of the
 * path: `frames[3].need.toM` becomes `“Finish, tight”, need.toM`.
 *
 * @param whole what the path leads through, or parts of it by name
 */
export function fieldPathText(path: string, whole: object): string {
  const keys = path.split(/[.[\]]+/).filter((key) => key !== '');
  for (const root of [whole, ...Object.values(whole as Record<string, object>)]) {
    let at: unknown = root;
    let named: { readonly name: string; readonly rest: readonly string[] } | null = null;
    keys.forEach((key, i) => {
      at = isObject(at) ? at[key] : undefined;
      if (isObject(at) && typeof at.name === 'string')
        named = { name: at.name, rest: keys.slice(i + 1) };
    });
    if (named !== null) {
      const { name, rest } = named as { name: string; rest: readonly string[] };
      return `“${name.slice(0, 80)}”, ${rest.join('.') || 'it'}`;
    }
  }
  return path || 'the outing';
}

function isObject(value: unknown): value is Record<string, unknown> {
  return typeof value === 'object' && value !== null;
}
