import { compile } from '../graph/compile';
import type { SignalGraph } from '../graph/signalGraph';
import type { RoomId } from '../rig/ids';
import type { Rig } from '../rig/rigSchema';
import { roomsInOrder } from '../rig/roomsInOrder';
import type { SettingKey } from '../rig/settings';
import { settingsWith } from '../rig/settingsWith';
import type { Floor } from '../session/floorSchema';
import type { Scene, Session } from '../session/sessionSchema';
import { drainingOn } from './draining';
import { floorScene } from './floorScene';
import { byDevice, knobOf, standsAt, turnsBetween } from './knobs';
import { heardThrough, quietedBy } from './listeners';
import { arming } from './arming';
import { pairing } from './pairing';
import { switchesTouched } from './powered';
import type { Walk } from './sequence';
import { sequence } from './sequence';
import type { Quiet, Step, Turn } from './step';
import { wayBack } from './wayBack';

const QUIET: readonly Quiet[] = ['monitors', 'cues'];
const OUT_OF_QUIET: readonly Quiet[] = ['cues', 'monitors'];

/** The rooms of the rig, the one somebody stands in first. */
const roomsFrom = (rig: Rig, here: RoomId | undefined): readonly RoomId[] => {
  const all = roomsInOrder(rig).map(({ id }) => id);
  return here === undefined ? all : [here, ...all.filter((id) => id !== here)];
};

function walkOf(rig: Rig, graph: SignalGraph, wanted: SignalGraph, here: RoomId | undefined): Walk {
  const heard = heardThrough(rig, wanted);
  const known = new Map<string, boolean>();
  return {
    rooms: roomsFrom(rig, here),
    // Lanes are numbered in the order of devices, ports and lanes: the walk along the jacks.
    spotOf(jack) {
      const place = graph.laneIndex.get(jack) ?? -1;
      return { room: graph.lanes[place]?.room, place };
    },
    isHeard(jack) {
      const is = known.get(jack) ?? heard(jack);
      known.set(jack, is);
      return is;
    },
  };
}

const isPower = (rig: Rig, { key }: Turn): boolean => knobOf(rig, key)?.spec.setting === 'phantom';

/**
 * Whether turning a knob may bang or bring up what was not heard: a switch, a source or crosspoint, a gain that goes
 * up. Only a gain that comes down does neither.
 */
function isHeardTurning(rig: Rig, turn: Turn): boolean {
  const knob = knobOf(rig, turn.key);
  if (knob === undefined) return true;
  const [was, value] = [standsAt(knob, turn.was), standsAt(knob, turn.value)];
  const isGain = knob.spec.unit === 'dB' && typeof was === 'number' && typeof value === 'number';
  return !isGain || value > was;
}

/** Switches and selectors first, then 48 V, then gains: a gain is turned up on a line that is whole. */
function rankOf(rig: Rig, turn: Turn): number {
  if (isPower(rig, turn)) return 1;
  const spec = knobOf(rig, turn.key)?.spec;
  return typeof spec?.initial === 'number' && spec.range?.positions === undefined ? 2 : 0;
}

/** 48 V to be switched off before anything is touched: on the lines touched, and where it is not wanted. */
function powerOff(
  rig: Rig,
  floor: Floor,
  turns: readonly Turn[],
  touched: readonly SettingKey[],
): readonly Turn[] {
  const isOn = (key: SettingKey): boolean => {
    const knob = knobOf(rig, key);
    return knob !== undefined && standsAt(knob, floor.settings[key]) === true;
  };
  const unwanted = turns.filter((turn) => isPower(rig, turn) && isOn(turn.key)).map(({ key }) => key);
  const keys = [...new Set([...touched.filter(isOn), ...unwanted])].sort();
  return keys.map((key): Turn => {
    const knob = knobOf(rig, key);
    const value = knob !== undefined && standsAt(knob, null) === false ? null : false;
    return { key, was: floor.settings[key] ?? null, value };
  });
}

/**
 * The wait after 48 V was switched off, here or before, as long as a line it reaches at any step is still to be
 * touched.
 */
function drain(floor: Floor, off: readonly Turn[], touched: readonly SettingKey[]): readonly Step[] {
  const keys = [...new Set([...drainingOn(floor), ...off.map(({ key }) => key)])].sort();
  return keys.some((key) => touched.includes(key)) ? [{ kind: 'drain', keys }] : [];
}

/** What is turned after the cords are in: everything that differs, 48 V that had to go off included. */
function settings(
  rig: Rig,
  scene: Scene,
  floor: Floor,
  off: readonly Pick<Turn, 'key' | 'value'>[],
): readonly Step[] {
  const now = settingsWith(
    floor.settings,
    off.map(({ key, value }) => [key, value]),
  );
  const turns = turnsBetween(rig, now, scene.settings);
  return [0, 1, 2].flatMap((rank) =>
    byDevice(
      rig,
      turns.filter((turn) => rankOf(rig, turn) === rank),
    ).map(([device, own]): Step => ({ kind: 'set', device, turns: own })),
  );
}

/**
 * The way from what is on the floor to a scene: the fewest movements of cords, in an order that hurts
 * nobody. Worked out from the two states alone, so it is right wherever somebody stopped.
 *
 * Order: monitors and cues muted, where anything may be heard, cords or switches alike; tracks that play no longer
 * armed, and what a recorder played back on the stage again; 48 V off where a line is touched, and the wait until it has drained;
 * cords, pulls before the plugs that need their jacks, what feeds loudspeakers last; then switches, 48 V
 * and gains; tracks armed; cues open, monitors last. Common practice, no source.
 * @param here the room somebody stands in; the walk begins there.
 */
// eslint-disable-next-line max-lines-per-function -- the whole order of a work list on one screen
export function repatch(
  rig: Rig,
  session: Session,
  floor: Floor,
  scene: Scene,
  here?: RoomId,
): readonly Step[] {
  const graph = compile(rig, session, floorScene(floor));
  const wanted = compile(rig, session, scene);
  // What leads to gear the rig has lost cannot be plugged; the checks say so.
  const pluggable = scene.cords.filter(
    ({ from, to }) => wanted.laneIndex.has(from) && wanted.laneIndex.has(to),
  );
  const walk = walkOf(rig, graph, wanted, here);
  const pairs = pairing(floor.cords, pluggable, rig.cords, walk.isHeard);
  const cords = sequence(pairs, floor.cords, [...rig.cords, ...rig.adaptors], walk);
  const touched = switchesTouched(graph, floor.cords, cords);
  const turns = turnsBetween(rig, floor.settings, scene.settings);
  const off = powerOff(rig, floor, turns, touched);
  const back = wayBack(rig, session, floor, scene);
  const first = turns.filter(({ key }) => back.has(key));
  const later = settings(rig, scene, floor, [...off, ...first]);
  const { disarm, arm } = arming(session, floor, scene);
  const isLoud =
    cords.length > 0 ||
    off.length > 0 ||
    first.length > 0 ||
    [...disarm, ...arm].some((step) => 'tracks' in step && step.tracks.some((track) => track.inputMonitor)) ||
    later.some((step) => 'turns' in step && step.turns.some((turn) => isHeardTurning(rig, turn)));
  const isMuted = (quiet: Quiet): boolean => floor.precautions.some(({ id }) => id === quiet);
  const quieted = (quiet: Quiet, kind: 'mute' | 'open'): readonly Step[] => {
    const devices = quietedBy(rig, quiet);
    const needed = kind === 'mute' ? isLoud && !isMuted(quiet) : isLoud || isMuted(quiet);
    return needed && devices.length > 0 ? [{ kind, quiet, devices }] : [];
  };
  return [
    ...QUIET.flatMap((quiet) => quieted(quiet, 'mute')),
    ...disarm,
    ...byDevice(rig, first).map(([device, own]): Step => ({
      kind: 'set',
      device,
      turns: own,
      isWayBack: true,
    })),
    ...byDevice(rig, off).map(([device, own]): Step => ({ kind: 'power-off', device, turns: own })),
    ...drain(floor, off, touched),
    ...cords,
    ...later,
    ...arm,
    ...OUT_OF_QUIET.flatMap((quiet) => quieted(quiet, 'open')),
  ];
}
