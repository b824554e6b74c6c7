import type { StudioSummary } from '@ft/contract/studios';
import { studioFindingsSchema, studioListSchema } from '@ft/contract/studios';
import { writeBundle } from '@ft/core/formats/bundle';
import { emptySession } from '@ft/core/session/emptySession';
import type { Session } from '@ft/core/session/sessionSchema';
import { findingCounts } from '@ft/core/views/sessions/findingCounts';
import { saltglassRooms } from '../../core/test/fixtures/thin/saltglass';
import type { TestProgram } from './helpers';
import { DEMO, performerChange, startProgram } from './helpers';

const demo = saltglassRooms();
const ledger = demo.sessions[0]!;

let program: TestProgram;
beforeEach(async () => {
  program = await startProgram();
});
afterEach(() => program.close());

const session = (name: string, more: Partial<Session> = {}): Session => ({
  ...ledger,
  ...{ id: name.toLowerCase().replace(/ /g, '-') as Session['id'], name },
  ...more,
});

/** The demo with other sessions, put in as a bundle. */
async function put(...sessions: readonly Session[]): Promise<void> {
  const floor = { ...demo.floor, scene: { session: ledger.id, scene: ledger.scenes[0]!.id } };
  const bundle = writeBundle({ ...demo, floor, sessions: [...sessions] });
  await program.api.post('/api/bundles').set('Content-Type', 'application/json').send(bundle).expect(201);
}

async function listed(): Promise<StudioSummary> {
  const { body } = await program.api.get('/api/studios').expect(200);
  return studioListSchema.parse(body).studios[0]!;
}

describe('the sessions of a studio', () => {
  it('are listed with day, floor and kind, in the order in which they are read', async () => {
    await put(
      session('Reel 10'),
      session('Reel 9', { archived: true }),
      session('Show', { date: '2026-12-05', goesLive: true }),
      session('Song', { template: true }),
      ledger,
    );
    const { sessions } = await listed();
    expect(sessions.map(({ name }) => name)).toEqual([
      'Show',
      'Reel 10',
      'The Lamplighter’s Ledger',
      'Reel 9',
      'Song',
    ]);
    expect(sessions[0]).toEqual({
      ...{ id: 'show', name: 'Show', scene: ledger.scenes[0]!.id, date: '2026-12-05' },
      ...{ goesLive: true, archived: false, template: false },
    });
    expect(sessions[2]).toMatchObject({ onFloor: ledger.scenes[0]!.name });
    expect(sessions.map(({ archived, template }) => [archived, template]).slice(3)).toEqual([
      [true, false],
      [false, true],
    ]);
  });

  it('remember when they were opened last, until the studio goes', async () => {
    await put(ledger, session('Reel 2'));
    await program.api.put(`${DEMO}/sessions/reel-2/opened`).expect(204);
    program.clock.now = '2026-03-02T08:00:00.000Z';
    await program.api.put(`${DEMO}/sessions/reel-2/opened`).expect(204);
    await program.api.put(`${DEMO}/sessions/nowhere/opened`).expect(404);
    await program.api.put('/api/studios/nowhere/sessions/reel-2/opened').expect(404);
    const opened = (await listed()).sessions.map(({ id, openedAt }) => [id, openedAt]);
    expect(opened).toEqual([
      ['reel-2', '2026-03-02T08:00:00.000Z'],
      ['lamplighters-ledger', undefined],
    ]);
    await program.api.delete(DEMO).expect(204);
    await put(ledger, session('Reel 2'));
    expect((await listed()).sessions.map(({ openedAt }) => openedAt)).toEqual([undefined, undefined]);
  });

  it('opening one is no change of the studio', async () => {
    await put(ledger);
    await program.api.put(`${DEMO}/sessions/${ledger.id}/opened`).expect(204);
    expect((await listed()).revision).toBe(0);
  });

  it('say what is found in each that is not put away, as the core counts it, until the studio changes', async () => {
    await put(ledger, session('Away', { archived: true }), emptySession('empty' as Session['id'], 'Empty'));
    const asked = async () =>
      studioFindingsSchema.parse((await program.api.get(`${DEMO}/findings`).expect(200)).body).sessions;
    const place = { session: ledger.id, scene: ledger.scenes[0]!.id };
    const first = await asked();
    expect(first.map(({ id }) => id).sort()).toEqual(['empty', 'lamplighters-ledger']);
    expect(first.find(({ id }) => id === ledger.id)).toEqual({
      ...{ id: ledger.id, scene: ledger.scenes[0]!.name },
      ...findingCounts(demo, place),
    });
    expect(await asked()).toEqual(first);
    await program.api.post(`${DEMO}/changes`).send(performerChange('Ada', 'Imke Tarrow')).expect(200);
    expect(await asked()).toEqual(first);
    await program.api.get('/api/studios/nowhere/findings').expect(404);
  });
});

describe('a rig that is begun', () => {
  it('as a starter room runs from the start, under its own name', async () => {
    const room = { starter: 'interface', answers: { mics: 2, compressors: 1, equalisers: 0 } };
    const made = await program.api.post('/api/studios').send({ name: 'Lamp room', room }).expect(201);
    expect(made.body).toEqual({ id: 'lamp-room' });
    const { sessions, name } = await listed();
    expect([name, sessions.map((each) => each.name)]).toEqual(['Lamp room', ['First recording']]);
    const { body } = await program.api.get('/api/studios/lamp-room/findings').expect(200);
    expect(studioFindingsSchema.parse(body).sessions).toEqual([
      { id: sessions[0]!.id, scene: 'Tracking', errors: 0, warnings: 0 },
    ]);
  });

  it.each([
    [
      { starter: 'interface', answers: { mics: 0, compressors: 1, equalisers: 0 } },
      'mics: Such a room has 1 to 12 mic inputs.',
    ],
    [{ starter: 'interface', answers: { mics: 2 } }, 'compressors'],
    [{ starter: 'castle', answers: {} }, 'There is no starter room “castle”. There are: interface, hybrid'],
  ])('with %j is refused in words, and nothing is stored', async (room, because) => {
    const { body } = await program.api.post('/api/studios').send({ name: 'Half', room }).expect(422);
    expect(body).toMatchObject({ code: 'room-refused' });
    expect((body as { problems: string[] }).problems.join(' ')).toContain(because);
    await program.api.get('/api/studios').expect(200, { studios: [] });
  });
});
