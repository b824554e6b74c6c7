import { writeFileSync } from 'node:fs';
import { writeBundle } from '@ft/core/formats/bundle';
import { saltglassRooms } from './saltglass';
import { takeLog } from './takeLog';

// Built once, when the program is built: it is routed by the program's own router, which takes a while.
const [file, logFile] = process.argv.slice(2);
if (file === undefined || logFile === undefined)
  throw new Error('say where the demo and its log are written');
const studio = saltglassRooms();
writeFileSync(file, writeBundle(studio));
writeFileSync(logFile, JSON.stringify(takeLog(studio)));
