import latin from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-400-normal.woff?url';
import latinExt from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-ext-400-normal.woff?url';
import boldLatin from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-700-normal.woff?url';
import boldLatinExt from '@fontsource/atkinson-hyperlegible-next/files/atkinson-hyperlegible-next-latin-ext-700-normal.woff?url';
import monoLatin from '@fontsource/atkinson-hyperlegible-mono/files/atkinson-hyperlegible-mono-latin-400-normal.woff?url';
import monoLatinExt from '@fontsource/atkinson-hyperlegible-mono/files/atkinson-hyperlegible-mono-latin-ext-400-normal.woff?url';
import monoBoldLatin from '@fontsource/atkinson-hyperlegible-mono/files/atkinson-hyperlegible-mono-latin-700-normal.woff?url';
import cyrillic from '@fontsource/noto-sans/files/noto-sans-cyrillic-400-normal.woff?url';
import cyrillicExt from '@fontsource/noto-sans/files/noto-sans-cyrillic-ext-400-normal.woff?url';
import greek from '@fontsource/noto-sans/files/noto-sans-greek-400-normal.woff?url';
import vietnamese from '@fontsource/noto-sans/files/noto-sans-vietnamese-400-normal.woff?url';
import symbols from '@fontsource/noto-sans-math/files/noto-sans-math-latin-400-normal.woff?url';
import boldCyrillic from '@fontsource/noto-sans/files/noto-sans-cyrillic-700-normal.woff?url';
import boldGreek from '@fontsource/noto-sans/files/noto-sans-greek-700-normal.woff?url';
import boldVietnamese from '@fontsource/noto-sans/files/noto-sans-vietnamese-700-normal.woff?url';
import type { Face } from './marks';

const plainOthers = [cyrillic, cyrillicExt, greek, vietnamese, symbols];
const boldOthers = [boldCyrillic, boldGreek, boldVietnamese, ...plainOthers];

/** For each face the files in which its letters are looked for, in order. What is in none of them is drawn by the system's letters. */
export const fontFiles: Record<Face, string[]> = {
  sans: [latin, latinExt, ...plainOthers],
  bold: [boldLatin, boldLatinExt, ...boldOthers],
  mono: [monoLatin, monoLatinExt, latin, ...plainOthers],
  monoBold: [monoBoldLatin, boldLatin, ...boldOthers],
};

const families: Record<Face, string> = { sans: 'Sheet', bold: 'Sheet Bold', mono: 'Sheet Mono', monoBold: 'Sheet Mono Bold' };

/** The face as style sheets and canvases name it: file after file, then what the system has. */
export const familyOf = (face: Face): string =>
  [...fontFiles[face].map((_, i) => `"${families[face]} ${i}"`), face === 'mono' || face === 'monoBold' ? 'monospace' : 'sans-serif'].join(
    ', ',
  );

let loading: Promise<void> | null = null;

/** Loads the letters of sheets for the screen; a file that cannot be fetched leaves its letters to the system's. */
export function loadFonts(): Promise<void> {
  loading ??= Promise.all(
    (Object.keys(fontFiles) as Face[]).flatMap((face) =>
      fontFiles[face].map(async (url, i) => {
        const font = new FontFace(`${families[face]} ${i}`, `url(${url})`);
        try {
          document.fonts.add(await font.load());
        } catch {
          loading = null;
        }
      }),
    ),
  ).then(() => undefined);
  return loading;
}

const context = typeof document === 'undefined' ? null : document.createElement('canvas').getContext('2d');
const widths = new Map<string, number>();
const mostKept = 20_000;

/** How wide a text is on paper, mm. */
export function measure(text: string, size: number, face: Face): number {
  const key = `${face} ${text}`;
  let width = widths.get(key);
  if (width === undefined) {
    if (!context) return text.length * size * 0.18;
    context.font = `100px ${familyOf(face)}`;
    width = context.measureText(text).width / 100;
    if (widths.size > mostKept) widths.clear();
    widths.set(key, width);
  }
  return (width * size * 25.4) / 72;
}

/** What was measured before the letters were there is measured anew. */
export const forgetWidths = (): void => widths.clear();
