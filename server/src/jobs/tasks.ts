import { acceptTask } from './acceptTask';
import { bundleTask } from './bundleTask';
import { findingsTask } from './findingsTask';
import { readArchiveTask } from './readArchiveTask';
import { readBundleTask } from './readBundleTask';
import { readChangeTask } from './readChangeTask';
import { readStudioTask } from './readStudioTask';
import { startTask } from './startTask';
import {
  consolePdfTask,
  cuesPdfTask,
  insertsCsvTask,
  insertsPdfTask,
  lineUpPdfTask,
  namesCsvTask,
  namesPdfTask,
  patchListCsvTask,
  patchListPdfTask,
  summingCsvTask,
  summingPdfTask,
  takesPdfTask,
} from './sheetTasks';

/** Every kind of job there is. A task takes plain data and gives plain data; it reads no files and stores nothing. */
export const TASKS = {
  readBundle: readBundleTask,
  bundle: bundleTask,
  readStudio: readStudioTask,
  readChange: readChangeTask,
  accept: acceptTask,
  readArchive: readArchiveTask,
  findings: findingsTask,
  start: startTask,
  patchListCsv: patchListCsvTask,
  patchListPdf: patchListPdfTask,
  lineUpPdf: lineUpPdfTask,
  consolePdf: consolePdfTask,
  cuesPdf: cuesPdfTask,
  takesPdf: takesPdfTask,
  insertsCsv: insertsCsvTask,
  insertsPdf: insertsPdfTask,
  namesCsv: namesCsvTask,
  namesPdf: namesPdfTask,
  summingCsv: summingCsvTask,
  summingPdf: summingPdfTask,
} as const;

export type TaskName = keyof typeof TASKS;
export type TaskInput<K extends TaskName> = Parameters<(typeof TASKS)[K]>[0];
export type TaskOutput<K extends TaskName> = Awaited<ReturnType<(typeof TASKS)[K]>>;
