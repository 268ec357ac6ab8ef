import { Box, Button, Typography } from '@mui/material';
import { useQuery } from '@tanstack/react-query';
import { useSettings } from '../../../app/settings';
import type { Chain, Diagnostic, RigInput, SceneInput } from '../../../core/core';
import { plain, withUnit } from '../../../ui/format';
import { EntryField } from '../../../ui/EntryField';
import { RigMark } from '../../../ui/RigMark';
import { fullName, sum } from '../../../gear/gear';
import { money, weight } from '../../../ui/figureText';
import { readGear } from '../../../gear/shelfApi';
import { Rate } from '../ChainInputs';
import { changeChain, changeRig } from '../commands';
import { assembled, chainOf } from '../../../gear/chains';
import { usePanel } from './panelStore';
import { Fields, Section } from './RigPanel';
import { SidePanel } from './SidePanel';

const weighs = { stops: 'Stops it', spoils: 'Spoils it', costs: 'Costs something', note: 'To know' };

interface ChainPanelProps {
  index: number;
  rig: RigInput;
  scene: SceneInput;
  problems: Diagnostic[];
}

/** A rig of parts: what was found as they were put together, what it weighs, and what is set on it. */
export function ChainPanel({ index, rig, scene, problems }: ChainPanelProps) {
  const open = usePanel((s) => s.open);
  // Sentences hold distances in the person's unit.
  useSettings((s) => s.feet);
  const chain = chainOf(rig);
  const found = assembled(rig, scene);
  if (!chain || !found) {
    return (
      <SidePanel title="Parts" mark={<RigMark index={index} size={24} />}>
        <Typography sx={{ fontSize: 14 }}>
          This rig is bare numbers. Build it from the shelf to see what its parts make together.
        </Typography>
        <Button variant="contained" sx={{ mt: 1 }} onClick={() => open({ kind: 'parts', rig: rig.id!, place: 0, isNew: true })}>
          Choose a camera
        </Button>
      </SidePanel>
    );
  }
  const { totals, findings } = found;
  const problem = (field: string) => problems.find((p) => p.about === `rigs[${index}].${field}`)?.message;
  return (
    <SidePanel title="Parts, and what they make" mark={<RigMark index={index} size={24} />}>
      <Typography sx={{ fontSize: 14 }}>
        {sum(totals.weightG, totals.weightUnknown, weight)} · {withUnit(plain(totals.lengthMm, 0), 'mm')} long
        {!totals.lengthKnown && ', estimated'}
      </Typography>
      <Typography sx={{ fontSize: 13, color: 'text.secondary' }}>
        To buy {sum(totals.purchase.known, totals.purchase.unknown, money)}
        {totals.hirePerDay.known + totals.hirePerDay.unknown > 0 &&
          ` · hire a day ${sum(totals.hirePerDay.known, totals.hirePerDay.unknown, money)}`}
        {' · '}insured for {sum(totals.insured.known, totals.insured.unknown, money)}
      </Typography>
      {!found.rig && (
        <Typography sx={{ fontSize: 13, color: 'warning.main' }}>The chain is not complete: the figures are those of before.</Typography>
      )}
      <OnShelf rig={rig.id!} chain={chain} />
      <Box component="ul" aria-label="Found" sx={{ listStyle: 'none', m: 0, p: 0, mt: 1 }}>
        {findings.length === 0 && <li style={{ fontSize: 14 }}>Everything fits and nothing is lost.</li>}
        {findings.map((f) => (
          <Box
            component="li"
            key={`${f.code}${f.part}${f.message}`}
            sx={{ py: 0.75, borderTop: 1, borderColor: 'divider', fontSize: 14, lineHeight: 1.35 }}
          >
            <Box
              sx={{
                fontSize: 12.5,
                fontWeight: 650,
                color: f.severity === 'note' || f.severity === 'costs' ? 'text.secondary' : 'warning.main',
              }}
            >
              {weighs[f.severity]}
              {f.part >= 0 && ` · ${chain.parts[f.part]?.item.name ?? ''}`}
            </Box>
            {f.message}
            {f.fix && <Box sx={{ color: 'text.secondary' }}>{f.fix}</Box>}
            {f.code === 'rateNotOffered' && found.rateInstead != null && (
              <Button size="small" variant="outlined" onClick={() => changeRig(rig.id!, { captureFps: found.rateInstead })}>
                Capture {plain(found.rateInstead)} fps
              </Button>
            )}
          </Box>
        ))}
      </Box>
      <Box sx={{ display: 'flex', flexWrap: 'wrap', gap: 0.5, mt: 1 }}>
        <Button variant="outlined" onClick={() => open({ kind: 'parts', rig: rig.id!, place: chain.parts.length, isNew: true })}>
          Add a part
        </Button>
        <Button onClick={() => open({ kind: 'parts', rig: rig.id!, place: 1, isNew: true })}>Between body and lens</Button>
        <Button onClick={() => changeChain(rig.id!, null)}>Keep the numbers, let go of the parts</Button>
      </Box>
      <Section title="Set on it">
        <Fields>
          <EntryField
            label="Sensitivity"
            help="ISO. With the scene’s brightness it tells what light is left over."
            kind="sensitivity"
            shown={rig.sensitivityIso == null ? '' : plain(rig.sensitivityIso)}
            stepFrom={rig.sensitivityIso ?? 800}
            placeholder="open"
            problem={problem('sensitivityIso')}
            onClear={() => changeRig(rig.id!, { sensitivityIso: null })}
            onValue={(sensitivityIso) => changeRig(rig.id!, { sensitivityIso })}
          />
          <Rate rig={rig} chain={chain} scene={scene} problem={problem('captureFps')} />
        </Fields>
      </Section>
    </SidePanel>
  );
}

/** Whether the shelf knows something newer, or no longer offers a part. */
function OnShelf({ rig, chain }: { rig: string; chain: Chain }) {
  const ids = chain.parts.map((p) => p.item.id);
  const { data } = useQuery({ queryKey: ['shelf', 'parts', ids], queryFn: () => Promise.all(ids.map(readGear)), retry: false });
  if (!data) {
    return null;
  }
  const newer = chain.parts.filter((p, i) => {
    const now = data[i];
    return now && 'item' in now && now.revision !== p.revision;
  });
  const gone = chain.parts.filter((_, i) => data[i] === null || (data[i] && 'item' in data[i] && data[i].retiredAt != null));
  const renew = () =>
    changeChain(rig, {
      ...chain,
      parts: chain.parts.map((p, i) => {
        const now = data[i];
        return now && 'item' in now ? { item: now.item, revision: now.revision } : p;
      }),
    });
  return (
    <Box sx={{ fontSize: 13, color: 'text.secondary' }}>
      {gone.length > 0 && (
        <div>No longer offered on the Shelf: {gone.map((p) => fullName(p.item)).join(', ')}. The rig keeps what was known.</div>
      )}
      {newer.length > 0 && (
        <div>
          Changed on the Shelf since: {newer.map((p) => fullName(p.item)).join(', ')}.{' '}
          <Button onClick={renew}>Take what is known now</Button>
        </div>
      )}
    </Box>
  );
}
