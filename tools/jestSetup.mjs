import { buildServer } from './builds.mjs';

/** Builds what the tests run as it ships: the worker program and the demo, once for all of them. */
export default async function setup() {
  await buildServer();
}
