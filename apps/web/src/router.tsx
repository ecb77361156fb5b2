import { createBrowserRouter, Navigate } from 'react-router';
import { Lost } from './ui/lost';
import { Shell } from './ui/shell';

/** Pages are loaded when they are wanted. */
export const router = createBrowserRouter([
  {
    path: '/',
    element: <Shell />,
    errorElement: <Lost />,
    hydrateFallbackElement: <p className="p-8">Opening…</p>,
    children: [
      { index: true, lazy: async () => ({ Component: (await import('./places/bench')).Bench }) },
      {
        path: 'new',
        lazy: async () => ({ Component: (await import('./places/new-batch')).NewBatchPage }),
      },
      { path: 'rack', lazy: async () => ({ Component: (await import('./places/rack')).Rack }) },
      {
        path: 'handbook',
        lazy: async () => ({ Component: (await import('./places/handbook')).Handbook }),
      },
      {
        path: 'batches/:id',
        lazy: async () => ({ Component: (await import('./batch/batch-page')).BatchPage }),
        children: [
          { index: true, element: <Navigate to="box" replace /> },
          {
            path: 'box',
            lazy: async () => ({ Component: (await import('./stations/box')).BoxStation }),
          },
          {
            path: 'wood',
            lazy: async () => ({ Component: (await import('./stations/wood')).WoodStation }),
          },
          {
            path: 'layout',
            lazy: async () => ({ Component: (await import('./stations/layout')).LayoutStation }),
          },
          {
            path: 'sheets',
            lazy: async () => ({ Component: (await import('./sheets/sheets')).Sheets }),
          },
        ],
      },
      { path: '*', element: <Lost /> },
    ],
  },
]);
