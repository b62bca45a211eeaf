import '@fontsource/andika/latin-400.css';
import '@fontsource/andika/latin-700.css';
import '@fontsource-variable/figtree/wght.css';
import { StyleProvider } from '@ant-design/cssinjs';
import { QueryClient, QueryClientProvider, useQuery } from '@tanstack/react-query';
import { Alert, Button } from 'antd';
import { StrictMode, useEffect, useState, type ReactNode } from 'react';
import { createRoot } from 'react-dom/client';
import { ErrorBoundary } from 'react-error-boundary';
import { BrowserRouter, Navigate, Route, Routes } from 'react-router';
import './tokens.css';
import './base.css';
import './board/board.css';
import { BenchPage } from './bench/BenchPage';
import { loadCore } from './core/core';
import { useLesson } from './state/lesson';
import { PresentPage } from './present/PresentPage';
import { TeachPage } from './present/TeachPage';
import { ApiError, onNewBuild, pageBuild } from './state/api';
import { fetchAhead, sendAgain } from './state/session';
import { accounts, useTeacher, type Teacher } from './state/teacher';
import { Fault } from './shell/Fault';
import { keepFocus } from './shell/focus';
import { keepOnDevice, takeUpNew } from './shell/kept';
import { partOf, usePart, type Part } from './shell/later';
import { OpenLine } from './wish/OpenLine';
import { Room } from './shell/room';
import { fetchFirst } from './shelf/useShelf';

const client = new QueryClient({
  defaultOptions: { queries: { retry: (n, e) => e instanceof ApiError && e.status === 0 && n < 2 } },
});

/** The shelf comes when it is wanted; else some seconds later, to be there without the network too. */
const shelf = partOf(() => import('./shelf/ShelfPage'));
const onShelf = location.pathname === '/';
const atDesk = location.pathname.startsWith('/desk');
if (onShelf) {
  void shelf.fetch().catch(() => undefined);
  void fetchFirst(client);
}
setTimeout(() => {
  void shelf.fetch().catch(() => undefined);
  keepOnDevice();
}, 4000);

const signIn = partOf(() => import('./shell/SignIn'));
const welcome = partOf(() => import('./shell/Welcome'));
const paper = partOf(() => import('./paper/PaperPage'));
const classroom = partOf(() => import('./classroom/Classroom'));
const desk = partOf(() => import('./desk/DeskPage'));

/** A page of a part of the application that comes when it is wanted. */
function Later<T>({ part, show }: { part: Part<T>; show: (there: T) => ReactNode }) {
  const there = usePart(part, true);
  return there ? show(there) : null;
}

function App() {
  // Of a child nobody asks who she is.
  const ours = !atDesk;
  const { accounts: wanted, teacher, ended } = useTeacher();
  useQuery({ queryKey: ['door'], queryFn: accounts.look, enabled: ours });
  if (location.pathname === '/welcome') return <Later part={welcome} show={(m) => <m.Welcome />} />;
  if (ours && wanted && !teacher) {
    return <Later part={signIn} show={(m) => <m.SignIn done={() => void client.resetQueries()} />} />;
  }
  return (
    <BrowserRouter>
      {ended && <SignedOut was={teacher} />}
      {/* What lies under the veil takes no key. */}
      <div className="whole" inert={ended}>
        <NewBuild />
        <ErrorBoundary FallbackComponent={Fault}>
          <Routes>
            <Route path="/" element={<Later part={shelf} show={(m) => <m.ShelfPage />} />} />
            <Route path="/lesson/:id" element={<BenchPage />} />
            <Route path="/lesson/:id/present" element={<PresentPage />} />
            <Route path="/lesson/:id/teach" element={<TeachPage />} />
            <Route path="/paper" element={<Later part={paper} show={(m) => <m.PaperPage />} />} />
            <Route path="/lesson/:id/paper" element={<Later part={paper} show={(m) => <m.PaperPage />} />} />
            <Route path="/classes" element={<Later part={classroom} show={(m) => <m.ClassesPage />} />} />
            <Route path="/class/:id" element={<Later part={classroom} show={(m) => <m.ClassPage />} />} />
            <Route
              path="/class/:id/progress"
              element={<Later part={classroom} show={(m) => <m.ProgressPage />} />}
            />
            <Route
              path="/class/:id/board"
              element={<Later part={classroom} show={(m) => <m.ClassBoard />} />}
            />
            <Route
              path="/class/:id/wall/:set"
              element={<Later part={classroom} show={(m) => <m.WallPage />} />}
            />
            <Route
              path="/class/:id/wall/:set/paper"
              element={<Later part={paper} show={(m) => <m.SetPaper />} />}
            />
            <Route path="/desk" element={<Later part={desk} show={(m) => <m.DeskPage />} />} />
            <Route path="/desk/try" element={<Later part={desk} show={(m) => <m.TryPage />} />} />
            <Route path="/open" element={<OpenLine />} />
            <Route path="*" element={<Navigate to="/" replace />} />
          </Routes>
        </ErrorBoundary>
      </div>
    </BrowserRouter>
  );
}

/** Over a page whose session has ended: what was done stays, and is saved when she is back. */
function SignedOut({ was }: { was: Teacher | undefined }) {
  const back = (now: Teacher) => {
    if (now.id !== was?.id) return location.assign('/');
    sendAgain();
    void client.invalidateQueries();
  };
  return (
    <div className="veil">
      <Later part={signIn} show={(m) => <m.SignIn again={was} done={back} />} />
    </div>
  );
}

/** Says when the server has a newer Unit Bloom, and takes it up when nothing is unsent. */
function NewBuild() {
  const [there, setThere] = useState(false);
  const [taking, setTaking] = useState(false);
  const saved = useLesson((s) => s.save.unsent === 0);
  // A class is not told, nor she beside it: it is said when she comes back to the lesson.
  const before = useLesson((s) => s.presenting) || location.pathname.endsWith('/teach');
  useEffect(() => onNewBuild(() => setThere(true)), []);
  if (!there || before) return null;
  if (atDesk) return <NewBuildAtDesk />;
  return (
    <Alert
      banner
      className="new-build"
      type="info"
      title="This tab runs an older Unit Bloom than the server."
      action={
        <Button
          disabled={!saved || taking}
          onClick={() => {
            setTaking(true);
            void takeUpNew();
          }}
        >
          {saved ? 'Reload' : 'Saving first…'}
        </Button>
      }
    />
  );
}

/** Which build this tab tried to go on from: where it is still that one, it is not tried for ever. */
const GONE_FROM = 'unitbloom-gone-from';

/**
 * A child is not asked. Her device takes the newer application up before she has touched anything, or
 * else when she looks away from it; what she has done is on it.
 */
function NewBuildAtDesk() {
  useEffect(() => {
    const build = pageBuild ?? '';
    if (sessionStorage.getItem(GONE_FROM) === build) return;
    const take = () => {
      sessionStorage.setItem(GONE_FROM, build);
      void takeUpNew();
    };
    if (!navigator.userActivation.hasBeenActive) return take();
    const away = () => document.hidden && take();
    document.addEventListener('visibilitychange', away);
    return () => document.removeEventListener('visibilitychange', away);
  }, []);
  return null;
}

keepFocus();
// The core is made ready while the first page is drawn, which says if it fails. The shelf and a
// child's desk stand without it, and ask for it when there are lessons, or tasks.
if (!onShelf && !atDesk) loadCore().catch(() => undefined);
const [, first] = /^\/lesson\/([^/]+)(?:\/present)?$/.exec(location.pathname) ?? [];
if (first) fetchAhead(first);

createRoot(document.getElementById('root')!).render(
  <StrictMode>
    <StyleProvider layer>
      <Room>
        <QueryClientProvider client={client}>
          <App />
        </QueryClientProvider>
      </Room>
    </StyleProvider>
  </StrictMode>,
);
