import { knobOf, standsAt } from '../../repatch/knobs';
import type { Quiet, Step, Turn } from '../../repatch/step';
import { knobText, knobTitle } from '../../rig/knobText';
import type { Rig } from '../../rig/rigSchema';
import type { Scene, Session } from '../../session/sessionSchema';

/** A rise of gain that is told before the first step, dB. Common practice, no source. */
const LARGE_RISE_DB = 6;
const MOST_NAMED = 8;

/** Whether a scene is one of a playback check: the console has a stage in front of it. */
export const hasStage = (
  { playbackChecks }: Session,
  scenes: readonly (Scene['id'] | undefined)[],
): boolean => playbackChecks.some(({ live, playback }) => scenes.includes(live) || scenes.includes(playback));

/** "Kiln stagebox 3 Gain: +32 to +44 dB, 12 dB up". */
export function largeRises(rig: Rig, turns: readonly Turn[]): readonly string[] {
  return turns.flatMap(({ key, was, value }) => {
    const knob = knobOf(rig, key);
    const [from, to] = knob === undefined ? [] : [standsAt(knob, was), standsAt(knob, value)];
    if (knob?.spec.unit !== 'dB' || typeof from !== 'number' || typeof to !== 'number') return [];
    if (to - from <= LARGE_RISE_DB) return [];
    const figures = `${knobText(knob.spec, from)} to ${knobText(knob.spec, to)}`;
    return [`${knob.device.name} ${knobTitle(knob.spec, knob.channel)}: ${figures}`];
  });
}

/** What is muted, by the ways people may hear it. */
export function heardOver(isStage: boolean, quiet: Quiet): string {
  if (quiet === 'monitors') return isStage ? 'mains and monitors' : 'the monitors';
  return isStage ? 'wedges and cues' : 'the cues';
}

/** Tracks of the host that are armed, or not any more. */
export function armedStep(
  { tracks: all }: Session,
  { kind, tracks }: Extract<Step, { kind: 'disarm' | 'arm' }>,
): { readonly title: string; readonly caution?: string } {
  const names = tracks.flatMap(({ id }) => all.find((track) => track.id === id)?.name ?? []);
  const more = names.length > MOST_NAMED ? ` and ${String(names.length - MOST_NAMED)} more` : '';
  const listed = `${names.slice(0, MOST_NAMED).join(', ')}${more}`;
  return kind === 'arm'
    ? { title: `Arm in the host, input monitoring as planned: ${listed}` }
    : {
        title: `No longer armed in the host: ${listed}`,
        caution: 'A track that is armed while it plays is overwritten.',
      };
}
