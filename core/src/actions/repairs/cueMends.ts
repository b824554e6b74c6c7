import type { CarrierSend } from '../../cues/carrierSends';
import { carrierSends } from '../../cues/carrierSends';
import type { Volume } from '../../cues/volume';
import { volumeOf } from '../../cues/volume';
import type { Edit } from '../../edits/make';
import type { ChannelCell } from '../../rig/sheets/channelSheet';
import type { Finding } from '../../checks/finding';
import { settingKeyOf } from '../../rig/settings';
import type { DeviceId } from '../../rig/ids';
import type { Cue } from '../../session/cueSchema';
import { deskKnobs } from '../../consoles/deskKnobs';
import { cueMatrix } from '../../cues/cueSources';
import { formatGain, formatNumber } from '../../units/format';
import { overDoseDb } from '../../units/hearing';
import type { CueEntry } from '../cues/cueCells';
import { cueCells } from '../cues/cueCells';
import type { Bench, Figures, Repair } from './repair';
import { refOf, single, turned } from './repair';

const toTenth = (db: number): number => Math.round(db * 10) / 10;

/**
 * Turns the volume of a pair, each side from where it stands and no further than its bottom; nothing where the knob of
 * the louder side does not reach so far.
 */
function volumeTurned(bench: Bench, volume: Volume, to: (nowDb: number) => number): readonly Edit[] {
  const { device, min, sides } = volume;
  if (to(Math.max(...sides.map(({ valueDb }) => valueDb))) < min) return [];
  const wanted = new Map(
    sides.map(({ knob, valueDb }) => [
      settingKeyOf(device.id, knob.setting, knob.channel),
      Math.max(min, toTenth(to(valueDb))),
    ]),
  );
  return [...wanted].map(([key, db]) => turned(bench, key, db));
}

/** The volume of a pair down by what its dose is over, each side as much. */
export function cueDown(bench: Bench, figures: Figures<'hearing-dose'>, finding: Finding): readonly Repair[] {
  const volume = volumeOf(bench.context, refOf(finding, 'device') as DeviceId);
  if (volume === undefined) return [];
  const byDb = Math.ceil(overDoseDb(figures.dose, figures.table));
  const sides = [
    ...new Set(volume.sides.map(({ valueDb }) => formatGain(Math.max(volume.min, valueDb - byDb)))),
  ];
  return single(
    `Turn ${volume.device.name} down ${String(byDb)} dB, to ${sides.join(' and ')} dB`,
    volumeTurned(bench, volume, (now) => now - byDb),
  );
}

/** The pair that nobody wears, down at its box. */
export function quietUnworn(
  bench: Bench,
  { isLying }: Figures<'open-headphones'>,
  finding: Finding,
): readonly Repair[] {
  const id = refOf(finding, 'device') as DeviceId;
  const volume = volumeOf(bench.context, id);
  const name = bench.context.devices.get(id)?.name ?? id;
  if (!isLying || volume === undefined) return [];
  return single(
    `Turn ${name} down`,
    volumeTurned(bench, volume, () => volume.min),
  );
}

const cueIn = ({ context }: Bench, finding: Finding): Cue | undefined =>
  context.session.cues.find(({ id }) => id === refOf(finding, 'cue'));

/**
 * What a fader does to the send behind it. Undefined where more than the fader stands between: a muted channel would
 * sound all at once, and a VCA moves what was worked out.
 */
function faderDb({ context }: Bench, send: CarrierSend): number | undefined {
  if (send.kind === 'track')
    return send.track.muted || send.track.vca !== undefined ? undefined : send.track.faderDb;
  const knobs = deskKnobs(send.device, context.scene);
  const at = (cell: ChannelCell | undefined) => (cell?.kind === 'knob' ? knobs.value(cell.knob) : undefined);
  const { fader, mute, vca } = send.row.cells;
  const isMore = at(mute) === true || Number(at(vca) ?? 0) > 0;
  return isMore ? undefined : Number(at(fader) ?? 0);
}

/** Sends before the fader, each at the level it has now behind it: nothing changes in the headphones. */
export function cuePre(
  bench: Bench,
  { canBePre }: Figures<'cue-post-fader'>,
  finding: Finding,
): readonly Repair[] {
  const cue = cueIn(bench, finding);
  if (cue === undefined || !canBePre) return [];
  const column = cueMatrix(bench.context).columns.find((each) => each.cue.id === cue.id);
  const post = [...(column?.sends ?? [])].flatMap(([source, sends]) =>
    sends.flatMap(({ send }) => (send.isOn && send.tap === 'post' ? [{ source, send }] : [])),
  );
  const entries = post.flatMap(({ source, send }): readonly CueEntry[] => {
    const db = faderDb(bench, send);
    if (db === undefined) return [];
    const text = `${formatNumber(toTenth(send.levelDb + db))} pre${panOf(bench, send)}`;
    return [{ source, cue: cue.id, text }];
  });
  if (entries.length < post.length) return [];
  const plan = cueCells(bench, entries);
  return plan.refused.length > 0 ? [] : single(`Take ${cue.name} before the fader`, plan.edits);
}

/** Where a send stands in the stereo picture, as it is typed. */
function panOf({ context }: Bench, send: CarrierSend): string {
  const position =
    send.kind === 'track'
      ? (send.send?.pan ?? 0)
      : send.cell.pan === undefined
        ? 0
        : Number(deskKnobs(send.device, context.scene).value(send.cell.pan));
  return position === 0 ? '' : ` ${position < 0 ? 'L' : 'R'}${formatNumber(Math.abs(position))}`;
}

/** Talkback assigned to the bus of a cue. */
export function talkToCue(
  bench: Bench,
  { some }: Figures<'no-talkback'>,
  finding: Finding,
): readonly Repair[] {
  const cue = cueIn(bench, finding);
  const found = cue && carrierSends(bench.context, cue.carrier);
  const has = found?.ok === true && found.buses.some(({ cells }) => cells['talk'] !== undefined);
  if (cue === undefined || some || !has) return [];
  const entry = { source: 'bus:talk', cue: cue.id, text: 'on' };
  return single(`Assign talkback to ${cue.name}`, cueCells(bench, [entry]).edits);
}

/** Of a source that is heard twice only the way before the recorder. */
export function onlyDirect(bench: Bench, _figures: unknown, finding: Finding): readonly Repair[] {
  const cue = cueIn(bench, finding);
  const source = `line:${refOf(finding, 'thread') ?? ''}`;
  const plan = cue && cueCells(bench, [{ source, cue: cue.id, text: 'direct' }]);
  return cue === undefined || plan === undefined || plan.refused.length > 0
    ? []
    : single(`Keep it before the recorder in ${cue.name}`, plan.edits);
}
