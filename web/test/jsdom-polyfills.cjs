/* jsdom lacks these; Jest's jsdom environment does not pass Node's through. */
const { MessageChannel, MessagePort } = require('node:worker_threads');
const { randomUUID } = require('node:crypto');
Object.assign(globalThis, { MessageChannel, MessagePort });
globalThis.structuredClone ??= (value) => require('node:v8').deserialize(require('node:v8').serialize(value));
globalThis.crypto.randomUUID ??= randomUUID;
globalThis.ResizeObserver ??= class {
  observe() {}
  unobserve() {}
  disconnect() {}
};
globalThis.matchMedia ??= (media) => ({
  matches: false,
  media,
  addEventListener() {},
  removeEventListener() {},
});
globalThis.Element.prototype.scrollIntoView ??= () => {};
globalThis.Element.prototype.scrollTo ??= () => {};
/* Nothing is drawn here; what is drawn is tested on a context of the test's own, and in Chromium. */
globalThis.HTMLCanvasElement.prototype.getContext = () => null;
/* Nothing has a size here; without one a list that draws only what is in sight would draw nothing. */
Object.defineProperty(globalThis.HTMLElement.prototype, 'clientHeight', { get: () => 2000 });
