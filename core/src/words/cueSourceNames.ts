import type { CueSource } from '../cues/cueSources';
import type { WorkedScene } from '../scene/workedScene';
import { sheetOf } from '../rig/sheets/sheetOf';
import { threadName } from '../session/threadName';

/** What a reader calls a row of the cue sheet: its line, its track, or the channel of its console. */
export function cueSourceName({ session, devices }: WorkedScene, source: CueSource): string {
  if (source.kind === 'line') {
    const thread = session.threads.find(({ id }) => id === source.thread);
    return thread === undefined ? source.thread : threadName(thread);
  }
  if (source.kind === 'track')
    return session.tracks.find(({ id }) => id === source.track)?.name ?? source.track;
  const device = devices.get(source.device as never);
  const rows = (device && sheetOf(device)?.sections.flatMap((section) => section.rows)) ?? [];
  return `${device?.name ?? source.device} ${rows.find(({ id }) => id === source.row)?.name ?? source.row}`;
}
