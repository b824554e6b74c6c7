import { saltglassRooms } from '../fixtures/thin/saltglass';
import { compile } from '@ft/core/graph/compile';
import { nets } from '@ft/core/graph/nets';
import type { EdgeKind, SignalGraph } from '@ft/core/graph/signalGraph';
import { firstScene, studioOf } from '../fixtures/studioOf';
import type { Parts } from '../fixtures/studioOf';
import { WORKED_LADDER } from '../fixtures/workedLadder';

function compiled(parts: Parts): SignalGraph {
  const studio = studioOf(parts);
  const { session, scene } = firstScene(studio);
  return compile(studio.rig, session, scene);
}

const edgeBetween = (graph: SignalGraph, from: string, to: string): SignalGraph['edges'][number] =>
  graph.edges.find((edge) => graph.lanes[edge.from]!.id === from && graph.lanes[edge.to]!.id === to)!;

describe('compile', () => {
  const studio = saltglassRooms();
  const { session, scene } = firstScene(studio);
  const graph = compile(studio.rig, session, scene);

  it('numbers lanes so that index and id lead to each other', () => {
    graph.lanes.forEach((lane, index) => {
      expect(lane.index).toBe(index);
      expect(graph.laneIndex.get(lane.id)).toBe(index);
    });
  });

  it('lists every edge once at either end', () => {
    const count = graph.edges.length;
    expect([...graph.outgoing.edge].sort((a, b) => a - b)).toEqual(
      Array.from({ length: count }, (_, i) => i),
    );
    for (let lane = 0; lane < graph.lanes.length; lane++)
      for (let i = graph.outgoing.start[lane]!; i < graph.outgoing.start[lane + 1]!; i++)
        expect(graph.edges[graph.outgoing.edge[i]!]!.from).toBe(lane);
  });

  it('makes the same graph of the same scene', () => {
    expect(compile(studio.rig, session, scene)).toEqual(graph);
  });

  it('has every kind of edge the demo holds', () => {
    const kinds = new Set<EdgeKind>(graph.edges.map(({ kind }) => kind));
    expect([...kinds].sort()).toEqual(['cord', 'hardwire', 'normal', 'route', 'tieLine']);
  });

  it('calls a wire between rooms a tie line', () => {
    expect(edgeBetween(graph, 'booth-panel/rear-1/1', 'bay-a/upper-rear-1/1').kind).toBe('tieLine');
    expect(edgeBetween(graph, 'bay-a/lower-rear-1/1', 'preamp/mic-1/1').kind).toBe('hardwire');
  });

  it('opens the normals under the plugs of the scene, and no others', () => {
    expect(edgeBetween(graph, 'bay-a/upper-rear-13/1', 'bay-a/lower-rear-13/1').closed).toBe(false);
    expect(edgeBetween(graph, 'bay-a/upper-rear-10/1', 'bay-a/lower-rear-10/1').closed).toBe(false);
    expect(edgeBetween(graph, 'bay-a/upper-rear-9/1', 'bay-a/lower-rear-9/1').closed).toBe(true);
    // Half normal: the plug in the upper jack of column 1 only listens.
    expect(edgeBetween(graph, 'bay-b/upper-rear-1/1', 'bay-b/lower-rear-1/1').closed).toBe(true);
  });

  it('counts the host buffer as delay', () => {
    const late = (bufferSamples: number): number =>
      edgeBetween(
        compiled({ ...WORKED_LADDER, session: { bufferSamples } }),
        'daw/stream-in/1',
        'daw/input/1',
      ).delaySamples;
    expect(late(64)).toBe(64);
    expect(late(1024)).toBe(1024);
  });

  it('puts full scale of a converter channel at its own reference level', () => {
    const maxAt = (settings: Record<string, number>): number | undefined => {
      const made = compiled({ ...WORKED_LADDER, settings });
      return made.lanes[made.laneIndex.get('converter/line-in-1/1' as never)!]!.input?.maxDbu;
    };
    expect(maxAt({})).toBe(18);
    expect(maxAt({ 'converter/adcReferenceDbu/1': 24 })).toBe(24);
  });
});

describe('nets', () => {
  it('hold every input that hangs on one output: a half normal listens', () => {
    const graph = compiled({
      devices: [
        { id: 'pre', type: 'micPreamp', params: { channels: 1 } },
        { id: 'bay', type: 'patchbay', params: { columns: 2, normalling: 'half' } },
        { id: 'a', type: 'dynamics', params: {} },
        { id: 'b', type: 'dynamics', params: {} },
      ],
      wires: [
        ['pre/out-1/1', 'bay/upper-rear-1/1'],
        ['bay/lower-rear-1/1', 'a/in-1/1'],
        ['bay/lower-rear-2/1', 'b/in-1/1'],
      ],
      cords: [{ from: 'bay/upper-1/1', to: 'bay/lower-2/1' }],
    });
    const net = nets(graph).find(({ driver }) => graph.lanes[driver]!.id === 'pre/out-1/1')!;
    expect(net.loads.map((lane) => graph.lanes[lane]!.id).sort()).toEqual(['a/in-1/1', 'b/in-1/1']);
  });
});
