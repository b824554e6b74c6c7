import { editRemove } from '@ft/core/edits/make';
import { inject, Injectable } from '@angular/core';
import type { BayJack } from '@ft/core/views/bay/bayView';
import type { DeadJack } from '@ft/core/actions/scenes/deadJack';
import { Changes } from '../../state/changes';

/** What came of marking a jack, in a sentence. */
function outcome(name: string, { waysRound }: DeadJack): { tone: 'said' | 'trouble'; text: string } {
  const stuck = waysRound.flatMap((round) => round.stuck);
  const marked = `${name} is marked as faulty`;
  if (stuck.length > 0)
    return { tone: 'trouble', text: `${marked}. No way is left for ${stuck.join(', ')}.` };
  const text =
    waysRound.length > 0 ? `${marked}; who used it goes another way.` : `${marked}. Nobody used it.`;
  return { tone: 'said', text };
}

/** Says of jacks that they do not work, or work again. */
@Injectable({ providedIn: 'root' })
export class JackFaults {
  private readonly changes = inject(Changes);

  /** Marks a jack as faulty and routes whoever used it another way; a faulty one works again. */
  async toggle(jack: BayJack, name: string): Promise<void> {
    if (jack.faulty === true) {
      const edits = [editRemove('fault', {}, jack.lane)];
      this.changes.make(`${name} works again`, edits);
      return;
    }
    const dead = await this.changes.worked(`${name} is faulty`, (api) => api.deadJack(jack.lane, ''));
    if (dead === undefined) return;
    this.changes.make(dead.label, dead.edits);
    const { tone, text } = outcome(name, dead);
    if (tone === 'trouble') this.changes.complain(text);
    else this.changes.say(text);
  }
}
