import { saltglassRooms } from '../fixtures/thin/saltglass';
import { applyChange } from '@ft/core/edits/change';
import type { RigTableName } from '@ft/core/formats/csv/rigTables';
import { RIG_TABLE, RIG_TABLES } from '@ft/core/formats/csv/rigTables';
import { readTracksCsv } from '@ft/core/formats/csv/tracksCsv';
import { csvProblemLine } from '@ft/core/formats/csv/tableReading';
import type { Studio } from '@ft/core/session/studioSchema';
import { studioOf } from '../fixtures/studioOf';

const demo = saltglassRooms();

function taken(studio: Studio, table: RigTableName, text: string): Studio {
  const read = RIG_TABLE[table].read(text, studio.rig);
  if (!read.ok) throw new Error(read.problems.map(csvProblemLine).join('\n'));
  const result = applyChange(studio, read.edits);
  if (!result.ok) throw new Error(JSON.stringify(result.refusal));
  return result.value;
}

function problemsOf(studio: Studio, table: RigTableName, text: string): readonly string[] {
  const read = RIG_TABLE[table].read(text, studio.rig);
  return read.ok ? [] : read.problems.map(csvProblemLine);
}

describe('tables of a rig', () => {
  it.each(RIG_TABLES)('%s: what is written is read as what is there', (name) => {
    const read = RIG_TABLE[name].read(RIG_TABLE[name].write(demo.rig), demo.rig);
    expect(read.ok && read.edits).toEqual([]);
    expect(read.ok && read.lines.filter(({ change }) => change !== 'there')).toEqual([]);
  });

  it('build the rig anew from nothing: devices, then wires', () => {
    const nothing = studioOf({ stocks: [] });
    const empty: Studio = { ...nothing, rig: { ...nothing.rig, rooms: [] } };
    const devices = taken(empty, 'devices', RIG_TABLE.devices.write(demo.rig));
    const wired = taken(devices, 'wires', RIG_TABLE.wires.write(demo.rig));
    expect(
      wired.rig.devices
        .map(({ name, params }) => ({ name, params }))
        .sort((a, b) => (a.name < b.name ? -1 : 1)),
    ).toEqual(
      demo.rig.devices
        .map(({ name, params }) => ({ name, params }))
        .sort((a, b) => (a.name < b.name ? -1 : 1)),
    );
    expect(wired.rig.hardwires).toHaveLength(demo.rig.hardwires.length);
    expect(RIG_TABLE.wires.write(wired.rig).split('\r\n').sort()).toEqual(
      RIG_TABLE.wires.write(demo.rig).split('\r\n').sort(),
    );
  });
});

describe('devices from a table', () => {
  it('are pasted from a spreadsheet, with or without titles, in any order of columns', () => {
    const tabbed = 'Kind\tName\tRoom\nMic preamp\tTube preamp\tKiln\n';
    const plain = 'Tube preamp;Loft;Mic preamp;channels=2; einDbu=-129,5; phantom=no';
    expect(taken(demo, 'devices', tabbed).rig.devices.some(({ name }) => name === 'Tube preamp')).toBe(true);
    const studio = taken(
      demo,
      'devices',
      plain.replace(/; e/, ' ; e').replace('channels=2 ; ', 'channels=2'.concat(';')),
    );
    expect(studio.rig.rooms.map(({ name }) => name)).toContain('Loft');
  });

  it('stand in a rack where the table names one', () => {
    const studio = taken(demo, 'devices', 'Name,Room,Kind,Rack\nMic preamp,Batch room,Mic preamp,Left rack');
    expect(studio.rig.devices.find(({ name }) => name === 'Mic preamp')!.rack).toBe('Left rack');
    expect(RIG_TABLE.devices.write(studio.rig)).toContain('Mic preamp,Batch room,Mic preamp,,Left rack');
  });

  it('change a device of the same name', () => {
    const studio = taken(
      demo,
      'devices',
      'Name,Room,Kind,Data\r\nMic preamp,Batch room,Mic preamp,channels=6; maxGainDb=70',
    );
    const preamp = studio.rig.devices.find(({ name }) => name === 'Mic preamp')!;
    expect(preamp.params).toMatchObject({ channels: 6, maxGainDb: 70, einDbu: -128 });
  });

  it.each([
    [
      'Name,Room,Kind\nBox,Kiln,Mic preamps',
      'Line 2, column 3: There is no kind of device “Mic preamps”. Did you mean “Mic preamp”?',
    ],
    [
      'Name,Room,Kind\nBox,Kiln,Mult\nbox,Kiln,Mult',
      'Line 3, column 1: Line 2 has a device “box” already. Give each a name of its own, such as “box 2”.',
    ],
    [
      'Name,Room,Kind\nBay A,Kiln,Mult',
      'Line 2, column 3: Bay A is a patchbay here. A device does not change its kind: remove it first, or give this one another name.',
    ],
    [
      'Name,Room,Kind,Data\nBay Q,Kiln,Patchbay,"columns=96; sections=[{""columns"":""97""}]"',
      'Line 2, column 4: sections.0.columns: There is no column 97: this bay has 96 columns.',
    ],
    [
      'Name,Room,Kind,Data\nBox,Kiln,Mic preamp,chanels=4',
      'Line 2, column 4: Mic preamp has no data “chanels”. Did you mean “channels”? It is written name=value.',
    ],
    [
      'Name,Room,Kind,Data\nBox,Kiln,Mic preamp,phantom=maybe',
      'Line 2, column 4: “phantom=maybe” needs yes or no after the = sign.',
    ],
    [
      'Name,Kind\nBox,Mult',
      'Line 1, column 1: There is no column “Room”. The columns are: Name, Room, Kind, Data, Rack.',
    ],
    ['', 'Line 1, column 1: There is nothing in it. Paste or choose a table with at least one line.'],
  ])('%j is refused', (text, problem) => {
    expect(problemsOf(demo, 'devices', text)).toContain(problem);
  });
});

describe('wires from a table', () => {
  it('say in line and column which connector is unknown, and which is nearest', () => {
    const lines = Array.from(
      { length: 411 },
      (_, i) => `Converter line out ${String((i % 24) + 1)},Bay B ${String((i % 24) + 25)} upper rear`,
    );
    const unknown = [...lines.slice(0, 410), 'Converter line out 1,Bay B 99 uper rear'].join('\n');
    const problems = problemsOf(demo, 'wires', `From,To\n${unknown}`);
    expect(problems[0]).toMatch(
      /^Line 412, column 2: There is no connector “Bay B 99 uper rear”\. Did you mean “Bay B \d+ upper rear”/,
    );
  });

  it.each([
    [
      'Mic preamp mic in 1,Mic preamp mic in 2',
      'Line 1, column 1: “Mic preamp mic in 1” is an input, so both ends of this wire are inputs. A wire starts at an output; swap the two cells, or choose an output.',
    ],
    [
      'Mic preamp out 1,Mic preamp out 2',
      'Line 1, column 2: “Mic preamp out 2” is an output, so both ends of this wire are outputs. A wire ends at an input; swap the two cells, or choose an input.',
    ],
    ['Mic preamp out 1,', 'Line 1, column 2: Here a connector is needed, such as “Bay A 1 lower rear”.'],
    [
      'Mic preamp out 1,Bay B 6 upper rear\nMic preamp out 2,Bay B 6 upper rear',
      'Line 2, column 2: Line 1 feeds this input already, and an input hears one wire. Take one of the two lines out.',
    ],
  ])('%j is refused', (text, problem) => {
    expect(problemsOf(demo, 'wires', text)).toContain(problem);
  });

  it('name what a wire replaces', () => {
    const read = RIG_TABLE.wires.read('Mic preamp out 4,Bay B 1 upper rear', demo.rig);
    expect(read.ok && read.lines).toEqual([
      {
        line: 1,
        change: 'changed',
        text: 'Mic preamp out 4 → Bay B 1 upper rear, instead of Mic preamp out 1',
      },
    ]);
  });
});

describe('bay labels from a table', () => {
  it('are set, changed and taken off', () => {
    const set = taken(demo, 'labels', 'Bay,Column,Row,Label\nBay A,1,top,Booth 1\nBay A,2,lower,Pre 2');
    const bay = (studio: Studio): unknown =>
      studio.rig.devices.find(({ name }) => name === 'Bay A')!.params['labels'];
    expect(bay(set)).toEqual({ 'lower-2': 'Pre 2', 'upper-1': 'Booth 1' });
    expect(bay(taken(set, 'labels', 'Bay A,1,upper,\nBay A,2,lower,Preamp 2'))).toEqual({
      'lower-2': 'Preamp 2',
    });
    expect(RIG_TABLE.labels.write(set.rig)).toBe(
      'Bay,Column,Row,Label\r\nBay A,1,upper,Booth 1\r\nBay A,2,lower,Pre 2\r\n',
    );
  });

  it.each([
    [
      'Bay A,1,upper,Harp\nBay A,9,upper,Harp',
      'Line 2, column 4: “Harp” stands at upper 1 of Bay A already. Give each jack a label of its own.',
    ],
    ['Bay A,97,upper,Harp', 'Line 1, column 2: Bay A has no column “97”: its columns go from 1 to 24.'],
    ['Bay Z,1,upper,Harp', 'Line 1, column 1: There is no bay “Bay Z”. Did you mean “Bay A”, “Bay B”?'],
    ['Bay A,1,side,Harp', 'Line 1, column 3: “side” is not a row; write upper or lower.'],
    [
      'Bay A,1,upper,A label that is much too long',
      'Line 1, column 4: “A label that is much too long” has 29 characters; 24 fit on the strip.',
    ],
  ])('%j is refused', (text, problem) => {
    expect(problemsOf(demo, 'labels', text)).toContain(problem);
  });
});

describe('connectors from a table', () => {
  const TITLES = 'Device,Name,Direction,Medium,Connector,Lanes,Face,Impedance Ω,Maximum dBu';

  it('make a unit of one’s own', () => {
    const studio = taken(
      demo,
      'ports',
      `${TITLES}\nEcho plate,in,in,line,xlr,1,rear,10000,24\nEcho plate,out,out,line,xlr,2,rear,100,`,
    );
    const plate = studio.rig.devices.find(({ name }) => name === 'Echo plate')!;
    expect(plate.type).toBe('customUnit');
    expect(plate.params['ports']).toMatchObject([
      { key: 'in', direction: 'in', impedanceOhm: 10_000, maxDbu: 24 },
      { key: 'out', direction: 'out', lanes: 2, impedanceOhm: 100 },
    ]);
  });

  it.each([
    [
      `${TITLES}\nEcho plate,in,in,line,xrl`,
      'Line 2, column 5: There is no connector “xrl”. Did you mean “xlr”?',
    ],
    [
      `${TITLES}\nEcho plate,in,inward`,
      'Line 2, column 3: There is no direction “inward”. It is one of: in, out.',
    ],
    [`${TITLES}\nEcho plate,in,in,line,xlr,two`, 'Line 2, column 6: “two” is not a number.'],
    [
      `${TITLES}\nMic preamp,out 9,out`,
      'Line 2, column 2: Mic preamp has no such connector, and as a mic preamp its connectors follow from its data. Change the data, or make it a unit of your own.',
    ],
  ])('%j is refused', (text, problem) => {
    expect(problemsOf(demo, 'ports', text)).toContain(problem);
  });
});

describe('a name too long', () => {
  const long = 'x'.repeat(81);
  it.each<[string, RigTableName, string, RegExp]>([
    ['of a device', 'devices', `${long},Kiln,Mic preamp`, /^Line 1, column 1: .*at most 80 characters/],
    ['of a room', 'devices', `Tube preamp,${long},Mic preamp`, /^Line 1, column 2: at most 80 characters/],
    ['of a unit of one’s own', 'ports', `${long},Out,out`, /^Line 1, column 1: at most 80 characters/],
  ])('%s is refused before it is offered to be taken in', (_name, table, text, sentence) => {
    expect(problemsOf(demo, table, text)[0]).toMatch(sentence);
  });

  it.each([
    ['a track', `${long},audio`, /^Line 1, column 1: Name: at most 80 characters/],
    ['a bus', `NARR 9,audio,1,,bus ${long}`, /^Line 1, column 5: Outputs: at most 80 characters/],
  ])('of %s is refused in the preview of a track list', (_name, text, sentence) => {
    const read = readTracksCsv(text, demo.sessions[0]!);
    expect(!read.ok && csvProblemLine(read.problems[0]!)).toMatch(sentence);
  });
});

describe('a table of connectors', () => {
  it('builds each device once, however many lines are about it', () => {
    const device = demo.rig.devices.find(({ name }) => name === 'Bay A')!;
    let built = 0;
    const watched = new Proxy(device, {
      get(target, key) {
        // Only building looks at what a device was given.
        if (key === 'params') built++;
        return Reflect.get(target, key) as unknown;
      },
    });
    const rig = { ...demo.rig, devices: [watched] };
    const all = RIG_TABLE.ports.write(rig);
    const lines = all.trim().split('\r\n');
    built = 0;
    const read = RIG_TABLE.ports.read(all, rig);
    expect(read.ok && read.lines).toHaveLength(lines.length - 1);
    expect(lines.length).toBeGreaterThan(90);
    expect(built).toBeLessThan(10);
  });
});
