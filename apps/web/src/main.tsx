import createCache from '@emotion/cache';
import { CacheProvider } from '@emotion/react';
import CssBaseline from '@mui/material/CssBaseline';
import { ThemeProvider } from '@mui/material/styles';
import { QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { RouterProvider } from 'react-router/dom';
import { followChanges } from './api/live.ts';
import { queryClient } from './api/queries.ts';
import { askEarly } from './ask-early.ts';
import { keepOnDevice } from './offline/new-version.ts';
import { NoticeProvider } from './parts/notices.tsx';
import './parts/print.css';
import { cspNonce } from './parts/csp-nonce.ts';
import { PaletteProvider } from './parts/palette.tsx';
import { printInLight } from './parts/print-light.ts';
import { UnitsProvider } from './preferences.tsx';
import { router } from './router.tsx';
import { theme } from './theme.ts';

// Style elements are let through by the page's own word alone.
const styles = createCache({ key: 'css', prepend: true, ...(cspNonce ? { nonce: cspNonce } : {}) });

askEarly(window.location);
printInLight();
followChanges();
keepOnDevice();

createRoot(document.getElementById('root') as HTMLElement).render(
  <StrictMode>
    <CacheProvider value={styles}>
      <ThemeProvider theme={theme} defaultMode="system">
        <CssBaseline />
        <QueryClientProvider client={queryClient}>
          <UnitsProvider>
            <PaletteProvider>
              <NoticeProvider>
                <RouterProvider router={router} />
              </NoticeProvider>
            </PaletteProvider>
          </UnitsProvider>
        </QueryClientProvider>
      </ThemeProvider>
    </CacheProvider>
  </StrictMode>,
);
