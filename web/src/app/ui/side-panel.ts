import type { AfterViewInit, OnDestroy, TemplateRef } from '@angular/core';
import { ChangeDetectionStrategy, Component, inject, input, output, viewChild } from '@angular/core';
import type { NgbOffcanvasRef } from '@ng-bootstrap/ng-bootstrap/offcanvas';
import { NgbOffcanvas } from '@ng-bootstrap/ng-bootstrap/offcanvas';

let panelsMade = 0;

/** A panel over the right edge for what needs more room than a cell. It is open as long as it is there. */
@Component({
  selector: 'ft-side-panel',
  template: `
    <ng-template #content let-panel>
      <div class="offcanvas-header">
        <h2 class="offcanvas-title" [id]="id">{{ title() }}</h2>
        <button type="button" (click)="panel.dismiss()">Close</button>
      </div>
      <div class="offcanvas-body"><ng-content /></div>
    </ng-template>
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SidePanel implements AfterViewInit, OnDestroy {
  readonly title = input.required<string>();
  readonly closed = output();
  protected readonly id = `side-panel-${String(++panelsMade)}`;
  private readonly panels = inject(NgbOffcanvas);
  private readonly content = viewChild.required<TemplateRef<unknown>>('content');
  private open: NgbOffcanvasRef | undefined;

  ngAfterViewInit(): void {
    const open = this.panels.open(this.content(), { ariaLabelledBy: this.id, position: 'end' });
    this.open = open;
    open.result.catch(() => {
      if (this.open === open) this.closed.emit();
    });
  }

  ngOnDestroy(): void {
    const { open } = this;
    this.open = undefined;
    open?.dismiss();
  }
}
