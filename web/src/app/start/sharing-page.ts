import { DatePipe } from '@angular/common';
import type { OnDestroy } from '@angular/core';
import { ChangeDetectionStrategy, Component, computed, inject, signal } from '@angular/core';
import { RouterLink } from '@angular/router';
import type { Observable } from 'rxjs';
import { Subscription, timer } from 'rxjs';
import type { SharingState, Tablet, TabletRole } from '@ft/contract/sharing';
import { Pick } from '../ui/form/pick';
import { Api, apiErrorOf } from '../state/api.service';

/** A tablet that pairs shows up within this time, ms. */
const REFRESH_MS = 2000;

const ROLES: readonly { readonly value: TabletRole; readonly name: string }[] = [
  { value: 'tick', name: 'tick off steps' },
  { value: 'edit', name: 'edit everything' },
];

/** Opens the program to the studio network, shows codes, lists and revokes tablets. */
@Component({
  selector: 'ft-sharing-page',
  imports: [DatePipe, Pick, RouterLink],
  templateUrl: './sharing-page.html',
  styleUrl: './sharing-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class SharingPage implements OnDestroy {
  private readonly api = inject(Api);
  protected readonly state = signal<SharingState | undefined>(undefined);
  protected readonly trouble = signal('');
  protected readonly roles = ROLES;
  protected readonly role = signal<TabletRole>('tick');
  protected readonly link = computed(() => this.state()?.offer?.links[0]);
  protected readonly code = computed(() => this.state()?.offer?.code.replace(/^(.{4})/, '$1 ') ?? '');
  private readonly refresh = new Subscription();

  constructor() {
    this.refresh.add(
      timer(0, REFRESH_MS).subscribe(() => {
        this.ask(this.api.sharing());
      }),
    );
  }

  ngOnDestroy(): void {
    this.refresh.unsubscribe();
  }

  protected open(isOpen: boolean): void {
    this.ask(this.api.setSharing(isOpen));
  }

  protected offer(): void {
    this.ask(this.api.offerPairing(this.role()));
  }

  protected setRole(tablet: Tablet, role: TabletRole): void {
    this.ask(this.api.setTabletRole(tablet.id, role));
  }

  protected revoke(tablet: Tablet): void {
    this.ask(this.api.revokeTablet(tablet.id));
  }

  protected qrAddress(svg: string): string {
    return `data:image/svg+xml,${encodeURIComponent(svg)}`;
  }

  private ask(request: Observable<SharingState>): void {
    this.refresh.add(
      request.subscribe({
        next: (state) => {
          this.state.set(state);
          this.trouble.set('');
        },
        error: (error: unknown) => {
          const { code, message } = apiErrorOf(error);
          this.trouble.set(
            code === 'not-found' || code === 'not-paired'
              ? 'Only the computer the program runs on can open it, pair tablets and revoke them.'
              : message,
          );
        },
      }),
    );
  }
}
