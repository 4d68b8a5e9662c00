import { PAGES, pageOf } from '../../routes.mjs';
import { guard, headersOf } from './guard';

test.each([
  ['GET', '/', null],
  ['HEAD', '/job/a/b/mix?x=1', null],
  ['POST', '/api/plan?at=2026', null],
  ['POST', '/', 405],
  ['TRACE', '/', 405],
  ['GET', '/api/plan', 405],
  ['', '/', 405],
  ['GET', '/%', 400],
  ['GET', '/?q=%E0%A4%A', 400],
  ['GET', '//elsewhere', 400],
  ['GET', '/a%00b', 400],
  ['GET', '/\\..', 400],
  ['GET', `/${'x'.repeat(5000)}`, 414],
] as const)('%s %s: %s', (method, url, status) => {
  const refused = guard(method, url);
  expect(refused?.status ?? null).toBe(status);
  if (refused) expect(refused.sentence).toMatch(/\.$/);
});

test('every address has its page, and no page is reached by an address of another form', () => {
  expect(pageOf('/job/x')).toBe('/job/_');
  expect(pageOf('/job/x/log')).toBe('/job/_/log');
  expect(pageOf('/job/x/y/run')).toBe('/job/_/_/run');
  expect(pageOf('/job/x/y/mix')).toBe('/job/_/_/_');
  expect(pageOf('/shelf/')).toBe('/shelf');
  for (const path of ['/job', '/job/x/y', '/job/x/y/z/w', '/shelf/a/b', '/nowhere']) expect(pageOf(path)).toBeNull();
  for (const page of PAGES) expect(pageOf(page)).toBe(page);
});

test('a page is let run its own scripts by their hashes, and no other’s', () => {
  const scripts = { '/job/_': ["'sha256-A='"], '/_not-found': ["'sha256-N='"] };
  const policy = (url: string) => headersOf(url, scripts)['content-security-policy']!;
  expect(policy('/job/x?a=1')).toContain("script-src 'self' 'sha256-A=';");
  expect(policy('/nowhere')).toContain("script-src 'self' 'sha256-N=';");
  expect(policy('/lab')).toContain("script-src 'self';");
  expect(policy('/')).toMatch(/object-src 'none'; base-uri 'self'; form-action 'self'; frame-ancestors 'none'$/);
});
