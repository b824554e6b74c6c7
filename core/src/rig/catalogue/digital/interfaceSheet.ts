import type { LaneKey } from '../../deviceModel';
import { each, knob, knobRef, patch, preampCells, send } from '../../sheets/cells';
import type { ChannelSheet, SheetRow } from '../../sheets/channelSheet';
import { channelSheet, section } from '../../sheets/channelSheet';
import { numbersTo } from '../params';
import { laneAt } from '../routeKinds';
import type { Crossbar, Tap } from './crossbar';

/** What the sheet of an interface is made from. */
interface InterfaceParts {
  readonly micInputs: number;
  readonly phantom: boolean;
  readonly monitorMixes: number;
  /** Everything that comes in, in the order of the mixes' knobs. */
  readonly inputs: readonly Tap[];
  readonly crossbars: readonly Crossbar[];
  /** The connector of a line output. */
  readonly lineOut: (n: number) => LaneKey;
}

const SIDES = [
  { word: 'left', position: 1 },
  { word: 'right', position: 2 },
  { word: 'both', position: 3 },
] as const;

const PAGES = [
  { setting: 'lineOutSource', id: 'out', title: 'Line outputs' },
  { setting: 'linkOutSource', id: 'link', title: 'Digital outputs' },
  { setting: 'hostInSource', id: 'host', title: 'To the host' },
] as const;

function pageRows(it: InterfaceParts, setting: string, id: string): readonly SheetRow[] {
  const bar = it.crossbars.find((candidate) => candidate.setting === setting);
  return (bar?.destinations ?? []).map(({ name, lane }, i) => {
    const leaves = setting === 'lineOutSource' ? it.lineOut(i + 1) : lane;
    return {
      ...{ id: `${id}-${i + 1}`, name, lane, leaves: [leaves] },
      cells: {
        ...(bar !== undefined && { source: patch(bar, i + 1) }),
        ...(setting === 'lineOutSource' && { reference: knob('dacReferenceDbu', i + 1) }),
      },
    };
  });
}

/** What comes in: with its amplifier, its reference, and where it stands in each mix. */
function inputRow(it: InterfaceParts, { name, lane }: Tap, i: number): SheetRow {
  const mic = lane.port === 'mic-adc' ? lane.lane : undefined;
  const line = lane.port === 'adc' ? lane.lane : undefined;
  return {
    ...{ id: `in-${i + 1}`, name, lane },
    cells: {
      ...(mic !== undefined && preampCells(mic, it.phantom)),
      ...(line !== undefined && { reference: knob('adcReferenceDbu', line) }),
      ...each('mix', numbersTo(it.monitorMixes), (m) =>
        send(knobRef(`mix${m}To`, i + 1), knobRef(`mix${m}Db`, i + 1), { taps: SIDES }),
      ),
    },
  };
}

const mixRow = (m: number): SheetRow => ({
  id: `mix-${m}`,
  name: `mix ${m}`,
  lane: laneAt('mix', 2 * m - 1),
  fedBy: `mix${m}`,
  cells: {},
});

/** Inputs with their places in the mixes, and what each output listens to. */
export const interfaceSheet = (it: InterfaceParts): ChannelSheet =>
  channelSheet([
    ...PAGES.map(({ setting, id, title }) => section(id, title, pageRows(it, setting, id))),
    section(
      'inputs',
      'Inputs and their place in the mixes',
      it.inputs.map((tap, i) => inputRow(it, tap, i)),
    ),
    section('mixes', 'Mixes', numbersTo(it.monitorMixes).map(mixRow)),
  ]);
