import { join } from 'node:path';
import { ROOT } from './run.mjs';
import { serve } from './serve.mjs';

await serve(['--demo', ...process.argv.slice(2)], {
  FT_DATA: process.env.FT_DATA ?? join(ROOT, 'data', 'demo'),
});
