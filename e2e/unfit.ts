import type { Page } from 'playwright-core';

/** A repair of the sample that is planned. */
export const REPAIR = '/job/sample-ramp/sample-nosing';
/** One that is under way. */
export const RUNNING = '/job/sample-winch/sample-plate';
/** Every kind of view, on the sample with all methods. */
export const VIEWS = [
  '/',
  '/shelf',
  '/shelf/new',
  '/shelf/sheet-mortar-1',
  '/lab',
  '/settings',
  '/learned',
  '/job/sample-ramp',
  '/job/sample-ramp/pick',
  '/job/sample-ramp/card',
  '/job/sample-floors/card',
  '/job/sample-winch/log',
  '/job/sample-winch/report',
  ...['inspect', 'measure', 'material', 'mix', 'place', 'hold', 'finish', 'release'].map((s) => `${REPAIR}/${s}`),
  '/job/sample-boat/sample-fitting/mix',
  '/job/sample-floors/sample-slabs/mix',
  '/job/sample-boat/sample-fitting/measure?pass=p2',
  '/job/sample-boat/sample-collar/measure',
  '/job/sample-landing/sample-crack/inspect',
  '/job/sample-landing/sample-foot/measure',
  '/job/sample-landing/sample-pocket/measure',
  '/job/sample-ramp/sample-eyes/measure',
  '/job/sample-floors/sample-chip/mix',
  '/job/sample-floors/sample-chip/finish',
  '/job/sample-floors/sample-slabs/place',
  '/job/sample-workshop/sample-cavities/hold',
  `${RUNNING}/run`,
  `${RUNNING}/bench`,
];

/** A page is laid out anew for a screen within so many looks at it, however slow the machine. */
const LOOKS = 20;

/**
 * What a hand and an eye cannot use on the page, once it has been laid out: too wide, words too small or over each
 * other, presses too low.
 * @param counts which of it is a fault on this screen
 */
export async function unfitOn(
  page: Page,
  leastPx: number,
  counts: (what: string) => boolean = () => true,
): Promise<readonly string[]> {
  // The lab draws what its thread has computed: before that there is nothing to look at.
  if (new URL(page.url()).pathname === '/lab')
    await page.locator('[aria-busy="false"] [data-testid="pot-life"]').waitFor();
  for (let look = 1; ; look++) {
    const unfit = (await unfitNow(page, leastPx)).filter(counts);
    if (!unfit.length || look === LOOKS) return unfit;
    await page.waitForTimeout(100);
  }
}

const unfitNow = (page: Page, leastPx: number): Promise<readonly string[]> =>
  page.evaluate((least) => {
    const out: string[] = [];
    const wide = document.documentElement.scrollWidth - document.documentElement.clientWidth;
    if (wide > 0) out.push(`${wide} px wider than the page`);
    for (const text of document.querySelectorAll<SVGTextElement>('svg text')) {
      // Marks that stand for a word beside them are pictures.
      if (!text.getClientRects().length || !text.textContent?.trim() || text.closest('[aria-hidden]')) continue;
      const px = Number.parseFloat(getComputedStyle(text).fontSize) * (text.getScreenCTM()?.a ?? 1);
      if (px < least - 0.05) out.push(`“${text.textContent.slice(0, 24)}” of ${px.toFixed(1)} px`);
      let page = text.ownerSVGElement!;
      while (page.ownerSVGElement) page = page.ownerSVGElement;
      const [word, frame] = [text.getBoundingClientRect(), page.getBoundingClientRect()];
      const beyond = Math.max(frame.left - word.left, word.right - frame.right);
      if (beyond > 1.5 && getComputedStyle(page).overflow !== 'visible')
        out.push(`“${text.textContent.slice(0, 24)}” cut by ${beyond.toFixed(0)} px`);
    }
    // Where words lie on the band and its like is a matter of the hour; a drawing to scale is always the same.
    for (const drawn of document.querySelectorAll(
      'svg[aria-label$="drawn to scale"], svg[aria-label$="gezeichnet"], [data-columns]',
    )) {
      const words = [...drawn.querySelectorAll('text')]
        .filter((t) => t.textContent?.trim() && !t.closest('[aria-hidden]'))
        .map((t) => ({ said: t.textContent, box: t.getBoundingClientRect() }));
      words.forEach(({ said, box: a }, i) => {
        for (const { said: other, box: b } of words.slice(i + 1)) {
          const [w, h] = [
            Math.min(a.right, b.right) - Math.max(a.left, b.left),
            Math.min(a.bottom, b.bottom) - Math.max(a.top, b.top),
          ];
          if (w > 2 && h > 3) out.push(`“${said}” over “${other}”`);
        }
      });
      const inset = drawn.parentElement?.querySelector('button')?.getBoundingClientRect();
      for (const { said, box } of inset?.width ? words : [])
        if (box.right > inset!.left + 2 && box.bottom > inset!.top + 2) out.push(`“${said}” under the other view`);
    }
    // A column so narrow that words are broken into letters is no column.
    for (const cell of document.querySelectorAll<HTMLElement>('main td, main th, main dd')) {
      // A hash is no word, and may break anywhere.
      const walker = document.createTreeWalker(cell, NodeFilter.SHOW_TEXT);
      for (let node = walker.nextNode(); node; node = walker.nextNode()) {
        if (/[0-9a-f]{12,}/.test(node.textContent ?? '')) continue;
        for (const { 0: word, index } of node.textContent!.matchAll(/\p{L}{3,}/gu)) {
          const range = document.createRange();
          range.setStart(node, index);
          range.setEnd(node, index + word.length);
          if (new Set([...range.getClientRects()].map((r) => Math.round(r.top))).size > 1)
            out.push(`“${word}” is broken`);
        }
      }
    }
    for (const field of document.querySelectorAll<HTMLInputElement>('main input.fig')) {
      if (field.value && field.scrollWidth > field.clientWidth + 1) out.push(`“${field.value}” cut off in its field`);
    }
    for (const press of document.querySelectorAll<HTMLElement>(
      'main .btn, main .input, main .select, main .textarea',
    )) {
      const { height, width } = press.getBoundingClientRect();
      if (width > 0 && height < 43.5) out.push(`“${(press.textContent ?? '').trim().slice(0, 24)}” ${height} px high`);
    }
    return [...new Set(out)].slice(0, 8);
  }, leastPx);
