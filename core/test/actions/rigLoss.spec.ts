import { SALTGLASS_PLACE, saltglassRooms } from '../fixtures/thin/saltglass';
import { runChecks } from '@ft/core/checks/runChecks';
import { applyChange, applyNewChange, invertChange } from '@ft/core/edits/change';
import type { EditJson } from '@ft/core/edits/editKind';
import { changeParamsEdits, removeDevicesEdits, removeRoomEdits } from '@ft/core/actions/rig/rigEdits';
import { rigLoss } from '@ft/core/actions/rig/rigLoss';
import type { Device } from '@ft/core/rig/rigSchema';
import type { Studio } from '@ft/core/session/studioSchema';
import { contextOf } from '../fixtures/studioOf';

const demo = saltglassRooms();

function edited(edits: readonly EditJson[]): Studio {
  const result = applyChange(demo, edits);
  if (!result.ok) throw new Error(JSON.stringify(result.refusal));
  return result.value;
}

describe('what a change to the rig takes with it', () => {
  const device = (id: string): Device => demo.rig.devices.find((each) => each.id === id)!;

  it('is told before: devices, wires, and the threads that would break, scene by scene', () => {
    const loss = rigLoss(demo, removeDevicesEdits(demo, [device('opto')]));
    expect(loss).toEqual({
      devices: ['Opto compressor'],
      wires: 2,
      scenes: [
        {
          session: 'The Lamplighter’s Ledger',
          scene: 'Tracking',
          threads: ['1 Imke Tarrow, Narrator'],
        },
      ],
    });
  });

  it('shows in the session as a finding, and comes back with the device', () => {
    const edits = removeDevicesEdits(demo, [device('opto')]);
    const without = edited(edits);
    const found = runChecks(contextOf(without)).findings.map(({ finding }) => finding);
    const gone = found.filter(({ rule }) => rule === 'gone-from-rig');
    expect(gone.map(({ at }) => at.map(({ kind }) => kind).join())).toEqual(['thread']);
    const back = applyChange(without, invertChange(demo, edits));
    expect(back.ok && back.value).toEqual(demo);
  });

  it('takes a room with everything in it', () => {
    const booth = demo.rig.rooms.find(({ id }) => id === 'booth')!;
    const without = edited(removeRoomEdits(demo, booth));
    expect(without.rig.devices.filter(({ room }) => room === 'booth')).toEqual([]);
    expect(rigLoss(demo, removeRoomEdits(demo, booth)).scenes[0]!.threads).toHaveLength(2);
  });

  it('takes the wires of connectors that a smaller unit no longer has', () => {
    const edits = changeParamsEdits(demo, device('preamp'), { ...device('preamp').params, channels: 2 });
    expect(edits.filter(({ type }) => type === 'hardwire.remove')).toHaveLength(4);
    expect(edited(edits).rig.devices.find(({ id }) => id === 'preamp')!.params['channels']).toBe(2);
  });

  it('leaves knobs that do not fit any more where they stood at first, and says so', () => {
    const edits = changeParamsEdits(demo, device('preamp'), { ...device('preamp').params, maxGainDb: 50 });
    const after = edited(edits);
    const finding = runChecks(contextOf(after)).findings.find(
      ({ finding: it }) => it.rule === 'gone-from-rig',
    )!.finding;
    expect(finding.figures).toEqual({ gone: [], knobs: ['Gain 2', 'Gain 3'] });
    const planned = contextOf(after).threads.find(({ thread }) => thread.source === 'Lamplighter')!;
    expect(planned.path.some(({ gainDb }) => gainDb === 30)).toBe(true);
  });

  it('a session alone may not come to ask for what is not there', () => {
    const edit = { type: 'thread.set', session: SALTGLASS_PLACE.session, id: 'line-1', field: 'from' };
    const change = [{ ...edit, value: 'nobody/out/1', was: 'narrator-mic/out/1' }];
    expect(applyNewChange(demo, change).ok).toBe(false);
    // Taking back an old change may: the rig can have lost it since.
    expect(applyChange(demo, change).ok).toBe(true);
  });
});
