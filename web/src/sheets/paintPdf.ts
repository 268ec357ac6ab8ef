import { create, type Font } from 'fontkit';
import PDFDocument from 'pdfkit';
import { mmPerPoint, signsOf, tones, type Face, type Page, type TextMark } from './marks';

/** What a document says of itself. */
export interface PdfAbout {
  title: string;
  subject: string;
  /** When it was made. */
  at: Date;
}

/** What a painter of PDF needs from where it runs. */
export interface PdfHelp {
  /** A file of letters, by its address. */
  file: (url: string) => Promise<Uint8Array>;
  /** For each face the files in which letters are looked for, in order. */
  files: Record<Face, string[]>;
  /** Letters that no file has, drawn by the system's on paper, as JPEG; null where there is nothing to draw with. Width in ems. */
  drawn: (text: string, face: Face, tone: string) => Promise<{ jpeg: Uint8Array; emWide: number; emHigh: number; emUp: number } | null>;
  /** How much is done, 0 to 1. */
  onProgress: (done: number) => void;
  /** The address that links of the page begin with. */
  origin: string;
}

const points = (mm: number): number => mm / mmPerPoint;

interface Letters {
  name: string;
  font: Font;
}

/**
 * Pages as a PDF: text that can be selected and searched, in letters that are in the file; lines and shapes as such; pictures as JPEG.
 * Letters of scripts that no file has are pictures, which carry their text.
 */
export async function paintPdf(pages: Page[], pictures: Map<string, Uint8Array>, about: PdfAbout, help: PdfHelp): Promise<Uint8Array> {
  const document = new PDFDocument({
    autoFirstPage: false,
    compress: true,
    pdfVersion: '1.7',
    lang: 'en',
    displayTitle: true,
    info: {
      Title: about.title,
      Subject: about.subject,
      Creator: 'Juxtopsis',
      Producer: 'Juxtopsis',
      CreationDate: about.at,
      ModDate: about.at,
    },
    margin: 0,
    font: null as unknown as string,
  });
  const chunks: Uint8Array[] = [];
  const whole = new Promise<void>((done, fail) => {
    document.on('data', (chunk: Uint8Array) => chunks.push(chunk));
    document.on('end', done);
    document.on('error', fail);
  });

  const loaded = new Map<string, Letters>();
  const lettersOf = async (url: string): Promise<Letters> => {
    let letters = loaded.get(url);
    if (!letters) {
      const file = await help.file(url);
      letters = { name: `f${loaded.size}`, font: create(file as never) as Font };
      document.registerFont(letters.name, file);
      loaded.set(url, letters);
    }
    return letters;
  };
  /** A text in parts, each in letters that have it; null for those that nothing has. */
  const partsOf = async (text: string, face: Face): Promise<{ text: string; letters: Letters | null }[]> => {
    const parts: { text: string; letters: Letters | null }[] = [];
    const has = ({ font }: Letters, sign: string) => Array.from(sign).every((one) => font.hasGlyphForCodePoint(one.codePointAt(0)!));
    for (const sign of signsOf(text)) {
      const last = parts.at(-1);
      let letters: Letters | null = null;
      if (last?.letters && has(last.letters, sign)) {
        letters = last.letters;
      } else if (!(last && !last.letters && sign === ' ')) {
        // A blank within a run that the system draws stays with it.
        for (const url of help.files[face]) {
          const candidate = await lettersOf(url);
          if (has(candidate, sign)) {
            letters = candidate;
            break;
          }
        }
      }
      if (last && last.letters === letters) last.text += sign;
      else parts.push({ text: sign, letters });
    }
    return parts;
  };

  const carrier = await lettersOf(help.files.sans[0]!);

  const write = async (mark: TextMark): Promise<void> => {
    const parts = await partsOf(mark.text, mark.face);
    const drawn = await Promise.all(
      parts.map(async (part) => (part.letters ? null : await help.drawn(part.text, mark.face, tones[mark.tone]))),
    );
    const widths = parts.map((part, i) => {
      if (!part.letters) return (drawn[i]?.emWide ?? 0) * mark.size;
      document.font(part.letters.name).fontSize(mark.size);
      return document.widthOfString(part.text);
    });
    const wide = widths.reduce((a, b) => a + b, 0);
    let x = points(mark.x) - (mark.align === 'right' ? wide : mark.align === 'middle' ? wide / 2 : 0);
    const y = points(mark.y);
    const left = x;
    parts.forEach((part, i) => {
      const picture = drawn[i];
      if (part.letters) {
        document.font(part.letters.name).fontSize(mark.size).fillColor(tones[mark.tone]);
        document.text(part.text, x, y, { lineBreak: false, baseline: 'alphabetic' });
      } else if (picture) {
        // Letters that nobody sees stand under the picture: what reads the page takes the actual text in their place.
        document.markContent('Span', { actual: part.text });
        document.save().addContent('3 Tr');
        document.font(carrier.name).fontSize(mark.size);
        document.text('x'.repeat(Math.max(1, Math.round(picture.emWide * 2))), x, y, { lineBreak: false, baseline: 'alphabetic' });
        document.restore();
        document.image(picture.jpeg as never, x, y - picture.emUp * mark.size, {
          width: picture.emWide * mark.size,
          height: picture.emHigh * mark.size,
        });
        document.endMarkedContent();
      }
      x += widths[i]!;
    });
    if (mark.href) document.link(left, y - mark.size * 0.8, wide, mark.size * 1.1, new URL(mark.href, help.origin).href);
  };

  for (const [at, page] of pages.entries()) {
    document.addPage({ size: [points(page.width), points(page.height)], margin: 0 });
    for (const mark of page.marks) {
      if (mark.kind === 'text') {
        await write(mark);
      } else if (mark.kind === 'path') {
        document
          .save()
          .scale(1 / mmPerPoint)
          .path(mark.d);
        if (mark.stroke) {
          document.lineWidth(mark.width ?? 0.2).strokeColor(tones[mark.stroke]);
          if (mark.dash) document.dash(mark.dash[0]!, { space: mark.dash[1] ?? mark.dash[0]! });
        }
        if (mark.fill) document.fillColor(tones[mark.fill]);
        if (mark.fill && mark.stroke) document.fillAndStroke();
        else if (mark.fill) document.fill();
        else document.stroke();
        document.restore();
      } else {
        const picture = pictures.get(mark.id);
        if (picture)
          document.image(picture as never, points(mark.x), points(mark.y), { width: points(mark.width), height: points(mark.height) });
      }
    }
    help.onProgress((at + 1) / pages.length);
  }
  document.end();
  await whole;
  return joined(chunks);
}

function joined(chunks: Uint8Array[]): Uint8Array {
  const all = new Uint8Array(chunks.reduce((sum, chunk) => sum + chunk.length, 0));
  let at = 0;
  for (const chunk of chunks) {
    all.set(chunk, at);
    at += chunk.length;
  }
  return all;
}
