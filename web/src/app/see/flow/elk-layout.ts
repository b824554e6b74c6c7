import type { ELK, ElkExtendedEdge, ElkNode } from 'elkjs/lib/elk-api.js';
import type { FlowGraph } from '@ft/core/views/flow/flowGraph';
import type { FlowLayout, PlacedLink, PlacedNode } from './flow-layout';
import { labelWidth, NODE_HEIGHT, nodeWidth } from './flow-layout';

const OPTIONS = {
  'elk.algorithm': 'layered',
  'elk.direction': 'RIGHT',
  'elk.edgeRouting': 'ORTHOGONAL',
  'elk.layered.spacing.nodeNodeBetweenLayers': '60',
  'elk.spacing.nodeNode': '22',
  'elk.edgeLabels.inline': 'false',
  'elk.layered.considerModelOrder.strategy': 'NODES_AND_EDGES',
};

function pointsOf({ sections = [] }: ElkExtendedEdge): readonly { x: number; y: number }[] {
  const [section] = sections;
  return section === undefined ? [] : [section.startPoint, ...(section.bendPoints ?? []), section.endPoint];
}

/** Lays a flow graph out in layers from left to right. */
export async function layoutFlow(elk: ELK, { nodes, links }: FlowGraph): Promise<FlowLayout> {
  const graph: ElkNode = {
    id: 'flow',
    layoutOptions: OPTIONS,
    children: nodes.map((node) => ({ id: node.id, width: nodeWidth(node), height: NODE_HEIGHT })),
    edges: links.map((link, i) => ({
      id: String(i),
      sources: [link.from],
      targets: [link.to],
      labels: [{ text: link.text, width: labelWidth(link), height: 14 }],
    })),
  };
  const placed = await elk.layout(graph);
  const boxes = new Map((placed.children ?? []).map((child) => [child.id, child]));
  return {
    width: placed.width ?? 0,
    height: placed.height ?? 0,
    nodes: nodes.map((node): PlacedNode => {
      const box = boxes.get(node.id);
      return { ...node, x: box?.x ?? 0, y: box?.y ?? 0, width: box?.width ?? 0, height: box?.height ?? 0 };
    }),
    links: (placed.edges ?? []).flatMap((edge): readonly PlacedLink[] => {
      const link = links[Number(edge.id)];
      const label = edge.labels?.[0];
      return link === undefined
        ? []
        : [{ ...link, points: pointsOf(edge), label: { x: label?.x ?? 0, y: label?.y ?? 0 } }];
    }),
  };
}
