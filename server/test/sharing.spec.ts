import request from 'supertest';
import type TestAgent from 'supertest/lib/agent';
import type { SharingState } from '@ft/contract/sharing';
import { TOKEN_HEADER } from '@ft/contract/token';
import { networkDoor } from '../src/network/door';
import type { TestProgram } from './helpers';
import { DEMO, performerChange, putSmallDemo, startProgram } from './helpers';

let program: TestProgram;
const HOST = '127.0.0.1:4748';

beforeEach(async () => {
  program = await startProgram();
  await putSmallDemo(program);
});
afterEach(() => program.close());

const network = (): TestAgent =>
  request.agent(program.network).set('Host', HOST).set(TOKEN_HEADER, program.token);

async function opened(): Promise<void> {
  await program.api.put('/api/sharing').send({ isOpen: true }).expect(200);
}

async function offer(role: string): Promise<string> {
  const answer = await program.api.post('/api/sharing/offers').send({ role }).expect(200);
  return (answer.body as SharingState).offer!.code;
}

/** A tablet on the studio network, paired. */
async function paired(role: 'edit' | 'tick', name = 'Tablet at the bay'): Promise<TestAgent> {
  const tablet = network();
  const code = await offer(role);
  const answer = await tablet.post('/api/pair').send({ code, name }).expect(201);
  const [cookie = ''] = answer.headers['set-cookie'] as unknown as string[];
  expect(cookie).toMatch(/HttpOnly; SameSite=Strict$/);
  return tablet.set('Cookie', cookie.split(';')[0]!);
}

const tickChange = (id = 'tick-0001'): object => {
  const item = { id: 'bay-a/upper-1/1', to: 'bay-a/lower-2/1', stock: 'tt-short' };
  return { author: 'tablet', change: { id, label: 'Plugged', edits: [{ type: 'plug.add', item }] } };
};

describe('the studio network', () => {
  it('is closed at first, and says nothing to a tablet that is not paired', async () => {
    const state = (await program.api.get('/api/sharing').expect(200)).body as SharingState;
    expect(state).toEqual({ isOpen: false, addresses: [], tablets: [], offer: null });
    const answer = await network().get(DEMO).expect(401);
    expect(answer.body).toMatchObject({ code: 'not-paired' });
    await program.api.post('/api/sharing/offers').send({ role: 'edit' }).expect(409);
  });

  it('cannot open itself, nor list or make codes', async () => {
    await opened();
    const tablet = await paired('edit');
    await tablet.get('/api/sharing').expect(404);
    await tablet.post('/api/sharing/offers').send({ role: 'edit' }).expect(404);
    await tablet.put('/api/sharing').send({ isOpen: false }).expect(404);
  });

  it('answers to its own address only, and not to pages of other sites', async () => {
    await opened();
    const tablet = await paired('edit');
    await tablet.get(DEMO).set('Host', 'studio.example').expect(403);
    await tablet.get(DEMO).set('Host', HOST).set('Origin', 'http://elsewhere.example').expect(403);
    await tablet.get(DEMO).set('Host', HOST).set('Origin', `http://${HOST}`).expect(200);
  });

  it('shows a link with a QR code for each address', async () => {
    await opened();
    const code = await offer('edit');
    const { offer: shown, addresses } = (await program.api.get('/api/sharing')).body as SharingState;
    expect(shown!.links.map(({ address }) => address)).toEqual(
      addresses.map((address) => `${address}/pair?code=${code}`),
    );
    for (const { qrSvg } of shown!.links) expect(qrSvg).toMatch(/^<svg/);
    expect(code).toMatch(/^\d{8}$/);
  });
});

describe('a paired tablet', () => {
  it('edits, and the history names it', async () => {
    await opened();
    const tablet = await paired('edit', 'Desk tablet');
    await tablet.post(`${DEMO}/changes`).send(performerChange('Ada', 'Imke Tarrow')).expect(200);
    await program.api.post(`${DEMO}/changes`).send(performerChange('Imke Tarrow', 'Ada')).expect(200);
    const { entries } = (await program.api.get(`${DEMO}/history`)).body as { entries: { tablet?: string }[] };
    expect(entries.map((entry) => entry.tablet)).toEqual([undefined, 'Desk tablet']);
    expect((await tablet.get('/api/me')).body).toEqual({ tablet: { name: 'Desk tablet', role: 'edit' } });
    expect((await program.api.get('/api/me')).body).toEqual({ tablet: null });
  });

  it('that may only tick ticks, takes ticks back, and nothing else', async () => {
    await opened();
    const tablet = await paired('tick');
    await tablet.post(`${DEMO}/changes`).send(tickChange()).expect(200);
    // Pointing at something changes nothing: whoever stands at the bay may.
    const pointing = { window: 'b'.repeat(32), ref: { kind: 'cord', id: 'cord-1' } };
    await tablet.put(`${DEMO}/pointing`).send(pointing).expect(204);
    const refused = await tablet
      .post(`${DEMO}/changes`)
      .send(performerChange('Ada', 'Imke Tarrow'))
      .expect(403);
    expect(refused.body).toMatchObject({ code: 'may-only-tick' });
    await tablet.delete(DEMO).expect(403);
    await tablet.post('/api/studios').send({ name: 'Mine' }).expect(403);
    await tablet.post(`${DEMO}/undo`).send({ author: 'tablet', change: 'undo-0001' }).expect(200);
    await program.api.post(`${DEMO}/changes`).send(performerChange('Ada', 'Imke Tarrow')).expect(200);
    await tablet
      .post(`${DEMO}/undo`)
      .send({ author: 'tablet', change: 'undo-0002', revision: 3 })
      .expect(403);
    await tablet.get(`${DEMO}/history`).expect(200);
  });

  it('can be let edit, and is forgotten when it is revoked', async () => {
    await opened();
    const tablet = await paired('tick');
    const { tablets } = (await program.api.get('/api/sharing')).body as SharingState;
    expect(tablets).toMatchObject([{ name: 'Tablet at the bay', role: 'tick' }]);
    const path = `/api/sharing/tablets/${tablets[0]!.id}`;
    await program.api.patch(path).send({ role: 'edit' }).expect(200);
    await tablet.post(`${DEMO}/changes`).send(performerChange('Ada', 'Imke Tarrow')).expect(200);
    await program.api.delete(path).expect(200);
    await tablet.get(DEMO).expect(401);
    await program.api.delete(path).expect(404);
  });

  it('keeps its secret to itself: the file has only a hash of it', async () => {
    await opened();
    await paired('edit');
    const { tablets } = (await program.api.get('/api/sharing')).body as SharingState;
    expect(JSON.stringify(tablets)).not.toMatch(/secret|hash/i);
    await network().get(DEMO).set('Cookie', `ft_device=${tablets[0]!.id}.guess`).expect(401);
  });

  it('needs the right code: wrong ones are slowed down, whoever tries', async () => {
    await opened();
    await offer('edit');
    const body = { code: '0000 0000', name: 'Stranger' };
    await network().post('/api/pair').send(body).expect(403);
    const slowed = await network().post('/api/pair').send(body).expect(429);
    expect((slowed.body as { message: string }).message).toMatch(/Wait 1 s/);
    program.clock.now = '2026-03-01T10:00:01.000Z';
    await network().post('/api/pair').send(body).expect(403);
    await network().post('/api/pair').send({ code: '12', name: '' }).expect(400);
  });
});

describe('who a tablet is', () => {
  const author = async (revision: number): Promise<string> =>
    (await program.program.database.models.entries.findOne({ where: { revision } }))!.author;

  it('is what the server knows, never what it says', async () => {
    await opened();
    const tablet = await paired('tick');
    await program.api
      .post(`${DEMO}/changes`)
      .send(performerChange('Ada', 'Imke Tarrow', 'desk'))
      .expect(200);
    await tablet
      .post(`${DEMO}/changes`)
      .send({ ...tickChange(), author: 'desk' })
      .expect(200);
    expect(await author(1)).toBe('desk');
    expect(await author(2)).toMatch(/^tablet-/);
    // It claims to be the desk: what it takes back is its own tick all the same.
    await tablet.post(`${DEMO}/undo`).send({ author: 'desk', change: 'undo-0001' }).expect(200);
    const own = await tablet.post(`${DEMO}/undo`).send({ author: 'desk', change: 'undo-0002' }).expect(409);
    expect(own.body).toMatchObject({ code: 'nothing-to-undo' });
    await tablet.post(`${DEMO}/undo`).send({ author: 'desk', change: 'undo-0003', revision: 1 }).expect(403);
    await tablet.post(`${DEMO}/redo`).send({ author: 'desk', change: 'redo-0001' }).expect(200);
    const now = await program.api.get(DEMO).expect(200);
    expect((now.body as { revision: number }).revision).toBe(4);
    expect(JSON.stringify(now.body)).toContain('"performer":"Ada"');
  });

  it('does not let it take back an undo that would edit, wherever it was chosen', async () => {
    await opened();
    const editor = await paired('edit', 'Editor');
    await editor.post(`${DEMO}/changes`).send(performerChange('Ada', 'Imke Tarrow')).expect(200);
    const { tablets } = (await program.api.get('/api/sharing')).body as SharingState;
    await program.api.patch(`/api/sharing/tablets/${tablets[0]!.id}`).send({ role: 'tick' }).expect(200);
    // Its own change, of the time when it might edit: what would be made now is an edit.
    const refused = await editor.post(`${DEMO}/undo`).send({ author: 'x', change: 'undo-0004' }).expect(403);
    expect(refused.body).toMatchObject({ code: 'may-only-tick' });
  });

  it('is told apart by its name, and by its id in the history, also after it was revoked', async () => {
    await opened();
    const first = await paired('edit', 'Tablet');
    const second = await paired('edit', 'Tablet');
    await first.post(`${DEMO}/changes`).send(performerChange('Ada', 'Imke Tarrow')).expect(200);
    await second.post(`${DEMO}/changes`).send(performerChange('Bo', 'Ada')).expect(200);
    const { tablets } = (await program.api.get('/api/sharing')).body as SharingState;
    expect(tablets.map(({ name }) => name).sort()).toEqual(['Tablet', 'Tablet 2']);
    const gone = tablets.find(({ name }) => name === 'Tablet')!;
    await program.api.delete(`/api/sharing/tablets/${gone.id}`).expect(200);
    const third = await paired('edit', 'Tablet');
    await third.post(`${DEMO}/changes`).send(performerChange('Cy', 'Bo')).expect(200);
    const { entries } = (await program.api.get(`${DEMO}/history`)).body as { entries: { tablet?: string }[] };
    expect(entries.map((entry) => entry.tablet)).toEqual(['Tablet', 'Tablet 2', 'Tablet']);
    const rows = await program.program.database.models.entries.findAll({ order: ['revision'] });
    expect(new Set(rows.map(({ tablet }) => tablet)).size).toBe(3);
  });

  it('gives it the health page, and neither backups nor archives', async () => {
    await opened();
    const tablet = await paired('tick');
    const { body } = await tablet.get('/api/status').expect(200);
    expect(body).toMatchObject({ studios: 1, folder: program.folder });
    await tablet.get('/api/backups').expect(404);
    await tablet.get('/api/archive').expect(404);
    await tablet.post('/api/archives').send('x').expect(403);
  });

  it('needs the token of a page for whatever changes something', async () => {
    await opened();
    const tablet = await paired('edit');
    const bare = await tablet.post(`${DEMO}/changes`).set(TOKEN_HEADER, '').send(tickChange()).expect(403);
    expect(bare.body).toMatchObject({ code: 'no-token' });
  });
});

describe('the door', () => {
  it('listens only while it is open, and says where it cannot', async () => {
    const free = networkDoor(47_481, () => program.network);
    await free.open();
    await free.open();
    const health = (): Promise<Response> => fetch('http://127.0.0.1:47481/api/health');
    expect((await health()).status).toBe(200);
    await expect(networkDoor(47_481, () => program.network).open()).rejects.toMatchObject({
      code: 'EADDRINUSE',
    });
    await free.close();
    await free.close();
    await expect(health()).rejects.toThrow();
  });
});
