import * as z from 'zod';

/**
 * The same schema, which does not look again at the things in its lists that it has found good: an
 * edit changes one of five thousand. What a list or an object as a whole must hold is looked at each
 * time.
 */
export function remembering<T>(schema: z.ZodType<T>): z.ZodType<T> {
  return rebuilt(schema as unknown as z.core.$ZodType) as unknown as z.ZodType<T>;
}

type Type = z.core.$ZodType;

function rebuilt(schema: Type): Type {
  const { def } = schema._zod;
  if (isObject(def))
    return z.clone(schema, {
      ...def,
      shape: Object.fromEntries(
        Object.entries(def.shape).map(([key, part]) => [key, rebuilt(part)]),
      ),
    } as never);
  if (isArray(def) && isObject(def.element._zod.def))
    return z.clone(schema, { ...def, element: knowing(def.element) } as never);
  return schema;
}

const isObject = (def: z.core.$ZodTypeDef): def is z.core.$ZodObjectDef => def.type === 'object';
const isArray = (def: z.core.$ZodTypeDef): def is z.core.$ZodArrayDef => def.type === 'array';

/** A schema that takes what it has given out, or found good, as it is. */
function knowing(schema: Type): Type {
  const good = new WeakSet<object>();
  return z.unknown().transform((value, context) => {
    if (typeof value === 'object' && value !== null && good.has(value)) return value;
    const read = z.safeParse(schema, value, { reportInput: true });
    if (!read.success) {
      context.issues.push(...(read.error.issues as unknown as typeof context.issues));
      return z.NEVER;
    }
    const result = JSON.stringify(read.data) === JSON.stringify(value) ? value : read.data;
    if (typeof result === 'object' && result !== null) good.add(result);
    return result;
  });
}
