import { jsPDF } from 'jspdf';
import type { RepairDocument } from '@/core/record';
import type { Drawing } from '@/core/void';
import { marked, phrase, translated } from '@/words';

/** What a document is printed from besides its words. */
export interface ReportAsk {
  readonly doc: RepairDocument;
  readonly sections: readonly { readonly name: string; readonly drawing: Drawing }[];
  /** Instants of the axis in the zone of the site. */
  readonly ticks: readonly { readonly ms: number; readonly label: string }[];
  readonly photos: readonly { readonly data: string; readonly type: string; readonly caption: string }[];
  readonly paper: 'a4' | 'letter';
}

const MARGIN = 16;
/** Columns of a working: what, how, how much. */
const WORKED = [0.28, 0.5, 0.22];
const LINE = 4.6;

/**
 * In the language of the report and the letters of the printed faces; what they lack is written otherwise.
 * @example plainText('−3 °C ≤ ½') // '-3 °C <= ½'
 */
export function plainText(text: string): string {
  const other: Readonly<Record<string, string>> = {
    '−': '-',
    '≤': '<=',
    '≥': '>=',
    '→': '->',
    '●': '*',
    '○': 'o',
    '✗': 'x',
    '′': "'",
    '″': '"',
    '\u202f': ' ',
    '\u2009': ' ',
    '\u00a0': ' ',
    Δ: 'd',
    α: 'a',
    ρ: 'rho',
    σ: 's',
    ν: 'v',
    π: 'pi',
    '√': 'sqrt ',
    '∑': translated('sum of '),
    Σ: translated('sum of '),
    '∫': translated('integral of '),
    τ: 'tau',
    θ: 'theta',
    '⌀': 'dia. ',
    '⁺': '+',
    '≈': '~',
    '∞': 'endless',
    '·': '·',
    '⁻': '-',
  };
  return [...translated(text)]
    .map((c) => other[c] ?? (c.codePointAt(0)! <= 0xff || '–—‘’“”„•…€™'.includes(c) ? c : '?'))
    .join('');
}

/** The record of a repair as a PDF, all of it vectors. @param progress shares of the work done, 0 to 1 */
export function reportPdf(ask: ReportAsk, progress: (share: number) => void = () => undefined): Uint8Array {
  const { doc } = ask;
  const pdf = new jsPDF({ unit: 'mm', format: ask.paper, compress: true });
  const [width, height] = [pdf.internal.pageSize.getWidth(), pdf.internal.pageSize.getHeight()];
  const inner = width - 2 * MARGIN;
  let y = MARGIN;

  const room = (mm: number) => {
    if (y + mm <= height - MARGIN - 6) return;
    pdf.addPage();
    y = MARGIN;
  };
  const font = (size: number, style: 'normal' | 'bold' = 'normal') => {
    pdf.setFont('helvetica', style);
    pdf.setFontSize(size);
  };
  /** Text in a column, wrapped; @returns where it ended */
  const text = (words: string, x: number, w: number, at = y): number => {
    const lines = pdf.splitTextToSize(plainText(words), w) as string[];
    pdf.text(lines, x, at);
    return at + lines.length * LINE;
  };
  const heightOf = (words: string, w: number): number =>
    (pdf.splitTextToSize(plainText(words), w) as string[]).length * LINE;
  /** A heading stands with what it heads. @param below the height of that, mm */
  const heading = (words: string, below = LINE) => {
    room(11 + below);
    y += 4;
    font(12, 'bold');
    pdf.text(plainText(words), MARGIN, y);
    pdf.setLineWidth(0.3);
    pdf.line(MARGIN, y + 1.5, width - MARGIN, y + 1.5);
    y += 7;
    font(9.5);
  };
  const tallOf = (row: readonly string[], shares: readonly number[]): number => {
    font(9.5);
    return Math.max(...row.map((c, i) => heightOf(c, shares[i]! * inner - 2)));
  };
  /** Rows of columns that stay together; the first may break where the page ends. */
  const rows = (list: readonly (readonly string[])[], shares: readonly number[]) => {
    font(9.5);
    for (const row of list) {
      const widths = shares.map((s) => s * inner);
      const tall = tallOf(row, shares);
      room(tall + 1);
      let x = MARGIN;
      row.forEach((c, i) => {
        if (c) text(c, x, widths[i]! - 2);
        x += widths[i]!;
      });
      y += tall;
      pdf.setDrawColor(200);
      pdf.setLineWidth(0.1);
      pdf.line(MARGIN, y - LINE + 1.4, width - MARGIN, y - LINE + 1.4);
      pdf.setDrawColor(0);
      y += 0.8;
    }
  };

  pdf.setProperties({ title: phrase`${doc.title}, record`, creator: 'Grenko' });
  font(18, 'bold');
  pdf.text(plainText(doc.title), MARGIN, y + 4);
  y += 10;
  font(11);
  y = text([doc.place, doc.job].filter(Boolean).join(' · '), MARGIN, inner) + 2;
  rows(doc.facts, [0.3, 0.7]);
  if (doc.deviations.length) {
    heading('Departures');
    rows(
      doc.deviations.map((d) => [d]),
      [1],
    );
  }
  progress(0.1);

  if (ask.sections.length) {
    heading('Section, to scale');
    const w = inner / Math.min(2, ask.sections.length);
    ask.sections.forEach(({ name, drawing }, i) => {
      const column = i % 2;
      if (column === 0) room(52);
      const x = MARGIN + column * w;
      drawSection(pdf, drawing, x, y + 3, w - 6, 40);
      font(8.5);
      pdf.text(plainText(name), x, y + 47);
      if (column === 1 || i === ask.sections.length - 1) y += 52;
    });
  }
  heading('As planned and as it was');
  room(34);
  drawBand(pdf, ask, MARGIN, y, inner);
  y += 32;
  for (const r of doc.readings) {
    font(9);
    if (r.points.length < 2) {
      room(LINE + 2);
      y = text(phrase`Read of the ${r.channel}: ${r.points.map((p) => `${p[1]} °C`).join(', ')}`, MARGIN, inner) + 2;
      continue;
    }
    room(36);
    pdf.text(phrase`Readings of the ${r.channel}, °C`, MARGIN, y);
    drawCurve(pdf, r.points, ask.ticks, MARGIN, y + 2, inner, 24);
    y += 34;
  }
  progress(0.3);

  if (doc.batches.length) {
    heading('Batches');
    for (const b of doc.batches) {
      font(9.5, 'bold');
      room(LINE * (b.rows.length + 3));
      y = text(b.label, MARGIN, inner);
      rows(
        [
          ['part', 'planned', 'as it was', 'off by', 'lot'],
          ...b.rows.map((r) => [r.part, r.planned, r.real, r.off, r.lot]),
        ],
        [0.3, 0.17, 0.2, 0.15, 0.18],
      );
      rows([[b.witness]], [1]);
    }
  }
  heading('Tests and signatures');
  rows(
    doc.tests.map((t) => [t.ask, t.answer, t.at]),
    [0.55, 0.12, 0.33],
  );
  rows(
    [...doc.opened.map(([a, b]) => [phrase`opened: ${a}`, b]), ...doc.signatures.map(([a, b]) => [a, b])],
    [0.4, 0.6],
  );
  progress(0.45);

  if (ask.photos.length) {
    heading('Photographs');
    for (const p of ask.photos) {
      room(70);
      const kind = p.type === 'image/png' ? 'PNG' : p.type === 'image/webp' ? 'WEBP' : 'JPEG';
      try {
        const of = pdf.getImageProperties(`data:${p.type};base64,${p.data}`);
        const h = Math.min(60, (of.height / of.width) * (inner / 2));
        pdf.addImage(`data:${p.type};base64,${p.data}`, kind, MARGIN, y, (h * of.width) / of.height, h);
        y += h + 4;
      } catch {
        y = text('A picture that cannot be read.', MARGIN, inner);
      }
      font(9);
      y = text(p.caption, MARGIN, inner) + 2;
    }
  }
  heading('What happened');
  doc.entries.forEach((e, i) => {
    rows([[e.at, e.what, e.role]], [0.27, 0.57, 0.16]);
    if (e.later.length)
      rows(
        e.later.map((l) => ['', `-> ${l}`]),
        [0.27, 0.73],
      );
    if (i % 50 === 0) progress(0.45 + (0.35 * i) / doc.entries.length);
  });
  progress(0.8);

  if (doc.working.length) {
    room(40);
    y += 6;
    font(14, 'bold');
    pdf.text(plainText('Working'), MARGIN, y + 2);
    y += 4;
    for (const part of doc.working) {
      const lines = part.lines.map((l) => [l.label, l.how, l.value]);
      heading(part.title, lines[0] ? tallOf(lines[0], WORKED) : 0);
      rows(lines, WORKED);
    }
  }
  heading('Whether the record is whole');
  rows(
    doc.chains.map((c) => [
      phrase`device ${c.device.slice(0, 12)}`,
      phrase`${c.entries} entries, ${c.whole ? 'whole' : 'BROKEN'}`,
      c.last,
    ]),
    [0.2, 0.22, 0.58],
  );

  const pages = pdf.getNumberOfPages();
  for (let n = 1; n <= pages; n++) {
    pdf.setPage(n);
    font(8);
    pdf.text(
      plainText(
        phrase`${doc.title} · written ${doc.writtenAt.slice(0, 16).replace('T', ' ')} UTC · Grenko ${doc.coreVersion}`,
      ),
      MARGIN,
      height - 9,
    );
    pdf.text(phrase`page ${n} of ${pages}`, width - MARGIN, height - 9, { align: 'right' });
  }
  progress(1);
  return new Uint8Array(pdf.output('arraybuffer'));
}

const TONES: Readonly<Record<string, number>> = {
  base: 215,
  void: 255,
  already: 190,
  later: 240,
  'keep-clear': 250,
  rod: 120,
  plate: 160,
  part: 160,
};

const grey = (pdf: jsPDF, tone: number) => pdf.setFillColor(tone, tone, tone);

/** A section to scale inside a box. */
function drawSection(pdf: jsPDF, drawing: Drawing, x: number, y: number, w: number, h: number): void {
  // Dimension lines stand outside of what they measure.
  const all = [...drawing.outlines.flatMap((o) => o.points), ...drawing.dimensions.flatMap((d) => [d.from, d.to])];
  if (!all.length) return;
  const xs = all.map((p) => p[0]);
  const ys = all.map((p) => p[1]);
  const [x0, x1, y0, y1] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
  const scale = Math.min(w / Math.max(1e-6, x1 - x0), h / Math.max(1e-6, y1 - y0));
  const at = (p: readonly [number, number]): [number, number] => [x + (p[0] - x0) * scale, y + (p[1] - y0) * scale];
  pdf.setLineWidth(0.2);
  for (const { points, role, open } of drawing.outlines) {
    if (points.length < 2) continue;
    const placed = points.map(at);
    const steps = placed.slice(1).map((p, i): [number, number] => [p[0] - placed[i]![0], p[1] - placed[i]![1]]);
    grey(pdf, TONES[role] ?? 235);
    pdf.lines(steps, placed[0]![0], placed[0]![1], [1, 1], open || points.length < 3 ? 'S' : 'FD', !open);
  }
  pdf.setFont('helvetica', 'normal');
  pdf.setFontSize(7);
  for (const d of drawing.dimensions) {
    const [a, b] = [at(d.from), at(d.to)];
    pdf.setLineWidth(0.1);
    pdf.line(a[0], a[1], b[0], b[1]);
    const mm = Math.hypot(d.to[0] - d.from[0], d.to[1] - d.from[1]) * d.perMm;
    pdf.text(marked(`${Number(mm.toPrecision(4))} mm`), (a[0] + b[0]) / 2 + 1, (a[1] + b[1]) / 2 - 0.6);
  }
}

/** Hands-on stretches on one axis: planned above, real below. */
function drawBand(pdf: jsPDF, { doc, ticks }: ReportAsk, x: number, y: number, w: number): void {
  const spans = [...doc.planned, ...doc.real];
  if (!spans.length) return;
  const [from, to] = [Math.min(...spans.map((s) => s.fromMs)), Math.max(...spans.map((s) => s.toMs))];
  const px = (ms: number) => x + 18 + ((ms - from) / Math.max(1, to - from)) * (w - 18);
  pdf.setFont('helvetica', 'normal');
  pdf.setFontSize(8);
  for (const t of ticks)
    if (t.ms >= from && t.ms <= to) {
      pdf.setDrawColor(190);
      pdf.line(px(t.ms), y, px(t.ms), y + 20);
      pdf.setDrawColor(0);
      pdf.text(plainText(t.label), px(t.ms), y + 24, { align: 'center' });
    }
  const row = (name: string, list: RepairDocument['planned'], top: number, tone: number) => {
    pdf.text(plainText(name), x, top + 4);
    grey(pdf, tone);
    for (const s of list) pdf.rect(px(s.fromMs), top, Math.max(0.25, px(s.toMs) - px(s.fromMs)), 6, 'F');
  };
  row('planned', doc.planned, y + 1, 170);
  row('as it was', doc.real, y + 11, 40);
}

function drawCurve(
  pdf: jsPDF,
  points: readonly (readonly [number, number])[],
  ticks: ReportAsk['ticks'],
  x: number,
  y: number,
  w: number,
  h: number,
): void {
  const values = points.map((p) => p[1]);
  const [low, high] = [Math.floor(Math.min(...values) - 1), Math.ceil(Math.max(...values) + 1)];
  const [from, to] = [points[0]![0], Math.max(points[0]![0] + 1, points.at(-1)![0])];
  const px = (ms: number) => x + 12 + ((ms - from) / (to - from)) * (w - 14);
  const py = (v: number) => y + h - ((v - low) / Math.max(1e-6, high - low)) * h;
  pdf.setFontSize(7.5);
  for (const v of [low, high]) {
    pdf.setDrawColor(190);
    pdf.line(x + 12, py(v), x + w, py(v));
    pdf.text(`${v}`, x + 9, py(v) + 1, { align: 'right' });
  }
  pdf.setDrawColor(0);
  for (const t of ticks)
    if (t.ms >= from && t.ms <= to) pdf.text(plainText(t.label), px(t.ms), y + h + 4, { align: 'center' });
  pdf.setLineWidth(0.4);
  points.forEach((p, i) => {
    pdf.circle(px(p[0]), py(p[1]), 0.6, 'F');
    const next = points[i + 1];
    if (next) pdf.line(px(p[0]), py(p[1]), px(next[0]), py(next[1]));
  });
}
