import { saltglassRooms } from '../fixtures/thin/saltglass';
import { findingKey } from '@ft/core/checks/finding';
import { RULES } from '@ft/core/checks/registry';
import type { Rule } from '@ft/core/checks/rule';
import { runChecks } from '@ft/core/checks/runChecks';
import type { Waiver } from '@ft/core/session/sessionSchema';
import { contextOf, studioOf } from '../fixtures/studioOf';
import { EXAMPLES } from './examples';

const tripping = EXAMPLES['phantom-on-jack-bay'].trips;
const withWaivers = (waivers: readonly Waiver[]): ReturnType<typeof contextOf> =>
  contextOf(studioOf({ ...tripping, session: { waivers: [...waivers] } }));

describe('the engine', () => {
  it('finds in the demo exactly what the demo was made to show', () => {
    const { findings, failedRules, idleWaivers } = runChecks(contextOf(saltglassRooms()));
    expect(findings.map(({ finding }) => finding.rule)).toEqual([
      'phantom-on-jack-bay',
      'over-max-input',
      'low-into-converter',
    ]);
    expect([failedRules, idleWaivers]).toEqual([[], []]);
  });

  it('survives a rule that throws, and reports it', () => {
    const broken: Rule = {
      ...RULES[0]!,
      run: () => {
        throw new Error('out of solder');
      },
    };
    const { findings, failedRules } = runChecks(contextOf(studioOf(tripping)), [
      broken,
      ...RULES.slice(0, 1),
    ]);
    expect(failedRules).toEqual([{ rule: broken.id, detail: 'out of solder' }]);
    expect(findings).toHaveLength(1);
  });

  it('puts errors before warnings', () => {
    const parts = EXAMPLES['normal-broken'].trips;
    const severities = runChecks(contextOf(studioOf(parts))).findings.map(({ severity }) => severity);
    expect(severities).toEqual(['error', 'warning', 'note']);
  });

  it('keeps a waived finding, with its reason', () => {
    const key = findingKey(runChecks(contextOf(studioOf(tripping))).findings[0]!.finding);
    const { findings, idleWaivers } = runChecks(withWaivers([{ id: key, reason: 'cord is taped in' }]));
    expect(findings[0]!.waiver?.reason).toBe('cord is taped in');
    expect(idleWaivers).toEqual([]);
  });

  it('reports a waiver that waives nothing', () => {
    const idle = { id: 'level-class lane:a/b/1', reason: 'long gone' };
    expect(runChecks(withWaivers([idle])).idleWaivers).toEqual([idle]);
  });

  it('keeps a waiver while figures move', () => {
    const over = EXAMPLES['over-max-input'].trips;
    const keyAt = (gain: number): string =>
      runChecks(contextOf(studioOf({ ...over, settings: { 'preamp/gainDb/1': gain } }))).findings[0]!.key;
    expect(keyAt(53)).toBe(keyAt(54));
  });
});
