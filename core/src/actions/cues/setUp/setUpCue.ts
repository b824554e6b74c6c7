import { busCells } from '../../../consoles/cues/busCells';
import { carrierChoices } from '../../../consoles/cues/carriers';
import { carrierGoneSentence, carrierText } from '../../../consoles/cues/carrierText';
import { usualSends } from '../../../consoles/cues/usualSends';
import { carrierSends } from '../../../cues/carrierSends';
import { cueMatrix } from '../../../cues/cueSources';
import { editAdd } from '../../../edits/make';
import type { CueId, DeviceId } from '../../../rig/ids';
import { idFromName } from '../../../rig/ids';
import { carrierPlaces } from '../../../session/cueProblems';
import type { Carrier, Cue } from '../../../session/cueSchema';
import { cueSchema } from '../../../session/cueSchema';
import type { ChannelPlan } from '../../consoles/channelPlan';
import { amplifiersAtNoon, volumesDown } from './boxKnobs';
import { cueCells } from '../cueCells';
import type { WorkPlace } from '../../workPlace';
import { bringTalkback, drivenOf, routeCue } from './routedCue';
import { SettingUp } from '../../settingUp';

/** A cue as it is wished: what carries it, and who hears it. */
export interface CueWish {
  readonly name: string;
  readonly carrier: Carrier;
  readonly headphones: readonly DeviceId[];
  readonly withTalkback: boolean;
}

/** A cue set up: every step of it, and what was left out. No edits at all where its carrier is none. */
export interface CueSetUp extends ChannelPlan {
  readonly id: CueId;
}

/** What keeps a cue from being set up at all, as a sentence. */
function refusal({ context }: WorkPlace, { name, carrier, headphones }: CueWish): string | undefined {
  if (name.trim() === '') return 'A cue needs a name.';
  if (context.session.cues.some((cue) => cue.name.toLowerCase() === name.trim().toLowerCase()))
    return `There is a cue called “${name.trim()}” already. Give this one a name of its own.`;
  if (headphones.length === 0) return 'Nobody would hear it. Choose the headphones it goes to.';
  const found = carrierSends(context, carrier);
  if (!found.ok) return carrierGoneSentence(found);
  const places = carrierPlaces(carrier);
  const taken = carrierChoices(context).find(
    (choice) =>
      choice.taken !== undefined && carrierPlaces(choice.carrier).some((place) => places.includes(place)),
  )?.taken;
  return taken === undefined
    ? undefined
    : `${carrierText(context, carrier)} carries the cue “${taken}” already. Choose another bus, or put these people on that cue.`;
}

function newCue({ context: { session, scene } }: WorkPlace, wish: CueWish, id: CueId): Cue {
  return cueSchema.parse({
    ...{ id, name: wish.name.trim(), carrier: wish.carrier, scenes: [scene.id] },
    number: Math.max(0, ...session.cues.map(({ number }) => number)) + 1,
    headphones: wish.headphones.map((each) => ({ id: each })),
  });
}

/**
 * Sets a cue up in one step: its buses a pair, masters full, talkback assigned, every line sent before the fader at 12
 * o'clock, and left and right of it routed to the amplifiers and boxes of its headphones. Volumes are down at the end:
 * they are raised when everybody has been warned and a level is heard.
 */
export function setUpCue(it: WorkPlace, wish: CueWish): CueSetUp {
  const id = idFromName(wish.name, new Set(it.context.session.cues.map((cue) => cue.id)), 'cue') as CueId;
  const up = new SettingUp(it);
  const none = (sentence: string): CueSetUp => ({
    ...{ id, edits: [], changes: [] },
    refused: [{ at: 0, row: wish.name.trim(), column: 'cue', sentence }],
  });
  const why = refusal(it, wish);
  if (why !== undefined) return none(why);
  const headphones = drivenOf(up, wish.headphones);
  if (headphones.length === 0) return { id, edits: [], changes: [], refused: up.refused };
  const cue = newCue(it, { ...wish, headphones }, id);
  if (!up.make([editAdd('cue', { session: it.place.session }, cue)]))
    return none('It does not go together with the other cues of the session.');
  up.say(cue.name, 'carrier', carrierText(it.context, cue.carrier));
  if (cue.carrier.on === 'console')
    up.cells(cue.carrier.device, busCells(up.it.context, cue.carrier, wish.withTalkback));
  if (cue.carrier.on === 'console' && wish.withTalkback) bringTalkback(up, cue.carrier.device);
  if (!routeCue(up, cue)) return { id, edits: [], changes: [], refused: up.refused };
  up.knobs(amplifiersAtNoon(up.it.context, headphones));
  up.knobs(volumesDown(up.it.context, headphones));
  up.say(cue.name, 'volumes', 'all the way down, until a level is heard');
  const matrix = cueMatrix(up.it.context);
  const column = matrix.columns.find((each) => each.cue.id === id);
  const sends = column === undefined ? [] : usualSends(up.it.context, matrix, column);
  up.plan(
    cueCells(
      up.it,
      sends.map((send) => ({ ...send, cue: id })),
    ),
  );
  return { id, edits: up.edits, changes: up.changes, refused: up.refused };
}
