import { expect } from 'chai';
import { mkdtemp, mkdir, writeFile } from 'node:fs/promises';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createApp } from './create-app.ts';

describe('server', () => {
  let server: Server;
  let base = '';

  before(async () => {
    const root = await mkdtemp(join(tmpdir(), 'tesseron-'));
    await mkdir(join(root, 'assets'));
    await writeFile(join(root, 'index.html'), `<meta content="__CSP_NONCE__"><p>${'page '.repeat(500)}</p>`);
    await writeFile(join(root, 'assets/a.js'), `export const a = 1; // ${'x'.repeat(3000)}`);
    server = createServer(createApp({ root, report: () => undefined }).callback());
    await new Promise<void>(resolve => server.listen(0, '127.0.0.1', resolve));
    base = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  });
  after(() => server.close());

  it('answers its health route', async () => {
    const response = await fetch(`${base}/health`);
    expect(response.status).to.equal(200);
    expect(await response.json()).to.deep.equal({ status: 'ok' });
  });

  it('gives the page a nonce of its own each time, and names it in the policy', async () => {
    const nonces = new Set<string>();
    for (let i = 0; i < 3; i++) {
      const response = await fetch(`${base}/machine/x/plan`);
      const nonce = /content="([^"]+)"/.exec(await response.text())?.[1] ?? '';
      expect(response.headers.get('content-security-policy')).to.include(`'nonce-${nonce}'`);
      nonces.add(nonce);
    }
    expect(nonces.size).to.equal(3);
  });

  it('forbids scripts from text and from elsewhere', async () => {
    const policy = (await fetch(base)).headers.get('content-security-policy') ?? '';
    expect(policy).to.include("default-src 'self'");
    expect(policy).to.not.match(/script-src[^;]*unsafe-(inline|eval)(?<!wasm-unsafe-eval)/);
    expect(policy).to.include("object-src 'none'");
  });

  it('compresses, and lets hashed files be kept', async () => {
    const response = await fetch(`${base}/assets/a.js`, { headers: { 'Accept-Encoding': 'gzip' } });
    expect(response.headers.get('content-encoding')).to.equal('gzip');
    expect(response.headers.get('cache-control')).to.include('immutable');
  });

  it('has no file outside its folder and no page for a missing file', async () => {
    expect((await fetch(`${base}/assets/none.js`)).status).to.equal(404);
    expect((await fetch(`${base}/..%2f..%2fpackage.json`)).status).to.not.equal(200);
  });
});
