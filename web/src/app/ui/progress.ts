import { ChangeDetectionStrategy, Component, input, output } from '@angular/core';
import { NgbProgressbarModule } from '@ng-bootstrap/ng-bootstrap/progressbar';

/** Work under way: what it is at, and a way to give it up. How much is left is not known beforehand. */
@Component({
  selector: 'ft-progress',
  imports: [NgbProgressbarModule],
  template: `
    <span role="status">{{ step() }}</span>
    <ngb-progressbar [value]="100" [striped]="true" [animated]="true" [ariaLabel]="step()" height="0.4rem" />
    <button type="button" (click)="cancelled.emit()">{{ cancel() }}</button>
  `,
  styles: `
    :host {
      display: inline-flex;
      align-items: center;
      gap: 0.6rem;
    }
    ngb-progressbar {
      width: 6rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Progress {
  readonly step = input.required<string>();
  readonly cancel = input('Cancel');
  readonly cancelled = output();
}
