import { saltglassRooms } from '../fixtures/thin/saltglass';
import { namingOf } from '@ft/core/words/naming';
import { obstacleSentence } from '@ft/core/words/obstacleWording';
import { compile } from '@ft/core/graph/compile';
import type { ThreadOutcome } from '@ft/core/routing/route';
import { route } from '@ft/core/routing/route';
import type { Scene, Session, Thread } from '@ft/core/session/sessionSchema';
import type { Studio } from '@ft/core/session/studioSchema';
import type { Parts } from '../fixtures/studioOf';
import { firstScene, studioOf } from '../fixtures/studioOf';

/** Routes the first scene and gives cords as "from → to", and outcomes by thread. */
function routed(studio: Studio): {
  cords: readonly string[];
  outcome: (thread: string) => ThreadOutcome;
  because: (thread: string) => string;
  settings: Record<string, unknown>;
} {
  const { session, scene } = firstScene(studio);
  const { cords, outcomes, settings } = route(studio.rig, session, scene);
  const naming = namingOf(studio.rig, session, compile(studio.rig, session, scene));
  const outcome = (thread: string): ThreadOutcome => outcomes.find((each) => each.thread === thread)!;
  return {
    cords: cords.map((cord) => `${cord.from} → ${cord.to}`).sort(),
    outcome,
    settings,
    because(thread) {
      const found = outcome(thread);
      return found.routed ? 'routed' : obstacleSentence(found.obstacle, naming);
    },
  };
}

const changed = (
  studio: Studio,
  change: { readonly scene?: Partial<Scene>; readonly thread?: (thread: Thread) => Thread },
): Studio => {
  const [session, ...others] = studio.sessions as [Session, ...Session[]];
  const scenes = session.scenes.map((scene) => ({ ...scene, ...change.scene }));
  const threads = session.threads.map(change.thread ?? ((thread) => thread));
  return { ...studio, sessions: [{ ...session, scenes, threads }, ...others] };
};

const withPins = (studio: Studio, id: string, pins: Record<string, string>): Studio =>
  changed(studio, {
    thread: (thread) => (thread.id === id ? { ...thread, pins: pins } : thread),
  });

const saltglass = saltglassRooms();
const bare = changed(saltglass, { scene: { cords: [] } });

describe('routing the demo', () => {
  it('keeps what already runs', () => {
    const { cords, outcome } = routed(saltglass);
    expect(cords).toEqual(
      firstScene(saltglass)
        .scene.cords.map(({ from, to }) => `${from} → ${to}`)
        .sort(),
    );
    expect(outcome('line-1')).toMatchObject({ routed: true, kept: true });
  });

  it('uses normals where they lead: two cords for the narrator, one of them for the insert', () => {
    const { cords } = routed(bare);
    expect(cords).toContain('narrator-mic/out/1 → booth-panel/jack-1/1');
    expect(cords).toContain('bay-b/upper-1/1 → bay-b/lower-25/1');
    expect(cords.filter((cord) => cord.startsWith('narrator-mic') || cord.startsWith('bay-b'))).toHaveLength(
      2,
    );
  });

  it('patches around where no normal leads on', () => {
    expect(routed(bare).cords).toContain('bay-a/upper-13/1 → bay-a/lower-10/1');
  });

  it('gives equal results for equal input', () => {
    expect(routed(bare)).toMatchObject({ cords: routed(bare).cords });
  });

  it('meets a pin by moving another thread, and gain and 48 V go along', () => {
    const { outcome, settings } = routed(withPins(saltglass, 'line-1', { preamp: 'preamp/channel-4' }));
    expect(outcome('line-1')).toMatchObject({ routed: true, kept: false });
    expect(outcome('line-4')).toMatchObject({ routed: true, kept: false });
    // The narrator and the harp swap preamps: 44 and 38 dB, both with 48 V.
    expect(settings).toMatchObject({
      'preamp/gainDb/4': 44,
      'preamp/phantom/4': true,
      'preamp/gainDb/1': 38,
      'preamp/phantom/1': true,
    });
  });

  it('leaves the channel that was left at its initial state', () => {
    const session = firstScene(saltglass).session;
    const alone = {
      ...withPins(saltglass, 'line-1', { preamp: 'preamp/channel-4' }),
    };
    const only = {
      ...alone,
      sessions: [
        {
          ...firstScene(alone).session,
          threads: firstScene(alone).session.threads.filter(({ id }) => id === 'line-1'),
        },
      ],
    };
    const cords = session.scenes[0]!.cords.filter((cord) => cord.thread === 'line-1');
    const moved = routed(changed(only, { scene: { cords } }));
    expect(moved.outcome('line-1')).toMatchObject({ routed: true, kept: false });
    expect(moved.settings).toMatchObject({
      'preamp/gainDb/4': 44,
      'preamp/phantom/4': true,
      'preamp/gainDb/1': null,
      'preamp/phantom/1': null,
    });
  });
});

describe('a thread without a way', () => {
  it('is told that two pins contradict each other, and which', () => {
    const both = withPins(withPins(saltglass, 'line-1', { preamp: 'preamp/channel-4' }), 'line-4', {
      preamp: 'preamp/channel-4',
      'room-jack': 'kiln-panel/line-5',
    });
    expect(routed(both).because('line-1')).toBe(
      'Pins contradict each other: Mic preamp 4 (1 Imke Tarrow, Narrator, 4 Wen Askelby, Harp). Take one of them away.',
    );
  });

  it('is told that no cord of the kind is left', () => {
    const noMicCables = {
      ...bare,
      rig: {
        ...bare.rig,
        cords: bare.rig.cords.map((stock) => ({
          ...stock,
          count: stock.id.startsWith('mic') ? 0 : stock.count,
        })),
      },
    };
    expect(routed(noMicCables).because('line-1')).toBe(
      'It needs Large condenser → Booth panel line 1, but no Mic cable (5 m) is left. Free one, or raise the number in the rig.',
    );
  });

  it('is told where it stops when nothing leads on', () => {
    const unwired = {
      ...bare,
      rig: { ...bare.rig, hardwires: bare.rig.hardwires.filter(({ id }) => !id.startsWith('stream-in')) },
    };
    expect(routed(unwired).because('line-2')).toMatch(
      /^No wire, normal or cord leads from .* to any DAW input\./,
    );
  });

  it('is told of a cord that was planned by hand', () => {
    const parts: Parts = {
      devices: [
        { id: 'mic', type: 'microphone', params: { principle: 'dynamic', sensitivityMvPerPa: 2 } },
        { id: 'panel', name: 'Panel', type: 'wallPanel', params: { lines: 1 } },
        { id: 'other', type: 'microphone', params: { principle: 'dynamic', sensitivityMvPerPa: 2 } },
        { id: 'preamp', type: 'micPreamp', params: { channels: 1 } },
        { id: 'converter', type: 'converter', params: { adcs: 1, dacs: 1 } },
        { id: 'daw', type: 'dawHost', params: { inputs: 1, outputs: 1 } },
      ],
      wires: [
        ['panel/rear-1/1', 'preamp/mic-1/1'],
        ['preamp/out-1/1', 'converter/line-in-1/1'],
        ['converter/host-out/1', 'daw/stream-in/1'],
      ],
      cords: [{ from: 'other/out/1', to: 'panel/jack-1/1', stock: 'mic' }],
      threads: [{ from: 'mic/out/1' }],
    };
    const { because } = routed(studioOf(parts));
    expect(because('thread-1')).toBe(
      'Held by a cord planned by hand: Panel line 1. Make room there, or choose another unit.',
    );
  });
});

describe('what a way costs', () => {
  /** Two preamps behind a full-normalled bay; the panel's line stands over the first. */
  const parts = (threads: Parts['threads'], cords: Parts['cords'] = []): Parts => ({
    devices: [
      { id: 'mic', type: 'microphone', params: { principle: 'dynamic', sensitivityMvPerPa: 2 } },
      { id: 'mic-2', type: 'microphone', params: { principle: 'dynamic', sensitivityMvPerPa: 2 } },
      { id: 'panel', type: 'wallPanel', params: { lines: 3 } },
      { id: 'bay', type: 'patchbay', params: { columns: 3, normalling: 'full' } },
      { id: 'preamp', type: 'micPreamp', params: { channels: 2 } },
      { id: 'converter', type: 'converter', params: { adcs: 2, dacs: 1 } },
      { id: 'daw', type: 'dawHost', params: { inputs: 2, outputs: 1 } },
    ],
    wires: [
      ...[1, 2, 3].map((n): [string, string] => [
        `panel/rear-${String(n)}/1`,
        `bay/upper-rear-${String(n)}/1`,
      ]),
      ['bay/lower-rear-1/1', 'preamp/mic-1/1'],
      ['bay/lower-rear-2/1', 'preamp/mic-2/1'],
      ...[1, 2].map((n): [string, string] => [
        `preamp/out-${String(n)}/1`,
        `converter/line-in-1/${String(n)}`,
      ]),
      ...[1, 2].map((n): [string, string] => [
        `converter/host-out/${String(n)}`,
        `daw/stream-in/${String(n)}`,
      ]),
    ],
    threads,
    cords,
  });

  it('prefers a normal to a cord', () => {
    const { cords } = routed(studioOf(parts([{ from: 'mic/out/1' }])));
    expect(cords).toEqual(['mic/out/1 → panel/jack-1/1']);
  });

  it('breaks an idle normal rather than one in use', () => {
    const { cords } = routed(
      studioOf(
        parts([{ from: 'mic/out/1' }, { from: 'mic-2/out/1', pins: { 'room-jack': 'panel/line-3' } }]),
      ),
    );
    expect(cords).toContain('bay/upper-3/1 → bay/lower-2/1');
  });

  it('moves a thread off the unit that another is pinned to', () => {
    const { outcome, cords } = routed(
      studioOf(
        parts([
          { from: 'mic/out/1' },
          { from: 'mic-2/out/1', pins: { 'room-jack': 'panel/line-3', preamp: 'preamp/channel-1' } },
        ]),
      ),
    );
    expect(outcome('thread-1').routed).toBe(true);
    expect(outcome('thread-2').routed).toBe(true);
    expect(cords).toContain('bay/upper-3/1 → bay/lower-1/1');
  });

  it('does not run through a processor that was not asked for', () => {
    const through = parts([{ from: 'mic/out/1' }]);
    const studio = studioOf({
      ...through,
      devices: [...through.devices!, { id: 'opto', type: 'dynamics', params: {} }],
      wires: [
        ...through.wires!.filter(([from]) => from !== 'preamp/out-1/1'),
        ['preamp/out-1/1', 'opto/in-1/1'],
        ['opto/out-1/1', 'converter/line-in-1/1'],
      ],
    });
    // The compressor stands in preamp 1's line, so the router goes around by preamp 2.
    expect(routed(studio).cords).toContain('mic/out/1 → panel/jack-2/1');
  });
});
