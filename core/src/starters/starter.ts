import type * as z from 'zod';
import type { Pairing } from '../typed/wiring/loom';
import type { deviceSchema, rigSchema } from '../rig/rigSchema';

export type Answer = number | string | boolean;
export type Answers = Readonly<Record<string, Answer>>;

interface AskBase {
  readonly key: string;
  readonly label: string;
  /** What the answer decides, for somebody who is not sure. */
  readonly why: string;
}

/** How many of something. */
export interface CountAsk extends AskBase {
  readonly kind: 'count';
  /** One of them: "mic input". */
  readonly one: string;
  readonly least: number;
  readonly most: number;
  readonly usual: number;
}

/** Whether something is there. */
export interface SwitchAsk extends AskBase {
  readonly kind: 'switch';
  readonly usual: boolean;
}

/** One of the few numbers a starter room asks. */
export type Ask = CountAsk | SwitchAsk;

export type RoomInput = z.input<typeof rigSchema>['rooms'][number];
export type DeviceInput = z.input<typeof deviceSchema>;

/** A device of a starter room, and whether its number was asked or is what such a room usually has. */
export interface StarterDevice {
  readonly device: DeviceInput;
  readonly isAsked: boolean;
}

/** A loom in the words in which it would be typed; `repeat` feeds the outputs over and over. */
export interface StarterLoom {
  readonly from: string;
  readonly to: string;
  readonly pairing?: Pairing;
}

/** A line of the first session. Gains are worked out once it runs. */
export interface StarterLine {
  readonly source: string;
  /** The lane it starts from. */
  readonly from: string;
  readonly purpose?: 'input' | 'insert' | 'print';
  readonly levelDbSpl?: number;
  readonly levelDbu?: number;
  readonly crestDb?: number;
  /** A condenser: 48 V is switched on at the preamp it comes to. */
  readonly phantom?: boolean;
  readonly inserts?: readonly string[];
  /** Stations by their role. */
  readonly pins?: Readonly<Record<string, string>>;
  readonly trackName: string;
}

/** A knob of the first scene: `device/setting/channel`. */
export type StarterKnobs = Readonly<Record<string, number | boolean>>;

/** Everything a starter room is made of. */
export interface StarterPlan {
  readonly rooms: readonly RoomInput[];
  readonly devices: readonly StarterDevice[];
  readonly looms: readonly StarterLoom[];
  readonly cords: z.input<typeof rigSchema>['cords'];
  readonly adaptors?: z.input<typeof rigSchema>['adaptors'];
  readonly lines: readonly StarterLine[];
  readonly knobs?: StarterKnobs;
  /** The analogue level of 0 dBFS at the converters, dBu: the line-up is 18 dB below. */
  readonly referenceDbu: number;
  /** The tracks of the first session, as a list pasted into the track sheet. */
  readonly tracks?: string;
  /** The host's device id. */
  readonly host: string;
}

/** A generic room that a rig is begun from. It is only a rig: everything in it can be changed. */
export interface Starter {
  readonly id: string;
  readonly name: string;
  /** Who has such a room, in a sentence. */
  readonly what: string;
  /** The name of its first session. */
  readonly session: string;
  readonly asks: readonly Ask[];
  readonly plan: (answers: Answers) => StarterPlan;
}

/** The answer to a count. */
export const count = (answers: Answers, key: string): number => Number(answers[key] ?? 0);

/** The answers as they usually are. */
export const usualAnswers = ({ asks }: Pick<Starter, 'asks'>): Answers =>
  Object.fromEntries(asks.map(({ key, usual }) => [key, usual]));
