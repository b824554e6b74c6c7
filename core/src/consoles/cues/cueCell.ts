import type { Comes, CueColumn, CueSend } from '../../cues/cueSources';
import type { Scene } from '../../session/sessionSchema';
import type { CellReading } from '../../text/cellReading';
import { refuse, value } from '../../text/cellReading';
import { cellText } from '../cells/channelCell';
import { deskKnobs } from '../deskKnobs';
import { trackSendText } from './trackSend';

/** What one possible send says, as the console or the track itself would write it. */
export function sendText({ send }: CueSend, { cue: { carrier } }: CueColumn, scene: Scene): string {
  if (send.kind === 'desk') return cellText(send.cell, deskKnobs(send.device, scene));
  return carrier.on === 'host' ? trackSendText(send.send, carrier) : '';
}

/** A cell of the cue sheet: the send that is on, and from where where both can be had; "off", or empty for none. */
export function cueCellText(sends: readonly CueSend[], column: CueColumn, scene: Scene): string {
  const on = sends.filter(({ send }) => send.isOn);
  if (sends.length === 0) return '';
  if (on.length === 0) return 'off';
  const both = new Set(sends.map(({ comes }) => comes)).size > 1;
  return on
    .map((each) => `${sendText(each, column, scene)}${both && each.comes === 'return' ? ' return' : ''}`)
    .join(' + ');
}

/** A text for one send. */
export interface SendWish {
  readonly at: CueSend;
  readonly text: string;
}

const COMES = /\b(direct|return)\b/i;

/** Of several sends of one tap the one that is on, else the first. */
const sendFrom = (sends: readonly CueSend[], comes: Comes): CueSend | undefined =>
  sends.find((each) => each.comes === comes && each.send.isOn) ?? sends.find((each) => each.comes === comes);

/** Where a text goes that does not say from where: where it is heard now, else before the recorder. */
const usual = (sends: readonly CueSend[]): CueSend | undefined =>
  sends.find(({ send }) => send.isOn) ?? sendFrom(sends, 'direct') ?? sends[0];

/**
 * What a text in a cell of the cue sheet says of its sends. "-6 pre return" takes the source from the return of the
 * recorder and ends what came before it: only one is heard.
 * @returns a text for each send that is meant.
 */
export function readCueCell(
  sends: readonly CueSend[],
  typed: string,
  column: CueColumn,
  scene: Scene,
): CellReading<readonly SendWish[]> {
  const text = typed.trim();
  if (text === cueCellText(sends, column, scene)) return value([]);
  const named = COMES.exec(text)?.[1]?.toLowerCase() as Comes | undefined;
  const at = named === undefined ? usual(sends) : sendFrom(sends, named);
  if (at === undefined)
    return refuse(
      sends.length === 0
        ? `Nothing of it comes to the carrier of ${column.cue.name}. Bring it to a channel there first.`
        : `It does not come there ${named === 'return' ? 'from the recorder’s return' : 'before the recorder'}.`,
    );
  const isEnd = text === '' || text.toLowerCase() === 'off';
  const others = sends.filter((each) => each !== at && each.send.isOn);
  const ends = named !== undefined || isEnd ? others.map((each) => ({ at: each, text: 'off' })) : [];
  const bare = text.replace(COMES, '').trim();
  // A source that moves from one tap to the other keeps its level; one that is there already, its own.
  const heard = at.send.isOn ? at : others[0];
  const kept = heard === undefined ? '' : sendText(heard, column, scene);
  return value([...ends, { at, text: isEnd ? 'off' : bare === '' ? kept : bare }]);
}
