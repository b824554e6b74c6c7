import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { gunzipSync } from 'node:zlib';
import { readBundle, writeBundle } from '@ft/core/formats/bundle';
import type { Studio } from '@ft/core/session/studioSchema';
import type { ListRow } from '@ft/core/session/lists';
import { LIST_NAMES, LISTS } from '@ft/core/session/lists';
import { SALTGLASS_PLACE } from '../fixtures/builtDemo';
import { workedScene } from '@ft/core/scene/workedScene';
import { findScene } from '@ft/core/session/scenePlace';

/** The demo of its day, written by the program of its day: one file of every shape there has been. */
const FOLDER = join(__dirname, '../fixtures/bundles');
const FILES = readdirSync(FOLDER);
const textOf = (file: string): string => gunzipSync(readFileSync(join(FOLDER, file))).toString('utf8');

function opened(text: string): Studio {
  const reading = readBundle(text);
  if (!reading.ok) throw new Error(JSON.stringify(reading.problems.slice(0, 3)));
  return reading.studio;
}

describe('a bundle of an earlier shape', () => {
  it('is kept of every shape there has been', () => {
    expect(FILES).toHaveLength(5);
  });

  it.each(FILES)('opens, keeps its lines and their patch, and is written as one of now: %s', (file) => {
    const text = textOf(file);
    const studio = opened(text);
    const { session, scene } = findScene(studio, SALTGLASS_PLACE)!;
    const said = JSON.parse(text) as { studio: { sessions: { threads: unknown[] }[] } };
    expect(session.threads).toHaveLength(said.studio.sessions[0]!.threads.length);
    const { threads } = workedScene(studio.rig, session, scene, studio.floor);
    expect(threads.length).toBeGreaterThan(3);
    expect(threads.filter(({ complete }) => !complete).map(({ thread }) => thread.number)).toEqual([]);
    const again = writeBundle(studio);
    expect(opened(again)).toEqual(studio);
    expect(writeBundle(opened(again))).toBe(again);
  });

  it('brings marks of plugged cords to the floor', () => {
    const marks = textOf('1-input-list.thread.json.gz').match(/"plugged": true/g)!;
    expect(opened(textOf('1-input-list.thread.json.gz')).floor.cords).toHaveLength(marks.length);
  });
});

describe('the table of lists', () => {
  it('names every list of things with ids that a studio has', () => {
    const studio = opened(textOf('2-levels-and-performers.thread.json.gz'));
    // Lists that are left out as long as they are empty stand in no file of those days.
    const always = LIST_NAMES.map((name): ListRow => LISTS[name]).filter(({ isSeldom }) => isSeldom !== true);
    const lists = new Set(always.map((row) => `${row.in} ${row.key}`));
    const [session] = studio.sessions;
    const [scene] = session!.scenes;
    const holders = { rig: studio.rig, floor: studio.floor, studio, session: session!, scene: scene! };
    const found = Object.entries(holders).flatMap(([holder, held]) =>
      Object.entries(held)
        .filter(([, value]) => Array.isArray(value) && typeof value[0] !== 'string')
        .map(([key]) => `${holder} ${key}`),
    );
    expect(new Set(found)).toEqual(lists);
  });
});
