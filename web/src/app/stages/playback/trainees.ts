import { ChangeDetectionStrategy, Component, computed, inject, input, output } from '@angular/core';
import { Store } from '@ngrx/store';
import * as z from 'zod';
import { nameSchema } from '@ft/core/rig/rigSchema';
import type { CheckView, TraineeLine } from '@ft/core/views/playback/playbackView';
import { Here } from '../../shell/here';
import { studioFeature } from '../../state/studio.feature';
import { LineForm } from '../../ui/form/line-form';
import { SchemaForm } from '../../ui/form/schema-form';
import { SidePanel } from '../../ui/side-panel';
import { PlaybackEdits } from './playback-edits';

const MOST_LINES = 6;

/** Copies of the playback scene for people who learn: what each changed, and back to the start. */
@Component({
  selector: 'ft-trainees',
  imports: [LineForm, SidePanel],
  templateUrl: './trainees.html',
  styleUrl: './trainees.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Trainees {
  readonly check = input.required<CheckView>();
  readonly closed = output();
  private readonly edits = inject(PlaybackEdits);
  private readonly here = inject(Here);
  private readonly place = inject(Store).selectSignal(studioFeature.selectPlace);
  protected readonly fresh = new SchemaForm(
    [{ key: 'name', label: 'Train', kind: 'text', widthRem: 14 }],
    z.object({ name: nameSchema }),
    {},
  );
  /** The trainee whose scene is shown. */
  protected readonly shown = computed(() =>
    this.check().trainees.find(({ scene }) => scene === this.place()?.scene),
  );

  protected told({ story }: TraineeLine): readonly string[] {
    const more = story.length - MOST_LINES;
    return more <= 0 ? story : [...story.slice(0, MOST_LINES), `And ${String(more)} more.`];
  }

  protected add({ name }: { readonly name: string }): void {
    void this.edits.make(`${name} is trained`, { does: 'trainee', check: this.check().id, name });
  }

  protected reset({ scene, name }: TraineeLine): void {
    void this.edits.make(`${name} back at the start`, { does: 'reset', scene });
  }

  protected open({ scene }: TraineeLine): void {
    const place = this.place();
    if (place === null) return;
    this.here.goToScene(place.session, scene);
    this.closed.emit();
  }
}
