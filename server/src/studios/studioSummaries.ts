import { literal } from 'sequelize';
import type { SessionSummary, StudioSummary } from '@ft/contract/studios';
import { scenesInOrder } from '@ft/core/session/scenesInOrder';
import type { Scene } from '@ft/core/session/sessionSchema';
import { sessionOrder } from '@ft/core/session/sessionsInOrder';
import type { Models } from '../database/models';

/** What the list says of a stored session, without its whole document being read out. */
const HEAD = literal(
  `(CASE WHEN json_valid(document) THEN json_object(
    'date', json_extract(document, '$.date'),
    'goesLive', json_extract(document, '$.goesLive') IS 1,
    'archived', json_extract(document, '$.archived') IS 1,
    'template', json_extract(document, '$.template') IS 1,
    'scenes', (SELECT json_group_array(json_object(
        'id', json_extract(value, '$.id'), 'name', json_extract(value, '$.name'),
        'archived', json_extract(value, '$.archived') IS 1, 'position', json_extract(value, '$.position')))
      FROM json_each(document, '$.scenes'))) END)`,
);

const FLOOR_SCENE = literal(`(CASE WHEN json_valid(floor) THEN json_extract(floor, '$.scene') END)`);

interface SceneHead {
  readonly id: Scene['id'];
  readonly name: string;
  readonly archived: number;
  readonly position: number | null;
}

interface Head {
  readonly date: string | null;
  readonly goesLive: number;
  readonly archived: number;
  readonly template: number;
  readonly scenes: readonly SceneHead[];
}

/** A value that was selected as JSON; nothing where the stored text cannot be read. */
function jsonOf(row: { get(key: string): unknown }, key: string): unknown {
  const text = row.get(key);
  return typeof text === 'string' ? JSON.parse(text) : undefined;
}

/** The scenes in their order: only what that order is made of was read. */
const inOrder = (scenes: readonly SceneHead[]): readonly Pick<Scene, 'id' | 'name'>[] =>
  scenesInOrder({
    scenes: scenes.map(({ id, name, archived, position }) => ({
      ...{ id, name, cords: [], settings: {} },
      ...(archived === 1 && { archived: true }),
      ...(position !== null && { position }),
    })),
  });

type FloorScene = { readonly session: string; readonly scene: string } | undefined;

function sessionSummary(
  { id, name }: { readonly id: string; readonly name: string },
  head: Head | undefined,
  floor: FloorScene,
  openedAt: string | undefined,
): SessionSummary {
  // One that cannot be read is listed all the same.
  const scenes = inOrder(head?.scenes ?? []);
  const onFloor = floor?.session === id ? scenes.find((scene) => scene.id === floor.scene) : undefined;
  return {
    ...{ id, name, scene: scenes[0]?.id ?? '' },
    ...(typeof head?.date === 'string' && { date: head.date }),
    goesLive: head?.goesLive === 1,
    archived: head?.archived === 1,
    template: head?.template === 1,
    ...(onFloor !== undefined && { onFloor: onFloor.name }),
    ...(openedAt !== undefined && { openedAt }),
  };
}

const order = (a: SessionSummary, b: SessionSummary): number => sessionOrder(headOf(a), headOf(b));
const headOf = ({ name, date, archived, template }: SessionSummary) => ({
  name,
  ...(date !== undefined && { date }),
  ...(archived && { archived }),
  ...(template && { template }),
});

/** All studios, what was changed last first; or the one of an id. */
export async function studioSummaries(models: Models, id?: string): Promise<readonly StudioSummary[]> {
  const own = id !== undefined && { where: { studioId: id } };
  const [rows, parts, openings] = await Promise.all([
    models.studios.findAll({
      ...(id !== undefined && { where: { id } }),
      attributes: ['id', 'name', 'revision', 'changedAt', [FLOOR_SCENE, 'floorScene']],
      order: [['changedAt', 'DESC']],
    }),
    models.sessions.findAll({ ...own, attributes: ['studioId', 'id', 'name', [HEAD, 'head']] }),
    models.openings.findAll({ ...own }),
  ]);
  const opened = new Map(openings.map(({ studioId, sessionId, at }) => [`${studioId}/${sessionId}`, at]));
  return rows.map((row) => ({
    ...{ id: row.id, name: row.name, revision: row.revision, changedAt: row.changedAt },
    sessions: parts
      .filter(({ studioId }) => studioId === row.id)
      .map((part) =>
        sessionSummary(
          part,
          jsonOf(part, 'head') as Head | undefined,
          jsonOf(row, 'floorScene') as FloorScene,
          opened.get(`${row.id}/${part.id}`),
        ),
      )
      .sort(order),
  }));
}
