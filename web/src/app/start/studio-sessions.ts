import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, computed, inject, input } from '@angular/core';
import { toObservable } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import type { SessionSummary, StudioSummary } from '@ft/contract/studios';
import { answered } from '../state/answered';
import { Api } from '../state/api.service';

/** The sessions of one studio as lines that open them, with what is found in each. */
@Component({
  selector: 'ft-studio-sessions',
  imports: [DatePipe, RouterLink],
  template: `
    <table [attr.aria-label]="'Sessions of ' + studio().name">
      <thead class="quiet">
        <tr>
          <th>Session</th>
          <th>Day</th>
          <th>On the floor</th>
          <th>Findings</th>
          <th>Last opened</th>
        </tr>
      </thead>
      <tbody>
        @for (session of shown(); track session.id) {
          <tr>
            <th scope="row">
              @if (session.scene === '') {
                <span class="error">{{ session.name }} cannot be read</span>
              } @else {
                <a [routerLink]="['/studio', studio().id, session.id, session.scene, 'track']">{{
                  session.name
                }}</a>
              }
            </th>
            <td class="num">
              {{ session.date ?? 'no day yet' }}
              @if (session.goesLive) {
                <span class="live">goes live</span>
              }
            </td>
            <td>{{ session.onFloor ?? '' }}</td>
            <td class="num">
              @if (found()[session.id]; as counts) {
                @if (counts.errors + counts.warnings === 0) {
                  <span class="good" [title]="counts.scene">✓ no open findings</span>
                }
                @if (counts.errors > 0) {
                  <span class="error" [title]="counts.scene"
                    >▲ {{ counts.errors }} {{ counts.errors === 1 ? 'error' : 'errors' }}</span
                  >
                }
                @if (counts.warnings > 0) {
                  <span class="warning" [title]="counts.scene"
                    >◆ {{ counts.warnings }} {{ counts.warnings === 1 ? 'warning' : 'warnings' }}</span
                  >
                }
              } @else if (findings.failure()) {
                <span class="quiet">not checked</span>
              } @else {
                <span class="quiet">checking …</span>
              }
            </td>
            <td class="num quiet when">
              {{ session.openedAt === undefined ? 'not yet' : (session.openedAt | date: 'yyyy-MM-dd HH:mm') }}
            </td>
          </tr>
        }
      </tbody>
    </table>
    @if (others()) {
      <p class="quiet">{{ others() }}</p>
    }
  `,
  styles: `
    table {
      width: 100%;
      border-collapse: collapse;
      table-layout: fixed;
    }
    th,
    td {
      padding: 0.28rem 0.5rem;
      border-bottom: 1px solid var(--ft-line);
      text-align: left;
      font-weight: inherit;
      overflow: hidden;
      text-overflow: ellipsis;
    }
    thead th {
      padding-block: 0.1rem;
      font-size: 0.85em;
    }
    thead th:last-child {
      text-align: right;
    }
    thead th:nth-child(1) {
      width: 25%;
    }
    thead th:nth-child(2) {
      width: 21%;
    }
    thead th:nth-child(4) {
      width: 22%;
    }
    @media (min-width: 56rem) {
      td {
        white-space: nowrap;
      }
    }
    .when {
      text-align: right;
    }
    td .error,
    td .warning {
      margin-right: 0.5rem;
    }
    .live {
      margin-left: 0.4rem;
      color: var(--ft-warning);
    }
    p {
      margin: 0.2rem 0.5rem;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class StudioSessions {
  readonly studio = input.required<StudioSummary>();
  private readonly api = inject(Api);
  /** Asked once the list stands; what is found does not hold it up. */
  protected readonly findings = answered(toObservable(this.studio), ({ id }) => this.api.findings(id));
  protected readonly found = computed(() =>
    Object.fromEntries((this.findings()?.sessions ?? []).map((each) => [each.id, each])),
  );

  private readonly byKind = (isIt: (session: SessionSummary) => boolean): readonly SessionSummary[] =>
    this.studio().sessions.filter(isIt);
  protected readonly shown = computed(() => this.byKind(({ archived, template }) => !archived && !template));
  /** What is not listed: it is opened from inside the studio. */
  protected readonly others = computed(() => {
    const away = this.byKind(({ archived, template }) => archived && !template).length;
    const templates = this.byKind(({ template }) => template).length;
    return [
      ...(away > 0 ? [`${String(away)} put away`] : []),
      ...(templates > 0 ? [templates === 1 ? 'one template' : `${String(templates)} templates`] : []),
    ].join(' · ');
  });
}
