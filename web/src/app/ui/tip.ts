import { Directive } from '@angular/core';
import { NgbTooltip } from '@ng-bootstrap/ng-bootstrap/tooltip';

/** A few words about what the pointer or the focus rests on. */
@Directive({
  selector: '[ftTip]',
  hostDirectives: [{ directive: NgbTooltip, inputs: ['ngbTooltip: ftTip', 'placement: tipPlacement'] }],
})
export class Tip {}
