import { later } from '../../../ui/shell/later';

// The forms are checked by the server's own rules, which bring a large library.
export const OwnCordDialog = later(() => import('./own-cord-dialog').then((m) => m.OwnCordDialog));
export const OwnBeadDialog = later(() => import('./own-bead-dialog').then((m) => m.OwnBeadDialog));
