import { editKnob } from '@ft/core/edits/make';
import { Injectable, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import type { SettingCell } from '@ft/core/views/settingCells';
import { PlanActions, planFeature } from '../../state/plan.feature';
import { studioFeature } from '../../state/studio.feature';
import { Changes } from '../../state/changes';
import { formatNumber } from '@ft/core/units/format';
import { readSetting } from '@ft/core/typed/settingText';

/** Turns knobs and throws switches of the scene. */
@Injectable({ providedIn: 'root' })
export class SettingChanges {
  private readonly changes = inject(Changes);
  private readonly store = inject(Store);
  private readonly place = this.store.selectSignal(studioFeature.selectPlace);
  private readonly found = this.store.selectSignal(studioFeature.selectFound);
  private readonly trial = this.store.selectSignal(planFeature.selectTrial);

  /** Enters a typed figure. Returns why not, where it cannot be set so. */
  enter(cell: SettingCell, where: string, text: string): string | undefined {
    const read = readSetting(cell.spec, text);
    if (!read.ok) return read.sentence;
    this.set(cell, where, read.value);
    return undefined;
  }

  /** @param where what the reader calls the line or unit, for the history. */
  set(cell: SettingCell, where: string, value: number | boolean): void {
    const place = this.place();
    if (place === null) return;
    // The cell may show a knob on trial; what it was is what the scene says.
    const was = this.found()?.scene.settings[cell.key] ?? null;
    const on = this.trial()?.on;
    if (on?.kind === 'knob' && on.key === cell.key) this.store.dispatch(PlanActions.endTrial());
    else if (value === cell.value) return;
    const edit = editKnob(place, { key: cell.key, value, was });
    const shown =
      typeof value === 'boolean' ? (value ? 'on' : 'off') : `${formatNumber(value)} ${cell.spec.unit}`;
    this.changes.make(`${where}: ${cell.spec.title} ${shown}`, [edit]);
  }
}
