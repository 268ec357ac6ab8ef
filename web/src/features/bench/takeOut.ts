import { csvFile } from '../../documents/tables';
import { download, fileName } from '../../documents/workFile';
import { core, type RigReport } from '../../core/core';
import { rowDifferences, rowTexts, type FigureGroup, type FigureRow } from './figureRows';

/** Figures as rows of cells: a heading, then one row a figure, grouped; what is shown, in the person's unit. */
function cells(topic: string, groups: FigureGroup[], names: string[], reports: RigReport[], yardstick: number, feet: boolean): string[][] {
  const heads = names.flatMap((name, i) => (i === yardstick ? [name] : [name, `against ${names[yardstick]!}`]));
  const line = (row: FigureRow) => {
    const texts = rowTexts(row, reports, feet);
    const differences = rowDifferences(row, reports, feet);
    return [
      row.name ?? core().figures[row.figure].name,
      ...texts.flatMap((text, i) => (i === yardstick ? [text] : [text, differences[i] ?? ''])),
    ];
  };
  return [[topic, ...heads], ...groups.flatMap((group) => [[group.name, ...heads.map(() => '')], ...group.rows.map(line)])];
}

const escaped = (text: string) => text.replace(/[&<>"]/g, (c) => `&#${c.charCodeAt(0)};`);

/** Copies the figures that are shown, as a table for a document and as tabbed text for a sheet. */
export async function copyTable(...what: Parameters<typeof cells>): Promise<void> {
  const rows = cells(...what);
  const html = `<table>${rows.map((row) => `<tr>${row.map((text) => `<td>${escaped(text)}</td>`).join('')}</tr>`).join('')}</table>`;
  const plain = rows.map((row) => row.map((text) => text.replaceAll('\t', ' ')).join('\t')).join('\n');
  await navigator.clipboard.write([
    new ClipboardItem({ 'text/html': new Blob([html], { type: 'text/html' }), 'text/plain': new Blob([plain], { type: 'text/plain' }) }),
  ]);
}

/** Saves the figures that are shown as a CSV file. */
export function saveCsv(name: string, ...what: Parameters<typeof cells>): void {
  download(`${fileName(`${name}, ${what[0]}`)}.csv`, csvFile(cells(...what)));
}

interface Captioned {
  canvas: HTMLCanvasElement;
  lines: string[];
}

/** Saves frames side by side, each over its caption, as a PNG. */
export async function savePng(name: string, frames: Captioned[]): Promise<void> {
  const [width, gap, lineHeight] = [640, 24, 26];
  const heights = frames.map(({ canvas }) => (width * canvas.height) / canvas.width);
  const tallest = Math.max(...heights);
  const lines = Math.max(...frames.map((f) => f.lines.length));
  const across = Math.min(3, frames.length);
  const cell = tallest + lines * lineHeight + gap;
  const sheet = new OffscreenCanvas(gap + across * (width + gap), gap + Math.ceil(frames.length / across) * cell + 40);
  const draw = sheet.getContext('2d')!;
  draw.fillStyle = '#fbfaf7';
  draw.fillRect(0, 0, sheet.width, sheet.height);
  draw.imageSmoothingQuality = 'high';
  frames.forEach(({ canvas, lines: said }, i) => {
    const [x, y] = [gap + (i % across) * (width + gap), gap + Math.floor(i / across) * cell];
    draw.drawImage(canvas, x, y + tallest - heights[i]!, width, heights[i]!);
    said.forEach((line, k) => {
      draw.fillStyle = k === 0 ? '#15191b' : '#4d5457';
      draw.font = `${k === 0 ? 650 : 400} 18px "Atkinson Hyperlegible Next Variable", sans-serif`;
      draw.fillText(line, x, y + tallest + (k + 1) * lineHeight, width);
    });
  });
  draw.fillStyle = '#4d5457';
  draw.font = '400 15px "Atkinson Hyperlegible Next Variable", sans-serif';
  draw.fillText(name, gap, sheet.height - 18, sheet.width - 2 * gap);
  download(`${fileName(name)}.png`, await sheet.convertToBlob({ type: 'image/png' }));
}
