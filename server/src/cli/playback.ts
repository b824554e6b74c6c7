import type { PlaybackOutput } from '@ft/contract/cliTrack';
import { workedScene } from '@ft/core/scene/workedScene';
import type { CheckView } from '@ft/core/views/playback/playbackView';
import { playbackView } from '@ft/core/views/playback/playbackView';
import type { Answer } from './answer';
import { headOf, titleOf } from './head';
import type { CliRequest } from './request';

const MARK = { holds: 'holds', fails: 'FAILS', note: 'note' } as const;

const failsIn = ({ points }: CheckView): boolean => points.some(({ stands }) => stands === 'fails');

function checkText(check: CheckView): readonly string[] {
  const { name, console, recorder, live, playback, points, channels, gains, trims, trainees } = check;
  return [
    '',
    `${name} · ${console}, recorded on ${recorder} · live: ${live.name} · playback: ${playback.name}`,
    ...points.map(({ title, stands, says }) => `  ${MARK[stands].padEnd(7)}${title}: ${says}`),
    ...channels.map((line) => {
      const carries = line.line === '' ? '' : ` (${line.line})`;
      const wrong = line.isWrong ? '  ! ' : '    ';
      return `${wrong}${line.channel}${carries}: ${line.input} → ${line.track || 'no track'}${line.tap === '' ? '' : `, ${line.tap}`}; in playback ${line.plays}`;
    }),
    ...[...gains, ...trims].map(
      ({ channel, knob, from, to }) => `  wanted on stage, ${channel}: ${knob} ${from} → ${to}`,
    ),
    ...trainees.map(({ name: who, story }) => `  ${who}: ${story.join(' ') || 'nothing changed'}`),
  ];
}

/** `ft playback`: every playback check of the session; with `--check` the exit code tells whether all of it holds. */
export function playback(request: CliRequest): Answer {
  const { studio, session, scene, mustHold } = request;
  const view = playbackView(workedScene(studio.rig, session, scene, studio.floor));
  const json: PlaybackOutput = {
    format: 'faithful-thread-playback/1',
    ...headOf(request),
    checks: view.checks.map(
      ({ name, console, recorder, live, playback: there, points, channels, gains, trims }) => ({
        ...{ name, console, recorder, live: live.name, playback: there.name },
        points: [...points],
        channels: channels.map(({ channel, line, input, track, tap, plays, isPlaying, isWrong }) => ({
          ...{ channel, line, input, track, tap, plays, isPlaying, isWrong },
        })),
        wanted: [...gains, ...trims].map(({ channel, knob, from, to }) => ({ channel, knob, from, to })),
      }),
    ),
    lost: view.lost.map(({ name }) => name),
  };
  const none = view.checks.length === 0 && view.lost.length === 0;
  const lines = none
    ? ['There are no playback checks in this session.']
    : [
        ...view.checks.flatMap(checkText),
        ...view.lost.map(({ name }) => `${name}: its console or its recorder is not in the rig any more.`),
      ];
  const isWhole = !view.checks.some(failsIn) && view.lost.length === 0;
  return { text: [titleOf(request), ...lines].join('\n'), json, exitCode: mustHold && !isWhole ? 1 : 0 };
}
