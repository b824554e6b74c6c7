import { sendText } from '../../consoles/cues/cueCell';
import type { CueColumn, CueSend } from '../../cues/cueSources';
import { cueMatrix } from '../../cues/cueSources';
import type { Ear, HeardSource } from '../../cues/ear';
import { earOf } from '../../cues/ear';
import type { CueId, DeviceId } from '../../rig/ids';
import { powerOfDb } from '../../units/decibel';
import { formatDb } from '../../units/format';
import type { ChannelPlan } from '../consoles/channelPlan';
import type { CueEntry } from './cueCells';
import { cueCells } from './cueCells';
import type { WorkPlace } from '../workPlace';
import { workPlaceAfter } from '../workPlace';

/** Somebody wants to hear more of themself. */
export interface MoreMeWish {
  readonly cue: CueId;
  readonly headphones: DeviceId;
  /** Own sound up by so much, dB. */
  readonly upDb: number;
}

/** How near the total has to stay, dB, and how often it is worked out anew for that. */
const NEAR_DB = 0.05;
const MOST_ROUNDS = 10;

const none = (row: string, sentence: string): ChannelPlan => ({
  ...{ edits: [], changes: [] },
  refused: [{ at: 0, row, column: 'more me', sentence }],
});

const toTenth = (db: number): number => Math.round(db * 10) / 10;

/** The louder side of an ear. */
const sideOf = ({ sidesDbSpl: [left, right] }: Ear): 0 | 1 =>
  left === undefined || (right !== undefined && right > left) ? 1 : 0;

/** The power of some sources at one side. */
const powerAt = (heard: readonly HeardSource[], side: 0 | 1): number =>
  heard.reduce(
    (sum, { sidesDbSpl }) => sum + (sidesDbSpl[side] === undefined ? 0 : powerOfDb(sidesDbSpl[side])),
    0,
  );

/** The figure in the text of a send. */
const FIGURE = /[-+−]?\d+(?:[.,]\d+)?/;

function raised(at: CueSend, column: CueColumn, { context }: WorkPlace, byDb: number): string {
  const level = toTenth(at.send.levelDb + byDb);
  return sendText(at, column, context.scene).replace(FIGURE, String(level));
}

/** The texts that raise own sends and lower all others. */
function entriesFor(
  it: WorkPlace,
  column: CueColumn,
  ear: Ear,
  upDb: number,
  downDb: number,
): readonly CueEntry[] {
  const own = new Set(
    ear.heard.flatMap(({ isOwn, source }) => (isOwn ? [`line:${source.thread ?? ''}`] : [])),
  );
  return [...column.sends].flatMap(([source, sends]) =>
    sends
      .filter(({ send }) => send.isOn)
      .map((at): CueEntry => ({
        ...{ source, cue: column.cue.id },
        text: `${raised(at, column, it, own.has(source) ? upDb : -downDb)}${at.comes === 'return' && sends.length > 1 ? ' return' : ''}`,
      })),
  );
}

/** The powers of own sound and of everything else at the louder side. */
interface Shares {
  readonly own: number;
  readonly rest: number;
}

function sharesOf(ear: Ear): Shares {
  const side = sideOf(ear);
  const of = (isOwn: boolean): number =>
    powerAt(
      ear.heard.filter((each) => each.isOwn === isOwn),
      side,
    );
  return { own: of(true), rest: of(false) };
}

/** Why there cannot be more of somebody by so much; undefined where there can. */
function refusal(name: string, { own, rest }: Shares, upDb: number): string | undefined {
  if (own === 0) return `${name} does not hear themself here. Turn their own send on first.`;
  if (rest === 0) return `${name} hears nothing else: turn the volume up instead.`;
  if (own * (powerOfDb(upDb) - 1) < rest) return undefined;
  const most = Math.floor(100 * Math.log10(1 + rest / own)) / 10;
  return `Everything else together is too soft to give way for that: at most ${formatDb(most)} more.`;
}

/** By how much everything else has to give way, dB. */
const givesWayDb = ({ own, rest }: Shares, upDb: number): number =>
  -10 * Math.log10(1 - (own * (powerOfDb(upDb) - 1)) / rest);

/**
 * Own sound up, everything else down by as much as keeps the total at the ear: nobody gets louder headphones by it.
 * Rounded to the tenth that is shown, and worked out again until the total is within a twentieth of a decibel.
 */
export function moreMe(it: WorkPlace, { cue, headphones, upDb }: MoreMeWish): ChannelPlan {
  const device = it.context.devices.get(headphones);
  const column = cueMatrix(it.context).columns.find((each) => each.cue.id === cue);
  if (device === undefined || column === undefined) return none('', 'This scene has no such cue.');
  const ear = earOf(it.context, device, column.cue);
  const shares = sharesOf(ear);
  const { own, rest } = shares;
  const name = ear.performer?.name ?? device.name;
  const why = refusal(name, shares, upDb);
  if (why !== undefined) return none(name, why);
  let downDb = givesWayDb(shares, upDb);
  let plan = cueCells(it, entriesFor(it, column, ear, upDb, downDb));
  for (let round = 0; round < MOST_ROUNDS; round++) {
    const then = workPlaceAfter(it, plan.edits);
    const after = then && earOf(then.context, device, column.cue);
    // The louder side may be the other one by then.
    const [was, is] = [ear.sumDbSpl, after?.sumDbSpl];
    if (was === undefined || is === undefined || Math.abs(is - was) <= NEAR_DB) break;
    downDb += (is - was) * ((own + rest) / rest);
    plan = cueCells(it, entriesFor(it, column, ear, upDb, downDb));
  }
  return plan;
}
