import { readConfig } from './config/config.js';
import { createApp } from './create-app.js';
import { refuseUnowned } from './accounts/refuse-unowned.js';
import { sayStartFailure } from './config/start-failure.js';

// Whoever started it was killed: it ends in order, as when it is asked to. Nobody reads what it still says.
process.on('disconnect', () => process.kill(process.pid, 'SIGTERM'));
for (const output of [process.stdout, process.stderr]) output.on('error', () => undefined);

try {
  const config = readConfig(process.env);
  const app = await createApp(config);
  await refuseUnowned(app, config.host);
  await app.listen(config.port, config.host);
  const address = `http://${config.host}:${config.port}`;
  process.send?.({ ready: address });
} catch (error) {
  const words = sayStartFailure(error, process.env);
  process.send?.({ failed: words });
  process.stderr.write(`${words}\n`);
  process.exitCode = 1;
  // Open handles of a half-started application must not keep the process alive.
  setTimeout(() => process.exit(1), 200).unref();
}
