import type { CheckedChannel, CheckUp } from '../../playback/checkUp';
import { channelRows } from '../../playback/channelFeed';
import { endsAt } from '../../playback/consoleEnds';
import { edgesInto } from '../../graph/walk';
import { joinsOf } from '../../playback/joins';
import { knobOf, standsAt } from '../../repatch/knobs';
import type { LaneId, PlaybackCheckId } from '../../rig/ids';
import { laneIdOf } from '../../rig/ids';
import type { SettingKey } from '../../rig/settings';
import { splitSentence } from '../../words/playback/splitSentence';
import type { ChannelPlan, ChannelRefusal } from '../consoles/channelPlan';
import type { WorkPlace } from '../workPlace';
import { findCheck } from './findCheck';
import { knobTurn } from './knobTurn';

/** Where the switch of a channel is to stand. */
interface Wanted {
  readonly channel: CheckedChannel;
  readonly plays: boolean;
  readonly key: SettingKey;
  readonly value: number;
}

/** How a channel is switched so that its track plays into it, or so that it listens to what it does live. */
function wantedOf(up: CheckUp, channel: CheckedChannel, plays: boolean): Wanted | undefined {
  const { graph } = up.playback;
  const lane = graph.lanes[channel.playback.lane];
  const joins = lane === undefined ? [] : joinsOf(up.console).into(lane.id);
  const knob = joins[0] && knobOf(up.live.rig, joins[0].key);
  if (joins[0] === undefined || knob === undefined) return undefined;
  if (!plays) {
    const value = standsAt(knob, up.live.scene.settings[joins[0].key]);
    return typeof value === 'number' ? { channel, plays, key: joins[0].key, value } : undefined;
  }
  const track = up.tracks.find(({ number }) => number === channel.recordedOn?.number);
  const ends = new Set<LaneId | undefined>(
    track === undefined
      ? []
      : endsAt(graph, track.play, 'from', up.console.id).map((end) => graph.lanes[end]?.id),
  );
  const join = joins.find(({ from }) => ends.has(from));
  return join && { channel, plays, key: join.key, value: join.value };
}

/** Channels of other switches that listen to nothing live: where a line could be put. */
function freeElsewhere(up: CheckUp, key: SettingKey): readonly string[] {
  const { graph } = up.live;
  const joins = joinsOf(up.console);
  const wanted = new Set(up.check.channels);
  return channelRows(up.console).flatMap(({ id, name, lane }) => {
    if (lane === undefined || wanted.has(id)) return [];
    const at = laneIdOf(up.console.id, lane.port, lane.lane);
    const [join] = joins.into(at);
    const isFree = edgesInto(graph, graph.laneIndex.get(at) ?? -1).length === 0;
    return join === undefined || join.key === key || !isFree ? [] : [name];
  });
}

/** Channels on one switch of which some are to play and others to stay. */
function split(up: CheckUp, key: SettingKey, all: readonly Wanted[], at: number): ChannelRefusal {
  const [playing, staying] = [all.filter(({ plays }) => plays), all.filter(({ plays }) => !plays)];
  const rowsOf = (list: readonly Wanted[]) => list.map(({ channel }) => channel.row.name);
  return {
    ...{ at, row: rowsOf(playing).join(', '), column: 'plays back' },
    sentence: splitSentence({
      console: up.console.name,
      playing: rowsOf(playing),
      staying: rowsOf(staying),
      free: freeElsewhere(up, key),
    }),
  };
}

/**
 * Lets some channels of a check play back while the others stay live. A switch that would have to do both is left as it
 * is, and told.
 */
export function scopeOfCheck(it: WorkPlace, id: PlaybackCheckId, playing: readonly string[]): ChannelPlan {
  const up = findCheck(it, id);
  if (up === undefined) return { edits: [], changes: [], refused: [] };
  const plays = new Set(playing);
  const wanted = up.channels.flatMap((channel) => wantedOf(up, channel, plays.has(channel.row.id)) ?? []);
  const keys = [...new Set(wanted.map(({ key }) => key))];
  const refused: ChannelRefusal[] = [];
  const turns = keys.flatMap((key) => {
    const own = wanted.filter((each) => each.key === key);
    const [value, other] = new Set(own.map((each) => each.value));
    if (other !== undefined) refused.push(split(up, key, own, refused.length));
    return value === undefined || other !== undefined ? [] : [knobTurn(it, up.check.playback, key, value)];
  });
  return {
    edits: turns.flatMap(({ edits }) => edits),
    changes: turns.flatMap(({ change }) => change ?? []),
    refused,
  };
}
