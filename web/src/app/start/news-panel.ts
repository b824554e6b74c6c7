import { ChangeDetectionStrategy, Component, effect, input, signal } from '@angular/core';
import { markNewsSeen, unseenNews } from './news';

/** What is new here since this browser last saw it; nothing for somebody who has just begun. */
@Component({
  selector: 'ft-news-panel',
  template: `
    @if (news().length > 0 && !isNewcomer()) {
      <section aria-labelledby="news">
        <h2 id="news">What is new here</h2>
        <dl>
          @for (each of news(); track each.id) {
            <div>
              <dt>{{ each.title }}</dt>
              <dd class="quiet">{{ each.text }}</dd>
            </div>
          }
        </dl>
        <button type="button" (click)="read()">I have read it</button>
      </section>
    }
  `,
  styles: `
    section {
      border-left: 3px solid var(--ft-thread);
      padding: 0.1rem 0 0.1rem 0.9rem;
    }
    dl {
      margin: 0.4rem 0 0.6rem;
    }
    div {
      display: flex;
      gap: 0.7rem;
    }
    dt {
      flex: 0 0 12rem;
      font-weight: 600;
    }
    dd {
      margin: 0;
    }
    @media (max-width: 56rem) {
      div {
        display: block;
      }
    }
  `,
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class NewsPanel {
  /** There is no studio yet: everything is new, and nothing of it is news. */
  readonly isNewcomer = input.required<boolean>();
  protected readonly news = signal(unseenNews(localStorage));

  constructor() {
    effect(() => {
      if (this.isNewcomer()) this.read();
    });
  }

  protected read(): void {
    markNewsSeen(localStorage);
    this.news.set([]);
  }
}
