import { saltglassRooms } from '../../core/test/fixtures/thin/saltglass';
import { historySchema, undoStateSchema } from '@ft/contract/history';
import { studioAtSchema } from '@ft/contract/studioAt';
import { studioListSchema } from '@ft/contract/studios';
import type { Studio } from '@ft/core/session/studioSchema';
import { writeBundle } from '@ft/core/formats/bundle';
import request from 'supertest';
import type { TestProgram } from './helpers';
import { DEMO, performerChange, putSmallDemo, startProgram, TEST_TIME } from './helpers';

let program: TestProgram;

beforeEach(async () => {
  program = await startProgram();
});
afterEach(() => program.close());

const openDemo = (): Promise<void> => putSmallDemo(program);
const performer = async (): Promise<string> => {
  const { body } = await program.api.get(DEMO).expect(200);
  return studioAtSchema.parse(body).studio.sessions[0]!.threads[0]!.performer;
};

describe('studios', () => {
  it('are none at first; the demo, a new one and a bundle come on request', async () => {
    await program.api.get('/api/studios').expect(200, { studios: [] });
    await program.api.post('/api/studios/demo').expect(201, { id: 'saltglass-rooms' });
    await program.api.post('/api/studios').send({ name: 'Glass Lane' }).expect(201, { id: 'glass-lane' });
    const { body } = await program.api.get('/api/studios');
    expect(
      studioListSchema
        .parse(body)
        .studios.map(({ name }) => name)
        .sort(),
    ).toEqual(['Glass Lane', 'Saltglass Rooms']);
    // One that was made just now is asked for by itself.
    const summary = await program.api.get(`${DEMO}/summary`).expect(200);
    expect(summary.body).toEqual(
      studioListSchema.parse(body).studios.find(({ id }) => id === 'saltglass-rooms'),
    );
    await program.api.get('/api/studios/nowhere/summary').expect(404);
  });

  it('are listed with the scene each session opens at: the first that is not put away', async () => {
    const studio = saltglassRooms();
    const [session] = studio.sessions;
    const [scene] = session!.scenes;
    const opensAt = async (...scenes: readonly object[]): Promise<string | undefined> => {
      const bundle = writeBundle({ ...studio, sessions: [{ ...session!, scenes }] } as Studio);
      await program.api.post('/api/bundles').set('Content-Type', 'application/json').send(bundle).expect(201);
      const { body } = await program.api.get('/api/studios').expect(200);
      await program.api.delete(DEMO).expect(204);
      return studioListSchema.parse(body).studios[0]?.sessions[0]?.scene;
    };
    const away = { ...scene!, archived: true };
    expect(await opensAt(away, { ...scene!, id: 'second' }, { ...scene!, id: 'third' })).toBe('second');
    // Somebody has put them in an order.
    expect(await opensAt(scene!, { ...scene!, id: 'z-top', position: 1 })).toBe('z-top');
    // All are put away: the first, rather than none.
    expect(await opensAt(away, { ...away, id: 'z-other' })).toBe(scene!.id);
  });

  it('are listed although the document of a session is damaged, without a scene to open it at', async () => {
    await openDemo();
    await program.program.database.models.sessions.update(
      { document: '{"id": "lampl' },
      { where: { studioId: 'saltglass-rooms' } },
    );
    const { body } = await program.api.get('/api/studios').expect(200);
    expect(studioListSchema.parse(body).studios[0]?.sessions.map(({ scene }) => scene)).toEqual(['']);
  });

  it('go out as a bundle and come back the same, byte for byte', async () => {
    await openDemo();
    await program.api.post(`${DEMO}/changes`).send(performerChange('Ada', 'Imke Tarrow')).expect(200);
    const out = await program.api.get(`${DEMO}/bundle`).expect(200);
    expect(out.headers['content-disposition']).toContain('saltglass-rooms.thread.json');
    await program.api.delete(DEMO).expect(204);
    await program.api.post('/api/bundles').set('Content-Type', 'application/json').send(out.text).expect(201);
    const again = await program.api.get(`${DEMO}/bundle`).expect(200);
    expect(again.text).toBe(out.text);
  });

  it('are not taken in twice', async () => {
    await openDemo();
    const { body } = await program.api.post('/api/bundles').send(writeBundle(saltglassRooms())).expect(409);
    expect(body).toMatchObject({ code: 'already-here' });
  });

  it('of the demo there is one: asking again opens it as it is', async () => {
    await openDemo();
    await program.api.post(`${DEMO}/changes`).send(performerChange('Ada', 'Imke Tarrow')).expect(200);
    await program.api.post('/api/studios/demo').expect(200, { id: 'saltglass-rooms' });
    expect(await performer()).toBe('Ada');
  });

  it('can be removed, with their history', async () => {
    await openDemo();
    await program.api.post(`${DEMO}/changes`).send(performerChange('Ada', 'Imke Tarrow')).expect(200);
    await program.api.delete(DEMO).expect(204);
    await program.api.get(DEMO).expect(404);
    await openDemo();
    const { body } = await program.api.get(`${DEMO}/history`).expect(200);
    expect(historySchema.parse(body).entries).toEqual([]);
  });
});

describe('a bad bundle', () => {
  it.each([
    ['no JSON', '{"format":', /not JSON/],
    ['an unknown version', '{"format":"faithful-thread/7"}', /faithful-thread\/7/],
    [
      'a wire from output to output',
      writeBundle(saltglassRooms()).replace('"to": "preamp/mic-1/1"', '"to": "preamp/out-1/1"'),
      /is an output/,
    ],
  ])('of %s is refused whole, and nothing is stored', async (_name, text, sentence) => {
    const { body } = await program.api
      .post('/api/bundles')
      .set('Content-Type', 'text/plain')
      .send(text)
      .expect(422);
    expect(body).toMatchObject({ code: 'bundle-refused' });
    expect((body as { problems: string[] }).problems.join('\n')).toMatch(sentence);
    await program.api.get('/api/studios').expect(200, { studios: [] });
  });

  it('of more than 20 MB is refused in words', async () => {
    const { body } = await program.api
      .post('/api/bundles')
      .set('Content-Type', 'text/plain')
      .send('x'.repeat(21_000_000))
      .expect(413);
    expect((body as { message: string }).message).toMatch(/larger than the program takes \(20 MB\)/);
  });
});

describe('changes', () => {
  beforeEach(openDemo);

  it('are stored, numbered and in the history', async () => {
    const { body } = await program.api
      .post(`${DEMO}/changes`)
      .send(performerChange('Ada', 'Imke Tarrow'))
      .expect(200);
    expect(body).toMatchObject({ revision: 1, label: 'Performer Ada', author: 'desk', at: TEST_TIME });
    expect(await performer()).toBe('Ada');
    const history = historySchema.parse((await program.api.get(`${DEMO}/history`)).body);
    expect(history.entries).toMatchObject([{ revision: 1, editCount: 1 }]);
  });

  it('sent twice happen once', async () => {
    const change = performerChange('Ada', 'Imke Tarrow');
    await program.api.post(`${DEMO}/changes`).send(change).expect(200);
    const { body } = await program.api.post(`${DEMO}/changes`).send(change).expect(200);
    expect(body).toMatchObject({ revision: 1 });
  });

  it('on one field: the later one is told what is there', async () => {
    await program.api.post(`${DEMO}/changes`).send(performerChange('Ada', 'Imke Tarrow')).expect(200);
    const { body } = await program.api
      .post(`${DEMO}/changes`)
      .send(performerChange('Bo', 'Imke Tarrow', 'booth'))
      .expect(409);
    expect(body).toMatchObject({ code: 'changed-elsewhere' });
    expect((body as { message: string }).message).toContain('“Ada”');
    expect(await performer()).toBe('Ada');
  });

  it('on one row but other fields both stay, even at once', async () => {
    const all = ['line-1', 'line-2', 'line-3', 'line-4'].map((line, i) =>
      program.api
        .post(`${DEMO}/changes`)
        .send(
          performerChange(
            `P${String(i)}`,
            ['Imke Tarrow', 'Joss Verrill', 'Odile Marrable', 'Wen Askelby'][i]!,
            'desk',
            line,
          ),
        ),
    );
    const answers = await Promise.all(all);
    expect(answers.map(({ status }) => status)).toEqual([200, 200, 200, 200]);
    expect(answers.map(({ body }) => (body as { revision: number }).revision).sort()).toEqual([1, 2, 3, 4]);
  });

  it.each([
    ['no body', {}],
    [
      'an edit of no kind',
      { author: 'desk', change: { id: 'change-bad-1', label: 'x', edits: [{ type: 'paint' }] } },
    ],
    ['no edits', { author: 'desk', change: { id: 'change-bad-2', label: 'x', edits: [] } }],
    ['an author with a blank', { ...performerChange('Ada', 'Imke Tarrow'), author: 'a b' }],
  ])('with %s are refused with the place', async (_name, body) => {
    const answer = await program.api.post(`${DEMO}/changes`).send(body).expect(400);
    expect(answer.body).toMatchObject({ code: 'invalid' });
    expect((answer.body as { problems: string[] }).problems[0]).toMatch(/^(author|change|change\.edits.*): /);
  });

  it('that are not JSON are refused', async () => {
    await program.api.post(`${DEMO}/changes`).set('Content-Type', 'application/json').send('{').expect(400);
  });
});

describe('undo and redo', () => {
  beforeEach(openDemo);
  const step = async (what: 'undo' | 'redo', author = 'desk', revision?: number): Promise<number> => {
    const change = `${what}-${String(Math.random()).slice(2)}`;
    const body = { author, change, ...(revision !== undefined && { revision }) };
    return (await program.api.post(`${DEMO}/${what}`).send(body)).status;
  };

  it('take back and put back one’s own last change', async () => {
    await program.api.post(`${DEMO}/changes`).send(performerChange('Ada', 'Imke Tarrow')).expect(200);
    expect(await step('undo')).toBe(200);
    expect(await performer()).toBe('Imke Tarrow');
    expect(await step('redo')).toBe(200);
    expect(await performer()).toBe('Ada');
    expect(await step('redo')).toBe(409);
  });

  it('leave other people’s changes alone', async () => {
    await program.api
      .post(`${DEMO}/changes`)
      .send(performerChange('Ada', 'Imke Tarrow', 'booth'))
      .expect(200);
    expect(await step('undo', 'desk')).toBe(409);
  });

  it('take back an older one by its revision, unless something builds on it', async () => {
    await program.api.post(`${DEMO}/changes`).send(performerChange('Ada', 'Imke Tarrow')).expect(200);
    await program.api.post(`${DEMO}/changes`).send(performerChange('Bo', 'Ada')).expect(200);
    expect(await step('undo', 'desk', 1)).toBe(409);
    expect(await step('undo', 'desk', 2)).toBe(200);
    expect(await step('undo', 'desk', 1)).toBe(200);
    expect(await performer()).toBe('Imke Tarrow');
  });

  it('say what they would take back', async () => {
    await program.api.post(`${DEMO}/changes`).send(performerChange('Ada', 'Imke Tarrow')).expect(200);
    const state = async (): Promise<unknown> =>
      undoStateSchema.parse((await program.api.get(`${DEMO}/undo-state?author=desk`).expect(200)).body);
    expect(await state()).toEqual({ undo: { revision: 1, label: 'Performer Ada' } });
    await step('undo');
    expect(await state()).toEqual({ redo: { revision: 2, label: 'Performer Ada' } });
  });
});

describe('input made to be slow', () => {
  it('of nineteen megabytes of the wrong thing is refused at the first two hundred problems', async () => {
    const { studio } = JSON.parse(writeBundle(saltglassRooms())) as { studio: object };
    const zeros = `[${'0,'.repeat(9_500_000)}0]`;
    const text = JSON.stringify({ format: 'faithful-thread/2', studio: { ...studio, sessions: 'HERE' } });
    const { body } = await program.api
      .post('/api/bundles')
      .set('Content-Type', 'text/plain')
      .send(text.replace('"HERE"', zeros))
      .expect(422);
    const { problems } = body as { problems: string[] };
    expect(problems.join('\n')).toMatch(/There are 9500001 items here; the program takes 100000/);
    expect(JSON.stringify(body).length).toBeLessThan(2_000);
  });

  it('that is nested very deep is refused in words, as a bundle and as a change', async () => {
    await openDemo();
    const deep = '['.repeat(100_000) + ']'.repeat(100_000);
    const bundle = await program.api
      .post('/api/bundles')
      .set('Content-Type', 'text/plain')
      .send(`{"format":"faithful-thread/2","studio":${deep}}`)
      .expect(422);
    expect((bundle.body as { problems: string[] }).problems[0]).toContain('nested deeper than 64 levels');
    const change = `{"author":"desk","change":{"id":"change-deep-x","label":"x","edits":[{"type":"room.add","item":${deep}}]}}`;
    const answer = await program.api
      .post(`${DEMO}/changes`)
      .set('Content-Type', 'application/json')
      .send(change)
      .expect(400);
    expect((answer.body as { message: string }).message).toContain('nested deeper than 64 levels');
  });

  it('with half a character is refused, and nothing is stored', async () => {
    await openDemo();
    const body = JSON.stringify(performerChange('Ada', 'Imke Tarrow')).replaceAll('Ada', 'A\\ud800');
    const answer = await program.api
      .post(`${DEMO}/changes`)
      .set('Content-Type', 'application/json')
      .send(body)
      .expect(400);
    expect((answer.body as { message: string }).message).toContain('half a character');
    expect(await performer()).toBe('Imke Tarrow');
  });
});

describe('who is let in', () => {
  it.each([
    ['another name for this machine', { Host: 'rooms.example' }],
    ['another site’s page', { Host: '127.0.0.1:4747', Origin: 'https://rooms.example' }],
    [
      'a page of another program at another port',
      { Host: '127.0.0.1:4747', Origin: 'http://127.0.0.1:5000' },
    ],
    ['an origin that is none', { Host: '127.0.0.1:4747', Origin: 'null' }],
  ])('not %s', async (_name, headers) => {
    await program.api.get('/api/studios').set(headers).expect(403);
  });

  it('the program’s own page', async () => {
    const headers = { Host: 'localhost:4747', Origin: 'http://localhost:4747' };
    await program.api.get('/api/studios').set(headers).expect(200);
  });

  it('to change something only with the token that its own pages have', async () => {
    const bare = request(program.app).post('/api/studios').set('Host', '127.0.0.1');
    const { body } = await bare.send({ name: 'Glass Lane' }).expect(403);
    expect(body).toMatchObject({ code: 'no-token' });
    const page = await request(program.app).get('/api/studios').set('Host', '127.0.0.1').expect(200);
    const [cookie] = page.headers['set-cookie'] as unknown as string[];
    expect(cookie).toMatch(/^ft_page=[^;]{32}; Path=\/; SameSite=Strict$/);
    expect(cookie).toContain(program.token);
  });

  it('and nothing the API says is kept by a browser', async () => {
    for (const path of ['/api/studios', '/api/health', '/api/nothing'])
      expect((await program.api.get(path)).headers['cache-control']).toBe('no-store');
  });

  it('under a policy that runs no foreign or inline script', async () => {
    const { headers } = await program.api.get('/api/health').expect(200);
    const policy = String(headers['content-security-policy']);
    expect(policy).toContain("script-src 'self'");
    expect(policy).toContain("frame-ancestors 'none'");
    expect(policy).not.toMatch(/script-src[^;]*unsafe|https?:/);
    expect(headers['x-powered-by']).toBeUndefined();
  });

  it('and an address that is none is answered in words', async () => {
    const { body } = await program.api.get('/api/nothing').expect(404);
    expect(body).toMatchObject({ code: 'not-found' });
  });
});
