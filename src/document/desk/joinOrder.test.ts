import { join } from './join';

const list = (...ids: string[]) => ({ frames: ids.map((id) => ({ id, name: id })) });
const order = ({ value }: { value: ReturnType<typeof list> }) => value.frames.map((f) => f.id);
const named = (of: ReturnType<typeof list>, id: string) => ({
  frames: of.frames.map((f) => (f.id === id ? { ...f, name: 'mine' } : f)),
});

describe('the order of a list that two tabs change', () => {
  const base = list('a', 'b', 'c');
  it('is theirs where only they moved something, and what I renamed stays renamed', () => {
    const joined = join(base, named(base, 'b'), list('c', 'a', 'b'));
    expect(order(joined)).toEqual(['c', 'a', 'b']);
    expect(joined.value.frames.find((f) => f.id === 'b')?.name).toBe('mine');
  });
  it('is mine where only I did, or both', () => {
    expect(order(join(base, list('b', 'a', 'c'), base))).toEqual(['b', 'a', 'c']);
    expect(order(join(base, list('b', 'a', 'c'), list('c', 'b', 'a')))).toEqual(['b', 'a', 'c']);
  });
  it('leaves what is new behind what it stood behind', () => {
    const joined = join(base, list('a', 'x', 'b', 'c'), list('c', 'a', 'y', 'b'));
    expect(order(joined)).toEqual(['c', 'a', 'x', 'y', 'b']);
  });
});
