import { applyNewChange } from '@ft/core/edits/change';
import { editAdd, editSet } from '@ft/core/edits/make';
import type { Edit } from '@ft/core/edits/make';
import { withFollowers } from '@ft/core/actions/scenes/followers';
import { newSceneEdits } from '@ft/core/actions/scenes/sceneEdits';
import { counterparts } from '@ft/core/actions/sessions/counterparts';
import { leftOutSentence } from '@ft/core/actions/sessions/leftOutSentence';
import { sessionOver } from '@ft/core/actions/sessions/takenOver';
import { runChecks } from '@ft/core/checks/runChecks';
import { targetOf } from '@ft/core/repatch/target';
import type { CueId, DeviceId } from '@ft/core/rig/ids';
import type { Cue } from '@ft/core/session/cueSchema';
import { cueSchema } from '@ft/core/session/cueSchema';
import type { Studio } from '@ft/core/session/studioSchema';
import { workList } from '@ft/core/views/bay/workList';
import { earFacts } from '@ft/core/views/cues/earFacts';
import { worstStatus } from '@ft/core/views/cues/worstStatus';
import { companyCall, cuesAt, sheetAt, then } from '../fixtures/cuePlace';
import { CUE, cueStudio } from '../fixtures/cueStudio';
import { PLACE } from '../fixtures/studioOf';

function changed(studio: Studio, edits: readonly Edit[]): Studio {
  const result = applyNewChange(studio, withFollowers(studio, edits));
  if (!result.ok) throw new Error(JSON.stringify(result.refusal));
  return result.value;
}

const cueOf = (studio: Studio, at = 0): Cue => studio.sessions[0]!.cues[at]!;

describe('cues and scenes', () => {
  const { studio } = cuesAt(cueStudio());

  it('are used in a copy of a scene, and not in one that begins empty', () => {
    const copy = newSceneEdits(studio, PLACE, 'Copy', 'copy')!;
    const bare = newSceneEdits(studio, PLACE, 'Bare', 'empty')!;
    expect(cueOf(changed(studio, copy.edits)).scenes).toEqual(['scene', copy.id]);
    expect(cueOf(changed(studio, bare.edits)).scenes).toEqual(['scene']);
  });

  it('come into a scene that follows when they come into the one it follows', () => {
    const branch = newSceneEdits(studio, PLACE, 'Branch', 'branch')!;
    const two = changed(studio, branch.edits);
    const second = cueSchema.parse({
      ...{ ...CUE, id: 'second', number: 2, name: 'Second', headphones: [] },
      carrier: { on: 'console', device: 'console', rows: ['aux-1'] },
    });
    expect(cueOf(changed(two, [editAdd('cue', { session: PLACE.session }, second)]), 1).scenes).toEqual([
      'scene',
      branch.id,
    ]);
  });
});

describe('cues in a session that is taken over', () => {
  const { studio, context } = companyCall();
  const over = (missing: readonly string[]) => {
    const theirs = {
      ...studio.rig,
      devices: studio.rig.devices.filter(({ name }) => !missing.includes(name)),
    };
    const all = counterparts(context.session, studio.rig, theirs);
    return sessionOver(context.session, studio.rig, theirs, all);
  };

  it('come along whole where everything is there', () => {
    expect(over([]).kept.cues).toEqual(context.session.cues);
  });

  it('are left out without their carrier, with the cue of their lines, and lose headphones that are not there', () => {
    const { kept, left } = over(['Split console', 'Lamplighter headphones']);
    expect(kept.cues.map(({ name }) => name).sort()).toEqual([
      'Actors',
      'Conductor',
      'Foley pair',
      'Narrator',
    ]);
    expect(kept.cues.find(({ name }) => name === 'Actors')!.headphones).toEqual([
      { id: 'ferry-keeper-headphones' },
    ]);
    expect(kept.threads.filter(({ cue }) => cue === 'ensemble')).toEqual([]);
    const said = left.map(leftOutSentence);
    expect(said).toContain('The cue Ensemble is left out: there is no Split console here.');
    expect(said).toContain('The cue Actors loses Lamplighter headphones.');
  });
});

describe('the work list', () => {
  it('mutes and opens the cues by their names', () => {
    const { studio, place } = companyCall();
    const onFloor: Studio = { ...studio, floor: { ...studio.floor, scene: place } };
    const titles = workList(onFloor, targetOf(onFloor, place, false)!).steps.map(({ title }) => title);
    const named = 'Narrator, Actors, Foley pair, Conductor, Ensemble (Cue amplifier A';
    expect(titles.find((title) => title.startsWith('Mute the cues'))).toContain(`Mute the cues: ${named}`);
    expect(titles.find((title) => title.startsWith('Open the cues'))).toContain(`Open the cues: ${named}`);
  });
});

describe('the company call of the demo', () => {
  const it0 = companyCall();
  const { cues, ears, rows } = sheetAt(it0);

  it('has five cues on three devices, each with its lines, click in two', () => {
    expect(cues.map(({ name, carrier, status }) => `${name}: ${carrier}, ${String(status)}`)).toEqual([
      'Narrator: Cue interface mix 1, patched',
      'Actors: Kiln desk aux 1–2, routed',
      'Foley pair: Kiln desk aux 3–4, routed',
      'Conductor: Kiln desk aux 5–6, routed',
      'Ensemble: Split console stereo cue, routed',
    ]);
    const clicks = rows.filter(({ isClick }) => isClick);
    const withClick = cues.filter(({ id }) => clicks.some(({ texts }) => (texts[id] ?? 'off') !== 'off'));
    expect(withClick.map(({ name }) => name)).toEqual(['Conductor', 'Ensemble']);
    expect(ears.filter(({ isLying }) => isLying).map(({ name }) => name)).toEqual([
      'Spare 1 headphones',
      'Spare 2 headphones',
    ]);
  });

  it('has exactly the findings it is meant to show', () => {
    expect(
      runChecks(it0.context)
        .findings.map(({ key }) => key)
        .sort(),
    ).toEqual([
      'cue-delay performer:imke-tarrow thread:line-1 device:narrator-headphones',
      'dead-end track:print lane:daw/input/23',
      'insert-uncompensated track:crush',
      'no-talkback cue:narrator device:narrator-headphones',
      'open-headphones cue:ensemble device:spare-1-headphones device:boundary-condenser-2 thread:line-34',
      'parallel-comb track:lamp lane:daw/bus-dialogue/1',
    ]);
  });

  it('tells of an ear what one asks first', () => {
    const foley = ears.find(({ name }) => name === 'Foley left headphones')!;
    expect(earFacts(foley).map((fact) => fact.replace(/[−\d.]+/g, '#'))).toEqual([
      '# dB SPL',
      'Kiln junction # at # dB',
      'own sound # dB under the rest',
      '# ms late',
      'talkback # dB SPL',
      '# % of a day’s dose',
    ]);
  });

  it('says what is lost when a hand moves at the desk', () => {
    const follow = (it: typeof it0) =>
      sheetAt(it)
        .ears.find(({ name }) => name === 'Lamplighter headphones')!
        .heard.find(({ isOwn }) => isOwn)!.follows;
    expect(follow(it0)).toBe('nothing');
    const { place, context } = it0;
    const key = 'kiln-desk/aux1/1' as const;
    const post = then(it0, [
      { type: 'setting.set', ...place, key, value: 2, was: context.scene.settings[key as never] } as never,
    ]);
    expect(follow(post)).toBe('fader and mute');
  });

  it('has a cue whose device is gone in trouble, with what to do', () => {
    const { studio, place, context } = it0;
    const cue = context.session.cues.find(({ id }) => id === ('actors' as CueId))!;
    const carrier = { on: 'console', device: 'sold' as DeviceId, rows: ['aux-1'] } as const;
    const lost = then({ studio, place, context }, [
      editSet('cue', { session: place.session }, cue.id, {
        ...{ field: 'carrier', value: { ...carrier, rows: [...carrier.rows] }, was: cue.carrier },
      }),
    ]);
    expect(sheetAt(lost).cues.find(({ id }) => id === cue.id)!.trouble).toBe(
      'The device is not in the rig any more. Choose another carrier.',
    );
  });
});

it('a cue has come as far as the line of it that has come least far', () => {
  expect(worstStatus(['patched', 'routed', 'proven'])).toBe('routed');
  expect(worstStatus(['patched', 'broken', 'planned'])).toBe('broken');
  expect(worstStatus([])).toBeUndefined();
});
