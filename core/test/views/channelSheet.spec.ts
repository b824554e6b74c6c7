import { plannedCells } from '@ft/core/actions/consoles/plannedCells';
import { automationPlan } from '@ft/core/consoles/automation';
import type { Track } from '@ft/core/session/daw/trackSchema';
import { plainTrack } from '@ft/core/session/daw/trackTemplate';
import { channelsCsv } from '@ft/core/formats/csv/channelsCsv';
import { channelTable } from '@ft/core/formats/csv/channelTable';
import type { ChannelRowView } from '@ft/core/views/consoles/channelSheetView';
import { channelSheetView, devicesWithChannels } from '@ft/core/views/consoles/channelSheetView';
import { cellChoices } from '@ft/core/views/consoles/cellChoices';
import { matrixPage } from '@ft/core/views/consoles/matrixPage';
import { rowKnobs } from '@ft/core/views/consoles/rowKnobs';
import type { DeskPlace } from '@ft/core/actions/consoles/plannedCells';
import { deskPlace, edited, planned, textAt } from '../fixtures/deskPlace';
import type { Parts } from '../fixtures/studioOf';

const MIC = {
  id: 'mic',
  name: 'Mic',
  type: 'microphone',
  params: { principle: 'dynamic', sensitivityMvPerPa: 2 },
};

/** A microphone over a stagebox to a console, a compressor on its insert, a cue amp on an output. */
const stage = (more: Partial<Parts> = {}, params: Record<string, unknown> = {}): Parts => ({
  devices: [
    MIC,
    { id: 'box', name: 'Box', type: 'stagebox', params: { inputs: 8, outputs: 0 } },
    {
      ...{ id: 'desk', type: 'digitalConsole' },
      params: {
        channels: 16,
        micInputs: 2,
        insertPoints: 2,
        lineOutputs: 4,
        cards: 1,
        fadersPerLayer: 8,
        ...params,
      },
    },
    { id: 'opto', name: 'Opto', type: 'dynamics', params: {} },
    { id: 'amp', name: 'Cue amp', type: 'cueAmp', params: { outputs: 2 } },
  ],
  wires: [
    ['mic/out/1', 'box/mic-3/1'],
    ...Array.from({ length: 8 }, (_, n): [string, string] => [
      `box/madi-out-1/${String(n + 1)}`,
      `desk/madi-in-1/${String(n + 1)}`,
    ]),
    ['desk/insert-send-2/1', 'opto/in-1/1'],
    ['opto/out-1/1', 'desk/insert-return-2/1'],
    ['desk/out-3/1', 'amp/in-left/1'],
  ],
  threads: [{ from: 'mic/out/1', source: 'Harp', purpose: 'feed', to: 'box/mic-3/1', levelDbSpl: 80 }],
  ...more,
});

const rowOf = ({ context, device }: DeskPlace, id: string): ChannelRowView =>
  channelSheetView(context, device)!.rows.find((row) => row.id === id)!;

/** The console with the harp on channel 5, sent to aux 1, which plays on line output 3. */
const patched = (): DeskPlace => {
  const it = deskPlace(stage());
  return planned(
    it,
    plannedCells(it, [
      { row: 'channel-5', column: 'source', text: 'card in 3' },
      { row: 'channel-5', column: 'aux1', text: '-6 pre' },
      { row: 'channel-5', column: 'vca', text: 'VCA 2' },
      { row: 'out-3', column: 'source', text: 'aux 1' },
      { row: 'channel-6', column: 'source', text: 'local in 2' },
    ]),
  );
};

describe('the channel sheet', () => {
  it('says what a channel carries, wherever its amplifier stands, and turns that one', () => {
    const it = patched();
    expect(rowOf(it, 'channel-5')).toMatchObject({ carries: '1 Harp', isUsed: true });
    const plan = plannedCells(it, [{ row: 'channel-5', column: 'gain', text: '41' }]);
    expect(planned(it, plan).context.scene.settings).toMatchObject({ 'box/gainDb/3': 41 });
    expect(rowKnobs(it.context, it.device, 'channel-5').map(({ key }) => key)).toContain('box/gainDb/3');
  });

  it('shows the insert point and the unit of the amplifier in front', () => {
    const it = patched();
    expect(rowOf(it, 'channel-6').unit).toBe('Opto');
    expect(rowOf(it, 'channel-6').texts['insert']).toBe('in');
    expect(rowOf(it, 'channel-5').texts['insert']).toBeUndefined();
  });

  it('says where a bus and an output lead', () => {
    const it = patched();
    expect(rowOf(it, 'aux-1').leads).toBe('line out 3');
    expect(rowOf(it, 'out-3').leads).toBe('Cue amp in left');
    expect(rowOf(it, 'aux-2').leads).toBe('');
  });

  it('tells what a job uses: what sounds, and the VCA that is followed', () => {
    const used = channelSheetView(patched().context, 'desk' as never)!.rows.filter(({ isUsed }) => isUsed);
    expect(used.map(({ id }) => id)).toEqual(['channel-5', 'aux-1', 'vca-2', 'out-3']);
  });

  it('shows only the columns there are, each edited in its way', () => {
    const { columns } = channelSheetView(patched().context, 'desk' as never)!;
    const editor = Object.fromEntries(columns.map((column) => [column.id, column.editor]));
    expect(editor).toMatchObject({
      source: 'choice',
      gain: 'figure',
      phantom: 'switch',
      aux1: 'text',
      groups: 'text',
    });
    expect(editor['boost']).toBeUndefined();
  });

  it('lays channels on layers as the surface has faders, and masters behind them', () => {
    const { layers } = channelSheetView(patched().context, 'desk' as never)!;
    expect(layers.slice(0, 2).map(({ name }) => name)).toEqual([
      'Layer 1: channels 1–8',
      'Layer 2: channels 9–16',
    ]);
    expect(layers[1]!.rows.slice(0, 2)).toEqual(['channel-9', 'channel-10']);
    const named = layers.map(({ name }) => name);
    expect(named).toEqual(expect.arrayContaining(['Auxes', 'Groups', 'VCAs', 'Matrices and mix']));
  });

  it('has host faders that carry no sound, named by the tracks in their order', () => {
    const track = (id: string, number: number, name: string): Track =>
      plainTrack({ id: id as Track['id'], number, name, kind: 'audio', width: 1 });
    const parts = stage(
      { session: { tracks: [track('b', 2, 'HARP'), track('a', 1, 'VOX')] as never } },
      { remoteFaders: 8 },
    );
    const it = deskPlace(parts);
    expect([rowOf(it, 'remote-1'), rowOf(it, 'remote-2')].map(({ carries }) => carries)).toEqual([
      'VOX',
      'HARP',
    ]);
    expect(rowOf(it, 'remote-1').lane).toBeUndefined();
    expect(channelSheetView(it.context, it.device)!.layers.at(-1)!.name).toBe('Host faders, no sound');
  });

  it('is there for every device with channels, consoles first, and for no other', () => {
    expect(devicesWithChannels(patched().context).map(({ name }) => name)).toEqual([
      ...['Desk', 'Cue amp', 'Box'],
    ]);
  });
});

describe('the matrix', () => {
  it('is a page of sources against destinations with what each listens to', () => {
    const it = patched();
    const page = matrixPage(it.context, it.device, 'outputs')!;
    expect(page.sources[page.rows[2]!.source]!.name).toBe('aux 1');
    expect(page.rows[2]).toMatchObject({ name: 'line out 3', carries: '1 Harp', leads: 'Cue amp in left' });
    expect(page.rows[0]!.source).toBe(-1);
    expect(matrixPage(it.context, it.device, 'auxes')).toBeUndefined();
  });

  it('of a coarse patch has each source once, with its places in a block', () => {
    const it = deskPlace(stage({}, { micInputs: 3, channelBlocks: 'blocks of 8', insertPoints: 0 }));
    const page = matrixPage(it.context, it.device, 'channels')!;
    expect(page.block).toBe(8);
    expect(new Set(page.sources.map(({ name }) => name)).size).toBe(page.sources.length);
    // Three mic inputs fill a block of eight: the last one stands at all places that are left.
    expect(page.sources[2]).toEqual({ name: 'local in 3', places: [2, 3, 4, 5, 6, 7] });
    expect(page.rows[9]!.place).toBe(1);
  });

  it('offers what can be had first, and says why the rest cannot', () => {
    const it = deskPlace(stage({}, { channelBlocks: 'blocks of 8' }));
    const offered = cellChoices(it.context, it.device, { row: 'channel-1', column: 'source' }, 'card in');
    expect(offered[0]).toEqual({ id: 'card in 1', name: 'card in 1' });
    expect(offered.find(({ name }) => name === 'card in 2')!.because).toContain('8 at a time');
  });
});

describe('a table of channels', () => {
  it('written and read back changes nothing', () => {
    const it = patched();
    const text = channelsCsv(channelSheetView(it.context, it.device)!);
    expect(text.split('\r\n')[0]).toContain('Row,Carries,Listens to,Gain,Pad');
    expect(channelTable(it, text)).toEqual({ ok: true, lines: [], edits: [] });
  });

  it('makes another console the same', () => {
    const it = patched();
    const bare = deskPlace(stage());
    const read = channelTable(bare, channelsCsv(channelSheetView(it.context, it.device)!));
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    expect(edited(bare.studio, read.edits).sessions).toEqual(it.studio.sessions);
  });

  it('takes columns by their titles, and leaves alone what is empty or missing', () => {
    const it = patched();
    const read = channelTable(it, 'Row\tFader\tMute\nchannel 5\t-7\t\nChannel 6\t\ton\n');
    if (!read.ok) throw new Error(JSON.stringify(read.problems));
    const after = deskPlace(edited(it.studio, read.edits));
    expect([textAt(after, 'channel-5', 'fader'), textAt(after, 'channel-6', 'mute')]).toEqual(['−7', 'on']);
    expect(textAt(after, 'channel-5', 'source')).toBe('card in 3');
    expect(read.lines.map(({ text }) => text)).toEqual([
      'channel 5, fader: 0 → −7',
      'channel 6, mute: off → on',
    ]);
  });

  it('is refused whole with every place: 17 rows on a console of 16, and what does not fit', () => {
    const read = channelTable(patched(), 'Row,Fader,Pan\nchannel 17,-5,C\nchannel 2,loud,C\naux 1,0,C\n');
    expect(read).toMatchObject({ ok: false });
    if (read.ok) return;
    expect(read.problems.map(({ line, column, sentence }) => [line, column, sentence])).toEqual([
      [2, 1, 'Desk has no row “channel 17”. Did you mean “channel 1”, “channel 10”, “channel 11”?'],
    ]);
    const fitting = channelTable(patched(), 'Row,Fader,Pan\nchannel 2,loud,C\naux 1,-3,L20\n');
    if (fitting.ok) throw new Error('it does not fit');
    expect(fitting.problems.map(({ line, column }) => [line, column])).toEqual([
      [2, 2],
      [3, 3],
    ]);
  });
});

describe('automation of a console', () => {
  it('is a list in the order that keeps work, checked where the rig can tell', () => {
    const console = (wires: Parts['wires'], session: Parts['session'] = {}): DeskPlace =>
      deskPlace({
        devices: [
          { id: 'desk', type: 'splitConsole', params: { channels: 2 } },
          { id: 'clock', type: 'timecodeSource', params: {} },
        ],
        ...{ wires, session },
      });
    const done = ({ context, device }: DeskPlace): readonly unknown[] =>
      automationPlan(context, device)!.steps.map(({ isDone }) => isDone);
    expect(done(console([])).slice(0, 3)).toEqual([undefined, false, false]);
    const wired = console([['clock/timecode-1/1', 'desk/timecode-in/1']], { automatedConsole: 'desk' });
    expect(done(wired).slice(0, 3)).toEqual([undefined, true, true]);
    expect(automationPlan(wired.context, 'clock' as never)).toBeUndefined();
  });
});
