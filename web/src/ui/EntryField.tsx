import { InputBase, Tooltip } from '@mui/material';
import { styled } from '@mui/material/styles';
import { memo, useEffect, useId, useRef, useState, type KeyboardEvent } from 'react';
import { figureFont } from '../app/theme';
import { core, type Entry, type EntryKind } from '../core/core';
import { useFormText } from './formTexts';
import { meansNothing } from './nothing';

const Root = styled('div')(({ theme }) => ({
  minWidth: 0,
  [theme.breakpoints.up('sm')]: {
    '&.beside': { display: 'grid', gridTemplateColumns: 'auto minmax(0, 1fr)', alignItems: 'center', columnGap: 8 },
  },
  '&.beside p': { gridColumn: '1 / -1' },
  '& label': { display: 'block', fontSize: 12, lineHeight: '16px', color: theme.vars!.palette.text.secondary, whiteSpace: 'nowrap' },
  '& small': { display: 'block', fontSize: 11, lineHeight: '13px', color: theme.vars!.palette.text.secondary, whiteSpace: 'nowrap' },
  '& .MuiInputBase-root': {
    width: '100%',
    height: 40,
    padding: '0 6px',
    fontFamily: figureFont,
    fontSize: 13.5,
    background: theme.vars!.palette.background.default,
    border: `1px solid ${theme.vars!.palette.divider}`,
    borderRadius: 4,
  },
  '& .Mui-focused': { borderColor: theme.vars!.palette.primary.main, boxShadow: `0 0 0 1px ${theme.vars!.palette.primary.main}` },
  '& .Mui-error': { borderColor: theme.vars!.palette.error.main, boxShadow: `0 0 0 1px ${theme.vars!.palette.error.main}` },
  '& p': { margin: '2px 0 0', fontSize: 12, lineHeight: '15px', color: theme.vars!.palette.error.main },
  // In a narrow field the sentence lies over what is below, so that nothing jumps while one types.
  '&:not(.beside)': { position: 'relative' },
  '&:not(.beside) p': {
    position: 'absolute',
    zIndex: 2,
    top: '100%',
    left: 0,
    width: 'max-content',
    maxWidth: 240,
    padding: '6px 8px',
    background: theme.vars!.palette.background.paper,
    border: `1px solid ${theme.vars!.palette.error.main}`,
    borderRadius: 4,
  },
  '&:not(.beside):nth-of-type(n + 3) p': { left: 'auto', right: 0 },
}));

export interface EntryFieldProps {
  label: string;
  /** One line on what the term means, shown on hovering and read to a screen reader. */
  help: string;
  kind: EntryKind;
  /** The value as it stands in a field; text that is typed is compared with nothing else. */
  shown: string;
  /** The number that arrow keys step from; left out where there is none. */
  stepFrom?: number | undefined;
  feet?: boolean;
  /** Reads the text in place of the core's reader of the kind; the same function as long as it reads the same. */
  read?: ((text: string) => Entry) | undefined;
  /** Frames a second, where an exposure time may be typed in place of a shutter angle. */
  fps?: number | undefined;
  /** What stands in an empty field. */
  placeholder?: string;
  /** A problem that the core found with this field together with others. */
  problem?: string | undefined;
  /** What an emptied field means; left out where it may not be empty. */
  onClear?: (() => void) | undefined;
  /** Takes a text that belongs into another field when this one is left; true when it did. */
  onElsewhere?: (text: string) => boolean;
  /** What stands below a label that stands beside its field. */
  note?: string;
  /** The label stands beside the field rather than above it, but on a phone. */
  beside?: boolean;
  /** The first value, the second of a pair or span, and all of a row. */
  onValue: (value: number, second: number | null, all: number[]) => void;
}

/**
 * A field that takes what people type. Each readable text takes effect at once; an unreadable one stays, with a sentence on
 * how to mend it, and changes nothing. Arrow keys step, Escape goes back to the last good value.
 */
export const EntryField = memo(function EntryField(props: EntryFieldProps) {
  const { label, help, kind, shown, stepFrom, feet = false, fps, placeholder = '', note, beside = false, onClear, onValue } = props;
  const id = useId();
  const read = (text: string) => props.read?.(text) ?? core().read(kind, text, feet, fps);
  const { form, left } = useFormText(label);
  const [typed, setTyped] = useState<string | null>(left);
  const [unread, setUnread] = useState<string | null>(() => (left === null ? null : read(left).problem));
  const [formBefore, setFormBefore] = useState(form);
  if (form !== formBefore) {
    // The same field of another form, such as that of the next shot.
    const text = form?.of(label) ?? null;
    setFormBefore(form);
    setTyped(text);
    setUnread(text === null ? null : read(text).problem);
  }
  const ownChange = useRef(false);
  const shownBefore = useRef(shown);

  // A change from elsewhere (undo, a drag, another person) replaces whatever stood half typed.
  useEffect(() => {
    if (!ownChange.current && shownBefore.current !== shown) {
      setTyped(null);
      setUnread(null);
    }
    shownBefore.current = shown;
    ownChange.current = false;
  }, [shown]);
  useEffect(() => form?.set(label, unread === null ? null : typed), [form, label, typed, unread]);

  const type = (text: string) => {
    setTyped(text);
    const entry = read(text);
    if (entry.problem !== null && onClear && meansNothing(text, placeholder)) {
      setUnread(null);
      ownChange.current = true;
      onClear();
      return;
    }
    setUnread(entry.problem);
    if (entry.problem === null) {
      ownChange.current = true;
      onValue(entry.infinite ? Infinity : entry.values[0]!, entry.values[1] ?? null, entry.values);
    }
  };

  const settle = () => {
    ownChange.current = false;
    if (unread === null || (typed !== null && props.onElsewhere?.(typed))) {
      setTyped(null);
      setUnread(null);
    }
  };

  const press = (event: KeyboardEvent<HTMLInputElement>) => {
    if (event.key === 'Escape') {
      setTyped(null);
      setUnread(null);
    } else if (event.key === 'Enter') {
      settle();
      event.currentTarget.select();
    } else if ((event.key === 'ArrowUp' || event.key === 'ArrowDown') && stepFrom !== undefined) {
      event.preventDefault();
      setTyped(null);
      setUnread(null);
      const next = core().step(kind, stepFrom, event.key === 'ArrowUp', event.shiftKey, feet);
      onValue(next, null, [next]);
    }
  };

  const problem = unread ?? props.problem;
  return (
    <Root className={beside ? 'beside' : ''}>
      <div>
        <Tooltip title={help} describeChild placement="top">
          <label htmlFor={id}>{label}</label>
        </Tooltip>
        {note !== undefined && <small>{note}</small>}
      </div>
      <InputBase
        id={id}
        value={typed ?? shown}
        placeholder={placeholder}
        error={problem !== undefined}
        onChange={(event) => type(event.target.value)}
        onBlur={settle}
        onFocus={(event) => event.target.select()}
        inputProps={{
          autoComplete: 'off',
          spellCheck: false,
          onKeyDown: press,
          'aria-description': help,
          'aria-invalid': problem !== undefined,
          ...(problem !== undefined && { 'aria-errormessage': `${id}-problem` }),
        }}
      />
      {problem !== undefined && (
        <p id={`${id}-problem`} role="alert">
          {problem}
        </p>
      )}
    </Root>
  );
});
