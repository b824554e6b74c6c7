import { execFileSync } from 'node:child_process';
import { mkdtempSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { loadingOf } from '@ft/core/levels/loadingOf';
import { contextOf, studioOf } from '../fixtures/studioOf';

/** The circuit simulator of the Debian archive; `npm test` installs it. */
function simulator(): string | undefined {
  try {
    return execFileSync('sh', ['-c', 'command -v ngspice'], { encoding: 'utf8' }).trim();
  } catch {
    return undefined;
  }
}
const ngspice = simulator();

/** Level at the loads of a source of 1 V, in dB, as the circuit simulator solves it. */
function simulatedDb(sourceOhm: number, loads: readonly number[]): number {
  const file = join(mkdtempSync(join(tmpdir(), 'ft-')), 'loading.cir');
  const resistors = loads.map((ohm, i) => `Rl${String(i)} out 0 ${String(ohm)}`);
  writeFileSync(
    file,
    [
      'loading',
      'V1 in 0 DC 1',
      `Rs in out ${String(sourceOhm)}`,
      ...resistors,
      '.op',
      '.print op v(out)',
      '.end',
      '',
    ].join('\n'),
  );
  const output = execFileSync(ngspice!, ['-b', file], {
    encoding: 'utf8',
    stdio: ['ignore', 'pipe', 'ignore'],
  });
  const volts =
    /^\s*out\s+([-+0-9.eE]+)/m.exec(output)?.[1] ?? /v\(out\)\s*=?\s*([-+0-9.eE]+)/i.exec(output)?.[1];
  return 20 * Math.log10(Number(volts));
}

/** A preamp output multed to several compressors by a half-normalled bay, and what the program makes of it. */
function computedDb(sourceOhm: number, loads: readonly number[]): number {
  const columns = loads.length;
  const context = contextOf(
    studioOf({
      devices: [
        { id: 'pre', type: 'micPreamp', params: { channels: 1, outputOhm: sourceOhm } },
        { id: 'bay', type: 'patchbay', params: { columns, normalling: 'half' } },
        ...loads.map((inputOhm, i) => ({
          id: `unit-${String(i + 1)}`,
          type: 'dynamics',
          params: { inputOhm },
        })),
      ],
      wires: [
        ['pre/out-1/1', 'bay/upper-rear-1/1'],
        ...loads.map((_, i): [string, string] => [
          `bay/lower-rear-${String(i + 1)}/1`,
          `unit-${String(i + 1)}/in-1/1`,
        ]),
      ],
      cords: columns > 1 ? [{ from: 'bay/upper-1/1', to: 'bay/lower-2/1' }] : [],
    }),
  );
  return loadingOf(context.graph, context.graph.laneIndex.get('pre/out-1/1' as never)!)!.lossDb;
}

const where = ngspice === undefined ? describe.skip : describe;
where('loading against ngspice', () => {
  it.each([
    [75, [10_000]],
    [600, [600]],
    [150, [1500]],
    [75, [10_000, 20_000]],
    [600, [10_000, 600]],
  ])('%d Ω into %j', (sourceOhm, loads) => {
    expect(computedDb(sourceOhm, loads)).toBeCloseTo(simulatedDb(sourceOhm, loads), 4);
  });
});
