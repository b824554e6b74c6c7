import type { AddedDevices } from '@ft/core/actions/rig/addDevices';
import { addDevicesEdits } from '@ft/core/actions/rig/addDevices';
import type { GearPlan } from '@ft/core/actions/rig/gearPlan';
import { gearPlan, gearProblemLine } from '@ft/core/actions/rig/gearPlan';
import { missingCords, usualHookEdits } from '@ft/core/actions/rig/usualHook';
import { applyChange } from '@ft/core/edits/change';
import type { Edit } from '@ft/core/edits/make';
import { CATALOGUE } from '@ft/core/rig/catalogue/catalogue';
import type { RoomId } from '@ft/core/rig/ids';
import type { Device, Rig } from '@ft/core/rig/rigSchema';
import { rigCheck } from '@ft/core/rig/wiring/rigCheck';
import type { Studio } from '@ft/core/session/studioSchema';
import { GEAR_KINDS } from '@ft/core/typed/gear/gearKinds';
import { readGear } from '@ft/core/typed/gear/gearText';
import { studioOf } from '../fixtures/studioOf';

const bare: Studio = (() => {
  const studio = studioOf({});
  return { ...studio, rig: { ...studio.rig, devices: [], hardwires: [], cords: [] } };
})();
const ROOM = bare.rig.rooms[0]!.id;

function after(studio: Studio, edits: readonly Edit[]): Studio {
  const result = applyChange(studio, edits);
  if (!result.ok) throw new Error(JSON.stringify(result.refusal));
  return result.value;
}

function planned(text: string, rig: Rig = bare.rig): Extract<GearPlan, { ok: true }> {
  const plan = gearPlan(rig, text, ROOM);
  if (!plan.ok) throw new Error(plan.problems.map(gearProblemLine).join('\n'));
  return plan;
}

/** The studio after a typed list. */
const typed = (text: string, studio = bare): Studio => after(studio, planned(text, studio.rig).edits);
const device = ({ rig }: Studio, name: string): Device => rig.devices.find((each) => each.name === name)!;
const problems = (text: string): readonly string[] => {
  const plan = gearPlan(bare.rig, text, ROOM);
  return plan.ok ? [] : plan.problems.map(gearProblemLine);
};

describe('a typed list of gear', () => {
  it('is read as somebody would write it down', () => {
    const studio = typed('4 condensers, an 8-channel preamp, 48-point bay half-normalled');
    expect(studio.rig.devices.map(({ name }) => name).sort()).toEqual([
      'Condenser 1',
      'Condenser 2',
      'Condenser 3',
      'Condenser 4',
      'Mic preamp',
      'Patchbay',
    ]);
    expect(device(studio, 'Mic preamp').params).toMatchObject({ channels: 8 });
    expect(device(studio, 'Patchbay').params).toMatchObject({ columns: 24, normalling: 'half' });
  });

  it.each([
    ['a stereo equaliser', 'equaliser', { channels: 2 }],
    ['mono compressor', 'dynamics', { channels: 1 }],
    ['24×24 converter', 'converter', { adcs: 24, dacs: 24 }],
    ['16x8 converter', 'converter', { adcs: 16, dacs: 8 }],
    ['16-way summing mixer', 'summingMixer', { inputs: 16 }],
    ['96-point tt bay full normalled', 'patchbay', { columns: 48, connector: 'tt', normalling: 'full' }],
    ['bay with 48 columns, de-normalled', 'patchbay', { columns: 48 }],
    ['wall panel with 12 lines', 'wallPanel', { lines: 12 }],
    ['stagebox with 24 inputs and 8 outputs', 'stagebox', { inputs: 24, outputs: 8 }],
    [
      'interface with 4 mic inputs, 8 line inputs and 8 outputs',
      'audioInterface',
      { micInputs: 4, lineInputs: 8, lineOutputs: 8, hostStreams: 12 },
    ],
    ['32-channel digital console', 'digitalConsole', { channels: 32 }],
    ['36 channel analogue console', 'splitConsole', { channels: 36 }],
    ['Audio Interface with matrix', 'audioInterface', {}],
  ])('“%s” is a %s of that size', (text, type, params) => {
    expect(typed(text).rig.devices).toEqual([expect.objectContaining({ type })]);
    expect(typed(text).rig.devices[0]).toMatchObject({ params });
  });

  it('counts with words and figures, and takes names in quotes', () => {
    const studio = typed('two ribbons\nthree "Stage vocal" dynamics\n2 x compressors; a gate “Drum gate”');
    expect(studio.rig.devices.map(({ name }) => name).sort()).toEqual([
      'Compressor 1',
      'Compressor 2',
      'Drum gate',
      'Ribbon 1',
      'Ribbon 2',
      'Stage vocal 1',
      'Stage vocal 2',
      'Stage vocal 3',
    ]);
  });

  it('stands where its headings say, in rooms that are made where there is none', () => {
    const studio = typed('MAIN:\nrack Left:\ncompressor\nMachine room:\nconverter');
    expect(studio.rig.rooms.map(({ name }) => name)).toContain('Machine room');
    expect(device(studio, 'Compressor')).toMatchObject({ room: 'main', rack: 'Left' });
    const machine = studio.rig.rooms.find(({ name }) => name === 'Machine room')!;
    expect(device(studio, 'Converter').room).toBe(machine.id);
    expect(device(studio, 'Converter').rack).toBeUndefined();
  });

  it('wires a unit where it says it stands: out, in, and back', () => {
    const studio = typed(
      'interface with 4 inputs and 4 outputs\ncompressor on interface 1\nequaliser on interface 3-4'.replace(
        'interface 3\n',
        'interface 1\n',
      ),
    );
    const wires = studio.rig.hardwires.map(({ from, to }) => `${from} → ${to}`);
    expect(wires).toEqual(
      expect.arrayContaining([
        'interface/line-out-1/1 → compressor/in-1/1',
        'compressor/out-1/1 → interface/line-in-1/1',
        'interface/line-out-3/1 → equaliser/in-1/1',
        'interface/line-out-4/1 → equaliser/in-2/1',
        'equaliser/out-1/1 → interface/line-in-3/1',
        'equaliser/out-2/1 → interface/line-in-4/1',
      ]),
    );
    expect(studio.rig.hardwires).toHaveLength(6);
  });

  it('wires a unit behind a bay: outputs to the upper row, inputs from the lower', () => {
    const studio = typed('48-point bay "Bay"\nequaliser on bay 5-6');
    expect(studio.rig.hardwires.map(({ from, to }) => `${from} → ${to}`).sort()).toEqual([
      'bay/lower-rear-5/1 → equaliser/in-1/1',
      'bay/lower-rear-6/1 → equaliser/in-2/1',
      'equaliser/out-1/1 → bay/upper-rear-5/1',
      'equaliser/out-2/1 → bay/upper-rear-6/1',
    ]);
  });

  it('says where wires that are there make way', () => {
    const there = typed('interface with 4 inputs and 4 outputs\ncompressor on interface 1');
    const plan = planned('limiter on interface 1\nequaliser on interface 3', there.rig);
    expect(plan.lines.map(({ replaced }) => replaced)).toEqual([1, 0]);
    const { hardwires } = after(there, plan.edits).rig;
    expect(hardwires.find(({ to }) => to === 'interface/line-in-1/1')?.from).toBe('compressor-2/out-1/1');
  });

  it('joins a host with the interface of its room, stream to stream, whichever comes first', () => {
    for (const text of ['daw, interface with 8 inputs', 'interface with 8 inputs\ndaw']) {
      const plan = planned(text);
      expect(plan.streams).toBe(16);
      const { hardwires } = after(bare, plan.edits).rig;
      expect(hardwires.map(({ from, to }) => `${from} ${to}`)).toEqual(
        expect.arrayContaining([
          'interface/host-out/1 daw/stream-in/1',
          'interface/host-out/8 daw/stream-in/8',
          'daw/stream-out/8 interface/host-in/8',
        ]),
      );
    }
  });

  it('joins a second interface behind the first, and none where there are two hosts', () => {
    const studio = typed('daw\ninterface with 8 inputs\n8-channel converter');
    expect(studio.rig.hardwires.map(({ from }) => from)).toEqual(
      expect.arrayContaining(['converter/host-out/1', 'daw/stream-out/9']),
    );
    expect(studio.rig.hardwires.find(({ from }) => from === 'converter/host-out/1')?.to).toBe(
      'daw/stream-in/9',
    );
    expect(planned('2 daws\ninterface').streams).toBe(0);
  });

  it.each([
    [
      '4 condensers\ncompressor\n5 compresors',
      ['Line 3, “5 compresors”: “compresors” is no kind of device. Did you mean “compressor”'],
    ],
    ['frobnicator', ['Line 1, “frobnicator”: “frobnicator” is no kind of device.']],
    ['2 mics', ['Line 1, “2 mics”: Say which kind of microphone: condenser, dynamic or ribbon.']],
    ['a 0-channel preamp', ['at least 1']],
    ['a 7-point bay', ['a whole number of channels']],
    ['half-normalled compressor', ['“half-normalled” says nothing about a compressor']],
    ['200 condensers', ['From 1 to 100 devices at once']],
    ['compressor on desk 3', ['There is no device “desk” to wire it to.']],
    ['interface\ncompressor on interfase 3', ['Did you mean “Interface”?']],
    ['interface\nequaliser on interface 3-5', ['3']],
    ['interface\ncompressor on interface 40', ['has no number 40']],
    ['interface\n2 compressors on interface 3-4', ['say of each one by itself']],
  ])('refuses “%s” with its line and what would be meant, and makes nothing', (text, because) => {
    const told = problems(text);
    expect(told).toHaveLength(because.length);
    told.forEach((line, i) => {
      expect(line).toContain(because[i]);
    });
  });

  it('tells everything that is not understood at once', () => {
    expect(problems('foo\n2 condensers\nbar, baz')).toHaveLength(3);
  });

  it('of a thing of every kind holds together', () => {
    const studio = typed(GEAR_KINDS.map(({ name }) => name).join('\n'));
    expect(studio.rig.devices).toHaveLength(GEAR_KINDS.length);
    expect(rigCheck(studio.rig).map(({ code }) => code)).not.toContain('kinds-differ');
  });

  it('knows every kind of the catalogue but units of one’s own, by its title too', () => {
    const types = new Set(GEAR_KINDS.map(({ type }) => type));
    expect(CATALOGUE.map(({ type }) => type).filter((type) => !types.has(type))).toEqual(['customUnit']);
    for (const { type, title } of CATALOGUE) {
      if (type === 'customUnit' || type === 'microphone') continue;
      const { entries, problems: unread } = readGear(title.replace(',', ''));
      expect([title, unread, entries[0]?.type]).toEqual([title, [], type]);
    }
  });
});

const added = (...about: Parameters<typeof addDevicesEdits>): AddedDevices => {
  const reading = addDevicesEdits(...about);
  if (!reading.ok) throw new Error(reading.sentence);
  return reading.value;
};

describe('one kind of device added in the form', () => {
  const compressor = { name: 'Opto', room: ROOM, type: 'dynamics', params: {} };

  it('is wired where it says it stands', () => {
    const there = typed('interface with 4 inputs and 4 outputs');
    const { hardwires } = after(there, added(there.rig, compressor, 1, 'interface 3').edits).rig;
    expect(hardwires.map(({ from, to }) => `${from} → ${to}`).sort()).toEqual([
      'interface/line-out-3/1 → opto/in-1/1',
      'opto/out-1/1 → interface/line-in-3/1',
    ]);
  });

  it.each([
    ['interface', 1, 'Type a device and its numbers: interface 3-4.'],
    ['desk 3', 1, 'There is no device “desk” to wire it to.'],
    ['interface 3', 2, 'Add units one at a time'],
    ['interface 9', 1, 'has no number 9'],
  ])('is refused “%s” for %d in words', (on, count, because) => {
    const there = typed('interface with 4 inputs and 4 outputs');
    const reading = addDevicesEdits(there.rig, compressor, count, on);
    expect(reading.ok ? '' : reading.sentence).toContain(because);
  });

  it('is joined with the host of its room as well', () => {
    const withHost = after(
      bare,
      added(bare.rig, { name: 'DAW', room: ROOM, type: 'dawHost', params: { inputs: 8, outputs: 8 } }, 1)
        .edits,
    );
    const wanted = { name: 'Converter', room: ROOM, type: 'converter', params: { adcs: 8, dacs: 8 } };
    const joined = added(withHost.rig, wanted, 1);
    expect(joined.streams).toBe(16);
    expect(after(withHost, joined.edits).rig.hardwires).toHaveLength(16);
    const elsewhere = added(withHost.rig, { ...wanted, room: 'main' as RoomId }, 1);
    expect(elsewhere.streams).toBe(0);
  });
});

describe('a usual hook of cords', () => {
  it('is hung up with a typed list where it is wanted', () => {
    const text = '4 condensers, interface with 4 mic inputs';
    expect(planned(text).cords).toBe(0);
    const plan = gearPlan(bare.rig, text, ROOM, true);
    if (!plan.ok) throw new Error('it is understood');
    expect(plan.cords).toBe(2);
    expect(after(bare, plan.edits).rig.cords.map(({ name, count }) => [name, count])).toEqual([
      ['Mic cable', 4],
      ['Mic cable', 8],
    ]);
  });

  it('has what fits the jacks that are there, and nothing for a room without any', () => {
    expect(missingCords(bare.rig)).toEqual([]);
    const small = typed('4 condensers, interface with 4 mic inputs');
    expect(missingCords(small.rig).map(({ name, lengthM, count }) => [name, lengthM, count])).toEqual([
      ['Mic cable', 5, 8],
      ['Mic cable', 10, 4],
    ]);
    const large = typed('48-point bay, wall panel, pedal');
    expect(missingCords(large.rig).map(({ name }) => name)).toEqual([
      'Mic cable',
      'Mic cable',
      'TT cord',
      'TT cord',
      'Instrument lead',
      'Patch lead',
      'TT to XLR',
    ]);
  });

  it('is hung up in one change, and once', () => {
    const room = typed('4 condensers, interface with 4 mic inputs');
    const hung = after(room, usualHookEdits(room.rig));
    expect(hung.rig.cords.map(({ id }) => id)).toEqual(['mic-cable-10-m', 'mic-cable-5-m']);
    expect(usualHookEdits(hung.rig)).toEqual([]);
  });
});
