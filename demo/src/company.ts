import { clickInCues } from '@ft/core/actions/cues/clickInCues';
import { cueCells } from '@ft/core/actions/cues/cueCells';
import { setUpCue } from '@ft/core/actions/cues/setUp/setUpCue';
import { volumesAtStart } from '@ft/core/actions/cues/volumes';
import type { ChannelEntry } from '@ft/core/actions/consoles/channelPlan';
import { plannedCells } from '@ft/core/actions/consoles/plannedCells';
import { newSceneEdits, threadInSceneEdits } from '@ft/core/actions/scenes/sceneEdits';
import { addThreadEdits } from '@ft/core/actions/track/threadEdits';
import { applyChange } from '@ft/core/edits/change';
import type { Edit } from '@ft/core/edits/make';
import { editKnob, editSet } from '@ft/core/edits/make';
import type { CueId, DeviceId, ThreadId } from '@ft/core/rig/ids';
import { settingKeyOf } from '@ft/core/rig/settings';
import { workedScene } from '@ft/core/scene/workedScene';
import type { Carrier } from '@ft/core/session/cueSchema';
import type { ScenePlace } from '@ft/core/session/scenePlace';
import { findScene } from '@ft/core/session/scenePlace';
import { threadSchema } from '@ft/core/session/sessionSchema';
import type { Studio } from '@ft/core/session/studioSchema';

const DESK = 'kiln-desk' as DeviceId;
const STAGEBOX = 'kiln-stagebox';
const SPLIT = 'split-console' as DeviceId;

/** Actors and the foley pair at the stagebox, each on a channel of the Kiln desk. */
const CAST = [
  { performer: 'Joss Verrill', source: 'Lamplighter', mic: 'stage-dynamic-2', spl: 94, m: 0.15, gainDb: 36 },
  { performer: 'Aud Pellow', source: 'Ferry keeper', mic: 'short-ribbon', spl: 90, m: 0.2, gainDb: 44 },
  { performer: 'Tamsin Rook', source: 'Foley left', mic: 'long-ribbon', spl: 80, m: 0.4, gainDb: 50 },
  {
    performer: 'Jory Askam',
    source: 'Foley right',
    mic: 'boundary-condenser-2',
    spl: 78,
    m: 0.6,
    gainDb: 40,
  },
] as const;

/** Gains of the ensemble on the split console, and which of its microphones need 48 V. */
const ENSEMBLE = [
  { gainDb: 32, phantom: 'on' },
  { gainDb: 32, phantom: 'on' },
  { gainDb: 36, phantom: 'on' },
  { gainDb: 50, phantom: 'off' },
  { gainDb: 36, phantom: 'off' },
] as const;

const FIRST_NUMBER = 31;
/** The input of the stagebox that the click comes to. */
const CLICK_INPUT = 8;

function changed(studio: Studio, edits: readonly Edit[]): Studio {
  const result = applyChange(studio, edits);
  if (!result.ok)
    throw new Error(`the cues of the demo do not hold together: ${JSON.stringify(result.refusal)}`);
  return result.value;
}

function at(studio: Studio, place: ScenePlace) {
  const found = findScene(studio, place);
  if (found === undefined) throw new Error('the demo has no such scene');
  return { studio, place, context: workedScene(studio.rig, found.session, found.scene, studio.floor) };
}

const toDesk = (n: number, from: string, more: Record<string, unknown>) =>
  threadSchema.parse({
    ...{ purpose: 'feed', performer: '', trackName: '', inserts: [], pins: {} },
    ...{ from, to: `${STAGEBOX}/mic-${String(n)}/1`, ...more },
  });

/** The lines of the cast and of the click, to the stagebox. */
function withLines(studio: Studio, place: ScenePlace): Studio {
  const lines = CAST.map(({ performer, source, mic, spl, m }, i) =>
    toDesk(i + 1, `${mic}/out/1`, {
      ...{ id: `line-${String(FIRST_NUMBER + i)}`, number: FIRST_NUMBER + i, performer, source },
      ...{ levelDbSpl: spl, crestDb: 16, distanceM: m, scenes: [place.scene] },
    }),
  );
  const click = { click: true, source: 'Click', levelDbu: 0, crestDb: 20, scenes: [place.scene] } as const;
  const clicks = [
    toDesk(CLICK_INPUT, 'click-player/out-2/1', { ...click, id: 'line-35', number: 35 }),
    threadSchema.parse({
      ...{ ...click, id: 'line-36', number: 36, purpose: 'feed', performer: '', trackName: '', inserts: [] },
      ...{ from: 'click-player/out-1/1', to: `${SPLIT}/line-8/1`, pins: {} },
    }),
  ];
  return [...lines, ...clicks].reduce(
    (now, thread) => changed(now, addThreadEdits(now, place, thread)),
    studio,
  );
}

const channel = (n: number, source: string, gainDb: number): readonly ChannelEntry[] => [
  { row: `channel-${String(n)}`, column: 'source', text: source },
  { row: `channel-${String(n)}`, column: 'gain', text: String(gainDb) },
];

/** Channels of the Kiln desk for what stands at the stagebox, and the click on line 8 of the split console. */
function withChannels(studio: Studio, place: ScenePlace): Studio {
  const desk = [
    ...CAST.flatMap(({ gainDb }, i) => channel(i + 1, `card in ${String(i + 1)}`, gainDb)),
    { row: 'channel-4', column: 'phantom', text: 'on' },
    ...channel(CLICK_INPUT, `card in ${String(CLICK_INPUT)}`, 30),
  ];
  const then = changed(studio, plannedCells({ ...at(studio, place), device: DESK }, desk).edits);
  const split = [
    { row: 'channel-8', column: 'source', text: 'line' },
    ...ENSEMBLE.flatMap(({ gainDb, phantom }, i) => [
      { row: `channel-${String(i + 1)}`, column: 'gain', text: String(gainDb) },
      { row: `channel-${String(i + 1)}`, column: 'phantom', text: phantom },
    ]),
  ];
  const ready = changed(then, plannedCells({ ...at(then, place), device: SPLIT }, split).edits);
  return changed(ready, narratorsPreamp(place));
}

/** The narrator’s preamp stands as in Tracking. */
const narratorsPreamp = (place: ScenePlace): readonly Edit[] => [
  editKnob(place, { key: settingKeyOf('mic-preamp' as DeviceId, 'gainDb', 1), value: 44, was: null }),
  editKnob(place, { key: settingKeyOf('mic-preamp' as DeviceId, 'phantom', 1), value: true, was: null }),
];

interface DemoCue {
  readonly name: string;
  readonly carrier: Carrier;
  readonly headphones: readonly string[];
}

const onDesk = (first: number): Carrier => ({
  ...{ on: 'console', device: DESK },
  rows: [`aux-${String(first)}`, `aux-${String(first + 1)}`],
});

const CUES: readonly DemoCue[] = [
  {
    name: 'Narrator',
    carrier: { on: 'console', device: 'cue-interface' as DeviceId, rows: ['mix-1'] },
    headphones: ['narrator-headphones'],
  },
  { name: 'Actors', carrier: onDesk(1), headphones: ['lamplighter-headphones', 'ferry-keeper-headphones'] },
  { name: 'Foley pair', carrier: onDesk(3), headphones: ['foley-left-headphones', 'foley-right-headphones'] },
  { name: 'Conductor', carrier: onDesk(5), headphones: ['rostrum-headphones'] },
  {
    name: 'Ensemble',
    carrier: { on: 'console', device: SPLIT, rows: ['cue'] },
    headphones: [
      ...['vibraphone', 'bass-clarinet', 'harmonium', 'frame-drums', 'spare-1', 'spare-2'].map(
        (name) => `${name}-headphones`,
      ),
    ],
  },
];

const withCue = (studio: Studio, place: ScenePlace, { name, carrier, headphones }: DemoCue): Studio => {
  const set = setUpCue(at(studio, place), {
    ...{ name, carrier, withTalkback: true },
    headphones: headphones as readonly DeviceId[],
  });
  if (set.refused.length > 0)
    throw new Error(`${name}: ${set.refused.map(({ sentence }) => sentence).join(' ')}`);
  return changed(studio, set.edits);
};

/** The click in the two cues that have one. */
function withClick(studio: Studio, place: ScenePlace): Studio {
  const cues = ['conductor', 'ensemble'] as CueId[];
  return changed(studio, clickInCues(at(studio, place), { cues, levelDb: -20 }).edits);
}

/** How each cue was balanced: actors hear themselves, the foley pair each other, the vibraphone stands wide. */
const BALANCE: readonly (readonly [cue: string, line: number, text: string])[] = [
  ['actors', 31, '-4 pre'],
  ['actors', 32, '-4 pre'],
  ['actors', 33, '-16 pre L40'],
  ['actors', 34, '-18 pre R40'],
  ['foley-pair', 31, '-8 pre'],
  ['foley-pair', 32, '-8 pre'],
  ['foley-pair', 33, '-2 pre L40'],
  ['foley-pair', 34, '-12 pre R40'],
  ['conductor', 34, '-16 pre'],
  ['ensemble', 21, '-10 pre L60'],
  ['ensemble', 22, '-10 pre R60'],
  ['ensemble', 25, '-2 pre'],
];

const balanced = (studio: Studio, place: ScenePlace): Studio =>
  changed(
    studio,
    cueCells(
      at(studio, place),
      BALANCE.map(([cue, line, text]) => ({
        ...{ cue: cue as CueId, source: `line:line-${String(line)}` },
        text,
      })),
    ).edits,
  );

/** The box that nobody wears was left up after the last band. */
const leftUp = (place: ScenePlace): readonly Edit[] =>
  ['leftDb', 'rightDb'].map((setting) =>
    editKnob(place, { key: settingKeyOf('kiln-junction-4' as DeviceId, setting, 1), value: -10, was: -80 }),
  );

const BASE = 'Tracking company';

/** Everybody in headphones: narrator, actors, foley pair, conductor and ensemble, five cues on three devices. */
export function withCompany(studio: Studio, place: ScenePlace, lines: readonly ThreadId[]): Studio {
  const made = newSceneEdits(studio, place, BASE, 'empty');
  if (made === undefined) throw new Error('the demo has no scene to begin with');
  const company = { ...place, scene: made.id };
  const named = changed(studio, [
    ...made.edits,
    editSet('scene', { session: place.session }, made.id, {
      field: 'name',
      value: 'Company call',
      was: BASE,
    }),
  ]);
  const joined = lines.reduce((now, id) => changed(now, threadInSceneEdits(now, company, id, true)), named);
  const channels = withChannels(withLines(joined, company), company);
  const cues = CUES.reduce((now, cue) => withCue(now, company, cue), channels);
  const clicking = withClick(balanced(cues, company), company);
  const heard = changed(clicking, volumesAtStart(at(clicking, company)).edits);
  return changed(heard, leftUp(company));
}
