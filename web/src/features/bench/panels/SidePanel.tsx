import { Box, Button, IconButton, Typography } from '@mui/material';
import { useEffect, useRef, type ReactNode } from 'react';
import { FormTextsContext, keptTexts } from '../../../ui/formTexts';
import { CloseIcon } from '../../../ui/icons';
import { rigLetter } from '../../../ui/RigMark';
import { useBench } from '../benchStore';
import { usePanel, type OpenPanel } from './panelStore';

/** The way to the other panels, since this one lies over their buttons. */
function OtherPanels() {
  const { panel, open } = usePanel();
  const rigs = useBench((s) => s.document.setup.rigs);
  const to = (label: string, next: OpenPanel, said = label) => (
    <Button
      key={label}
      size="small"
      aria-label={said}
      aria-pressed={panel?.kind === next.kind && (!('rig' in next) || ('rig' in panel && panel.rig === next.rig))}
      onClick={() => open(next)}
      sx={{ minWidth: 40, px: 1, '&[aria-pressed=true]': { bgcolor: 'background.default', color: 'text.primary' } }}
    >
      {label}
    </Button>
  );
  return (
    <Box sx={{ display: 'flex', flexWrap: 'wrap', px: 0.5, borderBottom: 1, borderColor: 'divider' }}>
      {rigs.map((r, rig) =>
        to(
          `Rig ${rigLetter(rig)}`,
          { kind: r.chain ? 'chain' : 'rig', rig: r.id! },
          `Go to ${r.chain ? 'parts' : 'more'} of rig ${rigLetter(rig)}`,
        ),
      )}
      {to('Place, light', { kind: 'scene' }, 'Go to place and light')}
      {to('Find', { kind: 'find' }, 'Go to find')}
      {to('Hold', { kind: 'hold' }, 'Go to hold')}
      {to('Conventions', { kind: 'conventions' }, 'Go to conventions')}
    </Box>
  );
}

/** While a field is at fault, what is answered here is of the last setup that could be. */
function AsBefore() {
  const atFault = useBench((s) => s.problems.length > 0);
  return atFault ? (
    <Typography role="status" sx={{ fontSize: 13, color: 'warning.main', mb: 1 }}>
      A field is at fault: until it is mended, answers are those of before.
    </Typography>
  ) : null;
}

/** As wide as a panel is, px. */
export const panelPx = 384;

interface SidePanelProps {
  title: string;
  /** Stands beside the title, such as the mark of a rig. */
  mark?: ReactNode;
  children: ReactNode;
}

/**
 * A panel at the right of the Bench, which makes room for it: nothing that is compared is covered. On a phone it is a sheet at the lower
 * edge. Escape closes it.
 */
export function SidePanel({ title, mark, children }: SidePanelProps) {
  const { panel, close } = usePanel();
  const about = `${useBench((s) => s.id)} ${JSON.stringify(panel)}`;
  const box = useRef<HTMLElement>(null);
  useEffect(() => {
    box.current?.querySelector<HTMLElement>('[data-close]')?.focus({ preventScroll: true });
  }, [title]);
  return (
    <Box
      component="div"
      ref={box}
      role="dialog"
      aria-label={title}
      onKeyDown={(event) => {
        if (event.key === 'Escape' && !(event.target instanceof HTMLInputElement && event.target.getAttribute('aria-invalid') === 'true')) {
          event.stopPropagation();
          close();
        }
      }}
      sx={{
        position: 'fixed',
        zIndex: { xs: 7, md: 5 },
        left: { xs: 0, sm: 'auto' },
        right: 0,
        top: { xs: 'auto', sm: 0 },
        bottom: 0,
        width: { xs: 'auto', sm: panelPx },
        maxHeight: { xs: '56vh', sm: 'none' },
        display: 'flex',
        flexDirection: 'column',
        bgcolor: 'background.paper',
        borderLeft: { sm: 1 },
        borderTop: { xs: 1, sm: 0 },
        borderColor: { xs: 'divider', sm: 'divider' },
      }}
    >
      <Box sx={{ display: 'flex', alignItems: 'center', gap: 1, pl: 1.5, pr: 0.5, minHeight: 48, borderBottom: 1, borderColor: 'divider' }}>
        {mark}
        <Typography component="h2" sx={{ flex: 1, fontSize: 16, fontWeight: 650, lineHeight: 1.2 }}>
          {title}
        </Typography>
        <IconButton data-close onClick={close} aria-label="Close">
          <CloseIcon />
        </IconButton>
      </Box>
      <OtherPanels />
      <Box
        tabIndex={0}
        role="region"
        aria-label={title}
        sx={{ flex: 1, overflowY: 'auto', p: 1.5, pt: 1, '&:focus-visible': { outlineOffset: -2 } }}
      >
        <AsBefore />
        <FormTextsContext value={keptTexts(about)}>{children}</FormTextsContext>
      </Box>
    </Box>
  );
}
