import { SALTGLASS_PLACE, saltglassRooms } from '../fixtures/thin/saltglass';
import { choicesFor } from '@ft/core/plan/choices';
import type { ChoiceField } from '@ft/core/plan/choices';
import { findScene } from '@ft/core/plan/scenePlace';
import { typedThread } from '@ft/core/plan/typedThread';
import { contextOf } from '../fixtures/studioOf';

const demo = saltglassRooms();
const context = contextOf(demo);
const typed = (line: string): ReturnType<typeof typedThread> => typedThread(context, line);

describe('a thread typed as its stations', () => {
  it('is understood from shortened names', () => {
    expect(typed('Harp: small cond > preamp 4 > opto > input 7').thread).toEqual({
      source: 'Harp',
      from: 'harp-mic/out/1',
      inserts: ['opto/channel-a'],
      pins: { preamp: 'preamp/channel-4', 'daw-input': 'daw/input-7' },
    });
  });

  it('needs no source, nor anything beyond the microphone', () => {
    expect(typed('ribbon').thread).toEqual({ source: '', from: 'foley-mic/out/1', inserts: [], pins: {} });
  });

  it.each([
    ['', 'Type a microphone, then the stations after it, with > between them.'],
    ['Harp:', 'Type a microphone, then the stations after it, with > between them.'],
    ['Harp: theremin', /^No microphone is called “theremin”\. Did you mean “/],
    ['ribbon > opto expander', 'No station is called “opto expander”. Did you mean “Opto compressor”?'],
    [
      'ribbon > kettle',
      'No station is called “kettle”. Stations are preamps, processors, room jacks, converter and DAW inputs.',
    ],
  ])('says of %j what is missing', (line, problem) => {
    const result = typed(line);
    expect(result.thread).toBeUndefined();
    if (typeof problem === 'string') expect(result.problem).toBe(problem);
    else expect(result.problem).toMatch(problem);
  });

  it('waits quietly behind a last >', () => {
    expect(typed('ribbon > ')).toMatchObject({ pieces: [{ name: 'Long ribbon' }] });
    expect(typed('ribbon > ').problem).toBeUndefined();
  });

  it('shows what each piece was taken for', () => {
    expect(typed('Voice: large > opto > preamp 2').pieces.map(({ what, name }) => [what, name])).toEqual([
      ['source', 'Voice'],
      ['microphone', 'Large condenser'],
      ['insert', 'Opto compressor'],
      ['pin', 'Mic preamp 2'],
    ]);
  });
});

describe('what can go into a cell', () => {
  const { session, scene } = findScene(demo, SALTGLASS_PLACE)!;
  const line = (id: string): (typeof session.threads)[number] =>
    session.threads.find((thread) => thread.id === id)!;
  const offered = (id: string, field: ChoiceField, text = ''): ReturnType<typeof choicesFor> =>
    choicesFor(demo.rig, session, scene, line(id), field, text);

  it('has the best first, with its cords', () => {
    expect(offered('line-2', 'room-jack')[0]).toEqual({
      id: 'booth-panel/line-2',
      name: 'Booth panel line 2',
      cords: 1,
    });
  });

  it('puts what is not legal at the end, with the reason', () => {
    const choices = offered('line-1', 'preamp');
    expect(choices[0]!.name).toBe('Mic preamp 1');
    // The converter channel behind preamp 2’s half normal is free, so the preamp alone stands in the way.
    const held = choices.findIndex(({ name }) => name === 'Mic preamp 2');
    expect(choices[held]).toEqual({
      id: 'preamp/channel-2',
      name: 'Mic preamp 2',
      note: 'Held by 2 Joss Verrill, Lamplighter, which moves if there is room elsewhere.',
    });
    expect(choices.slice(0, held).every(({ cords }) => cords !== undefined)).toBe(true);
  });

  it('bars a unit that another thread is pinned to', () => {
    const pinned = {
      ...session,
      threads: session.threads.map((thread) =>
        thread.id === 'line-2' ? { ...thread, pins: { preamp: 'preamp/channel-2' as never } } : thread,
      ),
    };
    const choices = choicesFor(demo.rig, pinned, scene, line('line-1'), 'preamp', '');
    expect(choices.find(({ name }) => name === 'Mic preamp 2')!.because).toMatch(
      /^Pins contradict each other/,
    );
    const firstBarred = choices.findIndex(({ because }) => because !== undefined);
    expect(choices.slice(firstBarred).every(({ because }) => because !== undefined)).toBe(true);
  });

  it('says of a microphone in use where it is', () => {
    const used = offered('line-1', 'from', 'ribbon');
    expect(used).toEqual([
      { id: 'foley-mic/out/1', name: 'Long ribbon', note: 'on line 3 already: both take its signal' },
    ]);
  });

  it('narrows as one types', () => {
    expect(offered('line-2', 'converter', 'in 7').map(({ name }) => name)).toEqual([
      'Converter in 7',
      'Converter in 17',
    ]);
  });

  it('offers a microphone in the booth no jack in the Kiln, since no cord leads there', () => {
    const kiln = offered('line-2', 'room-jack', 'kiln panel line 7')[0]!;
    expect(kiln.because).toMatch(
      /^No wire, normal or cord leads from Broadcast dynamic to Kiln panel line 7/,
    );
  });
});
