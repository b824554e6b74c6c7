import type { SessionField } from '@ft/core/actions/sessions/sessionCell';
import { sessionCell } from '@ft/core/actions/sessions/sessionCell';
import type { Studio } from '@ft/core/session/studioSchema';
import type { SessionLine } from '@ft/core/views/sessions/sessionLines';
import type { TakingColumn } from '../../ui/sheet/cell-takers';

/** A session or template as a row. */
export interface SessionRow extends SessionLine {
  readonly studio: Studio;
  readonly isHere: boolean;
}

export const sessionRowId = ({ session }: SessionRow): string => `session:${session.id}`;

export const sessionRows = (
  studio: Studio,
  lines: readonly SessionLine[],
  here: string | undefined,
): readonly SessionRow[] => lines.map((line) => ({ ...line, studio, isHere: line.session.id === here }));

const typed =
  (field: SessionField) =>
  ({ studio, session }: SessionRow, text: string) =>
    sessionCell(studio, session, field, text);

const count = (
  id: string,
  title: string,
  of: (row: SessionRow) => readonly unknown[],
  widthPx = 60,
): TakingColumn<SessionRow> => ({
  ...{ id, title, widthPx, isFigure: true },
  text: (row) => String(of(row).length),
});

const NAME: TakingColumn<SessionRow> = {
  ...{ id: 'name', title: 'Session', widthPx: 260, editor: 'text', isRequired: true },
  text: ({ session }) => session.name,
  take: typed('name'),
};

const LINES = count('lines', 'Lines', ({ session }) => session.threads);
const TRACKS = count('tracks', 'Tracks', ({ session }) => session.tracks);
const SCENES = count('scenes', 'Scenes', ({ session }) => session.scenes);

export const SESSION_COLUMNS: readonly TakingColumn<SessionRow>[] = [
  NAME,
  {
    ...{ id: 'date', title: 'Day', unit: 'year-month-day', widthPx: 105, editor: 'text' },
    hint: 'Its day, or the first of them: 2026-12-05',
    text: ({ session }) => session.date ?? '',
    take: typed('date'),
  },
  {
    ...{ id: 'goesLive', title: 'Goes live', widthPx: 75, editor: 'switch', isRequired: true },
    hint: 'People hear it as it happens: a show, a broadcast',
    text: ({ session }) => (session.goesLive === true ? 'on' : 'off'),
    take: typed('goesLive'),
  },
  LINES,
  TRACKS,
  SCENES,
  {
    ...{ id: 'floor', title: 'On the floor', widthPx: 130 },
    hint: 'Which scene of it was last put on the floor',
    text: ({ onFloor }) => onFloor ?? '',
  },
  {
    ...{ id: 'here', title: 'Open', widthPx: 80 },
    text: ({ isHere }) => (isHere ? 'open here' : ''),
  },
  {
    ...{ id: 'archived', title: 'Put away', widthPx: 75, editor: 'switch', isRequired: true },
    hint: 'Kept and comparable, but not offered at the top',
    text: ({ session }) => (session.archived === true ? 'on' : 'off'),
    take: typed('archived'),
  },
];

export const TEMPLATE_COLUMNS: readonly TakingColumn<SessionRow>[] = [
  { ...NAME, title: 'Template' },
  LINES,
  TRACKS,
  count('buses', 'Buses', ({ session }) => session.buses),
  SCENES,
  count('cords', 'Cords', ({ session }) => session.scenes.flatMap(({ cords }) => cords)),
  count(
    'settings',
    'Settings',
    ({ session }) => session.scenes.flatMap((scene) => Object.keys(scene.settings)),
    75,
  ),
  count('pins', 'Pins', ({ session }) => session.threads.flatMap(({ pins }) => Object.keys(pins))),
];
