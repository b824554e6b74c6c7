import { existsSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import type { Finding } from '@ft/core/checks/finding';
import { RULE_IDS } from '@ft/core/checks/finding';
import { namingOf } from '@ft/core/words/naming';
import { RULES } from '@ft/core/checks/registry';
import { wordsOf } from '@ft/core/words/findings/findingSentence';
import type { Parts } from '../fixtures/studioOf';
import { contextOf, studioOf } from '../fixtures/studioOf';
import { EXAMPLES } from './examples';

const DOCS = join(__dirname, '..', '..', '..', 'docs', 'checks');

describe('the registry of rules', () => {
  it('holds every rule id once', () => {
    expect(RULES.map(({ id }) => id).sort()).toEqual([...RULE_IDS].sort());
  });

  it.each(RULES)(
    '$id has a page that says what the registry says',
    ({ id, title, severity, why, limits }) => {
      const page = join(DOCS, `${id}.md`);
      expect(existsSync(page)).toBe(true);
      const text = readFileSync(page, 'utf8');
      for (const part of [`# ${title}`, `\`${id}\``, severity, why, limits]) expect(text).toContain(part);
    },
  );
});

describe.each(RULES)('rule $id', (rule) => {
  const { trips, nearMiss, at } = EXAMPLES[rule.id];
  const run = (parts: Parts): readonly Finding[] => rule.run(contextOf(studioOf(parts)));

  it('fires on its example, at the place', () => {
    const findings = run(trips);
    expect(findings).toHaveLength(1);
    expect(findings[0]!.at.map(({ kind, id }) => `${kind}:${id}`)).toEqual(at);
  });

  it('does not fire on its near miss', () => {
    expect(run(nearMiss)).toEqual([]);
  });

  it('speaks in names, with a remedy', () => {
    const context = contextOf(studioOf(trips));
    const naming = namingOf(context.rig, context.session, context.graph);
    const { wrong, remedy } = wordsOf(rule.run(context)[0]!, naming);
    for (const sentence of [wrong, remedy]) {
      expect(sentence).toMatch(/^[A-Z0-9].*\.$/);
      expect(sentence).not.toMatch(/\w+\/[\w-]+\/\d|channel-|undefined|NaN/);
    }
    // The rule's page quotes what it says of its example.
    const page = readFileSync(join(DOCS, `${rule.id}.md`), 'utf8').replace(/\n> ?/g, ' ');
    expect(page).toContain(`${wrong} ${remedy}`);
  });
});
