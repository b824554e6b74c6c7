import { applyChange } from '@ft/core/edits/change';
import { editKindNamed, EDIT_KINDS } from '@ft/core/edits/registry';
import type { Edit } from '@ft/core/edits/make';
import {
  editAdd,
  editFloorKnob,
  editFloorScene,
  editKnob,
  editRemove,
  editSet,
  editStudioName,
} from '@ft/core/edits/make';
import type { BusId, CordId, LaneId, SceneId, StationId, ThreadId } from '@ft/core/rig/ids';
import type { SettingKey } from '@ft/core/rig/settings';
import { LIST_NAMES } from '@ft/core/session/lists';
import { SALTGLASS_PLACE as PLACE, saltglassRooms } from '../fixtures/builtDemo';

const LINE = 'line-1' as ThreadId;
const { session } = PLACE;

describe('makers of edits', () => {
  it('make what the registry knows, and what applies', () => {
    const studio = saltglassRooms();
    const [found] = studio.sessions;
    const thread = found!.threads.find(({ id }) => id === LINE)!;
    const key = 'mic-preamp/gainDb/1' as SettingKey;
    const was = found!.scenes.find(({ id }) => id === PLACE.scene)!.settings[key] ?? null;
    const floor = { session, scene: PLACE.scene };
    const edits = [
      editSet('thread', { session }, LINE, { field: 'crestDb', value: 9, was: thread.crestDb ?? null }),
      editAdd('bus', { session }, { id: 'more' as BusId, name: 'More', width: 1 }),
      editRemove('bus', { session }, 'more' as BusId),
      editKnob(PLACE, { key, value: 41, was }),
      editFloorKnob({ key, value: 41, was: null }),
      editFloorScene(floor, studio.floor.scene ?? null),
      editStudioName('Rooms', studio.name),
    ];
    for (const edit of edits) expect(editKindNamed(edit.type)?.schema.safeParse(edit).success).toBe(true);
    expect(applyChange(studio, edits)).toMatchObject({ ok: true });
  });

  it('have a kind to add, change and remove for every list, under the names that are stored', () => {
    const types = EDIT_KINDS.map(({ type }) => type);
    for (const name of LIST_NAMES)
      expect(types).toEqual(expect.arrayContaining([`${name}.add`, `${name}.set`, `${name}.remove`]));
    expect(types).toHaveLength(3 * LIST_NAMES.length + 4);
  });
});

/** Never called: `npm test` compiles it, and each line below the mark has to be refused by the compiler. */
export function refusedByTheCompiler(): readonly Edit[] {
  const pins = { field: 'pins.preamp', value: 'preamp/channel-1' as StationId, was: null } as const;
  return [
    editSet('thread', { session }, LINE, pins),
    // @ts-expect-error no such list
    editRemove('threat', { session }, LINE),
    // @ts-expect-error no such field
    editSet('thread', { session }, LINE, { field: 'crest', value: 9, was: 10 }),
    // @ts-expect-error a text where a number belongs
    editSet('thread', { session }, LINE, { field: 'crestDb', value: '9', was: 10 }),
    // @ts-expect-error a field that cannot be left out is not emptied
    editSet('thread', { session }, LINE, { field: 'number', value: null, was: 1 }),
    // @ts-expect-error an id is not changed
    editSet('thread', { session }, LINE, { field: 'id', value: LINE, was: LINE }),
    // @ts-expect-error pins have roles
    editSet('thread', { session }, LINE, { ...pins, field: 'pins.amplifier' }),
    // @ts-expect-error a thread is in a session
    editRemove('thread', {}, LINE),
    // @ts-expect-error a cord is in a scene
    editRemove('cord', { session }, 'cord-1' as CordId),
    // @ts-expect-error an id of another kind
    editRemove('thread', { session }, 'tracking' as SceneId),
    // @ts-expect-error a fault has a note
    editAdd('fault', {}, { id: 'preamp/out-1/1' as LaneId }),
    // @ts-expect-error an edit written by hand
    { type: 'thread.set', session, id: LINE, field: 'crestDb', value: 9, was: 10 },
  ];
}
