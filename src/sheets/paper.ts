/**
 * A PDF page measured in millimetres. Knows the fonts that ship with the app, wraps words, and starts a new page when
 * one is full. 1 mm = 72/25.4 pt, so what is drawn 50 mm long prints 50 mm long at 100 %.
 */
import type { Units } from '@/units/units';
import type { SheetFonts } from './fonts';
import { PdfWriter, type PdfDocument } from './pdf-writer';

const PT = 72 / 25.4;
const PAPERS = { a4: [210, 297], letter: [215.9, 279.4] } as const;
type PaperSize = keyof typeof PAPERS;
export const MARGIN = 14;

/** How a maker wants sheets printed. */
export interface SheetOptions {
  readonly units: Units;
  readonly paper: PaperSize;
  /** Date printed on the sheets; given, so that the same plan makes the same file. */
  readonly date: Date;
  readonly fonts: SheetFonts;
  /** Photographs by the name of their entry, JPEG or PNG; where there are none, sheets say so. */
  readonly pictures?: Readonly<Record<string, Uint8Array>>;
}

/** Characters of the main font file; everything else is set from the extended one. */
const MAIN = /[\u0000-\u00ff\u0131\u0152\u0153\u02bb\u02bc\u02c6\u02da\u02dc\u2000-\u206f\u20ac\u2122\u2212\u2215]/;

interface TextOptions {
  readonly size?: number;
  readonly bold?: boolean;
  readonly grey?: boolean;
  readonly width?: number;
  readonly align?: 'left' | 'right' | 'center';
}

export class Paper {
  readonly doc: PdfDocument;
  readonly width: number;
  readonly height: number;
  /** Where the next line goes, mm from the top. */
  y = MARGIN;
  #footer: string;
  #page = 0;

  constructor(title: string, footer: string, { paper, date, fonts }: SheetOptions) {
    [this.width, this.height] = PAPERS[paper];
    this.#footer = footer;
    this.doc = new PdfWriter({
      size: [this.width * PT, this.height * PT],
      margin: 0,
      autoFirstPage: false,
      tagged: true,
      lang: 'en',
      displayTitle: true,
      pdfVersion: '1.7',
      // No standard font: everything is set from the two that ship with the app.
      font: null,
      info: { Title: title, Creator: 'Fond Badger', CreationDate: date, ModDate: date },
    } as unknown as PDFKit.PDFDocumentOptions);
    for (const w of [400, 700] as const) {
      this.doc.registerFont(`main-${w}`, fonts[`latin-${w}`] as Buffer);
      this.doc.registerFont(`more-${w}`, fonts[`latin-ext-${w}`] as Buffer);
    }
    this.newPage();
  }

  get innerWidth(): number {
    return this.width - 2 * MARGIN;
  }

  newPage(): void {
    this.doc.addPage();
    this.#page++;
    this.y = MARGIN;
    const foot = { size: 7.5, grey: true } as const;
    this.artifact(() => {
      this.text(this.#footer, MARGIN, this.height - 9, { ...foot, width: this.innerWidth - 20 });
      this.text(`page ${this.#page}`, this.width - MARGIN - 20, this.height - 9, {
        ...foot,
        width: 20,
        align: 'right',
      });
    });
  }

  /** Starts a new page when less than `mm` is left. */
  room(mm: number): void {
    if (this.y + mm > this.height - 14) this.newPage();
  }

  #runs(s: string): { text: string; font: 'main' | 'more' }[] {
    const runs: { text: string; font: 'main' | 'more' }[] = [];
    for (const ch of s) {
      const font = MAIN.test(ch) ? 'main' : 'more';
      const last = runs[runs.length - 1];
      if (last && (last.font === font || ch === ' ')) last.text += ch;
      else runs.push({ text: ch, font });
    }
    return runs;
  }

  measure(s: string, size: number, bold = false): number {
    let w = 0;
    for (const r of this.#runs(s)) {
      this.doc.font(`${r.font}-${bold ? 700 : 400}`).fontSize(size);
      w += this.doc.widthOfString(r.text) / PT;
    }
    return w;
  }

  lines(s: string, width: number, size: number, bold = false): string[] {
    const out: string[] = [];
    for (const paragraph of s.split('\n')) {
      let line = '';
      for (const word of paragraph.split(/(?<= )/)) {
        if (line && this.measure((line + word).trimEnd(), size, bold) > width) {
          out.push(line.trimEnd());
          line = '';
        }
        line += word;
        // A single word wider than the column is broken where it must be.
        while (line.length > 1 && this.measure(line.trimEnd(), size, bold) > width) {
          let k = line.length - 1;
          while (k > 1 && this.measure(line.slice(0, k), size, bold) > width) k--;
          out.push(line.slice(0, k));
          line = line.slice(k);
        }
      }
      out.push(line.trimEnd());
    }
    return out;
  }

  /** Sets text with its top at y; returns the height used, mm. */
  text(s: string, x: number, y: number, o: TextOptions = {}): number {
    const size = o.size ?? 10;
    const width = o.width ?? this.width - x - MARGIN;
    const leading = (size * 1.32) / PT;
    const lines = this.lines(s, width, size, o.bold);
    lines.forEach((line, i) => {
      const used = this.measure(line, size, o.bold);
      let at = x + (o.align === 'right' ? width - used : o.align === 'center' ? (width - used) / 2 : 0);
      for (const r of this.#runs(line)) {
        this.doc
          .font(`${r.font}-${o.bold ? 700 : 400}`)
          .fontSize(size)
          .fillColor(o.grey ? '#54595b' : '#1c2022')
          .text(r.text, at * PT, (y + i * leading) * PT, { lineBreak: false });
        at += this.doc.widthOfString(r.text) / PT;
      }
    });
    return lines.length * leading;
  }

  /** A tagged block: what `draw` puts on the page belongs to one element of the document's structure. */
  tagged(kind: 'H1' | 'H2' | 'P' | 'Figure' | 'Table', draw: () => void, alt?: string): void {
    this.doc.addStructure(this.doc.struct(kind, alt ? { alt } : {}, [draw]));
  }

  /** Lines and page numbers that carry no meaning of their own. */
  artifact(draw: () => void): void {
    this.doc.markContent('Artifact');
    draw();
    this.doc.endMarkedContent();
  }

  line(x1: number, y1: number, x2: number, y2: number, widthMm = 0.2, dash = false): void {
    this.doc
      .save()
      .lineWidth(widthMm * PT)
      .strokeColor('#1c2022');
    if (dash) this.doc.dash(1 * PT, { space: 1 * PT });
    this.doc
      .moveTo(x1 * PT, y1 * PT)
      .lineTo(x2 * PT, y2 * PT)
      .stroke()
      .restore();
  }

  /** A line through points in mm. */
  polyline(points: readonly (readonly [number, number])[], widthMm: number, dash: boolean): void {
    this.doc
      .save()
      .lineWidth(widthMm * PT)
      .lineJoin('round')
      .strokeColor('#1c2022');
    if (dash) this.doc.dash(1 * PT, { space: 0.8 * PT });
    points.forEach(([x, y], i) => (i === 0 ? this.doc.moveTo(x * PT, y * PT) : this.doc.lineTo(x * PT, y * PT)));
    this.doc.stroke().restore();
  }

  /** A filled outline through points in mm. */
  polygon(points: readonly (readonly [number, number])[], hex: string): void {
    if (points.length < 3) return;
    this.doc.save();
    points.forEach(([x, y], i) => (i === 0 ? this.doc.moveTo(x * PT, y * PT) : this.doc.lineTo(x * PT, y * PT)));
    this.doc.closePath().fill(hex).restore();
  }

  /** A photograph, JPEG or PNG, as large as fits, mm. */
  picture(bytes: Uint8Array, x: number, y: number, width: number, height: number): void {
    // Of its own: what is handed in may be a view of something larger.
    const own = bytes.slice().buffer as ArrayBuffer;
    this.doc.image(own, x * PT, y * PT, { fit: [width * PT, height * PT] });
  }

  /** A small ring with a dot in it, to push a pin through. */
  pin(x: number, y: number): void {
    this.doc
      .save()
      .lineWidth(0.2 * PT)
      .strokeColor('#1c2022')
      .circle(x * PT, y * PT, 0.9 * PT)
      .stroke()
      .circle(x * PT, y * PT, 0.25 * PT)
      .fill('#1c2022')
      .restore();
  }

  /** Draws with everything outside the rectangle cut away. */
  clipped(x: number, y: number, w: number, h: number, draw: () => void): void {
    this.doc
      .save()
      .rect(x * PT, y * PT, w * PT, h * PT)
      .clip();
    draw();
    this.doc.restore();
  }

  /** A bar exactly 50 mm long, to check that the printer did not scale the page. */
  checkBar(x: number, y: number): void {
    this.doc
      .save()
      .rect(x * PT, y * PT, 50 * PT, 1 * PT)
      .fill('#000000')
      .restore();
    this.text('This bar measures 50 mm when printed at 100 %', x + 53, y - 1.4, { size: 8 });
  }

  heading(s: string, level: 'H1' | 'H2'): void {
    this.room(16);
    this.tagged(level, () => {
      this.y += this.text(s, MARGIN, this.y, { size: level === 'H1' ? 20 : 13, bold: true }) + 1.5;
    });
  }

  paragraph(s: string, o: TextOptions = {}): void {
    this.room(this.lines(s, o.width ?? this.innerWidth, o.size ?? 10, o.bold).length * 5);
    this.tagged('P', () => {
      this.y += this.text(s, MARGIN, this.y, o) + 1.5;
    });
  }

  /** A plain table. Columns share the width as given; numbers go to the right. */
  table(
    head: readonly string[],
    widths: readonly number[],
    right: readonly boolean[],
    rows: readonly (readonly string[])[],
  ): void {
    const total = widths.reduce((a, b) => a + b, 0);
    const w = widths.map((x) => (x / total) * this.innerWidth);
    const size = 8.5;
    const table = this.doc.struct('Table');
    this.doc.addStructure(table);
    const put = (cells: readonly string[], bold: boolean) => {
      const height =
        Math.max(...cells.map((c, i) => this.lines(c, w[i]! - 2, size, bold).length)) * ((size * 1.32) / PT) + 1.6;
      if (this.y + height > this.height - 14) {
        this.newPage();
        if (!bold) put(head, true);
      }
      let x = MARGIN;
      const places = cells.map((_, i) => {
        x += w[i]!;
        return x - w[i]!;
      });
      const row = this.doc.struct('TR');
      table.add(row);
      cells.forEach((c, i) => {
        row.add(
          this.doc.struct(bold ? 'TH' : 'TD', {}, [
            () =>
              void this.text(c, places[i]! + 1, this.y + 0.6, {
                size,
                bold,
                width: w[i]! - 2,
                align: right[i] ? 'right' : 'left',
              }),
          ]),
        );
      });
      row.end();
      this.y += height;
      this.artifact(() => this.line(MARGIN, this.y, this.width - MARGIN, this.y, bold ? 0.3 : 0.1));
    };
    put(head, true);
    for (const r of rows) put(r, false);
    table.end();
    this.y += 4;
  }

  /** Ends the document and gathers its bytes. */
  async bytes(): Promise<Uint8Array> {
    const parts: Uint8Array[] = [];
    const done = new Promise<void>((resolve, reject) => {
      this.doc.on('data', (b: Uint8Array) => parts.push(b));
      this.doc.on('end', resolve);
      this.doc.on('error', reject);
    });
    this.doc.end();
    await done;
    const bytes = new Uint8Array(parts.reduce((sum, p) => sum + p.length, 0));
    let at = 0;
    for (const p of parts) {
      bytes.set(p, at);
      at += p.length;
    }
    return bytes;
  }
}
