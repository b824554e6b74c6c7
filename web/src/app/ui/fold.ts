import { ChangeDetectionStrategy, Component, input } from '@angular/core';
import { NgbAccordionModule } from '@ng-bootstrap/ng-bootstrap/accordion';

/** Something that is looked at seldom, behind its title. */
@Component({
  selector: 'ft-fold',
  imports: [NgbAccordionModule],
  template: `
    <div ngbAccordion>
      <div ngbAccordionItem [collapsed]="!isOpen()">
        <h3 ngbAccordionHeader>
          <button type="button" ngbAccordionButton>{{ title() }}</button>
        </h3>
        <div ngbAccordionCollapse>
          <div ngbAccordionBody>
            <ng-template><ng-content /></ng-template>
          </div>
        </div>
      </div>
    </div>
  `,
  styles: `
    :host {
      display: block;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class Fold {
  readonly title = input.required<string>();
  /** How it stands at first. */
  readonly isOpen = input(false);
}
