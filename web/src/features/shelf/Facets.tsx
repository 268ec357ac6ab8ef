import { Box, ButtonBase, MenuItem } from '@mui/material';
import { styled } from '@mui/material/styles';
import { memo } from 'react';
import { CloseIcon } from '../../ui/icons';
import { LabelledSelect } from '../../ui/LabelledSelect';
import { useKinds, type Facet, type ShelfAsk, type ShelfPage } from '../../gear/shelfApi';

/** What the typed text was taken to mean, piece by piece; each can be taken out. */
export function Understood({
  understood,
  text,
  onText,
}: {
  understood: ShelfPage['understood'];
  text: string;
  onText: (text: string) => void;
}) {
  const told = understood.filter((u) => u.meaning !== '');
  const words = understood.filter((u) => u.meaning === '');
  if (understood.length === 0 || text.trim() === '') {
    return null;
  }
  const without = (typed: string) => onText(text.replace(typed, ' ').replace(/\s+/g, ' ').trim());
  return (
    <Box
      role="status"
      aria-label="Understood as"
      sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.75, alignItems: 'center', fontSize: 13, color: 'text.secondary' }}
    >
      {told.map((u) => (
        <ButtonBase
          key={u.typed}
          onClick={() => without(u.typed)}
          aria-label={`Take out: ${u.meaning}`}
          title={`“${u.typed}”: press to take it out`}
          sx={{
            minHeight: 40,
            px: 1,
            gap: 0.75,
            fontFamily: 'inherit',
            fontSize: 13,
            border: 1,
            borderColor: 'divider',
            borderRadius: 1,
            color: 'text.primary',
            '&:hover': { borderColor: 'primary.main' },
          }}
        >
          {u.meaning} <CloseIcon sx={{ fontSize: 14 }} />
        </ButtonBase>
      ))}
      {words.length > 0 && (
        <span>
          and the {words.length === 1 ? 'word' : 'words'} {words.map((w) => `“${w.typed}”`).join(', ')}
        </span>
      )}
    </Box>
  );
}

interface FacetsProps {
  ask: ShelfAsk;
  page: ShelfPage | undefined;
  onChange: (part: Partial<ShelfAsk>) => void;
}

const ownerships: [string, string][] = [
  ['own', 'Ours'],
  ['borrow', 'To borrow'],
  ['hire', 'To hire'],
  ['wish', 'Wished for'],
];

const orders: [string, string][] = [
  ['', 'kind and focal length'],
  ['name', 'name'],
  ['weight', 'weight'],
  ['price', 'price'],
  ['aperture', 'aperture'],
];

/** Choices that narrow what is shown, each with how much it would leave. */
export function Facets({ ask, page, onChange }: FacetsProps) {
  const count = (facets: Facet[] | undefined, key: string) => facets?.find((f) => f.key === key)?.count ?? 0;
  const kinds = useKinds().filter((k) => k.key !== 'mode' && (count(page?.kinds, k.key) > 0 || k.key === ask.kind));
  const sum = (facets: Facet[] | undefined) => facets?.reduce((total, f) => total + f.count, 0) ?? 0;
  const all = sum(page?.kinds);
  const anybodys = sum(page?.ownerships);
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 1, alignItems: 'end', flex: '1 1 100%', minWidth: 0 }}>
      <Box role="group" aria-label="Kind" sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.25, flex: '1 1 100%' }}>
        <Choice label="All" count={all} on={ask.kind === ''} name="kind" value="" onChange={onChange} />
        {kinds.map((k) => (
          <Choice
            key={k.key}
            label={k.plural}
            count={count(page?.kinds, k.key)}
            on={ask.kind === k.key}
            name="kind"
            value={ask.kind === k.key ? '' : k.key}
            onChange={onChange}
          />
        ))}
      </Box>
      <Box role="group" aria-label="Ours or not" sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.25 }}>
        <Choice label="Anybody’s" count={anybodys} on={ask.ownership === ''} name="ownership" value="" onChange={onChange} />
        {ownerships.map(([key, label]) => (
          <Choice
            key={key}
            label={label}
            count={count(page?.ownerships, key)}
            on={ask.ownership === key}
            name="ownership"
            value={ask.ownership === key ? '' : key}
            onChange={onChange}
          />
        ))}
        <Choice label="Retired" on={ask.retired} name="retired" value={!ask.retired} onChange={onChange} />
      </Box>
      <Box sx={{ display: 'flex', gap: 1, '& > *': { width: 150 } }}>
        <LabelledSelect label="Mount" value={ask.mount} onChange={(mount) => onChange({ mount })}>
          <MenuItem value="">any</MenuItem>
          {ask.mount !== '' && count(page?.mounts, ask.mount) === 0 && <MenuItem value={ask.mount}>{ask.mount}</MenuItem>}
          {page?.mounts.map((m) => (
            <MenuItem key={m.key} value={m.key}>
              {m.key} ({m.count})
            </MenuItem>
          ))}
        </LabelledSelect>
        <OrderChoice order={ask.order} onChange={onChange} />
      </Box>
    </Box>
  );
}

// Styled once and told apart by class: they are many, and their counts come anew with every key that is typed.
const Press = styled(ButtonBase)(({ theme }) => ({
  minHeight: 40,
  padding: '0 7px',
  gap: 4,
  borderRadius: theme.shape.borderRadius,
  fontFamily: 'inherit',
  fontSize: 13.5,
  whiteSpace: 'nowrap',
  color: theme.vars!.palette.text.primary,
  fontWeight: 400,
  '&[aria-pressed=true]': {
    color: theme.vars!.palette.primary.main,
    fontWeight: 650,
    background: theme.vars!.palette.background.paper,
    boxShadow: `inset 0 -2px 0 ${theme.vars!.palette.primary.main}`,
  },
  '&:hover': { background: theme.vars!.palette.background.paper },
  '& small': { fontSize: 12.5, color: theme.vars!.palette.text.secondary, fontVariantNumeric: 'tabular-nums', fontWeight: 400 },
}));

interface ChoiceProps {
  label: string;
  count?: number;
  on: boolean;
  /** What is asked for when it is pressed. */
  name: 'kind' | 'ownership' | 'retired';
  value: string | boolean;
  onChange: FacetsProps['onChange'];
}

const Choice = memo(function Choice({ label, count, on, name, value, onChange }: ChoiceProps) {
  return (
    <Press aria-pressed={on} onClick={() => onChange({ [name]: value })}>
      {label}
      {count !== undefined && <small>{count}</small>}
    </Press>
  );
});

/** In which order; drawn anew only when another is chosen. */
const OrderChoice = memo(function OrderChoice({ order, onChange }: { order: string; onChange: FacetsProps['onChange'] }) {
  return (
    <LabelledSelect label="In order of" value={order} onChange={(next) => onChange({ order: next })}>
      {orders.map(([key, label]) => (
        <MenuItem key={key} value={key}>
          {label}
        </MenuItem>
      ))}
    </LabelledSelect>
  );
});
