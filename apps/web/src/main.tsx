import '@fontsource-variable/rosario/wght.css';
import './theme/base.css';
import { createRoot } from 'react-dom/client';
import { App } from './app';
import { queryClient, keys } from './api/queries';
import { flush, whenSent } from './make/progress-sender';
import { findKept } from './make/progress-store';
import type { MakeView } from '@coiled-strand/contract';

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
const windows = typeof BroadcastChannel === 'undefined' ? null : new BroadcastChannel('makes');
windows?.addEventListener('message', (event: MessageEvent<MakeView>) => void follow(event.data));
whenSent((sent) => {
  windows?.postMessage(sent);
  return follow(sent);
});

// Progress that an earlier window could not send goes out first.
void findKept().then(flush);
for (const back of ['online', 'pageshow']) window.addEventListener(back, () => void flush());

const root = document.getElementById('root');
if (!root) throw new Error('the page has no root element');
createRoot(root).render(<App />);
