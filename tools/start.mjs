import { serve } from './serve.mjs';

await serve(process.argv.slice(2));
