import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import type { CueRowView, CueSheetView, CueView } from '@ft/core/views/cues/cueSheetView';
import type { EarView } from '@ft/core/views/cues/earView';
import { ClickPanel } from './click-panel';
import { CopyCuePanel } from './copy-cue-panel';
import { CuePanelOf } from './cue-panel';
import { HeardPanel } from './heard-panel';
import { MoreMePanel } from './more-me-panel';
import { OnlyPanel } from './only-panel';
import { PaperPanel } from './paper-panel';
import { SetUpPanel } from './set-up-panel';

export type CuePanel = 'set-up' | 'cue' | 'copy' | 'more-me' | 'click' | 'only' | 'heard' | 'paper';

/** What is open over the right edge of the cue sheet. */
@Component({
  selector: 'ft-cue-panels',
  imports: [ClickPanel, CopyCuePanel, CuePanelOf, HeardPanel, MoreMePanel, OnlyPanel, PaperPanel, SetUpPanel],
  template: `
    @switch (panel()) {
      @case ('set-up') {
        <ft-set-up-panel (closed)="closed.emit()" />
      }
      @case ('cue') {
        @if (cue(); as it) {
          <ft-cue-panel [cue]="it" (closed)="closed.emit()" />
        }
      }
      @case ('copy') {
        <ft-copy-cue-panel [sheet]="sheet()" [from]="cue()" (closed)="closed.emit()" />
      }
      @case ('click') {
        <ft-click-panel [sheet]="sheet()" (closed)="closed.emit()" />
      }
      @case ('more-me') {
        @if (ear(); as it) {
          <ft-more-me-panel [ear]="it" (closed)="closed.emit()" />
        }
      }
      @case ('only') {
        @if (cue(); as to) {
          @if (source(); as it) {
            <ft-only-panel [cue]="to" [source]="it" (closed)="closed.emit()" />
          }
        }
      }
      @case ('heard') {
        @if (ear(); as it) {
          <ft-heard-panel [ear]="it" (closed)="closed.emit()" />
        }
      }
      @case ('paper') {
        <ft-paper-panel (closed)="closed.emit()" />
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CuePanels {
  readonly panel = input.required<CuePanel>();
  readonly sheet = input.required<CueSheetView>();
  /** The cue the keys are in, the source, and the ear. */
  readonly cue = input<CueView>();
  readonly source = input<CueRowView>();
  readonly ear = input<EarView>();
  readonly closed = output();
}
