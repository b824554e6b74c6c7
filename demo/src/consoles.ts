import { madeReady } from '@ft/core/actions/consoles/madeReady';
import type { ChannelEntry } from '@ft/core/actions/consoles/channelPlan';
import { plannedCells } from '@ft/core/actions/consoles/plannedCells';
import { newSceneEdits, threadInSceneEdits } from '@ft/core/actions/scenes/sceneEdits';
import { addThreadEdits } from '@ft/core/actions/track/threadEdits';
import { deskOf } from '@ft/core/consoles/desk';
import { readyPlan } from '@ft/core/consoles/ready/readyPlan';
import { applyChange } from '@ft/core/edits/change';
import type { Edit } from '@ft/core/edits/make';
import { editSet } from '@ft/core/edits/make';
import type { DeviceId, SceneId } from '@ft/core/rig/ids';
import { workedScene } from '@ft/core/scene/workedScene';
import type { ScenePlace } from '@ft/core/session/scenePlace';
import { findScene } from '@ft/core/session/scenePlace';
import { threadSchema } from '@ft/core/session/sessionSchema';
import type { Studio } from '@ft/core/session/studioSchema';
import { CRUSH } from './inputList';

const SPLIT = 'split-console' as DeviceId;
const DESK = 'kiln-desk' as DeviceId;

/** The chamber group as it stands round the split console: microphone, gain, place in the picture, group. */
const GROUP = [
  {
    source: 'Vibraphone left',
    performer: 'Brannoc Teale',
    mic: 'small-condenser-2',
    gainDb: 32,
    phantom: true,
    pan: 'L60',
    groups: '1',
  },
  {
    source: 'Vibraphone right',
    performer: 'Brannoc Teale',
    mic: 'small-condenser-3',
    gainDb: 32,
    phantom: true,
    pan: 'L20',
    groups: '2',
  },
  {
    source: 'Bass clarinet',
    performer: 'Saskia Orrel',
    mic: 'figure-eight-condenser',
    gainDb: 36,
    phantom: true,
    pan: 'L15',
    groups: '3',
  },
  {
    source: 'Harmonium',
    performer: 'Mattis Quill',
    mic: 'stage-dynamic-1',
    gainDb: 50,
    phantom: false,
    pan: 'R10',
    groups: '4',
  },
  {
    source: 'Frame drums',
    performer: 'Nell Farrow',
    mic: 'drum-dynamic',
    gainDb: 36,
    phantom: false,
    pan: 'C',
    groups: '5',
  },
  {
    source: 'Harp',
    performer: 'Wen Askelby',
    mic: 'small-condenser-1',
    gainDb: 38,
    phantom: true,
    pan: 'R40',
    groups: '6',
  },
] as const;

const FIRST_NUMBER = 21;

function changed(studio: Studio, edits: readonly Edit[]): Studio {
  const result = applyChange(studio, edits);
  if (!result.ok)
    throw new Error(`the consoles of the demo do not hold together: ${JSON.stringify(result.refusal)}`);
  return result.value;
}

function contextAt(studio: Studio, place: ScenePlace) {
  const found = findScene(studio, place);
  if (found === undefined) throw new Error('the demo has no such scene');
  return workedScene(studio.rig, found.session, found.scene, studio.floor);
}

/** The lines of the group, each to a channel of the split console. */
function withLines(studio: Studio, place: ScenePlace): Studio {
  return GROUP.reduce(
    (now, { source, performer, mic }, i) => {
      const thread = threadSchema.parse({
        ...{
          id: `line-${String(FIRST_NUMBER + i)}`,
          number: FIRST_NUMBER + i,
          purpose: 'feed',
          performer,
          source,
        },
        ...{
          from: `${mic}/out/1`,
          to: `${SPLIT}/mic-${String(i + 1)}/1`,
          trackName: '',
          inserts: [],
          pins: {},
        },
        ...{ levelDbSpl: 90, crestDb: 16, scenes: [place.scene] },
      });
      return changed(now, addThreadEdits(now, place, thread, {}));
    },
    changed(studio, threadInSceneEdits(studio, place, CRUSH.thread.id, true)),
  );
}

const channelCells: readonly ChannelEntry[] = GROUP.flatMap(({ gainDb, phantom, pan, groups }, i) => {
  const row = `channel-${String(i + 1)}`;
  return [
    { row, column: 'gain', text: String(gainDb) },
    { row, column: 'phantom', text: phantom ? 'on' : 'off' },
    { row, column: 'pan', text: pan },
    { row, column: 'groups', text: groups },
    { row, column: 'vca', text: 'VCA 1' },
  ];
});

/** The console made ready, with the usual starting values, and the group placed. */
function withChannels(studio: Studio, place: ScenePlace): Studio {
  const it = { studio, place, context: contextAt(studio, place), device: SPLIT };
  const desk = deskOf(it.context, SPLIT);
  const lines = (desk && readyPlan(it.context, desk)?.lines) ?? [];
  const ready = madeReady(it, { lines: lines.map(({ id }) => id) });
  const then = changed(studio, ready?.edits ?? []);
  return changed(
    then,
    plannedCells({ ...it, studio: then, context: contextAt(then, place) }, channelCells).edits,
  );
}

/** A scene gets its own name once its id stands beside that of the scene it was made of. */
const named = (studio: Studio, place: ScenePlace, id: SceneId, was: string, value: string): Studio =>
  changed(studio, [editSet('scene', { session: place.session }, id, { field: 'name', value, was })]);

const CHAMBER = 'Tracking chamber group';
const READY = 'Tracking Kiln desk';

/** The chamber group on the split console, and the digital console made ready from nothing: a scene each. */
export function withConsoles(studio: Studio, place: ScenePlace): Studio {
  const made = newSceneEdits(studio, place, CHAMBER, 'empty');
  if (made === undefined) throw new Error('the demo has no scene to begin with');
  const chamber = { ...place, scene: made.id };
  const begun = named(changed(studio, made.edits), place, made.id, CHAMBER, 'Chamber group');
  const set = withChannels(withLines(begun, chamber), chamber);
  const it = { studio: set, place, context: contextAt(set, place), device: DESK };
  const desk = deskOf(it.context, DESK);
  const lines = (desk && readyPlan(it.context, desk)?.lines) ?? [];
  const ready = madeReady(it, { lines: lines.map(({ id }) => id), scene: READY });
  if (ready === undefined) throw new Error('the digital console of the demo cannot be made ready');
  return named(changed(set, ready.edits), place, ready.scene, READY, 'Kiln desk ready');
}
