import { jobDeed } from '@ft/core/actions/mix/jobs/jobDeed';
import { chainText } from '@ft/core/views/mix/chainText';
import { added, did, FREE, mixPlace, pairs, refusals, stand, tracksOf } from '../fixtures/mixStudio';

describe('a job typed in one line', () => {
  it('gets channels of one number, lines that run over its units in order, and its slot', () => {
    const it = added(mixPlace(), 'narr: valve a > opto > fast');
    const { slot, slotNumber, lines, job } = stand(it, 1);
    expect(pairs(it)).toEqual(['2/2']);
    expect(chainText(it.context, job)).toBe('Valve equaliser A > Opto compressor > Fast compressor');
    expect(slotNumber).toBe(1);
    expect(slot?.job).toBe('narr-job');
    const [line] = lines;
    const passed = line!.stations.filter(({ role }) => role === 'processor').map(({ name }) => name);
    expect(passed).toEqual(['Valve equaliser A', 'Opto compressor', 'Fast compressor']);
    expect(line!.thread).toMatchObject({ purpose: 'insert', from: 'daw/output/2', job: 'narr-job' });
  });
});
