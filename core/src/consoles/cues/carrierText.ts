import type { CarrierGone } from '../../cues/carrierSends';
import { carrierRows } from '../../cues/carrierSends';
import type { WorkedScene } from '../../scene/workedScene';
import type { Carrier } from '../../session/cueSchema';

/** A carrier as a reader knows it: "Kiln desk aux 3–4", "DAW outputs 33–34". */
export function carrierText({ devices, session }: WorkedScene, carrier: Carrier): string {
  if (carrier.on === 'host') {
    const host = devices.get(session.host ?? ('' as never))?.name ?? 'DAW';
    const { first, width } = carrier;
    return width === 1
      ? `${host} output ${String(first)}`
      : `${host} outputs ${String(first)}–${String(first + 1)}`;
  }
  const device = devices.get(carrier.device);
  const rows = device === undefined ? [] : carrierRows(device);
  const names = carrier.rows.map((id) => rows.find((row) => row.id === id)?.name ?? id);
  const [first = '', second] = names;
  const number = second === undefined ? '' : `–${/\d+$/.exec(second)?.[0] ?? second}`;
  return `${device?.name ?? carrier.device} ${first}${number}`;
}

const GONE: Readonly<Record<CarrierGone['why'], string>> = {
  'no-device': 'The device is not in the rig any more. Choose another carrier.',
  'no-bus': 'The device has no such bus. Choose one of those it has.',
  'no-host': 'The session has no host. Say under Mix which host the tracks run on, or choose a console.',
  'no-output': 'The host has no such outputs. Choose lower numbers, or give it more in Rig.',
};

/** Why a carrier is none, and what to do. */
export const carrierGoneSentence = ({ why }: CarrierGone): string => GONE[why];
