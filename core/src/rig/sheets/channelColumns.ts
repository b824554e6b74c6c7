import type { ChannelColumn, SheetPart } from './channelSheet';

const column = (
  part: SheetPart,
  id: string,
  title: string,
  more: Pick<ChannelColumn, 'unit' | 'hint'> = {},
): ChannelColumn => ({ id, title, part, ...more });

const DB = { unit: 'dB' } as const;

/** Sends have a column for each bus: "aux3", "cue", "matrix1", "mix2". */
const SEND = /^(aux|matrix|mix)(\d+)$/;
const SEND_TITLES: Readonly<Record<string, string>> = { aux: 'Aux', matrix: 'Matrix', mix: 'Mix' };

/** Every column but the sends, in the order a signal passes what they set. */
const BEFORE_SENDS: readonly ChannelColumn[] = [
  column('source', 'source', 'Listens to'),
  column('preamp', 'gain', 'Gain', { ...DB, hint: 'Of the amplifier in front, wherever it stands' }),
  column('preamp', 'pad', 'Pad'),
  column('preamp', 'phantom', '48 V', {
    hint: 'Mute before it is switched; never onto a ribbon or a line output',
  }),
  column('preamp', 'invert', 'Polarity'),
  column('preamp', 'reference', 'Reference', { unit: 'dBu', hint: 'Analogue level of full scale' }),
  column('processing', 'trim', 'Trim', DB),
  column('inserts', 'insert', 'Insert', { hint: 'In or out, and where it lies' }),
  column('inserts', 'effect', 'Effect in it', { hint: 'An effect of the console in the path' }),
  column('processing', 'eq', 'EQ'),
  column('processing', 'eqGain', 'EQ net', { ...DB, hint: 'What the equaliser does to the level' }),
  column('processing', 'dynamics', 'Dynamics'),
  column('processing', 'dynamicsGain', 'Dyn net', {
    ...DB,
    hint: 'Make-up less reduction, at working level',
  }),
  column('processing', 'boost', 'Boost'),
  column('sends', 'direct', 'Direct out'),
];

const AFTER_SENDS: readonly ChannelColumn[] = [
  column('sends', 'cue', 'Cue', { hint: 'The stereo cue: level, tap, pan' }),
  column('mix', 'groups', 'Groups'),
  column('mix', 'toMix', 'To mix'),
  column('mix', 'toAuxes', 'To aux 1–2'),
  column('mix', 'pan', 'Pan', { hint: '−100 is left, 100 right' }),
  column('mix', 'mono', 'Mono'),
  column('mix', 'stereo', 'Pair', { hint: 'Two auxes as left and right of one' }),
  column('mix', 'talk', 'Talkback'),
  column('mix', 'set', 'Loudspeakers'),
  column('fader', 'dim', 'Dim'),
  column('fader', 'fader', 'Fader', DB),
  column('fader', 'vca', 'VCA'),
  column('fader', 'mute', 'Mute'),
];

const KNOWN = new Map([...BEFORE_SENDS, ...AFTER_SENDS].map((each) => [each.id, each]));

function sendColumn(id: string): ChannelColumn | undefined {
  const [, bus = '', number = ''] = SEND.exec(id) ?? [];
  const title = SEND_TITLES[bus];
  return title === undefined
    ? undefined
    : column('sends', id, `${title} ${number}`, {
        hint: 'Level, then where it leaves: “-6 pre”; “off” ends it',
      });
}

const before = BEFORE_SENDS.map(({ id }) => id);
const after = AFTER_SENDS.map(({ id }) => id);

/** The columns of some ids, in the order of the sheet; sends stand in theirs. */
export function columnsOf(ids: Iterable<string>): readonly ChannelColumn[] {
  const wanted = new Set(ids);
  const sends = [...wanted].filter((id) => SEND.test(id));
  return [...before, ...sends, ...after]
    .filter((id) => wanted.has(id))
    .flatMap((id) => KNOWN.get(id) ?? sendColumn(id) ?? []);
}
