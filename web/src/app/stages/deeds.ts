import { inject } from '@angular/core';
import type { Remote } from 'comlink';
import type { ChannelPlan } from '@ft/core/actions/consoles/channelPlan';
import type { CueDeed } from '@ft/core/actions/cues/cueDeed';
import type { JobDeed } from '@ft/core/actions/mix/jobs/jobDeed';
import type { SumDeed } from '@ft/core/actions/mix/sums/sumDeed';
import type { PlaybackDeed } from '@ft/core/actions/playback/playbackDeed';
import { Changes } from '../state/changes';
import type { PlannerApi } from '../workers/planner-api';

/** What a page does in one step once it was looked at. */
export type Deed = CueDeed | JobDeed | PlaybackDeed | SumDeed;

/** Works deeds of a page out, and makes them; a page provides its own. */
export abstract class Deeds<D extends Deed = Deed> {
  protected readonly changes = inject(Changes);

  /** What a deed comes to. */
  abstract plan(api: Remote<PlannerApi>, deed: D): Promise<ChannelPlan>;

  /** Makes a deed as it is now, and says what was left out of it. */
  async make(label: string, deed: D): Promise<ChannelPlan | undefined> {
    const plan = await this.changes.worked(label, (api) => this.plan(api, deed));
    if (plan === undefined) return undefined;
    this.changes.make(label, plan.edits);
    const [first, ...others] = plan.refused;
    if (first !== undefined)
      this.changes.complain(
        `${first.row}: ${first.sentence}${others.length === 0 ? '' : ` So it is with ${String(others.length)} more.`}`,
      );
    else if (plan.edits.length === 0) this.changes.say('It all stands so already.');
    return plan;
  }
}
