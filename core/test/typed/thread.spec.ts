import { SALTGLASS_PLACE, saltglassRooms } from '../fixtures/thin/saltglass';
import { choicesFor } from '@ft/core/views/track/choices';
import type { ChoiceField } from '@ft/core/views/track/choices';
import { findScene } from '@ft/core/session/scenePlace';
import { applyNewChange } from '@ft/core/edits/change';
import { planOf } from '@ft/core/views/plan';
import { addThreadsEdits } from '@ft/core/actions/track/threadEdits';
import { typedThread } from '@ft/core/typed/thread/typedThread';
import type { ThreadId } from '@ft/core/rig/ids';
import { saltglassRooms as facility } from '../fixtures/builtDemo';
import { contextOf, firstScene } from '../fixtures/studioOf';

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
      purpose: 'input',
    });
  });

  it('needs no source, nor anything beyond the microphone', () => {
    expect(typed('ribbon').thread).toEqual({
      source: '',
      from: 'foley-mic/out/1',
      inserts: [],
      pins: {},
      purpose: 'input',
    });
  });

  it.each([
    ['', 'Type a microphone, then the stations after it, with > between them.'],
    ['Harp:', 'Type a microphone, then the stations after it, with > between them.'],
    ['Harp: theremin', /^No microphone or output is called “theremin”\. Did you mean “/],
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

describe('inserts, feeds and stereo lines, typed', () => {
  const studio = facility();
  const context = contextOf(studio);
  const { session, scene } = firstScene(studio);
  const place = { session: session.id, scene: scene.id };

  it('starts an insert at a DAW output, and brings it back where it says', () => {
    const typed = typedThread(context, 'out 3 > opto > in 3');
    expect(typed.problem).toBeUndefined();
    expect(typed.thread).toMatchObject({
      purpose: 'insert',
      from: 'daw/stream-out/3',
      source: 'Opto compressor',
      pins: { 'daw-input': 'daw/input-3' },
    });
    expect(typed.pieces.map(({ what }) => what)).toEqual(['output', 'insert', 'pin']);
  });

  it('routes what was typed, and says what the router put in', () => {
    const { thread } = typedThread(context, 'Fuzz: out 3 > fuzz > in 3');
    const item = {
      ...thread!,
      id: 'new' as ThreadId,
      number: 50,
      performer: '',
      trackName: '',
      scenes: [scene.id],
    };
    const result = applyNewChange(studio, addThreadsEdits(studio, place, [item]));
    if (!result.ok) throw new Error(JSON.stringify(result.refusal));
    const at = firstScene(result.value);
    const row = planOf(studio.rig, at.session, at.scene).plan.rows.find((each) => each.thread.id === 'new')!;
    expect(row.status).toBe('routed');
    expect(row.sourceName).toBe('DAW output 3');
    expect(row.added.join(', ')).toBe('Re-amp box 1 direct, DI box 1, Split console 9');
  });

  it('ends a feed at an input, from any output', () => {
    const typed = typedThread(context, 'mic preamp out 1 > to opto compressor in');
    expect(typed.thread).toMatchObject({
      purpose: 'feed',
      to: expect.stringMatching(/^opto-compressor\/in/),
    });
    expect(typedThread(context, 'out 1 > to nowhere at all').problem).toBe(
      'No input is called “nowhere at all”.',
    );
  });

  it.each([
    ['kiln desk line out 7 > to cue amplifier b in left', 'cue'],
    ['talkback microphone out > to kiln desk talkback in', 'talkback'],
    ['split console aux out 5 > to monitor controller source 4 left', 'monitor'],
  ])('knows from its ends what a line is for: %s', (line, purpose) => {
    expect(typedThread(context, line).thread).toMatchObject({ purpose });
  });

  it('takes two microphones with + between them for left and right', () => {
    const typed = typedThread(context, 'Vibraphone: small condenser 2 + small condenser 3 > preamp 4');
    expect(typed).toMatchObject({
      thread: { purpose: 'input', from: 'small-condenser-2/out/1' },
      second: 'small-condenser-3/out/1',
    });
    expect(typedThread(context, 'small condenser 2 + nothing such').problem).toMatch(/is called/);
  });
});
