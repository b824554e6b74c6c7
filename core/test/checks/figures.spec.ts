import type { Finding } from '@ft/core/checks/finding';
import { namingOf } from '@ft/core/words/naming';
import { levelClass } from '@ft/core/checks/rules/levelClass';
import { overMaxInput } from '@ft/core/checks/rules/overMaxInput';
import { phantomOnJackBay } from '@ft/core/checks/rules/phantomOnJackBay';
import { phantomIntoRibbon } from '@ft/core/checks/rules/phantomIntoRibbon';
import { threadIncomplete } from '@ft/core/checks/rules/threadIncomplete';
import { unitUsedTwice } from '@ft/core/checks/rules/unitUsedTwice';
import { wordsOf } from '@ft/core/words/findings/findingSentence';
import type { Parts } from '../fixtures/studioOf';
import { contextOf, studioOf } from '../fixtures/studioOf';
import { WORKED_LADDER } from '../fixtures/workedLadder';
import { EXAMPLES } from './examples';

const first = (
  rule: { run: (context: ReturnType<typeof contextOf>) => readonly Finding[] },
  parts: Parts,
): Finding => rule.run(contextOf(studioOf(parts)))[0]!;

function said(finding: Finding, parts: Parts): string {
  const { rig, session, graph } = contextOf(studioOf(parts));
  const { wrong, remedy } = wordsOf(finding, namingOf(rig, session, graph));
  return `${wrong} ${remedy}`;
}

describe('over-max-input', () => {
  const loud: Parts = { ...WORKED_LADDER, settings: { ...WORKED_LADDER.settings, 'preamp/gainDb/1': 53 } };

  it('tells the decibels over, who to turn down and to what, and the reference that would take it', () => {
    const finding = first(overMaxInput, loud);
    // −8.01 dBFS at 44 dB of gain, so +0.99 dBFS at 53 dB: 18.99 dBu into 18 dBu.
    expect(finding.figures).toMatchObject({
      unit: 'dBu',
      max: 18,
      turnDown: { station: 'preamp/channel-1', byDb: 1, gainDb: 52 },
      referenceDbu: 19,
    });
    expect((finding.figures as { overDb: number }).overDb).toBeCloseTo(0.99, 2);
    expect(said(finding, loud)).toBe(
      '1 Source 1 peaks 1.0 dB over the maximum of Converter line in 1 (+19.0 dBu into +18.0 dBu). Turn Preamp 1 down 1 dB, to +52.0 dB, or set the converter input to +19.0 dBu.',
    );
  });

  it('does what it advises: a decibel down, and nothing is over', () => {
    const settings = { ...WORKED_LADDER.settings, 'preamp/gainDb/1': 52 };
    expect(overMaxInput.run(contextOf(studioOf({ ...WORKED_LADDER, settings })))).toEqual([]);
    const higher = { ...loud.settings, 'converter/adcReferenceDbu/1': 19 };
    expect(overMaxInput.run(contextOf(studioOf({ ...WORKED_LADDER, settings: higher })))).toEqual([]);
  });

  it('infers nothing where the sound is not told', () => {
    const quiet: Parts = { ...loud, threads: [{ from: 'mic/out/1', inserts: ['opto/channel-a'] }] };
    expect(overMaxInput.run(contextOf(studioOf(quiet)))).toEqual([]);
  });

  it('names the microphone where the sound itself is too loud for it', () => {
    const [mic, ...rest] = WORKED_LADDER.devices!;
    const shouting: Parts = {
      ...WORKED_LADDER,
      devices: [{ ...mic!, name: 'Large condenser', params: { ...mic!.params, maxDbSpl: 120 } }, ...rest],
      threads: [{ from: 'mic/out/1', levelDbSpl: 112, crestDb: 14, inserts: ['opto/channel-a'] }],
      settings: { 'preamp/gainDb/1': 10 },
    };
    expect(said(first(overMaxInput, shouting), shouting)).toMatch(
      /^1 Source 1 peaks 3\.0 dB over the maximum of Large condenser .* Use a pad, or a less sensitive microphone\.$/,
    );
  });
});

describe('level-class', () => {
  it.each([
    ['mic', 'line', 'preamp', EXAMPLES['level-class'].trips],
    [
      'line',
      'mic',
      'pad',
      {
        devices: [
          { id: 'opto', type: 'dynamics', params: {} },
          { id: 'preamp', type: 'micPreamp', params: { channels: 1 } },
        ],
        wires: [['opto/out-1/1', 'preamp/mic-1/1'] as const],
      },
    ],
  ])('%s into %s asks for a %s', (from, into, box, parts) => {
    expect(first(levelClass, parts).figures).toEqual({ from, into, box });
  });
});

describe('phantom-into-ribbon', () => {
  it('also sees a line output behind a mic line', () => {
    const parts: Parts = {
      devices: [
        { id: 'opto', type: 'dynamics', params: {} },
        { id: 'preamp', type: 'micPreamp', params: { channels: 1 } },
      ],
      wires: [['opto/out-1/1', 'preamp/mic-1/1']],
      settings: { 'preamp/phantom/1': true },
    };
    expect(first(phantomIntoRibbon, parts).figures).toEqual({ what: 'line-output', at: 'opto/out-1/1' });
  });
});

describe('48 V at a console whose channel listens to its line input', () => {
  const desk = (settings: Record<string, number | boolean>): Parts => ({
    devices: [
      { id: 'mic', type: 'microphone', params: { principle: 'ribbon', sensitivityMvPerPa: 2 } },
      { id: 'desk', type: 'splitConsole', params: { channels: 2 } },
    ],
    wires: [['mic/out/1', 'desk/mic-2/1']],
    settings,
  });

  it('still feeds the microphone, and the finding names the connector', () => {
    const parts = desk({ 'desk/phantom/2': true, 'desk/channelInput/2': 2 });
    const found = first(phantomIntoRibbon, parts);
    expect(found.at).toEqual([
      { kind: 'lane', id: 'desk/mic-2/1' },
      { kind: 'lane', id: 'mic/out/1' },
    ]);
    expect(said(found, parts)).toBe(
      '48 V from Desk mic in 2 reaches a ribbon microphone, Mic. Switch 48 V off at Desk mic in 2 and wait half a minute before you connect it.',
    );
  });

  it('is seen on a jack bay too', () => {
    const bay = { id: 'bay', type: 'patchbay', params: { columns: 2, normalling: 'none' } };
    const wired = desk({ 'desk/phantom/2': true, 'desk/channelInput/2': 2 });
    const found = first(phantomOnJackBay, {
      ...wired,
      devices: [...wired.devices!, bay],
      wires: [
        ['mic/out/1', 'bay/upper-rear-1/1'],
        ['bay/lower-rear-2/1', 'desk/mic-2/1'],
      ],
      cords: [{ from: 'bay/upper-1/1', to: 'bay/lower-2/1' }],
    });
    expect(found.at[0]).toEqual({ kind: 'lane', id: 'desk/mic-2/1' });
    expect(found.figures).toEqual({ jacks: ['bay/upper-1/1', 'bay/lower-2/1'] });
  });

  it('names the channel where it listens to the microphone, and is quiet when 48 V is off', () => {
    const on = first(phantomIntoRibbon, desk({ 'desk/phantom/2': true }));
    expect(on.at[0]).toEqual({ kind: 'station', id: 'desk/channel-2' });
    expect(first(phantomIntoRibbon, desk({ 'desk/phantom/1': true }))).toBeUndefined();
  });
});

describe('unit-used-twice', () => {
  /** Two microphones soldered onto one line, and one thread from each. */
  const joined = (second: string): Parts => ({
    ...WORKED_LADDER,
    devices: [
      ...WORKED_LADDER.devices!,
      { id: 'mic-2', type: 'microphone', params: { principle: 'dynamic', sensitivityMvPerPa: 2 } },
    ],
    wires: [...WORKED_LADDER.wires!, ['mic-2/out/1', 'preamp/mic-1/1']],
    threads: ['mic/out/1', second].map((from) => ({ from, inserts: ['opto/channel-a'] })),
  });

  it('makes one finding of two threads on one and the same path', () => {
    const findings = unitUsedTwice.run(contextOf(studioOf(joined('mic-2/out/1'))));
    expect(findings).toHaveLength(1);
    expect(said(findings[0]!, joined('mic-2/out/1'))).toMatch(
      /^Preamp 1, Opto, Converter in 1, Daw input 1 serve 2 threads at once: 1 Source 1 and 2 Source 2\./,
    );
  });

  it('is quiet where two threads share the signal of one source', () => {
    expect(unitUsedTwice.run(contextOf(studioOf(joined('mic/out/1'))))).toEqual([]);
  });
});

describe('thread-incomplete', () => {
  it('proposes the nearest free way, cord by cord', () => {
    const { trips } = EXAMPLES['thread-incomplete'];
    const finding = first(threadIncomplete, trips);
    expect(finding.figures).toMatchObject({ way: [{ from: 'bay/upper-1/1', to: 'bay/lower-2/1' }] });
    expect(said(finding, trips)).toContain('the nearest free way is Bay 1 upper → Bay 2 lower.');
  });
});
