import { Button, CssBaseline } from '@mui/material';
import { ThemeProvider } from '@mui/material/styles';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { lazy, Suspense, type ReactNode } from 'react';
import { BrowserRouter, Link, Navigate, Route, Routes } from 'react-router';
import { BenchPage } from '../features/bench/BenchPage';
import { HomePage, NewPage } from '../features/bench/HomePage';
import { PageMessage } from '../ui/PageMessage';
import { Shell } from './Shell';
import { theme } from './theme';

/** The Bench is what opens first; the other views come after it, or when they are asked for. */
const shelf = () => import('../features/shelf/ShelfPage');
const ShelfPage = lazy(() => shelf().then((m) => ({ default: m.ShelfPage })));
const TestsPage = lazy(() => import('../features/shelf/tests/TestsPage').then((m) => ({ default: m.TestsPage })));
const brief = () => import('../features/brief/BriefPage');
const BriefPage = lazy(() => brief().then((m) => ({ default: m.BriefPage })));
const bags = () => import('../features/brief/bags/BagsPage');
const BagsPage = lazy(() => bags().then((m) => ({ default: m.BagsPage })));
const SheetsPage = lazy(() => import('../features/brief/sheets/SheetsPage').then((m) => ({ default: m.SheetsPage })));
const LogPage = lazy(() => import('../features/brief/log/LogPage').then((m) => ({ default: m.LogPage })));
const briefHome = () => import('../features/brief/BriefHome');
const BriefHome = lazy(() => briefHome().then((m) => ({ default: m.BriefHome })));
const WorkPage = lazy(() => import('../features/work/WorkPage').then((m) => ({ default: m.WorkPage })));
/** By then the Bench is in use, and the network idle. */
setTimeout(() => {
  void shelf();
  void brief();
}, 4000);

const later = (page: ReactNode) => <Suspense fallback={<PageMessage title="Opening…" text="The view is on its way." />}>{page}</Suspense>;

const queries = new QueryClient();

export function App() {
  return (
    <ThemeProvider theme={theme} defaultMode="system" modeStorageKey="juxtopsis.light">
      <CssBaseline enableColorScheme />
      <QueryClientProvider client={queries}>
        <BrowserRouter>
          <Routes>
            <Route element={<Shell />}>
              <Route index element={<HomePage />} />
              <Route path="bench" element={<HomePage />} />
              <Route path="bench/:id" element={<BenchPage />} />
              <Route path="new" element={<NewPage />} />
              <Route path="shelf" element={later(<ShelfPage />)} />
              <Route path="shelf/:gear/tests" element={later(<TestsPage />)} />
              <Route path="brief" element={later(<BriefHome />)} />
              <Route path="brief/:id" element={later(<BriefPage />)} />
              <Route path="brief/:id/bags" element={later(<BagsPage />)} />
              <Route path="brief/:id/sheets" element={later(<SheetsPage />)} />
              <Route path="brief/:id/log" element={later(<LogPage />)} />
              <Route path="work" element={later(<WorkPage />)} />
              <Route path="briefs" element={<Navigate to="/work?kind=production" replace />} />
              <Route path="comparisons" element={<Navigate to="/work?kind=comparison" replace />} />
              <Route
                path="*"
                element={
                  <PageMessage title="There is nothing at this address" text="It may be cut short, or meant for another server.">
                    <Button variant="contained" component={Link} to="/">
                      To the Bench
                    </Button>
                  </PageMessage>
                }
              />
            </Route>
          </Routes>
        </BrowserRouter>
      </QueryClientProvider>
    </ThemeProvider>
  );
}
