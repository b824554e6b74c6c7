import type { CarrierSend } from '../../cues/carrierSends';
import { carrierSends } from '../../cues/carrierSends';
import { volumeOf } from '../../cues/volume';
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

/** Turns the volume of a pair to somewhere, both sides alike. */
function volumeTo(bench: Bench, id: DeviceId, to: (nowDb: number) => number, label: (db: number) => string) {
  const volume = volumeOf(bench.context, id);
  if (volume === undefined) return [];
  const value = toTenth(to(Math.max(...volume.sides.map(({ valueDb }) => valueDb))));
  if (value < volume.min) return [];
  const keys = new Set(
    volume.sides.map(({ knob }) => settingKeyOf(volume.device.id, knob.setting, knob.channel)),
  );
  return single(
    label(value),
    [...keys].map((key) => turned(bench, key, value)),
  );
}

/** The level knob of what drives a pair of headphones. */
export function cueDown(bench: Bench, figures: Figures<'hearing-dose'>, finding: Finding): readonly Repair[] {
  const id = refOf(finding, 'device') as DeviceId;
  const byDb = Math.ceil(overDoseDb(figures.dose, figures.table));
  const box = volumeOf(bench.context, id)?.device.name ?? '';
  return volumeTo(
    bench,
    id,
    (now) => now - byDb,
    (db) => `Turn ${box} down ${String(byDb)} dB, to ${formatGain(db)} dB`,
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
  return volumeTo(
    bench,
    id,
    () => volume.min,
    () => `Turn ${name} down`,
  );
}

const cueIn = ({ context }: Bench, finding: Finding): Cue | undefined =>
  context.session.cues.find(({ id }) => id === refOf(finding, 'cue'));

/** What the fader of a send adds, which it keeps when it leaves before it. */
function faderDb({ context }: Bench, send: CarrierSend): number {
  if (send.kind === 'track') return send.track.faderDb;
  const { fader } = send.row.cells;
  return fader?.kind === 'knob' ? Number(deskKnobs(send.device, context.scene).value(fader.knob)) : 0;
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
  const entries = [...(column?.sends ?? [])].flatMap(([source, sends]) =>
    sends
      .filter(({ send }) => send.isOn && send.tap === 'post')
      .map(({ send }): CueEntry => {
        const level = toTenth(send.levelDb + faderDb(bench, send));
        return { source, cue: cue.id, text: `${formatNumber(level)} pre${panOf(bench, send)}` };
      }),
  );
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
