import { say } from './say.mjs';
import { DATA } from './shell.mjs';

/** Old logs are kept beside the one that is written: so many, of this size. */
const KEPT = { size: '5M', maxFiles: 5 };
/** Until it is tried again where nothing can be written, in ms. */
const RETRY_MS = 5000;

/**
 * A log in the data folder that never grows without end. Where it cannot be written, as on a full disk, what should
 * have been is lost and said once; nothing else stops for it.
 */
export async function openLog(name, { folder = DATA, ...kept } = {}) {
  // Known only once the packages are installed.
  const { createStream } = await import('rotating-file-stream');
  let failedAt = 0;
  const open = () =>
    createStream(name, { path: folder, ...KEPT, ...kept }).on(
      'error',
      (/** @type {NodeJS.ErrnoException} */ error) => {
        if (failedAt === 0)
          say(`The log ${name} cannot be written (${error.code ?? error.message})`);
        failedAt = Date.now();
        stream = null;
      },
    );
  let stream = open();
  return {
    write: (text) => {
      if (!stream && Date.now() - failedAt > RETRY_MS) stream = open();
      stream?.write(text);
    },
    end: () => stream?.end(),
  };
}
