import type { SummingOutput } from '@ft/contract/cliMix';
import { summingCsv } from '@ft/core/formats/csv/summingCsv';
import { workedScene } from '@ft/core/scene/workedScene';
import type { BusRow } from '@ft/core/views/mix/desk/deskMixView';
import type { StemRow } from '@ft/core/views/mix/stemRow';
import type { WholeSum } from '@ft/core/views/mix/nextBest';
import { withNextBest } from '@ft/core/views/mix/nextBest';
import { summingView } from '@ft/core/views/mix/summingView';
import type { Answer } from './answer';
import { headOf, titleOf } from './head';
import type { CliRequest } from './request';

type SummingBus = SummingOutput['sums'][number]['buses'][number];

const stemText = (row: WholeSum['rows'][number]): string =>
  [
    `${row.place === '' ? 'no place' : row.place} ${row.name} (${row.sound}): ${row.trouble || row.reason}`,
    ...(row.nextBest === '' ? [] : [`next best ${row.nextBest}`]),
    ...(row.output === '' ? [] : [`output ${row.output}`]),
    ...(row.level === '' ? [] : [`${row.level}${row.room === '' ? '' : `, ${row.room} room`}`]),
    ...(row.share === '' ? [] : [`${row.share}, ${row.underSum} under the sum`]),
    ...(row.offset === '' ? [] : [`${row.offset} samples late`]),
    ...(row.unit === '' ? [] : [`over ${row.unit}`]),
    ...(row.recorded === '' ? [] : [`recorded on ${row.recorded}`]),
  ].join(' · ');

const busText = ({ name, from, unit, level, room, leads }: BusRow): string =>
  [
    `${name}: ${from}`,
    ...(unit === '' ? [] : [`over ${unit}`]),
    ...(level === '' ? [] : [`${level}${room === '' ? '' : `, ${room} room`}`]),
    ...(leads === '' ? [] : [leads.startsWith('back on') ? leads : `to ${leads}`]),
  ].join(' · ');

const sumText = (sum: WholeSum): readonly string[] => [
  '',
  `${sum.name} · ${sum.mixers.join(', then ')} · ${sum.school} · ${String(sum.inputCount)} inputs, free: ${sum.freeInputs || 'none'}`,
  ...sum.rows.map((row) => `  ${stemText(row)}`),
  ...(sum.desk?.buses ?? []).map((bus) => `  = ${busText(bus)}`),
  ...sum.remarks.map((remark) => `  ! ${remark}`),
];

const isOn = ({ knobs }: StemRow, knob: string): boolean => /\bon\b/.test(knobs[knob] ?? '');

const place = (row: WholeSum['rows'][number]): SummingOutput['sums'][number]['places'][number] => ({
  ...{ stem: row.name, sound: row.sound, inputs: row.place, isTyped: row.isTyped },
  ...(row.points !== undefined && { points: row.points }),
  ...{ because: row.reason, nextBest: row.nextBest, output: row.output, converter: row.converter },
  ...{ level: row.level, room: row.room, isMono: isOn(row, 'mono'), isBoosted: isOn(row, 'boost') },
  ...{ share: row.share, underSum: row.underSum, faderDb: row.fader, offsetSamples: row.offset },
  ...{ trouble: row.trouble, knobs: { ...row.knobs }, unit: row.unit, recorded: row.recorded },
});

const bus = ({ name, kind, from, unit, level, room, leads, knobs }: BusRow): SummingBus => ({
  ...{ name, kind, from, unit, level, room, leads, knobs: { ...knobs } },
});

/** `ft summing`: which stem stands where in a sum, why, what would be next best, and who takes how much. */
export function summing(request: CliRequest): Answer {
  const { studio, session, scene, csv } = request;
  const context = workedScene(studio.rig, session, scene, studio.floor);
  const sums = withNextBest(context, summingView(context));
  const json: SummingOutput = {
    format: 'faithful-thread-summing/1',
    ...headOf(request),
    sums: sums.map((sum) => ({
      ...{ name: sum.name, mixers: [...sum.mixers], school: sum.school, inputs: sum.inputCount },
      ...{ free: sum.freeInputs, print: sum.print, points: sum.points, isProven: sum.isProven },
      places: sum.rows.map(place),
      buses: (sum.desk?.buses ?? []).map(bus),
      remarks: [...sum.remarks],
    })),
  };
  const lines = sums.length === 0 ? ['There are no sums in this scene.'] : sums.flatMap(sumText);
  return { text: csv ? summingCsv(sums) : [titleOf(request), ...lines].join('\n'), json, exitCode: 0 };
}
