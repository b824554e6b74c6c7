import type { Carrier } from '../../session/cueSchema';
import type { Send, Track } from '../../session/daw/trackSchema';
import { sendSchema } from '../../session/daw/trackSchema';
import type { CellReading } from '../../text/cellReading';
import { refuse, value } from '../../text/cellReading';
import { typedNumber } from '../../text/typedNumber';
import { formatNumber } from '../../units/format';
import { panText, readPan } from '../cells/panText';

type HostCarrier = Extract<Carrier, { on: 'host' }>;

/** Whether the send of a track to a carrier can be panned: anything on a pair of outputs. */
const hasPan = ({ width }: HostCarrier): boolean => width === 2;

/** A send of a track as a cell writes it: "-6 pre L30". */
export const trackSendText = (send: Send | undefined, carrier: HostCarrier): string =>
  send === undefined
    ? 'off'
    : [
        formatNumber(send.levelDb),
        send.preFader ? 'pre' : 'post',
        hasPan(carrier) && send.pan !== 0 ? panText(send.pan) : '',
      ]
        .filter((part) => part !== '')
        .join(' ');

/** A word of a send as typed, put into it. */
function withWord(send: Send, word: string, carrier: HostCarrier): CellReading<Send> {
  if (/^(pre|post)$/i.test(word)) return value({ ...send, preFader: word.toLowerCase() === 'pre' });
  const levelDb = typedNumber(word);
  if (levelDb !== undefined) return value({ ...send, levelDb });
  if (/^[-−]\s*(∞|inf)$/i.test(word)) return value({ ...send, levelDb: -144 });
  const pan = readPan(word);
  if (pan === undefined)
    return refuse(`“${word}” says nothing about a send. Type a level, then pre or post, or off.`);
  return hasPan(carrier) ? value({ ...send, pan }) : refuse('These outputs are mono: there is no pan.');
}

/** The send as it is begun: before the fader, as a cue should be. */
function begun({ width }: Pick<Track, 'width'>, { first, width: outputs }: HostCarrier): Send {
  const isPanned = width === 1 && outputs === 2;
  return {
    destination: { to: 'host', first, ...(isPanned && { width: 2 }) },
    preFader: true,
    levelDb: 0,
    pan: 0,
  };
}

/** What a text makes of the send of a track to a carrier; null ends it. */
export function readTrackSend(
  text: string,
  track: Track,
  now: Send | undefined,
  carrier: HostCarrier,
): CellReading<Send | null> {
  const plain = text.trim();
  if (plain === '' || plain.toLowerCase() === 'off') return value(null);
  // A send as written has its pan in the centre unless it says otherwise, as on a console.
  let send: Send = { ...(now ?? begun(track, carrier)), pan: 0 };
  for (const word of plain.split(/\s+/)) {
    const read = withWord(send, word, carrier);
    if (!read.ok) return read;
    send = read.value;
  }
  const fits = sendSchema.safeParse(send);
  return fits.success
    ? value(fits.data)
    : refuse(`The send cannot be so: ${fits.error.issues[0]?.message ?? ''}.`);
}

/** The sends of a track with the one to a carrier put in its place, or taken out. */
export function withTrackSend(
  sends: readonly Send[],
  now: Send | undefined,
  send: Send | null,
): readonly Send[] {
  if (now === undefined) return send === null ? sends : [...sends, send];
  return sends.flatMap((each) => (each === now ? (send ?? []) : [each]));
}
