import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { fileOf, PAGES, pageOf } from '../../routes.mjs';

/** Why a request is not passed on. */
export interface Refused {
  readonly status: 400 | 405 | 414;
  readonly field: string;
  readonly allowed: string;
  readonly sentence: string;
  readonly allow?: string;
}

const READ = ['GET', 'HEAD'];
/** Methods by path; everything else is read only. */
const METHODS: readonly (readonly [path: string, methods: readonly string[]])[] = [['/api/plan', ['POST']]];
const LONGEST = 4096;

/**
 * What a server must not be asked: methods it does not know, addresses that cannot be read. @returns null when it may
 * go on
 */
export function guard(method: string, url: string): Refused | null {
  if (url.length > LONGEST)
    return { status: 414, field: 'url', allowed: `up to ${LONGEST} characters`, sentence: 'The address is too long.' };
  const [path = ''] = url.split('?');
  try {
    decodeURIComponent(url);
    new URL(url, 'http://local');
  } catch {
    return {
      status: 400,
      field: 'url',
      allowed: 'whole percent escapes',
      sentence: 'The address cannot be read: a percent escape in it is broken.',
    };
  }
  if (path.includes('\\') || path.startsWith('//') || path.includes('\0') || /%00/i.test(path))
    return { status: 400, field: 'url', allowed: 'an address of this server', sentence: 'The address cannot be read.' };
  const allowed = METHODS.find(([p]) => path === p)?.[1] ?? READ;
  if (!allowed.includes(method))
    return {
      status: 405,
      field: 'method',
      allowed: allowed.join(', '),
      sentence: `This address answers ${allowed.join(' and ')}, not ${method || 'nothing'}.`,
      allow: allowed.join(', '),
    };
  return null;
}

/** Headers of an answer. Scripts run only from here, or word for word as they were built into the page. */
export function headersOf(url: string, scripts: Readonly<Record<string, readonly string[]>>): Record<string, string> {
  const page = pageOf(url.split('?')[0] ?? '');
  const hashes = scripts[page ?? '/_not-found'] ?? [];
  return {
    'content-security-policy': [
      "default-src 'self'",
      `script-src 'self' ${hashes.join(' ')}`.trim(),
      // Drawings place themselves by style attributes.
      "style-src 'self' 'unsafe-inline'",
      "img-src 'self' data: blob:",
      "font-src 'self'",
      "connect-src 'self'",
      "worker-src 'self' blob:",
      "manifest-src 'self'",
      "object-src 'none'",
      "base-uri 'self'",
      "form-action 'self'",
      "frame-ancestors 'none'",
    ].join('; '),
    'x-content-type-options': 'nosniff',
    'x-frame-options': 'DENY',
    'referrer-policy': 'no-referrer',
    'cross-origin-opener-policy': 'same-origin',
    // The screen is kept awake while a pot lives, figures are copied; nothing else of the device is used.
    'permissions-policy':
      'accelerometer=(), camera=(), display-capture=(), geolocation=(), gyroscope=(), magnetometer=(), microphone=(), midi=(), payment=(), usb=(), screen-wake-lock=(self), clipboard-write=(self)',
  };
}

/**
 * Files of the build that are handed out beside the application's own: the service worker, and the content of every
 * page.
 */
export function ownFile(dist: string, url: string): { readonly type: string; readonly content: Buffer } | null {
  const [path = ''] = url.split('?');
  if (path === '/sw.js')
    return { type: 'text/javascript; charset=utf-8', content: readFileSync(join(dist, 'grenko/sw.js')) };
  const page = PAGES.find((p) => path === `/_page${p === '/' ? '/index' : p}.rsc`);
  return page
    ? { type: 'text/x-component', content: readFileSync(join(dist, 'server/app', `${fileOf(page)}.rsc`)) }
    : null;
}
