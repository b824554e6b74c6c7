import type { Signal } from '@angular/core';
import { computed, inject, Injectable } from '@angular/core';
import { Store } from '@ngrx/store';
import { planFeature } from '../state/plan.feature';
import { RigNotes } from '../state/rig-notes';
import { jobsPlaced } from '@ft/core/mix/jobStand';
import { sessionsInOrder, templatesOf } from '@ft/core/session/sessionsInOrder';
import { studioFeature } from '../state/studio.feature';
import type { PartAddress, PlacePath } from './stages';

/** How the work stands at a place or a part, in a word: what the rail and the tabs show beside a name. */
type States = Readonly<Partial<Record<PlacePath | PartAddress, string>>>;

const RUNS: ReadonlySet<string> = new Set(['routed', 'patched']);

/** The state of every place and part. What is not worked out yet has none: it is not zero. */
@Injectable({ providedIn: 'root' })
export class PartStates {
  private readonly store = inject(Store);
  private readonly studio = this.store.selectSignal(studioFeature.selectStudio);
  private readonly found = this.store.selectSignal(studioFeature.selectFound);
  private readonly plan = this.store.selectSignal(planFeature.selectPlan);
  private readonly patchLines = this.store.selectSignal(planFeature.selectPatchLines);
  private readonly rigNotes = inject(RigNotes).told;

  readonly of: Signal<States> = computed(() => ({ ...this.counted(), ...this.workedOut() }));

  /** What the documents say by themselves. */
  private counted(): States {
    const [studio, session] = [this.studio(), this.found()?.session];
    if (studio === null || session === undefined) return {};
    const { rig } = studio;
    const jobs = jobsPlaced(session);
    const placed = `${String(jobs.placed)}/${String(jobs.all)}`;
    return {
      sessions: String(sessionsInOrder(studio).length),
      'sessions/list': String(sessionsInOrder(studio).length),
      'sessions/templates': String(templatesOf(studio).length),
      'rig/devices': String(rig.devices.length),
      'rig/wiring': String(rig.hardwires.length),
      'rig/cords': String(rig.cords.length),
      'mix/tracks': String(session.tracks.length),
      ...(jobs.all > 0 && { mix: placed, 'mix/inserts': placed }),
      scenes: String(session.scenes.length),
      'scenes/list': String(session.scenes.length),
    };
  }

  private workedOut(): States {
    const plan = this.plan();
    if (plan === null) return {};
    const [notes, lines, cords] = [this.rigNotes(), plan.rows, this.patchLines()];
    const running = lines.filter(({ status }) => RUNS.has(status)).length;
    return {
      ...(notes !== undefined && {
        rig: `${String(notes.length)} notes`,
        'rig/check': String(notes.length),
      }),
      track: `${String(running)}/${String(lines.length)}`,
      'patch-list': `${String(cords.filter(({ plugged }) => plugged).length)}/${String(cords.length)}`,
    };
  }
}
