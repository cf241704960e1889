import { randomBytes } from 'node:crypto';
import { readFile } from 'node:fs/promises';
import { join } from 'node:path';
import { constants } from 'node:zlib';
import Router from '@koa/router';
import Koa from 'koa';
import compress from 'koa-compress';
import helmet from 'koa-helmet';
import serve from 'koa-static';

/** What the server needs from outside: the folder of the built application, and where to report errors. */
export interface Deps {
  readonly root: string;
  readonly report: (error: unknown) => void;
}

/** How hard files are pressed: what is served is built once and read often. */
const BROTLI = 7;

const YEAR = 365 * 24 * 3600 * 1000;

/** The server: static files, compression, strict content security policy, health. It keeps no data of the maker's. */
export function createApp({ root, report }: Deps): Koa {
  const app = new Koa();
  app.on('error', report);
  app.use(
    compress({
      threshold: 1024,
      br: { params: { [constants.BROTLI_PARAM_QUALITY]: BROTLI } },
      gzip: { level: 9 },
    }),
  );
  app.use(async (ctx, next) => {
    const nonce = randomBytes(16).toString('base64');
    ctx.state['nonce'] = nonce;
    await securityHeaders(nonce)(ctx, next);
  });
  const router = new Router();
  router.get('/health', ctx => {
    ctx.set('Cache-Control', 'no-store');
    ctx.body = { status: 'ok' };
  });
  app.use(router.routes()).use(router.allowedMethods());
  app.use(
    serve(root, {
      index: false,
      maxage: 0,
      setHeaders: (res, path) => {
        const hashed = path.includes(`${join(root, 'assets')}`);
        res.setHeader('Cache-Control', hashed ? `public, max-age=${YEAR / 1000}, immutable` : 'no-cache');
      },
    }),
  );
  app.use(page(root));
  return app;
}

function securityHeaders(nonce: string): Koa.Middleware {
  return helmet({
    contentSecurityPolicy: {
      useDefaults: false,
      directives: {
        defaultSrc: ["'self'"],
        scriptSrc: ["'self'", "'wasm-unsafe-eval'"],
        styleSrc: ["'self'", `'nonce-${nonce}'`],
        imgSrc: ["'self'", 'data:', 'blob:'],
        fontSrc: ["'self'"],
        connectSrc: ["'self'"],
        workerSrc: ["'self'", 'blob:'],
        objectSrc: ["'none'"],
        baseUri: ["'none'"],
        formAction: ["'none'"],
        frameAncestors: ["'none'"],
      },
    },
    strictTransportSecurity: false,
  });
}

/** The one page, for every address that is not a file: the router in the browser takes it from there. */
function page(root: string): Koa.Middleware {
  return async (ctx, next) => {
    if (ctx.method !== 'GET' && ctx.method !== 'HEAD') return next();
    if (/\.[a-z0-9]{1,8}$/i.test(ctx.path)) return next();
    const html = await readFile(join(root, 'index.html'), 'utf8');
    ctx.set('Cache-Control', 'no-store');
    ctx.type = 'html';
    ctx.body = html.replaceAll('__CSP_NONCE__', String(ctx.state['nonce']));
  };
}
