import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { RouterLink } from '@angular/router';
import { Store } from '@ngrx/store';
import { planFeature } from '../state/plan.feature';
import { studioFeature } from '../state/studio.feature';
import { Going } from './going';
import { Here } from './here';
import { PartStates } from './part-states';
import type { Place, PlacePath } from './stages';
import { GROUPS, OPEN_PLACES } from './stages';

/** The stages of the work with how far each has come, and the pages beside them. */
@Component({
  selector: 'ft-rail',
  imports: [RouterLink],
  templateUrl: './rail.html',
  styleUrl: './rail.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Rail {
  private readonly here = inject(Here);
  private readonly states = inject(PartStates);
  private readonly store = inject(Store);
  private readonly openFindings = this.store.selectSignal(planFeature.selectOpenFindings);
  private readonly plan = this.store.selectSignal(planFeature.selectPlan);
  private readonly place = this.store.selectSignal(studioFeature.selectPlace);
  protected readonly going = inject(Going).waits;

  /** A recorder plays into a console. */
  protected readonly playback = computed(() => this.plan()?.playback);
  protected readonly wayBack = computed(() =>
    this.here.linkIn(this.place()?.session ?? '', this.playback()?.live ?? '', 'track/playback'),
  );

  protected readonly groups = computed(() =>
    GROUPS.map(({ group, name }) => ({
      name,
      places: OPEN_PLACES.filter((place) => place.group === group).map((place) => this.line(place)),
    })),
  );

  private line({ path, name, key, icon, group }: Place): RailLine {
    const findings = this.openFindings();
    const state = this.states.of()[path as PlacePath] ?? '';
    return {
      path,
      name,
      key,
      icon,
      isStage: group === 'stages',
      link: this.here.link(path),
      isHere: this.here.at()?.place.path === path,
      state,
      findings: path === 'findings' ? findings.length : findings.filter(({ stage }) => stage === path).length,
    };
  }
}

interface RailLine {
  readonly path: string;
  readonly name: string;
  readonly key: string;
  readonly icon: string;
  readonly isStage: boolean;
  readonly link: readonly string[];
  readonly isHere: boolean;
  readonly state: string;
  readonly findings: number;
}
