import type { Content } from './history';

/** Puts a file into the person's hands. */
export function download(name: string, content: Blob): void {
  const link = window.document.createElement('a');
  link.href = URL.createObjectURL(content);
  link.download = name;
  link.click();
  setTimeout(() => URL.revokeObjectURL(link.href), 10_000);
}

/** A name that every system takes for a file. */
export const fileName = (name: string): string =>
  name
    .replace(/[^\p{L}\p{N} ._-]/gu, '')
    .trim()
    .slice(0, 80) || 'work';

/** A piece of work as a file, for where it cannot be saved. */
export function takeOut(kind: string, { name, document }: Content<unknown>): void {
  const text = JSON.stringify({ kind, name, document }, null, 1);
  download(`${fileName(name)}.${kind}.json`, new Blob([text], { type: 'application/json' }));
}

/** Reads such a file; a sentence where it is none. */
export async function readWorkFile(file: File): Promise<(Content<unknown> & { kind: string }) | string> {
  const mostBytes = 2 * 1024 * 1024;
  if (file.size > mostBytes) {
    return `${file.name} has more than 2 MB; it is no work of this application.`;
  }
  try {
    const read = JSON.parse(await file.text()) as { kind?: unknown; name?: unknown; document?: unknown } | null;
    if (typeof read?.name === 'string' && typeof read.kind === 'string' && typeof read.document === 'object' && read.document !== null) {
      return { kind: read.kind, name: read.name, document: read.document };
    }
  } catch {
    // Said below: it is no JSON at all.
  }
  return `${file.name} is no work of this application. Bring in a file that “Take out as a file” has made.`;
}
