import '@fontsource-variable/bricolage-grotesque/wdth.css';
import '@fontsource-variable/instrument-sans/wght.css';
import '../node_modules/.fonts/fonts.css'; // after the whole ones, so that it comes before them
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter } from 'react-router';
import { AGAIN_MS, unanswered } from './api/client';
import { place } from './api/place';
import { askAhead, followLetters } from './api/queries';
import { ahead, App } from './App';
import { foreseeDish } from './plan/ahead';
import { keepFocus } from './ui/keepFocus';
import { GlobalStyle } from './theme/GlobalStyle';

const queries = new QueryClient({
  defaultOptions: {
    queries: {
      staleTime: 5_000,
      retry: 1,
      networkMode: 'always',
      // A page mends itself when the line is back.
      refetchInterval: ({ state }) => (state.status === 'error' && unanswered(state.error) ? AGAIN_MS : false),
    },
    mutations: { networkMode: 'always' },
  },
});

// The plan is where a household begins; a page that sends there would be drawn for nothing.
if (window.location.pathname.slice(place.length).length < 2) window.history.replaceState(null, '', `${place}/plan`);

followLetters(queries);
keepFocus();
// What every page needs is on its way while the page's script is fetched.
void askAhead(queries).then((plans) => foreseeDish(here(), plans));

const here = () => window.location.pathname.slice(place.length);
const root = document.getElementById('root');
if (root)
  void ahead(here()).then(() =>
    createRoot(root).render(
      <StrictMode>
        <QueryClientProvider client={queries}>
          <GlobalStyle />
          <BrowserRouter basename={place}>
            <App />
          </BrowserRouter>
        </QueryClientProvider>
      </StrictMode>,
    ),
  );
