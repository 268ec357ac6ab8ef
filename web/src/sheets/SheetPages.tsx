import { Box } from '@mui/material';
import { useMemo, type ReactNode } from 'react';
import { Panel } from '../ui/Panel';
import type { SheetFacts } from './facts';
import type { Page } from './marks';
import { PageView, type PageActions } from './PageView';
import { picturesOf } from './printed';

interface SheetPagesProps {
  pages: Page[];
  facts: SheetFacts;
  actions?: PageActions;
  addressOf?: (id: string) => string | undefined;
  side: ReactNode;
}

/** Pages on the left, what is set of them on the right; on a phone one under the other. */
export function SheetPages({ pages, facts, actions, addressOf, side }: SheetPagesProps) {
  const pictures = useMemo(() => picturesOf(facts), [facts]);
  const page = pages[0]!;
  return (
    <Box
      sx={{
        display: 'grid',
        gap: 1,
        alignItems: 'start',
        gridTemplateColumns: { xs: 'minmax(0, 1fr)', md: 'minmax(0, 1fr) 316px' },
        '@media print': { display: 'block' },
      }}
    >
      <style>{`@page { size: ${page.width}mm ${page.height}mm; margin: 0 } @media print { body { background: #fff !important } }`}</style>
      <Box
        sx={{
          display: 'grid',
          gap: 1.5,
          justifyItems: 'center',
          p: { xs: 0, sm: 1 },
          '& > article': { width: '100%', maxWidth: page.width > page.height ? 1100 : 860 },
          '@media print': {
            display: 'block',
            p: 0,
            '& > article': { width: `${page.width}mm`, maxWidth: 'none', breakAfter: 'page' },
            '& > article:last-of-type': { breakAfter: 'auto' },
          },
        }}
      >
        {pages.map((one, i) => (
          <PageView key={i} page={one} at={i + 1} of={pages.length} pictures={pictures} addressOf={addressOf} actions={actions} />
        ))}
      </Box>
      <Panel
        sx={{
          p: 1,
          display: 'grid',
          gap: 1,
          position: { md: 'sticky' },
          top: 8,
          maxHeight: { md: 'calc(100vh - 16px)' },
          overflowY: { md: 'auto' },
          '@media print': { display: 'none' },
        }}
      >
        {side}
      </Panel>
    </Box>
  );
}
