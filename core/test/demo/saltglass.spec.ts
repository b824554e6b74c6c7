import { saltglassRooms, SALTGLASS_PLACE } from '@ft/demo/saltglass';
import { runChecks } from '@ft/core/checks/runChecks';
import { readBundle, writeBundle } from '@ft/core/formats/bundle';
import { RIG_TABLE, RIG_TABLES } from '@ft/core/formats/csv/rigTables';
import { readTracksCsv, tracksCsv } from '@ft/core/formats/csv/tracksCsv';
import { baysView } from '@ft/core/views/bay/bayView';
import { planOf } from '@ft/core/views/plan';
import { stripOf } from '@ft/core/views/strip/strip';
import { buildDevice, settingsOf } from '@ft/core/rig/buildDevice';
import type { Device } from '@ft/core/rig/rigSchema';
import { settingKeyOf } from '@ft/core/rig/settings';
import { integrityProblems } from '@ft/core/session/integrity';
import { rigBreaks } from '@ft/core/session/rigBreaks';
import { rigCheck } from '@ft/core/rig/wiring/rigCheck';
import { DEMO_BUNDLE } from '../fixtures/builtDemo';
import { contextOf, firstScene } from '../fixtures/studioOf';

const demo = saltglassRooms();
const context = contextOf(demo);
const ofType = (type: string): readonly Device[] => demo.rig.devices.filter((device) => device.type === type);

describe('Saltglass Rooms', () => {
  // What ships was built by another process: the demo is the same each time.
  it('ships as it is built from its lists', () => {
    expect(DEMO_BUNDLE).toBe(writeBundle(demo));
  });

  it('is a real facility', () => {
    expect(demo.rig.rooms.map(({ name }) => name).sort()).toEqual(['Annealing booth', 'Batch room', 'Kiln']);
    expect(ofType('patchbay').map(({ params }) => params['columns'])).toEqual([48, 48, 48, 48, 48, 48]);
    expect(ofType('splitConsole')[0]!.params['channels']).toBe(36);
    expect(ofType('digitalConsole')[0]!.params['channels']).toBe(32);
    expect(ofType('stagebox')[0]!.room).toBe('kiln');
    expect(ofType('converter')[0]!.params).toMatchObject({ adcs: 24, dacs: 24 });
    expect(ofType('opticalPreamp')[0]!.params['channels']).toBe(8);
    expect(ofType('summingMixer')[0]!.params['inputs']).toBe(16);
    expect(ofType('pedal')).toHaveLength(4);
    expect(ofType('headphoneBox')).toHaveLength(4);
    for (const type of ['reampBox', 'diBox', 'monitorController']) expect(ofType(type)).toHaveLength(1);
    const outboard = ['dynamics', 'equaliser', 'effectUnit'].flatMap(ofType);
    expect(outboard).toHaveLength(16);
    expect(outboard.filter(({ params }) => params['keyInput'] === true)).toHaveLength(2);
  });

  it('holds together, and asks nothing of the rig that is not there', () => {
    expect(integrityProblems(demo)).toEqual([]);
    expect(rigBreaks(demo)).toEqual([]);
  });

  it('is wired as it should be: no input fed twice, no kinds mixed, no label twice', () => {
    const notes = rigCheck(demo.rig).filter(({ code }) => code !== 'unwired');
    expect(notes).toEqual([]);
  });

  it('has exactly the findings it is meant to show', () => {
    const { findings, failedRules } = runChecks(context);
    expect(failedRules).toEqual([]);
    expect(findings.map(({ key }) => key).sort()).toEqual([
      'cue-delay performer:imke-tarrow thread:line-1 device:narrator-headphones',
      'dead-end track:print lane:daw/input/23',
      'insert-uncompensated track:crush',
      'low-into-converter thread:line-3 lane:24-24-converter/line-in-1/3',
      'over-max-input thread:line-2 lane:24-24-converter/line-in-1/2',
      'parallel-comb track:lamp lane:daw/bus-dialogue/1',
      'phantom-on-jack-bay thread:line-4 station:mic-preamp/channel-4 cord:line-4-c2',
    ]);
  });

  it('routes every line of its input list', () => {
    const { session, scene } = firstScene(demo);
    const { rows } = planOf(demo.rig, session, scene).plan;
    expect(rows).toHaveLength(13);
    expect(new Set(rows.map(({ status }) => status))).toEqual(new Set(['routed']));
  });

  it('is the same after a bundle', () => {
    const reading = readBundle(writeBundle(demo));
    expect(reading.ok && reading.studio).toEqual(demo);
    expect(reading.ok && reading.breaks).toEqual([]);
  });

  it.each(RIG_TABLES)('is the same after its table of %s', (name) => {
    const read = RIG_TABLE[name].read(RIG_TABLE[name].write(demo.rig), demo.rig);
    expect(read.ok && read.edits).toEqual([]);
  });

  it('is the same after its track list', () => {
    const { session } = firstScene(demo);
    const read = readTracksCsv(tracksCsv(session), session);
    expect(read.ok ? read.edits : read.problems).toEqual([]);
  });

  it('shows on bay E four mults of one in and three out', () => {
    const bay = baysView(context).bays.find(({ name }) => name === 'Bay E')!;
    const mults = bay.columns.filter(({ normalling }) => normalling === 'parallel');
    expect(mults.map(({ number }) => number)).toEqual([41, 42, 43, 44]);
    for (const { upper, lower, closed } of mults)
      expect([upper.direction, lower.direction, closed]).toEqual(['in', 'out', true]);
  });

  it('plays host output 33 from line output 1 of the cue interface', () => {
    const strip = stripOf(context, { kind: 'lane', id: 'daw/output/33' as never })!;
    const names = strip.hops.map(({ laneName }) => laneName);
    expect(names).toEqual(
      expect.arrayContaining([
        'DAW output 33',
        'Cue interface from host 9',
        'Cue interface line out 1',
        'Cue box 1 link in 1',
      ]),
    );
    const played = strip.hops.find(({ laneName }) => laneName === 'Cue interface converted out 1')!;
    expect(played.kind).toBe('crosspoint');
    // The matrix that chose it can be turned at that hop: position 9 is host stream 9.
    const knob = played.settings.find(({ spec }) => spec.setting === 'lineOutSource')!;
    expect(knob.value).toBe(9);
    expect(knob.spec.names![9]).toBe('host 9');
  });

  it('lies under the place it opens at', () => {
    const { session, scene } = firstScene(demo);
    expect(SALTGLASS_PLACE).toEqual({ session: session.id, scene: scene.id });
  });
});

describe('every device of the demo', () => {
  it.each(demo.rig.devices.map((device) => [device.name, device] as const))(
    '%s builds alike whatever its knobs: they move routes, never connectors',
    (_name, device) => {
      const plain = buildDevice(device, {});
      const turned = Object.fromEntries(
        settingsOf(device).map(({ setting, initial, range }) => [
          settingKeyOf(device.id, setting, 1),
          typeof initial === 'boolean' ? !initial : (range?.positions?.at(-1) ?? range!.max),
        ]),
      );
      const faces = (ports: typeof plain.ports): unknown =>
        ports.map(({ key, direction, lanes, connector, face }) => [key, direction, lanes, connector, face]);
      expect(faces(buildDevice(device, turned).ports)).toEqual(faces(plain.ports));
    },
  );
});
