import { format, formatDistanceToNowStrict } from 'date-fns';

/** Such as `26 Nov 2026, 14:05`. */
export const sayWhen = (at: string): string => format(new Date(at), 'd MMM yyyy, HH:mm');

/** Such as `3 minutes ago`. */
export const sayAgo = (at: string): string =>
  formatDistanceToNowStrict(new Date(at), { addSuffix: true });
