import type { Problem } from '@ft/core/session/problem';
import { newBreaks, rigBreaks } from '@ft/core/session/rigBreaks';
import type { Studio } from '@ft/core/session/studioSchema';
import { saltglassRooms } from '../fixtures/thin/saltglass';

const demo = saltglassRooms();

/** The demo without some of its devices, and without their wires. */
const without = (...ids: readonly string[]): Studio => ({
  ...demo,
  rig: {
    ...demo.rig,
    devices: demo.rig.devices.filter(({ id }) => !ids.includes(id)),
    hardwires: demo.rig.hardwires.filter(({ from, to }) =>
      [from, to].every((lane) => !ids.includes(lane.slice(0, lane.indexOf('/')))),
    ),
  },
});

const told = (problems: readonly Problem[]): readonly string[] =>
  problems.map((problem) => `${problem.code} ${'id' in problem ? problem.id : ''}`);

describe('what sessions ask of a rig that does not have it', () => {
  it('is nothing on a whole rig', () => {
    expect(rigBreaks(demo)).toEqual([]);
  });

  it('is a microphone, wherever it is named', () => {
    expect(told(rigBreaks(without('harp-mic')))).toEqual([
      'dangling harp-mic/out/1',
      'dangling harp-mic/out/1',
    ]);
  });

  it('is an insert, and the knobs of the unit', () => {
    expect(told(rigBreaks(without('opto')))).toEqual([
      'dangling opto/channel-a',
      'dangling opto/netGainDb/1',
    ]);
  });

  it('is a kind of cord', () => {
    const bare: Studio = { ...demo, rig: { ...demo.rig, cords: [] } };
    const stocks = rigBreaks(bare).filter(
      (problem) => problem.code === 'dangling' && problem.kind === 'cord stock',
    );
    expect(stocks).toHaveLength(demo.sessions[0]!.scenes[0]!.cords.length);
  });

  it('is the host of the tracks', () => {
    const hosted: Studio = {
      ...without('daw'),
      sessions: demo.sessions.map((it) => ({ ...it, host: 'daw' as never })),
    };
    expect(told(rigBreaks(hosted))).toContain('dangling daw');
  });

  it('names its place, so that a file can be mended', () => {
    const [first] = rigBreaks(without('opto'));
    expect(first!.path).toEqual(['sessions', 0, 'threads', 0, 'inserts', 0]);
  });
});

describe('the breaks that come on top', () => {
  const before = rigBreaks(without('opto'));
  const after = rigBreaks(without('opto', 'harp-mic'));

  it('are those there were not before', () => {
    expect(told(newBreaks(before, after))).toEqual(['dangling harp-mic/out/1', 'dangling harp-mic/out/1']);
    expect(newBreaks(after, before)).toEqual([]);
    expect(newBreaks(after, after)).toEqual([]);
  });

  it('count how often a thing is asked for', () => {
    const one = after.filter((problem) => 'id' in problem && problem.id === 'harp-mic/out/1').slice(0, 1);
    expect(
      newBreaks(one, after).filter((problem) => 'id' in problem && problem.id === 'harp-mic/out/1'),
    ).toHaveLength(1);
  });
});
