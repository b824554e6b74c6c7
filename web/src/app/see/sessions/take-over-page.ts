import { ChangeDetectionStrategy, Component, computed, inject, linkedSignal, signal } from '@angular/core';
import { toSignal } from '@angular/core/rxjs-interop';
import { Store } from '@ngrx/store';
import { catchError, firstValueFrom, of } from 'rxjs';
import type { ChosenCounterparts, Counterpart } from '@ft/core/actions/sessions/counterparts';
import { leftOutSentence } from '@ft/core/actions/sessions/leftOutSentence';
import { namesTaken } from '@ft/core/actions/sessions/sessionName';
import { readBundle } from '@ft/core/formats/bundle';
import { decodeText } from '@ft/core/formats/decodeText';
import type { DeviceId } from '@ft/core/rig/ids';
import { sessionsInOrder, templatesOf } from '@ft/core/session/sessionsInOrder';
import type { Studio } from '@ft/core/session/studioSchema';
import { freeName } from '@ft/core/text/freeName';
import { problemLine } from '@ft/core/words/problemWording';
import { PartPage } from '../../shell/part';
import { messageOf } from '../../state/answered';
import { Api } from '../../state/api.service';
import { askedAbout } from '../../state/asked';
import { StudioApi } from '../../state/studio-api.service';
import { studioFeature } from '../../state/studio.feature';
import type { TakeOverWish } from '../../workers/scene-answers';
import { AnswerState } from '../../ui/answer';
import { Entry } from '../../ui/form/entry';
import { FilePick } from '../../ui/form/file-pick';
import { Pick } from '../../ui/form/pick';
import { Sheet } from '../../ui/sheet/sheet';
import { COUNTERPART_COLUMNS, counterpartEdits } from './counterpart-rows';
import { SessionChanges } from './session-changes';

/** A file may be wrong in many places; the first few are told. */
const MOST_TOLD = 8;

/** A session of another rig, from another studio or a file: what stands for what, what is left out, and then the taking over. */
@Component({
  selector: 'ft-take-over-page',
  imports: [AnswerState, Entry, FilePick, PartPage, Pick, Sheet],
  templateUrl: './take-over-page.html',
  styleUrl: './take-over-page.scss',
  changeDetection: ChangeDetectionStrategy.OnPush,
})
export class TakeOverPage {
  private readonly api = inject(Api);
  private readonly studioApi = inject(StudioApi);
  protected readonly changes = inject(SessionChanges);
  private readonly studio = inject(Store).selectSignal(studioFeature.selectStudio);
  private readonly listed = toSignal(this.api.studios().pipe(catchError(() => of([]))), { initialValue: [] });

  protected readonly studios = computed(() => [
    { value: '', name: 'choose …' },
    ...this.listed()
      .filter(({ id }) => id !== this.studio()?.id)
      .map(({ id, name }) => ({ value: id, name })),
  ]);
  protected readonly chosenStudio = signal('');
  protected readonly trouble = signal<readonly string[]>([]);
  protected readonly source = signal<Studio | undefined>(undefined);
  private readonly candidates = computed(() => {
    const source = this.source();
    return source === undefined ? [] : [...sessionsInOrder(source), ...templatesOf(source)];
  });
  protected readonly sessions = computed((): readonly { readonly value: string; readonly name: string }[] =>
    this.candidates().map(({ id, name, template }) => ({
      value: id,
      name: template === true ? `${name} · template` : name,
    })),
  );
  protected readonly sessionId = linkedSignal(() => this.sessions()[0]?.value ?? '');
  private readonly session = computed(() => this.candidates().find(({ id }) => id === this.sessionId()));
  protected readonly name = linkedSignal(() => {
    const [studio, session] = [this.studio(), this.session()];
    if (studio === null || session === undefined) return '';
    return freeName(session.name, namesTaken(studio, session.template === true ? 'template' : 'session'));
  });
  private readonly chosen = linkedSignal<Studio | undefined, ChosenCounterparts>({
    source: this.source,
    computation: () => ({}),
  });

  private readonly wish = computed((): TakeOverWish | undefined => {
    const [source, session] = [this.source(), this.session()];
    if (source === undefined || session === undefined) return undefined;
    return { session, theirs: source.rig, chosen: this.chosen(), name: this.name() };
  });
  protected readonly preview = askedAbout(this.wish, (api, wish) => api.takeOver(wish));
  protected readonly taken = computed(() => {
    const taken = this.preview()?.taken;
    return taken?.ok === true ? taken.value : undefined;
  });
  protected readonly refusal = computed(() => {
    const taken = this.preview()?.taken;
    return taken?.ok === false ? taken.sentence : '';
  });
  protected readonly left = computed(() => this.taken()?.left.map(leftOutSentence) ?? []);

  protected readonly columns = COUNTERPART_COLUMNS;
  protected readonly rowId = ({ theirs }: Counterpart): string => `counterpart:${theirs.id}`;
  protected readonly edits = counterpartEdits((theirs: DeviceId, ours: DeviceId | null) => {
    this.chosen.update((before) => ({ ...before, [theirs]: ours }));
  });

  protected async fromStudio(id: string): Promise<void> {
    this.chosenStudio.set(id);
    this.trouble.set([]);
    this.source.set(undefined);
    if (id === '') return;
    // Whoever chose another one meanwhile is not led back.
    const isWanted = (): boolean => this.chosenStudio() === id;
    try {
      const { studio } = await firstValueFrom(this.studioApi.studio(id));
      if (isWanted()) this.source.set(studio);
    } catch (error) {
      if (isWanted()) this.trouble.set([messageOf(error)]);
    }
  }

  protected async fromFile(file: File): Promise<void> {
    this.chosenStudio.set('');
    this.source.set(undefined);
    const decoded = decodeText(new Uint8Array(await file.arrayBuffer()));
    if (!decoded.ok) {
      this.trouble.set([`${file.name} is no bundle: it is no text. Choose a *.thread.json file.`]);
      return;
    }
    const reading = readBundle(decoded.text);
    this.trouble.set(reading.ok ? [] : reading.problems.slice(0, MOST_TOLD).map(problemLine));
    if (reading.ok) this.source.set(reading.studio);
  }

  protected take(): void {
    const taken = this.taken();
    if (taken !== undefined) this.changes.open(this.changes.make({ ok: true, value: taken }));
  }
}
