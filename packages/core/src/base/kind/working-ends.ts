import { LAST_ACTIONS, type LastAction } from '../material/working-end.js';
import { PRACTICE, type Reason } from './reason.js';

/** What is done with a measure, or at a socket, and not with what fingers can hold. */
const MEASURED: readonly LastAction[] = ['socket', 'slides', 'chain'];

/** What is said of an end that fingers need: what it is for, and that it does not stay. */
export const endReason = (action: LastAction): Omit<Reason, 'mm' | 'times'> => ({
  area: 'end',
  code: `end.${action}`,
  label: 'Working end',
  detail: `what fingers need to ${LAST_ACTIONS[action].to}; trimmed afterwards`,
  ...PRACTICE,
  ...(MEASURED.includes(action) ? {} : { fingers: true }),
});
