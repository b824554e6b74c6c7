import { hostChannels } from '../../mix/hostChannels';
import type { PlaceReasons } from '../../mix/sum/placeReasons';
import type { InputShare } from '../../mix/sum/shares';
import { TOO_MUCH } from '../../mix/sum/shares';
import type { SumDesks } from '../../consoles/mixing/deskOfSum';
import type { StemStand } from '../../mix/sum/sumStand';
import type { ThreadId, TrackId } from '../../rig/ids';
import type { WorkedScene } from '../../scene/workedScene';
import type { School, Sound } from '../../session/sumSchema';
import type { DeskTexts } from './desk/deskTexts';
import { deskTexts } from './desk/deskTexts';
import { driveAt } from './driveAt';
import { inputsText } from '../../typed/sum/placeText';
import { levelText } from '../../typed/track/faderText';
import { formatDb, formatSamples } from '../../units/format';
import { placeReasonText } from '../../words/mix/placeSentence';

/** One line of the summing sheet. */
export interface StemRow extends DeskTexts {
  readonly track: TrackId;
  readonly name: string;
  readonly sides: number;
  readonly sound: Sound;
  readonly place: string;
  readonly isTyped: boolean;
  readonly reason: string;
  readonly points?: number;
  /** Numbers of the host, and the converter outputs behind them. */
  readonly output: string;
  readonly converter: string;
  /** At the hardest driven of its inputs. */
  readonly level: string;
  readonly room: string;
  readonly isOver: boolean;
  /** Of the energy of the sum, with whoever shares the place. */
  readonly share: string;
  readonly underSum: string;
  readonly without: string;
  readonly isTooMuch: boolean;
  readonly fader: string;
  /** How far the fader lies from unity, dB. */
  readonly faderOffDb: number;
  /** From the output of the host to the inputs of the print track, samples. */
  readonly offset: string;
  readonly trouble: string;
  readonly thread?: ThreadId;
}

function shareTexts(
  own: readonly InputShare[],
): Pick<StemRow, 'share' | 'underSum' | 'without' | 'isTooMuch'> {
  const share = own.reduce((sum, each) => sum + each.share, 0);
  if (own.length === 0) return { share: '', underSum: '', without: '', isTooMuch: false };
  return {
    share: `${(share * 100).toFixed(1)} %`,
    underSum: formatDb(10 * Math.log10(share)),
    without: share > 0.999_999 ? 'all of it' : formatDb(-10 * Math.log10(1 - share)),
    isTooMuch: share > TOO_MUCH,
  };
}

/** Samples from an output of the host over the sum to where it is printed; undefined where it does not come there. */
function offsetOf(
  { threads }: WorkedScene,
  { lines }: StemStand,
  printed: number | undefined,
): number | undefined {
  const [line] = lines;
  if (line?.complete !== true || printed === undefined) return undefined;
  const own = threads.find(({ thread }) => thread.id === line.thread.id);
  return own === undefined
    ? undefined
    : own.path.reduce((sum, { delaySamples }) => sum + delaySamples, 0) + printed;
}

function troubleOf(stand: StemStand): string {
  const { stem, track, outputs, inputs, lines } = stand;
  if (stem.inputs === undefined) return 'has no place: place it, or say where';
  if (inputs.length !== stem.inputs.length) return `the mixers have no input ${inputsText(stem.inputs)}`;
  if (outputs.length !== inputs.length)
    return `${track.name} goes to ${outputs.length === 0 ? 'no output' : 'another number of outputs'}: place it again`;
  if (lines.length < inputs.length) return 'no line brings it there: place it again';
  return lines.every(({ complete }) => complete) ? '' : 'its line does not run: look at its strip';
}

function converterText(context: WorkedScene, outputs: readonly number[]): string {
  const channels = hostChannels(context);
  const names = outputs.flatMap((number) => {
    const end = channels.find((each) => each.number === number)?.dacs.find(({ turns }) => !turns);
    return context.graph.lanes[end?.lane ?? -1]?.name ?? [];
  });
  const [first, last] = [names[0] ?? '', names.at(-1) ?? ''];
  return names.length < 2 ? first : `${first}–${/\d+$/.exec(last)?.[0] ?? last}`;
}

/** What of a sum is worked out once for all its stems. */
export interface OfSum {
  readonly school: School;
  readonly desks: SumDesks;
  readonly reasons: PlaceReasons;
  readonly shares: readonly InputShare[];
  /** From the outputs of the sum to the host, samples; undefined where it is not printed. */
  readonly printed: number | undefined;
}

/** The line of a stem: where it stands and why, how hard it drives, how much it takes. */
export function stemRow(
  context: WorkedScene,
  stand: StemStand,
  { school, desks, reasons, shares, printed }: OfSum,
): StemRow {
  const { stem, track, outputs, lines } = stand;
  const nameOf = (id: string): string => context.session.tracks.find((each) => each.id === id)?.name ?? id;
  const reason = reasons.stems.find((each) => each.track === track.id);
  const offset = offsetOf(context, stand, printed);
  return {
    ...{ track: track.id, name: track.name, sides: track.width, sound: stem.sound },
    ...{ place: inputsText(stem.inputs ?? []), isTyped: stem.isTyped === true },
    reason: placeReasonText(stem, reason, school, nameOf),
    ...(reason?.points !== undefined && { points: reason.points }),
    ...{ output: inputsText(outputs), converter: converterText(context, outputs) },
    ...driveAt(
      context,
      stand.inputs.map(({ lane }) => lane),
    ),
    ...deskTexts(context, desks.pointsOf(stand.inputs), outputs),
    ...shareTexts(shares.filter(({ input }) => stem.inputs?.includes(input) === true)),
    ...{ fader: levelText(track.faderDb), faderOffDb: track.faderDb, trouble: troubleOf(stand) },
    offset: offset === undefined ? '' : formatSamples(offset),
    ...(lines[0] && { thread: lines[0].thread.id }),
  };
}
