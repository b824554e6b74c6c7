import { clockText, startOf } from '../../takes/counter';
import type { Log } from '../../takes/applyOps';
import { isNote, isPunch, isTake } from '../../takes/labels';
import { noteLines, punchLines, takeLines } from '../../views/takes/logLines';
import { writeCsv } from './csvTable';

const TITLES = ['What', 'Take', 'From', 'To', 'About', 'Text', 'Who', 'Tracks', 'Agreed', 'By', 'Made at'];

/** A take log as CSV: takes, then notes, then punches, each in its order. Crossed-out notes are left out. */
export function logCsv(log: Log): string {
  const takes = takeLines(log, { tracks: [] }).map(({ take, name, from, to, who, tracks, used, of }) => [
    ...[of === '' ? 'take' : 'punch run', name, from, to, take.best === true ? 'best' : ''],
    ...[[take.text ?? '', used === '' ? '' : `used ${used}`, of].filter((part) => part !== '').join('; ')],
    ...[who, tracks, '', take.by, take.at],
  ]);
  const notes = noteLines(log).map(({ note, time, take, agreed }) => [
    ...['note', take, time, time, note.about ?? '', note.text ?? ''],
    ...['', '', agreed, [note.by, note.agreedBy ?? ''].filter((part) => part !== '').join('; '), note.at],
  ]);
  const punches = punchLines(log).map(({ punch, take, in: from, out, recorded }) => [
    ...['punch', take, from, out, punch.ends, `recorded ${recorded}; new layer from ${punch.layer}`],
    ...[punch.performer, punch.tracks.join(', '), '', punch.by, punch.at],
  ]);
  return writeCsv(TITLES, [...takes, ...notes, ...punches]);
}

/** How much there is in a log: "6 takes, 14 notes, 2 punches". */
export function logCounts(log: Log): string {
  const rows = [...log.values()];
  const counted = (count: number, one: string, many: string): string =>
    `${String(count)} ${count === 1 ? one : many}`;
  return [
    counted(rows.filter(isTake).length, 'take', 'takes'),
    counted(rows.filter(isNote).length, 'note', 'notes'),
    counted(rows.filter(isPunch).length, 'punch', 'punches'),
  ].join(', ');
}

/** How long takes have run together: "0:42:10.0". */
export const logLength = (log: Log): string =>
  clockText(
    [...log.values()].reduce(
      (sum, row) => (row.kind === 'take' && row.endS !== undefined ? sum + row.endS - startOf(row) : sum),
      0,
    ),
  );
