import { setUpCue } from '@ft/core/actions/cues/setUpCue';
import { cuePlaceAfter } from '@ft/core/actions/cues/cuePlace';
import { contextOf, PLACE, studioOf } from '../fixtures/studioOf';
import { CUE, cueStudio } from '../fixtures/cueStudio';
import { ears } from '@ft/core/cues/ear';

it('prints', () => {
  const studio = studioOf(cueStudio({ settings: { 'console/cue/1': 0 }, session: { cues: [] } }));
  const it = { studio, place: PLACE, context: contextOf(studio) };
  const set = setUpCue(it, {
    name: 'Narrator',
    carrier: CUE.carrier as never,
    headphones: ['phones' as never],
    withTalkback: true,
  });
  console.log(JSON.stringify(set.changes), JSON.stringify(set.refused), set.edits.length);
  const then = cuePlaceAfter(it, set.edits)!;
  console.log(then.context.threads.map((t) => [t.thread.id, t.thread.from, t.thread.to, t.complete]));
  console.log(JSON.stringify(ears(then.context).map(({ heard, headphones, cue, ...e }) => e)));
});
