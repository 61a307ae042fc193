import { readFileSync } from 'node:fs';
import { decode, encode, type OutingFile, setLimits } from '@/document';
import { createSession } from './session';

const DEMO = readFileSync('demo/regatta.armreach.json', 'utf8');
const demoFile = (): OutingFile => {
  const read = decode(DEMO);
  if (!read.ok) throw new Error(read.error.message);
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
jest.mock('localforage', () => ({
  createInstance: () => ({
    getItem: async (key: string) => stored.get(key) ?? null,
    setItem: async (key: string, value: unknown) => void stored.set(key, value),
    removeItem: async (key: string) => void stored.delete(key),
  }),
}));

const rest = (ms = 0) => new Promise((resolve) => setTimeout(resolve, ms));
const fetchGives = (text: string, ok = true) =>
  Object.assign(globalThis, {
    fetch: async () => ({ ok, status: ok ? 200 : 500, text: async () => text }),
  });

async function started() {
  const session = createSession();
  const end = session.start();
  await rest(10);
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
  fetchGives(DEMO);
});

test('a first visit opens the demo, asks for its lineup and stores it', async () => {
  const { session, state, file, end } = await started();
  expect(state).toMatchObject({ phase: 'open', firstVisit: true, aside: null });
  expect(file).toEqual(demoFile());
  expect(asked).toHaveLength(1);
  await rest(400);
  expect(stored.get('current-outing')).toBe(encode(demoFile()));
  expect(session.state.getState().saveState).toBe('saved');
  expect(session.document.store.temporal.getState().pastStates).toHaveLength(0);
  end();
});

test('a second visit opens what is stored', async () => {
  stored.set('current-outing', encode({ ...demoFile(), frames: [] }));
  const { state, file, end } = await started();
  expect(state.firstVisit).toBe(false);
  expect(file?.frames).toEqual([]);
  end();
});

test('what was kept when the page was left comes before what was written earlier', async () => {
  stored.set('current-outing', encode(demoFile()));
  localStorage.setItem('arm-reach-kept', encode({ ...demoFile(), frames: [] }));
  const { file, end } = await started();
  expect(file?.frames).toEqual([]);
  await rest(400);
  expect(localStorage.getItem('arm-reach-kept')).toBeNull();
  expect(stored.get('current-outing')).toBe(encode({ ...demoFile(), frames: [] }));
  end();
});

test('leaving the page keeps what is not written yet, and only that', async () => {
  const { session, end } = await started();
  await rest(400);
  window.dispatchEvent(new Event('pagehide'));
  expect(localStorage.getItem('arm-reach-kept')).toBeNull();
  session.document.edit(setLimits({ maxLenses: 3 }));
  window.dispatchEvent(new Event('pagehide'));
  expect(localStorage.getItem('arm-reach-kept')).toContain('"maxLenses": 3');
  end();
});

test('what cannot be read is set aside with the reason, and stays there', async () => {
  stored.set('current-outing', '{"format":"armreach","version":42}');
  const first = await started();
  expect(first.state).toMatchObject({
    phase: 'open',
    firstVisit: false,
    aside: { text: '{"format":"armreach","version":42}' },
  });
  expect(first.state.aside?.reason).toContain('version 42');
  await rest(400);
  first.end();
  const second = await started();
  expect(second.state.aside?.text).toContain('42');
  await second.session.storage.dropAside();
  expect(await second.session.storage.loadAside()).toBeNull();
  second.end();
});

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
