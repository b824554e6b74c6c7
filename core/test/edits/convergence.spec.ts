import { SALTGLASS_PLACE } from '../fixtures/thin/saltglass';
import { randomEdits } from '../fixtures/randomEdits';
import { randomSceneEdits } from '../fixtures/randomSceneEdits';
import type { EditsOf } from './windows';
import { expectAgreement, runWindows } from './windows';

const anything: EditsOf = (studio, dice, salt) => randomEdits(studio, SALTGLASS_PLACE, dice, salt);

/** Seeds that once failed stay here by name. */
const KEPT: Readonly<Record<string, number>> = {
  'a reload between a change and its answer left it pending for good': 57,
};

describe('windows with lost connections', () => {
  it.each([...Object.values(KEPT), ...Array.from({ length: 50 }, (_, i) => i + 1)])(
    'seed %d: all end with what the server holds',
    (seed) => {
      expectAgreement(runWindows(seed, anything));
    },
  );

  it('converge on the scenes and the floor: 500 runs', () => {
    for (let seed = 1; seed <= 500; seed++) expectAgreement(runWindows(seed, randomSceneEdits));
  }, 120_000);
});
