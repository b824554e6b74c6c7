import type { Connector } from '../../connector';
import type { LaneKey, Port } from '../../deviceModel';
import { numbersTo } from '../params';
import { analogueIn, analogueOut } from '../portKinds';

/** Analogue line connectors of a converter: eight lanes to a DB-25 (AES59), one to anything else. */
export interface LineBlocks {
  readonly direction: 'in' | 'out';
  readonly channels: number;
  readonly connector: Connector;
  readonly ohm: number;
}

const perConnector = (connector: Connector): number => (connector === 'db25' ? 8 : 1);

/** The lane of a channel, counted over all connectors. */
export function lineLane(
  { direction, connector }: Pick<LineBlocks, 'direction' | 'connector'>,
  channel: number,
): LaneKey {
  const size = perConnector(connector);
  return {
    port: `line-${direction}-${Math.ceil(channel / size)}`,
    lane: ((channel - 1) % size) + 1,
  };
}

/** "line in 9–16" for a connector of several lanes, "line in 9" for one. */
const rangeName = (direction: string, first: number, lanes: number): string =>
  lanes === 1 ? `line ${direction} ${first}` : `line ${direction} ${first}–${first + lanes - 1}`;

/** The connectors of all channels. */
export function linePorts({ direction, channels, connector, ohm }: LineBlocks): readonly Port[] {
  const size = perConnector(connector);
  return numbersTo(Math.ceil(channels / size)).map((block) => {
    const first = (block - 1) * size + 1;
    const lanes = Math.min(size, channels - first + 1);
    const place = {
      key: `line-${direction}-${block}`,
      name: rangeName(direction, first, lanes),
      laneNames: numbersTo(lanes).map((lane) => `line ${direction} ${first + lane - 1}`),
      lanes,
      connector,
    };
    return direction === 'in'
      ? analogueIn('line', place, { loadOhm: ohm })
      : analogueOut('line', place, { sourceOhm: ohm });
  });
}
