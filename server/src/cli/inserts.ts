import type { InsertsOutput } from '@ft/contract/cliMix';
import { insertsCsv } from '@ft/core/formats/csv/insertsCsv';
import { nameListCsv } from '@ft/core/formats/csv/nameListCsv';
import { workedScene } from '@ft/core/scene/workedScene';
import type { InsertsView, JobRow } from '@ft/core/views/mix/insertsView';
import { insertsView } from '@ft/core/views/mix/insertsView';
import type { NameLine } from '@ft/core/views/mix/nameList';
import { nameList } from '@ft/core/views/mix/nameList';
import type { Answer } from './answer';
import { headOf, titleOf } from './head';
import type { CliRequest } from './request';

function jobText(row: JobRow): readonly string[] {
  const { number, on, chain, kind, at, state, placing, out, back, sendTrim, returnTrim } = row;
  const pair = out === '' ? placing : out === back ? `out and in ${out}` : `out ${out}, in ${back}`;
  const trims = sendTrim === '' ? '' : `, trims ${sendTrim} / ${returnTrim} dB`;
  return [
    `${String(number)} ${on}: ${chain}${kind === '' ? '' : `; ${kind}`} · ${/^\d/.test(at) ? `slot ${at}` : at} · ${state} · ${pair}${trims}`,
    ...row.levels.map((level) => `    ${level}`),
    ...(row.samples === '' ? [] : [`    ${row.samples} samples, ${row.ms}, ${row.compensation}`]),
    ...row.notes.map((note) => `    ${note}`),
    ...(row.trouble === '' ? [] : [`  ! ${row.trouble}`]),
  ];
}

const dayText = ({ days }: InsertsView): readonly string[] =>
  days.map(
    ({ unit, entries }) =>
      `${unit}: ${entries.map(({ track, state, when }) => `${track} ${state}${when === '' ? '' : ` ${when}`}`).join(', ')}`,
  );

function text(view: InsertsView): readonly string[] {
  if (view.rows.length === 0) return ['There are no jobs in this session.'];
  return [
    ...['', view.budget.says, ''],
    ...view.rows.flatMap(jobText),
    ...view.contentions.map(({ says, isConflict }) => `${isConflict ? '!' : '·'} ${says}`),
    ...['', 'Each unit’s day'],
    ...dayText(view),
    ...['', `Free: outputs ${view.freeOutputs || 'none'}; inputs ${view.freeInputs || 'none'}`],
  ];
}

const output = (request: CliRequest, view: InsertsView, names: readonly NameLine[]): InsertsOutput => ({
  format: 'faithful-thread-inserts/1',
  ...headOf(request),
  jobs: view.rows.map((row) => ({
    ...{ number: row.number, on: row.on, chain: row.chain, how: row.kind, at: row.at },
    ...{ state: row.state, placing: row.placing, out: row.out, in: row.back },
    ...{ trimOutDb: row.sendTrim, trimInDb: row.returnTrim, levels: [...row.levels] },
    ...{
      delaySamples: row.samples,
      compensation: row.compensation,
      notes: [...row.notes],
      trouble: row.trouble,
    },
  })),
  budget: { used: view.budget.used, limit: view.budget.limit, isOver: view.budget.isOver },
  contentions: view.contentions.map(({ isConflict, says }) => ({ isConflict, says })),
  days: view.days.map(({ unit, entries }) => ({
    unit,
    jobs: entries.map(({ track, state, when }) => ({ on: track, state, when })),
  })),
  free: { outputs: view.freeOutputs, inputs: view.freeInputs },
  names: [...names],
});

/** `ft inserts`: which jobs pass which units, over which channels; with `--csv` the sheet, with `--names` the host's names. */
export function inserts(request: CliRequest): Answer {
  const { studio, session, scene, csv, names: wantsNames } = request;
  const context = workedScene(studio.rig, session, scene, studio.floor);
  const [view, names] = [insertsView(context), nameList(context)];
  const table = wantsNames ? nameListCsv(names) : insertsCsv(view);
  return {
    text: csv || wantsNames ? table : [titleOf(request), ...text(view)].join('\n'),
    json: output(request, view, names),
    exitCode: 0,
  };
}
