'use client';
import { saveBlob, saveText } from '../workspace/files';

/** What a drawing takes from the sheets of style of its page, and would lose without them. */
const STYLES = [
  'fill',
  'stroke',
  'stroke-width',
  'stroke-dasharray',
  'stroke-linecap',
  'stroke-linejoin',
  'fill-opacity',
  'font-family',
  'font-size',
  'font-weight',
  'text-anchor',
  'paint-order',
  'visibility',
] as const;
/** What is not handed down to what stands inside, with what it is where nothing is said. */
const OWN: Readonly<Record<string, readonly string[]>> = { opacity: ['1'], display: ['inline', 'block'] };
/** What only a page has a use for. */
const OF_THE_PAGE = ['class', 'tabindex', 'role', 'data-testid', 'aria-valuenow', 'aria-valuetext', 'aria-label'];

/**
 * Writes into a copy what its original looks like on the page; what it has from what it stands in is not said again.
 */
function fixed(original: Element, copy: Element, around: CSSStyleDeclaration | null = null): void {
  const style = getComputedStyle(original);
  const to = (copy as SVGElement).style;
  copy.removeAttribute('style');
  for (const name of STYLES) {
    copy.removeAttribute(name);
    const value = style.getPropertyValue(name);
    if (value && value !== around?.getPropertyValue(name)) to.setProperty(name, value);
  }
  for (const [name, plain] of Object.entries(OWN)) {
    copy.removeAttribute(name);
    const value = style.getPropertyValue(name);
    if (!plain.includes(value)) to.setProperty(name, value);
  }
  for (const name of OF_THE_PAGE) copy.removeAttribute(name);
  [...original.children].forEach((child, i) => {
    fixed(child, copy.children[i]!, style);
  });
}

/**
 * A drawing of the page as a file that stands alone: its colours, its textures and its size are in it.
 * @returns SVG text
 */
export function pictureOf(svg: SVGSVGElement): string {
  const copy = svg.cloneNode(true) as SVGSVGElement;
  fixed(svg, copy);
  const { width, height } = svg.getBoundingClientRect();
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg');
  copy.setAttribute('width', String(Math.round(width)));
  copy.setAttribute('height', String(Math.round(height)));
  if (!copy.hasAttribute('viewBox')) copy.setAttribute('viewBox', `0 0 ${Math.round(width)} ${Math.round(height)}`);
  const defs = document.createElementNS('http://www.w3.org/2000/svg', 'defs');
  const named = new Set([...copy.outerHTML.matchAll(/url\((?:&quot;|")?#([\w-]+)/g)].map((m) => m[1]!));
  for (const id of named) {
    if (copy.querySelector(`#${CSS.escape(id)}`)) continue;
    const pattern = document.getElementById(id);
    if (!pattern) continue;
    const texture = pattern.cloneNode(true) as Element;
    fixed(pattern, texture);
    defs.append(texture);
  }
  const [x, y, w, h] = (copy.getAttribute('viewBox') ?? '').split(/[\s,]+/);
  const ground = document.createElementNS('http://www.w3.org/2000/svg', 'rect');
  for (const [name, value] of Object.entries({ x: x!, y: y!, width: w!, height: h! })) ground.setAttribute(name, value);
  ground.setAttribute('fill', getComputedStyle(document.documentElement).getPropertyValue('--paper').trim() || 'white');
  copy.prepend(defs, ground);
  return new XMLSerializer().serializeToString(copy);
}

/** Dots for each pixel of the page: sharp on paper as well. */
const DENSITY = 3;

async function pngOf(svg: SVGSVGElement): Promise<Blob> {
  const url = URL.createObjectURL(new Blob([pictureOf(svg)], { type: 'image/svg+xml' }));
  try {
    const image = new Image();
    image.src = url;
    await image.decode();
    const { width, height } = svg.getBoundingClientRect();
    const canvas = document.createElement('canvas');
    [canvas.width, canvas.height] = [Math.round(width * DENSITY), Math.round(height * DENSITY)];
    canvas.getContext('2d')!.drawImage(image, 0, 0, canvas.width, canvas.height);
    return await new Promise((resolve, reject) => {
      canvas.toBlob(
        (blob) => (blob ? resolve(blob) : reject(new Error('The picture could not be made.'))),
        'image/png',
      );
    });
  } finally {
    URL.revokeObjectURL(url);
  }
}

/** The drawings of a page that are worth a file: not its marks and thumbnails, the largest first. */
export function drawingsHere(): readonly SVGSVGElement[] {
  const area = (svg: SVGSVGElement) => {
    const { width, height } = svg.getBoundingClientRect();
    return width * height;
  };
  return [...document.querySelectorAll<SVGSVGElement>('main svg, svg[role]')]
    .filter((svg) => area(svg) > 40_000)
    .sort((a, b) => area(b) - area(a));
}

/** Saves the largest drawing of the page. @returns false where there is none */
export async function saveDrawing(name: string, as: 'svg' | 'png'): Promise<boolean> {
  const [svg] = drawingsHere();
  if (!svg) return false;
  if (as === 'svg') saveText(`${name}.svg`, pictureOf(svg), 'image/svg+xml');
  else saveBlob(`${name}.png`, await pngOf(svg));
  return true;
}
