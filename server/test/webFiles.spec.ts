import { mkdirSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { brotliCompressSync } from 'node:zlib';
import express from 'express';
import request from 'supertest';
import { securityHeaders } from '../src/http/securityHeaders';
import { webFiles } from '../src/http/webFiles';
import { emptyFolder } from './helpers';

const PROGRAM = 'console.log("the program");';
const folder = emptyFolder();

beforeAll(() => {
  mkdirSync(join(folder, 'media'));
  writeFileSync(join(folder, 'index.html'), '<p>the page</p>');
  for (const name of ['main', 'worker', 'media/house'])
    writeFileSync(join(folder, `${name}-ABCD1234.js`), PROGRAM);
  writeFileSync(join(folder, 'main-ABCD1234.js.br'), brotliCompressSync(PROGRAM));
});
afterAll(() => {
  rmSync(folder, { recursive: true, force: true });
});

const ask = (path: string, accepts: string) =>
  request(express().use(securityHeaders, webFiles(folder)))
    .get(path)
    .set('Accept-Encoding', accepts)
    .buffer(true);

describe('the files of the web application', () => {
  it('go out packed to who takes that, for good where the name says what is in them', async () => {
    const packed = await ask('/main-ABCD1234.js', 'gzip, br').expect(200);
    expect(packed.headers).toMatchObject({
      'content-encoding': 'br',
      'content-type': expect.stringContaining('javascript') as string,
      'cache-control': 'public, max-age=31536000, immutable',
      vary: 'Accept-Encoding',
    });
    expect(packed.text).toBe(PROGRAM);
    const plain = await ask('/main-ABCD1234.js', 'gzip').expect(200);
    expect(plain.headers['content-encoding']).toBeUndefined();
    expect(plain.headers['cache-control']).toContain('immutable');
    expect(plain.text).toBe(PROGRAM);
  });

  it('carry what protects a page with pages and workers only, and with none a type that is guessed', async () => {
    const policyOf = async (path: string): Promise<unknown> => {
      const { headers } = await ask(path, 'br').expect(200);
      expect(headers).toMatchObject({
        'x-content-type-options': 'nosniff',
        'cross-origin-resource-policy': 'same-origin',
      });
      return headers['content-security-policy'];
    };
    expect(await policyOf('/')).toContain("script-src 'self'");
    expect(await policyOf('/worker-ABCD1234.js')).toContain("script-src 'self'");
    for (const path of ['/main-ABCD1234.js', '/media/house-ABCD1234.js'])
      expect(await policyOf(path)).toBeUndefined();
  });

  it('are the page for every address without a file ending, and none for a file that is not there', async () => {
    for (const path of ['/', '/studio/some/session/scene/bay']) {
      const { headers } = await ask(path, 'gzip').expect(200, '<p>the page</p>');
      expect(headers['cache-control']).not.toContain('immutable');
    }
    await ask('/main-GONE1234.js', 'gzip').expect(404);
  });
});
