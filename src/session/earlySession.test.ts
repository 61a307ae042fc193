import { readFileSync } from 'node:fs';
import { openSession, startEarly } from './earlySession';

const DEMO = readFileSync('demo/regatta.armreach.json', 'utf8');
const clients: { asked: number; closed: boolean }[] = [];

jest.mock('@/workers/lineupClient', () => ({
  createLineupClient: () => {
    const client = { asked: 0, closed: false };
    clients.push(client);
    return {
      ask: () => void (client.asked += 1),
      close: () => void (client.closed = true),
      warm: () => undefined,
    };
  },
}));
jest.mock('localforage', () => ({
  createInstance: () => ({
    getItem: async () => null,
    setItem: async () => undefined,
    removeItem: async () => undefined,
    keys: async () => [],
    iterate: async () => undefined,
  }),
}));

const rest = (ms = 60) => new Promise((resolve) => setTimeout(resolve, ms));
const fetched: string[] = [];
beforeEach(() => {
  clients.length = 0;
  fetched.length = 0;
  Object.assign(globalThis, {
    fetch: async (address: string) => {
      fetched.push(address);
      return { ok: true, status: 200, text: async () => DEMO };
    },
  });
});

test('what was started early is what the page opens, once', async () => {
  startEarly();
  await rest();
  const opening = openSession();
  expect(opening.session.state.getState().phase).toBe('open');
  const end = opening.start();
  await rest();
  expect(clients).toEqual([{ asked: 1, closed: false }]);
  expect(fetched).toEqual(['/api/demo']);
  end();
  expect(clients[0]?.closed).toBe(true);
  expect(openSession().session).not.toBe(opening.session);
});

test('a page that ends its session and starts it again gets a client of its own', async () => {
  startEarly();
  const { session, start } = openSession();
  start()();
  expect(clients).toEqual([{ asked: 0, closed: true }]);
  const end = start();
  await rest();
  expect(clients).toHaveLength(2);
  expect(clients[1]?.closed).toBe(false);
  expect(session.state.getState().phase).toBe('open');
  end();
});

test('without an early start the page starts one itself', async () => {
  const { session, start } = openSession();
  await rest();
  expect(clients).toHaveLength(0);
  expect(session.state.getState().phase).toBe('opening');
  const end = start();
  await rest();
  expect(session.state.getState()).toMatchObject({ phase: 'open', firstVisit: true });
  expect(clients).toHaveLength(1);
  end();
});
