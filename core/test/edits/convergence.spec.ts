import { integrityProblems } from '@ft/core/session/integrity';
import { deskPlace } from '../fixtures/deskStudio';
import { randomMixEdits } from '../fixtures/randomMixEdits';
import { SALTGLASS_PLACE } from '../fixtures/thin/saltglass';
import { randomEdits } from '../fixtures/randomEdits';
import { randomSceneEdits } from '../fixtures/randomSceneEdits';
import { seedCount, seedsFrom1 } from '../fixtures/seeds';
import type { EditsOf } from './windows';
import { expectAgreement, runWindows } from './windows';

const anything: EditsOf = (studio, dice, salt) => randomEdits(studio, SALTGLASS_PLACE, dice, salt);

/** Seeds that once failed stay here by name. */
const KEPT: Readonly<Record<string, number>> = {
  'a reload between a change and its answer left it pending for good': 57,
};

describe('windows with lost connections', () => {
  it.each([...Object.values(KEPT), ...seedsFrom1(10, 50)])(
    'seed %d: all end with what the server holds',
    (seed) => {
      expectAgreement(runWindows(seed, anything));
    },
  );

  // What is given out together may be refused together: half a job or half a sum is never stored.
  it('converge on jobs and sums of a mix, which hold together at every step', () => {
    const { studio } = deskPlace();
    const made = new Set<string>();
    for (let seed = 1; seed <= seedCount(20, 400); seed++) {
      const done = runWindows(seed, randomMixEdits, studio);
      expectAgreement(done);
      expect(integrityProblems(done.server.studio)).toEqual([]);
      for (const { edits } of done.server.entries) for (const { type } of edits) made.add(type);
    }
    for (const type of [
      'job.add',
      'job.remove',
      'sum.add',
      'sum.set',
      'sum.remove',
      'thread.add',
      'cord.remove',
    ])
      expect(made).toContain(type);
  });

  it('converge on the scenes and the floor', () => {
    for (let seed = 1; seed <= seedCount(80, 500); seed++)
      expectAgreement(runWindows(seed, randomSceneEdits));
  });
});
