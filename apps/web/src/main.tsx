import '@fontsource-variable/atkinson-hyperlegible-next';
import '@fontsource-variable/atkinson-hyperlegible-mono';
import '@fontsource-variable/bitter';
import './style.css';
import { QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { RouterProvider } from 'react-router';
import { z } from 'zod';
import { queries } from './api/queries';
import { openOutdoors } from './outdoors/open-outdoors';
import { router } from './router';
import { NoticeProvider } from './ui/notice';

// The content security policy forbids code made from text, which is how zod would otherwise speed itself up.
z.config({ jitless: true });

openOutdoors();

const root = document.getElementById('root');
if (root) {
  createRoot(root).render(
    <StrictMode>
      <QueryClientProvider client={queries}>
        <NoticeProvider>
          <RouterProvider router={router} />
        </NoticeProvider>
      </QueryClientProvider>
    </StrictMode>,
  );
}
