import { buildServer, buildWeb } from './builds.mjs';
import { ensureInstalled } from './install.mjs';

await ensureInstalled();
await buildServer();
await buildWeb();
