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

export const FormTextsContext = createContext<FormTexts | null>(null);

/** The form that a field stands in, and what stood unread in the field when it was drawn first. */
export function useFormText(field: string): { form: FormTexts | null; left: string | null } {
  const form = useContext(FormTextsContext);
  const [left] = useState(() => form?.of(field) ?? null);
  return { form, left };
}
