import ELK from 'elkjs/lib/elk-api.js';
import type { ELK as Engine } from 'elkjs/lib/elk-api.js';

/** The layout engine in a worker of its own; its script is copied beside the program when that is built. */
export const createElk = (): Engine => new ELK({ workerUrl: 'elk-worker.min.js' });
