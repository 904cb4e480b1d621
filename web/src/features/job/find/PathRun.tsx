/** The drive path as the unit's own run of blocks, lane under lane, with the latest readings at their places. */
import type { DrivePath } from '@amber-gauge/core/families';
import dagre from '@dagrejs/dagre';
import { Handle, Position, ReactFlow, type Edge, type Node, type NodeProps } from '@xyflow/react';
import { useMemo } from 'react';
import { SuspicionShape, SUSPICION_WORDS, type Suspicion } from '../../../shared/shapes/SuspicionShape.js';
import { useWidth } from '../../../shared/ui/useWidth.js';
import classes from './Find.module.css';

export interface PathBlockView {
  readonly id: string;
  readonly name: string;
  readonly suspicion: Suspicion;
}

interface Props {
  readonly path: DrivePath;
  readonly blocks: ReadonlyMap<string, PathBlockView>;
  /** Latest reading by signal, in few words. */
  readonly readings: ReadonlyMap<string, string>;
  readonly opened: string | null;
  readonly onOpen: (block: string) => void;
}

const LANES = ['supply', 'control', 'mechanical', 'feedback'] as const;
const ROW = 62;
const NODE = { width: 122, height: 46, gap: 12 } as const;

interface BlockData extends Record<string, unknown> {
  readonly names: readonly string[];
  readonly suspicion: Suspicion;
  readonly opened: boolean;
}

export function PathRun({ path, blocks, readings, opened, onOpen }: Props) {
  const [box, width] = useWidth(780);
  const { nodes, edges, lanes, inner } = useMemo(
    () => drawn(path, blocks, readings, opened, width),
    [path, blocks, readings, opened, width],
  );
  return (
    <div ref={box} className={classes.run} aria-label="Drive path">
      <div style={{ width: inner, height: lanes * ROW }}>
        <ReactFlow
          nodes={nodes}
          edges={edges}
          nodeTypes={NODE_TYPES}
          onNodeClick={(_event, node) => onOpen(node.id)}
          onEdgeClick={(_event, edge) => onOpen(edge.source)}
          defaultViewport={{ x: 0, y: 0, zoom: 1 }}
          nodesDraggable={false}
          nodesConnectable={false}
          edgesFocusable={false}
          elementsSelectable
          panOnDrag={false}
          panOnScroll={false}
          zoomOnScroll={false}
          zoomOnPinch={false}
          zoomOnDoubleClick={false}
          preventScrolling={false}
          proOptions={{ hideAttribution: true }}
        />
      </div>
    </div>
  );
}

function BlockNode({ data }: NodeProps<Node<BlockData>>) {
  const folded = data.names.length > 1;
  return (
    <div
      className={classes.block}
      data-opened={data.opened}
      title={`${data.names.join(', ')}: ${SUSPICION_WORDS[data.suspicion]}`}
    >
      <Handle type="target" position={Position.Left} className={classes.handle ?? ''} />
      <SuspicionShape suspicion={data.suspicion} />
      <span className={classes.blockName}>{folded ? `${data.names.length} cleared` : data.names[0]}</span>
      <Handle type="source" position={Position.Right} className={classes.handle ?? ''} />
    </div>
  );
}

const NODE_TYPES = { block: BlockNode };

function drawn(
  path: DrivePath,
  blocks: Props['blocks'],
  readings: Props['readings'],
  opened: string | null,
  width: number,
) {
  const order = ranks(path);
  const shown = LANES.filter((lane) => path.blocks.some((block) => block.lane === lane));
  const nodes: Node<BlockData>[] = [];
  const nodeOf = new Map<string, string>();
  let inner = width;
  let row = -1;
  // A lane too long for the width goes on in a row of its own.
  const most = Math.max(1, Math.floor((width + NODE.gap) / (NODE.width + NODE.gap)));
  shown.forEach((lane) => {
    const inLane = path.blocks
      .filter((block) => block.lane === lane)
      .sort((a, b) => (order.get(a.id) ?? 0) - (order.get(b.id) ?? 0));
    const groups = folded(
      inLane.map((block) => block.id),
      blocks,
    );
    const perRow = Math.ceil(groups.length / Math.ceil(groups.length / most));
    const step = Math.max(NODE.width + NODE.gap, Math.min(170, (width - NODE.width) / Math.max(1, perRow - 1)));
    inner = Math.max(inner, (perRow - 1) * step + NODE.width);
    groups.forEach((group, i) => {
      if (i % perRow === 0) row++;
      const first = group[0] as string;
      for (const id of group) nodeOf.set(id, first);
      nodes.push({
        id: first,
        type: 'block',
        position: { x: (i % perRow) * step, y: row * ROW + (ROW - NODE.height) / 2 },
        data: {
          names: group.map((id) => blocks.get(id)?.name ?? id),
          suspicion: blocks.get(first)?.suspicion ?? 'not-judged',
          opened: group.includes(opened ?? ''),
        },
        style: { width: NODE.width, height: NODE.height },
      });
    });
  });
  return { nodes, edges: edgesOf(path, nodeOf, readings), lanes: row + 1, inner };
}

/** Neighbours that are cleared fold into one; what is suspected or not judged never does. */
function folded(ids: readonly string[], blocks: Props['blocks']): string[][] {
  const groups: string[][] = [];
  for (const id of ids) {
    const last = groups[groups.length - 1];
    const cleared = blocks.get(id)?.suspicion === 'cleared';
    if (cleared && last && blocks.get(last[0] ?? '')?.suspicion === 'cleared') last.push(id);
    else groups.push([id]);
  }
  return groups;
}

/** Position along the path of each block, by the layout of the whole graph. */
function ranks(path: DrivePath): Map<string, number> {
  const graph = new dagre.graphlib.Graph();
  graph.setGraph({ rankdir: 'LR' });
  graph.setDefaultEdgeLabel(() => ({}));
  for (const block of path.blocks) graph.setNode(block.id, { width: NODE.width, height: NODE.height });
  for (const [from, to] of links(path)) graph.setEdge(from, to);
  dagre.layout(graph);
  return new Map(path.blocks.map((block) => [block.id, graph.node(block.id).x ?? 0]));
}

function links(path: DrivePath): [from: string, to: string, signal: string][] {
  return path.blocks.flatMap((to) =>
    to.inputs.flatMap((signal) => {
      const from = path.blocks.find((block) => block.outputs.includes(signal));
      return from ? [[from.id, to.id, signal] as [string, string, string]] : [];
    }),
  );
}

function edgesOf(path: DrivePath, nodeOf: ReadonlyMap<string, string>, readings: Props['readings']): Edge[] {
  const laneOf = new Map(path.blocks.map((block) => [block.id, block.lane]));
  return links(path)
    .map(([from, to, signal]) => ({
      from: nodeOf.get(from) ?? from,
      to: nodeOf.get(to) ?? to,
      signal,
      feedback: laneOf.get(from) === 'feedback' || laneOf.get(to) === 'feedback',
    }))
    .filter((link) => link.from !== link.to)
    .map(({ from, to, signal, feedback }) => ({
      id: `${from}-${to}-${signal}`,
      source: from,
      target: to,
      type: 'smoothstep',
      label: readings.get(signal) ?? '',
      className: (feedback ? classes.feedback : classes.signal) ?? '',
      labelShowBg: true,
    }));
}
