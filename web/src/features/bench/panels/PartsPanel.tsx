import { Box, Button, ButtonBase, Checkbox, InputBase, Typography } from '@mui/material';
import { keepPreviousData, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { api } from '../../../api/client';
import type { Chain, ChainPart, GearItem, RigInput, SceneInput } from '../../../core/core';
import { RigMark } from '../../../ui/RigMark';
import { factsOf, fullName } from '../../../gear/gear';
import { dataOf, patient } from '../../../gear/shelfApi';
import { changeChain } from '../commands';
import { makeRowOfChains, mostRigs } from '../rowCommands';
import { assemblyOf, chainOf, mountsOf } from '../../../gear/chains';
import { usePanel } from './panelStore';
import { SidePanel } from './SidePanel';

interface PartsPanelProps {
  index: number;
  rig: RigInput;
  scene: SceneInput;
  place: number;
  isNew: boolean;
}

/** What fits at a place of a chain, best first, and why the rest does not. */
export function PartsPanel({ index, rig, scene, place, isNew }: PartsPanelProps) {
  const [text, setText] = useState('');
  const [row, setRow] = useState<string[]>([]);
  const open = usePanel((s) => s.open);
  const chain = chainOf(rig);
  const parts = chain?.parts ?? [];
  const current = isNew ? undefined : parts[place]?.item;
  const { data, error, isPending, isPlaceholderData } = useQuery({
    queryKey: ['shelf', 'options', chain, rig.focalLengthMm, rig.fNumber, scene.deliveryAspect, place, isNew, text],
    queryFn: ({ signal }) => {
      const setup = rig.chain && assemblyOf(rig, rig.chain, scene);
      return dataOf(api.POST('/api/shelf/options', { body: { setup, place, isNew, text }, signal }), signal);
    },
    placeholderData: keepPreviousData,
    ...patient,
  });

  const items = new Map<string, ChainPart>([...parts, ...((data?.items ?? []) as ChainPart[])].map((p) => [p.item.id, p]));
  const chainWith = (ids: string[]): Chain => {
    const next = ids.map((id) => items.get(id)!);
    const known = [...((data?.mounts ?? []) as GearItem[]), ...(chain?.mounts ?? [])].filter(
      (m, i, all) => all.findIndex((o) => o.id === m.id) === i,
    );
    // Another camera has other modes.
    return { parts: next, mounts: mountsOf(next, known), mode: next[0]?.item.id === parts[0]?.item.id ? (chain?.mode ?? '') : '' };
  };
  const take = (ids: string[]) => {
    const made = chainWith(ids);
    const next = made.parts;
    changeChain(rig.id!, made);
    const lens = next.some((p) => p.item.kind === 'lens' || p.item.kind === 'fixedLensCamera');
    open(lens ? { kind: 'chain', rig: rig.id! } : { kind: 'parts', rig: rig.id!, place: next.length, isNew: true });
  };
  const isRow = current?.kind === 'lens';
  const without = () => {
    const next = parts.filter((_, i) => i !== place);
    changeChain(rig.id!, next.length === 0 ? null : { ...(chain as Chain), parts: next, mounts: mountsOf(next, chain?.mounts ?? []) });
    open({ kind: 'chain', rig: rig.id! });
  };
  const title = current ? `In place of ${current.name}` : parts.length === 0 ? 'Choose a camera' : 'Add a part';

  // What was ticked stays ticked while the list is narrowed, but only what it names can be made.
  const ticked = row.flatMap((id) => data?.options.find((option) => option.id === id) ?? []);

  return (
    <SidePanel title={title} mark={<RigMark index={index} size={24} />}>
      <InputBase
        fullWidth
        type="search"
        value={text}
        placeholder={parts.length === 0 || place === 0 ? 'full frame, under 700 g' : 'fast, under 400 g, 77 mm thread'}
        onChange={(event) => setText(event.target.value)}
        onKeyDown={(event) => {
          // What stands first is what Enter takes; not that of what was typed before.
          const first = isPlaceholderData ? undefined : data?.options.find((option) => option.fits);
          if (event.key === 'Enter' && first) {
            event.preventDefault();
            take(first.parts);
          }
        }}
        inputProps={{ 'aria-label': 'Find a part', 'aria-description': 'Enter takes the first that fits', maxLength: 200 }}
        sx={{
          minHeight: 40,
          px: 1,
          mb: 1,
          bgcolor: 'background.default',
          border: 1,
          borderColor: 'divider',
          borderRadius: 1,
          '&.Mui-focused': { borderColor: 'primary.main' },
        }}
      />
      {current && place > 0 && (
        <Button onClick={without} sx={{ mb: 0.5 }}>
          Take {current.name} out
        </Button>
      )}
      {error && (
        <Typography role="alert" sx={{ fontSize: 14 }}>
          {error.message} The rig keeps its parts; it is asked again until the server is back.
        </Typography>
      )}
      {isPending && <Typography sx={{ fontSize: 14 }}>Trying what is on the shelf…</Typography>}
      {data && (
        <Typography role="status" sx={{ fontSize: 13, color: 'text.secondary' }}>
          {data.total === 0 ? 'Nothing on the shelf can stand here. ' : `${data.fits} of ${data.total} fit, best first. `}
          {data.total === 0 && <Link to="/shelf">To the Shelf</Link>}
        </Typography>
      )}
      {isRow && (
        <Button
          fullWidth
          variant="outlined"
          disabled={ticked.length < 2}
          onClick={() =>
            makeRowOfChains(
              index,
              ticked.map((option) => chainWith(option.parts)),
            )
          }
          sx={{ my: 0.5 }}
        >
          {ticked.length < 2 ? 'Tick two or more for a row' : `Make a row of these ${ticked.length}`}
        </Button>
      )}
      <Box component="ul" aria-label="Parts" sx={{ listStyle: 'none', m: 0, p: 0, mt: 0.5 }}>
        {data?.options.map((option) => {
          const item = items.get(option.id)?.item;
          return (
            item && (
              <Box component="li" key={option.id} sx={{ borderTop: 1, borderColor: 'divider', display: 'flex', alignItems: 'flex-start' }}>
                {isRow && option.fits && (
                  <Checkbox
                    checked={row.includes(option.id)}
                    disabled={!row.includes(option.id) && row.length >= mostRigs}
                    onChange={(_, on) => setRow(on ? [...row, option.id] : row.filter((id) => id !== option.id))}
                    slotProps={{ input: { 'aria-label': `${fullName(item)} in a row` } }}
                  />
                )}
                <ButtonBase
                  onClick={() => take(option.parts)}
                  aria-current={item.id === current?.id}
                  aria-label={`${fullName(item)}, ${option.fits ? option.why : `does not fit: ${option.why}`}`}
                  sx={{
                    display: 'block',
                    width: '100%',
                    minHeight: 48,
                    textAlign: 'left',
                    py: 0.75,
                    px: 0.5,
                    fontFamily: 'inherit',
                    fontSize: 14,
                    color: option.fits ? 'text.primary' : 'text.secondary',
                    '&:hover': { bgcolor: 'background.default' },
                    '& small': { display: 'block', fontSize: 12.5, lineHeight: 1.3, color: 'text.secondary' },
                    '&[aria-current=true]': { boxShadow: 'inset 3px 0 0 var(--mui-palette-primary-main)' },
                  }}
                >
                  <span style={{ fontWeight: option.fits ? 600 : 400 }}>{fullName(item)}</span>
                  {option.fits && <small>{factsOf(item)}</small>}
                  <small>{option.fits ? option.why : `Does not fit. ${option.why} ${option.fix}`}</small>
                </ButtonBase>
              </Box>
            )
          );
        })}
      </Box>
    </SidePanel>
  );
}
