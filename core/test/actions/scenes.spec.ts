import { fieldRead } from '@ft/core/edits/make';
import { applyChange, applyNewChange, invertChange } from '@ft/core/edits/change';
import type { EditJson } from '@ft/core/edits/editKind';
import { workedScene } from '@ft/core/scene/workedScene';
import { plugByHand, pullByHand } from '@ft/core/actions/bay/handPatch';
import type { ScenePlace } from '@ft/core/session/scenePlace';
import { findScene } from '@ft/core/session/scenePlace';
import { compareScenes } from '@ft/core/views/scenes/compareScenes';
import { deadJack } from '@ft/core/actions/scenes/deadJack';
import { withFollowers } from '@ft/core/actions/scenes/followers';
import { newSceneEdits, threadInSceneEdits } from '@ft/core/actions/scenes/sceneEdits';
import { changeThreadEdits, removeThreadEdits } from '@ft/core/actions/track/threadEdits';
import type { LaneId, ThreadId } from '@ft/core/rig/ids';
import { BARE_FLOOR } from '@ft/core/session/floorSchema';
import type { Scene } from '@ft/core/session/sessionSchema';
import type { Studio } from '@ft/core/session/studioSchema';
import { SALTGLASS_PLACE, saltglassRooms } from '../fixtures/thin/saltglass';

const demo = saltglassRooms();
const [line1, line4] = ['line-1', 'line-4'] as ThreadId[] as [ThreadId, ThreadId];

function changed(studio: Studio, edits: readonly EditJson[]): Studio {
  const result = applyNewChange(studio, withFollowers(studio, edits));
  if (!result.ok) throw new Error(JSON.stringify(result.refusal));
  return result.value;
}
const sceneAt = (studio: Studio, place: ScenePlace): Scene => findScene(studio, place)!.scene;

const made = newSceneEdits(demo, SALTGLASS_PLACE, 'Foley overdub', 'branch')!;
const FOLEY: ScenePlace = { ...SALTGLASS_PLACE, scene: made.id };
const branched = changed(demo, made.edits);
const setGain = (studio: Studio, place: ScenePlace, value: number): EditJson => {
  const key = 'preamp/gainDb/1' as const;
  return {
    type: 'setting.set',
    ...place,
    key,
    value,
    was: sceneAt(studio, place).settings[key as never] ?? null,
  };
};
const gainOf = (studio: Studio, place: ScenePlace): unknown =>
  sceneAt(studio, place).settings['preamp/gainDb/1' as never];

describe('a scene that follows another', () => {
  it('begins with the same cords, settings and threads', () => {
    const [base, own] = [sceneAt(branched, SALTGLASS_PLACE), sceneAt(branched, FOLEY)];
    expect(own).toEqual({ ...base, id: 'foley-overdub', name: 'Foley overdub', follows: 'tracking' });
    expect(branched.sessions[0]!.threads.every(({ scenes }) => scenes.includes(made.id))).toBe(true);
  });

  it('takes over what changes there, until it is set for itself', () => {
    const first = changed(branched, [setGain(branched, SALTGLASS_PLACE, 30)]);
    expect(gainOf(first, FOLEY)).toBe(30);
    const own = changed(first, [setGain(first, FOLEY, 12)]);
    expect(gainOf(own, SALTGLASS_PLACE)).toBe(30);
    const later = changed(own, [setGain(own, SALTGLASS_PLACE, 40)]);
    expect(gainOf(later, FOLEY)).toBe(12);
  });

  it('gets cords plugged and pulled there, where its own do not sit in the jacks', () => {
    const context = (studio: Studio, place: ScenePlace): ReturnType<typeof workedScene> => {
      const { session, scene } = findScene(studio, place)!;
      return workedScene(studio.rig, session, scene);
    };
    const plug = (studio: Studio, place: ScenePlace, to: string): Studio => {
      const patch = plugByHand(context(studio, place), 'bay-b/upper-6/1' as LaneId, to as LaneId);
      if (!patch.ok) throw new Error(patch.sentence);
      return changed(studio, patch.edits);
    };
    const both = plug(branched, SALTGLASS_PLACE, 'bay-b/lower-7/1');
    expect(sceneAt(both, FOLEY).cords).toEqual(sceneAt(both, SALTGLASS_PLACE).cords);
    const own = plug(branched, FOLEY, 'bay-b/lower-9/1');
    const later = plug(own, SALTGLASS_PLACE, 'bay-b/lower-7/1');
    expect(sceneAt(later, FOLEY).cords).toEqual(sceneAt(own, FOLEY).cords);
    const pull = pullByHand(context(both, SALTGLASS_PLACE), 'bay-b/upper-6/1' as LaneId);
    expect(pull.ok && sceneAt(changed(both, pull.edits), FOLEY).cords).toEqual(
      sceneAt(branched, FOLEY).cords,
    );
  });

  it('is undone together with what it followed, exactly', () => {
    const edits = withFollowers(branched, [setGain(branched, SALTGLASS_PLACE, 30)]);
    expect(edits).toHaveLength(2);
    const after = changed(branched, edits);
    const back = applyChange(after, invertChange(branched, edits));
    expect(back.ok && back.value).toEqual(branched);
  });

  it('is reached by way of others; one that was put away is left alone', () => {
    const next = newSceneEdits(branched, FOLEY, 'Third', 'branch')!;
    const three = changed(branched, next.edits);
    expect(gainOf(changed(three, [setGain(three, SALTGLASS_PLACE, 31)]), { ...FOLEY, scene: next.id })).toBe(
      31,
    );
    const away = changed(branched, [
      {
        type: 'scene.set',
        session: FOLEY.session,
        id: FOLEY.scene,
        field: 'archived',
        value: true,
        was: null,
      },
    ]);
    expect(gainOf(changed(away, [setGain(away, SALTGLASS_PLACE, 31)]), FOLEY)).toBe(gainOf(away, FOLEY));
  });

  it('cannot follow itself, not by way of others either', () => {
    const ring = applyNewChange(branched, [
      {
        type: 'scene.set',
        session: FOLEY.session,
        id: SALTGLASS_PLACE.scene,
        field: 'follows',
        value: made.id,
        was: null,
      },
    ]);
    expect(ring.ok || ring.refusal).toMatchObject({
      code: 'would-break',
      problems: [{ code: 'follows-itself' }, { code: 'follows-itself' }],
    });
  });
});

it('a pin that changes routes the thread again in every scene it is in', () => {
  const pin = changeThreadEdits(
    branched,
    FOLEY,
    line4,
    fieldRead('thread', 'pins.room-jack', 'kiln-panel/line-6', 'kiln-panel/line-5'),
  );
  const pinned = changed(branched, pin);
  for (const place of [SALTGLASS_PLACE, FOLEY]) {
    const { session, scene } = findScene(pinned, place)!;
    const context = workedScene(pinned.rig, session, scene);
    expect(context.threads.find(({ thread }) => thread.id === line4)!.complete).toBe(true);
  }
});

describe('two scenes compared', () => {
  const compared = (studio: Studio): ReturnType<typeof compareScenes> =>
    compareScenes(studio.rig, findScene(studio, SALTGLASS_PLACE)!, findScene(studio, FOLEY)!);

  it('have nothing to tell where they are alike', () => {
    expect(compared(branched)).toMatchObject({ threads: [], cords: [], knobs: [], story: [] });
  });

  it('show 48 V, gains and threads side by side, and tell them', () => {
    const without = changed(branched, threadInSceneEdits(branched, FOLEY, line4, false));
    const louder = changed(without, [setGain(without, FOLEY, 40)]);
    const { story, knobs, threads, cords } = compared(louder);
    expect(threads).toEqual([
      { name: '4 Wen Askelby, Harp', left: expect.stringMatching(/line 5/), right: '' },
    ]);
    expect(knobs.map(({ group, knob, left, right }) => [group, knob, left, right])).toContainEqual([
      ...['Gains', '1 Gain', '+44.0 dB', '+40.0 dB'],
    ]);
    expect(knobs.filter(({ group }) => group === '48 V')).toHaveLength(1);
    expect(cords.map(({ what }) => what)).toEqual(cords.map(() => 'left only'));
    expect(story).toContain('1 Imke Tarrow, Narrator: Mic preamp 1 Gain +40.0 dB instead of +44.0 dB.');
    expect(story).toContain('4 Wen Askelby, Harp is left out.');
    expect(story.at(-1)).toMatch(/^Of the cords \d+ comes? out\.$/);
  });

  it('tell which station a thread goes by instead of which', () => {
    const pin = changeThreadEdits(
      demo,
      SALTGLASS_PLACE,
      line4,
      fieldRead('thread', 'pins.room-jack', 'kiln-panel/line-6', 'kiln-panel/line-5'),
    );
    const pinned = changed(demo, pin);
    const [before, after] = [demo, pinned].map((studio) => findScene(studio, SALTGLASS_PLACE)!);
    expect(compareScenes(demo.rig, before!, after!).story.join(' ')).toMatch(
      /^4 Wen Askelby, Harp goes by Kiln panel line 6 instead of Kiln panel line 5/,
    );
  });
});

describe('a thread taken out of a scene', () => {
  it('takes its cords along and turns its preamp back; put in again, it runs as before', () => {
    const out = changed(demo, threadInSceneEdits(demo, SALTGLASS_PLACE, line1, false));
    const scene = sceneAt(out, SALTGLASS_PLACE);
    expect(scene.cords.some(({ thread }) => thread === line1)).toBe(false);
    expect(
      Object.keys(scene.settings).filter((key) => key.startsWith('preamp/') && key.endsWith('/1')),
    ).toEqual([]);
    const back = changed(out, threadInSceneEdits(out, SALTGLASS_PLACE, line1, true));
    const ends = ({ cords }: Scene): string[] => cords.map(({ from, to }) => `${from} ${to}`).sort();
    expect(ends(sceneAt(back, SALTGLASS_PLACE))).toEqual(ends(sceneAt(demo, SALTGLASS_PLACE)));
  });

  it('removed from the session, leaves no cord and no setting in any scene', () => {
    const gone = changed(branched, removeThreadEdits(branched, SALTGLASS_PLACE, line1));
    for (const place of [SALTGLASS_PLACE, FOLEY]) {
      expect(sceneAt(gone, place).cords.some(({ thread }) => thread === line1)).toBe(false);
      expect(gainOf(gone, place)).toBeUndefined();
    }
  });
});

describe('a jack that does not work', () => {
  const used = sceneAt(demo, SALTGLASS_PLACE).cords.find(
    ({ thread, to }) => thread === line4 && to.startsWith('bay-'),
  )!;

  it('is left by whoever used it, in every scene that is not put away, and the way round is told', () => {
    const { edits, waysRound } = deadJack(branched, used.to, 'That jack', '');
    const result = applyNewChange(branched, edits);
    if (!result.ok) throw new Error(JSON.stringify(result.refusal));
    expect(waysRound.map(({ scene }) => scene).sort()).toEqual(['Foley overdub', 'Tracking']);
    for (const { story, stuck } of waysRound) {
      expect(stuck).toEqual([]);
      expect(story.length).toBeGreaterThan(0);
    }
    for (const { cords } of result.value.sessions[0]!.scenes)
      for (const { from, to } of cords) expect([from, to]).not.toContain(used.to);
  });

  it('says whom it leaves without a way', () => {
    const mic = demo.sessions[0]!.threads.find(({ id }) => id === line4)!.from;
    expect(deadJack(demo, mic, 'The harp’s microphone', 'broken').waysRound[0]!.stuck).toEqual([
      '4 Wen Askelby, Harp',
    ]);
  });

  it('touches nothing where nobody used it', () => {
    const { edits, waysRound } = deadJack(demo, 'bay-b/upper-40/1' as LaneId, 'A jack', '');
    expect([edits.length, waysRound]).toEqual([1, []]);
    expect(demo.floor).toEqual(BARE_FLOOR);
  });
});
