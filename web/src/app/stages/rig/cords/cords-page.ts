import type { Connector } from '@ft/core/rig/connector';
import { ChangeDetectionStrategy, Component, computed, inject } from '@angular/core';
import { Store } from '@ngrx/store';
import { CONNECTORS } from '@ft/core/rig/connector';
import type { CordStock } from '@ft/core/rig/rigSchema';
import { studioFeature } from '../../../state/studio.feature';
import { typedNumber } from '@ft/core/text/typedNumber';
import { AdaptorList } from './adaptor-list';
import { RigChanges } from '../rig-changes';
import { LossBar } from '../loss-bar';
import { PartPage } from '../../../shell/part';

/** The cords on the hook. */
@Component({
  selector: 'ft-cords-page',
  imports: [LossBar, PartPage, AdaptorList],
  templateUrl: './cords-page.html',
  styles: `
    .add {
      display: flex;
      flex-wrap: wrap;
      align-items: center;
      gap: 0.4rem 0.8rem;
      padding: 0.5rem 0.75rem;
    }
    .count {
      width: 5rem;
      text-align: right;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class CordsPage {
  private readonly studio = inject(Store).selectSignal(studioFeature.selectStudio);
  protected readonly changes = inject(RigChanges);
  protected readonly cords = computed(() => this.studio()?.rig.cords ?? []);
  protected readonly plugs = CONNECTORS.filter((connector) => connector !== 'fixed' && connector !== 'host');

  protected addStock(
    name: string,
    a: string,
    b: string,
    lengthM: string,
    colour: string,
    count: string,
  ): void {
    const [length, number] = [typedNumber(lengthM), typedNumber(count)];
    if (length === undefined || number === undefined)
      this.changes.complain('No cords were added: they need a length in metres and a number.');
    else
      this.changes.addStock({
        name: name.trim(),
        connectors: [a as Connector, b as Connector],
        lengthM: length,
        colour,
        count: number,
      });
  }

  protected setCount(stock: CordStock, text: string): void {
    const count = typedNumber(text);
    if (count === undefined) this.changes.complain(`“${text}” is not a number of cords.`);
    else this.changes.set('stock', stock, 'count', count);
  }
}
