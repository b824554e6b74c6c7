import { readdirSync, readFileSync } from 'node:fs';
import { dirname, join, relative, resolve } from 'node:path';
import ts from 'typescript';

export const ROOT = resolve(__dirname, '../../..');
const ALIASES: Readonly<Record<string, string>> = {
  '@ft/core/': 'core/src/',
  '@ft/contract/': 'contract/src/',
  '@ft/demo/': 'demo/src/',
};

/** Every file of product code, by its path from the root. */
export const productFiles = (): readonly string[] =>
  ['core', 'contract', 'demo', 'server', 'web'].flatMap((layer) =>
    readdirSync(join(ROOT, layer, 'src'), { recursive: true, encoding: 'utf8' })
      .filter((file) => file.endsWith('.ts'))
      .map((file) => join(layer, 'src', file)),
  );

function target(file: string, specifier: string): string | undefined {
  const alias = Object.keys(ALIASES).find((each) => specifier.startsWith(each));
  if (alias !== undefined) return `${ALIASES[alias] ?? ''}${specifier.slice(alias.length)}.ts`;
  if (!specifier.startsWith('.')) return undefined;
  return `${relative(ROOT, resolve(ROOT, dirname(file), specifier))}.ts`;
}

/** The files a file imports, types included. */
export const importsOf = (file: string): readonly string[] =>
  ts
    .preProcessFile(readFileSync(join(ROOT, file), 'utf8'), true, true)
    .importedFiles.flatMap(({ fileName }) => target(file, fileName) ?? []);

const isLoaded = (statement: ts.Statement): statement is ts.ImportDeclaration | ts.ExportDeclaration =>
  (ts.isImportDeclaration(statement) &&
    statement.importClause?.phaseModifier !== ts.SyntaxKind.TypeKeyword) ||
  (ts.isExportDeclaration(statement) && !statement.isTypeOnly);

/** The files that run before a file can: neither types nor what it asks for later. */
function neededBy(file: string): readonly string[] {
  const source = ts.createSourceFile(file, readFileSync(join(ROOT, file), 'utf8'), ts.ScriptTarget.Latest);
  return source.statements.filter(isLoaded).flatMap(({ moduleSpecifier }) => {
    if (moduleSpecifier === undefined || !ts.isStringLiteral(moduleSpecifier)) return [];
    return target(file, moduleSpecifier.text) ?? [];
  });
}

/** Every file a browser has to load for these. */
export function loadedFor(files: readonly string[]): ReadonlySet<string> {
  const loaded = new Set<string>();
  const load = (file: string): void => {
    if (loaded.has(file)) return;
    loaded.add(file);
    neededBy(file).forEach(load);
  };
  files.forEach(load);
  return loaded;
}
