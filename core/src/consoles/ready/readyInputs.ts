import { edgesInto } from '../../graph/walk';
import type { WorkedScene } from '../../scene/workedScene';
import { CARD_LANES } from '../../rig/catalogue/consoles/digitalConsole/digitalPatch';
import type { Device } from '../../rig/rigSchema';
import type { PatchCell } from '../../rig/sheets/channelSheet';
import { amplifierBehind } from '../../graph/amplifierBehind';
import type { Desk, DeskRow } from '../desk';
import { laneAtOf } from '../desk';
import type { ReadyCell } from './readyLine';

/** The lanes of a console behind its sources, by their names. */
const SOURCE_LANES = [
  { pattern: /^local in (\d+)$/, port: (): string => 'adc', lane: (n: number): number => n },
  {
    pattern: /^card in (\d+)$/,
    port: (n: number): string => `madi-in-${String(Math.ceil(n / CARD_LANES))}`,
    lane: (n: number): number => ((n - 1) % CARD_LANES) + 1,
  },
] as const;

/** The lane a source of the patch is. */
function laneOfSource(context: WorkedScene, device: Device, name: string): number | undefined {
  for (const { pattern, port, lane } of SOURCE_LANES) {
    const n = Number(pattern.exec(name)?.[1]);
    if (n > 0) return laneAtOf(context, device, { port: port(n), lane: lane(n) });
  }
  return undefined;
}

/** An input that takes a microphone or a line: one of the console's own, or one a stagebox sends. */
function isPhysical(context: WorkedScene, device: Device, name: string): boolean {
  const lane = laneOfSource(context, device, name);
  if (lane === undefined) return false;
  if (name.startsWith('local')) return true;
  return edgesInto(context.graph, lane).length > 0 && amplifierBehind(context.graph, lane) !== undefined;
}

/** Inputs laid onto channels, and those for which there is none. */
export interface LaidInputs {
  readonly cells: readonly ReadyCell[];
  readonly rows: readonly string[];
  readonly left: readonly string[];
}

interface Block {
  readonly names: readonly string[];
  readonly isWanted: boolean;
}

/** The sources of a patch in the blocks it moves them by. */
function blocksOf(context: WorkedScene, device: Device, { sources, block }: PatchCell): readonly Block[] {
  return Array.from({ length: Math.ceil(sources.length / block) }, (_, i) => {
    const names = sources.slice(i * block, (i + 1) * block);
    return { names, isWanted: names.some((name) => isPhysical(context, device, name)) };
  });
}

/** Every physical input of a console on a channel, one to one, block by block where its patch is coarse. */
export function laidInputs(context: WorkedScene, desk: Desk, channels: readonly DeskRow[]): LaidInputs {
  const cell = channels[0]?.cells['source']?.cell;
  if (cell?.kind !== 'patch') return { cells: [], rows: [], left: [] };
  const { device } = desk;
  const wanted = blocksOf(context, device, cell).filter(({ isWanted }) => isWanted);
  const laid = wanted.flatMap(({ names }, b) => {
    // The last source of a bank fills its block up; it is on its channel already.
    const own = names.filter((name, i) => names.indexOf(name) === i && isPhysical(context, device, name));
    return own.map((name) => ({ name, row: channels[b * cell.block + names.indexOf(name)] }));
  });
  return {
    cells: laid.flatMap(({ name, row }) =>
      row === undefined ? [] : [{ row: row.id, column: 'source', text: name }],
    ),
    rows: laid.flatMap(({ row }) => row?.id ?? []),
    left: laid.flatMap(({ name, row }) => (row === undefined ? [name] : [])),
  };
}
