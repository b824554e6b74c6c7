import type { EarField } from '@ft/core/actions/cues/earCell';
import { earCells } from '@ft/core/actions/cues/earCell';
import type { CueId, DeviceId } from '@ft/core/rig/ids';
import type { EarView } from '@ft/core/views/cues/earView';
import { cuesAt, sheetAt, then } from '../fixtures/cuePlace';
import { CUE_EXAMPLES } from '../checks/examples/cues';
import { CUE, cueStudio } from '../fixtures/cueStudio';

const it0 = cuesAt(CUE_EXAMPLES['open-headphones'].trips);

const enter = (headphones: string, field: EarField, text: string, it = it0) =>
  earCells(it, [{ cue: 'narrator' as CueId, headphones: headphones as DeviceId, field, text }]);
const ear = (it: typeof it0, headphones: string): EarView =>
  sheetAt(it).ears.find((each) => each.headphones === headphones)!;
const after = (headphones: string, field: EarField, text: string, it = it0): EarView =>
  ear(then(it, enter(headphones, field, text, it).edits), headphones);

describe('a cell of the list of ears', () => {
  it('turns the volume at the box; emptied, it goes down', () => {
    expect(after('spare', 'volume', '-12').volume).toMatchObject({ valueDb: [-12, -12], isDown: false });
    expect(after('spare', 'volume', '').volume).toMatchObject({ isDown: true });
  });

  it('turns left and right apart where the box has a knob for each', () => {
    const box = cuesAt(
      cueStudio({
        devices: [
          { id: 'box', type: 'headphoneJunction', params: {} },
          { id: 'second', type: 'headphones', params: {} },
        ],
        wires: [1, 2].flatMap((side) => [
          [`amp/phones-2/${String(side)}`, `box/in/${String(side)}`] as const,
          [`box/phones-1/${String(side)}`, `second/in/${String(side)}`] as const,
        ]),
        session: { cues: [{ ...CUE, headphones: [{ id: 'second' }] }] },
      }),
    );
    expect(after('second', 'volume', '-20 / -22', box).volume!.valueDb).toEqual([-20, -22]);
    expect(after('second', 'volume', '-18', box).volume!.valueDb).toEqual([-18, -18]);
  });

  it('says who wears a pair, and that nobody does', () => {
    const given = then(it0, enter('spare', 'who', 'imke tarrow').edits);
    expect([ear(given, 'spare').performerName, ear(given, 'phones').performerName]).toEqual([
      'Imke Tarrow',
      '',
    ]);
    expect(ear(given, 'phones').isLying).toBe(true);
    expect(after('phones', 'who', 'nobody').performerName).toBe('');
  });

  it('takes a pair off a head, and puts it back', () => {
    const off = then(it0, enter('phones', 'worn', 'off').edits);
    expect(ear(off, 'phones').isLying).toBe(true);
    expect(after('phones', 'worn', 'on', off).isLying).toBe(false);
  });

  it('takes what is assumed of the spill, and goes back to what is usual', () => {
    const said = then(it0, enter('spare', 'distance', '3').edits);
    expect(ear(said, 'spare').spill).toMatchObject({ distanceM: 3, said: ['distance'] });
    expect(after('spare', 'distance', '', said).spill).toMatchObject({ distanceM: 1.5, said: [] });
    expect(after('spare', 'loss', '12').spill!.lossDb).toBe(12);
    expect(after('phones', 'loss', '25').spill!.lossDb).toBe(25);
    expect(after('spare', 'microphone', 'mic').spill).toMatchObject({
      microphone: 'mic',
      said: ['microphone'],
    });
  });

  it('takes hours and the distance of the ears', () => {
    expect(after('phones', 'hours', '6').hours).toBe(6);
    expect(after('phones', 'earDistance', '0.4').earDistanceM).toBe(0.4);
  });

  it.each<[string, EarField, string, RegExp]>([
    ['spare', 'volume', '+40', /−80|-80|0/],
    ['spare', 'volume', '-20 / -22', /One knob turns both sides/],
    ['spare', 'volume', '-20 / -22 / -24', /left \/ right/],
    ['spare', 'who', 'Nobody Known', /Take a name of the input list/],
    ['spare', 'worn', 'on', /Say who does first/],
    ['spare', 'hours', '4', /Say who does first/],
    ['phones', 'hours', '30', /24 hours/],
    ['spare', 'distance', 'far', /not a number/],
    ['spare', 'distance', '900', /0.05 to 50 m/],
    ['spare', 'microphone', 'Gone', /No microphone called/],
    ['gone', 'volume', '-10', /on no such cue/],
  ])('refuses %s %s %s and changes nothing', (headphones, field, text, sentence) => {
    const { edits, refused } = enter(headphones, field, text);
    expect(edits).toEqual([]);
    expect(refused[0]!.sentence).toMatch(sentence);
  });
});
