import { lazy, Suspense, useEffect, type ComponentType, type ReactNode } from 'react';
import { I18nProvider, RouterProvider } from 'react-aria-components';
import { Navigate, Route, Routes, useHref, useLocation, useNavigate } from 'react-router';
import './api/outbox'; // what waits is sent from any page
import { Top } from './household/Top';
import { Boundary } from './ui/Boundary';
import { Blank, Page, Quiet } from './ui/layout';
import { Toasts } from './ui/toast';

const TRIES = 4;
const PAUSE_MS = 700;

type View = { default: ComponentType };

/** Fetches a view's script; what finds no answer is tried again after growing pauses. */
async function fetched(view: () => Promise<View>): Promise<View> {
  for (let k = 1; ; k++) {
    try {
      return await view();
    } catch (cause) {
      if (k === TRIES) throw cause;
      await new Promise((resolve) => setTimeout(resolve, PAUSE_MS * k));
    }
  }
}

const views = {
  plan: () => import('./plan/PlanPage'),
  bench: () => import('./bench/BenchPage'),
  pantry: () => import('./pantry/PantryPage'),
  cook: () => import('./cook/CookPage'),
  logbook: () => import('./logbook/LogbookPage'),
  entry: () => import('./logbook/EntryPage'),
  fryers: () => import('./fryers/FryersPage'),
};
const PlanPage = lazy(() => fetched(views.plan));
const BenchPage = lazy(() => fetched(views.bench));
const PantryPage = lazy(() => fetched(views.pantry));
const CookPage = lazy(() => fetched(views.cook));
const LogbookPage = lazy(() => fetched(views.logbook));
const EntryPage = lazy(() => fetched(views.entry));
const FryersPage = lazy(() => fetched(views.fryers));

/** What a cook needs at the stove is there before it is asked for. */
function usePreload() {
  useEffect(() => {
    const timer = setTimeout(() => {
      views.cook().catch(() => undefined); // it is tried again when it is opened
      views.entry().catch(() => undefined);
    }, 1500);
    return () => clearTimeout(timer);
  }, []);
}

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
  const { pathname } = useLocation();
  usePreload();
  return (
    <I18nProvider locale="en-GB">
      <RouterProvider navigate={(to) => void navigate(to)} useHref={useHref}>
        <Top />
        <Boundary at={pathname}>
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
        </Boundary>
        <Toasts />
      </RouterProvider>
    </I18nProvider>
  );
}
