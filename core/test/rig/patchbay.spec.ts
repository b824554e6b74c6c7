import { compile } from '@ft/core/graph/compile';
import { trace } from '@ft/core/graph/trace';
import { firstScene, studioOf } from '../fixtures/studioOf';

type Face = 'rear-top' | 'rear-bottom' | 'front-top' | 'front-bottom';

const KEY: Record<Face, string> = {
  'rear-top': 'upper-rear',
  'rear-bottom': 'lower-rear',
  'front-top': 'upper',
  'front-bottom': 'lower',
};

/** Faces of column 1 that hear what comes in at a face, with plugs in the jacks named. */
function heardFrom(normalling: string, source: Face, plugs: readonly Face[]): readonly Face[] {
  const studio = studioOf({
    devices: [
      { id: 'bay', type: 'patchbay', params: { columns: 1, normalling } },
      // Cords for the plugs lead to a bay of their own, so that they join nothing.
      { id: 'elsewhere', type: 'patchbay', params: { columns: 2, normalling: 'none' } },
    ],
    cords: plugs.map((face) =>
      face === 'front-top'
        ? { from: 'bay/upper-1/1', to: 'elsewhere/lower-1/1' }
        : { from: 'elsewhere/upper-2/1', to: 'bay/lower-1/1' },
    ),
  });
  const { session, scene } = firstScene(studio);
  const graph = compile(studio.rig, session, scene);
  const start = graph.laneIndex.get(`bay/${KEY[source]}-1/1` as never)!;
  const reached = new Set(trace(graph, start, 'from').lanes.map((lane) => graph.lanes[lane]!.id as string));
  return (Object.keys(KEY) as Face[]).filter(
    (face) => face !== source && reached.has(`bay/${KEY[face]}-1/1`),
  );
}

const TOP: readonly Face[] = ['front-top'];
const BOTTOM: readonly Face[] = ['front-bottom'];
const BOTH: readonly Face[] = ['front-top', 'front-bottom'];

describe('one column of a patchbay (common practice, no source)', () => {
  // What the source behind the upper row (rear-top) is joined to.
  it.each<[string, string, readonly Face[], readonly Face[]]>([
    ['full', 'no plug', [], ['rear-bottom', 'front-top']],
    ['full', 'a plug above', TOP, ['front-top']],
    ['full', 'a plug below', BOTTOM, ['front-top']],
    ['full', 'plugs in both', BOTH, ['front-top']],
    ['half', 'no plug', [], ['rear-bottom', 'front-top']],
    ['half', 'a plug above, which listens', TOP, ['rear-bottom', 'front-top']],
    ['half', 'a plug below', BOTTOM, ['front-top']],
    ['half', 'plugs in both', BOTH, ['front-top']],
    ['none', 'no plug', [], ['front-top']],
    ['none', 'a plug above', TOP, ['front-top']],
    ['none', 'a plug below', BOTTOM, ['front-top']],
    ['none', 'plugs in both', BOTH, ['front-top']],
  ])('%s normal, %s', (normalling, _name, plugs, joined) => {
    expect([...heardFrom(normalling, 'rear-top', plugs)].sort()).toEqual([...joined].sort());
  });

  it.each(['full', 'half', 'none'])(
    '%s: a plug below reaches the lower rear, and nothing else',
    (normalling) => {
      expect(heardFrom(normalling, 'front-bottom', BOTTOM)).toEqual(['rear-bottom']);
    },
  );
});
