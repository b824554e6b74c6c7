import type { ChosenCounterparts } from '@ft/core/actions/sessions/counterparts';
import { counterparts, devicesUsed } from '@ft/core/actions/sessions/counterparts';
import { leftOutSentence } from '@ft/core/actions/sessions/leftOutSentence';
import type { TakenOver } from '@ft/core/actions/sessions/takenOver';
import { sessionOver, takenOver } from '@ft/core/actions/sessions/takenOver';
import { applyNewChange } from '@ft/core/edits/change';
import { removeDevicesEdits } from '@ft/core/actions/rig/rigEdits';
import type { Device, Rig } from '@ft/core/rig/rigSchema';
import type { Session } from '@ft/core/session/sessionSchema';
import type { Studio } from '@ft/core/session/studioSchema';
import { studioSchema } from '@ft/core/session/studioSchema';
import { saltglassRooms } from '../fixtures/builtDemo';

const demo = saltglassRooms();
const ledger = demo.sessions[0]!;

function over(studio: Studio, chosen: ChosenCounterparts = {}, session: Session = ledger): TakenOver {
  const all = counterparts(session, demo.rig, studio.rig, chosen);
  const taken = takenOver(studio, 'Taken', { session, theirs: demo.rig, all });
  if (!taken.ok) throw new Error(taken.sentence);
  const result = applyNewChange(studio, taken.value.edits);
  if (!result.ok) throw new Error(JSON.stringify(result.refusal));
  return taken.value;
}

const itemOf = ({ edits }: TakenOver): Session => edits[0]!['item'] as Session;

/** The rig without some devices, as somebody else might have it. */
function without(...names: readonly string[]): Studio {
  const gone = demo.rig.devices.filter(({ name }) => names.includes(name));
  const bare: Studio = { ...demo, sessions: [] };
  const result = applyNewChange(bare, removeDevicesEdits(bare, gone));
  if (!result.ok) throw new Error('devices can go');
  return result.value;
}

/** The same gear under other ids: names are what people keep. */
function renumbered(rig: Rig): Rig {
  const text = JSON.stringify(rig);
  const ids = rig.devices.map(({ id }) => id).sort((a, b) => b.length - a.length);
  const renamed = ids.reduce(
    (now, id) => now.replaceAll(`"${id}/`, `"own-${id}/`).replaceAll(`"id":"${id}"`, `"id":"own-${id}"`),
    text,
  );
  return studioSchema.shape.rig.parse(JSON.parse(renamed));
}

/** Whether a document names a device anywhere: an own road, by its text. */
const names = (document: unknown, { id }: Pick<Device, 'id'>): boolean => {
  const text = JSON.stringify(document);
  return text.includes(`"${id}/`) || text.includes(`"${id}"`);
};

describe('a session taken over', () => {
  it('to the rig it comes from is the same session under another name, and nothing is left out', () => {
    const taken = over(demo);
    expect(taken.left).toEqual([]);
    expect(itemOf(taken)).toEqual({ ...ledger, id: 'taken', name: 'Taken' });
  });

  it('to a rig of the same names keeps every line, cord and knob under the ids there', () => {
    const other: Studio = { ...demo, sessions: [], rig: renumbered(demo.rig) };
    const taken = over(other);
    expect(taken.left).toEqual([]);
    const item = itemOf(taken);
    expect(item.threads.map(({ from }) => from)).toEqual(ledger.threads.map(({ from }) => `own-${from}`));
    expect(item.scenes.map(({ cords }) => cords.length)).toEqual(
      ledger.scenes.map(({ cords }) => cords.length),
    );
    expect(item.host).toBe('own-daw');
  });

  it('keeps what was waived only where places are called the same', () => {
    const waived: Session = { ...ledger, waivers: [{ id: 'some-finding', reason: 'known' }] };
    expect(itemOf(over(demo, {}, waived)).waivers).toHaveLength(1);
    const taken = over({ ...demo, sessions: [], rig: renumbered(demo.rig) }, {}, waived);
    expect(itemOf(taken).waivers).toEqual([]);
    expect(taken.left.map(leftOutSentence)).toEqual([
      'One waived finding is left out, since it names places of the other rig.',
    ]);
  });

  it('leaves jobs out whose units are not there, with their slots freed, and keeps the others', () => {
    const mix = demo.sessions[1]!;
    const other = without('Opto compressor');
    const taken = sessionOver(mix, demo.rig, other.rig, counterparts(mix, demo.rig, other.rig));
    expect(taken.left.map(leftOutSentence)).toContain(
      'The job of NARR is left out: there is no Opto compressor here.',
    );
    const { jobs, tracks, threads } = taken.kept;
    expect(jobs).toHaveLength(mix.jobs.length - 1);
    const lost = mix.jobs.find(({ id }) => !jobs.some((job) => job.id === id))!.id;
    expect(tracks.flatMap(({ inserts }) => inserts).some((slot) => slot?.job === lost)).toBe(false);
    expect(threads.some(({ job }) => job === lost)).toBe(false);
  });

  it('twice gives the same', () => {
    const other = without('Mic preamp', 'Bay B', 'Large condenser');
    const all = counterparts(ledger, demo.rig, other.rig);
    expect(sessionOver(ledger, demo.rig, other.rig, all)).toEqual(
      sessionOver(ledger, demo.rig, other.rig, all),
    );
    expect(over(other)).toEqual(over(other));
    // And once more from what has been taken over: nothing further is lost.
    const first = itemOf(over(other));
    const again = sessionOver(first, other.rig, other.rig, counterparts(first, other.rig, other.rig));
    expect(again).toEqual({ kept: first, left: [] });
  });

  const used = demo.rig.devices.filter(({ id }) => devicesUsed(ledger).has(id));

  it('lists every device it uses, and no other', () => {
    expect(used.length).toBeGreaterThan(20);
    for (const device of demo.rig.devices)
      expect([device.name, devicesUsed(ledger).has(device.id)]).toEqual([device.name, names(ledger, device)]);
  });

  it.each(used.map((device) => [device.name, device] as const))(
    'to a rig without %s names it nowhere, says so, and can be made',
    (name, device) => {
      const taken = over(without(name));
      expect(names(itemOf(taken), device)).toBe(false);
      const told = taken.left.map(leftOutSentence);
      expect(told.some((sentence) => sentence.includes(name))).toBe(true);
      expect(told.filter((sentence) => !sentence.includes(name))).toEqual([]);
    },
  );

  it('accounts for every line, cord and knob: kept or told', () => {
    const taken = over(without('Mic preamp', 'Kiln panel', 'Long ribbon', 'DAW'));
    const item = itemOf(taken);
    const count = (what: string): number =>
      taken.left.filter((each) => each.what === what).reduce((sum, each) => sum + each.count, 0);
    expect(item.threads.length + count('line')).toBe(ledger.threads.length);
    const knobs = (session: Session): number =>
      session.scenes.flatMap(({ settings }) => Object.keys(settings)).length;
    expect(knobs(item) + count('knobs')).toBe(knobs(ledger));
    // A cord of a line that is left out goes with its line.
    const there = new Set(item.threads.map(({ id }) => id));
    const cords = (session: Session): number =>
      session.scenes.flatMap((scene) => scene.cords).filter(({ thread }) => thread && there.has(thread))
        .length;
    expect(cords(item) + count('cords')).toBe(cords(ledger));
  });

  it('puts nothing in the place of what is missing, unless a person says what', () => {
    const other = without('Large condenser');
    const lines = (taken: TakenOver): readonly number[] => itemOf(taken).threads.map(({ number }) => number);
    expect(lines(over(other))).not.toContain(1);
    const chosen = { 'large-condenser': 'lavalier-condenser' as Device['id'] };
    const taken = over(other, chosen);
    expect(itemOf(taken).threads.find(({ number }) => number === 1)?.from).toBe('lavalier-condenser/out/1');
    const [said] = counterparts(ledger, demo.rig, other.rig, chosen).filter(({ how }) => how === 'chosen');
    expect(said?.theirs.name).toBe('Large condenser');
  });

  it('offers only devices of the same kind', () => {
    const all = counterparts(ledger, demo.rig, demo.rig);
    for (const { theirs, candidates } of all)
      expect(candidates.every(({ type }) => type === theirs.type)).toBe(true);
    const wrong = counterparts(ledger, demo.rig, demo.rig, { 'large-condenser': 'daw' as Device['id'] });
    expect(wrong.find(({ theirs }) => theirs.id === 'large-condenser')?.ours?.id).toBe('large-condenser');
  });

  it('is refused where one device would stand for two', () => {
    const all = counterparts(ledger, demo.rig, demo.rig, {
      'large-condenser': 'long-ribbon' as Device['id'],
    });
    const taken = takenOver(demo, 'Taken', { session: ledger, theirs: demo.rig, all });
    expect(taken.ok ? '' : taken.sentence).toBe(
      'Long ribbon would stand for two devices. Choose another one, or none, for one of them.',
    );
  });

  it('leaves out places a smaller device of the same name does not have', () => {
    const devices = demo.rig.devices.map((device) =>
      device.name === 'DAW' ? { ...device, params: { ...device.params, inputs: 8, outputs: 8 } } : device,
    );
    const smaller: Studio = { ...demo, sessions: [], rig: { ...demo.rig, devices, hardwires: [] } };
    const told = over(smaller).left.map(leftOutSentence);
    expect(told).toContain('The line 13 Crush is left out: there is no DAW output 17 here.');
  });

  it('takes cords of the same name and plugs, whatever their id', () => {
    const cords = demo.rig.cords.map((stock) => ({ ...stock, id: `own-${stock.id}` as typeof stock.id }));
    const other: Studio = { ...demo, sessions: [], rig: { ...demo.rig, cords } };
    const taken = over(other);
    expect(taken.left).toEqual([]);
    expect(
      itemOf(taken)
        .scenes.flatMap((scene) => scene.cords)
        .every(({ stock }) => stock.startsWith('own-')),
    ).toBe(true);
    const none: Studio = { ...demo, sessions: [], rig: { ...demo.rig, cords: [] } };
    expect(over(none).left.filter(({ what }) => what === 'cords').length).toBeGreaterThan(0);
  });
});
