import { SumDesks } from '../../consoles/mixing/deskOfSum';
import type { PlaceReasons } from '../../mix/sum/placeReasons';
import { placeReasons } from '../../mix/sum/placeReasons';
import { sharesOf } from '../../mix/sum/shares';
import { canSum, sumInputs, sumOutputs } from '../../mix/sum/sumInputs';
import type { StemStand } from '../../mix/sum/sumStand';
import { stemStands, sumsIn } from '../../mix/sum/sumStand';
import type { DeviceId, SumId, TrackId } from '../../rig/ids';
import type { WorkedScene } from '../../scene/workedScene';
import { byNumber } from '../../session/byNumber';
import type { School, Sum } from '../../session/sumSchema';
import { rangesText } from '../../text/rangesText';
import { inputsText } from '../../typed/sum/placeText';
import type { ChannelColumnView } from '../consoles/cellEditor';
import { deskColumns } from './desk/deskColumns';
import type { DeskMixView } from './desk/deskMixView';
import { deskMixView } from './desk/deskMixView';
import type { StemRow } from './stemRow';
import { stemRow } from './stemRow';
import { remarksOf } from './sumRemarks';

/** A sum, worked out. */
export interface SumView {
  readonly id: SumId;
  readonly name: string;
  readonly mixers: readonly string[];
  readonly school: School;
  readonly layout: string;
  readonly rows: readonly StemRow[];
  /** What its mixers have at each input, and what a cell of the row is called there. */
  readonly columns: readonly ChannelColumnView[];
  /** Buses, VCAs and recording of the console that is the mixer. */
  readonly desk?: DeskMixView;
  readonly inputCount: number;
  /** Inputs nobody has. */
  readonly freeInputs: string;
  readonly points: number;
  readonly isProven: boolean;
  readonly print: string;
  readonly remarks: readonly string[];
}

export interface SummingView {
  readonly sums: readonly SumView[];
  /** Devices a sum can be set up on, and tracks that can be in one. */
  readonly mixers: readonly { readonly id: DeviceId; readonly name: string; readonly inputs: number }[];
  readonly tracks: readonly {
    readonly id: TrackId;
    readonly name: string;
    readonly kind: string;
    readonly goesOut: boolean;
  }[];
}

/** From the outputs of the sum to the host. */
function printedSamples(context: WorkedScene, sum: Sum): number | undefined {
  const outs = new Set(sumOutputs(context, sum));
  const line = context.threads.find(
    ({ thread, start, complete }) => thread.purpose === 'print' && outs.has(start) && complete,
  );
  return line?.path.reduce((total, { delaySamples }) => total + delaySamples, 0);
}

const provenRemark = ({ isProven }: PlaceReasons): readonly string[] =>
  isProven
    ? []
    : [
        'Given anew, places would be good ones, but are not proven the best: there are too many ways to share.',
      ];

function sumView(context: WorkedScene, sum: Sum): SumView {
  const { session, devices } = context;
  const reasons = placeReasons(context, sum);
  const shares = sharesOf(context, sum);
  const stands = stemStands(context, sum);
  const printed = printedSamples(context, sum);
  const nameOf = (id: string): string => session.tracks.find((track) => track.id === id)?.name ?? id;
  const inputs = sumInputs(context, sum);
  const taken = new Set(sum.stems.flatMap(({ inputs: own }) => own ?? []));
  const byPlace = ({ stem }: StemStand): number => stem.inputs?.[0] ?? Infinity;
  const desks = new SumDesks(context, sum);
  const rows = [...stands]
    .sort((a, b) => byPlace(a) - byPlace(b))
    .map((stand) => stemRow(context, stand, { school: sum.school, desks, reasons, shares, printed }));
  const desk = deskMixView(context, desks, stands);
  return {
    ...{ id: sum.id, name: sum.name, school: sum.school, rows },
    mixers: sum.mixers.map((id) => devices.get(id)?.name ?? id),
    layout: (sum.layout ?? []).map(inputsText).join(', '),
    columns: deskColumns(desks.pointsOf(inputs)),
    ...(desk !== undefined && { desk }),
    inputCount: inputs.length,
    freeInputs: rangesText(inputs.map(({ number }) => number).filter((n) => !taken.has(n))),
    ...{ points: reasons.points, isProven: reasons.isProven },
    print: sum.print === undefined ? '' : nameOf(sum.print),
    remarks: [...remarksOf(context, sum, rows, printed), ...(desk?.remarks ?? []), ...provenRemark(reasons)],
  };
}

/** Every sum of a scene: who stands where and why, how hard it is driven, who takes how much, and what comes back. */
export const summingView = (context: WorkedScene): SummingView => ({
  sums: sumsIn(context).map((sum) => sumView(context, sum)),
  mixers: context.rig.devices
    .filter((device) => canSum(context, device))
    .map(({ id, name }) => ({ id, name, inputs: sumInputs(context, { mixers: [id] }).length })),
  tracks: [...context.session.tracks]
    .filter(({ kind }) => kind !== 'vca')
    .sort(byNumber)
    .map(({ id, name, kind, outputs }) => ({
      id,
      name,
      kind,
      goesOut: outputs.some(({ to }) => to === 'host'),
    })),
});
