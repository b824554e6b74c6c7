import { saltglassRooms } from '../../core/test/fixtures/thin/saltglass';
import { planOf } from '@ft/core/views/plan';
import { choiceFieldOf, COLUMNS, stationIn } from '../src/app/stages/track/input-list/columns';

describe('the columns of the input list', () => {
  const demo = saltglassRooms();
  const session = demo.sessions[0]!;
  const row = planOf(demo.rig, session, session.scenes[0]!).plan.rows[0]!;

  it('show a line as text', () => {
    expect(COLUMNS.map((column) => column.text(row))).toEqual([
      ...['1', 'Imke Tarrow', 'Narrator', '88', '14', 'Large condenser', 'Booth panel line 1'],
      ...['Mic preamp 1', '44', 'on', 'Opto compressor', 'Converter in 5', 'DAW input 5', 'NARR'],
      ...['', '', 'routed'],
    ]);
  });

  it('set figures to the right', () => {
    expect(COLUMNS.filter(({ isFigure }) => isFigure === true).map(({ title }) => title)).toEqual([
      ...['#', 'Sound', 'Crest', 'Gain', 'Mic at', 'Line level'],
    ]);
  });

  it('know which cells hold a station, and what a choice is asked about', () => {
    expect(COLUMNS.filter(({ id }) => stationIn(row, id) !== undefined).map(({ title }) => title)).toEqual([
      ...['Room jack', 'Preamp', 'Converter', 'DAW input'],
    ]);
    const choices = COLUMNS.filter(({ editor }) => editor === 'choice');
    expect(choices.map(({ id }) => choiceFieldOf(id as never))).toEqual([
      ...['from', 'room-jack', 'preamp', 'processor', 'converter', 'daw-input'],
    ]);
  });
});
