import { DEMO_BUNDLE, SALTGLASS_PLACE, saltglassRooms } from '../../core/test/fixtures/builtDemo';
import { changeParamsEdits, removeDevicesEdits } from '@ft/core/actions/rig/rigEdits';
import { removeTrackEdits } from '@ft/core/actions/mix/trackEdits';
import { readWiresCsv } from '@ft/core/formats/csv/wiresCsv';
import type { EditJson } from '@ft/core/edits/editKind';
import type { Studio } from '@ft/core/session/studioSchema';
import type { TestProgram } from './helpers';
import { studioAtSchema } from '@ft/contract/studioAt';
import { DEMO, startProgram } from './helpers';

let program: TestProgram;
let serial = 0;

beforeEach(async () => {
  program = await startProgram({ demo: DEMO_BUNDLE });
  await program.api.post('/api/studios/demo').expect(201);
});
afterEach(() => program.close());

const demo = saltglassRooms();

async function change(
  label: string,
  edits: readonly EditJson[],
  status = 200,
): Promise<{ message?: string }> {
  const id = `change-rig-${String(++serial)}`;
  const { body } = await program.api
    .post(`${DEMO}/changes`)
    .send({ author: 'desk', change: { id, label, edits } })
    .expect(status);
  return body as { message?: string };
}

async function stored(): Promise<Studio> {
  const { body } = await program.api.get(DEMO).expect(200);
  return studioAtSchema.parse(body).studio;
}

describe('a rig on the server', () => {
  const opto = demo.rig.devices.find(({ id }) => id === ('opto-compressor' as typeof id))!;

  it('loses gear that a session plans on, and gets it back by undo', async () => {
    await change('Remove', removeDevicesEdits(demo, [opto]));
    const without = await stored();
    expect(without.rig.devices).toHaveLength(demo.rig.devices.length - 1);
    expect(without.sessions).toEqual(demo.sessions);
    await program.api.post(`${DEMO}/undo`).send({ author: 'desk', change: 'undo-rig-change-1' }).expect(200);
    expect(await stored()).toEqual(demo);
  });

  it('still exports and imports while a session asks for what is gone', async () => {
    await change('Remove', removeDevicesEdits(demo, [opto]));
    const { text } = await program.api.get(`${DEMO}/bundle`).expect(200);
    await program.api.delete(DEMO).expect(204);
    await program.api.post('/api/bundles').type('application/json').send(text).expect(201);
    expect((await stored()).sessions).toEqual(demo.sessions);
  });

  it('refuses a session that would ask for what is not there, in words', async () => {
    const edit = { type: 'thread.set', session: SALTGLASS_PLACE.session, id: 'line-1', field: 'inserts' };
    const { message } = await change(
      'Insert',
      [{ ...edit, value: ['nothing/channel-a'], was: ['opto-compressor/channel-a'] }],
      409,
    );
    expect(message).toMatch(/line 1 Imke Tarrow, Narrator: There is no station “nothing\/channel-a”/);
  });

  it('refuses a second device of a name, with the remedy', async () => {
    const item = { id: 'another', name: 'bay a', room: 'batch', type: 'patchbay', params: {} };
    const { message } = await change('Add', [{ type: 'device.add', item }], 409);
    expect(message).toContain(
      'Bay A: There is a device called “Bay A” already. Give this one a name of its own, such as “Bay A 2”.',
    );
  });

  it('refuses a smaller unit whose wires would hang in the air, and takes it with its wires', async () => {
    const preamp = demo.rig.devices.find(({ name }) => name === 'Mic preamp')!;
    const smaller = { ...preamp.params, channels: 2 };
    const bare = { type: 'device.set', id: preamp.id, field: 'params', value: smaller, was: preamp.params };
    expect((await change('Smaller', [bare], 409)).message).toMatch(/There is no lane “mic-preamp\/mic-3\/1”/);
    await change('Smaller', changeParamsEdits(demo, preamp, smaller));
    const { rig } = await stored();
    expect(rig.hardwires).toHaveLength(demo.rig.hardwires.length - 4);
  });

  it('takes a table of wires as one change', async () => {
    const read = readWiresCsv(
      'Reference player out left,Bay F 40 upper rear\nReference player out right,Bay F 41 upper rear',
      demo.rig,
    );
    await change('Table', read.ok ? read.edits : []);
    const { body } = await program.api.get(`${DEMO}/history`).expect(200);
    expect((body as { entries: { label: string; editCount: number }[] }).entries[0]).toMatchObject({
      label: 'Table',
      editCount: 2,
    });
  });

  it('keeps tracks, and takes one out', async () => {
    const [session] = demo.sessions;
    const track = session!.tracks.find(({ name }) => name === 'NARR')!;
    await change('Remove', removeTrackEdits(session!, track));
    const names = (await stored()).sessions[0]!.tracks.map(({ name }) => name);
    expect(names).not.toContain('NARR');
    expect(names).toHaveLength(session!.tracks.length - 1);
  });

  it('reads a session of an older version, with what has been added since', async () => {
    const { sessions } = program.program.database.models;
    const row = (await sessions.findOne({ where: { studioId: 'saltglass-rooms' } }))!;
    const {
      tracks: _tracks,
      buses: _buses,
      hostProfile: _profile,
      panLawDb: _law,
      ...older
    } = JSON.parse(row.document) as Record<string, unknown>;
    await row.update({ document: JSON.stringify(older) });
    await program.stop();
    program = await startProgram({ folder: program.folder });
    expect((await stored()).sessions[0]).toMatchObject({ tracks: [], buses: [], panLawDb: -3 });
  });
});
