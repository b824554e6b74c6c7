import type { LineCell } from '@ft/core/actions/track/lineCells';
import { lineCellsEdits } from '@ft/core/actions/track/lineCells';
import { applyChange } from '@ft/core/edits/change';
import type { ThreadId } from '@ft/core/rig/ids';
import type { Studio } from '@ft/core/session/studioSchema';
import { planOf } from '@ft/core/views/plan';
import type { PlanRow } from '@ft/core/views/plan';
import { SALTGLASS_PLACE, saltglassRooms } from '../fixtures/thin/saltglass';
import { firstScene } from '../fixtures/studioOf';

const demo = saltglassRooms();
const cell = (line: number, field: LineCell['field'], text: string): LineCell => ({
  thread: `line-${String(line)}` as ThreadId,
  field,
  text,
});

/** The lines after texts were taken over, and what was refused. */
function entered(cells: readonly LineCell[]): {
  row: (line: number) => PlanRow;
  refused: readonly string[];
  count: number;
  studio: Studio;
} {
  const { edits, refused } = lineCellsEdits(demo, SALTGLASS_PLACE, cells);
  const result = applyChange(demo, edits);
  if (!result.ok) throw new Error(JSON.stringify(result.refusal));
  const studio = result.value;
  const { session, scene } = firstScene(studio);
  const { rows } = planOf(studio.rig, session, scene, studio.floor).plan;
  return {
    row: (line) => rows.find(({ thread }) => thread.id === `line-${String(line)}`)!,
    refused: refused.map(({ at, sentence }) => `${String(at)}: ${sentence}`),
    count: edits.length,
    studio,
  };
}

describe('texts for cells of the input list', () => {
  it('fill texts and figures of several lines as one change', () => {
    const { row, refused, count } = entered([
      cell(1, 'performer', ' Ada Lorne '),
      cell(2, 'levelDbSpl', '96,5'),
      cell(3, 'crestDb', ''),
    ]);
    expect(row(1).thread.performer).toBe('Ada Lorne');
    expect(row(2).thread.levelDbSpl).toBe(96.5);
    expect(row(3).thread.crestDb).toBeUndefined();
    expect(refused).toEqual([]);
    expect(count).toBe(3);
  });

  it('that say what stands there already change nothing', () => {
    const [one] = planOf(...places()).plan.rows;
    const same = [cell(1, 'performer', one!.thread.performer), cell(1, 'from', one!.sourceName)];
    expect(lineCellsEdits(demo, SALTGLASS_PLACE, same)).toEqual({ edits: [], refused: [] });
  });

  it('pin stations by the names their cells show, route the line anew, and unpin where empty', () => {
    const before = planOf(...places()).plan.rows.find(({ thread }) => thread.id === 'line-4')!;
    expect(before.cells['room-jack']?.pinned).toBe(true);
    const { row, refused } = entered([
      cell(1, 'pins.preamp', 'mic preamp 3'),
      cell(3, 'pins.preamp', 'Mic preamp 1'),
      cell(4, 'pins.room-jack', ''),
    ]);
    expect(refused).toEqual([]);
    expect(row(1).cells.preamp).toMatchObject({ name: 'Mic preamp 3', pinned: true, passed: true });
    expect(row(3).cells.preamp).toMatchObject({ name: 'Mic preamp 1', pinned: true, passed: true });
    expect(row(4).thread.pins['room-jack']).toBeUndefined();
  });

  it('turn the knob of the preamp a line comes to by the same texts', () => {
    const { row, studio } = entered([
      cell(1, 'gainDb', '31'),
      cell(1, 'pins.preamp', 'Mic preamp 3'),
      cell(3, 'pins.preamp', 'Mic preamp 1'),
      cell(4, 'phantom', 'off'),
    ]);
    expect(row(1).settings.gainDb?.value).toBe(31);
    const { settings } = firstScene(studio).scene;
    expect(settings['preamp/gainDb/3' as never]).toBe(31);
    expect(settings['preamp/phantom/4' as never]).toBe(false);
  });

  it('that do not fit are told by their place, and the rest is taken', () => {
    const { row, refused } = entered([
      cell(1, 'levelDbSpl', 'loud'),
      cell(1, 'performer', 'Ada Lorne'),
      cell(2, 'levelDbSpl', '400'),
      cell(2, 'number', ''),
      cell(2, 'pins.preamp', 'Mic preamp 99'),
      cell(3, 'from', 'No such microphone'),
      cell(3, 'inserts', 'Opto compressor, Nothing'),
      cell(4, 'gainDb', '90'),
      cell(4, 'phantom', 'perhaps'),
    ]);
    expect(row(1).thread.performer).toBe('Ada Lorne');
    expect(refused).toEqual([
      '0: “loud” is not a number. Type one, such as 88.',
      '2: “400” does not fit: a sound level from 0 to 160 dB SPL.',
      '3: “” is not a number. Type one, such as 88.',
      '4: There is no preamp “Mic preamp 99” here.',
      '5: There is no source “No such microphone” here.',
      '6: There is no processor “Nothing” here.',
      '7: Gain goes from 10 to 65 dB.',
      '8: “perhaps” is not a state of 48 V. Type on or off.',
    ]);
  });

  it('keep 48 V off a ribbon when it is filled down, and switch it where it is meant alone', () => {
    const { studio, refused } = entered([cell(2, 'phantom', 'on'), cell(3, 'phantom', 'on')]);
    const { settings } = firstScene(studio).scene;
    expect([settings['preamp/phantom/2' as never], settings['preamp/phantom/3' as never]]).toEqual([
      true,
      undefined,
    ]);
    expect(refused).toEqual([
      '1: 48 V could harm Long ribbon. It is left off here; switch this one by hand if it is meant.',
    ]);
    expect(entered([cell(3, 'phantom', 'on')]).refused).toEqual([]);
  });
});

function places(): Parameters<typeof planOf> {
  const { session, scene } = firstScene(demo);
  return [demo.rig, session, scene, demo.floor];
}
