import { readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { saltglassRooms } from '../../core/test/fixtures/thin/saltglass';
import {
  checkOutputSchema,
  levelsOutputSchema,
  routeOutputSchema,
  traceOutputSchema,
} from '@ft/contract/cliOutput';
import { readBundle, writeBundle } from '@ft/core/formats/bundle';
import type { Studio } from '@ft/core/session/studioSchema';
import { formatSchemas } from '../src/formats/formatSchemas';
import { ft } from '../src/cli/ft';
import { studioOf } from '../../core/test/fixtures/studioOf';
import { WORKED_LADDER } from '../../core/test/fixtures/workedLadder';
import { emptyFolder } from './helpers';

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
    settings: {},
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
      ['preamp/mic-1/1', 'noise', -116.57],
      ['preamp/out-1/1', 'noise', -72.57],
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

describe('ft check', () => {
  it('exits 1 where a finding is an error, and lists it with its remedy', () => {
    const { code, out } = run('check', fileOf(demo));
    expect(code).toBe(1);
    expect(out).toContain('48 V is on at Mic preamp 4');
    expect(out).toMatch(/2 error, 3 warning, 0 note, 0 waived$/);
  });

  it('exits 0 where nothing is wrong', () => {
    expect(run('check', fileOf(withoutFindings(), 'clean')).code).toBe(0);
  });

  it('gives JSON as described', () => {
    const output = checkOutputSchema.parse(json(run('check', fileOf(demo), '--json')));
    expect(output.counts).toEqual({ error: 2, warning: 3, note: 0, waived: 0 });
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
    expect(out).toMatch(
      /no way {2}1 Imke Tarrow, Narrator\n {8}No wire, normal or cord leads from Large condenser/,
    );
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
