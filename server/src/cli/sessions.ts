import { applyNewChange } from '@ft/core/edits/change';
import type { Edit } from '@ft/core/edits/make';
import type { LeftOut } from '@ft/core/actions/sessions/crossing';
import { leftOutSentence } from '@ft/core/actions/sessions/leftOutSentence';
import type { Studio } from '@ft/core/session/studioSchema';
import { findingCounts } from '@ft/core/views/sessions/findingCounts';
import type { SessionLine } from '@ft/core/views/sessions/sessionLines';
import { sessionLines, templateLines } from '@ft/core/views/sessions/sessionLines';
import { refusalSentence } from '@ft/core/words/refusalWording';
import type { SessionsOutput } from '@ft/contract/cliOutput';
import type { Answer } from './answer';
import { BadInput } from './badInput';
import { studioIn } from './bundleFile';
import { sessionDeed } from './sessionDeeds';
import type { SessionsRequest } from './sessionsRequest';
import { writeBundleFile } from './writeBundleFile';

type Listed = SessionsOutput['sessions'][number];

function listed(studio: Studio, { session, onFloor, place, scene }: SessionLine): Listed {
  const { id, name, date, goesLive, archived, template, threads, scenes, tracks } = session;
  return {
    ...{ id, name, scenes: scenes.length, lines: threads.length, tracks: tracks.length, scene },
    ...(date !== undefined && { date }),
    goesLive: goesLive === true,
    putAway: archived === true,
    template: template === true,
    ...(onFloor !== undefined && { onFloor }),
    ...(findingCounts(studio, place) ?? { errors: 0, warnings: 0 }),
  };
}

const plural = (n: number, one: string): string => `${String(n)} ${one}${n === 1 ? '' : 's'}`;

function lineText(it: Listed): string {
  const marks = [
    it.date ?? '',
    it.goesLive ? 'goes live' : '',
    it.putAway ? 'put away' : '',
    it.template ? 'template' : '',
    it.onFloor === undefined ? '' : `on the floor: ${it.onFloor}`,
    plural(it.lines, 'line'),
    plural(it.tracks, 'track'),
    plural(it.scenes, 'scene'),
    `${it.scene}: ${plural(it.errors, 'error')}, ${plural(it.warnings, 'warning')}`,
  ];
  return `${it.name} (${it.id})\n        ${marks.filter((mark) => mark !== '').join(' · ')}`;
}

function changed(studio: Studio, edits: readonly Edit[]): Studio {
  const result = applyNewChange(studio, edits);
  if (!result.ok) throw new BadInput(refusalSentence(result.refusal));
  return result.value;
}

function written(studio: Studio, out: string | undefined): string {
  if (out === undefined) return 'Nothing was written. Say where to with --out FILE; it may be the same file.';
  writeBundleFile(out, studio);
  return `Written to ${out}.`;
}

function answer(studio: Studio, said: readonly string[], left: readonly LeftOut[]): Answer {
  const sessions = [...sessionLines(studio), ...templateLines(studio)].map((line) => listed(studio, line));
  const json: SessionsOutput = {
    format: 'faithful-thread-sessions/1',
    studio: studio.name,
    sessions,
    said: [...said],
    left: left.map((each) => ({ ...each, sentence: leftOutSentence(each) })),
  };
  const text = [
    studio.name,
    ...sessions.map(lineText),
    ...left.map((each) => `left out  ${leftOutSentence(each)}`),
    ...said,
  ].join('\n');
  return { text, json, exitCode: left.length > 0 ? 1 : 0 };
}

/** `ft sessions FILE`: the sessions and templates of a bundle; with a deed, the bundle after it. */
export function sessions(request: SessionsRequest): Answer {
  const studio = studioIn(request.file);
  if (request.deed === 'list') return answer(studio, [], []);
  const done = sessionDeed(studio, request);
  const after = changed(studio, done.edits);
  return answer(after, [...done.said, `${done.label}. ${written(after, request.out)}`], done.left);
}
