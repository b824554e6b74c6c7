import {
  copyFileSync,
  existsSync,
  linkSync,
  mkdirSync,
  readdirSync,
  readFileSync,
  rmSync,
  writeFileSync,
} from 'node:fs';
import { join } from 'node:path';
import { saltglassRooms as wholeDemo } from '../../core/test/fixtures/builtDemo';
import { saltglassRooms } from '../../core/test/fixtures/thin/saltglass';
import {
  channelsOutputSchema,
  cuesOutputSchema,
  checkOutputSchema,
  levelsOutputSchema,
  routeOutputSchema,
  sessionsOutputSchema,
  traceOutputSchema,
} from '@ft/contract/cliOutput';
import { insertsOutputSchema, summingOutputSchema } from '@ft/contract/cliMix';
import { playbackOutputSchema } from '@ft/contract/cliTrack';
import { readBundle, writeBundle } from '@ft/core/formats/bundle';
import type { Studio } from '@ft/core/session/studioSchema';
import { formatSchemas } from '../src/formats/formatSchemas';
import { ft, ftData } from '../src/cli/ft';
import { openDatabase } from '../src/database/openDatabase';
import { studioOf } from '../../core/test/fixtures/studioOf';
import { WORKED_LADDER } from '../../core/test/fixtures/workedLadder';
import { DEMO, emptyFolder, performerChange, putSmallDemo, startProgram, TEST_TIME } from './helpers';

const folder = emptyFolder();
afterAll(() => {
  rmSync(folder, { recursive: true });
});

const demo = saltglassRooms();

function fileOf(studio: Studio, name = 'demo'): string {
  const file = join(folder, `${name}.thread.json`);
  writeFileSync(file, writeBundle(studio));
  return file;
}

function run(...argv: readonly string[]): { code: number; out: string; err: string } {
  const [out, err]: [string[], string[]] = [[], []];
  const code = ft(
    argv,
    (text) => out.push(text),
    (text) => err.push(text),
  );
  return { code, out: out.join('\n'), err: err.join('\n') };
}

const json = (answer: { out: string }): unknown => JSON.parse(answer.out);

const withoutFindings = (): Studio => {
  const [session] = demo.sessions;
  const threads = session!.threads.filter(({ id }) => id === 'line-1');
  const scenes = session!.scenes.map((scene) => ({
    ...scene,
    cords: scene.cords.filter((cord) => cord.thread === 'line-1'),
    // The narrator's condenser keeps its 48 V.
    settings: { 'preamp/phantom/1': true },
  }));
  return { ...demo, sessions: [{ ...session!, threads, scenes }] };
};

describe('ft levels', () => {
  it('tells the worked ladder to 0.01 dB (derived: recomputed outside the project)', () => {
    const answer = run('levels', fileOf(studioOf(WORKED_LADDER), 'ladder'), '--json');
    const { threads } = levelsOutputSchema.parse(json(answer));
    const at = (lane: string): (typeof threads)[number]['hops'][number] =>
      threads[0]!.hops.find((hop) => hop.lane === lane)!;
    const expected: readonly [string, 'nominal' | 'peak' | 'noise', number][] = [
      ['mic/out/1', 'nominal', -42.2],
      ['preamp/mic-1/1', 'nominal', -42.89],
      ['preamp/out-1/1', 'nominal', 1.11],
      ['opto/out-1/1', 'nominal', -0.96],
      ['converter/line-in-1/1', 'nominal', -1.0],
      ['converter/host-out/1', 'nominal', -19.0],
      ['converter/host-out/1', 'peak', -8.01],
      ['mic/out/1', 'noise', -116.2],
      ['preamp/mic-1/1', 'noise', -116.73],
      ['preamp/out-1/1', 'noise', -72.73],
      ['converter/host-out/1', 'noise', -74.43 - 18],
    ];
    for (const [lane, figure, value] of expected)
      expect(Math.abs(at(lane)[figure]! - value)).toBeLessThan(0.01);
    expect(answer.code).toBe(0);
  });

  it('prints a table, one hop a line', () => {
    const { out } = run('levels', fileOf(demo), '--from', 'Large condenser');
    expect(out).toContain('1 Imke Tarrow, Narrator');
    expect(out).toMatch(/^ +−42\.2 +−31\.2 +−116\.2 +−0\.2 dBu +0\.00 ms {2}Large condenser$/m);
    expect(out).not.toContain('Harp');
  });

  it('also follows a port that no thread starts from', () => {
    const { threads } = levelsOutputSchema.parse(
      json(run('levels', fileOf(demo), '--from', 'bay-b/upper-30/1', '--json')),
    );
    expect(threads[0]!.name).toBe('Bay B 30 upper');
  });
});

describe('ft sessions', () => {
  const file = fileOf(demo, 'sessions');
  const out = join(folder, 'sessions-after.thread.json');
  const listed = (...argv: readonly string[]) =>
    sessionsOutputSchema.parse(json(run('sessions', ...argv, '--json')));
  const after = (...argv: readonly string[]) => {
    expect(run('sessions', ...argv, '--out', out)).toMatchObject({ code: 0, err: '' });
    return listed(out);
  };

  it('lists sessions with what is found in each', () => {
    const [only] = listed(file).sessions;
    expect(only).toMatchObject({
      name: 'The Lamplighter’s Ledger',
      template: false,
      errors: 2,
      scene: 'Tracking',
    });
    expect(run('sessions', file).out).toMatch(/lines · \d+ tracks? · \d scenes? · Tracking: 2 errors/);
  });

  it('does all that can be done with them, and writes only where it is told to', () => {
    const names = ({ sessions }: ReturnType<typeof listed>): readonly string[] =>
      sessions.map(
        ({ name, template, putAway }) => name + (template ? ' (template)' : putAway ? ' (away)' : ''),
      );
    const ledger = 'The Lamplighter’s Ledger';
    expect(names(after(file, 'template', ledger, '--as', 'Reel', '--keep', 'lines,tracks,buses'))).toEqual([
      ledger,
      'Reel (template)',
    ]);
    expect(names(after(out, 'new', 'Reel 1', '--from', 'Reel'))).toEqual([
      'Reel 1',
      ledger,
      'Reel (template)',
    ]);
    after(out, 'copy', 'Reel 1', '--as', 'Reel 2');
    after(out, 'rename', 'Reel 2', '--as', 'Reel two');
    after(out, 'date', 'Reel two', '--as', '2026-12-05');
    expect(after(out, 'live', 'Reel two').sessions[0]).toMatchObject({
      ...{ name: 'Reel two', date: '2026-12-05', goesLive: true },
    });
    expect(names(after(out, 'put-away', 'Reel 1'))).toContain('Reel 1 (away)');
    expect(names(after(out, 'bring-back', 'Reel 1'))).toContain('Reel 1');
    expect(names(after(out, 'remove', 'Reel 1'))).not.toContain('Reel 1');
    const before = readFileSync(out, 'utf8');
    const dry = run('sessions', out, 'remove', 'Reel two');
    expect(dry.out).toContain('Nothing was written. Say where to with --out FILE');
    expect(readFileSync(out, 'utf8')).toBe(before);
  });

  it('takes one over from another rig, and exits 1 where something is left out', () => {
    const [condenser, ...others] = demo.rig.devices.filter(({ type }) => type === 'microphone');
    const wires = demo.rig.hardwires.filter(({ from }) => !from.startsWith(`${condenser!.id}/`));
    const devices = demo.rig.devices.filter(({ id }) => id !== condenser!.id);
    const here = fileOf({ ...demo, rig: { ...demo.rig, devices, hardwires: wires } }, 'smaller');
    const taken = run('sessions', here, 'take-over', file, '--as', 'Visitor');
    expect(taken.code).toBe(1);
    expect(taken.out).toContain(`there is no ${condenser!.name} here`);
    const stand = `${condenser!.name}=${others.at(-1)!.name}`;
    const stood = run('sessions', here, 'take-over', file, '--as', 'Visitor', '--stand', stand);
    expect(stood.out).not.toContain(`there is no ${condenser!.name} here`);
    const half = run('sessions', here, 'take-over', file, '--as', 'Visitor', '--stand', condenser!.name);
    expect([half.code, half.err]).toEqual([2, expect.stringContaining('--stand "Theirs=Ours"')]);
  });

  it('puts a whole bundle in the place of the one before, never writes into it', () => {
    const own = fileOf(demo, 'own');
    const before = readFileSync(own, 'utf8');
    // Another name of the same file: it changes only where that file is written into.
    const other = join(folder, 'other-name.thread.json');
    linkSync(own, other);
    expect(run('sessions', own, 'new', 'Reel 1', '--out', own)).toMatchObject({ code: 0, err: '' });
    expect(listed(own).sessions).toHaveLength(2);
    expect(readFileSync(other, 'utf8')).toBe(before);
  });

  it('leaves what stands there and no half of a file where a bundle cannot be written', () => {
    const there = join(folder, 'not-a-file');
    mkdirSync(join(there, 'kept'), { recursive: true });
    const deeds = [
      ['sessions', file, 'new', 'Reel 1'],
      ['route', file],
    ];
    for (const deed of deeds)
      for (const place of [there, join(folder, 'nowhere', 'reel.thread.json')]) {
        const { code, err } = run(...deed, '--out', place);
        expect([code, err]).toEqual([2, expect.stringContaining(`“${place}” cannot be written`)]);
      }
    expect(readdirSync(there)).toEqual(['kept']);
    expect(readdirSync(folder).filter((name) => name.endsWith('.part'))).toEqual([]);
  });

  it.each([
    [['sessions', file, 'new', 'The Lamplighter’s Ledger'], 'such as “The Lamplighter’s Ledger 2”'],
    [['sessions', file, 'remove', 'The Lamplighter’s Ledger'], 'is the only session'],
    [['sessions', file, 'remove', 'The Lamplighters Ledger'], 'Did you mean “The Lamplighter’s Ledger”?'],
    [['sessions', file, 'remov', 'x'], '“remov” is nothing ft sessions does'],
    [['sessions', file, 'copy', 'The Lamplighter’s Ledger'], '--as NAME'],
    [['sessions', file, 'remove'], 'ft sessions FILE remove NAME'],
    [['sessions', file, 'date', 'The Lamplighter’s Ledger', '--as', '5.12.'], 'a day is written 2026-12-05'],
    [
      ['sessions', file, 'template', 'The Lamplighter’s Ledger', '--as', 'T', '--keep', 'lines,bus'],
      'Did you mean “buses”?',
    ],
    [['sessions', file, 'list', 'x', 'y'], 'ft sessions FILE'],
    [['sessions', join(folder, 'nowhere.json')], 'no readable file'],
    [['sessions', file, '--keeps', 'x'], '--keeps'],
  ])('refuses %j in words', (argv, because) => {
    const { code, err } = run(...argv);
    expect([code, err]).toEqual([2, expect.stringContaining(because)]);
  });

  it('asks which is meant where two have one name', () => {
    const twin = { ...demo.sessions[0]!, id: 'twin' as never };
    const two = fileOf({ ...demo, sessions: [...demo.sessions, twin] }, 'two');
    expect(run('sessions', two, 'put-away', twin.name).err).toBe(
      'There are 2 called “The Lamplighter’s Ledger”. Say which by its id: lamplighters-ledger, twin.',
    );
  });
});

describe('ft check', () => {
  it('exits 1 where a finding is an error, and lists it with its remedy', () => {
    const { code, out } = run('check', fileOf(demo));
    expect(code).toBe(1);
    expect(out).toContain('48 V is on at Mic preamp 4');
    expect(out).toMatch(/2 error, \d warning, 0 note, 0 waived$/);
  });

  it('exits 0 where nothing is wrong', () => {
    expect(run('check', fileOf(withoutFindings(), 'clean')).code).toBe(0);
  });

  it('gives JSON as described', () => {
    const output = checkOutputSchema.parse(json(run('check', fileOf(demo), '--json')));
    expect(output.counts).toMatchObject({ error: 2, note: 0, waived: 0 });
    expect(output.findings[0]).toMatchObject({
      rule: 'phantom-on-jack-bay',
      figures: { jacks: ['bay-a/upper-13/1', 'bay-a/lower-10/1'] },
    });
  });
});

describe('ft trace', () => {
  it('follows a port forwards and backwards, by id or by name', () => {
    const from = traceOutputSchema.parse(
      json(run('trace', fileOf(demo), '--from', 'harp-mic/out/1', '--json')),
    );
    // The other end is the upper jack of Bay B 4, where a plug would listen.
    expect(from.paths.map((path) => path.at(-1)!.lane)).toEqual(['bay-b/upper-4/1', 'daw/input/4']);
    const to = traceOutputSchema.parse(json(run('trace', fileOf(demo), '--to', 'DAW input 4', '--json')));
    expect(to.paths.map((path) => path[0]!.lane)).toContain('harp-mic/out/1');
  });

  it('shows a mult', () => {
    const { mults } = traceOutputSchema.parse(
      json(run('trace', fileOf(demo), '--from', 'narrator-mic/out/1', '--json')),
    );
    expect(mults).toContain('bay-b/upper-rear-1/1');
  });

  it('suggests what comes near a port that is not there', () => {
    const { code, err } = run('trace', fileOf(demo), '--from', 'bay b 25');
    expect(code).toBe(2);
    expect(err).toMatch(/^There is no port “bay b 25”\. Did you mean “Bay B 25 upper rear”/);
  });

  it('asks for a port', () => {
    expect(run('trace', fileOf(demo))).toMatchObject({
      code: 2,
      err: 'ft trace needs --from PORT or --to PORT.',
    });
  });
});

describe('ft route', () => {
  const bare = (): Studio => {
    const [session] = demo.sessions;
    return {
      ...demo,
      sessions: [{ ...session!, scenes: session!.scenes.map((scene) => ({ ...scene, cords: [] })) }],
    };
  };

  it('routes a scene and writes the bundle with its cords', () => {
    const out = join(folder, 'routed.thread.json');
    const answer = run('route', fileOf(bare(), 'bare'), '--out', out, '--json');
    const output = routeOutputSchema.parse(json(answer));
    expect(answer.code).toBe(0);
    expect(output.cords).toHaveLength(6);
    const reading = readBundle(readFileSync(out, 'utf8'));
    expect(reading.ok && reading.studio.sessions[0]!.scenes[0]!.cords).toHaveLength(6);
  });

  it('exits 1 and says why where a thread has no way', () => {
    const none = { ...bare(), rig: { ...demo.rig, cords: [] } };
    const { code, out } = run('route', fileOf(none, 'none'));
    expect(code).toBe(1);
    expect(out).toMatch(/no way {2}1 Imke Tarrow, Narrator\n {8}No cord of the rig joins Large condenser/);
  });
});

describe('the command line', () => {
  it.each<[string, readonly string[], RegExp]>([
    ['nothing', [], /^ft check {2}FILE/],
    ['an unknown command', ['polish', 'x.json'], /^ft check {2}FILE/],
    ['an unknown option', ['check', 'x.json', '--loud'], /Unknown option '--loud'/],
    [
      'a file that is not there',
      ['check', 'nowhere.thread.json'],
      /^There is no readable file “nowhere\.thread\.json”/,
    ],
    ['two files', ['check', 'a', 'b'], /^ft check {2}FILE/],
  ])('exits 2 on %s', (_name, argv, message) => {
    const { code, err, out } = run(...argv);
    expect([code, out]).toEqual([2, '']);
    expect(err).toMatch(message);
  });

  it('exits 2 on a scene that is not there, and names those that are', () => {
    const { code, err } = run('check', fileOf(demo), '--scene', 'Mixdown');
    expect(code).toBe(2);
    expect(err).toBe('There is no scene “Mixdown”. The bundle has: “Tracking”.');
  });

  it('exits 2 on a bad bundle, with every problem by its place', () => {
    const file = join(folder, 'bad.thread.json');
    writeFileSync(file, writeBundle(demo).replace('"room": "booth"', '"room": "attic"'));
    const { code, err } = run('check', file);
    expect(code).toBe(2);
    expect(err).toMatch(
      /is not a usable bundle:\n {2}studio\.rig\.devices\[0\]\.room: There is no room “attic”/,
    );
  });

  it('prints its usage when asked, and exits 0', () => {
    expect(run('--help')).toMatchObject({ code: 0, err: '' });
  });
});

describe('published formats', () => {
  it.each(formatSchemas())(
    'docs/formats/%s.schema.json is what the program reads and writes (npm run formats)',
    (name, schema) => {
      const file = join(__dirname, '..', '..', 'docs', 'formats', `${name}.schema.json`);
      expect(readFileSync(file, 'utf8')).toBe(`${JSON.stringify(schema, null, 2)}\n`);
    },
  );
});

describe('commands on the data', () => {
  const home = emptyFolder();
  const before = process.env['FT_DATA'];
  let backupFile = '';
  const data = async (...argv: readonly string[]): Promise<{ code: unknown; out: string; err: string }> => {
    const [out, err]: [string[], string[]] = [[], []];
    const code = await ftData(
      argv,
      TEST_TIME,
      (text) => out.push(text),
      (text) => err.push(text),
    );
    return { code, out: out.join('\n'), err: err.join('\n') };
  };
  beforeAll(async () => {
    process.env['FT_DATA'] = join(home, 'data');
    const program = await startProgram({ folder: join(home, 'data') });
    await putSmallDemo(program);
    await program.api.post(`${DEMO}/changes`).send(performerChange('Ada', 'Imke Tarrow')).expect(200);
    const made = await data('backup', join(home, 'elsewhere'), '--json');
    backupFile = (JSON.parse(made.out) as { file: string }).file;
    await program.stop();
  });
  afterAll(() => {
    process.env['FT_DATA'] = before;
    rmSync(home, { recursive: true });
  });

  it('backup makes a verified copy, also while the program runs', () => {
    expect(existsSync(backupFile)).toBe(true);
  });

  it('verify looks the data and a backup over', async () => {
    expect(await data('verify')).toMatchObject({
      code: 0,
      out: expect.stringContaining('is whole') as string,
    });
    expect(await data('verify', backupFile)).toMatchObject({ code: 0 });
  });

  it('verify finds a missing line and a document that cannot be read', async () => {
    const file = join(home, 'broken.sqlite');
    copyFileSync(backupFile, file);
    const database = await openDatabase(file);
    await database.models.studios.update({ revision: 3 }, { where: {} });
    await database.models.sessions.update({ document: '{"id":"x"}' }, { where: {} });
    await database.close();
    const { code, out } = await data('verify', file);
    expect(code).toBe(1);
    expect(out).toContain('Saltglass Rooms: its documents cannot be read');
    expect(out).toContain('its history ends at 1 of 3');
    expect(out).toContain('Take the newest backup that is whole: ft restore FILE.');
  });

  it('verify finds damage', async () => {
    const file = join(home, 'damaged.sqlite');
    const bytes = readFileSync(backupFile);
    bytes.fill(0xa5, 8192, 16_384);
    writeFileSync(file, bytes);
    expect(await data('verify', file)).toMatchObject({
      code: 1,
      out: expect.stringContaining('the file is damaged') as string,
    });
    expect(await data('restore', file, '--into', join(home, 'never'))).toMatchObject({ code: 2 });
    expect(existsSync(join(home, 'never'))).toBe(false);
  });

  it('restore makes a data folder of its own, and never writes over one', async () => {
    const into = join(home, 'restored');
    expect(await data('restore', backupFile, '--into', into)).toMatchObject({ code: 0 });
    const program = await startProgram({ folder: into });
    expect((await program.api.get(DEMO).expect(200)).body).toMatchObject({ revision: 1 });
    await program.stop();
    const again = await data('restore', backupFile, '--into', into);
    expect(again).toMatchObject({ code: 2, err: expect.stringContaining('is not empty') as string });
  });

  it.each([
    ['no folder to back up to', ['backup'], /Say where to/],
    ['a backup that is not there', ['restore', '/nowhere.sqlite'], /There is no file “\/nowhere\.sqlite”/],
    ['an option that is none', ['verify', '--into-the-dark'], /ft check {2}FILE/],
    ['one thing too many', ['verify', 'a', 'b'], /ft check {2}FILE/],
  ])('with %s end with exit 2 and a sentence', async (_name, argv, sentence) => {
    const { code, err } = await data(...argv);
    expect(code).toBe(2);
    expect(err).toMatch(sentence);
  });

  it('leave commands on bundles alone', async () => {
    expect((await data('check', 'x')).code).toBeUndefined();
  });
});

describe('input made to break the command line', () => {
  it('nested very deep is exit 2 and a sentence', () => {
    const file = join(folder, 'deep.thread.json');
    writeFileSync(file, `{"format":"faithful-thread/2","studio":${'['.repeat(50_000)}${']'.repeat(50_000)}}`);
    const { code, err } = run('check', file);
    expect(code).toBe(2);
    expect(err).toContain('nested deeper than 64 levels');
  });

  it('that is no text, or UTF-16, is told or read', () => {
    const binary = join(folder, 'picture.png');
    writeFileSync(binary, Buffer.from([0x89, 0x50, 0x4e, 0x47, 0, 1, 2, 3]));
    expect(run('check', binary)).toMatchObject({ code: 2 });
    const wide = join(folder, 'wide.thread.json');
    writeFileSync(wide, Buffer.from(`\ufeff${writeBundle(demo)}`, 'utf16le'));
    expect(run('check', wide).code).toBe(run('check', fileOf(demo)).code);
  });
});

describe('ft playback', () => {
  const call = ['playback', fileOf(wholeDemo(), 'playback'), '--scene', 'Kiln rehearsal'] as const;

  it('prints what is checked, channel by channel', () => {
    const { code, out } = run(...call);
    expect(code).toBe(0);
    expect(out).toContain('Rehearsal · Kiln desk, recorded on Kiln recorder · live: Kiln rehearsal');
    expect(out).toContain('holds  Same count: 16 channels, 16 tracks.');
    expect(out).toContain(
      'channel 3 (Harp, Wen Askelby): Kiln desk card in 1 3 → track 3, at the input; in playback track 3',
    );
    expect(out).toContain('wanted on stage, channel 3: Kiln stagebox 3 Gain +36.0 dB → +40.0 dB');
  });

  it('says by its exit code that one of them is off by a track', () => {
    const { code, out } = run(...call, '--check');
    expect(code).toBe(1);
    expect(out).toContain('FAILS  Same sources, same order: 16 channels play one track off');
    const told = playbackOutputSchema.parse(json(run(...call, '--check', '--json')));
    const fails = told.checks.map(({ name, points }) => [
      name,
      points.filter(({ stands }) => stands === 'fails').map(({ title }) => title),
    ]);
    expect(fails).toEqual([
      ['Rehearsal', []],
      ['Copied by hand', ['Same sources, same order']],
    ]);
  });
});

describe('ft inserts', () => {
  const call = [
    'inserts',
    fileOf(wholeDemo(), 'inserts'),
    '--session',
    'The Lamplighter’s Ledger, reel 1 mix',
  ] as const;

  it('prints a line a job with channels, trims, levels and delay, then what several want and each unit’s day', () => {
    const { code, out } = run(...call);
    expect(code).toBe(0);
    for (const part of [
      '4 of about 20 hardware inserts at the small buffer of 128 samples.',
      '1 NARR: Valve equaliser A > Opto compressor > Passive equaliser A · slot 2 · live · out and in 1',
      'out 3 is mid (L + R), out 4 is side (L − R), both at −6.0 dB; back at unity',
      'Transistor compressor B: 2 jobs. Commit first: 1 FERRY (18:30), 2 HARP (18:30); 37:00 in real time.',
      'Transistor compressor A: LAMP to commit 0:00–18:30, DRUM to commit 18:30–37:00, BCL live from 37:00',
    ])
      expect(out).toContain(part);
  });

  it('writes the insert sheet and the name list as tables', () => {
    const [head, first] = run(...call, '--csv').out.split(/\r?\n/);
    expect(head).toMatch(/^No,On,Chain,How,Slot,State,Is,Out,In,/);
    expect(first).toMatch(
      /^1,NARR,Valve equaliser A > Opto compressor > Passive equaliser A,straight,2,live,up,1,1,/,
    );
    const names = run(...call, '--names').out.split(/\r?\n/);
    expect(names).toContain('Output,1,to Valve equaliser A,24×24 converter line out 1,on');
    expect(names).toContain('Input,23,Reel sum left,24×24 converter line in 23,on');
    expect(names).toContain('Output,8,,24×24 converter line out 8,off');
    expect(names).toContain('Insert,3–4,Bus compressor,on DX,on');
  });

  it('gives JSON of its published shape', () => {
    const told = insertsOutputSchema.parse(json(run(...call, '--json')));
    expect(told.jobs.map(({ on, state, placing }) => [on, state, placing])).toContainEqual([
      'LAMP',
      'to commit',
      'waiting',
    ]);
    expect(told.budget).toEqual({ used: 4, limit: 20, isOver: false });
  });

  it('says of a session without jobs that there are none', () => {
    expect(run('inserts', fileOf(demo)).out).toContain('There are no jobs in this session.');
  });
});

describe('ft summing', () => {
  const call = [
    'summing',
    fileOf(wholeDemo(), 'summing'),
    '--session',
    'The Lamplighter’s Ledger, reel 1 mix',
  ] as const;

  it('prints who stands where and why, what would be next best, and who takes how much', () => {
    const { code, out } = run(...call);
    expect(code).toBe(0);
    expect(out).toContain('Reel sum · 16-way summing mixer · two mono, rest pairs · 16 inputs, free: none');
    expect(out).toMatch(
      / {2}1 DRUM \(hit\): hits hardest: alone, and first, on a mono input · next best .* · output 9 · /,
    );
    expect(out).toContain('15–16 HALL (effects): effects: at the end, beside PLATE');
  });

  it('gives JSON of its published shape, with the total, and a table', () => {
    const told = summingOutputSchema.parse(json(run(...call, '--json')));
    expect(told.sums[0]).toMatchObject({ school: 'two mono, rest pairs', isProven: true, remarks: [] });
    expect(told.sums[0]!.places.map(({ stem, inputs }) => `${stem} ${inputs}`)).toContain('BCL 2');
    expect(run(...call, '--csv').out).toMatch(/^Sum,Stem,Sound,Place,Why,Next best,Output,/);
  });

  it('tells of a console as a mixer in its scene', () => {
    const told = summingOutputSchema.parse(json(run(...call, '--scene', 'Mix on the desk', '--json')));
    expect(told.sums).toMatchObject([
      {
        school: 'track for track',
        // The mix passes the loops before it is printed; the console's loudspeakers do not.
        remarks: [
          expect.stringMatching(/^Mix compressor and Mix equaliser stand on the way to the print alone/),
        ],
      },
    ]);
    expect(told.sums[0]!.buses.map(({ name, from, unit }) => [name, from, unit])).toEqual([
      ['group 1–2', 'STR, AIR', 'Four-band equaliser A + Four-band equaliser B'],
      ['stereo cue', 'DRUM, BCL, VIB, STR, AIR', 'Ducker'],
      ['channel 11–12', 'stereo cue', ''],
      ['mix', 'DRUM, BCL, VIB, group 1–2', ''],
    ]);
    const text = run(...call, '--scene', 'Mix on the desk').out;
    expect(text).toContain('= stereo cue: DRUM, BCL, VIB, STR, AIR · over Ducker');
    expect(text).toMatch(/recorded on 7–8, \d+ samples/);
    expect(told.sums[0]!.places.map(({ stem, inputs }) => `${stem} ${inputs}`)).toEqual([
      'DRUM 1',
      'BCL 2',
      'VIB 3–4',
      'STR 5–6',
      'AIR 7–8',
    ]);
  });

  it('says of a scene without sums that there are none', () => {
    expect(run('summing', fileOf(demo)).out).toContain('There are no sums in this scene.');
  });
});

describe('ft cues', () => {
  const file = fileOf(wholeDemo(), 'cues');
  const call = ['cues', file, '--scene', 'Company call'] as const;

  it('says who hears what, at which level and on which box, and gives JSON of its published shape', () => {
    const { code, out } = run(...call);
    expect(code).toBe(0);
    expect(out).toContain('Actors · Kiln desk aux 1–2 · routed');
    expect(out).toContain('  33 Tamsin Rook, Foley left: −16 pre L40');
    expect(out).toMatch(/→ Lamplighter headphones: [\d.]+ dB SPL, Kiln junction 1 at −[\d.]+ dB/);
    expect(out).toContain('Spare 1 headphones (nobody wears them)');
    const told = cuesOutputSchema.parse(json(run(...call, '--json')));
    expect(told.cues.map(({ name }) => name)).toEqual([
      'Narrator',
      'Actors',
      'Foley pair',
      'Conductor',
      'Ensemble',
    ]);
    expect(told.ears).toHaveLength(12);
    expect(told.ears.find(({ performer }) => performer === 'Imke Tarrow')).toMatchObject({
      ...{ cue: 'Narrator', box: 'Cue box 1', ownDelayMs: 7.125 },
    });
  });

  it('of a scene without cues says so', () => {
    expect(run('cues', file).out).toContain('There are no cues in this scene.');
  });
});

describe('ft channels', () => {
  const file = fileOf(wholeDemo(), 'consoles');
  const split = ['channels', file, '--scene', 'Chamber group', '--device', 'Split console'] as const;

  it('prints the sheet of a console, as text, as a table and as JSON of its published shape', () => {
    expect(run(...split).out).toMatch(/channel 3 +23 Saskia Orrel, Bass clarinet +mic +36/);
    const table = run(...split, '--csv');
    expect(table).toMatchObject({ code: 0, err: '' });
    expect(table.out.split('\r\n')[0]).toMatch(/^Row,Carries,Listens to,Gain,Pad,48 V/);
    const told = channelsOutputSchema.parse(json(run(...split, '--json')));
    expect(told.rows.find(({ id }) => id === 'channel-3')).toMatchObject({
      ...{
        carries: '23 Saskia Orrel, Bass clarinet',
        cells: expect.objectContaining({ gain: '36', phantom: 'on' }),
      },
    });
  });

  it('reads its own table back: nothing changes; and a change is written whole', () => {
    const table = join(folder, 'split.csv');
    writeFileSync(table, run(...split, '--csv').out);
    expect(run(...split, '--read', table).out).toContain('Everything is there already.');
    writeFileSync(table, 'Row,Fader,Aux 1\nchannel 3,-8,-6 pre\n');
    const out = join(folder, 'split-out.thread.json');
    expect(run(...split, '--read', table, '--out', out).out).toContain('channel 3, fader: −5 → −8');
    const read = readBundle(readFileSync(out, 'utf8'));
    const scene = read.ok && read.studio.sessions[0]!.scenes.find(({ name }) => name === 'Chamber group');
    expect(scene && scene.settings).toMatchObject({
      'split-console/faderDb/3': -8,
      'split-console/aux1/3': 1,
    });
  });

  it('refuses what does not fit with every place, and writes nothing', () => {
    const table = join(folder, 'wrong.csv');
    writeFileSync(table, 'Row,Fader\nchannel 3,loud\n');
    const out = join(folder, 'never.thread.json');
    const answer = run(...split, '--read', table, '--out', out);
    expect(answer.code).toBe(2);
    expect(answer.err).toContain('Line 2, column 2: channel 3: “loud” is not a figure for channel fader.');
    expect(existsSync(out)).toBe(false);
    expect(run(...split, '--out', out)).toMatchObject({
      code: 2,
      err: expect.stringContaining('--read TABLE'),
    });
    expect(existsSync(out)).toBe(false);
    expect(run('channels', file).err).toContain('Say which: --device NAME.');
    expect(run('channels', file, '--device', 'Splitt console').err).toContain('Did you mean “Split console”');
    expect(run(...split, '--read', join(folder, 'none.csv')).err).toContain('There is no readable file');
  });
});
