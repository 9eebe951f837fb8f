import { useEffect, type ComponentType } from 'react';
import { I18nProvider, RouterProvider } from 'react-aria-components';
import { Navigate, Route, Routes, useHref, useLocation, useNavigate } from 'react-router';
import { Top } from './household/Top';
import { Waiting } from './household/Waiting';
import { Boundary } from './ui/Boundary';
import { later } from './ui/later';
import { Blank, Page, Quiet } from './ui/layout';
import { Toasts } from './ui/toast';

const waiting = (
  <Page>
    <Quiet role="status">Getting it ready…</Quiet>
  </Page>
);
const view = (script: () => Promise<{ default: ComponentType }>) =>
  later(async () => (await script()).default, waiting);

const PlanPage = view(() => import('./plan/PlanPage'));
const BenchPage = view(() => import('./bench/BenchPage'));
const PanPage = view(() => import('./pan/PanPage'));
const SupperPage = view(() => import('./supper/SupperPage'));
const RecipePage = view(() => import('./plan/RecipePage'));
const BringPage = view(() => import('./bring/BringPage'));
const PantryPage = view(() => import('./pantry/PantryPage'));
const CookPage = view(() => import('./cook/CookPage'));
const LogbookPage = view(() => import('./logbook/LogbookPage'));
const EntryPage = view(() => import('./logbook/EntryPage'));
const EveningPage = view(() => import('./logbook/EveningPage'));
const HouseholdPage = view(() => import('./household/HouseholdPage'));
const FryersPage = view(() => import('./fryers/FryersPage'));

const byAddress = {
  bench: BenchPage,
  pan: PanPage,
  supper: SupperPage,
  pantry: PantryPage,
  cook: CookPage,
  logbook: LogbookPage,
  fryers: FryersPage,
  household: HouseholdPage,
};

/** Fetches the script of the page that is opened first, so that it is drawn at once. */
export const ahead = (path: string) =>
  (Object.entries(byAddress).find(([name]) => path.split('/')[1] === name)?.[1] ?? PlanPage).ahead();

/** What a cook needs at the stove is there before it is asked for, and every page opens without a connection. */
function usePreload() {
  useEffect(() => {
    const timer = setTimeout(() => {
      const pages = [CookPage, EntryPage, ...Object.values(byAddress), RecipePage, BringPage, EveningPage, PlanPage];
      void pages.reduce((before, one) => before.then(() => one.ahead()), Promise.resolve());
    }, 1500);
    return () => clearTimeout(timer);
  }, []);
}

export function App() {
  const navigate = useNavigate();
  const { pathname } = useLocation();
  usePreload();
  return (
    <I18nProvider locale="en-GB">
      <RouterProvider navigate={(to) => void navigate(to)} useHref={useHref}>
        <Top />
        <Waiting />
        <Boundary at={pathname}>
          <Routes>
            <Route path="/" element={<Navigate to="/plan" replace />} />
            <Route path="/plan" element={<PlanPage />} />
            <Route path="/plan/:id" element={<PlanPage />} />
            <Route path="/bench" element={<BenchPage />} />
            <Route path="/bench/:id" element={<BenchPage />} />
            <Route path="/pan" element={<PanPage />} />
            <Route path="/pan/:id" element={<PanPage />} />
            <Route path="/supper" element={<SupperPage />} />
            <Route path="/supper/:id" element={<SupperPage />} />
            <Route path="/recipe/:id" element={<RecipePage />} />
            <Route path="/bring" element={<BringPage />} />
            <Route path="/pantry" element={<PantryPage />} />
            <Route path="/cook" element={<CookPage />} />
            <Route path="/logbook" element={<LogbookPage />} />
            <Route path="/logbook/:id" element={<EntryPage />} />
            <Route path="/logbook/evening/:id" element={<EveningPage />} />
            <Route path="/household" element={<HouseholdPage />} />
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
        </Boundary>
        <Toasts />
      </RouterProvider>
    </I18nProvider>
  );
}
