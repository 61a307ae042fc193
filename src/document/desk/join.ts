type Value = unknown;
type Fields = Readonly<Record<string, Value>>;

/** Two states that came from one, put together. */
export interface Joined<T> {
  readonly value: T;
  /** Where both changed the same thing differently; `value` has theirs there. */
  readonly conflicts: readonly string[];
}

/**
 * Joins two states that were made from the same one: every change of either is in the result.
 *
 * Lists of things with an id are joined thing by thing, lists of ids as sets; a thing that one side
 * deleted and the other changed stays. Where both changed the same field differently theirs counts and
 * the place is named. Parts that are the same come back as the very same objects.
 */
export function join<T>(base: T, mine: T, theirs: T): Joined<T> {
  const conflicts: string[] = [];
  const value = joinValue(base, mine, theirs, '', conflicts) as T;
  return { value, conflicts };
}

function joinValue(
  base: Value,
  mine: Value,
  theirs: Value,
  at: string,
  conflicts: string[],
): Value {
  if (mine === theirs || same(base, theirs)) return mine;
  if (same(base, mine)) return shared(mine, theirs);
  if (isList(base) && isList(mine) && isList(theirs)) {
    if ([base, mine, theirs].every(isKeyed)) return joinKeyed(base, mine, theirs, at, conflicts);
    if ([base, mine, theirs].every(isSet)) return joinSets(base, mine, theirs);
  }
  if (isFields(base) && isFields(mine) && isFields(theirs) && sameKind(base, mine, theirs))
    return joinFields(base, mine, theirs, at, conflicts);
  if (!same(mine, theirs)) conflicts.push(at);
  return shared(mine, theirs);
}

function joinFields(
  base: Fields,
  mine: Fields,
  other: Fields,
  at: string,
  conflicts: string[],
): Fields {
  const theirs = measuredAs(mine, other);
  const keys = [...new Set([...Object.keys(theirs), ...Object.keys(mine)])];
  const value = Object.fromEntries(
    keys.map((key) => [
      key,
      joinValue(base[key], mine[key], theirs[key], at === '' ? key : `${at}.${key}`, conflicts),
    ]),
  );
  return keys.every((key) => value[key] === mine[key]) ? mine : value;
}

/**
 * Another state of a frame with the distances that this one has, where either is measured on the ground:
 * they are worked out anew from the plan, so that they never conflict.
 */
function measuredAs(mine: Fields, other: Fields): Fields {
  const isMeasured = [mine, other].some(
    (of) => isList(of.standpoints) && of.standpoints.length > 0,
  );
  if (!isMeasured || !isFields(mine.need) || !isFields(other.need)) return other;
  const { fromM, toM, kind } = mine.need;
  const need = other.need.kind === kind ? { ...other.need, fromM, toM } : other.need;
  return { ...other, need, standpoints: mine.standpoints };
}

function joinKeyed(
  base: readonly Value[],
  mine: readonly Value[],
  theirs: readonly Value[],
  at: string,
  conflicts: string[],
): readonly Value[] {
  const [inBase, inMine, inTheirs] = [base, mine, theirs].map(
    (list) => new Map(list.map((item) => [keyOf(item), item])),
  ) as [Map<Value, Value>, Map<Value, Value>, Map<Value, Value>];
  const joined = (key: Value): readonly Value[] => {
    const [b, m, t] = [inBase.get(key), inMine.get(key), inTheirs.get(key)];
    if (m !== undefined && t !== undefined)
      return [joinValue(b, m, t, `${at}[${String(key)}]`, conflicts)];
    if (b === undefined) return [m ?? t];
    const left = m ?? t;
    return left === undefined || same(b, left) ? [] : [left];
  };
  const order = joinOrder([...inBase.keys()], [...inMine.keys()], [...inTheirs.keys()]);
  const value = order.flatMap(joined);
  return value.length === mine.length && value.every((item, i) => item === mine[i]) ? mine : value;
}

/** The order of the side that moved something, mine if both did; what is new stays behind what it stood behind. */
function joinOrder(base: readonly Value[], mine: readonly Value[], theirs: readonly Value[]) {
  const common = new Set(base.filter((key) => mine.includes(key) && theirs.includes(key)));
  const of = (keys: readonly Value[]) => keys.filter((key) => common.has(key));
  const moved = !same(of(mine), of(base));
  const [first, second] = moved ? [mine, theirs] : [theirs, mine];
  const order = [...first];
  second.forEach((key, i) => {
    if (order.includes(key)) return;
    order.splice(order.indexOf(second[i - 1]) + 1, 0, key);
  });
  return order;
}

function joinSets(base: readonly Value[], mine: readonly Value[], theirs: readonly Value[]) {
  return [
    ...theirs.filter((x) => mine.includes(x) || !base.includes(x)),
    ...mine.filter((x) => !base.includes(x) && !theirs.includes(x)),
  ];
}

/** The newer of two values, made of the older one's objects wherever nothing differs. */
export function shared<T>(older: Value, newer: T): T {
  if (older === newer) return newer;
  if (isList(older) && isList(newer)) {
    const before = isKeyed(older) ? new Map(older.map((item) => [keyOf(item), item])) : null;
    const value = newer.map((item, i) => shared(before ? before.get(keyOf(item)) : older[i], item));
    const unchanged = value.length === older.length && value.every((v, i) => v === older[i]);
    return (unchanged ? older : value) as T;
  }
  if (isFields(older) && isFields(newer)) {
    const keys = Object.keys(newer);
    const value = Object.fromEntries(keys.map((key) => [key, shared(older[key], newer[key])]));
    const unchanged =
      keys.length === Object.keys(older).length && keys.every((key) => value[key] === older[key]);
    return (unchanged ? older : value) as T;
  }
  return newer;
}

/** Whether two values say the same, whatever the order of their fields. */
export function same(a: Value, b: Value): boolean {
  if (a === b) return true;
  if (isList(a) && isList(b)) return a.length === b.length && a.every((x, i) => same(x, b[i]));
  if (!isFields(a) || !isFields(b)) return false;
  const keys = Object.keys(a);
  return keys.length === Object.keys(b).length && keys.every((key) => same(a[key], b[key]));
}

function isList(value: Value): value is readonly Value[] {
  return Array.isArray(value);
}

function isFields(value: Value): value is Fields {
  return typeof value === 'object' && value !== null && !isList(value);
}

/** What a thing in a list is known by. */
const KEYS = ['id', 'shooterId', 'bodyId', 'itemId', 'name'] as const;

function keyOf(item: Value): Value {
  if (!isFields(item)) return undefined;
  const key = KEYS.find((name) => typeof item[name] === 'string');
  return key && item[key];
}

/** Whether all things of a list are known by keys of their own. */
function isKeyed(list: readonly Value[]): boolean {
  const keys = list.map(keyOf);
  return !keys.includes(undefined) && new Set(keys).size === keys.length;
}

function isSet(list: readonly Value[]): boolean {
  return list.every((item) => typeof item === 'string') && new Set(list).size === list.length;
}

/** Fields of different kinds do not mix. */
function sameKind(...all: readonly Fields[]): boolean {
  return ['kind', 'by'].every((key) => all.every((fields) => fields[key] === all[0]?.[key]));
}
