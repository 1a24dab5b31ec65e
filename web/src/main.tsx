import '@fontsource-variable/atkinson-hyperlegible-mono';
import '@fontsource-variable/atkinson-hyperlegible-next';
import '@fontsource-variable/fraunces';
import './tokens/theme.css';
import { QueryClientProvider } from '@tanstack/react-query';
import { createRoot } from 'react-dom/client';
import { BrowserRouter } from 'react-router';
import { connect } from './api/live';
import { queryClient } from './api/queries';
import { App } from './app/App';
import { watchHand } from './doing/gesture';
import { applyTheme } from './doing/theme';

applyTheme();
connect();
watchHand();
createRoot(document.getElementById('root')!).render(
  <QueryClientProvider client={queryClient}>
    <BrowserRouter>
      <App />
    </BrowserRouter>
  </QueryClientProvider>,
);
