import { OUTBOARD_UNITS } from './bays';

type Loom = readonly [from: string, to: string];

const UNIT_NAMES = [
  'Transistor compressor A',
  'Transistor compressor B',
  'Bus compressor',
  'Ducker',
  'Valve equaliser',
  'Passive equaliser',
  'Four-band equaliser',
  'De-esser',
] as const;

const LETTERS = ['A', 'B', 'C', 'D'] as const;

/** Outboard behind bay C: outputs behind the upper row, inputs behind the lower. */
function outboardLooms(): readonly Loom[] {
  let column = 0;
  return OUTBOARD_UNITS.flatMap(({ channels }, i) =>
    LETTERS.slice(0, channels).flatMap((letter): readonly Loom[] => {
      column += 1;
      const at = String(column);
      const suffix = channels === 1 ? '' : ` ${letter}`;
      const name = UNIT_NAMES[i] ?? '';
      return [
        [`${name} out${suffix}`, `Bay C ${at} upper`],
        [`Bay C ${at} lower`, `${name} in${suffix}`],
      ];
    }),
  );
}

const SIDES = ['left', 'right'] as const;

/** What hangs on each output of the junction boxes, and the fourth that the third leads on to. */
export const JUNCTIONS = [
  ['Lamplighter', 'Ferry keeper'],
  ['Foley left', 'Foley right'],
  ['Vibraphone', 'Bass clarinet', 'Harmonium', 'Frame drums'],
  ['Spare 1', 'Spare 2'],
  ['Rostrum'],
] as const;

/** From the cue amplifiers over lines with left and right on one XLR to the junction boxes, and on to each pair. */
function phonesLooms(): readonly Loom[] {
  const stereo = (from: string, to: string): readonly Loom[] =>
    SIDES.map((side) => [`${from} ${side}`, `${to} ${side}`]);
  const boxes = ['A', 'B', 'C'].flatMap((letter, i) => {
    const n = String(i + 1);
    return [
      ...stereo(`Cue amplifier ${letter} phones 1`, `Kiln panel cue return ${n} rear`),
      ...stereo(`Kiln panel cue return ${n}`, `Kiln junction ${n} in`),
    ];
  });
  const pairs = JUNCTIONS.flatMap((names, i) =>
    names.flatMap((name, k) =>
      stereo(`Kiln junction ${String(i + 1)} phones ${String(k + 1)}`, `${name} headphones`),
    ),
  );
  return [
    ...boxes,
    ...stereo('Kiln junction 3 through', 'Kiln junction 4 in'),
    ...stereo('Cue amplifier D phones 1', 'Kiln panel cue return 4 rear'),
    ...stereo('Kiln panel cue return 4', 'Kiln junction 5 in'),
    ...pairs,
  ];
}

/** Every loom of the house, in the words in which it would be typed. */
export const LOOMS: readonly Loom[] = [
  // Microphone lines: booth 1 and 2 and Kiln 1 and 2 stand over the four preamps.
  ['Booth panel line 1-8', 'Bay A 1-8 upper'],
  ['Kiln panel line 1-16', 'Bay A 9-24 upper'],
  ['Bay A 1-2 lower', 'Mic preamp mic in 1-2'],
  ['Bay A 9-10 lower', 'Mic preamp mic in 3-4'],
  ['Bay A 17-48 lower', 'Split console mic in 1-32'],
  // The Kiln's floor box leads to the optical preamp, which stands in the Kiln.
  ['Floor box line 1-8', 'Optical preamp mic in 1-8'],
  ['Optical preamp optical out 1-8', 'Cue interface optical in 1-8'],
  // Line level: preamps over converter inputs, converter outputs over the opto and the summing mixer.
  ['Mic preamp out 1-4', 'Bay B 1-4 upper'],
  ['Opto compressor out', 'Bay B 5 upper'],
  ['Bay B 1-24 lower', '24×24 converter line in 1-24'],
  ['24×24 converter line out 1-24', 'Bay B 25-48 upper'],
  ['Bay B 25 lower', 'Opto compressor in'],
  ['Bay B 33-48 lower', '16-way summing mixer in 1-16'],
  ...outboardLooms(),
  ['Bay C 17 lower', 'Bus compressor key in A'],
  ['Bay C 18 lower', 'Bus compressor key in B'],
  ['Bay C 19 lower', 'Ducker key in A'],
  ['Bay C 20 lower', 'Ducker key in B'],
  ['Bay C 21-22 lower', 'Re-amp box in 1-2'],
  ['Bay C 25 lower', 'Long plate in A'],
  ['Bay C 26 lower', 'Spring tank in A'],
  ['Bay C 27 lower', 'Hall reverb in A'],
  ['Bay C 28 lower', 'Hall reverb in B'],
  ['Bay C 29 lower', 'Tape delay in A'],
  ['Bay C 30 lower', 'Pitch doubler in A'],
  ['Bay C 31 lower', 'Pitch doubler in B'],
  ...['Long plate', 'Spring tank', 'Hall reverb', 'Tape delay', 'Pitch doubler'].flatMap(
    (unit, i): readonly Loom[] => [
      [`${unit} out A`, `Bay C ${String(25 + 2 * i)} upper`],
      [`${unit} out B`, `Bay C ${String(26 + 2 * i)} upper`],
    ],
  ),
  // Pedals stand in loops behind the re-amp box, and come back through the DI to the mic lines.
  ['Re-amp box isolated out 1', 'Pedal loops in'],
  ['Pedal loops send 1', 'Fuzz pedal in'],
  ['Fuzz pedal out', 'Pedal loops return 1'],
  ['Pedal loops send 2', 'Tremolo pedal in'],
  ['Tremolo pedal out', 'Pedal loops return 2'],
  ['Pedal loops send 3', 'Echo pedal in A'],
  ['Echo pedal out A', 'Pedal loops return 3'],
  ['Pedal loops send 4', 'Phaser pedal in A'],
  ['Phaser pedal out A', 'Pedal loops return 4'],
  ['Pedal loops out', 'DI box in 1'],
  ['DI box out 1-2', 'Bay A 25-26 upper'],
  // The loops of the print stand by themselves on bay F.
  ['Bay F 41 lower', 'Mix loops in left'],
  ['Bay F 42 lower', 'Mix loops in right'],
  ['Mix loops out left', 'Bay F 43 upper'],
  ['Mix loops out right', 'Bay F 44 upper'],
  ...(['Mix equaliser', 'Mix compressor'] as const).flatMap((unit, i): readonly Loom[] =>
    (['left', 'right'] as const).flatMap((side, k): readonly Loom[] => [
      [`Mix loops send ${String(i + 1)} ${side}`, `${unit} in ${'AB'.charAt(k)}`],
      [`${unit} out ${'AB'.charAt(k)}`, `Mix loops return ${String(i + 1)} ${side}`],
    ]),
  ),
  // Console inserts, groups and mix.
  ['Split console insert send 1-36', 'Bay D 1-36 upper'],
  ['Bay D 1-36 lower', 'Split console insert return 1-36'],
  ['Split console group out 1-8', 'Bay D 37-44 upper'],
  ['Split console mix insert send left', 'Bay D 45 upper'],
  ['Split console mix insert send right', 'Bay D 46 upper'],
  ['Bay D 45 lower', 'Split console mix insert return left'],
  ['Bay D 46 lower', 'Split console mix insert return right'],
  ['Split console mix out left', 'Bay D 47 upper'],
  ['Split console mix out right', 'Bay D 48 upper'],
  ['Split console group insert send 1-4', 'Bay E 37-40 upper'],
  ['Bay E 37-40 lower', 'Split console group insert return 1-4'],
  ['Split console group insert send 5-8', 'Bay E 45-48 upper'],
  ['Bay E 45-48 lower', 'Split console group insert return 5-8'],
  ['Split console direct out 1-36', 'Bay E 1-36 upper'],
  ['Bay E 1-36 lower', 'Split console line in 1-36'],
  // Cues and monitoring.
  ['Split console aux out 1-6', 'Bay F 1-6 upper'],
  ['Bay F 1-4 lower', 'Booth panel return 1-4'],
  ['Kiln desk line out 1-8', 'Bay F 9-16 upper'],
  ['Bay F 9-16 lower', 'Kiln panel return 1-8'],
  ['16-way summing mixer out left', 'Bay F 17 upper'],
  ['16-way summing mixer out right', 'Bay F 18 upper'],
  ['Reference player out left', 'Bay F 19 upper'],
  ['Reference player out right', 'Bay F 20 upper'],
  ['Talkback microphone out', 'Bay F 21 upper'],
  ['Bay F 21 lower', 'Split console talkback in'],
  ['Bay F 22 lower', 'Kiln desk talkback in'],
  ['Split console cue out left', 'Bay F 7 upper'],
  ['Split console cue out right', 'Bay F 8 upper'],
  ...['A', 'B', 'C', 'D'].flatMap((letter, i): readonly Loom[] => [
    [`Bay F ${String(23 + 2 * i)} lower`, `Cue amplifier ${letter} in left`],
    [`Bay F ${String(24 + 2 * i)} lower`, `Cue amplifier ${letter} in right`],
  ]),
  ...phonesLooms(),
  ['Click player out left', 'Bay F 31 upper'],
  ['Click player out right', 'Click pad in 1'],
  ['Bay F 17 lower', 'Monitor controller source 2 left'],
  ['Bay F 18 lower', 'Monitor controller source 2 right'],
  ['Bay F 19 lower', 'Monitor controller source 3 left'],
  ['Bay F 20 lower', 'Monitor controller source 3 right'],
  ['Split console speakers 1 left', 'Monitor controller source 1 left'],
  ['Split console speakers 1 right', 'Monitor controller source 1 right'],
  ['Monitor controller speakers 1 left', 'Monitor amplifier in 1'],
  ['Monitor controller speakers 1 right', 'Monitor amplifier in 2'],
  ['Monitor amplifier out 1', 'Large monitors left in'],
  ['Monitor amplifier out 2', 'Large monitors right in'],
  ['Monitor controller speakers 2 left', 'Small monitor left in'],
  ['Monitor controller speakers 2 right', 'Small monitor right in'],
  ['Cue interface line out 1-8', 'Cue box 1 link in 1-8'],
  ['Cue box 1 link out 1-8', 'Cue box 2 link in 1-8'],
  ['Cue box 2 link out 1-8', 'Cue box 3 link in 1-8'],
  ['Cue box 3 link out 1-8', 'Cue box 4 link in 1-8'],
  ...['Narrator', 'Foley', 'Harp', 'Conductor'].flatMap((who, i): readonly Loom[] =>
    ['left', 'right'].map((side) => [`Cue box ${String(i + 1)} phones ${side}`, `${who} headphones ${side}`]),
  ),
  // The computer and the digital links.
  ['24×24 converter to host 1-24', 'DAW stream in 1-24'],
  ['Cue interface to host 1-16', 'DAW stream in 25-40'],
  ['DAW stream out 1-24', '24×24 converter from host 1-24'],
  ['DAW stream out 25-40', 'Cue interface from host 1-16'],
  ['Kiln stagebox madi out 1-64', 'Kiln desk card in 1 1-64'],
  ['Kiln desk card out 1 1-64', 'Kiln stagebox madi in 1-64'],
  ['Kiln desk card out 2 1-64', 'Kiln recorder madi in 1-64'],
  ['Kiln recorder madi out 1-64', 'Kiln desk card in 2 1-64'],
  // One clock for everything digital, and timecode for automation.
  ['House clock clock out 1', '24×24 converter clock in'],
  ['House clock clock out 2', 'Optical preamp clock in'],
  ['House clock clock out 3', 'Cue interface clock in'],
  ['House clock clock out 4', 'Kiln desk clock in'],
  ['Timecode clock timecode out 1', 'DAW timecode in'],
  ['Timecode clock timecode out 2', 'Split console timecode in'],
];
