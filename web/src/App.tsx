import { lazy, Suspense, type ReactNode } from 'react';
import { I18nProvider, RouterProvider } from 'react-aria-components';
import { Navigate, Route, Routes, useHref, useNavigate } from 'react-router';
import { Top } from './household/Top';
import { Blank, Page, Quiet } from './ui/layout';
import { Toasts } from './ui/toast';

const PlanPage = lazy(() => import('./plan/PlanPage'));
const BenchPage = lazy(() => import('./bench/BenchPage'));
const PantryPage = lazy(() => import('./pantry/PantryPage'));
const CookPage = lazy(() => import('./cook/CookPage'));
const LogbookPage = lazy(() => import('./logbook/LogbookPage'));
const EntryPage = lazy(() => import('./logbook/EntryPage'));
const FryersPage = lazy(() => import('./fryers/FryersPage'));

function Waiting({ children }: { children: ReactNode }) {
  return (
    <Suspense
      fallback={
        <Page>
          <Quiet role="status">Getting it ready…</Quiet>
        </Page>
      }
    >
      {children}
    </Suspense>
  );
}

export function App() {
  const navigate = useNavigate();
  return (
    <I18nProvider locale="en-GB">
      <RouterProvider navigate={(to) => void navigate(to)} useHref={useHref}>
        <Top />
        <Waiting>
          <Routes>
            <Route path="/" element={<Navigate to="/plan" replace />} />
            <Route path="/plan" element={<PlanPage />} />
            <Route path="/plan/:id" element={<PlanPage />} />
            <Route path="/bench" element={<BenchPage />} />
            <Route path="/bench/:id" element={<BenchPage />} />
            <Route path="/pantry" element={<PantryPage />} />
            <Route path="/cook" element={<CookPage />} />
            <Route path="/logbook" element={<LogbookPage />} />
            <Route path="/logbook/:id" element={<EntryPage />} />
            <Route path="/fryers" element={<FryersPage />} />
            <Route
              path="*"
              element={
                <Page>
                  <Blank title="Nothing is kept under this address">
                    <Quiet>The plan, the cook, the logbook and the fryers are in the row above.</Quiet>
                  </Blank>
                </Page>
              }
            />
          </Routes>
        </Waiting>
        <Toasts />
      </RouterProvider>
    </I18nProvider>
  );
}
