import type { WorkedScene } from '../../scene/workedScene';
import type { DeviceId } from '../../rig/ids';
import type { DigitalCable } from '../../timing/digitalCables';

/** Who would follow whom if one of two devices led: what each is told. */
export interface ClockSchool {
  readonly leader: DeviceId;
  readonly follower: DeviceId;
  /** The connector the follower follows. */
  readonly follows: string;
  /** What it follows over: the link that carries the sound, a link back, or word clock. */
  readonly over: 'link' | 'link back' | 'word clock';
}

/** Two devices joined by a digital link, and which of them may lead. */
export interface ClockPair {
  readonly key: string;
  readonly sender: string;
  readonly receiver: string;
  /** The sender leads: one cable is enough. */
  readonly senderLeads: ClockSchool;
  /** The receiver leads: only where the sender hears a clock. */
  readonly receiverLeads?: ClockSchool;
  /** Which of the two the devices are told to do just now; neither where a third one leads both. */
  readonly now?: 'sender' | 'receiver';
}

const keyOf = ({ to }: DigitalCable): string => to.lane.split('/')[1] ?? '';

/** What lets the sender of a link follow: word clock of the receiver first, then a link back from it. */
function wayBack(cables: readonly DigitalCable[], { from, to }: DigitalCable): ClockSchool | undefined {
  const back = cables.filter((each) => each.from.device === to.device && each.to.device === from.device);
  const cable =
    back.find(({ medium }) => medium === 'clock') ?? back.find(({ medium }) => medium === 'digital');
  return (
    cable && {
      leader: to.device,
      follower: from.device,
      follows: keyOf(cable),
      over: cable.medium === 'clock' ? 'word clock' : 'link back',
    }
  );
}

/**
 * Every pair of devices that a digital link joins, each with its two schools: the sender leads and the receiver
 * follows the link (one cable is enough), or the receiver leads and the sender follows word clock or a link back.
 * Both schools are common practice, no source.
 */
export function clockSchools({ clocks, rig }: WorkedScene): readonly ClockPair[] {
  const { cables } = clocks;
  const devices = new Map(rig.devices.map((device) => [device.id, device]));
  const seen = new Set<string>();
  return cables.flatMap((cable): readonly ClockPair[] => {
    const { from, to, medium, isHost } = cable;
    const key = [from.device, to.device].sort().join(' ');
    if (medium !== 'digital' || isHost || from.device === to.device || seen.has(key)) return [];
    seen.add(key);
    const senderLeads: ClockSchool = {
      ...{ leader: from.device, follower: to.device, follows: keyOf(cable), over: 'link' },
    };
    const receiverLeads = wayBack(cables, cable);
    const follows = (id: DeviceId): string | undefined => devices.get(id)?.clock?.follows;
    const now =
      follows(to.device) === senderLeads.follows
        ? 'sender'
        : receiverLeads !== undefined && follows(from.device) === receiverLeads.follows
          ? 'receiver'
          : undefined;
    return [
      {
        key,
        sender: devices.get(from.device)?.name ?? from.device,
        receiver: devices.get(to.device)?.name ?? to.device,
        senderLeads,
        ...(receiverLeads !== undefined && { receiverLeads }),
        ...(now !== undefined && { now }),
      },
    ];
  });
}
