import { Box, Button, IconButton, Tooltip } from '@mui/material';
import { useColorScheme } from '@mui/material/styles';
import { lazy, Suspense, useEffect, useState } from 'react';
import { useHotkeys } from 'react-hotkeys-hook';
import { NavLink, Outlet, useLocation } from 'react-router';
import '../documents/kinds';
import { startOutbox, useOutbox } from '../documents/outbox';
import { BenchIcon, BriefIcon, FindIcon, KeysIcon, LightIcon, ListIcon, ShelfIcon } from '../ui/icons';
import { useSettings } from './settings';
import { ShortcutsDialog } from './ShortcutsDialog';
import { Tour } from './Tour';
import { tourTo } from './tourStore';
import { ViewBoundary } from './ViewBoundary';

const FindDialog = lazy(() => import('./FindDialog').then((m) => ({ default: m.FindDialog })));

const views = [
  { to: '/work', label: 'Work', icon: <ListIcon />, kinds: ['comparison', 'production'] },
  { to: '/brief', label: 'Production', icon: <BriefIcon />, kinds: [] },
  { to: '/bench', label: 'Bench', icon: <BenchIcon />, kinds: [] },
  { to: '/shelf', label: 'Shelf', icon: <ShelfIcon />, kinds: [] },
];

/** The frame around every view: where one can go, and what belongs to the person rather than to the work. */
export function Shell() {
  const { pathname } = useLocation();
  const { mode, systemMode, setMode } = useColorScheme();
  const { feet, toggleFeet } = useSettings();
  const [keys, setKeys] = useState(false);
  const [finding, setFinding] = useState(false);
  useEffect(startOutbox, []);
  const dark = (mode === 'system' ? systemMode : mode) === 'dark';
  const switchLight = () => setMode(dark ? 'light' : 'dark');
  useHotkeys('d', switchLight, [dark]);
  useHotkeys('u', toggleFeet);
  useHotkeys('mod+k', () => setFinding(true), { preventDefault: true, enableOnFormTags: true });
  useHotkeys('shift+slash', () => setKeys(true), { useKey: false });
  useHotkeys('?', () => setKeys(true), { useKey: true });

  return (
    <Box sx={{ display: 'flex', flexDirection: { xs: 'column-reverse', md: 'row' }, minHeight: '100%', bgcolor: 'background.default' }}>
      <Box
        component="nav"
        aria-label="Views"
        sx={{
          display: 'flex',
          '@media print': { display: 'none' },
          flexDirection: { xs: 'row', md: 'column' },
          alignItems: 'center',
          gap: { xs: 0, md: 0.5 },
          p: 0.5,
          width: { md: 68 },
          flexShrink: 0,
          position: 'sticky',
          top: { md: 0 },
          bottom: { xs: 0, md: 'auto' },
          zIndex: { xs: 6, md: 'auto' },
          height: { md: '100vh' },
          bgcolor: 'background.paper',
          borderRight: { md: 1 },
          borderTop: { xs: 1, md: 0 },
          borderColor: { xs: 'divider', md: 'divider' },
        }}
      >
        <Box
          component="img"
          src="/mark.svg"
          alt="Juxtopsis"
          sx={{ width: 32, height: 32, m: 0.75, display: { xs: 'none', md: 'block' } }}
        />
        {views.map(({ to, label, icon, kinds }) => (
          <Box
            key={to}
            component={NavLink}
            to={to}
            sx={{
              display: 'grid',
              justifyItems: 'center',
              alignContent: 'center',
              width: { xs: 'auto', md: 60 },
              flex: { xs: 1, md: 'none' },
              minHeight: 50,
              borderRadius: 1,
              color: 'text.secondary',
              textDecoration: 'none',
              fontSize: 12,
              '&.active': { color: 'primary.main', fontWeight: 650, bgcolor: 'background.default' },
              '&:hover': { bgcolor: 'background.default' },
            }}
          >
            {icon}
            <span>{label}</span>
            <Waiting kinds={kinds} />
          </Box>
        ))}
        <Box sx={{ flex: { md: 1 } }} />
        <Tooltip title="Find anything (Ctrl + K)" placement="right">
          <IconButton onClick={() => setFinding(true)} aria-label="Find anything">
            <FindIcon />
          </IconButton>
        </Tooltip>
        {/* On a phone the bar holds what a thumb needs; the rest is found. */}
        <Box sx={{ display: { xs: 'none', md: 'contents' } }}>
          <Tooltip title={`${feet ? 'Metres' : 'Feet and inches'} (U)`} placement="right">
            <Button onClick={toggleFeet} aria-label={feet ? 'Show metres' : 'Show feet and inches'} sx={{ minWidth: 44 }}>
              {feet ? 'ft' : 'm'}
            </Button>
          </Tooltip>
          <Tooltip title={`${dark ? 'Daylight' : 'Set: a dark, dim page'} (D)`} placement="right">
            <IconButton onClick={switchLight} aria-label={dark ? 'Switch to Daylight' : 'Switch to Set'}>
              <LightIcon />
            </IconButton>
          </Tooltip>
          <Tooltip title="Keys (?)" placement="right">
            <IconButton onClick={() => setKeys(true)} aria-label="Show the keys">
              <KeysIcon />
            </IconButton>
          </Tooltip>
        </Box>
      </Box>
      <Box component="main" sx={{ flex: 1, minWidth: 0 }}>
        <ViewBoundary key={pathname}>
          <Outlet />
        </ViewBoundary>
      </Box>
      {finding && (
        <Suspense>
          <FindDialog
            onClose={() => setFinding(false)}
            commands={{ switchLight, toggleFeet, showKeys: () => setKeys(true), takeTour: () => tourTo(0) }}
          />
        </Suspense>
      )}
      <Tour />
      <ShortcutsDialog open={keys} onClose={() => setKeys(false)} />
    </Box>
  );
}

/** Counts the pieces of work of some kinds that wait in this browser to be saved. */
function Waiting({ kinds }: { kinds: string[] }) {
  const count = useOutbox((s) => s.waiting.filter((draft) => kinds.includes(draft.kind)).length);
  return count > 0 && <Box sx={{ color: 'warning.main', fontSize: 11, lineHeight: 1.1, textAlign: 'center' }}>{count} not saved</Box>;
}
