import fc from 'fast-check';
import { saltglassRooms } from '../fixtures/thin/saltglass';
import { BUNDLE_FORMAT, readBundle, writeBundle } from '@ft/core/formats/bundle';
import { canonicalStudio } from '@ft/core/formats/canonicalStudio';
import { problemLine } from '@ft/core/words/problemWording';
import type { Studio } from '@ft/core/session/studioSchema';

const demo = saltglassRooms();
const text = writeBundle(demo);

interface Loose {
  [key: string]: Loose;
}

/** The demo's bundle with something spoiled. */
function spoiled(spoil: (studio: Loose) => void): string {
  const bundle = JSON.parse(text) as { studio: Loose };
  spoil(bundle.studio);
  return JSON.stringify(bundle);
}

function problemsOf(bundle: string): readonly string[] {
  const reading = readBundle(bundle);
  return reading.ok ? [] : reading.problems.map(problemLine);
}

describe('a bundle', () => {
  it('comes back as it was, byte for byte', () => {
    const reading = readBundle(text);
    expect(reading.ok && writeBundle(reading.studio)).toBe(text);
    expect(reading.ok && reading.studio).toEqual(demo);
  });

  it('of the version before is read: cords its scenes marked as plugged lie on the floor', () => {
    const older = JSON.parse(text) as {
      format: string;
      studio: { sessions: { scenes: { cords: Loose[] }[] }[] };
    };
    const { cords } = older.studio.sessions[0]!.scenes[0]!;
    const [first, second] = demo.sessions[0]!.scenes[0]!.cords;
    cords.forEach((cord, i) => Object.assign(cord, { plugged: i < 2 }));
    const { floor: _floor, ...studio } = older.studio as unknown as Loose;
    const reading = readBundle(JSON.stringify({ format: 'faithful-thread/1', studio }));
    expect(reading.ok && reading.studio.floor.cords).toEqual(
      [first!, second!]
        .map(({ from, to, stock }) => ({ id: from, to, stock }))
        .sort((a, b) => (a.id < b.id ? -1 : 1)),
    );
    expect(reading.ok && reading.studio.sessions).toEqual(demo.sessions);
  });

  it('is the same text whatever order the lists were in', () => {
    const order = fc.array(fc.nat(), { minLength: 200, maxLength: 200 });
    fc.assert(
      fc.property(order, (keys) => {
        const shuffled = <T>(items: readonly T[]): T[] =>
          items
            .map((item, i) => ({ item, key: keys[i] ?? 0 }))
            .sort((a, b) => a.key - b.key)
            .map(({ item }) => item);
        const { rig } = demo;
        const mixed: Studio = {
          ...demo,
          rig: { ...rig, devices: shuffled(rig.devices), hardwires: shuffled(rig.hardwires) },
        };
        expect(writeBundle(mixed)).toBe(text);
      }),
      { numRuns: 10 },
    );
  });

  it('may start with a byte-order mark and be set in one line', () => {
    expect(readBundle(`\uFEFF${JSON.stringify(JSON.parse(text))}`).ok).toBe(true);
  });

  it('is filled with typical figures where a device leaves them out', () => {
    const reading = readBundle(
      spoiled((studio) => {
        const devices = studio['rig']!['devices'] as unknown as Record<string, unknown>[];
        const preamp = devices.find(({ id }) => id === 'preamp')!;
        preamp['params'] = { channels: 4 };
      }),
    );
    expect(reading.ok && canonicalStudio(reading.studio)).toEqual(demo);
  });
});

const first = (studio: Loose, list: string, at = 0): Loose => studio['rig']![list]![String(at)]!;
const scene = (studio: Loose): Loose => studio['sessions']!['0']!['scenes']!['0']!;

describe('bad input is refused whole, with the place and the remedy', () => {
  it.each<[string, string, readonly (string | RegExp)[]]>([
    [
      'no JSON',
      '{"format": "faithful-thread/1",\n "studio": {,}}',
      [/^This is not JSON: .* \(line 2, column 13\)\. Mend the file there/],
    ],
    [
      'NaN',
      text.replace('"gainDb"', 'gainDb').replace(/: 44/, ': NaN'),
      [/^This is not JSON: .* \(line \d+, column \d+\)/],
    ],
    ['empty', '', [/^This is not JSON: .*line 1, column 1/]],
    [
      'no format',
      '{}',
      [
        'format: The format is not stated; this program reads “faithful-thread/2”. Open the file with the version that wrote it, and export it from there.',
      ],
    ],
    [
      'an unknown version',
      text.replace(BUNDLE_FORMAT, 'faithful-thread/9'),
      [/^format: The file is of a newer version of this program: its format is “faithful-thread\/9”/],
    ],
    ['a list instead of an object', '[1]', [/^format: /]],
    [
      'a duplicate id',
      spoiled((studio) => {
        first(studio, 'devices', 1)['id'] = first(studio, 'devices')['id']!;
      }),
      [
        /^studio\.rig\.devices\[1\]\.id: The id “actor-mic” stands twice; the first is at studio\.rig\.devices\[0\]\.id/,
      ],
    ],
    [
      'a dangling reference',
      spoiled((studio) => {
        first(studio, 'devices')['room'] = 'attic' as unknown as Loose;
      }),
      ['studio.rig.devices[0].room: There is no room “attic”. Add it, or point to one that exists.'],
    ],
    [
      'a wire from output to output',
      spoiled((studio) => {
        first(studio, 'hardwires')['to'] = 'preamp/out-1/1' as unknown as Loose;
      }),
      [
        'studio.rig.hardwires[0].to: “preamp/out-1/1” is an output, but a cable ends at an input. Choose an input.',
      ],
    ],
    [
      'a wire that starts at an input',
      spoiled((studio) => {
        first(studio, 'hardwires')['from'] = 'preamp/mic-1/1' as unknown as Loose;
      }),
      [/from: “preamp\/mic-1\/1” is an input, but a cable starts at an output/],
    ],
    [
      'a negative impedance',
      spoiled((studio) => {
        first(studio, 'devices')['params']!['sourceOhm'] = -50 as unknown as Loose;
      }),
      ['studio.rig.devices[0].params.sourceOhm: An impedance is above zero ohms.'],
    ],
    [
      'an unknown field',
      spoiled((studio) => {
        studio['colour'] = 'blue' as unknown as Loose;
      }),
      ['studio: There is no field “colour” here. Take it out, or check its spelling.'],
    ],
    [
      'a missing field',
      spoiled((studio) => {
        delete studio['rig']!['rooms'];
      }),
      ['studio.rig.rooms: This field is missing; it needs an array.'],
    ],
    [
      'an unknown device type',
      spoiled((studio) => {
        first(studio, 'devices')['type'] = 'kettle' as unknown as Loose;
      }),
      [/^studio\.rig\.devices\[0\]\.type: This must be one of "microphone"/],
    ],
    [
      'two plugs in one jack',
      spoiled((studio) => {
        scene(studio)['cords']!['1']!['to'] = scene(studio)['cords']!['0']!['to']!;
      }),
      [/already holds the plug of cord “line-1-c1”/],
    ],
  ])('%s', (_name, bundle, expected) => {
    const problems = problemsOf(bundle);
    expect(problems.length).toBeGreaterThan(0);
    expected.forEach((sentence, i) => {
      if (typeof sentence === 'string') expect(problems[i]).toBe(sentence);
      else expect(problems[i]).toMatch(sentence);
    });
  });

  it('lists every problem, not only the first', () => {
    const problems = problemsOf(
      spoiled((studio) => {
        first(studio, 'devices', 0)['room'] = 'attic' as unknown as Loose;
        first(studio, 'devices', 1)['room'] = 'cellar' as unknown as Loose;
        first(studio, 'hardwires', 0)['to'] = 'nowhere/in/1' as unknown as Loose;
      }),
    );
    expect(problems).toHaveLength(3);
  });

  it('never throws, whatever JSON comes', () => {
    fc.assert(
      fc.property(fc.json(), (json) => {
        expect(readBundle(json).ok).toBe(false);
        expect(readBundle(`{"format":"${BUNDLE_FORMAT}","studio":${json}}`).ok).toBe(false);
      }),
    );
  });
});

describe('what a session asks of a rig that does not have it', () => {
  // Gear is sold while sessions remember it, so such a bundle is read; what is missing is said.
  it.each<[string, string, RegExp]>([
    [
      'a cord from a rear connector',
      spoiled((studio) => {
        scene(studio)['cords']!['0']!['from'] = 'preamp/out-1/1' as unknown as Loose;
      }),
      /“preamp\/out-1\/1” is not a front face, so no cord can be plugged there/,
    ],
    [
      'a gain outside its range',
      spoiled((studio) => {
        scene(studio)['settings']!['preamp/gainDb/1'] = 99 as unknown as Loose;
      }),
      /settings\.preamp\/gainDb\/1: .*the value is outside the range of the knob/,
    ],
    [
      'a knob that does not exist',
      spoiled((studio) => {
        scene(studio)['settings']!['opto/phantom/1'] = true as unknown as Loose;
      }),
      /There is no setting “opto\/phantom\/1”/,
    ],
    [
      'a pin of the wrong kind',
      spoiled((studio) => {
        studio['sessions']!['0']!['threads']!['0']!['pins'] = {
          preamp: 'opto/channel-a',
        } as unknown as Loose;
      }),
      /“opto\/channel-a” is not a preamp/,
    ],
  ])('is read, and named with its place: %s', (_name, bundle, expected) => {
    const reading = readBundle(bundle);
    expect(reading.ok && reading.breaks.map(problemLine).join(' ')).toMatch(expected);
  });
});
