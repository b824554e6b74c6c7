import { cueCells } from '@ft/core/actions/cues/cueCells';
import { workPlaceAfter } from '@ft/core/actions/workPlace';
import type { WorkPlace } from '@ft/core/actions/workPlace';
import type { CueId } from '@ft/core/rig/ids';
import { workedScene } from '@ft/core/scene/workedScene';
import { cueSheetView } from '@ft/core/views/cues/cueSheetView';
import { CUES, cueStudio, SOURCES } from './cueRig';

const ROUNDS = 15;

function medianOf(times: readonly number[]): number {
  return [...times].sort((a, b) => a - b)[Math.floor(times.length / 2)] ?? 0;
}

/** A cell of the cue sheet, from the text until the sheet and every ear are worked out, held against all of it anew. */
export function cues(): void {
  const studio = cueStudio();
  const [session] = studio.sessions;
  const scene = session?.scenes[0];
  if (session === undefined || scene === undefined) throw new Error('a generated studio has a scene');
  const whole = Array.from({ length: 5 }, () => {
    const started = performance.now();
    cueSheetView(workedScene(studio.rig, session, scene));
    return performance.now() - started;
  });
  let now: WorkPlace = {
    ...{ studio, place: { session: session.id, scene: scene.id } },
    context: workedScene(studio.rig, session, scene),
  };
  const heard = cueSheetView(now.context).ears.map(({ heard: sources }) => sources.length);
  if (heard.some((count) => count < SOURCES)) throw new Error('every ear of the bench hears every source');
  const times = Array.from({ length: ROUNDS }, (_, n) => {
    const entry = {
      ...{
        source: `line:line-${String(1 + ((n * 7) % SOURCES))}`,
        cue: `cue-${String(1 + (n % CUES))}` as CueId,
      },
      text: `${String(-20 + n)} pre`,
    };
    const started = performance.now();
    const then = workPlaceAfter(now, cueCells(now, [entry]).edits);
    if (then === undefined) throw new Error('a cell of the bench holds together');
    cueSheetView(then.context);
    now = then;
    return performance.now() - started;
  }).slice(3);
  const [one, all] = [medianOf(times), medianOf(whole)];
  console.log(`\n${String(CUES)} cues x ${String(SOURCES)} sources, ${String(heard.length)} ears`);
  console.log(`  a cell, until every ear is worked out   ${one.toFixed(0)} ms`);
  console.log(
    `  all of it anew                          ${all.toFixed(0)} ms, ${(all / one).toFixed(1)} x a cell`,
  );
}
