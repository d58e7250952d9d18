import { QueryClientProvider } from '@tanstack/react-query';
import { StrictMode } from 'react';
import { createRoot } from 'react-dom/client';
import { createBrowserRouter, Navigate, RouterProvider } from 'react-router';
import { Toaster } from 'sonner';
import { registerSW } from 'virtual:pwa-register';
import { NotFound, ScreenFailed } from './app/errors.js';
import { PreferencesProvider } from './app/preferences-provider.js';
import { Shell } from './app/shell.js';
import { guardFocus } from './ui/focus-guard.js';
import { startTheme } from './ui/theme.js';
import { outbox } from './data/outbox.js';
import { startLive } from './data/live.js';
import { keepOfflineCopy } from './data/offline-copy.js';
import { watchServer } from './data/watch-server.js';
import { keys, prefetchBatch, queryClient } from './data/queries.js';
import { takeIntoCache } from './data/shelf.js';
import { fetchedScreen } from './ui/fetched-part.js';
import { Loading } from './ui/page.js';
import 'sonner/dist/styles.css';
import './styles.css';

startTheme();
guardFocus();
registerSW({ immediate: true });

void outbox.start({
  onSaved: (batch) => {
    queryClient.setQueryData(keys.batch(batch.id), batch);
    void queryClient.invalidateQueries({ queryKey: keys.batches });
  },
  onTaken: takeIntoCache,
});
startLive();
watchServer();
keepOfflineCopy();
window.addEventListener('online', outbox.hurry);
document.addEventListener('visibilitychange', () => {
  if (document.visibilityState === 'visible') outbox.hurry();
});

const router = createBrowserRouter([
  {
    element: <Shell />,
    errorElement: <ScreenFailed />,
    hydrateFallbackElement: <Loading />,
    children: [
      {
        errorElement: <ScreenFailed />,
        children: [
          {
            index: true,
            lazy: async () => ({
              Component: (await fetchedScreen(() => import('./stations/today/today.js'))).Today,
            }),
          },
          {
            path: 'quick',
            lazy: async () => ({
              Component: (await fetchedScreen(() => import('./stations/quick/quick.js'))).Quick,
            }),
          },
          {
            path: 'notices',
            lazy: async () => ({
              Component: (await fetchedScreen(() => import('./stations/notices/notices.js')))
                .Notices,
            }),
          },
          {
            path: 'formulas',
            lazy: async () => ({
              Component: (await fetchedScreen(() => import('./stations/formulas/formulas.js')))
                .Formulas,
            }),
          },
          {
            path: 'formulas/:formulaId',
            lazy: async () => ({
              Component: (await fetchedScreen(() => import('./stations/formulas/formula-page.js')))
                .FormulaPage,
            }),
          },
          {
            path: 'formulas/:formulaId/card',
            lazy: async () => ({
              Component: (await fetchedScreen(() => import('./stations/formulas/print-card.js')))
                .PrintCard,
            }),
          },
          {
            path: 'shelf',
            lazy: async () => ({
              Component: (await fetchedScreen(() => import('./stations/shelf/shelf.js'))).Shelf,
            }),
          },
          {
            path: 'logbook',
            lazy: async () => ({
              Component: (await fetchedScreen(() => import('./stations/logbook/logbook.js')))
                .Logbook,
            }),
          },
          {
            path: 'logbook/:ids',
            lazy: async () => ({
              Component: (await fetchedScreen(() => import('./stations/logbook/story.js'))).Story,
            }),
          },
          {
            path: 'shopping',
            lazy: async () => ({
              Component: (await fetchedScreen(() => import('./stations/shopping/shopping.js')))
                .Shopping,
            }),
          },
          {
            path: 'shelf/labels',
            lazy: async () => ({
              Component: (await fetchedScreen(() => import('./stations/labels/shelf-labels.js')))
                .ShelfLabels,
            }),
          },
          {
            path: 'shelf/year',
            lazy: async () => ({
              Component: (await fetchedScreen(() => import('./stations/shelf/year.js'))).Year,
            }),
          },
          {
            path: 'glossary',
            lazy: async () => ({
              Component: (await fetchedScreen(() => import('./stations/glossary/glossary.js')))
                .Glossary,
            }),
          },
          {
            path: 'rescue/:batchId?',
            lazy: async () => ({
              Component: (await fetchedScreen(() => import('./stations/rescue/rescue.js'))).Rescue,
            }),
          },
          {
            path: 'practice',
            lazy: async () => ({
              Component: (await fetchedScreen(() => import('./stations/practice/practice.js')))
                .Practice,
            }),
          },
          {
            path: 'practice/again/:batchId',
            lazy: async () => ({
              Component: (await fetchedScreen(() => import('./stations/practice/again.js')))
                .PracticeAgain,
            }),
          },
          {
            path: 'practice/:scenarioId',
            lazy: async () => ({
              Component: (await fetchedScreen(() => import('./stations/practice/at-the-pan.js')))
                .AtThePan,
            }),
          },
          {
            path: 'tables/:page?',
            lazy: async () => ({
              Component: (await fetchedScreen(() => import('./stations/tables/tables.js'))).Tables,
            }),
          },
          {
            path: 'kitchen/:page?',
            lazy: async () => ({
              Component: (await fetchedScreen(() => import('./stations/kitchen/kitchen.js')))
                .Kitchen,
            }),
          },
          {
            path: 'batches/:batchId',
            loader: ({ params }) => {
              if (params.batchId !== undefined) prefetchBatch(params.batchId);
              return null;
            },
            shouldRevalidate: ({ currentParams, nextParams }) =>
              currentParams.batchId !== nextParams.batchId,
            lazy: async () => ({
              Component: (await fetchedScreen(() => import('./batch/batch-frame.js'))).BatchFrame,
            }),
            children: [
              { index: true, element: <Navigate to="balance" replace /> },
              {
                path: 'fruit',
                lazy: async () => ({
                  Component: (await fetchedScreen(() => import('./stations/fruit/fruit.js'))).Fruit,
                }),
              },
              {
                path: 'balance',
                lazy: async () => ({
                  Component: (await fetchedScreen(() => import('./stations/balance/balance.js')))
                    .Balance,
                }),
              },
              {
                path: 'plan',
                lazy: async () => ({
                  Component: (await fetchedScreen(() => import('./stations/plan/plan.js'))).Plan,
                }),
              },
              {
                path: 'boil',
                lazy: async () => ({
                  Component: (await fetchedScreen(() => import('./stations/boil/boil.js'))).Boil,
                }),
              },
              {
                path: 'jar',
                lazy: async () => ({
                  Component: (await fetchedScreen(() => import('./stations/jar/jar.js'))).Jar,
                }),
              },
              {
                path: 'shelf',
                lazy: async () => ({
                  Component: (await fetchedScreen(() => import('./stations/shelf/batch-shelf.js')))
                    .BatchShelf,
                }),
              },
              {
                path: 'labels',
                lazy: async () => ({
                  Component: (await fetchedScreen(() => import('./stations/labels/labels.js')))
                    .Labels,
                }),
              },
            ],
          },
          {
            path: 'not-saved',
            lazy: async () => ({
              Component: (await fetchedScreen(() => import('./app/not-saved.js'))).NotSaved,
            }),
          },
          { path: '*', element: <NotFound /> },
        ],
      },
    ],
  },
]);

const root = document.getElementById('root');
if (!root) throw new Error('the page has no #root');
createRoot(root).render(
  <StrictMode>
    <QueryClientProvider client={queryClient}>
      <PreferencesProvider>
        <RouterProvider router={router} />
        <Toaster position="top-center" toastOptions={{ className: 'kettle-toast' }} />
      </PreferencesProvider>
    </QueryClientProvider>
  </StrictMode>,
);
