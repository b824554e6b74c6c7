import { deskOf } from '@ft/core/consoles/desk';
import { stripBudget } from '@ft/core/consoles/stripBudget';
import { silenceLines } from '@ft/core/views/consoles/silenceLines';
import { deskPlace } from '../fixtures/deskPlace';
import type { Parts } from '../fixtures/studioOf';

const PLAYER = { id: 'player', type: 'mediaPlayer', params: {} };

/** A player over a console to one pair of loudspeakers. */
const room = (settings: Record<string, number | boolean> = {}): Parts => ({
  devices: [
    PLAYER,
    { id: 'desk', type: 'digitalConsole', params: { channels: 4, micInputs: 4, lineOutputs: 2, cards: 0 } },
    { id: 'box', name: 'Controller', type: 'monitorController', params: { sources: 1, speakerSets: 2 } },
    { id: 'left', name: 'Left loudspeaker', type: 'loudspeaker', params: { powered: true } },
  ],
  wires: [
    ['player/out-1/1', 'desk/mic-1/1'],
    ['desk/out-1/1', 'box/source-1-left/1'],
    ['box/speakers-1-left/1', 'left/in/1'],
  ],
  settings: { 'desk/channelSource/1': 1, 'desk/toMix/1': true, 'desk/lineOutSource/1': 1, ...settings },
});

const sentence = (settings: Record<string, number | boolean>): string =>
  silenceLines(deskPlace(room(settings)).context)[0]!.sentence;

describe('why nothing is heard', () => {
  it('is open where it is', () => {
    const [line] = silenceLines(deskPlace(room()).context);
    expect(line).toMatchObject({ name: 'Left loudspeaker', isOpen: true });
    expect(line!.way).toEqual(['Left loudspeaker', 'Controller', 'Desk', 'Player']);
  });

  it.each<[string, Record<string, number | boolean>, string]>([
    ['a cut', { 'box/cut/1': true }, 'On Controller: Cut to off.'],
    ['another set', { 'box/speakerSet/1': 2 }, 'On Controller: Loudspeakers to set 1.'],
    ['a muted mix', { 'desk/mixMute/1': true }, 'On Desk: Mix mute to off.'],
    ['a muted channel', { 'desk/mute/1': true }, 'On Desk: 1 Mute to off.'],
    ['a channel that is not on to mix', { 'desk/toMix/1': false }, 'to on.'],
    [
      'an output that plays nothing',
      { 'desk/lineOutSource/1': 0 },
      'On Desk: 1 Line output plays to mix left.',
    ],
    ['a fader that is down', { 'desk/mixFaderDb/1': -90 }, 'raise Mix fader'],
  ])('is closed by %s', (_name, settings, expected) => {
    expect(sentence(settings)).toContain(expected);
  });

  it('looks at both sides of headphones: one that is closed is told', () => {
    const parts: Parts = {
      devices: [
        PLAYER,
        { id: 'amp', name: 'Amp', type: 'cueAmp', params: { outputs: 1 } },
        { id: 'phones', name: 'Phones', type: 'headphones', params: {} },
      ],
      wires: [
        ['player/out-1/1', 'amp/in-left/1'],
        ['amp/phones-1/1', 'phones/in/1'],
        ['amp/phones-1/2', 'phones/in/2'],
      ],
    };
    const [line] = silenceLines(deskPlace(parts).context);
    expect(line).toMatchObject({ isOpen: false, sentence: 'Nothing is plugged into Amp in right.' });
  });

  it('says where nothing is plugged', () => {
    const parts = room();
    const context = deskPlace({ ...parts, wires: parts.wires!.slice(1) }).context;
    expect(silenceLines(context)[0]!.sentence).toBe('Nothing is plugged into Desk mic in 1.');
  });
});

describe('who has the channels', () => {
  it('counts inputs, playback, returns, parallels, open and free ones, and names lines that have none', () => {
    const mic = (id: string) => ({
      id,
      type: 'microphone',
      params: { principle: 'dynamic', sensitivityMvPerPa: 2 },
    });
    const { context, device } = deskPlace({
      devices: [
        PLAYER,
        ...['mic-a', 'mic-b'].map(mic),
        { id: 'desk', type: 'digitalConsole', params: { channels: 8, micInputs: 8, cards: 0, effects: 2 } },
      ],
      wires: [
        ['mic-a/out/1', 'desk/mic-1/1'],
        ['mic-b/out/1', 'desk/mic-2/1'],
        ['player/out-1/1', 'desk/mic-3/1'],
      ],
      threads: [
        { from: 'mic-a/out/1', source: 'Harp', purpose: 'feed', to: 'desk/mic-1/1' },
        { from: 'mic-b/out/1', source: 'Drum', purpose: 'feed', to: 'desk/mic-2/1' },
      ],
      settings: {
        ...{ 'desk/channelSource/1': 1, 'desk/channelSource/2': 1, 'desk/channelSource/3': 3 },
        ...{ 'desk/channelSource/4': 9, 'desk/channelSource/5': 5 },
      },
    });
    const budget = stripBudget(context, deskOf(context, device)!)!;
    expect(Object.fromEntries(budget.uses.map(({ use, count }) => [use, count]))).toEqual({
      ...{ input: 1, parallel: 1, playback: 1, return: 1, open: 1, free: 3 },
    });
    expect(budget.without).toEqual(['2 Drum']);
  });
});
