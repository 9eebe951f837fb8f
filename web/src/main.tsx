import '@fontsource-variable/bricolage-grotesque/wdth.css';
import '@fontsource-variable/instrument-sans/wght.css';
import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { BrowserRouter } from 'react-router';
import { askAhead } from './api/queries';
import { App } from './App';
import { GlobalStyle } from './theme/GlobalStyle';

const queries = new QueryClient({
  defaultOptions: {
    queries: { staleTime: 5_000, retry: 1, networkMode: 'always' },
    mutations: { networkMode: 'always' },
  },
});
// What every page needs is on its way while the page's script is fetched.
askAhead(queries);

const root = document.getElementById('root');
if (root)
  createRoot(root).render(
    <StrictMode>
      <QueryClientProvider client={queries}>
        <GlobalStyle />
        <BrowserRouter>
          <App />
        </BrowserRouter>
      </QueryClientProvider>
    </StrictMode>,
  );
