import { execFileSync } from 'node:child_process';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { DirectedGraph } from 'graphology';
import { importsOf, loadedFor, productFiles, ROOT } from './sourceFiles';

const ROOMS = JSON.parse(readFileSync(join(ROOT, 'core/rooms.json'), 'utf8')) as readonly string[];

/** The files of one circle of imports, or none; by taking away what imports nothing that is left. */
function inCircles(
  files: readonly string[],
  imports: (file: string) => readonly string[] = importsOf,
): readonly string[] {
  const graph = new DirectedGraph();
  for (const file of files) graph.mergeNode(file);
  for (const file of files) for (const other of imports(file)) graph.mergeDirectedEdge(file, other);
  for (;;) {
    const ends = graph.filterNodes((node) => graph.outDegree(node) === 0 || graph.inDegree(node) === 0);
    if (ends.length === 0) return graph.nodes();
    for (const node of ends) graph.dropNode(node);
  }
}

/** What the linter says of an import in a file of a room, by the rules it holds that file to. */
const complaints = (cases: readonly { file: string; code: string }[]): readonly (readonly string[])[] =>
  JSON.parse(
    execFileSync(process.execPath, ['core/test/house/lintImports.mjs', JSON.stringify(cases)], {
      cwd: ROOT,
      encoding: 'utf8',
    }),
  ) as readonly (readonly string[])[];

describe('the house', () => {
  it('has a place in the order for every room of the core', () => {
    expect(new Set(ROOMS).size).toBe(ROOMS.length);
    const there = readdirSync(join(ROOT, 'core/src'));
    expect(there.filter((name) => !ROOMS.includes(name))).toEqual([]);
  });

  it('has no circle of files, types included', () => {
    const files = productFiles();
    expect(files.length).toBeGreaterThan(400);
    expect(inCircles(files)).toEqual([]);
    const ring: Readonly<Record<string, readonly string[]>> = { a: ['b', 'd'], b: ['c'], c: ['a'], d: [] };
    expect(inCircles(Object.keys(ring), (file) => ring[file] ?? [])).toEqual(['a', 'b', 'c']);
  });

  it('is held to its order by the linter: downward an import passes, upward it does not', () => {
    const rooms = readdirSync(join(ROOT, 'core/src'));
    const cases = rooms.flatMap((name) => {
      const at = ROOMS.indexOf(name);
      return ROOMS.map((other, place) => ({
        file: `core/src/${name}/some.ts`,
        code: `import { it } from '../${other}/some';`,
        isUpward: place > at,
      }));
    });
    const said = complaints(cases);
    expect(said.map((messages) => messages.length > 0)).toEqual(cases.map(({ isUpward }) => isUpward));
  });

  it('lets no layer import what stands above or beside it', () => {
    const forbidden = [
      ['core/src/units/some.ts', '@ft/contract/history'],
      ['core/src/formats/some.ts', 'node:fs'],
      ['contract/src/some.ts', '@ft/demo/saltglass'],
      ['contract/src/some.ts', '../../server/src/app'],
      ['demo/src/some.ts', '@ft/contract/history'],
      ['server/src/some.ts', '../../web/src/main'],
      ['web/src/some.ts', '../../server/src/app'],
    ] as const;
    const cases = forbidden.map(([file, specifier]) => ({
      file,
      code: `import { it } from '${specifier}';`,
    }));
    expect(complaints(cases).map((messages) => messages.length)).toEqual(cases.map(() => 1));
  });

  it('builds its pages from the kit: no field, fold or list of offers of their own', () => {
    const pages = readdirSync(join(ROOT, 'web/src/app'), { recursive: true, encoding: 'utf8' })
      .filter((file) => /\.(ts|html)$/.test(file) && !file.startsWith('ui/'))
      .map((file) => ({ file, text: readFileSync(join(ROOT, 'web/src/app', file), 'utf8') }));
    expect(pages.length).toBeGreaterThan(80);
    const withOwn = (pattern: RegExp): string[] =>
      pages.filter(({ text }) => pattern.test(text)).map(({ file }) => file);
    expect(withOwn(/<(select|textarea|details|datalist|dialog)\b|\$any\(/)).toEqual([]);
    // The finder is the package's own type-to-find.
    expect(withOwn(/<input\b/)).toEqual(['shell/finder.ts']);
  });

  it('loads nothing of a studio for the first screen: no schema of its documents, no edits, no catalogue', () => {
    const ofCore = (...files: string[]): string[] =>
      [...loadedFor(files)].filter((file) => file.startsWith('core/'));
    expect(ofCore('web/src/main.ts', 'web/src/app/start/first-screen.ts')).toEqual([
      'core/src/formats/decodeText.ts',
    ]);
    expect(ofCore('web/src/app/shell/studio.routes.ts')).toContain('core/src/session/studioSchema.ts');
  });
});
