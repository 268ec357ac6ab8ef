import { createContext, useContext, useState } from 'react';

/**
 * What was typed into the fields of a form and could not be read. The form keeps it when it is left, and does not take it for
 * nothing when it is saved.
 */
export class FormTexts {
  readonly texts: Map<string, string>;
  private readonly prefix: string;

  constructor(texts: Map<string, string>, prefix = '') {
    this.texts = texts;
    this.prefix = prefix;
  }

  /** What stands in a field; undefined when it could be read. */
  of = (field: string): string | undefined => this.texts.get(this.prefix + field);

  /** Takes note of a text that could not be read; null when it could. */
  set(field: string, text: string | null): void {
    if (text === null) {
      this.texts.delete(this.prefix + field);
    } else {
      this.texts.set(this.prefix + field, text);
    }
  }

  /** The part of the form of which all fields begin so. */
  part = (name: string): FormTexts => new FormTexts(this.texts, `${this.prefix}${name}: `);

  /** Forgets what was typed in a part. */
  forget(name: string): void {
    for (const key of [...this.texts.keys()].filter((k) => k.startsWith(`${this.prefix}${name}: `))) {
      this.texts.delete(key);
    }
  }
}

const kept = new Map<string, FormTexts>();

/** The texts of a form that is left and comes back, by what it is about; they last as long as the page does. */
export function keptTexts(about: string): FormTexts {
  const texts = kept.get(about) ?? new FormTexts(new Map());
  kept.set(about, texts);
  return texts;
}

/** A text that is there again when what it is about comes back; null forgets it. */
export function useKeptText(about: string, usual: string): [string, (text: string | null) => void] {
  const texts = keptTexts(about);
  const [text, setText] = useState(texts.of('') ?? usual);
  return [
    text,
    (next) => {
      texts.set('', next);
      setText(next ?? usual);
    },
  ];
}

export const FormTextsContext = createContext<FormTexts | null>(null);

/** The form that a field stands in, and what stood unread in the field when it was drawn first. */
export function useFormText(field: string): { form: FormTexts | null; left: string | null } {
  const form = useContext(FormTextsContext);
  const [left] = useState(() => form?.of(field) ?? null);
  return { form, left };
}
