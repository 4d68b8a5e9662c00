/**
 * Pages are built once and handed out for every address of their form: which job or sheet is meant is read in the browser.
 * `source` is the form of an address, `page` the built page that serves it.
 */
export const FORMS = [
  { source: '/job/:job', page: '/job/_' },
  ...['card', 'log', 'pick', 'report', 'tag'].map((view) => ({ source: `/job/:job/${view}`, page: `/job/_/${view}` })),
  ...['run', 'bench'].map((view) => ({ source: `/job/:job/:repair/${view}`, page: `/job/_/_/${view}` })),
  { source: '/job/:job/:repair/:stage', page: '/job/_/_/_' },
  { source: '/shelf/:sheet', page: '/shelf/_' },
];

const PLAIN = ['/', '/lab', '/learned', '/settings', '/shelf'];
const PATTERNS = FORMS.map(({ source, page }) => ({
  pattern: new RegExp(`^${source.replace(/:\w+/g, '[^/]+')}$`),
  page,
}));

/** The built page that serves a path; null where there is none. */
export function pageOf(path) {
  const bare = path.length > 1 ? path.replace(/\/$/, '') : path;
  return PLAIN.includes(bare) ? bare : (PATTERNS.find((p) => p.pattern.test(bare))?.page ?? null);
}

/** Every built page. */
export const PAGES = [...PLAIN, ...new Set(FORMS.map((f) => f.page))];

/** Where a page lies among the built ones, without its ending. */
export const fileOf = (page) => (page === '/' ? 'index' : page.slice(1));
