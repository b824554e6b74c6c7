/**
 * A random id: 32 hexadecimal digits. Over plain http on the studio network a browser has no
 * `crypto.randomUUID`, but it does have random values.
 */
export const newId = (): string =>
  [...crypto.getRandomValues(new Uint8Array(16))].map((byte) => byte.toString(16).padStart(2, '0')).join('');
