import { busCells } from '../../consoles/cues/busCells';
import { carrierOutputs } from '../../consoles/cues/carrierOutputs';
import { carrierChoices } from '../../consoles/cues/carriers';
import { carrierGoneSentence, carrierText } from '../../consoles/cues/carrierText';
import { usualSends } from '../../consoles/cues/usualSends';
import { carrierSends } from '../../cues/carrierSends';
import { cueMatrix } from '../../cues/cueSources';
import type { Edit } from '../../edits/make';
import { editAdd } from '../../edits/make';
import type { CueId, DeviceId } from '../../rig/ids';
import { idFromName } from '../../rig/ids';
import { carrierPlaces } from '../../session/cueProblems';
import type { Carrier, Cue } from '../../session/cueSchema';
import { cueSchema } from '../../session/cueSchema';
import type { ReadyCell } from '../../consoles/ready/readyLine';
import type { ChannelChange, ChannelPlan, ChannelRefusal } from '../consoles/channelPlan';
import { plannedCells } from '../consoles/plannedCells';
import { settingSet } from '../patchEdits';
import { addThreadsEdits } from '../track/threadEdits';
import type { BoxKnobs } from './boxKnobs';
import { amplifiersAtNoon, ownMixers, volumesDown } from './boxKnobs';
import { cueCells } from './cueCells';
import { cueLegs, cueTargets, cueThreads } from './cueLines';
import { talkbackLine } from './talkbackLine';
import type { CuePlace } from './cuePlace';
import { cuePlaceAfter } from './cuePlace';

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

/** Steps made one after the other, each in the place the ones before it leave. */
class SettingUp {
  readonly edits: Edit[] = [];
  readonly changes: ChannelChange[] = [];
  readonly refused: ChannelRefusal[] = [];

  constructor(public it: CuePlace) {}

  make(edits: readonly Edit[]): boolean {
    const next = cuePlaceAfter(this.it, edits);
    if (next === undefined) return false;
    this.it = next;
    this.edits.push(...edits);
    return true;
  }

  plan({ edits, changes, refused }: ChannelPlan): void {
    this.changes.push(...changes);
    this.refused.push(...refused);
    this.make(edits);
  }

  cells(device: DeviceId, cells: readonly ReadyCell[]): void {
    if (cells.length > 0) this.plan(plannedCells({ ...this.it, device }, cells));
  }

  knobs(knobs: BoxKnobs): void {
    const { place, context } = this.it;
    this.make([...knobs].map(([key, value]) => settingSet(place, context.scene, key, value)));
  }

  say(row: string, column: string, to: string): void {
    this.changes.push({ row, column, from: '', to });
  }

  leaveOut(row: string, column: string, sentence: string): void {
    this.refused.push({ at: this.refused.length, row, column, sentence });
  }
}

/** What keeps a cue from being set up at all, as a sentence. */
function refusal({ context }: CuePlace, { name, carrier, headphones }: CueWish): string | undefined {
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

function newCue({ context: { session, scene } }: CuePlace, wish: CueWish, id: CueId): Cue {
  return cueSchema.parse({
    ...{ id, name: wish.name.trim(), carrier: wish.carrier, scenes: [scene.id] },
    number: Math.max(0, ...session.cues.map(({ number }) => number)) + 1,
    headphones: wish.headphones.map((each) => ({ id: each })),
  });
}

/** Brings a talkback microphone to the talkback input of a console that none reaches yet. */
function bringTalkback(up: SettingUp, console: DeviceId): void {
  const { context } = up.it;
  const line = talkbackLine(context, console);
  if (line === undefined) return;
  up.make(addThreadsEdits(up.it.studio, up.it.place, [line]));
  const runs = up.it.context.threads.find(({ thread }) => thread.id === line.id)?.complete === true;
  const name = context.devices.get(console)?.name ?? console;
  up.say(line.source, 'way', runs ? `to ${name}` : `to ${name}, not yet possible`);
}

/** Brings the sides of the carrier to the amplifiers and boxes, as lines of the input list. */
function route(up: SettingUp, cue: Cue): void {
  const { context } = up.it;
  const targets = cueTargets(
    context,
    cue.headphones.map(({ id }) => id),
  );
  const outputs = carrierOutputs(context, cue.carrier, targets.towards);
  if (!outputs.ok) {
    const where = carrierText(context, cue.carrier);
    up.leaveOut(
      where,
      'outputs',
      `No output is free for it. Free one on the sheet of its console, then set the cue up again.`,
    );
    return;
  }
  if (cue.carrier.on === 'console')
    up.cells(
      cue.carrier.device,
      outputs.sides.flatMap(({ cells }) => cells),
    );
  const legs = cueLegs(up.it.context, outputs.sides, targets);
  const threads = cueThreads(up.it.context, cue, legs);
  if (threads.length > 0) {
    up.make(addThreadsEdits(up.it.studio, up.it.place, threads));
    const running = new Map(up.it.context.threads.map(({ thread, complete }) => [thread.id, complete]));
    for (const { id, source, to } of threads) {
      const name =
        up.it.context.graph.lanes[up.it.context.graph.laneIndex.get(to as never) ?? -1]?.name ?? '';
      up.say(source, 'way', running.get(id) === true ? `to ${name}` : `to ${name}, not yet possible`);
    }
  }
  up.knobs(ownMixers(up.it.context, legs));
}

/** Headphones the rig does not have, or that nothing drives, with what to do. */
function leaveOutUndriven(up: SettingUp, wish: CueWish): readonly DeviceId[] {
  const { context } = up.it;
  const { undriven } = cueTargets(context, wish.headphones);
  return wish.headphones.filter((id) => {
    const device = context.devices.get(id);
    if (device?.type !== 'headphones')
      up.leaveOut(
        device?.name ?? id,
        'headphones',
        'These are no headphones of the rig. Choose a pair in Rig.',
      );
    else if (undriven.includes(id))
      up.leaveOut(
        device.name,
        'headphones',
        'Nothing drives them: no box has a way to them. Wire them to an output of a headphone box or amplifier in Rig first.',
      );
    else return true;
    return false;
  });
}

/**
 * Sets a cue up in one step: its buses a pair, masters full, talkback assigned, every line sent before the fader at 12
 * o'clock, and left and right of it routed to the amplifiers and boxes of its headphones. Volumes are down at the end:
 * they are raised when everybody has been warned and a level is heard.
 */
export function setUpCue(it: CuePlace, wish: CueWish): CueSetUp {
  const id = idFromName(wish.name, new Set(it.context.session.cues.map((cue) => cue.id)), 'cue') as CueId;
  const up = new SettingUp(it);
  const none = (sentence: string): CueSetUp => ({
    ...{ id, edits: [], changes: [] },
    refused: [{ at: 0, row: wish.name.trim(), column: 'cue', sentence }],
  });
  const why = refusal(it, wish);
  if (why !== undefined) return none(why);
  const headphones = leaveOutUndriven(up, wish);
  if (headphones.length === 0) return { id, edits: [], changes: [], refused: up.refused };
  const cue = newCue(it, { ...wish, headphones }, id);
  if (!up.make([editAdd('cue', { session: it.place.session }, cue)]))
    return none('It does not go together with the other cues of the session.');
  up.say(cue.name, 'carrier', carrierText(it.context, cue.carrier));
  if (cue.carrier.on === 'console')
    up.cells(cue.carrier.device, busCells(up.it.context, cue.carrier, wish.withTalkback));
  if (cue.carrier.on === 'console' && wish.withTalkback) bringTalkback(up, cue.carrier.device);
  route(up, cue);
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
