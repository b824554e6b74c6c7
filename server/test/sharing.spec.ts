import request from 'supertest';
import type TestAgent from 'supertest/lib/agent';
import type { SharingState } from '@ft/contract/sharing';
import { networkDoor } from '../src/sharing/network';
import type { Program } from './helpers';
import { DEMO, performerChange, startProgram } from './helpers';

let program: Program;
const HOST = '127.0.0.1:4748';

beforeEach(async () => {
  program = await startProgram();
  await program.api.post('/api/studios/demo').expect(201);
});
afterEach(() => program.close());

const network = (): TestAgent => request.agent(program.network).set('Host', HOST);

async function opened(): Promise<void> {
  await program.api.put('/api/sharing').send({ isOpen: true }).expect(200);
}

async function offer(role: string): Promise<string> {
  const answer = await program.api.post('/api/sharing/offers').send({ role }).expect(200);
  return (answer.body as SharingState).offer!.code;
}

/** A device on the studio network, paired. */
async function paired(role: 'edit' | 'tick', name = 'Tablet at the bay'): Promise<TestAgent> {
  const device = network();
  const code = await offer(role);
  const answer = await device.post('/api/pair').send({ code, name }).expect(201);
  const [cookie = ''] = answer.headers['set-cookie'] as unknown as string[];
  expect(cookie).toMatch(/HttpOnly; SameSite=Strict$/);
  return device.set('Cookie', cookie.split(';')[0]!);
}

const tickChange = (id = 'tick-0001'): object => {
  const item = { id: 'bay-a/upper-1/1', to: 'bay-a/lower-2/1', stock: 'tt-short' };
  return { author: 'tablet', change: { id, label: 'Plugged', edits: [{ type: 'plug.add', item }] } };
};

describe('the studio network', () => {
  it('is closed at first, and says nothing to a device that is not paired', async () => {
    const state = (await program.api.get('/api/sharing').expect(200)).body as SharingState;
    expect(state).toEqual({ isOpen: false, addresses: [], devices: [], offer: null });
    const answer = await network().get(DEMO).expect(401);
    expect(answer.body).toMatchObject({ code: 'not-paired' });
    await program.api.post('/api/sharing/offers').send({ role: 'edit' }).expect(409);
  });

  it('cannot open itself, nor list or make codes', async () => {
    await opened();
    const device = await paired('edit');
    await device.get('/api/sharing').expect(404);
    await device.post('/api/sharing/offers').send({ role: 'edit' }).expect(404);
    await device.put('/api/sharing').send({ isOpen: false }).expect(404);
  });

  it('answers to its own address only, and not to pages of other sites', async () => {
    await opened();
    const device = await paired('edit');
    await device.get(DEMO).set('Host', 'studio.example').expect(403);
    await device.get(DEMO).set('Host', HOST).set('Origin', 'http://elsewhere.example').expect(403);
    await device.get(DEMO).set('Host', HOST).set('Origin', `http://${HOST}`).expect(200);
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

describe('a paired device', () => {
  it('edits, and the history names it', async () => {
    await opened();
    const device = await paired('edit', 'Desk tablet');
    await device.post(`${DEMO}/changes`).send(performerChange('Ada', 'Imke Tarrow')).expect(200);
    await program.api.post(`${DEMO}/changes`).send(performerChange('Imke Tarrow', 'Ada')).expect(200);
    const { entries } = (await program.api.get(`${DEMO}/history`)).body as { entries: { device?: string }[] };
    expect(entries.map((entry) => entry.device)).toEqual([undefined, 'Desk tablet']);
    expect((await device.get('/api/me')).body).toEqual({ device: { name: 'Desk tablet', role: 'edit' } });
    expect((await program.api.get('/api/me')).body).toEqual({ device: null });
  });

  it('that may only tick ticks, takes ticks back, and nothing else', async () => {
    await opened();
    const device = await paired('tick');
    await device.post(`${DEMO}/changes`).send(tickChange()).expect(200);
    const refused = await device
      .post(`${DEMO}/changes`)
      .send(performerChange('Ada', 'Imke Tarrow'))
      .expect(403);
    expect(refused.body).toMatchObject({ code: 'may-only-tick' });
    await device.delete(DEMO).expect(403);
    await device.post('/api/studios').send({ name: 'Mine' }).expect(403);
    await device.post(`${DEMO}/undo`).send({ author: 'tablet', change: 'undo-0001' }).expect(200);
    await program.api.post(`${DEMO}/changes`).send(performerChange('Ada', 'Imke Tarrow')).expect(200);
    await device
      .post(`${DEMO}/undo`)
      .send({ author: 'tablet', change: 'undo-0002', revision: 3 })
      .expect(403);
    await device.get(`${DEMO}/history`).expect(200);
  });

  it('can be let edit, and is forgotten when it is revoked', async () => {
    await opened();
    const device = await paired('tick');
    const { devices } = (await program.api.get('/api/sharing')).body as SharingState;
    expect(devices).toMatchObject([{ name: 'Tablet at the bay', role: 'tick' }]);
    const path = `/api/sharing/devices/${devices[0]!.id}`;
    await program.api.patch(path).send({ role: 'edit' }).expect(200);
    await device.post(`${DEMO}/changes`).send(performerChange('Ada', 'Imke Tarrow')).expect(200);
    await program.api.delete(path).expect(200);
    await device.get(DEMO).expect(401);
    await program.api.delete(path).expect(404);
  });

  it('keeps its secret to itself: the file has only a hash of it', async () => {
    await opened();
    await paired('edit');
    const { devices } = (await program.api.get('/api/sharing')).body as SharingState;
    expect(JSON.stringify(devices)).not.toMatch(/secret|hash/i);
    await network().get(DEMO).set('Cookie', `ft_device=${devices[0]!.id}.guess`).expect(401);
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
