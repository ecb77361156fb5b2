import { createBrowserRouter, Navigate } from 'react-router';
import { BATCHES, queries } from './api/queries';
import { STATIONS } from './stations/stations';
import { Boundary } from './ui/boundary';
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
      {
        index: true,
        // The batches come while the page that shows them does.
        loader: () => {
          void queries.prefetchQuery(BATCHES);
          return null;
        },
        lazy: async () => ({ Component: (await import('./places/bench')).Bench }),
      },
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
          ...STATIONS.map(({ path, label, load }) => ({
            path,
            lazy: async () => {
              const Station = await load();
              return {
                element: (
                  <Boundary key={path} what={label}>
                    <Station />
                  </Boundary>
                ),
              };
            },
          })),
        ],
      },
      { path: '*', element: <Lost /> },
    ],
  },
]);
