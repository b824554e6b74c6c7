import { SALTGLASS_PLACE, saltglassRooms } from '../fixtures/thin/saltglass';
import { applyChange, changeSchema, invertChange } from '@ft/core/edits/change';
import type { EditJson } from '@ft/core/edits/editKind';
import { accept } from '@ft/core/edits/ledger';
import { refusalSentence } from '@ft/core/words/refusalWording';
import { EDIT_KINDS } from '@ft/core/edits/registry';
import { canonicalStudio } from '@ft/core/formats/canonicalStudio';
import { writeBundle } from '@ft/core/formats/bundle';
import type { Studio } from '@ft/core/session/studioSchema';
import { randomEdits } from '../fixtures/randomEdits';
import { randomSceneEdits } from '../fixtures/randomSceneEdits';
import { seeded } from '../fixtures/seeded';

const IN_SESSION = { session: 'lamplighters-ledger' };
const demo = saltglassRooms();
const stored = (studio: Studio): string => writeBundle(studio);

const setPerformer = (value: string, was: string): EditJson => ({
  type: 'thread.set',
  ...IN_SESSION,
  id: 'line-1',
  field: 'performer',
  value,
  was,
});

function refusal(edits: readonly EditJson[], studio: Studio = demo): string {
  const result = applyChange(studio, edits);
  return result.ok ? 'applied' : refusalSentence(result.refusal);
}

describe('every kind of edit', () => {
  it('stands once in the registry', () => {
    const types = EDIT_KINDS.map(({ type }) => type);
    expect(new Set(types).size).toBe(types.length);
  });

  it('is taken back by its inverse, over random edits of the demo', () => {
    const seen = new Set<string>();
    for (let seed = 1; seed <= 220; seed++) {
      const dice = seeded(seed);
      let studio = demo;
      for (let step = 0; step < 6; step++) {
        const salt = `${String(seed)}-${String(step)}`;
        const edits = dice.chance(0.4)
          ? randomSceneEdits(studio, dice, salt)
          : randomEdits(studio, SALTGLASS_PLACE, dice, salt);
        const result = applyChange(studio, edits);
        if (!result.ok || edits.length === 0) continue;
        edits.forEach(({ type }) => seen.add(type));
        const back = applyChange(result.value, invertChange(studio, edits));
        if (!back.ok) throw new Error(`seed ${String(seed)}: ${JSON.stringify(back.refusal)}`);
        expect(stored(back.value)).toBe(stored(studio));
        studio = result.value;
      }
    }
    expect([...seen].sort()).toEqual(
      expect.arrayContaining([
        'cord.add',
        'cord.remove',
        'cord.set',
        'device.set',
        'floor.set',
        'floorSetting.set',
        'plug.add',
        'plug.remove',
        'precaution.add',
        'scene.add',
        'scene.set',
        'setting.set',
        'thread.add',
        'thread.set',
      ]),
    );
  });

  it('keeps the studio in its one order', () => {
    const item = { id: 'aaa', name: 'Aaa', room: 'booth', type: 'wallPanel', params: {} };
    const result = applyChange(demo, [{ type: 'device.add', item }]);
    expect(result.ok && canonicalStudio(result.value).rig.devices).toEqual(
      result.ok && result.value.rig.devices,
    );
  });

  it('goes through JSON unchanged', () => {
    const change = { id: 'change-1', label: 'Rename', edits: [setPerformer('Ada', 'Imke Tarrow')] };
    expect(changeSchema.parse(JSON.parse(JSON.stringify(change)))).toEqual(change);
  });

  it('is refused by the schema when it is of no kind, or not of its shape', () => {
    const refused = (edit: unknown): boolean =>
      !changeSchema.safeParse({ id: 'change-1', label: 'x', edits: [edit] }).success;
    expect(refused({ type: 'thread.paint' })).toBe(true);
    expect(refused({ type: 'thread.set', id: 'line-1' })).toBe(true);
    expect(refused({ ...setPerformer('a', 'b'), extra: 1 })).toBe(true);
  });
});

describe('two people on one row', () => {
  const theirs = applyChange(demo, [setPerformer('Ada', 'Imke Tarrow')]);
  const after = theirs.ok ? theirs.value : demo;

  it('both keep their edits on different fields', () => {
    const mine: EditJson = { ...setPerformer('NARR 2', 'NARR'), field: 'trackName' };
    expect(refusal([mine], after)).toBe('applied');
  });

  it('are told what is there now on the same field', () => {
    expect(refusal([setPerformer('Bo', 'Imke Tarrow')], after)).toBe(
      'Somebody else changed performer of this thread to “Ada” meanwhile. Your “Bo” is kept beside it; enter it again to overrule.',
    );
  });

  it('may agree', () => {
    expect(refusal([setPerformer('Ada', 'Imke Tarrow')], after)).toBe('applied');
  });

  it('and an undo of having agreed takes nothing away', () => {
    const agreed = setPerformer('Ada', 'Imke Tarrow');
    const back = applyChange(after, invertChange(after, [agreed]));
    expect(back.ok && stored(back.value)).toBe(stored(after));
  });

  it('are told when the row has gone', () => {
    const gone = applyChange(demo, [{ type: 'waiver.remove', ...IN_SESSION, id: 'nothing' }]);
    expect(gone.ok).toBe(false);
    expect(refusal([{ type: 'thread.remove', ...IN_SESSION, id: 'line-9' }])).toMatch(
      /^The thread was removed/,
    );
  });
});

describe('a change', () => {
  it('happens whole or not at all', () => {
    const good = setPerformer('Ada', 'Imke Tarrow');
    const bad = setPerformer('Bo', 'nobody');
    expect(applyChange(demo, [good, { ...bad, id: 'line-2' }]).ok).toBe(false);
  });

  it('may pass through a state that would not hold, as long as its end does', () => {
    const cord = demo.sessions[0]!.scenes[0]!.cords[0]!;
    const place = { ...IN_SESSION, scene: 'tracking' };
    const twin = { ...cord, id: 'twin' };
    expect(applyChange(demo, [{ type: 'cord.add', ...place, item: twin }]).ok).toBe(false);
    expect(
      applyChange(demo, [
        { type: 'cord.add', ...place, item: twin },
        { type: 'cord.remove', ...place, id: cord.id },
      ]).ok,
    ).toBe(true);
  });

  it('is refused when it would break what depends on it, by name', () => {
    expect(refusal([{ type: 'room.remove', id: 'kiln' }])).toMatch(
      /^(Kiln panel|Small condenser|Long ribbon): There is no room “kiln”/,
    );
  });

  it('becomes a line of the history with its inverse', () => {
    const change = { id: 'change-1', label: 'Rename', edits: [setPerformer('Ada', 'Imke Tarrow')] };
    const result = accept(demo, 7, change, { author: 'me', at: '2026-01-01T00:00:00Z' });
    expect(result).toMatchObject({
      ok: true,
      entry: { revision: 8, change: 'change-1', inverse: [setPerformer('Imke Tarrow', 'Ada')] },
    });
  });
});
