import ELK from 'elkjs/lib/elk.bundled.js';
import type { ELK as Engine } from 'elkjs/lib/elk-api.js';

/** The same engine inside the test process, where there are no workers. */
export const createElk = (): Engine => Object.assign(new ELK(), { terminateWorker: () => undefined });
