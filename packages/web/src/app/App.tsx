import { QueryClient, QueryClientProvider } from '@tanstack/react-query';
import { PersistQueryClientProvider } from '@tanstack/react-query-persist-client';
import { lazy, Suspense } from 'react';
import { createBrowserRouter, Navigate, RouterProvider, useLocation } from 'react-router';
import { useMe } from '../api/me';
import type { Me } from '@zetalysis/contract';
import { whoIsHere } from '../api/identity';
import { keptQueries } from '../store/kept-queries';
import { CallPlace } from '../places/call/CallPlace';
import { Waiting } from '../kit/Waiting';
import { PageBroke } from './PageBroke';
import { Shell } from './Shell';

// Everything with tables and forms is loaded when it is first opened; the call page stays light.
const SignIn = lazy(() => import('../places/sign-in/SignIn'));
const Today = lazy(() => import('../places/today/Today'));
const NewCall = lazy(() => import('../places/today/NewCall'));
const Account = lazy(() => import('../places/account/Account'));
const Machines = lazy(() => import('../places/machines/Machines'));
const LabelPage = lazy(() => import('../places/machines/LabelPage'));
const MachinePage = lazy(() => import('../places/machines/MachinePage'));
const SearchPage = lazy(() => import('../places/search/SearchPage'));
const DayPage = lazy(() => import('../places/day/DayPage'));
const PeoplePage = lazy(() => import('../places/people/PeoplePage'));
const DuePage = lazy(() => import('../places/due/DuePage'));
const CaretakerPage = lazy(() => import('../places/caretaker/CaretakerPage'));
const UpkeepPage = lazy(() => import('../places/machines/UpkeepPage'));
const ReportPage = lazy(() => import('../places/report/ReportPage'));
const Bench = lazy(() => import('../places/bench/Bench'));
const TestPage = lazy(() => import('../places/bench/TestPage'));
const Register = lazy(() => import('../places/bench/Register'));
const Calculator = lazy(() => import('../places/bench/Calculator'));
const Practice = lazy(() => import('../places/practice/Practice'));
const ExercisePage = lazy(() => import('../places/practice/ExercisePage'));
const ReviewPage = lazy(() => import('../places/report/ReviewPage'));
const Patterns = lazy(() => import('../places/patterns/Patterns'));
const Library = lazy(() => import('../places/library/Library'));
const Appliance = lazy(() => import('../places/library/Appliance'));
const FieldCard = lazy(() => import('../places/library/FieldCard'));

/** What was shown is kept that long for when the server is away, and what failed is tried again after that, milliseconds. */
const KEPT_MS = 20 * 86_400_000;
const AGAIN_MS = 5000;

const queries = new QueryClient({
  defaultOptions: {
    queries: {
      retry: false,
      refetchOnWindowFocus: true,
      networkMode: 'always',
      gcTime: KEPT_MS,
      // What failed is asked for again by itself.
      refetchInterval: ({ state }) => (state.error ? AGAIN_MS : false),
    },
    mutations: { networkMode: 'always' },
  },
});

function SignedIn({ place, inCall = false }: { place: (me: Me) => React.ReactNode; inCall?: boolean }) {
  const me = useMe();
  const { pathname } = useLocation();
  if (me.isPending) return <Waiting>One moment…</Waiting>;
  if (!me.data) return <Navigate to={`/sign-in?to=${encodeURIComponent(pathname)}`} replace />;
  return (
    <Shell me={me.data} inCall={inCall}>
      {me.data.mustChange ? <Account me={me.data} /> : place(me.data)}
    </Shell>
  );
}

const router = createBrowserRouter([
  {
    errorElement: <PageBroke />,
    children: [
      { path: '/sign-in', element: <SignIn /> },
      { path: '/caretaker/:secret', element: <CaretakerPage /> },
      { path: '/search', element: <SignedIn place={() => <SearchPage />} /> },
      { path: '/day', element: <SignedIn place={(me) => <DayPage me={me} />} /> },
      { path: '/people', element: <SignedIn place={(me) => <PeoplePage me={me} />} /> },
      { path: '/due', element: <SignedIn place={(me) => <DuePage me={me} />} /> },
      { path: '/machines/:id/upkeep', element: <SignedIn place={(me) => <UpkeepPage me={me} />} /> },
      { path: '/', element: <SignedIn place={(me) => <Today me={me} />} /> },
      { path: '/calls/new', element: <SignedIn place={(me) => <NewCall me={me} />} /> },
      { path: '/calls/:id', element: <SignedIn inCall place={(me) => <CallPlace me={me} />} /> },
      { path: '/calls/:id/review', element: <SignedIn place={(me) => <ReviewPage me={me} />} /> },
      { path: '/calls/:id/report', element: <SignedIn place={(me) => <ReportPage me={me} />} /> },
      { path: '/me', element: <SignedIn place={(me) => <Account me={me} />} /> },
      { path: '/machines', element: <SignedIn place={() => <Machines />} /> },
      { path: '/machines/:id/label', element: <SignedIn place={() => <LabelPage />} /> },
      { path: '/machines/:id', element: <SignedIn place={(me) => <MachinePage me={me} />} /> },
      { path: '/bench', element: <SignedIn place={() => <Bench />} /> },
      { path: '/bench/tests/:id', element: <SignedIn place={(me) => <TestPage me={me} />} /> },
      { path: '/bench/instruments', element: <SignedIn place={(me) => <Register me={me} />} /> },
      { path: '/bench/calculators/:id', element: <SignedIn place={(me) => <Calculator me={me} />} /> },
      { path: '/practice', element: <SignedIn place={(me) => <Practice me={me} />} /> },
      { path: '/practice/:code', element: <SignedIn inCall place={(me) => <ExercisePage me={me} />} /> },
      { path: '/patterns', element: <SignedIn place={(me) => <Patterns me={me} tab="breaks" />} /> },
      { path: '/patterns/van', element: <SignedIn place={(me) => <Patterns me={me} tab="van" />} /> },
      { path: '/patterns/trends', element: <SignedIn place={(me) => <Patterns me={me} tab="trends" />} /> },
      { path: '/patterns/stock', element: <SignedIn place={(me) => <Patterns me={me} tab="stock" />} /> },
      { path: '/patterns/advice', element: <SignedIn place={(me) => <Patterns me={me} tab="advice" />} /> },
      { path: '/library', element: <SignedIn place={(me) => <Library me={me} />} /> },
      { path: '/library/:id', element: <SignedIn place={(me) => <Appliance me={me} />} /> },
      { path: '/library/:id/card', element: <SignedIn place={(me) => <FieldCard me={me} />} /> },
      {
        path: '*',
        element: <SignedIn place={() => <Waiting>There is nothing at this address. Go to Today.</Waiting>} />,
      },
    ],
  },
]);

export function App() {
  const me = whoIsHere();
  const app = (
    <Suspense fallback={<Waiting>One moment…</Waiting>}>
      <RouterProvider router={router} />
    </Suspense>
  );
  // Nobody is signed in: nothing of anybody's is read.
  if (!me) return <QueryClientProvider client={queries}>{app}</QueryClientProvider>;
  return (
    <PersistQueryClientProvider client={queries} persistOptions={keptQueries(me, KEPT_MS)}>
      {app}
    </PersistQueryClientProvider>
  );
}
