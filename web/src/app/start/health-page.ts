import { DatePipe } from '@angular/common';
import { ChangeDetectionStrategy, Component, inject } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { RouterLink } from '@angular/router';
import { catchError, map, of, switchMap, timer } from 'rxjs';
import { Api, apiErrorOf } from '../state/api.service';
import { sizeText } from './size';

const ASK_EVERY_MS = 5000;
/** Below this a disk soon keeps changes from being stored, bytes. */
const LITTLE_ROOM = 500_000_000;

/** How the program is, for whoever helps: on this computer or on a tablet. */
@Component({
  selector: 'ft-health-page',
  imports: [DatePipe, RouterLink],
  template: `
    <main>
      <p><a routerLink="/">All studios</a></p>
      <h1>Health</h1>
      @if (asked(); as answer) {
        @if (answer.trouble !== '') {
          <p role="alert"><span class="error">▲</span> {{ answer.trouble }}</p>
        }
        @if (answer.status; as it) {
          <table class="sheet">
            <tbody>
              <tr>
                <th scope="row">Version</th>
                <td class="num">{{ it.version }}</td>
              </tr>
              <tr>
                <th scope="row">Running since</th>
                <td class="num">{{ it.startedAt | date: 'yyyy-MM-dd HH:mm' }}</td>
              </tr>
              <tr>
                <th scope="row">Data folder</th>
                <td class="num path">{{ it.folder }}</td>
              </tr>
              <tr>
                <th scope="row">Data</th>
                <td>
                  <span class="num">{{ size(it.dataBytes) }}</span>, {{ it.studios }}
                  {{ it.studios === 1 ? 'studio' : 'studios' }}
                </td>
              </tr>
              <tr>
                <th scope="row">Free on its disk</th>
                <td>
                  @if (it.freeBytes === null) {
                    <span class="quiet">not told by the system</span>
                  } @else {
                    <span class="num">{{ size(it.freeBytes) }}</span>
                    @if (it.freeBytes < little) {
                      <span class="warning"> ◆ little: free some space before changes cannot be stored </span>
                    }
                  }
                </td>
              </tr>
              <tr>
                <th scope="row">Last backup</th>
                <td>
                  @if (it.lastBackup; as backup) {
                    <span class="num">{{ backup.at | date: 'yyyy-MM-dd HH:mm' }}</span>
                  } @else {
                    <span class="warning">◆ none yet</span>
                  }
                  @if (it.backupTrouble; as trouble) {
                    <span class="warning">◆ {{ trouble }}</span>
                  }
                </td>
              </tr>
              <tr>
                <th scope="row">Windows open</th>
                <td class="num">{{ it.windows }}</td>
              </tr>
              <tr>
                <th scope="row">Tablets here</th>
                <td>
                  @for (tablet of it.tablets; track tablet.name) {
                    {{ tablet.name }}{{ tablet.windows > 1 ? ' (' + tablet.windows + ' windows)' : ''
                    }}{{ $last ? '' : ', ' }}
                  } @empty {
                    <span class="quiet">none</span>
                  }
                </td>
              </tr>
              @if (it.setAside; as note) {
                <tr>
                  <th scope="row">Set aside</th>
                  <td>
                    <span class="error">▲</span> a damaged data file, on
                    {{ note.at | date: 'yyyy-MM-dd HH:mm' }}, in
                    <span class="num path">{{ note.folder }}</span>
                  </td>
                </tr>
              }
            </tbody>
          </table>
          <p class="quiet">
            The log for whoever helps is in the folder <span class="num">log</span> of the data folder. It
            holds no names and no contents of studios.
          </p>
        }
      } @else {
        <p class="quiet" role="status">Asking …</p>
      }
    </main>
  `,
  styles: `
    :host {
      display: block;
      height: 100%;
      overflow: auto;
    }
    main {
      max-width: 44rem;
      margin: 0 auto;
      padding: 1.5rem 1.25rem;
    }
    h1 {
      margin-bottom: 0.6rem;
    }
    main > p:last-child {
      margin-top: 0.8rem;
    }
    th[scope='row'] {
      text-align: left;
      font-weight: normal;
      color: var(--ft-quiet);
      width: 11rem;
    }
    .path {
      overflow-wrap: anywhere;
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class HealthPage {
  private readonly api = inject(Api);
  protected readonly size = sizeText;
  protected readonly little = LITTLE_ROOM;
  protected readonly asked = toSignal(
    timer(0, ASK_EVERY_MS).pipe(
      switchMap(() =>
        this.api.status().pipe(
          map((status) => ({ status, trouble: '' })),
          catchError((error: unknown) => of({ status: undefined, trouble: apiErrorOf(error).message })),
        ),
      ),
    ),
  );
}
