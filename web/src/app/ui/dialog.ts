import type { AfterViewInit, OnDestroy, TemplateRef } from '@angular/core';
import { ChangeDetectionStrategy, Component, inject, input, output, viewChild } from '@angular/core';
import type { NgbModalRef } from '@ng-bootstrap/ng-bootstrap/modal';
import { NgbModal } from '@ng-bootstrap/ng-bootstrap/modal';

/**
 * A question that has to be answered before anything else. It is open as long as it is there; Esc and a press
 * beside it leave everything as it is.
 */
@Component({
  selector: 'ft-dialog',
  template: `
    <ng-template #content>
      <div class="modal-header">
        <h2 class="modal-title" id="dialog-title">{{ title() }}</h2>
      </div>
      <div class="modal-body"><ng-content /></div>
      <div class="modal-footer"><ng-content select="[answers]" /></div>
    </ng-template>
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Dialog implements AfterViewInit, OnDestroy {
  readonly title = input.required<string>();
  /** It was left without an answer. */
  readonly left = output();
  private readonly modals = inject(NgbModal);
  private readonly content = viewChild.required<TemplateRef<unknown>>('content');
  private open: NgbModalRef | undefined;

  ngAfterViewInit(): void {
    const open = this.modals.open(this.content(), {
      ariaLabelledBy: 'dialog-title',
      role: 'alertdialog',
      scrollable: true,
      size: 'lg',
    });
    this.open = open;
    open.result.catch(() => {
      if (this.open === open) this.left.emit();
    });
  }

  ngOnDestroy(): void {
    const { open } = this;
    this.open = undefined;
    open?.dismiss();
  }
}
