import { createBrowserRouter, Navigate } from 'react-router';
import { PLACES } from './places/places';
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
      ...PLACES.map(({ path, load, fetches }) => ({
        path,
        // What the page shows comes while the page does.
        loader: () => {
          fetches?.();
          return null;
        },
        lazy: async () => ({ Component: await load() }),
      })),
      {
        path: 'new',
        lazy: async () => ({ Component: (await import('./places/new-batch')).NewBatchPage }),
      },
      {
        path: 'boxes/:id/:number',
        lazy: async () => ({ Component: (await import('./places/box-page')).BoxPage }),
      },
      {
        path: 'trail/:id',
        lazy: async () => ({ Component: (await import('./places/trail-box')).TrailBoxPage }),
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
