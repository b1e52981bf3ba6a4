import { ChakraProvider } from '@chakra-ui/react';
import { QueryClientProvider } from '@tanstack/react-query';
import { createBrowserRouter, Navigate } from 'react-router';
import { RouterProvider } from 'react-router/dom';
import { queryClient } from './data/api/queries';
import { Arrivals } from './features/workshop/arrivals/arrivals';
import { ArrowHead } from './features/piece/bench/shapes';
import { NotFound } from './ui/frame/not-found';
import { RouteFault } from './ui/frame/route-fault';
import { Gate } from './features/house/pages/account/gate';
import { WorkshopPage } from './features/workshop/pages/workshop/workshop-page';
import { ErrorBoundary } from './ui/shell/error-boundary';
import { later } from './ui/shell/later';
import { system } from './ui/theme/system';

// The workshop is the first page; all else comes when it is wanted.
const piecePage = () => import('./piece-page');
const Toaster = later(() => import('./ui/shell/toasts').then((m) => m.Toaster));
const PieceRoute = later(() => piecePage().then((m) => m.PieceRoute), 'Fetching the bench');
const FitStage = later(() => piecePage().then((m) => m.FitStage));
const LayoutStage = later(() => piecePage().then((m) => m.LayoutStage));
const CutStage = later(() => piecePage().then((m) => m.CutStage));
const MakeStage = later(() => piecePage().then((m) => m.MakeStage));
const FinishStage = later(() => piecePage().then((m) => m.FinishStage));
const BookPage = later(
  () => import('./features/make/pages/book/book-page').then((m) => m.BookPage),
  'Opening the book',
);
const HandPage = later(
  () => import('./features/make/pages/hand/hand-page').then((m) => m.HandPage),
  'Looking at your makes',
);
const NumbersPage = later(
  () => import('./features/knots/pages/numbers/numbers-page').then((m) => m.NumbersPage),
  'Looking the numbers up',
);
const LogStage = later(
  () => import('./features/make/stages/log/log-stage').then((m) => m.LogStage),
  'Opening the log',
);

const weekPages = () => import('./week-pages');
const week = (name: keyof Awaited<ReturnType<typeof weekPages>>, what: string) =>
  later(() => weekPages().then((m) => m[name]), what);
const WEEK_ROUTES = [
  { path: '/stash', Page: week('StashPage', 'Opening the drawers') },
  { path: '/stash/:id', Page: week('LotPage', 'Opening the drawer') },
  { path: '/cutting', Page: week('CuttingPage', 'Looking at the board') },
  { path: '/cutting/new', Page: week('PlanCuttingPage', 'Looking at the board') },
  { path: '/cutting/:id', Page: week('SessionPage', 'Laying the cuts out') },
  { path: '/buying', Page: week('BuyingPage', 'Fetching the list') },
  { path: '/orders', Page: week('OrdersPage', 'Looking at the orders') },
  { path: '/orders/new', Page: week('NewOrderPage', 'Looking at the orders') },
  { path: '/orders/:id', Page: week('OrderPage', 'Fetching the order') },
  { path: '/bench-time', Page: week('BenchTimePage', 'Planning your week') },
  { path: '/instruments', Page: week('InstrumentsPage', 'Listening') },
  { path: '/sizes/:id', Page: week('SizesPage', 'Planning the sizes') },
  { path: '/versions/:id', Page: week('VersionsPage', 'Looking at what it was') },
  { path: '/lists', Page: week('ListsPage', 'Opening the lists') },
  { path: '/kits', Page: week('KitsPage', 'Fetching the kits') },
  { path: '/kits/:id', Page: week('KitPage', 'Fetching the kit') },
];

const knotPages = () => import('./knot-pages');
const knot = (name: keyof Awaited<ReturnType<typeof knotPages>>, what: string) =>
  later(() => knotPages().then((m) => m[name]), what);
const Board = knot('BoardPage', 'Fetching the board');
const KNOT_ROUTES = [
  { path: '/knots', Page: knot('KnotsPage', 'Fetching your knots') },
  { path: '/knots/new', Page: Board },
  { path: '/knots/:id', Page: Board },
  { path: '/knot-book', Page: knot('KnotBookPage', 'Opening the knot book') },
  { path: '/knot-book/:id', Page: knot('EntryPage', 'Opening the knot book') },
];

const housePages = () => import('./house-pages');
const house = (name: keyof Awaited<ReturnType<typeof housePages>>, what: string) =>
  later(() => housePages().then((m) => m[name]), what);
const HOUSE_ROUTES = [
  { path: '/account', Page: house('AccountPage', 'Looking you up') },
  { path: '/people', Page: house('PeoplePage', 'Asking who is in') },
  { path: '/personal-data', Page: house('PersonalDataPage', 'Looking it up') },
  { path: '/trail', Page: house('TrailPage', 'Following the trail') },
  { path: '/backups', Page: house('BackupsPage', 'Looking at the copies') },
];
const LinkPage = house('LinkPage', 'Looking at the link');

const INSIDE = [
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
      { path: 'log', element: <LogStage /> },
    ],
  },
  ...[...WEEK_ROUTES, ...KNOT_ROUTES, ...HOUSE_ROUTES].map(({ path, Page }) => ({
    path,
    element: <Page />,
    errorElement: <RouteFault />,
  })),
  { path: '/book', element: <BookPage />, errorElement: <RouteFault /> },
  { path: '/hand', element: <HandPage />, errorElement: <RouteFault /> },
  { path: '/numbers', element: <NumbersPage />, errorElement: <RouteFault /> },
  { path: '*', element: <NotFound /> },
];

const router = createBrowserRouter([
  { path: '/join', element: <LinkPage />, errorElement: <RouteFault /> },
  { path: '/reset', element: <LinkPage />, errorElement: <RouteFault /> },
  {
    element: <Gate />,
    errorElement: <RouteFault />,
    children: [{ element: <Arrivals />, children: INSIDE }],
  },
]);

export function App() {
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
