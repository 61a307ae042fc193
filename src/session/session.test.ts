import { readFileSync } from 'node:fs';
import { deskOf } from '../../tests/support/desk';
import { decode, type OutingFile, planCodec, setLimits } from '@/document';
import type { StoredRecord } from '@/document/live';
import { createSession } from './session';

const DEMO = readFileSync('demo/regatta.armreach.json', 'utf8');
const demoFile = (): OutingFile => {
  const read = decode(DEMO);
  if (!read.ok) throw new Error(read.error.code);
  return read.value;
};
const asked: unknown[] = [];
const stored = new Map<string, unknown>();

jest.mock('@/workers/lineupClient', () => ({
  createLineupClient: () => ({
    ask: (question: unknown) => asked.push(question),
    close: () => undefined,
    warm: () => undefined,
  }),
}));
const broken = { refuses: false };
jest.mock('localforage', () => ({
  createInstance: ({ name }: { name: string }) => {
    const at = (key: string) => `${name}/${key}`;
    const own = () => [...stored.keys()].filter((key) => key.startsWith(`${name}/`));
    const or = async <T>(value: () => T) => {
      if (broken.refuses) throw new Error('storage is switched off');
      return value();
    };
    return {
      getItem: (key: string) => or(() => stored.get(at(key)) ?? null),
      setItem: (key: string, value: unknown) => or(() => void stored.set(at(key), value)),
      removeItem: (key: string) => or(() => void stored.delete(at(key))),
      keys: () => or(() => own().map((key) => key.slice(name.length + 1))),
      iterate: (each: (value: unknown, key: string) => void) =>
        or(() => own().forEach((key) => each(stored.get(key), key.slice(name.length + 1)))),
    };
  },
}));
const recordOf = (key: string) =>
  stored.get(`arm-reach-records/${key}`) as StoredRecord | undefined;
const store = (key: string, text: string, revision = 1) =>
  stored.set(`arm-reach-records/${key}`, {
    revision,
    stateId: `${key}${revision}`,
    name: key,
    createdAt: revision,
    savedAt: revision,
    deletedAt: null,
    text,
  } satisfies StoredRecord);
const planOf = (change: Partial<OutingFile>) =>
  planCodec.write(deskOf({ ...demoFile(), ...change }).plan);

const rest = (ms = 0) => new Promise((resolve) => setTimeout(resolve, ms));
const fetchGives = (text: string, ok = true) =>
  Object.assign(globalThis, {
    fetch: async () => ({ ok, status: ok ? 200 : 500, text: async () => text }),
  });

async function started() {
  const session = createSession();
  const end = session.start();
  await rest(50);
  return {
    session,
    end,
    state: session.state.getState(),
    file: session.document.store.getState().file,
  };
}

beforeEach(() => {
  asked.length = 0;
  stored.clear();
  localStorage.clear();
  sessionStorage.clear();
  fetchGives(DEMO);
});

test('a first visit opens the demo, asks for its lineup and stores it', async () => {
  const { session, state, file, end } = await started();
  expect(state).toMatchObject({ phase: 'open', firstVisit: true, asides: [] });
  expect({ ...file, ties: null }).toEqual(demoFile());
  expect(asked).toHaveLength(1);
  await rest(400);
  expect(recordOf('outing:demo')?.name).toBe(demoFile().outing.name);
  expect(recordOf('shelf')).toBeUndefined();
  expect(session.state.getState().saveState).toBe('saved');
  expect(session.document.store.getState().past).toHaveLength(0);
  end();
});

test('a second visit opens what the tab had open, else what was opened last, else the newest', async () => {
  store('outing:a', planOf({ frames: [] }), 3);
  store('outing:b', planOf({ frames: demoFile().frames.slice(0, 2) }), 2);
  store('outing:c', planOf({ frames: demoFile().frames.slice(0, 3) }), 1);
  const frames = async () => {
    const { file, state, end } = await started();
    expect(state.firstVisit).toBe(false);
    end();
    return file?.frames.length;
  };
  expect(await frames()).toBe(0);
  localStorage.setItem('arm-reach-open', 'outing:b');
  sessionStorage.removeItem('arm-reach-open');
  expect(await frames()).toBe(2);
  sessionStorage.setItem('arm-reach-open', 'outing:c');
  expect(await frames()).toBe(3);
  store('outing:c', '', 4);
  stored.set('arm-reach-records/outing:c', { ...recordOf('outing:c')!, deletedAt: 5 });
  expect(await frames()).toBe(0);
});

test('leaving the page leaves what is not written yet, which the next visit takes', async () => {
  const { session, end } = await started();
  await rest(400);
  const left = () => Object.keys(localStorage).filter((key) => key.startsWith('arm-reach-left'));
  window.dispatchEvent(new Event('pagehide'));
  expect(left()).toEqual([]);
  session.document.edit(setLimits({ maxLenses: 3 }));
  window.dispatchEvent(new Event('pagehide'));
  expect(left()).toHaveLength(1);
  await rest(50);
  expect(left()).toEqual([]);
  end();
  const again = await started();
  expect(again.file?.limits.maxLenses).toBe(3);
  again.end();
});

test('a browser that refuses to store is said at once, and work goes on', async () => {
  broken.refuses = true;
  const { session, state, file, end } = await started();
  expect(state).toMatchObject({ phase: 'open', saveState: 'refused' });
  expect(file?.frames.length).toBeGreaterThan(0);
  session.document.edit(setLimits({ maxLenses: 3 }));
  await rest(300);
  expect(session.state.getState().saveState).toBe('refused');
  expect(session.document.store.getState().file?.limits.maxLenses).toBe(3);
  broken.refuses = false;
  end();
});

test('what cannot be read is set aside with the reason, every one of them, and another outing is opened', async () => {
  store('outing:a', '{"format":"armreach-plan"', 3);
  store('outing:b', planOf({ frames: [] }), 2);
  const first = await started();
  expect(first.state).toMatchObject({ phase: 'open', firstVisit: false });
  expect(first.file?.frames).toEqual([]);
  expect(first.session.state.getState().asides).toMatchObject([
    { text: '{"format":"armreach-plan"' },
  ]);
  expect(recordOf('outing:a')?.text).toBe('{"format":"armreach-plan"');
  first.end();
});

test('what a newer Arm Reach has stored is not touched; another outing is opened, and why is said', async () => {
  store('outing:a', planOf({}).replace(/"version": \d+/, '"version": 42'), 3);
  store('outing:b', planOf({ frames: [] }), 2);
  localStorage.setItem('arm-reach-open', 'outing:a');
  const { state, file, end } = await started();
  expect(state).toMatchObject({ phase: 'open', news: { kind: 'newer-outing' } });
  expect(file?.frames).toEqual([]);
  await rest(400);
  expect(recordOf('outing:a')?.revision).toBe(3);
  end();
});

test.each([[null], [7], [['x']]])(
  'a record that is %j is set aside, and the other outings are there',
  async (record) => {
    store('outing:b', planOf({ frames: [] }), 2);
    stored.set('arm-reach-records/outing:a', record);
    localStorage.setItem('arm-reach-open', 'outing:a');
    const { session, state, file, end } = await started();
    expect(state.phase).toBe('open');
    expect(file?.frames).toEqual([]);
    expect(session.state.getState().asides).toMatchObject([{ text: JSON.stringify(record) }]);
    const listed = await (await session.library()).list();
    expect(listed.map((e) => e.key).sort()).toEqual(['outing:a', 'outing:b']);
    end();
  },
);

test('a demo that cannot be fetched is said, with what to do', async () => {
  fetchGives('', false);
  const { state, end } = await started();
  expect(state.phase).toBe('failed');
  expect(state.problem).toContain('Reload the page');
  end();
});

test('the lineup is asked for anew when a stretch changes, or what is packed under a limit on it', async () => {
  const { session, end } = await started();
  const pack = (packing: Partial<OutingFile['packing']>) =>
    session.document.edit((file) => ({ ...file, packing: { ...file.packing, ...packing } }));
  session.document.edit((file) => ({
    ...file,
    stretches: file.stretches.map((s) => ({ ...s, changes: false })),
  }));
  expect(asked).toHaveLength(2);
  pack({ bagWeightG: 900 });
  expect(asked).toHaveLength(2);
  session.document.edit(setLimits({ maxCarriedWeightG: 9000 }));
  expect(asked).toHaveLength(3);
  pack({ bagWeightG: 1200 });
  expect(asked).toHaveLength(4);
  pack({ ticked: ['rain'] });
  expect(asked).toHaveLength(4);
  end();
});

test('the lineup is asked for anew only when frames, shelf or limits change', async () => {
  const { session, end } = await started();
  session.document.edit((file) => ({ ...file, outing: { ...file.outing, name: 'Another name' } }));
  expect(asked).toHaveLength(1);
  session.document.edit(setLimits({ maxLenses: 2 }));
  expect(asked).toHaveLength(2);
  session.document.undo();
  expect(asked).toHaveLength(3);
  end();
  session.document.edit(setLimits({ maxLenses: 1 }));
  expect(asked).toHaveLength(3);
});
