import { cueCells } from '@ft/core/actions/cues/cueCells';
import { applyChange, invertChange } from '@ft/core/edits/change';
import { trackSendText } from '@ft/core/consoles/cues/trackSend';
import { cueMatrix } from '@ft/core/cues/cueSources';
import { writeBundle } from '@ft/core/formats/bundle';
import type { CueId } from '@ft/core/rig/ids';
import { channelSheetView } from '@ft/core/views/consoles/channelSheetView';
import { track } from '../checks/examples/example';
import { CUE_EXAMPLES } from '../checks/examples/cues';
import { cellAt, companyCall, cuesAt, sheetAt, then } from '../fixtures/cuePlace';
import { CUE, cueStudio } from '../fixtures/cueStudio';
import type { Dice } from '../fixtures/seeded';
import { seeded } from '../fixtures/seeded';
import { seedsFrom1 } from '../fixtures/seeds';
import type { Parts } from '../fixtures/studioOf';

const NARRATOR = 'narrator' as CueId;
const VOICE = 'line:thread-1';
const enter = (it: ReturnType<typeof cuesAt>, text: string, source = VOICE, cue = NARRATOR) =>
  cueCells(it, [{ source, cue, text }]);

describe('a cell of the cue sheet', () => {
  it('is the send of the console, in its words', () => {
    const it = cuesAt(cueStudio());
    expect(cellAt(it, VOICE, NARRATOR)).toBe('−10 pre');
    const set = then(it, enter(it, '-6 post L30').edits);
    expect(cellAt(set, VOICE, NARRATOR)).toBe('−6 post L30');
    const console = channelSheetView(set.context, 'console' as never)!;
    expect(console.rows.find(({ id }) => id === 'channel-1')!.texts['cue']).toBe('−6 post L30');
  });

  it.each([
    ['+40', /12/],
    ['loud', /says nothing about a send/],
    ['-6 return', /does not come there from the recorder/],
  ])('refuses %s with its place and what would fit', (text, sentence) => {
    const { edits, refused } = enter(cuesAt(cueStudio()), text);
    expect(edits).toEqual([]);
    expect(refused).toMatchObject([{ at: 0, row: '1 Imke Tarrow, Voice', column: 'Narrator' }]);
    expect(refused[0]!.sentence).toMatch(sentence);
  });

  it('tells of a source that does not come to the carrier, of one there is none, and of a cue that is gone', () => {
    const it = companyCall();
    const plan = cueCells(it, [
      { source: 'line:line-1', cue: 'actors' as CueId, text: '-6' },
      { source: 'line:nobody', cue: 'actors' as CueId, text: '-6' },
      { source: 'line:line-1', cue: 'gone' as CueId, text: '-6' },
    ]);
    expect(plan.edits).toEqual([]);
    expect(plan.refused.map(({ sentence }) => sentence)).toEqual([
      'Nothing of it comes to the carrier of Actors. Bring it to a channel there first.',
      'There is no such source here.',
      'This scene has no such cue.',
    ]);
  });

  it('moves a source from before the recorder to its return and back: one is heard', () => {
    const it = cuesAt(CUE_EXAMPLES['cue-heard-twice'].trips);
    expect(cellAt(it, VOICE, NARRATOR)).toBe('−10 pre + −10 pre return');
    const kept = then(it, cueCells(it, [{ source: VOICE, cue: NARRATOR, text: 'direct' }]).edits);
    expect(cellAt(kept, VOICE, NARRATOR)).toBe('−10 pre');
    const late = then(it, enter(it, '-8 pre return').edits);
    expect(cellAt(late, VOICE, NARRATOR)).toBe('−8 pre return');
    const early = then(late, enter(late, 'direct').edits);
    expect(cellAt(early, VOICE, NARRATOR)).toBe('−8 pre');
    expect(cellAt(then(early, enter(early, 'off').edits), VOICE, NARRATOR)).toBe('off');
  });

  it('has the master, the mute and talkback of its bus, of both sides of a pair', () => {
    const it = companyCall();
    const set = then(
      it,
      cueCells(it, [
        { source: 'bus:fader', cue: 'actors' as CueId, text: '-3' },
        { source: 'bus:talk', cue: 'actors' as CueId, text: 'off' },
      ]).edits,
    );
    expect([cellAt(set, 'bus:fader', 'actors'), cellAt(set, 'bus:talk', 'actors')]).toEqual(['−3', 'off']);
    const desk = channelSheetView(set.context, 'kiln-desk' as never)!;
    for (const id of ['aux-1', 'aux-2'])
      expect(desk.rows.find((row) => row.id === id)!.texts).toMatchObject({ fader: '−3', talk: 'off' });
    expect(cueCells(it, [{ source: 'bus:talk', cue: NARRATOR, text: 'on' }]).refused[0]!.sentence).toBe(
      'The carrier of Narrator has no talkback.',
    );
  });
});

/** A cue on two outputs of the host, and two tracks. */
const onHost: Parts = cueStudio({
  devices: [{ id: 'daw', name: 'DAW', type: 'dawHost', params: { inputs: 4, outputs: 4 } }],
  session: {
    host: 'daw',
    tracks: [track('harp'), track('drum', { number: 2, width: 2 })] as never,
    cues: [{ ...CUE, carrier: { on: 'host', first: 3, width: 2 } }],
  },
});

describe('a cue on outputs of the host', () => {
  it('writes the sends of its tracks', () => {
    const it = cuesAt(onHost);
    const set = then(it, enter(it, '-6 pre L30', 'track:harp').edits);
    expect(set.context.session.tracks.find(({ id }) => id === 'harp')!.sends).toEqual([
      { destination: { to: 'host', first: 3, width: 2 }, preFader: true, levelDb: -6, pan: -30 },
    ]);
    expect(cellAt(set, 'track:harp', NARRATOR)).toBe('−6 pre L30');
    const ended = then(set, enter(set, 'off', 'track:harp').edits);
    expect(ended.context.session.tracks.find(({ id }) => id === 'harp')!.sends).toEqual([]);
  });

  it('refuses +40 dB', () => {
    const { edits, refused } = enter(cuesAt(onHost), '40', 'track:harp');
    expect(edits).toEqual([]);
    expect(refused[0]!.sentence).toMatch(/24 dB/);
  });

  it('refuses one send more than a track has, and keeps the rest of what was typed', () => {
    const full = track('harp', {
      sends: Array.from({ length: 10 }, (_, i) => ({
        ...{ destination: { to: 'host' as const, first: i < 2 ? i + 1 : i + 3 } },
        ...{ preFader: true, levelDb: 0, pan: 0 },
      })),
    });
    const it = cuesAt(
      cueStudio({
        devices: [{ id: 'daw', name: 'DAW', type: 'dawHost', params: { inputs: 16, outputs: 16 } }],
        session: { ...onHost.session, tracks: [full, track('drum', { number: 2, width: 2 })] as never },
      }),
    );
    const plan = cueCells(
      it,
      ['track:harp', 'track:drum'].map((source) => ({ source, cue: NARRATOR, text: '-6 pre' })),
    );
    expect(plan.refused.map(({ sentence }) => sentence)).toEqual([
      'HARP has 10 sends already. End one of them first.',
    ]);
    expect(cellAt(then(it, plan.edits), 'track:drum', NARRATOR)).toBe('−6 pre');
  });
});

/** A text somebody could type for a send. */
const anyText = (dice: Dice): string => {
  if (dice.chance(0.2)) return 'off';
  const level = String(-30 + dice.below(42));
  const tap = dice.pick(['', ' pre', ' post', ' left', ' right', ' both']);
  return `${level}${tap}${dice.chance(0.3) ? dice.pick([' L40', ' R100', ' C']) : ''}`;
};

/** What the console or the track itself says of the sends of a cell. */
function atTheCarrier(it: ReturnType<typeof companyCall>, source: string, cue: string): readonly string[] {
  const column = cueMatrix(it.context).columns.find((each) => each.cue.id === cue)!;
  return (column.sends.get(source) ?? []).map(({ send }) => {
    if (send.kind === 'desk')
      return channelSheetView(it.context, send.device.id)!.rows.find(({ id }) => id === send.row.id)!.texts[
        send.column
      ]!;
    const { carrier } = column.cue;
    return carrier.on === 'host' ? trackSendText(send.send, carrier) : '';
  });
}

describe.each(seedsFrom1(6, 200))('random cells, seed %d', (seed) => {
  it('say what the sends of their carriers say, and one undo takes all back', () => {
    const dice = seeded(seed);
    const it = dice.chance(0.3) ? cuesAt(onHost) : companyCall();
    const { rows, cues } = sheetAt(it);
    const wanted = Array.from({ length: 1 + dice.below(8) }, () => {
      const row = dice.pick(rows);
      return { source: row.key, cue: dice.pick(cues).id, text: anyText(dice) };
    });
    const { edits, refused } = cueCells(it, wanted);
    const set = then(it, edits);
    const left = new Set(refused.map(({ at }) => at));
    expect(refused.every(({ at }) => wanted[at] !== undefined)).toBe(true);
    for (const { source, cue } of wanted) {
      const own = atTheCarrier(set, source, cue).filter((text) => text !== 'off');
      const cell = cellAt(set, source, cue);
      expect(
        cell === undefined ? [] : cell === 'off' ? [] : cell.replace(/ return/g, '').split(' + '),
      ).toEqual(own);
    }
    // What was refused changed nothing: of the last text for a cell that was taken, the level stands there.
    const last = new Map(wanted.map((each, at) => [`${each.source} ${each.cue}`, { ...each, at }]));
    for (const { source, cue, text, at } of last.values())
      if (!left.has(at) && text !== 'off')
        expect(cellAt(set, source, cue)).toMatch(
          new RegExp(`^${text.split(' ')[0]!.replace('-', '−')}( |$)`),
        );
    const made = applyChange(it.studio, edits);
    if (!made.ok) throw new Error('the cells do not hold together');
    const back = applyChange(made.value, invertChange(it.studio, edits));
    expect(back.ok && writeBundle(back.value)).toBe(writeBundle(it.studio));
  });
});
