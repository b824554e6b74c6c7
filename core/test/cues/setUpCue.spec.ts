import type { WorkPlace } from '@ft/core/actions/workPlace';
import { heardBy } from '@ft/core/actions/cues/setUp/heardBy';
import { removedCue } from '@ft/core/actions/cues/removedCue';
import type { CueWish } from '@ft/core/actions/cues/setUp/setUpCue';
import { setUpCue } from '@ft/core/actions/cues/setUp/setUpCue';
import { applyChange, invertChange } from '@ft/core/edits/change';
import { writeBundle } from '@ft/core/formats/bundle';
import type { CueId, DeviceId } from '@ft/core/rig/ids';
import { integrityProblems } from '@ft/core/session/integrity';
import { problemLine } from '@ft/core/words/problemWording';
import { track } from '../checks/examples/example';
import { companyCall, cellAt, cuesAt, sheetAt, then } from '../fixtures/cuePlace';
import { CUE, cueStudio } from '../fixtures/cueStudio';
import type { Parts } from '../fixtures/studioOf';
import { studioOf } from '../fixtures/studioOf';

const PHONES = ['phones' as DeviceId];
const STEREO_CUE: CueWish = {
  ...{ name: 'Narrator', withTalkback: true, headphones: PHONES },
  carrier: { on: 'console', device: 'console' as DeviceId, rows: ['cue'] },
};
const wish = (change: Partial<CueWish> = {}): CueWish => ({ ...STEREO_CUE, ...change });

/** The narrator’s rooms before anything of a cue is set. */
const bare = (parts: Parts = {}): WorkPlace =>
  cuesAt(
    cueStudio({
      ...parts,
      settings: { 'console/cue/1': 0, 'console/cueDb/1': 0, 'console/cueMute/1': true, 'amp/levelDb/1': -7 },
      session: { cues: [] },
    }),
  );

describe('a cue set up in one step', () => {
  it('has its sends on before the fader at noon, its master full, talkback, and volumes down', () => {
    const it = bare();
    const set = setUpCue(it, wish());
    expect(set.refused).toEqual([]);
    const there = then(it, set.edits);
    expect(cellAt(there, 'line:thread-1', 'narrator')).toBe('−10 pre');
    expect(['bus:fader', 'bus:mute', 'bus:talk'].map((key) => cellAt(there, key, 'narrator'))).toEqual([
      '0',
      'off',
      'on',
    ]);
    const { cues, ears } = sheetAt(there);
    expect(cues).toMatchObject([
      { name: 'Narrator', carrier: 'Console stereo cue', hasTalkback: true, status: 'patched' },
    ]);
    expect(ears[0]!.volume).toMatchObject({ box: 'Amp', isDown: true });
  });

  it('keeps left left and right right, as lines of the input list', () => {
    const it = bare();
    const there = then(it, setUpCue(it, wish()).edits);
    const lines = there.context.threads.filter(({ thread }) => thread.cue === 'narrator');
    expect(lines.map(({ thread: { purpose, from, to }, complete }) => [purpose, from, to, complete])).toEqual(
      [
        ['cue', 'console/cue-out-left/1', 'amp/in-left/1', true],
        ['cue', 'console/cue-out-right/1', 'amp/in-right/1', true],
      ],
    );
    expect(lines[1]!.thread.link).toEqual({ lead: lines[0]!.thread.id, place: 2 });
  });

  it('is one change, that one undo takes back to the same bytes', () => {
    const it = bare();
    const { edits } = setUpCue(it, wish());
    const made = applyChange(it.studio, edits);
    if (!made.ok) throw new Error('it does not hold together');
    const back = applyChange(made.value, invertChange(it.studio, edits));
    expect(back.ok && writeBundle(back.value)).toBe(writeBundle(it.studio));
  });

  it('is gone with its lines once it is removed; its sends stay', () => {
    const it = bare();
    const there = then(it, setUpCue(it, wish()).edits);
    const gone = then(there, removedCue(there, 'narrator' as CueId));
    expect(gone.context.session.cues).toEqual([]);
    expect(gone.context.session.threads.filter(({ cue }) => cue !== undefined)).toEqual([]);
    expect(gone.context.scene.settings['console/cue/1' as never]).toBe(1);
  });
});

describe('a cue that cannot be', () => {
  it.each<[string, Partial<CueWish>, RegExp]>([
    ['has no name', { name: ' ' }, /needs a name/],
    ['is heard by nobody', { headphones: [] }, /Nobody would hear it/],
    [
      'is carried by a bus that is not there',
      { carrier: { on: 'console', device: 'console' as DeviceId, rows: ['aux-9'] } },
      /no such bus/,
    ],
    [
      'is carried by a row that is no bus',
      { carrier: { on: 'console', device: 'console' as DeviceId, rows: ['group-1'] } },
      /no such bus/,
    ],
    [
      'is carried by a device that is gone',
      { carrier: { on: 'console', device: 'sold' as DeviceId, rows: ['aux-1'] } },
      /not in the rig any more/,
    ],
    ['is carried by a host there is not', { carrier: { on: 'host', first: 1, width: 2 } }, /no host/],
    ['is heard on what is no headphones', { headphones: ['mic' as DeviceId] }, /no headphones of the rig/],
  ])('because it %s is refused with the remedy, and nothing is half done', (_, change, sentence) => {
    const { edits, refused } = setUpCue(bare(), wish(change));
    expect(edits).toEqual([]);
    expect(refused[0]!.sentence).toMatch(sentence);
  });

  it('is on the bus of another one, or half of it', () => {
    const other = companyCall();
    const on = (rows: readonly string[]) =>
      setUpCue(
        other,
        wish({
          carrier: { on: 'console', device: 'kiln-desk' as DeviceId, rows: [...rows] },
          name: 'Second',
          headphones: ['spare-1-headphones' as DeviceId],
        }),
      );
    expect(on(['aux-2'])).toMatchObject({
      edits: [],
      refused: [
        {
          sentence:
            'Kiln desk aux 2 carries the cue “Actors” already. Choose another bus, or put these people on that cue.',
        },
      ],
    });
  });

  it('goes to headphones that no box has a way to', () => {
    const loose = bare({ devices: [{ id: 'loose', name: 'Loose pair', type: 'headphones', params: {} }] });
    const { edits, refused } = setUpCue(loose, wish({ headphones: ['loose' as DeviceId] }));
    expect(edits).toEqual([]);
    expect(refused).toMatchObject([{ row: 'Loose pair', column: 'headphones' }]);
    expect(refused[0]!.sentence).toMatch(/Wire them to an output/);
    // Beside a pair that is driven it is left out and told, and the cue is set up for the other.
    const beside = setUpCue(loose, wish({ headphones: [...PHONES, 'loose' as DeviceId] }));
    expect(beside.refused).toHaveLength(1);
    expect(then(loose, beside.edits).context.session.cues[0]!.headphones).toEqual([{ id: 'phones' }]);
  });

  it('would run over pedals and preamps, which is no way', () => {
    const it = companyCall();
    const { edits, refused } = setUpCue(it, {
      ...{ name: 'Harp', withTalkback: true, headphones: ['harp-headphones' as DeviceId] },
      carrier: { on: 'console', device: 'split-console' as DeviceId, rows: ['aux-5'] },
    });
    expect(edits).toEqual([]);
    expect(refused[0]!.sentence).toBe(
      'Nothing leads from Split console aux out 5 to Cue box 3 link in 1 without passing a preamp or an effect. Wire the box to where a cord reaches it in Rig, or choose another carrier.',
    );
  });
});

describe('a cue on outputs of the host', () => {
  it('has the sends of tracks on, and leaves groups off: their tracks would be heard twice', () => {
    const it = cuesAt(
      cueStudio({
        devices: [
          { id: 'converter', type: 'converter', params: { adcs: 4, dacs: 4 } },
          { id: 'daw', name: 'DAW', type: 'dawHost', params: { inputs: 4, outputs: 4 } },
          { id: 'box', type: 'cueAmp', params: { outputs: 1 } },
          { id: 'second', type: 'headphones', params: {} },
        ],
        wires: [
          ...[3, 4].map((n) => [`daw/stream-out/${String(n)}`, `converter/host-in/${String(n)}`] as const),
          ['converter/line-out-1/3', 'box/in-left/1'],
          ['converter/line-out-1/4', 'box/in-right/1'],
          ...[1, 2].map((n) => [`box/phones-1/${String(n)}`, `second/in/${String(n)}`] as const),
        ],
        session: {
          host: 'daw',
          tracks: [track('harp'), track('strings', { number: 2, kind: 'group' })] as never,
        },
      }),
    );
    const set = setUpCue(
      it,
      wish({
        ...{ name: 'Player', withTalkback: false, headphones: ['second' as DeviceId] },
        carrier: { on: 'host', first: 3, width: 2 },
      }),
    );
    expect(set.refused).toEqual([]);
    const there = then(it, set.edits);
    expect(['track:harp', 'track:strings'].map((key) => cellAt(there, key, 'player'))).toEqual([
      '−10 pre',
      'off',
    ]);
  });
});

describe('one more pair on a cue', () => {
  it('is heard, on the lines there are, with its volume down', () => {
    const it = cuesAt(
      cueStudio({
        devices: [{ id: 'second', type: 'headphones', params: {} }],
        wires: [
          ['amp/phones-2/1', 'second/in/1'],
          ['amp/phones-2/2', 'second/in/2'],
        ],
        settings: { 'amp/levelDb/2': -5 },
      }),
    );
    const plan = heardBy(it, 'narrator' as CueId, 'second' as DeviceId);
    const there = then(it, plan.edits);
    expect(sheetAt(there).ears.map(({ name }) => name)).toEqual(['Phones', 'Second']);
    expect(sheetAt(there).ears[1]!.volume!.isDown).toBe(true);
    expect(sheetAt(there).ears[1]!.sumDbSpl).toBeDefined();
  });
});

describe('a document', () => {
  const problems = (parts: Parts): readonly string[] => integrityProblems(studioOf(parts)).map(problemLine);

  it('holds no two cues on one bus in a scene', () => {
    const second = { ...CUE, id: 'second', number: 2, name: 'Second' };
    expect(problems(cueStudio({ session: { cues: [CUE, second] } }))).toEqual([
      'sessions[0].cues[1].carrier: The cues “Narrator” and “Second” would be on the same sends. Give one of them another bus, or put their people on one cue.',
    ]);
    expect(problems(cueStudio({ session: { cues: [CUE, { ...second, scenes: [] }] } }))).toEqual([]);
  });

  it('has the scenes of its cues, and the cues of its lines', () => {
    const lost = cueStudio({
      threads: [{ from: 'mic/out/1', to: 'console/mic-1/1', purpose: 'cue', cue: 'gone' }],
      session: { cues: [{ ...CUE, scenes: ['gone'] }] },
    });
    expect(problems(lost)).toEqual([
      'sessions[0].cues[0].scenes[0]: There is no scene “gone”. Add it, or point to one that exists.',
      'sessions[0].threads[0].cue: There is no cue “gone”. Add it, or point to one that exists.',
    ]);
  });
});
