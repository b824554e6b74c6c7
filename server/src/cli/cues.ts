import type { CuesOutput } from '@ft/contract/cliOutput';
import { workedScene } from '@ft/core/scene/workedScene';
import type { CueSheetView, CueView } from '@ft/core/views/cues/cueSheetView';
import { cueSheetView } from '@ft/core/views/cues/cueSheetView';
import type { EarView } from '@ft/core/views/cues/earView';
import { earFacts } from '@ft/core/views/cues/earFacts';
import type { Answer } from './answer';
import { headOf, titleOf } from './head';
import type { CliRequest } from './request';

const sendsOf = ({ rows }: CueSheetView, { id }: CueView): Readonly<Record<string, string>> =>
  Object.fromEntries(
    rows.flatMap(({ name, texts }) => (texts[id] === undefined ? [] : [[name, texts[id]] as const])),
  );

const earOutput = ({ volume, spill, ...ear }: EarView): CuesOutput['ears'][number] => {
  const { cueName, name, performerName, isLying, sumDbSpl, ownDbSpl, ownOverRestDb, ownDelayMs } = ear;
  const { talkbackDbSpl, clickDbSpl, acousticDbSpl, atEarDbSpl, allowedHours, dose } = ear;
  return {
    ...{ cue: cueName, headphones: name, performer: performerName, isLying },
    ...(volume && { box: volume.box, volumeDb: [...volume.valueDb] }),
    ...(volume?.start && { startDb: volume.start.valueDb }),
    ...{ sumDbSpl, ownDbSpl, ownOverRestDb, ownDelayMs, talkbackDbSpl, clickDbSpl, acousticDbSpl },
    ...{ atEarDbSpl, allowedHours, dose },
    ...(spill && { microphone: spill.microphoneName, clickAtMicrophoneDbSpl: spill.clickDbSpl }),
  };
};

function cueText(sheet: CueSheetView, cue: CueView): readonly string[] {
  const sends = Object.entries(sendsOf(sheet, cue)).filter(([, text]) => text !== 'off');
  const own = sheet.ears.filter((ear) => ear.cue === cue.id);
  return [
    '',
    [cue.name, cue.carrier, ...(cue.status === undefined ? [] : [cue.status])].join(' · '),
    ...(cue.trouble === undefined ? [] : [`  ! ${cue.trouble}`]),
    ...sends.map(([name, text]) => `  ${name}: ${text}`),
    ...own.map(
      (ear) => `  → ${ear.name}${ear.isLying ? ' (nobody wears them)' : ''}: ${earFacts(ear).join(', ')}`,
    ),
  ];
}

/** `ft cues`: who hears what, at which level, on which box. */
export function cues(request: CliRequest): Answer {
  const { studio, session, scene } = request;
  const sheet = cueSheetView(workedScene(studio.rig, session, scene, studio.floor));
  const json: CuesOutput = {
    format: 'faithful-thread-cues/1',
    ...headOf(request),
    cues: sheet.cues.map((cue) => ({
      ...{ id: cue.id, name: cue.name, carrier: cue.carrier, hasTalkback: cue.hasTalkback },
      ...(cue.trouble !== undefined && { trouble: cue.trouble }),
      ...(cue.status !== undefined && { status: cue.status }),
      sends: sendsOf(sheet, cue),
    })),
    ears: sheet.ears.map(earOutput),
  };
  const lines =
    sheet.cues.length === 0
      ? ['There are no cues in this scene.']
      : sheet.cues.flatMap((cue) => cueText(sheet, cue));
  return { text: [titleOf(request), ...lines].join('\n'), json, exitCode: 0 };
}
