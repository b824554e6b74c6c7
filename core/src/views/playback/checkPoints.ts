import { linkLanes } from '../../units/linkLanes';
import { shortestWay } from '../../graph/shortestWay';
import type { CheckFault } from '../../playback/checkFaults';
import type { CheckUp } from '../../playback/checkUp';
import { knobReader } from '../../rig/buildDevice';
import { knobText } from '../../rig/knobText';
import { settingsOf } from '../../rig/buildDevice';
import type { WorkedScene } from '../../scene/workedScene';
import { tracksIn } from '../../session/daw/tracksIn';
import { faultSentence } from '../../words/playback/faultSentence';

/** One thing that is looked at before anybody relies on a playback check. */
export interface CheckPoint {
  readonly title: string;
  /** `note` is nothing wrong, and worth knowing. */
  readonly stands: 'holds' | 'fails' | 'note';
  readonly says: string;
}

const KHZ = 1000;

const counted = (count: number, one: string): string => `${String(count)} ${one}${count === 1 ? '' : 's'}`;

/** Faults of some kinds as sentences; what holds where there is none. */
function point(
  { recorder }: CheckUp,
  title: string,
  faults: readonly CheckFault[],
  codes: readonly CheckFault['code'][],
  holds: string,
): CheckPoint {
  const found = faults.filter(({ code }) => codes.includes(code));
  return found.length === 0
    ? { title, stands: 'holds', says: holds }
    : { title, stands: 'fails', says: found.map((fault) => faultSentence(fault, recorder.name)).join(' ') };
}

function countPoint({ check, channels }: CheckUp): CheckPoint {
  const tracks = new Set(channels.flatMap(({ recordedOn }) => recordedOn?.number ?? []));
  const inputs = new Set(channels.flatMap(({ live }) => live.source ?? []));
  const lost = check.channels.length - channels.length;
  const gone =
    lost === 0
      ? ''
      : ` ${counted(lost, 'channel')} of the check ${lost === 1 ? 'is' : 'are'} not on the console any more.`;
  const shared =
    inputs.size === channels.length
      ? ''
      : ` on ${counted(inputs.size, 'input')}, since some listen to the same`;
  return {
    title: 'Same count',
    stands: tracks.size === inputs.size && lost === 0 ? 'holds' : 'fails',
    says: `${counted(channels.length, 'channel')}${shared}, ${counted(tracks.size, 'track')}.${gone}`,
  };
}

/** Tracks that ascend with their channels are found without a list. */
function orderPoint({ channels }: CheckUp): CheckPoint {
  const numbers = [...new Set(channels.flatMap(({ recordedOn }) => recordedOn?.number ?? []))];
  const ascends = numbers.every((n, i) => i === 0 || n > (numbers[i - 1] ?? 0));
  const [first, last] = [numbers[0], numbers.at(-1)];
  return ascends
    ? {
        title: 'One to one, ascending',
        stands: 'holds',
        says:
          first === undefined
            ? 'No track is used.'
            : `Tracks ${String(first)} to ${String(last ?? first)}, in the order of the channels.`,
      }
    : {
        title: 'One to one, ascending',
        stands: 'note',
        says: 'The tracks are not in the order of the channels: the console moves its inputs in blocks, and tracks follow the inputs.',
      };
}

function switchPoint(up: CheckUp, faults: readonly CheckFault[]): CheckPoint {
  const { playback } = up;
  const recorders = playback.rig.devices.filter(
    (device) =>
      device.type === 'multitrackRecorder' &&
      up.channels.some(({ playback: feed }) =>
        [...feed.before].some((lane) => playback.graph.lanes[lane]?.device === device.id),
      ),
  );
  const stand = recorders.map((device) => {
    const spec = settingsOf(device).find(({ setting }) => setting === 'plays');
    const plays = knobReader(device, playback.scene.settings)('plays', 1);
    return spec === undefined ? device.name : `${device.name} plays ${knobText(spec, plays)}`;
  });
  const holds = stand.length === 0 ? 'There is none on the way back.' : `${stand.join(', ')}.`;
  return point(up, 'Switch of the recorder', faults, ['wrong-switch', 'silent'], holds);
}

function armPoint(up: CheckUp, faults: readonly CheckFault[]): CheckPoint {
  const recorded = up.channels.flatMap(({ recordedOn }) => recordedOn ?? []);
  const armed = recorded.filter(({ isArmed }) => isArmed).length;
  const holds = `${String(armed)} of ${counted(recorded.length, 'track')} armed live, none in playback.`;
  const arm = point(up, 'Arming', faults, ['armed'], holds);
  return arm.stands === 'holds' && armed < recorded.length ? { ...arm, stands: 'note' } : arm;
}

/** Whether what is on the tracks runs at the rate of the session, and the recorder with the console. */
function ratePoint({ clocks, session }: WorkedScene, up: CheckUp): CheckPoint {
  const title = 'Rates';
  const rate = (hz: number): string => `${String(hz / KHZ)} kHz`;
  const used = new Set(up.channels.flatMap(({ recordedOn }) => recordedOn?.track ?? []));
  const other = tracksIn(session, up.playback.scene).find(
    ({ id, recordedAtHz }) => used.has(id) && (recordedAtHz ?? session.sampleRateHz) !== session.sampleRateHz,
  );
  if (other !== undefined)
    return {
      ...{ title, stands: 'fails' },
      says: `${other.name} was recorded at ${rate(other.recordedAtHz ?? 0)}, and the session runs at ${rate(session.sampleRateHz)}. Convert the recording, or run the session at its rate.`,
    };
  const devices = clocks.domains.flatMap((domain) => domain.devices);
  const [console, recorder] = [up.console, up.recorder].map(({ id }) =>
    devices.find(({ device }) => device === id),
  );
  const apart =
    console?.rateHz !== undefined && recorder?.rateHz !== undefined && console.rateHz !== recorder.rateHz;
  return apart
    ? {
        ...{ title, stands: 'fails' },
        says: `${up.console.name} runs at ${rate(console.rateHz)}, ${up.recorder.name} at ${rate(recorder.rateHz)}. Run both on one clock.`,
      }
    : { title, stands: 'holds', says: `Recorded and played at ${rate(session.sampleRateHz)}.` };
}

/** Lanes that are left on the links the recording runs over. */
function lanesPoint(up: CheckUp): CheckPoint {
  const { graph, session } = up.live;
  const used = new Map<string, Set<number>>();
  const capacity = new Map<string, number>();
  for (const { live, recordedOn } of up.channels) {
    if (live.source === undefined || recordedOn === undefined) continue;
    for (const { to } of shortestWay(graph, live.source, recordedOn.record).path) {
      const lane = graph.lanes[to];
      if (lane?.link === undefined || lane.direction !== 'in') continue;
      const port = lane.id.slice(0, lane.id.lastIndexOf('/'));
      used.set(port, (used.get(port) ?? new Set()).add(lane.link.lane));
      capacity.set(port, linkLanes(lane.link.kind, session.sampleRateHz));
    }
  }
  const said = [...used].map(([port, lanes]) => {
    const [device] = port.split('/');
    const name = up.live.rig.devices.find(({ id }) => id === device)?.name ?? '';
    const all = capacity.get(port) ?? 0;
    return `${name} takes in ${String(lanes.size)} of ${String(all)} lanes, ${String(all - lanes.size)} are left`;
  });
  return {
    title: 'Lanes on the link',
    stands: 'holds',
    says: said.length === 0 ? 'No digital link is on the way.' : `${said.join('; ')}.`,
  };
}

function scopePoint({ channels }: CheckUp): CheckPoint {
  const plays = channels.filter(({ playsFrom }) => playsFrom.length > 0).length;
  return {
    title: 'Who plays back',
    stands: plays === channels.length ? 'holds' : 'note',
    says:
      plays === channels.length
        ? 'Every channel of the check.'
        : `${String(plays)} of ${counted(channels.length, 'channel')}; the others stay live.`,
  };
}

/** Everything that is looked at, in the order somebody would look at it. */
export const checkPoints = (
  context: WorkedScene,
  up: CheckUp,
  faults: readonly CheckFault[],
): readonly CheckPoint[] => [
  countPoint(up),
  point(
    up,
    'Same sources, same order',
    faults,
    ['not-listening', 'not-recorded', 'shifted', 'other-track', 'mixed'],
    'Each channel plays from the track that records what it listens to.',
  ),
  point(up, 'Before any processing', faults, ['after-fader', 'processed'], 'Every tap is at the input.'),
  orderPoint(up),
  switchPoint(up, faults),
  point(up, 'Not its own playback', faults, ['own-playback'], 'No track takes in what the recorder plays.'),
  armPoint(up, faults),
  point(up, 'Input monitoring', faults, ['monitored'], 'No track of the check passes its input on.'),
  ratePoint(context, up),
  lanesPoint(up),
  scopePoint(up),
];
