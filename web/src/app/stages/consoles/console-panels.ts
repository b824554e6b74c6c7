import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import type { ChannelRowView, ChannelSheetView } from '@ft/core/views/consoles/channelSheetView';
import { AutomationPanel } from './automation-panel';
import { CopyPanel } from './copy-panel';
import { KnobsPanel } from './knobs-panel';
import { ListPanel } from './list-panel';
import { ReadyPanel } from './ready-panel';
import { SilencePanel } from './silence-panel';
import { SpillPanel } from './spill-panel';
import { StripsPanel } from './strips-panel';
import { ViewPanel } from './view-panel';

export type ConsolePanel =
  'copy' | 'spill' | 'ready' | 'strips' | 'silence' | 'knobs' | 'views' | 'automation' | 'list';

/** What is open over the right edge of a console. */
@Component({
  selector: 'ft-console-panels',
  imports: [
    AutomationPanel,
    CopyPanel,
    KnobsPanel,
    ListPanel,
    ReadyPanel,
    SilencePanel,
    SpillPanel,
    StripsPanel,
    ViewPanel,
  ],
  template: `
    @switch (panel()) {
      @case ('copy') {
        @if (row(); as from) {
          <ft-copy-panel [sheet]="sheet()" [from]="from" (closed)="closed.emit()" />
        }
      }
      @case ('knobs') {
        @if (row(); as from) {
          <ft-knobs-panel [sheet]="sheet()" [row]="from" (closed)="closed.emit()" />
        }
      }
      @case ('spill') {
        <ft-spill-panel [sheet]="sheet()" [at]="row()" (closed)="closed.emit()" />
      }
      @case ('ready') {
        <ft-ready-panel [sheet]="sheet()" (closed)="closed.emit()" />
      }
      @case ('strips') {
        <ft-strips-panel [sheet]="sheet()" (closed)="closed.emit()" />
      }
      @case ('views') {
        <ft-view-panel [sheet]="sheet()" [inSight]="inSight()" (closed)="leave($event)" />
      }
      @case ('list') {
        <ft-list-panel [sheet]="sheet()" (closed)="closed.emit()" />
      }
      @case ('automation') {
        <ft-automation-panel [sheet]="sheet()" (closed)="closed.emit()" />
      }
      @case ('silence') {
        <ft-silence-panel (closed)="closed.emit()" />
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class ConsolePanels {
  readonly panel = input.required<ConsolePanel>();
  readonly sheet = input.required<ChannelSheetView>();
  /** The row the keys are in. */
  readonly row = input<ChannelRowView>();
  /** The rows in sight, by their ids. */
  readonly inSight = input.required<readonly string[]>();
  readonly closed = output();
  /** A view was kept: its id. */
  readonly viewKept = output<string>();

  protected leave(view: string | undefined): void {
    this.closed.emit();
    if (view !== undefined) this.viewKept.emit(view);
  }
}
