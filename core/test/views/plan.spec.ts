import type { PinRole } from '@ft/core/rig/deviceModel';
import { fieldRead } from '@ft/core/edits/make';
import { SALTGLASS_PLACE, saltglassRooms } from '../fixtures/thin/saltglass';
import { applyChange } from '@ft/core/edits/change';
import type { EditJson } from '@ft/core/edits/editKind';
import { findPlaces } from '@ft/core/views/find';
import { patchList } from '@ft/core/views/bay/patchList';
import type { PlanRow } from '@ft/core/views/plan';
import { planOf } from '@ft/core/views/plan';
import { removeDevicesEdits } from '@ft/core/actions/rig/rigEdits';
import { wireEnds, wireLines } from '@ft/core/views/rig/rigView';
import {
  addThreadEdits,
  changeThreadEdits,
  removeThreadEdits,
  routeEdits,
} from '@ft/core/actions/track/threadEdits';
import type { Cord, Thread } from '@ft/core/session/sessionSchema';
import { threadSchema } from '@ft/core/session/sessionSchema';
import type { Studio } from '@ft/core/session/studioSchema';
import { contextOf, firstScene } from '../fixtures/studioOf';

const demo = saltglassRooms();

const edited = (edits: readonly EditJson[], studio: Studio = demo): Studio => {
  const result = applyChange(studio, edits);
  if (!result.ok) throw new Error(JSON.stringify(result.refusal));
  return result.value;
};

function rowsOf(studio: Studio): readonly PlanRow[] {
  const { session, scene } = firstScene(studio);
  return planOf(studio.rig, session, scene, studio.floor).plan.rows;
}
const row = (studio: Studio, id: string): PlanRow => rowsOf(studio).find(({ thread }) => thread.id === id)!;
const pin = (id: string, role: PinRole, station: string | null, was: string | null): readonly EditJson[] =>
  changeThreadEdits(
    demo,
    SALTGLASS_PLACE,
    id as Thread['id'],
    fieldRead('thread', `pins.${role}`, station, was),
  );

describe('the input list', () => {
  it('fills every cell of the narrator’s line', () => {
    const { cells, inserts, settings, status, cordCount } = row(demo, 'line-1');
    expect(Object.fromEntries(Object.entries(cells).map(([role, cell]) => [role, cell.name]))).toEqual({
      'room-jack': 'Booth panel line 1',
      preamp: 'Mic preamp 1',
      converter: 'Converter in 5',
      'daw-input': 'DAW input 5',
    });
    expect(inserts.map(({ name }) => name)).toEqual(['Opto compressor']);
    expect([settings.gainDb?.value, settings.phantom?.value]).toEqual([44, true]);
    expect([status, cordCount]).toEqual(['routed', 2]);
  });

  it('calls a DAW input by its number, as long as there is one host', () => {
    const host = demo.rig.devices.find(({ type }) => type === 'dawHost')!;
    const second = { ...host, id: 'second-host', name: 'Second host' };
    const withTwo = edited([{ type: 'device.add', item: second }]);
    expect(row(demo, 'line-1').cells['daw-input']).toMatchObject({ brief: '5', name: 'DAW input 5' });
    expect(row(withTwo, 'line-1').cells['daw-input']!.brief).toBeUndefined();
    expect(row(demo, 'line-1').cells.converter!.brief).toBeUndefined();
  });

  it('tells pins from what the router chose', () => {
    expect(row(demo, 'line-4').cells['room-jack']).toMatchObject({ pinned: true, passed: true });
    expect(row(demo, 'line-4').cells.preamp).toMatchObject({ pinned: false });
  });

  it('is patched once every cord of a line is plugged, and routed until then', () => {
    const { cords } = firstScene(demo).scene;
    const own = cords.filter((cord) => cord.thread === 'line-1');
    const plug = ({ from, to, stock }: Cord): EditJson => ({
      type: 'plug.add',
      item: { id: from, to, stock },
    });
    expect(row(edited([plug(own[0]!)]), 'line-1').status).toBe('routed');
    expect(row(edited(own.map(plug)), 'line-1').status).toBe('patched');
  });

  it('is planned where a way is free but not taken, broken where none is', () => {
    const pulled = edited(
      firstScene(demo)
        .scene.cords.filter((cord) => cord.thread === 'line-2')
        .map((cord): EditJson => ({ type: 'cord.remove', ...SALTGLASS_PLACE, id: cord.id })),
    );
    expect(row(pulled, 'line-2').status).toBe('planned');
    const noCords = edited(
      pulled.rig.cords.map((stock): EditJson => ({
        type: 'stock.set',
        id: stock.id,
        field: 'count',
        value: 0,
        was: stock.count,
      })),
      pulled,
    );
    expect(row(noCords, 'line-2').status).toBe('broken');
  });
});

describe('changing a thread', () => {
  it('pins a preamp and moves the line there, gain and 48 V with it', () => {
    const without4 = edited(removeThreadEdits(demo, SALTGLASS_PLACE, 'line-4' as Thread['id']));
    const edits = changeThreadEdits(
      without4,
      SALTGLASS_PLACE,
      'line-1' as Thread['id'],
      fieldRead('thread', 'pins.preamp', 'preamp/channel-4', null),
    );
    const moved = row(edited(edits, without4), 'line-1');
    expect(moved.cells.preamp).toMatchObject({ name: 'Mic preamp 4', pinned: true, passed: true });
    expect([moved.settings.gainDb?.value, moved.settings.phantom?.value]).toEqual([44, true]);
  });

  it('keeps a pin that cannot be met, and says so', () => {
    // Both lines are pinned to one preamp: no routing can meet that.
    const id = 'line-1' as Thread['id'];
    const first = edited(pin('line-4', 'preamp', 'preamp/channel-4', null));
    const second = changeThreadEdits(
      first,
      SALTGLASS_PLACE,
      id,
      fieldRead('thread', 'pins.preamp', 'preamp/channel-4', null),
    );
    const held = row(edited(second, first), 'line-1');
    expect(held.cells.preamp).toMatchObject({ name: 'Mic preamp 4', pinned: true, passed: false });
    expect(held.status).toBe('broken');
  });

  it('lets the router fill an unpinned cell again', () => {
    const freed = row(edited(pin('line-4', 'room-jack', null, 'kiln-panel/line-5')), 'line-4');
    expect(freed.cells['room-jack']).toMatchObject({ pinned: false, passed: true });
    expect(freed.status).toBe('routed');
  });

  it('only sets the field where it does not decide the way', () => {
    const edits = changeThreadEdits(
      demo,
      SALTGLASS_PLACE,
      'line-1' as Thread['id'],
      fieldRead('thread', 'trackName', 'N', 'NARR'),
    );
    expect(edits.map(({ type }) => type)).toEqual(['thread.set']);
  });

  it('adds a thread routed, with its gain', () => {
    const without3 = edited(removeThreadEdits(demo, SALTGLASS_PLACE, 'line-3' as Thread['id']));
    const thread = threadSchema.parse({
      ...firstScene(demo).session.threads.find(({ id }) => id === 'line-3')!,
      id: 'line-new',
    });
    const added = row(
      edited(addThreadEdits(without3, SALTGLASS_PLACE, thread, { gainDb: 51 }), without3),
      'line-new',
    );
    expect([added.status, added.settings.gainDb?.value]).toEqual(['routed', 51]);
  });

  it('removes a thread with its cords, and leaves the others’', () => {
    const gone = edited(removeThreadEdits(demo, SALTGLASS_PLACE, 'line-1' as Thread['id']));
    const left = firstScene(gone).scene.cords;
    expect(left.some((cord) => cord.thread === 'line-1')).toBe(false);
    expect(left).toHaveLength(firstScene(demo).scene.cords.length - 2);
  });

  it('has nothing to route where everything runs', () => {
    expect(routeEdits(demo, SALTGLASS_PLACE)).toEqual([]);
  });
});

describe('the patch list', () => {
  const lines = patchList(contextOf(demo));

  it('goes room by room, jack by jack', () => {
    expect(lines.map(({ room }) => room)).toEqual([
      'Annealing booth',
      'Annealing booth',
      'Batch room',
      'Batch room',
      'Kiln',
      'Kiln',
    ]);
  });

  it('says cord, thread, the normals it breaks, and why', () => {
    expect(lines[2]).toMatchObject({
      from: 'Bay A 13 upper',
      to: 'Bay A 10 lower',
      cordKind: 'TT cord, 0.6 m, ochre',
      thread: '4 Wen Askelby, Harp',
      breaks: ['Bay A 10', 'Bay A 13'],
      why: 'on to Mic preamp 4',
    });
  });

  it('does not list a normal that a listening plug leaves closed', () => {
    expect(lines[3]).toMatchObject({ from: 'Bay B 1 upper', breaks: ['Bay B 25'] });
  });

  it('gives the unit behind a room jack as the reason', () => {
    expect(lines[1]).toMatchObject({
      from: 'Large condenser',
      to: 'Booth panel line 1',
      why: 'on to Mic preamp 1',
    });
  });
});

describe('the finder', () => {
  const named = (text: string): readonly string[] =>
    findPlaces(contextOf(demo), text).map(({ name, what }) => `${what} ${name}`);

  it('finds threads, devices, stations and jacks by any words, the nearest first', () => {
    expect(named('harp')[0]).toBe('thread 4 Wen Askelby, Harp · HARP');
    expect(named('bay b 25 low')).toEqual(['jack Bay B 25 lower', 'jack Bay B 25 lower rear']);
    expect(named('preamp')[0]).toBe('device Mic preamp');
    expect(named('FOLEY')[0]).toContain('Foley');
  });

  it('finds nothing for nothing', () => {
    expect(named('  ')).toEqual([]);
    expect(named('theremin')).toEqual([]);
  });
});

describe('the rig’s wiring', () => {
  it('is listed by name, tie lines told apart', () => {
    const lines = wireLines(contextOf(demo));
    expect(lines).toHaveLength(demo.rig.hardwires.length);
    expect(lines.find(({ id }) => id === ('booth-tie-1' as typeof id))).toMatchObject({
      from: 'Booth panel line 1 rear',
      to: 'Bay A 1 upper rear',
      tieLine: true,
    });
  });

  it('offers free connectors before wired ones', () => {
    const ends = wireEnds(contextOf(demo), 'in', 'bay b upper rear');
    expect(ends[0]).toMatchObject({ wired: false });
    expect(ends.at(-1)).toMatchObject({ wired: true });
  });

  it('goes with a device that is removed', () => {
    const booth = demo.rig.devices.find(({ id }) => id === 'booth-panel')!;
    const without = edited(removeDevicesEdits(demo, [booth]));
    expect(without.rig.hardwires.some(({ from }) => from.startsWith('booth-panel/'))).toBe(false);
  });
});
