import { clockLeadsEdits } from '@ft/core/actions/time/clockLeads';
import { applyChange } from '@ft/core/edits/change';
import type { Studio } from '@ft/core/session/studioSchema';
import { clockSchools } from '@ft/core/views/time/clockSchools';
import { clockView } from '@ft/core/views/time/clockView';
import { contextOf, studioOf } from '../fixtures/studioOf';

/** An optical preamp on an interface by one cable, and whatever leads back. */
const joined = (...back: readonly (readonly [string, string])[]): Studio =>
  studioOf({
    devices: [
      { id: 'preamp', type: 'opticalPreamp', params: {} },
      { id: 'interface', type: 'audioInterface', params: {} },
      { id: 'daw', type: 'dawHost', params: {} },
    ],
    wires: [
      ['preamp/optical-out-1/1', 'interface/optical-in-1/1'],
      ['preamp/optical-out-1/2', 'interface/optical-in-1/2'],
      ['interface/host-out/1', 'daw/stream-in/1'],
      ...back,
    ],
  });

function led(studio: Studio, who: 'senderLeads' | 'receiverLeads'): readonly string[] {
  const [pair] = clockSchools(contextOf(studio));
  const result = applyChange(studio, clockLeadsEdits(studio.rig, pair![who]!));
  if (!result.ok) throw new Error(JSON.stringify(result.refusal));
  const context = contextOf(result.value);
  expect(clockSchools(context)[0]!.now).toBe(who === 'senderLeads' ? 'sender' : 'receiver');
  return clockView(context).domains.flatMap(({ masters }) => masters);
}

// Both schools: common practice, no source.
describe('the two schools of the clock', () => {
  it('with one cable there is one: the preamp leads, and the interface follows its link', () => {
    const [pair, ...others] = clockSchools(contextOf(joined()));
    expect(others).toEqual([]);
    expect(pair).toMatchObject({ senderLeads: { follows: 'optical-in-1', over: 'link' } });
    expect(pair).not.toHaveProperty('receiverLeads');
    expect(led(joined(), 'senderLeads')).toEqual(['Preamp']);
  });

  it('with word clock the interface may lead', () => {
    const studio = joined(['interface/clock-out/1', 'preamp/clock-in/1']);
    const [pair] = clockSchools(contextOf(studio));
    expect(pair?.receiverLeads).toEqual({
      ...{ leader: 'interface', follower: 'preamp', follows: 'clock-in', over: 'word clock' },
    });
    expect(led(studio, 'receiverLeads')).toEqual(['Interface']);
    expect(led(studio, 'senderLeads')).toEqual(['Preamp']);
  });

  it('leave a driver alone, and say nothing where nothing is told', () => {
    const [pair] = clockSchools(contextOf(joined()));
    expect(pair).not.toHaveProperty('now');
    expect(
      clockSchools(contextOf(studioOf({ devices: [{ id: 'daw', type: 'dawHost', params: {} }] }))),
    ).toEqual([]);
  });
});
