import { patchListCsv } from '@ft/core/formats/patchListCsv';
import { insertsCsv } from '@ft/core/formats/csv/insertsCsv';
import { nameListCsv } from '@ft/core/formats/csv/nameListCsv';
import { summingCsv } from '@ft/core/formats/csv/summingCsv';
import { withNextBest } from '@ft/core/views/mix/nextBest';
import { summingView } from '@ft/core/views/mix/summingView';
import { insertsView } from '@ft/core/views/mix/insertsView';
import { nameList } from '@ft/core/views/mix/nameList';
import { lineUpSheet } from '@ft/core/views/levels/lineUpSheet';
import { patchList } from '@ft/core/views/bay/patchList';
import { planOf } from '@ft/core/views/plan';
import { bannerLine } from '@ft/core/views/playback/playbackBanner';
import { cueSheetView } from '@ft/core/views/cues/cueSheetView';
import { channelSheetView } from '@ft/core/views/consoles/channelSheetView';
import type { DeviceId } from '@ft/core/rig/ids';
import type { LogRow } from '@ft/core/takes/logRows';
import type { ScenePlace } from '@ft/core/session/scenePlace';
import { findScene } from '@ft/core/session/scenePlace';
import type { PatchSheet } from '../sheets/patchListPdf';
import type { SheetHead } from '../sheets/sheetPdf';
import type { Documents } from '../studios/documents';
import { studioOf } from '../studios/documents';
import type { Tell } from './jobProgress';

export interface SheetInput {
  readonly documents: Documents;
  readonly revision: number;
  readonly place: ScenePlace;
  readonly printedAt: string;
  /** Of the take log, its rows. */
  readonly rows?: readonly LogRow[];
  /** Of sheets of one device, which. */
  readonly device?: string;
}

/** A scene worked out, with what identifies it on paper; undefined where there is no such scene. */
function sheetOf({ documents, revision, place, printedAt }: SheetInput, tell: Tell) {
  tell('Reading the studio', 1, 3);
  const studio = studioOf(documents);
  const found = findScene(studio, place);
  if (found === undefined) return undefined;
  const { session, scene } = found;
  const names = { studio: studio.name, session: session.name, scene: scene.name };
  tell('Planning the scene', 2, 3);
  const worked = planOf(studio.rig, session, scene, studio.floor);
  const { playback } = worked.plan;
  const head: SheetHead = {
    ...{ ...names, revision, printedAt },
    ...(playback !== undefined && { playback: bannerLine(playback) }),
  };
  tell('Writing the sheet', 3, 3);
  return { head, ...worked };
}

function patchSheet(input: SheetInput, tell: Tell): PatchSheet | undefined {
  const sheet = sheetOf(input, tell);
  return sheet && { ...sheet.head, lines: patchList(sheet.context), findings: sheet.plan.findings };
}

/** The patch list as CSV. */
export function patchListCsvTask(input: SheetInput, tell: Tell): string | undefined {
  const sheet = patchSheet(input, tell);
  return sheet && patchListCsv(sheet.lines);
}

// The PDF library is large, and read only by a thread that prints.

/** The patch list on paper. */
export async function patchListPdfTask(input: SheetInput, tell: Tell): Promise<Uint8Array | undefined> {
  const sheet = patchSheet(input, tell);
  return sheet && (await import('../sheets/patchListPdf')).patchListPdf(sheet);
}

/** The channel sheet of a device on paper; undefined where there is no such scene or no such device. */
export async function consolePdfTask(input: SheetInput, tell: Tell): Promise<Uint8Array | undefined> {
  const sheet = sheetOf(input, tell);
  const channels = sheet && channelSheetView(sheet.context, (input.device ?? '') as DeviceId);
  if (sheet === undefined || channels === undefined) return undefined;
  const { consolePdf } = await import('../sheets/consolePdf');
  return consolePdf({ ...sheet.head, sheet: channels });
}

/** The cue sheet on paper. */
export async function cuesPdfTask(input: SheetInput, tell: Tell): Promise<Uint8Array | undefined> {
  const sheet = sheetOf(input, tell);
  if (sheet === undefined) return undefined;
  const { cuesPdf } = await import('../sheets/cuesPdf');
  return cuesPdf({ ...sheet.head, sheet: cueSheetView(sheet.context) });
}

/** The insert sheet on paper. */
export async function insertsPdfTask(input: SheetInput, tell: Tell): Promise<Uint8Array | undefined> {
  const sheet = sheetOf(input, tell);
  if (sheet === undefined) return undefined;
  const { insertsPdf } = await import('../sheets/insertsPdf');
  return insertsPdf({ ...sheet.head, view: insertsView(sheet.context) });
}

/** The insert sheet as CSV. */
export function insertsCsvTask(input: SheetInput, tell: Tell): string | undefined {
  const sheet = sheetOf(input, tell);
  return sheet && insertsCsv(insertsView(sheet.context));
}

/** The host's name list on paper. */
export async function namesPdfTask(input: SheetInput, tell: Tell): Promise<Uint8Array | undefined> {
  const sheet = sheetOf(input, tell);
  if (sheet === undefined) return undefined;
  const { namesPdf } = await import('../sheets/insertsPdf');
  return namesPdf({ ...sheet.head, lines: nameList(sheet.context) });
}

/** The host's name list as CSV. */
export function namesCsvTask(input: SheetInput, tell: Tell): string | undefined {
  const sheet = sheetOf(input, tell);
  return sheet && nameListCsv(nameList(sheet.context));
}

/** The summing sheet on paper. */
export async function summingPdfTask(input: SheetInput, tell: Tell): Promise<Uint8Array | undefined> {
  const sheet = sheetOf(input, tell);
  if (sheet === undefined) return undefined;
  const { summingPdf } = await import('../sheets/summingPdf');
  return summingPdf({ ...sheet.head, view: summingView(sheet.context) });
}

/** The summing sheet as CSV. */
export function summingCsvTask(input: SheetInput, tell: Tell): string | undefined {
  const sheet = sheetOf(input, tell);
  return sheet && summingCsv(withNextBest(sheet.context, summingView(sheet.context)));
}

/** The line-up sheet on paper. */
export async function lineUpPdfTask(input: SheetInput, tell: Tell): Promise<Uint8Array | undefined> {
  const sheet = sheetOf(input, tell);
  if (sheet === undefined) return undefined;
  const { lineUpPdf } = await import('../sheets/lineUpPdf');
  return lineUpPdf({ ...sheet.head, rows: lineUpSheet(sheet.context) });
}

/** The take log of the session on paper. */
export async function takesPdfTask(input: SheetInput, tell: Tell): Promise<Uint8Array | undefined> {
  const sheet = sheetOf(input, tell);
  if (sheet === undefined) return undefined;
  const { takesPdf } = await import('../sheets/takesPdf');
  const log = new Map((input.rows ?? []).map((row) => [row.id, row]));
  return takesPdf({ ...sheet.head, log, tracks: sheet.context.session.tracks });
}
