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

whenSent(async (sent) => {
  // An answer asked for before this one would set the counter back, and so would taking back what was
  // asked for after this one is in.
  await queryClient.cancelQueries({ queryKey: ['piece'], predicate: isMakes });
  queryClient.setQueriesData<readonly MakeView[]>(
    { queryKey: ['piece'], predicate: isMakes },
    (makes) => makes?.map((make) => (make.id === sent.id ? { ...make, ...sent } : make)),
  );
  void queryClient.invalidateQueries({ queryKey: keys.pieces });
});
// Progress that an earlier window could not send goes out first.
void findKept().then(flush);
for (const back of ['online', 'pageshow']) window.addEventListener(back, () => void flush());

const root = document.getElementById('root');
if (!root) throw new Error('the page has no root element');
createRoot(root).render(<App />);
