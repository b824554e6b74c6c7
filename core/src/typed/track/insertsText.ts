import { typedNumber } from '../../text/typedNumber';
import { busName, busNamed } from './busNamed';
import type { CellReading } from '../../text/cellReading';
import { parts, refuse, value } from '../../text/cellReading';
import { decibels } from './faderText';
import type { Bus, Slot, Track } from '../../session/daw/trackSchema';
import { MOST_SLOTS } from '../../session/daw/trackSchema';

const signed = (db: number): string => (db > 0 ? `+${String(db)}` : decibels(db));

const DB = '([-+−]?\\d+(?:[.,]\\d+)?)';
const HARDWARE = new RegExp(
  [
    '^(?:hw|hardware)\\s+(?<send>\\d+)(?:\\s*[-–]\\s*\\d+)?(?:\\s*/\\s*(?<back>\\d+)(?:\\s*[-–]\\s*\\d+)?)?',
    '(?<midSide>\\s+mid/side)?',
    `(?:\\s+parallel\\s+${DB.replace('(', '(?<dry>')}\\s*/\\s*${DB.replace('(', '(?<wet>')})?`,
    `(?:\\s+trim\\s+${DB.replace('(', '(?<sendTrim>')}\\s*/\\s*${DB.replace('(', '(?<returnTrim>')})?`,
    '(?:\\s*@\\s*(?<delay>\\d+))?(?<off>\\s+off)?$',
  ].join(''),
  'i',
);
const PLUGIN = new RegExp(
  `^(?<name>.+?)(?:\\s+gain\\s+${DB.replace('(', '(?<gain>')})?(?:\\s*@\\s*(?<delay>\\d+))?(?:\\s+key\\s+(?<key>.+))?$`,
  'i',
);

type Groups = Readonly<Record<string, string | undefined>>;

const decibelsIn = (text: string | undefined): number => typedNumber(text ?? '') ?? 0;

function hardwareSlot(text: Groups): Slot {
  const send = Number(text['send']);
  const { dry, wet, delay } = text;
  return {
    kind: 'hardware',
    send,
    return: Number(text['back'] ?? send),
    sendTrimDb: decibelsIn(text['sendTrim']),
    returnTrimDb: decibelsIn(text['returnTrim']),
    ...(delay !== undefined && { delaySamples: Number(delay) }),
    ...(text['midSide'] !== undefined && { midSide: true as const }),
    ...(dry !== undefined && { parallel: { dryDb: decibelsIn(dry), wetDb: decibelsIn(wet) } }),
    ...(text['off'] !== undefined && { off: true as const }),
  };
}

function readSlot(text: string, buses: readonly Bus[]): CellReading<Slot> {
  const hardware = HARDWARE.exec(text);
  if (hardware?.groups !== undefined) return value(hardwareSlot(hardware.groups));
  if (/^(hw|hardware)\b/i.test(text))
    return refuse(`“${text}” is not a hardware insert; write hw 5, or hw 5/6 @31 with its delay in samples.`);
  const { name = text, gain, delay, key }: Groups = PLUGIN.exec(text)?.groups ?? {};
  const bus = key === undefined ? undefined : busNamed(buses, key);
  if (bus?.ok === false) return bus;
  return value({
    kind: 'plugin',
    name: name.trim(),
    delaySamples: delay === undefined ? 0 : Number(delay),
    ...(bus && { key: bus.value }),
    ...(gain !== undefined && { gainDb: decibelsIn(gain) }),
  });
}

/**
 * Insert slots in their order: "De-esser @64; 3 hw 5/6; Ducker key Narration". A number in front puts
 * one into that slot; `@` is the delay in samples.
 */
export function readInserts(text: string, buses: readonly Bus[]): CellReading<Track['inserts']> {
  const slots: (Slot | null)[] = [];
  for (const part of parts(text, /;/)) {
    const numbered = /^(\d{1,2})[.:]?\s+(.+)$/.exec(part);
    const at = numbered === null ? slots.length : Number(numbered[1]) - 1;
    if (at < 0 || at >= MOST_SLOTS) return refuse(`There is no slot ${String(at + 1)}: a track has ten.`);
    if (slots[at] != null)
      return refuse(`Slot ${String(at + 1)} is filled twice. Give one of the two another number.`);
    const slot = readSlot(numbered?.[2] ?? part, buses);
    if (!slot.ok) return slot;
    while (slots.length < at) slots.push(null);
    slots[at] = slot.value;
  }
  return value(slots);
}

/** What stands in a slot, as it is typed. */
export function slotText(slot: Slot, buses: readonly Bus[]): string {
  if (slot.kind === 'plugin') {
    const delay = slot.delaySamples === 0 ? '' : ` @${String(slot.delaySamples)}`;
    const gain = slot.gainDb === undefined ? '' : ` gain ${signed(slot.gainDb)}`;
    return `${slot.name}${gain}${delay}${slot.key === undefined ? '' : ` key ${busName(buses, slot.key)}`}`;
  }
  const pair = slot.return === slot.send ? String(slot.send) : `${String(slot.send)}/${String(slot.return)}`;
  const trims =
    slot.sendTrimDb === 0 && slot.returnTrimDb === 0
      ? ''
      : ` trim ${signed(slot.sendTrimDb)}/${signed(slot.returnTrimDb)}`;
  const { midSide, parallel, off, delaySamples } = slot;
  return [
    `hw ${pair}`,
    ...(midSide === true ? [' mid/side'] : []),
    ...(parallel === undefined ? [] : [` parallel ${signed(parallel.dryDb)}/${signed(parallel.wetDb)}`]),
    trims,
    ...(delaySamples === undefined ? [] : [` @${String(delaySamples)}`]),
    ...(off === true ? [' off'] : []),
  ].join('');
}

export function insertsText({ inserts }: Pick<Track, 'inserts'>, buses: readonly Bus[]): string {
  let next = 0;
  return inserts
    .flatMap((slot, i) => {
      if (slot === null) return [];
      const text = `${i === next ? '' : `${String(i + 1)} `}${slotText(slot, buses)}`;
      next = i + 1;
      return [text];
    })
    .join('; ');
}
