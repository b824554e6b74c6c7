import { compile } from '@ft/core/graph/compile';
import type { SignalGraph } from '@ft/core/graph/signalGraph';
import { deviceSchema } from '@ft/core/rig/rigSchema';
import { firstScene, studioOf } from '../fixtures/studioOf';

type Face = 'rear-top' | 'rear-bottom' | 'front-top' | 'front-bottom';

const KEY: Record<Face, string> = {
  'rear-top': 'upper-rear',
  'rear-bottom': 'lower-rear',
  'front-top': 'upper',
  'front-bottom': 'lower',
};
const FACES = Object.keys(KEY) as readonly Face[];

/** Bay parameters whose column 1 is looked at, and the graph with plugs in the front jacks named. */
function graphOf(params: Record<string, unknown>, plugs: readonly Face[]): SignalGraph {
  const bay = { id: 'bay', type: 'patchbay', params: { columns: 1, ...params } };
  const directions = new Map(compileOf([bay], []).lanes.map((lane) => [lane.id as string, lane.direction]));
  // Cords for the plugs lead to a bay of their own, so that they join nothing.
  const elsewhere = { id: 'elsewhere', type: 'patchbay', params: { columns: 2, normalling: 'none' } };
  return compileOf(
    [bay, elsewhere],
    plugs.map((face, i) => {
      const lane = `bay/${KEY[face]}-1/1`;
      return directions.get(lane) === 'out'
        ? { from: lane, to: `elsewhere/lower-${String(i + 1)}/1` }
        : { from: `elsewhere/upper-${String(i + 1)}/1`, to: lane };
    }),
  );
}

function compileOf(
  devices: Parameters<typeof studioOf>[0]['devices'],
  cords: { from: string; to: string }[],
): SignalGraph {
  const studio = studioOf({ devices: devices ?? [], cords });
  const { session, scene } = firstScene(studio);
  return compile(studio.rig, session, scene);
}

/** Groups of faces that are one piece of copper, each group in the order of `FACES`. */
function joinedFaces(params: Record<string, unknown>, plugs: readonly Face[]): readonly string[] {
  const graph = graphOf(params, plugs);
  const group = new Map<string, Set<string>>(FACES.map((face) => [`bay/${KEY[face]}-1/1`, new Set([face])]));
  for (const edge of graph.edges.filter(({ closed, cord }) => closed && cord === undefined)) {
    const [a, b] = [group.get(graph.lanes[edge.from]!.id), group.get(graph.lanes[edge.to]!.id)];
    if (a === undefined || b === undefined) continue;
    const both = new Set([...a, ...b]);
    for (const [lane, faces] of group) if (faces === a || faces === b) group.set(lane, both);
  }
  return [...new Set(group.values())].map((faces) => FACES.filter((face) => faces.has(face)).join(' + '));
}

const TOP: readonly Face[] = ['front-top'];
const BOTTOM: readonly Face[] = ['front-bottom'];
const BOTH: readonly Face[] = ['front-top', 'front-bottom'];

const NORMAL = ['rear-top + rear-bottom + front-top + front-bottom'];
const APART = ['rear-top + front-top', 'rear-bottom + front-bottom'];

describe('which faces of a column are joined (common practice, no source)', () => {
  it.each<[string, string, readonly Face[], readonly string[]]>([
    ['full', 'no plug', [], NORMAL],
    ['full', 'a plug above', TOP, APART],
    ['full', 'a plug below', BOTTOM, APART],
    ['full', 'plugs in both', BOTH, APART],
    ['half', 'no plug', [], NORMAL],
    ['half', 'a plug above, which listens', TOP, NORMAL],
    ['half', 'a plug below', BOTTOM, APART],
    ['half', 'plugs in both', BOTH, APART],
    ['none', 'no plug', [], APART],
    ['none', 'a plug above', TOP, APART],
    ['none', 'a plug below', BOTTOM, APART],
    ['none', 'plugs in both', BOTH, APART],
    ['parallel', 'no plug', [], NORMAL],
    ['parallel', 'a plug above', TOP, NORMAL],
    ['parallel', 'a plug below', BOTTOM, NORMAL],
    ['parallel', 'plugs in both', BOTH, NORMAL],
  ])('%s, %s', (normalling, _name, plugs, joined) => {
    expect(joinedFaces({ normalling }, plugs)).toEqual(joined);
  });

  const upsideDown = (normalling: string): Record<string, unknown> => ({
    sections: [{ columns: '1', normalling, upper: 'destination', lower: 'source' }],
  });
  it('half, with the source behind the lower row: the plug above opens it, the one below listens', () => {
    expect(joinedFaces(upsideDown('half'), BOTTOM)).toEqual(NORMAL);
    expect(joinedFaces(upsideDown('half'), TOP)).toEqual(APART);
  });
});

describe('which way signals go through a column', () => {
  const directions = (section: Record<string, unknown>): Record<string, string> => {
    const graph = graphOf({ sections: [{ columns: '1', ...section }] }, []);
    return Object.fromEntries(
      FACES.map((face) => [face, graph.lanes.find((lane) => lane.id === `bay/${KEY[face]}-1/1`)!.direction]),
    );
  };
  it.each([
    [{ normalling: 'half' }, 'in out out in'],
    [{ normalling: 'none', upper: 'source', lower: 'source' }, 'in in out out'],
    [{ normalling: 'none', upper: 'destination', lower: 'destination' }, 'out out in in'],
    // A parallel column takes one signal in and gives it out at the other three faces.
    [{ normalling: 'parallel' }, 'in out out out'],
    [{ normalling: 'parallel', upper: 'destination', lower: 'source' }, 'out in out out'],
    [{ normalling: 'parallel', upper: 'destination', lower: 'destination' }, 'out out in out'],
  ])('%j: rear top, rear bottom, front top, front bottom are %s', (section, ways) => {
    expect(Object.values(directions(section)).join(' ')).toBe(ways);
  });
});

describe('sections and labels of a bay', () => {
  const bay = (params: Record<string, unknown>): ReturnType<typeof deviceSchema.safeParse> =>
    deviceSchema.safeParse({ id: 'bay', name: 'Bay', room: 'main', type: 'patchbay', params });
  const trouble = (params: Record<string, unknown>): readonly string[] =>
    bay(params).error?.issues.map(({ path, message }) => `${path.join('.')}: ${message}`) ?? [];

  it('make single columns behave otherwise', () => {
    const graph = compileOf(
      [
        {
          id: 'bay',
          type: 'patchbay',
          params: { columns: 4, normalling: 'full', sections: [{ columns: '2-4/2', normalling: 'none' }] },
        },
      ],
      [],
    );
    const normals = graph.edges
      .filter(({ kind }) => kind === 'normal')
      .map(({ from }) => graph.lanes[from]!.name);
    expect(normals).toEqual(['Bay 1 upper rear', 'Bay 3 upper rear']);
  });

  it.each([
    [
      { columns: 96, sections: [{ columns: '90-97' }] },
      'params.sections.0.columns: There is no column 97: this bay has 96 columns.',
    ],
    [
      { sections: [{ columns: 'all' }] },
      'params.sections.0.columns: “all” is not a range of columns; write 1-8, or 1-15/2 for odd ones.',
    ],
    [
      { sections: [{ columns: '1', upper: 'destination' }] },
      'params.sections.0.columns: A normal leads from a source to a destination, so a full or half normalled column has one of each behind it.',
    ],
    [
      { sections: [{ columns: '1', normalling: 'parallel', lower: 'source' }] },
      'params.sections.0.columns: A parallel column joins all four faces, so only one of its rows may have a source behind it.',
    ],
    [
      { columns: 24, labels: { 'upper-25': 'Harp' } },
      'params.labels.upper-25: There is no column 25 to label: this bay has 24 columns. Take the label off first.',
    ],
    [
      { labels: { 'upper-1': 'a label that is far too long for the strip' } },
      'params.labels.upper-1: at most 24 characters fit on the strip',
    ],
    [{ columns: 193 }, 'params.columns: at most 192'],
  ])('%j is refused with its own sentence', (params, sentence) => {
    expect(trouble(params)).toContain(sentence);
  });

  it('keep labels in one order', () => {
    const parsed = bay({ labels: { 'upper-2': 'Harp', 'lower-1': 'Pre 1' } });
    expect(Object.keys(parsed.data!.params['labels'] as object)).toEqual(['lower-1', 'upper-2']);
  });
});
