import { readFileSync } from 'node:fs';
import type { LogOutput } from '@ft/contract/cliTrack';
import { logCounts, logCsv, logLength } from '@ft/core/formats/csv/logCsv';
import { sessionsInOrder } from '@ft/core/session/sessionsInOrder';
import type { Log } from '@ft/core/takes/applyOps';
import { labelsOf, noteText, writeLabels } from '@ft/core/takes/labels';
import { noteLines, punchLines, takeLines } from '@ft/core/views/takes/logLines';
import { readArchive } from '../archive/readArchive';
import { studioOf } from '../studios/documents';
import type { Answer } from './answer';
import { BadInput } from './badInput';
import { named } from './bundleFile';
import type { LogRequest } from './logRequest';

function bytesOf(file: string): Uint8Array {
  try {
    return readFileSync(file);
  } catch {
    throw new BadInput(`There is no readable file “${file}”. Give the path of an archive (*.thread.zip).`);
  }
}

/** The log of one session of an archive. Throws `BadInput` with what is wrong with it, and where. */
function found({ file, studio: wanted, session: called }: LogRequest) {
  const reading = readArchive(bytesOf(file));
  if (!reading.ok)
    throw new BadInput(
      `${file} is not a usable archive; takes are kept in an archive, not in a bundle:\n${reading.problems.map((problem) => `  ${problem}`).join('\n')}`,
    );
  const studios = reading.studios.map(({ documents, log }) => ({ ...studioOf(documents), log }));
  const studio = named(studios, wanted, 'studio');
  const logged = new Set(studio.log.map(({ session }) => session));
  const sessions = sessionsInOrder(studio);
  const first = called === undefined ? sessions.find(({ id }) => logged.has(id)) : undefined;
  const session = first ?? named(sessions, called, 'session');
  const rows = studio.log.filter((row) => row.session === session.id);
  return { studio, session, log: new Map(rows.map((row) => [row.id, row])) as Log };
}

function textOf(log: Log): string {
  const takes = takeLines(log, { tracks: [] }).flatMap(({ take, name, from, to, who, used, of }) => [
    '',
    [
      name,
      `${from}–${to || 'runs'}`,
      who,
      of,
      take.best === true ? 'best' : '',
      used === '' ? '' : `used ${used}`,
    ]
      .filter((part) => part !== '')
      .join(' · '),
    ...noteLines(log, take.id).map(
      ({ note, time, agreed }) => `  ${time}  ${noteText(note)}${agreed === 'yes' ? '  (again)' : ''}`,
    ),
  ]);
  const punches = punchLines(log).map(
    ({ punch, in: from, out, recorded }) => `  ${punch.performer}: ${from}–${out}, recorded ${recorded}`,
  );
  return [
    `${logCounts(log)}; ${logLength(log)} of running`,
    ...takes,
    ...(punches.length === 0 ? [] : ['', 'To play again', ...punches]),
  ].join('\n');
}

/** `ft log`: the take log of a session in an archive, as text, table or labels. */
export function log(request: LogRequest): Answer {
  const { studio, session, log: rows } = found(request);
  const json: LogOutput = {
    format: 'faithful-thread-log/1',
    ...{ studio: studio.name, session: session.name, rows: [...rows.values()] },
  };
  const text = {
    text: (): string => `${studio.name} · ${session.name}\n${textOf(rows)}`,
    csv: (): string => logCsv(rows),
    labels: (): string => writeLabels(labelsOf(rows)).trimEnd(),
  }[request.as]();
  return { text, json, exitCode: 0 };
}
