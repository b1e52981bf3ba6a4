import { ChakraProvider } from '@chakra-ui/react';
import { QueryClientProvider } from '@tanstack/react-query';
import { lazy, Suspense, useEffect } from 'react';
import { createBrowserRouter, Navigate, RouterProvider } from 'react-router';
import { queryClient } from './api/queries';
import { ArrowHead } from './bench/shapes';
import { PieceRoute } from './pages/piece/piece-route';
import { BookPage } from './pages/book/book-page';
import { HandPage } from './pages/hand/hand-page';
import { ErrorBoundary } from './shell/error-boundary';
import { NotFound } from './frame/not-found';
import { RouteFault } from './frame/route-fault';
import { Loading } from './shell/states';
import { Toaster } from './shell/toaster';
import { CutStage } from './stages/cut/cut-stage';
import { FinishStage } from './stages/finish/finish-stage';
import { FitStage } from './stages/fit/fit-stage';
import { loadOwnCord } from './stash/cord-picker';
import { LayoutStage } from './stages/layout/layout-stage';
import { MakeStage } from './stages/make/make-stage';
import { system } from './theme/system';
import { WorkshopPage } from './pages/workshop/workshop-page';

// Forms with the server's own rules bring a large library; it comes after the first page.
const loadLog = () => import('./stages/log/log-stage');
const LogStage = lazy(() => loadLog().then((module) => ({ default: module.LogStage })));
const LazyLogStage = () => (
  <Suspense fallback={<Loading what="Opening the log" />}>
    <LogStage />
  </Suspense>
);

const router = createBrowserRouter([
  { path: '/', element: <WorkshopPage />, errorElement: <RouteFault /> },
  {
    path: '/pieces/:id',
    element: <PieceRoute />,
    errorElement: <RouteFault />,
    children: [
      { index: true, element: <Navigate to="fit" replace /> },
      { path: 'fit', element: <FitStage /> },
      { path: 'layout', element: <LayoutStage /> },
      { path: 'cut', element: <CutStage /> },
      { path: 'make', element: <MakeStage /> },
      { path: 'finish', element: <FinishStage /> },
      { path: 'log', element: <LazyLogStage /> },
    ],
  },
  { path: '/book', element: <BookPage />, errorElement: <RouteFault /> },
  { path: '/hand', element: <HandPage />, errorElement: <RouteFault /> },
  { path: '*', element: <NotFound /> },
]);

export function App() {
  // Fetched while the server is surely there, so that a make can be logged when it is not.
  useEffect(() => {
    const timer = setTimeout(() => void Promise.allSettled([loadLog(), loadOwnCord()]), 3000);
    return () => clearTimeout(timer);
  }, []);
  return (
    <ChakraProvider value={system}>
      <ErrorBoundary>
        <QueryClientProvider client={queryClient}>
          <ArrowHead />
          <RouterProvider router={router} />
          <Toaster />
        </QueryClientProvider>
      </ErrorBoundary>
    </ChakraProvider>
  );
}
