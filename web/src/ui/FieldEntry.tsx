import { fieldText, type NumberField } from '../core/fields';
import { EntryField } from './EntryField';

interface FieldEntryProps {
  field: NumberField;
  value: number | null | undefined;
  feet?: boolean;
  fps?: number | undefined;
  /** What stands in an empty field; “not known” or “none” when left out. */
  placeholder?: string;
  problem: string | undefined;
  onValue: (value: number | null) => void;
}

/** A number of a rig, a scene or conventions, as the core defines it. Emptied, it goes back to what an untouched one holds. */
export function FieldEntry({ field, value, feet = false, fps, placeholder, problem, onValue }: FieldEntryProps) {
  const number = value ?? field.empty;
  // Nothing of something is shown as nothing: no tube, no filter.
  const isNone = number === null || (number === 0 && field.empty === 0);
  return (
    <EntryField
      label={field.label}
      help={field.help}
      kind={field.kind}
      shown={isNone ? '' : fieldText(field, number, feet)}
      stepFrom={number ?? undefined}
      feet={feet}
      fps={fps}
      placeholder={placeholder ?? (field.empty === null ? 'not known' : 'none')}
      problem={problem}
      onClear={() => onValue(field.empty)}
      onValue={(typed) => onValue(typed)}
    />
  );
}
