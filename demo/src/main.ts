import { writeFileSync } from 'node:fs';
import { writeBundle } from '@ft/core/formats/bundle';
import { saltglassRooms } from './saltglass';

// Built once, when the program is built: it is routed by the program's own router, which takes a while.
const [file] = process.argv.slice(2);
if (file === undefined) throw new Error('say where the demo is written');
writeFileSync(file, writeBundle(saltglassRooms()));
