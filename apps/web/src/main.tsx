import '@fontsource-variable/rosario/wght.css';
import './ui/theme/base.css';
import { createRoot } from 'react-dom/client';
import { App } from './app';
import { queryClient, keys } from './data/api/queries';
import { hearWindows, tellWindows } from './data/device/windows';
import { keepQueries } from './data/api/kept-queries';
import { sendLogs, whenLogged } from './features/make/make/log-outbox';
import { flush, whenSent } from './features/make/make/progress-sender';
import { useProgress } from './features/make/make/progress-store';
import { openOutbox, useOutbox } from './data/outbox/outbox';
import { followOwner } from './data/api/owner';
import { atRest } from './ui/shell/at-rest';
import { dropLogForm } from './features/make/stages/log/log-drafts';
import type { MakeView } from '@coiled-strand/contract';

/** A server may come back without the browser being told. */
const LOOK_AGAIN = 15_000;

/** What is kept in a browser is there within milliseconds. */
const MAX_WAIT = 1_500;

const isMakes = ({ queryKey }: { readonly queryKey: readonly unknown[] }): boolean =>
  queryKey[2] === 'makes';

/** Lets this window follow a make as the server told of it last. */
async function follow(sent: MakeView): Promise<void> {
  // An answer asked for before this one would set the counter back, and so would taking back what was
  // asked for after this one is in.
  await queryClient.cancelQueries({ queryKey: ['piece'], predicate: isMakes });
  queryClient.setQueriesData<readonly MakeView[]>(
    { queryKey: ['piece'], predicate: isMakes },
    (makes) => makes?.map((make) => (make.id === sent.id ? { ...make, ...sent } : make)),
  );
  void queryClient.invalidateQueries({ queryKey: keys.pieces });
}

// Other windows of this browser follow in the same moment, not when they ask the next time.
hearWindows<MakeView>('make', (make) => void follow(make));
whenSent((sent) => {
  tellWindows('make', sent);
  return follow(sent);
});

// A log that had to wait closes its make like any other.
whenLogged(({ id }) => {
  useProgress.getState().forget(id);
  void dropLogForm(id);
  void queryClient.invalidateQueries();
});

const sendAll = (): Promise<void> => flush().then(sendLogs);
for (const back of ['online', 'pageshow']) window.addEventListener(back, () => void sendAll());
setInterval(() => void sendLogs(), LOOK_AGAIN);

const root = document.getElementById('root');
if (!root) throw new Error('the page has no root element');
// What was known here last is shown until the server says otherwise; a store that hangs keeps nobody waiting.
const known = Promise.all([keepQueries(queryClient), openOutbox()]).then(() => void sendAll());
const waited = new Promise((resolve) => setTimeout(resolve, MAX_WAIT));
followOwner(queryClient, () => void sendAll());
void Promise.race([known, waited]).finally(() => {
  useOutbox.setState({ ready: true });
  createRoot(root).render(<App />);
});
atRest(() => void import('./ui/pocket/install').then(({ installHere }) => installHere()));
